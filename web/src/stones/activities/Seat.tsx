import { Armchair, Trash2 } from 'lucide-react';
import { moveSeat, seatsAt, type Side } from '@heronstone/core/room';
import { type Command, type Housing as HousedAs, type Plan, type Station, type Unit } from '@heronstone/core/plan';
import { toast } from 'sonner';
import { useLongWork } from '../../state/long-work.ts';
import { usePlan } from '../../state/plan-store.ts';
import { BestSpots } from '../../ui/best-spots.tsx';
import { Button } from '../../ui/button.tsx';
import { DayField, LengthField, SelectField, TextField } from '../../ui/fields/index.ts';
import { useWidth } from '../../ui/width.ts';
import { today } from '../../ui/words.ts';
import { Working } from '../../ui/working.tsx';
import { ArrowRow } from '../../views/arrows/Arrows.tsx';
import { seatArrows } from '../../views/floor/unit-arrows.ts';
import { type Mapped } from './mapped.ts';
import { Comes } from './Comes.tsx';
import { Packed } from './Packed.tsx';
import { Traveller } from './Traveller.tsx';

const HOUSED: readonly (readonly [HousedAs, string])[] = [
  ['station', 'a place of its own'],
  ['kit', 'a kit: a box carried to the seat'],
  ['cart', 'a cart rolled beside the seat'],
];

const SIDES: readonly (readonly [string, Side])[] = [
  ['its front', 'front'],
  ['its back', 'back'],
  ['its left end', 'left'],
  ['its right end', 'right'],
];

/** A seat at one side of a table. */
export function seatAt(plan: Plan, table: Unit, side: Side): Pick<Station, 'x' | 'y' | 'heading'> {
  const { x, y, heading } = seatsAt(plan, table).find((s) => s.side === side)!;
  return { x, y, heading };
}

export function Seat({
  station,
  plan,
  tables,
  mapped,
  onMap,
}: {
  station: Station;
  plan: Plan;
  tables: readonly Unit[];
  mapped: Mapped | null;
  onMap: (map: Mapped | null) => void;
}) {
  const dispatch = usePlan((s) => s.dispatch);
  const work = useLongWork();
  // where there is room for it this is typed on Floor
  const small = useWidth() === 'phone';
  const set = (part: Partial<Station>) => dispatch({ type: 'setStation', id: station.id, set: part });
  const move = (to: Parameters<typeof moveSeat>[2]) => dispatch(moveSeat(plan, station, to));
  const table = station.unitId ? plan.units[station.unitId] : undefined;
  const others = Object.values(plan.stations).filter((s) => s.id !== station.id);
  const partner = others.find((s) => station.together !== '' && s.together === station.together);
  const together = (id: string) => {
    const other = plan.stations[id];
    if (!other) return void set({ together: '' });
    const word = other.together || other.name.slice(0, 40);
    dispatch({
      type: 'several',
      words: `work ${station.name} and ${other.name} at once`,
      commands: [
        { type: 'setStation', id: station.id, set: { together: word } },
        { type: 'setStation', id: other.id, set: { together: word } },
      ],
    } as Command);
  };
  const seatMap = async () => {
    const map = await work.run((api, tell) => api.seats(plan, station.id, tell));
    if (map) onMap({ map, of: 'seat', id: station.id });
    else toast('The walls must close first, and somebody must sit here.');
  };
  return (
    <fieldset className="rounded-2xl bg-paper p-3">
      <legend className="sr-only">Seat {station.name}</legend>
      <div className="flex flex-wrap items-end gap-2">
        <TextField className="w-40" label="Seat" value={station.name} onCommit={(name) => set({ name })} />
        <SelectField
          className="w-28"
          label="who"
          value={station.personId}
          options={Object.values(plan.people).map((p) => [p.id, p.name] as const)}
          onCommit={(personId) => set({ personId })}
        />
        <SelectField
          className="w-36"
          label="at"
          value={station.unitId ?? ''}
          options={[['', 'no worktop'], ...tables.map((t) => [t.id, t.name] as const)]}
          onCommit={(id) => set({ unitId: id || null })}
        />
        <SelectField
          className="w-28"
          label="posture"
          value={station.standing ? 'standing' : 'sitting'}
          options={[
            ['sitting', 'sitting'],
            ['standing', 'standing'],
          ]}
          onCommit={(v) => set({ standing: v === 'standing' })}
        />
        {!station.standing && (
          <LengthField
            className="w-28"
            label="seat height"
            optional
            mm={station.seatHeight}
            onCommit={(seatHeight) => set({ seatHeight })}
          />
        )}
        {small && <ArrowRow arrows={seatArrows(plan, station, 1, move)} />}
        <Button
          look="quiet"
          aria-label={`Take out ${station.name}`}
          onClick={() => dispatch({ type: 'removeStation', id: station.id })}
        >
          <Trash2 size={15} aria-hidden />
        </Button>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-2 text-[14px]">
        {table && (
          <>
            <span className="text-soft">sit at</span>
            {SIDES.map(([words, side]) => (
              <Button key={words} look="quiet" className="!px-2" onClick={() => set(seatAt(plan, table, side))}>
                {words}
              </Button>
            ))}
          </>
        )}
        <span className="ml-auto flex items-center gap-2">
          {work.share === null ? (
            <Button onClick={() => void seatMap()}>
              <Armchair size={15} aria-hidden /> Where should I sit?
            </Button>
          ) : (
            <Working work={work} words="trying every spot" />
          )}
        </span>
      </div>
      {mapped?.of === 'seat' && mapped.id === station.id && (
        <BestSpots
          map={mapped.map}
          onTake={(b) => move({ x: Math.round(b.x), y: Math.round(b.y), heading: b.heading })}
          onClose={() => onMap(null)}
        />
      )}
      <div className="mt-2 flex flex-wrap items-end gap-2 border-t border-line pt-2">
        <SelectField
          className="w-60"
          label="it lives as"
          value={station.housing}
          options={HOUSED}
          onCommit={(housing) =>
            set({
              housing,
              ...(housing === 'station' ? { travellerId: null, parkingId: null } : { travellerId: null }),
            })
          }
        />
        {station.housing !== 'station' && <Traveller station={station} plan={plan} />}
        <SelectField
          className="w-44"
          label="at the same time as"
          value={partner?.id ?? ''}
          options={[['', 'nobody else'], ...others.map((s) => [s.id, s.name] as const)]}
          onCommit={together}
        />
        <Comes station={station} />
        <DayField
          className="w-40"
          label="last worked here"
          max={today()}
          value={station.lastUsed ?? null}
          onCommit={(lastUsed) => set({ lastUsed })}
        />
      </div>
      {station.travellerId && <Packed station={station} plan={plan} mapped={mapped} onMap={onMap} />}
    </fieldset>
  );
}
