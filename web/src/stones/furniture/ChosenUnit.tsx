import { Lock, LockOpen, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { CATALOGUE } from '@heronstone/core/catalogue';
import { prismFootprint } from '@heronstone/core/geometry';
import { placeFilling } from '@heronstone/core/homes';
import { formatLength } from '@heronstone/core/lengths';
import { homesIn, type Plan, roomOf, type Unit, wallsInOrder } from '@heronstone/core/plan';
import { unitPrism } from '@heronstone/core/room';
import { asSeen } from '../../state/as-seen.ts';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { LengthField, NumberField, TextField } from '../../ui/fields.tsx';
import { Front } from '../../views/front/Front.tsx';

/** The chosen unit: its sizes, how far it is from the walls, and its front with what lives in it. */
export function ChosenUnit({ unit }: { unit: Unit }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { select } = useSelection();
  const [placeId, setPlaceId] = useState<string | null>(null);
  const facts = CATALOGUE[unit.kind];
  const set = (part: Partial<Unit>) =>
    dispatch({
      type: 'setUnit',
      id: unit.id,
      set: part,
      was: asSeen(unit, part),
    });
  const length = (key: 'width' | 'depth' | 'height' | 'bottom', label: string) => (
    <LengthField
      label={label}
      positive={key !== 'bottom'}
      mm={unit[key]}
      onCommit={(mm) => mm !== null && set({ [key]: mm })}
    />
  );
  const place = placeId ? plan.places[placeId] : undefined;
  return (
    <section
      aria-label={unit.name}
      className="grid grid-cols-1 gap-x-6 gap-y-2 border-t border-line pt-2 lg:grid-cols-[1fr_19rem]"
    >
      <div>
        <div className="flex items-end gap-3">
          <TextField className="w-64" label={facts.name} value={unit.name} onCommit={(name) => set({ name })} />
          <Button
            onClick={() => {
              if (dispatch({ type: 'removeUnit', id: unit.id })) select({ unit: null });
            }}
          >
            <Trash2 size={15} aria-hidden /> Take it out
          </Button>
        </div>
        <div className="mt-2 grid grid-cols-3 gap-2 sm:grid-cols-4 xl:grid-cols-8">
          {length('width', 'width')}
          {length('depth', 'depth')}
          {length('height', 'height')}
          {(unit.mount === 'wall' || unit.mount === 'on') && length('bottom', 'above the floor')}
          {facts.places && (
            <>
              <NumberField label="rows" whole min={1} max={40} value={unit.rows} onCommit={(rows) => set({ rows })} />
              <NumberField
                label="columns"
                whole
                min={1}
                max={40}
                value={unit.columns}
                onCommit={(columns) => set({ columns })}
              />
            </>
          )}
          {unit.mount === 'away' ? (
            <NumberField
              label="there and back"
              unit="min"
              max={600}
              value={unit.awayMinutes}
              onCommit={(awayMinutes) => set({ awayMinutes })}
            />
          ) : (
            <NumberField
              label="front looks to"
              unit="°"
              min={-360}
              max={360}
              value={unit.facing}
              onCommit={(facing) => set({ facing })}
            />
          )}
        </div>
        {unit.mount !== 'away' && <Distances plan={plan} unit={unit} onMove={(to) => set(to)} />}
      </div>
      {facts.places && (
        <div className="flex h-44 gap-3">
          <Front plan={plan} unit={unit} chosen={placeId} onChoose={setPlaceId} className="h-full w-44 shrink-0" />
          <div className="min-w-0 overflow-auto text-[14px]">
            {place && place.unitId === unit.id ? (
              <>
                <p className="font-semibold">{place.name}</p>
                <p className="text-soft">
                  inside {formatLength(place.width, plan.head.measure)} × {formatLength(place.depth, plan.head.measure)}{' '}
                  × {formatLength(place.height, plan.head.measure)} high
                </p>
                <p>
                  {homesIn(plan, place.id)
                    .map((h) => plan.supplies[h.supplyId]?.name)
                    .join(', ') || 'empty'}
                </p>
                {placeFilling(plan, place).faults.map((f) => (
                  <p key={f} className="text-clash">
                    {f}
                  </p>
                ))}
                <Button
                  look="quiet"
                  className="!px-1"
                  onClick={() => dispatch({ type: 'lockPlace', id: place.id, lockable: !place.lockable })}
                >
                  {place.lockable ? <Lock size={14} aria-hidden /> : <LockOpen size={14} aria-hidden />}{' '}
                  {place.lockable ? 'has a lock' : 'no lock'}
                </Button>
              </>
            ) : (
              <p className="text-soft">Its front, to scale. Choose a place to see what lives in it.</p>
            )}
          </div>
        </div>
      )}
    </section>
  );
}

/** Clear distance from each straight wall, to be typed: “380 mm from the east wall”. */
function Distances({ plan, unit, onMove }: { plan: Plan; unit: Unit; onMove: (to: { x: number; y: number }) => void }) {
  const survey = roomOf(plan);
  if (!survey.closes)
    return <p className="mt-2 text-[13px] text-soft">Once the walls close, distances from them can be typed here.</p>;
  const corners = prismFootprint(unitPrism(unit));
  const n = survey.outline.length;
  const rows = wallsInOrder(plan).map((wall, i) => {
    const a = survey.outline[i]!;
    const b = survey.outline[(i + 1) % n]!;
    const long = Math.hypot(b.x - a.x, b.y - a.y) || 1;
    // the room lies to the right of each wall as it is walked
    const inward = { x: (b.y - a.y) / long, y: -(b.x - a.x) / long };
    const gap = Math.min(...corners.map((c) => (c.x - a.x) * inward.x + (c.y - a.y) * inward.y));
    return { wall, i, inward, gap };
  });
  return (
    <div className="mt-2 flex flex-wrap items-end gap-2">
      <span className="pb-1.5 text-[13px] text-soft">from the wall:</span>
      {rows.map(({ wall, i, inward, gap }) =>
        gap < -0.5 ? (
          <p key={wall.id} className="w-28 text-[13px] text-clash">
            {wall.name || `wall ${i + 1}`}: {formatLength(-gap, plan.head.measure)} through it
          </p>
        ) : (
          <LengthField
            key={wall.id}
            className="w-24"
            label={wall.name || `wall ${i + 1}`}
            mm={Math.max(0, Math.round(gap * 10) / 10)}
            onCommit={(mm) =>
              mm !== null && onMove({ x: unit.x + inward.x * (mm - gap), y: unit.y + inward.y * (mm - gap) })
            }
          />
        ),
      )}
    </div>
  );
}
