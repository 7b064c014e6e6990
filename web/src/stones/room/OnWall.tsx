import { Trash2 } from 'lucide-react';
import { formatLength, type Measure } from '@heronstone/core/lengths';
import { HEAT_WORDS } from '@heronstone/core/room';
import { BY_TAPE, type Fixture, HEATS, type Opening, roomOf, type Slope, type Wall } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { useWidth } from '../../ui/width.ts';
import { LengthField, NumberField, SelectField, TextField } from '../../ui/fields/index.ts';

/** Everything on one wall, from left to right as one stands before it. */
export function OnWall({ wall }: { wall: Wall }) {
  const plan = usePlan((s) => s.plan);
  const here = <T extends { wallId: string | null }>(rows: Readonly<Record<string, T>>) =>
    Object.values(rows).filter((row) => row.wallId === wall.id);
  const things = [
    ...here(plan.openings).map((o) => ({
      left: o.left,
      id: o.id,
      show: <OpeningRow key={o.id} opening={o} wall={wall} />,
    })),
    ...here(plan.fixtures).map((f) => ({
      left: f.left,
      id: f.id,
      show: <FixtureRow key={f.id} fixture={f} wall={wall} />,
    })),
  ].sort((a, b) => a.left - b.left);
  const slopes = here(plan.slopes);
  if (things.length + slopes.length === 0)
    return <p className="pl-9 text-[13px] text-soft">Nothing on it yet: the plus on the right adds what is there.</p>;
  return (
    <>
      {things.map((t) => t.show)}
      {slopes.map((s) => (
        <SlopeRow key={s.id} slope={s} />
      ))}
    </>
  );
}

/** How the size and place of what is on a wall are known, where they are not by tape. */
function knownWords({ sizeBy, plusMinus }: Pick<Opening, 'sizeBy' | 'plusMinus'>, measure: Measure): string {
  if (sizeBy === 'picture') return `By picture, ± ${formatLength(plusMinus, measure)}.`;
  return sizeBy === 'usual' ? 'Usual size and place, not measured.' : 'Put there by eye, not measured.';
}

/** Whether lengths are typed on the drawing of the wall: there is none while the walls do not close, and none of a size to type on on a phone. */
function useOnArrows(): boolean {
  const closes = usePlan((s) => roomOf(s.plan).closes);
  return useWidth() !== 'phone' && closes;
}

function Row({
  id,
  title,
  onRemove,
  over,
  known,
  onSure,
  children,
}: {
  /** of what is drawn on the wall and may be chosen there */
  id?: string | undefined;
  title: string;
  onRemove: () => void;
  over?: number;
  /** how its size and place are known, and what says that they are right */
  known?: Pick<Opening, 'sizeBy' | 'plusMinus'>;
  onSure?: () => void;
  children: React.ReactNode;
}) {
  const measure = usePlan((s) => s.plan.head.measure);
  const { get, select } = useSelection();
  return (
    <div className="mt-1.5 border-t border-line pl-9 pt-1.5">
      <div className="flex items-center justify-between">
        {id ? (
          <button
            type="button"
            aria-pressed={get('thing') === id}
            className="rounded px-1 font-semibold hover:bg-stone aria-pressed:text-heron"
            onClick={() => select({ thing: id })}
          >
            {title}
          </button>
        ) : (
          <span className="font-semibold">{title}</span>
        )}
        <Button look="quiet" className="!px-1.5" aria-label={`Take out ${title}`} onClick={onRemove}>
          <Trash2 size={15} aria-hidden />
        </Button>
      </div>
      <div className="grid grid-cols-4 gap-2">{children}</div>
      {known && known.sizeBy !== 'tape' && (
        <p className="mt-0.5 text-[13px] text-soft">
          {knownWords(known, measure)}{' '}
          <button type="button" className="text-heron underline" onClick={onSure}>
            It is right as it stands
          </button>
        </p>
      )}
      {over !== undefined && over > 0.5 && (
        <p className="mt-0.5 text-[13px] text-clash">It ends {formatLength(over, measure)} beyond the wall.</p>
      )}
    </div>
  );
}

function OpeningRow({ opening, wall }: { opening: Opening; wall: Wall }) {
  const dispatch = usePlan((s) => s.dispatch);
  const set = (part: Partial<Opening>) => dispatch({ type: 'setOpening', id: opening.id, set: part });
  const door = opening.kind === 'door';
  const onArrows = useOnArrows();
  return (
    <Row
      id={onArrows ? opening.id : undefined}
      title={door ? 'Door' : 'Window'}
      onRemove={() => dispatch({ type: 'removeOpening', id: opening.id })}
      over={opening.left + opening.width - wall.length}
      known={opening}
      onSure={() => set({ ...BY_TAPE })}
    >
      {!onArrows && (
        <>
          <LengthField label="from the left" mm={opening.left} onCommit={(mm) => mm !== null && set({ left: mm })} />
          <LengthField label="width" positive mm={opening.width} onCommit={(mm) => mm !== null && set({ width: mm })} />
          {!door && <LengthField label="sill" mm={opening.sill} onCommit={(mm) => mm !== null && set({ sill: mm })} />}
          <LengthField label="head" positive mm={opening.head} onCommit={(mm) => mm !== null && set({ head: mm })} />
        </>
      )}
      {door && (
        <SelectField
          label="hinge, swing"
          value={`${opening.hinge} ${opening.swing}`}
          options={[
            ['left in', 'left, in'],
            ['right in', 'right, in'],
            ['left out', 'left, out'],
            ['right out', 'right, out'],
          ]}
          onCommit={(v) =>
            set({ hinge: v.split(' ')[0] as Opening['hinge'], swing: v.split(' ')[1] as Opening['swing'] })
          }
        />
      )}
    </Row>
  );
}

const isElectric = (heat: Fixture['heat']): boolean => heat === 'portable' || heat === 'electric';

/** A fixture on a wall, or anywhere on floor or ceiling. */
export function FixtureRow({ fixture, wall }: { fixture: Fixture; wall?: Wall }) {
  const dispatch = usePlan((s) => s.dispatch);
  const set = (part: Partial<Fixture>) => dispatch({ type: 'setFixture', id: fixture.id, set: part });
  const length = (key: 'left' | 'bottom' | 'width' | 'depth' | 'height', label: string) => (
    <LengthField
      label={label}
      positive={key === 'width' || key === 'depth' || key === 'height'}
      mm={fixture[key]}
      onCommit={(mm) => mm !== null && set({ [key]: mm })}
    />
  );
  const spot = (key: 'x' | 'y', label: string) => (
    <LengthField label={label} mm={fixture[key]} onCommit={(mm) => mm !== null && set({ [key]: mm })} />
  );
  const { kind } = fixture;
  const onArrows = useOnArrows() && wall !== undefined;
  return (
    <Row
      id={onArrows ? fixture.id : undefined}
      title={fixture.name}
      onRemove={() => dispatch({ type: 'removeFixture', id: fixture.id })}
      known={fixture}
      onSure={() => set({ ...BY_TAPE })}
      {...(wall ? { over: fixture.left + fixture.width - wall.length } : {})}
    >
      <TextField label="name" value={fixture.name} onCommit={(name) => set({ name })} />
      {onArrows ? null : wall ? (
        length('left', 'from the left')
      ) : (
        <>
          {spot('x', 'centre, across')}
          {spot('y', 'centre, up the page')}
        </>
      )}
      {!onArrows && kind !== 'stairs' && length('bottom', 'above the floor')}
      {!onArrows && length('width', 'width')}
      {kind !== 'socket' && kind !== 'lamp' && length('depth', 'depth')}
      {!onArrows && kind !== 'lamp' && kind !== 'stairs' && length('height', 'height')}
      {kind === 'lamp' && (
        <>
          <NumberField
            label="light"
            unit="lm"
            max={100_000}
            value={fixture.lumens}
            onCommit={(lumens) => set({ lumens })}
          />
          <NumberField
            label="beam"
            unit="°"
            min={5}
            max={360}
            value={fixture.beam}
            onCommit={(beam) => set({ beam })}
          />
        </>
      )}
      {kind === 'heater' && (
        <SelectField
          className="col-span-2"
          label="what it is"
          value={fixture.heat}
          options={HEATS.map((heat) => [heat, HEAT_WORDS[heat]] as const)}
          onCommit={(heat) => set({ heat, ...(isElectric(heat) ? {} : { watts: 0, circuit: '' }) })}
        />
      )}
      {(kind === 'socket' || kind === 'lamp' || (kind === 'heater' && isElectric(fixture.heat))) && (
        <TextField label="circuit" value={fixture.circuit} onCommit={(circuit) => set({ circuit })} />
      )}
      {(kind === 'lamp' || (kind === 'heater' && isElectric(fixture.heat))) && (
        <NumberField label="power" unit="W" max={20_000} value={fixture.watts} onCommit={(watts) => set({ watts })} />
      )}
    </Row>
  );
}

function SlopeRow({ slope }: { slope: Slope }) {
  const dispatch = usePlan((s) => s.dispatch);
  const set = (part: Partial<Slope>) => dispatch({ type: 'setSlope', id: slope.id, set: part });
  return (
    <Row title="Slope" onRemove={() => dispatch({ type: 'removeSlope', id: slope.id })}>
      <LengthField
        label="height at the wall"
        positive
        mm={slope.knee}
        onCommit={(mm) => mm !== null && set({ knee: mm })}
      />
      <LengthField label="flat after" positive mm={slope.run} onCommit={(mm) => mm !== null && set({ run: mm })} />
    </Row>
  );
}
