import { memo, useMemo } from 'react';
import { placeSaid } from '@heronstone/core/concepts';
import { type Plan, type Unit } from '@heronstone/core/plan';
import { type Seen } from '@heronstone/core/reach';
import { type Reading } from '../../state/reading.ts';
import { useHover } from '../../state/selection.ts';
import { type Drawn, pieceBeyond, roundsTo, widestOf, WIDTH, x } from './geometry.ts';
import { type PlaceLook } from './looks.ts';
import { labelsOf, NO_LABELS, UnitName } from './names.tsx';
import { PlaceMark } from './PlaceMark.tsx';
import { ZoneStrip } from './scenery.tsx';

type Props = {
  plan: Plan;
  unit: Unit;
  seen: Seen;
  places: readonly Drawn[];
  reading: Reading;
  looks: ReadonlyMap<string, PlaceLook>;
  chosen: string | null;
  /** the place the tabulator comes to */
  focusable: string | undefined;
  y: (mm: number) => number;
  onStepTo: (unitId: string) => void;
};

/**
 * A unit with its places where it is in sight; what of it goes beyond the edge is drawn at the other one. As the ribbon turns it is not drawn anew, but
 * for the moment in which it comes round.
 */
export function TurnedUnit({ turn, on, ...unit }: Props & { turn: number; on: string }) {
  const { seen } = unit;
  if (seen.stretches.length === 0) return <UnitGroup {...unit} />;
  const { from, to } = widestOf(seen);
  const rounds = roundsTo((from + to) / 2, turn);
  const beyond = pieceBeyond({ from: from + rounds * 360, to: to + rounds * 360 }, turn);
  const id = `${on}${unit.unit.id}`;
  return (
    <>
      <g id={id} transform={rounds === 0 ? undefined : `translate(${rounds * WIDTH} 0)`}>
        <UnitGroup {...unit} />
      </g>
      {beyond !== 0 && <use href={`#${id}`} x={beyond * WIDTH} aria-hidden pointerEvents="none" />}
    </>
  );
}

const UnitGroup = memo(function UnitGroup({
  plan,
  unit,
  seen,
  places,
  reading,
  looks,
  chosen,
  focusable,
  y,
  onStepTo,
}: Props) {
  const hovered = useHover((s) => s.unit === unit.id);
  // names must be read, however far they are
  const pale = Math.max(reading === 'what' ? 0.8 : 0.45, Math.min(1, 1.12 - seen.away / 5000));
  const labels = useMemo(
    () => (reading === 'what' ? labelsOf(plan, places, y) : NO_LABELS),
    [plan, places, y, reading],
  );
  return (
    <>
      <g opacity={pale} onDoubleClick={() => onStepTo(unit.id)}>
        {seen.stretches.map((s) => (
          <rect
            key={s.from}
            x={x(s.from) - 1}
            width={x(s.to) - x(s.from) + 2}
            y={y(seen.high) - 1}
            height={y(seen.low) - y(seen.high) + 2}
            rx={2}
            fill="var(--wood)"
            stroke={hovered ? 'var(--ink)' : 'var(--wood-line)'}
            strokeWidth={hovered ? 2.6 : 1}
          />
        ))}
        {places.map(({ spot, seen: p }) => (
          <PlaceMark
            key={spot.place.id}
            id={spot.place.id}
            plan={plan}
            reading={reading}
            label={labels.get(spot.place.id) ?? null}
            title={placeSaid(plan, plan.places[spot.place.id] ?? spot.place)}
            seen={p}
            y={y}
            look={looks.get(spot.place.id)}
            chosen={spot.place.id === chosen}
            focusable={spot.place.id === focusable}
          />
        ))}
        {reading === 'what' && labels.size === 0 && <UnitName unit={unit} seen={seen} y={y} />}
      </g>
      <ZoneStrip plan={plan} unit={unit} seen={seen} />
    </>
  );
});
