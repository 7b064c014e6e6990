import { Trash2 } from 'lucide-react';
import { Tabs } from 'radix-ui';
import { useState } from 'react';
import { factsOf } from '@heronstone/core/catalogue';
import { placeFilling } from '@heronstone/core/homes';
import { formatLength } from '@heronstone/core/lengths';
import { compartmentsOf, homesIn, type Place, type Unit } from '@heronstone/core/plan';
import { wallFrames, wallGaps } from '@heronstone/core/room';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { NumberField, TextField } from '../../ui/fields/index.ts';
import { WallFront } from '../../views/wall/WallFront.tsx';
import { FrontLengths } from './FrontLengths.tsx';
import { FrontEditor } from './FrontEditor.tsx';
import { PlacePanel } from './place/PlacePanel.tsx';
import { StandsAndPower } from './StandsAndPower.tsx';
import { UnitGuesses } from './UnitGuesses.tsx';

const tab =
  'rounded-full px-3 py-0.5 text-[14px] data-[state=active]:bg-ink data-[state=active]:text-ground data-[state=inactive]:hover:bg-stone';

/** The chosen unit: how it is split and what it bears on the left, on the right its front, a place from above, or its wall. Its lengths stand on Floor and on its front. */
export function ChosenUnit({ unit }: { unit: Unit }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { get, select } = useSelection();
  const [seen, setSeen] = useState<'front' | 'inside' | 'wall'>('front');
  const facts = factsOf(unit.kind);
  const set = (part: Partial<Unit>) => dispatch({ type: 'setUnit', id: unit.id, set: part });
  const chosen = plan.places[get('place') ?? ''];
  const place = chosen?.unitId === unit.id ? chosen : undefined;
  const nearest = wallGaps(plan, unit).sort((a, b) => Math.abs(a.gap) - Math.abs(b.gap))[0];
  const [first] = compartmentsOf(plan, unit.id);
  return (
    <section
      aria-label={unit.name}
      className={`grid grid-cols-1 gap-x-6 gap-y-2 border-t border-line pt-2 ${seen === 'front' ? 'lg:grid-cols-[1fr_31rem]' : 'lg:grid-cols-[minmax(18rem,1fr)_46rem]'}`}
    >
      <Tabs.Root defaultValue={facts.places ? 'front' : 'stands'}>
        <div className="flex flex-wrap items-end gap-2">
          <TextField className="w-52" label={facts.name} value={unit.name} onCommit={(name) => set({ name })} />
          {unit.mount === 'away' && (
            <NumberField
              className="w-28"
              label="there and back"
              unit="min"
              max={600}
              value={unit.awayMinutes}
              onCommit={(awayMinutes) => set({ awayMinutes })}
            />
          )}
          <Tabs.List aria-label="What to change" className="flex gap-1 pb-1">
            {facts.places && (
              <Tabs.Trigger className={tab} value="front">
                Split its front
              </Tabs.Trigger>
            )}
            <Tabs.Trigger className={tab} value="stands">
              Stands, bears, draws
            </Tabs.Trigger>
          </Tabs.List>
          <Button
            className="ml-auto"
            onClick={() => {
              if (dispatch({ type: 'removeUnit', id: unit.id })) select({ unit: null });
            }}
          >
            <Trash2 size={15} aria-hidden /> Take it out
          </Button>
        </div>
        <UnitGuesses unit={unit} />
        <Tabs.Content value="front" className="mt-2">
          <FrontEditor unit={unit} place={place} />
        </Tabs.Content>
        <Tabs.Content value="stands" className="mt-2">
          <StandsAndPower unit={unit} />
        </Tabs.Content>
      </Tabs.Root>
      <div className={`flex flex-col ${seen === 'front' ? 'h-52' : seen === 'inside' ? 'h-[19.5rem]' : 'h-72'}`}>
        <div className="flex gap-1 text-[13px]" role="group" aria-label="Seen from">
          {(
            [
              ['front', 'Front'],
              ['inside', 'Inside'],
              ['wall', 'Its wall'],
            ] as const
          ).map(([id, name]) => (
            <button
              key={id}
              type="button"
              aria-pressed={seen === id}
              disabled={(id === 'inside' && !first) || (id === 'wall' && wallFrames(plan).length === 0)}
              className={`rounded-full px-2 py-0.5 disabled:opacity-50 ${seen === id ? 'bg-stone font-semibold' : 'hover:bg-stone'}`}
              onClick={() => setSeen(id)}
            >
              {name}
            </button>
          ))}
        </div>
        <div className="flex min-h-0 grow gap-3">
          {seen === 'wall' && nearest ? (
            <WallFront
              plan={plan}
              wallId={nearest.wallId}
              chosenUnit={unit.id}
              onChooseUnit={(id) => select({ unit: id })}
            />
          ) : seen === 'inside' && (place ?? first) ? (
            <PlacePanel place={(place ?? first)!} />
          ) : (
            <>
              <FrontLengths unit={unit} place={place} />
              {first && <PlaceWords place={place} onOpen={() => setSeen('inside')} />}
            </>
          )}
        </div>
      </div>
    </section>
  );
}

function PlaceWords({ place, onOpen }: { place: Place | undefined; onOpen: () => void }) {
  const plan = usePlan((s) => s.plan);
  const len = (mm: number) => formatLength(mm, plan.head.measure);
  if (!place)
    return <p className="text-[14px] text-soft">Its front, to scale. Choose a place to see what lives in it.</p>;
  return (
    <div className="min-w-0 overflow-auto text-[14px]" tabIndex={0} role="group" aria-label={place.name}>
      <p className="font-semibold">{place.name}</p>
      <p className="text-soft">
        inside {len(place.width)} × {len(place.depth)} × {len(place.height)} high
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
      <Button look="quiet" className="!px-1" onClick={onOpen}>
        Look inside, divide it, set boxes in
      </Button>
    </div>
  );
}
