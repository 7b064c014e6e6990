import { Trash2 } from 'lucide-react';
import { DIVISION_KINDS, NATURES } from '@heronstone/core/catalogue';
import { massIn, shoppingList, type ShoppingRow } from '@heronstone/core/fit';
import { formatLength } from '@heronstone/core/lengths';
import {
  blankOrganiser,
  homesIn,
  newId,
  type Organiser,
  outerOf,
  type Place,
  placesIn,
  placeTitle,
  type Plan,
} from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { CheckField, LengthField, NumberField, SelectField, TextField } from '../../ui/fields.tsx';
import { Sheet } from '../../ui/sheet.tsx';

/** The containers one has or wants, each drawn beside the place it stands in, and what to buy. */
export function Shopping({ onClose }: { onClose: () => void }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const rows = shoppingList(plan);
  const add = () =>
    dispatch({
      type: 'addOrganiser',
      organiser: { ...blankOrganiser(newId('organiser'), `Box ${rows.length + 1}`, 150, 200, 100), seeThrough: true },
    });
  return (
    <Sheet title="Containers and what to buy" onClose={onClose} wide>
      {rows.length === 0 && (
        <p className="text-soft">
          No containers yet. Measure one of your own here, once; then set as many of it into places as you like.
        </p>
      )}
      <ul className="divide-y divide-line">
        {rows.map((row) => (
          <Row key={row.organiser.id} plan={plan} row={row} onClose={onClose} />
        ))}
      </ul>
      <Button className="mt-2" onClick={add}>
        Measure another container
      </Button>
    </Sheet>
  );
}

function Row({ plan, row, onClose }: { plan: Plan; row: ShoppingRow; onClose: () => void }) {
  const { organiser, need, packs, buy, spare, where } = row;
  const { select } = useSelection();
  const len = (mm: number) => formatLength(mm, plan.head.measure);
  const money = organiser.price === null ? '' : ` for ${(buy * organiser.price).toFixed(2)}`;
  return (
    <li className="grid grid-cols-1 gap-x-4 gap-y-1 py-3 sm:grid-cols-[15rem_1fr]">
      <Beside plan={plan} organiser={organiser} place={where[0]?.place ?? null} />
      <div>
        <h3 className="font-semibold">
          {organiser.name}{' '}
          <span className="font-normal text-soft">
            {len(organiser.width)} × {len(organiser.depth)} × {len(organiser.height)} high
            {organiser.lid ? ', with a lid' : ''}
            {organiser.carried ? ', carried to the seat' : ''}
          </span>
        </h3>
        <p className={packs > 0 ? 'font-semibold' : ''}>
          {packs === 0
            ? need === 0
              ? 'Stands nowhere yet.'
              : `Enough: ${need} in places, ${organiser.have} at hand.`
            : `Buy ${packs} ${packs === 1 ? 'pack' : 'packs'} of ${organiser.packOf}: ${buy}${money}, with ${organiser.have} at hand for ${need}; ${spare} over.`}
        </p>
        <ul className="text-[14px]">
          {where.map((w) => (
            <li key={w.place.id}>
              <button
                type="button"
                className="text-left text-heron hover:underline"
                onClick={() => {
                  select({ unit: w.place.unitId, place: w.place.id });
                  onClose();
                }}
              >
                {w.count} in {placeTitle(plan, w.place)}
              </button>{' '}
              <span className="text-soft">{heldWords(plan, w.place, organiser.id)}</span>
            </li>
          ))}
        </ul>
        <details className="mt-1">
          <summary className="cursor-pointer text-[14px] text-heron">Measure and describe it</summary>
          <Editor organiser={organiser} />
        </details>
      </div>
    </li>
  );
}

/** What lies in the containers of a kind in one place. */
function heldWords(plan: Plan, place: Place, organiserId: string): string {
  const boxes = placesIn(plan, place.id).filter((p) => p.organiserId === organiserId);
  const kinds = boxes.reduce((sum, p) => sum + homesIn(plan, p.id).length, 0);
  const mass = boxes.reduce((sum, p) => sum + massIn(plan, p), 0);
  return kinds === 0 ? 'empty' : `${kinds} ${kinds === 1 ? 'kind' : 'kinds'}, ${(mass / 1000).toFixed(1)} kg`;
}

/** One scale for all of them, so that a large box is drawn large: mm a unit of the drawing. */
const SCALE = 4;

/** A container from above beside the place it stands in, at one scale. */
function Beside({ plan, organiser, place }: { plan: Plan; organiser: Organiser; place: Place | null }) {
  const gap = 40;
  const width = organiser.width + (place ? gap + place.width : 0);
  const depth = Math.max(organiser.depth, place?.depth ?? 0);
  const boxes = place ? placesIn(plan, place.id) : [];
  const words = place
    ? `${organiser.name} beside ${placeTitle(plan, place)}, from above`
    : `${organiser.name} from above`;
  return (
    <svg
      viewBox={`-6 -6 ${width + 12} ${depth + 12}`}
      style={{ width: Math.min(240, width / SCALE) }}
      className="max-w-full self-start"
      role="img"
      aria-label={words}
    >
      <rect
        y={depth - organiser.depth}
        width={organiser.width}
        height={organiser.depth}
        rx={8}
        fill="var(--stone)"
        stroke="var(--ink)"
        strokeWidth={4}
      />
      {organiser.lid && (
        <line
          x1={0}
          x2={organiser.width}
          y1={depth - organiser.depth}
          y2={depth}
          stroke="var(--ink)"
          strokeWidth={3}
          strokeOpacity={0.5}
        />
      )}
      {place && (
        <g transform={`translate(${organiser.width + gap} ${depth - place.depth})`}>
          <rect
            width={place.width}
            height={place.depth}
            fill="var(--paper)"
            stroke="var(--wood-line)"
            strokeWidth={5}
          />
          {boxes.map((p) => {
            const outer = outerOf(plan, p);
            const own = p.organiserId === organiser.id;
            return (
              <rect
                key={p.id}
                x={p.left}
                y={place.depth - p.front - outer.depth}
                width={outer.width}
                height={outer.depth}
                rx={8}
                fill={own ? 'var(--stone)' : 'none'}
                stroke="var(--ink)"
                strokeOpacity={own ? 1 : 0.4}
                strokeWidth={4}
              />
            );
          })}
        </g>
      )}
    </svg>
  );
}

const NATURE_WORDS: Record<Organiser['nature'], string> = {
  row: 'a row',
  area: 'laid out in it',
  bulk: 'thrown in',
  pile: 'a pile',
  pockets: 'pockets',
};

function Editor({ organiser }: { organiser: Organiser }) {
  const dispatch = usePlan((s) => s.dispatch);
  const set = (part: Partial<Organiser>) => dispatch({ type: 'setOrganiser', id: organiser.id, set: part });
  const length = (key: 'width' | 'depth' | 'height', inner: 'innerWidth' | 'innerDepth' | 'innerHeight') => (
    <LengthField
      label={key}
      positive
      mm={organiser[key]}
      // the wall stays as thick as it was
      onCommit={(mm) =>
        mm !== null && set({ [key]: mm, [inner]: Math.max(1, mm - (organiser[key] - organiser[inner])) })
      }
    />
  );
  const [way, parts] = organiser.divided.split(' ');
  return (
    <div className="grid grid-cols-3 items-end gap-2 sm:grid-cols-5">
      <TextField
        className="sm:col-span-2"
        label="container"
        value={organiser.name}
        onCommit={(name) => set({ name })}
      />
      {length('width', 'innerWidth')}
      {length('depth', 'innerDepth')}
      {length('height', 'innerHeight')}
      <NumberField
        label="in a pack"
        whole
        min={1}
        max={1000}
        value={organiser.packOf}
        onCommit={(packOf) => set({ packOf })}
      />
      <NumberField label="at hand" whole max={1000} value={organiser.have} onCommit={(have) => set({ have })} />
      <SelectField
        label="things lie in it as"
        value={organiser.nature}
        options={NATURES.map((n) => [n, NATURE_WORDS[n]] as const)}
        onCommit={(nature) => set({ nature, pockets: nature === 'pockets' ? organiser.pockets || 20 : 0 })}
      />
      {organiser.nature === 'pockets' ? (
        <NumberField
          label="pockets"
          whole
          min={1}
          max={2000}
          value={organiser.pockets}
          onCommit={(pockets) => set({ pockets })}
        />
      ) : (
        <SelectField
          label="divided into"
          value={way || 'none'}
          options={[['none', 'nothing'], ...DIVISION_KINDS.map((k) => [k, k] as const)]}
          onCommit={(kind) =>
            set({
              divided:
                kind === 'none' ? '' : kind === 'slots' || kind === 'trays' ? `${kind} 3` : `${kind} rest,rest,rest`,
            })
          }
        />
      )}
      {way && (
        <NumberField
          label="parts"
          whole
          min={1}
          max={30}
          value={way === 'slots' || way === 'trays' ? Number(parts) : parts!.split(',').length}
          onCommit={(n) =>
            set({
              divided:
                way === 'slots' || way === 'trays'
                  ? `${way} ${n}`
                  : `${way} ${new Array<string>(n).fill('rest').join(',')}`,
            })
          }
        />
      )}
      <CheckField
        label="lid"
        checked={organiser.lid}
        onCommit={(lid) => set({ lid, lidRise: lid ? organiser.lidRise || 60 : 0 })}
      />
      {organiser.lid && (
        <LengthField
          label="lid needs above"
          mm={organiser.lidRise}
          onCommit={(mm) => mm !== null && set({ lidRise: mm })}
        />
      )}
      <CheckField label="see-through" checked={organiser.seeThrough} onCommit={(seeThrough) => set({ seeThrough })} />
      <CheckField label="carried to the seat" checked={organiser.carried} onCommit={(carried) => set({ carried })} />
      <Button
        look="quiet"
        className="!px-1"
        aria-label={`Take out ${organiser.name} everywhere`}
        onClick={() => dispatch({ type: 'removeOrganiser', id: organiser.id })}
      >
        <Trash2 size={15} aria-hidden />
      </Button>
    </div>
  );
}
