import { placeSaid } from '@heronstone/core/concepts';
import { placesIn, type Plan, type Unit } from '@heronstone/core/plan';
import { type Seen } from '@heronstone/core/reach';
import { useHover } from '../../state/selection.ts';
import { halo } from '../../ui/halo.ts';
import { type Drawn, WIDTH, widestOf, wrap, x } from './geometry.ts';
import { fitting, labelIn, LETTER, widthOf } from './place-label.ts';

export const NO_LABELS: ReadonlyMap<string, string> = new Map();

/** What is written in the places of a unit: nothing where others stand in a place, or where its back is seen. */
export function labelsOf(plan: Plan, places: readonly Drawn[], y: (mm: number) => number): ReadonlyMap<string, string> {
  const labels = new Map<string, string>();
  for (const { spot, seen } of places) {
    if (!seen.front || seen.stretches.length === 0 || placesIn(plan, spot.place.id).length > 0) continue;
    const { from, to } = widestOf(seen);
    const label = labelIn(plan, spot.place.id, x(to) - x(from), y(seen.low) - y(seen.high));
    if (label !== null) labels.set(spot.place.id, label);
  }
  return labels;
}

/** The name of a unit whose places are too small for theirs, or empty. */
export function UnitName({ unit, seen, y }: { unit: Unit; seen: Seen; y: (mm: number) => number }) {
  if (seen.stretches.length === 0) return null;
  const { from, to } = widestOf(seen);
  const words = fitting([unit.name], x(to) - x(from), y(seen.low) - y(seen.high));
  return words && <Letters x={(x(from) + x(to)) / 2} y={(y(seen.low) + y(seen.high)) / 2} words={words} faint />;
}

/** Letters that are read on any colour. */
export function Letters({ x, y, words, faint = false }: { x: number; y: number; words: string; faint?: boolean }) {
  return (
    <text
      x={x}
      y={y + LETTER * 0.36}
      textAnchor="middle"
      fontSize={LETTER}
      fill={faint ? 'var(--soft)' : 'var(--ink)'}
      {...halo(3)}
      pointerEvents="none"
    >
      {words}
    </text>
  );
}

/** The place that is pointed at, or has the focus, says what it is called, however small it is. */
export function PointedAt({
  plan,
  units,
  turn,
  y,
}: {
  plan: Plan;
  units: readonly { places: readonly Drawn[] }[];
  /** degrees the ribbon is turned */
  turn: number;
  y: (mm: number) => number;
}) {
  const id = useHover((s) => s.place);
  const drawn = id === null ? undefined : units.flatMap((u) => u.places).find((p) => p.spot.place.id === id);
  const place = id === null ? undefined : plan.places[id];
  if (!drawn || !place || drawn.seen.stretches.length === 0) return null;
  const words = placeSaid(plan, place);
  const width = widthOf(words) + 14;
  const { from, to } = widestOf(drawn.seen);
  const middle = Math.min(WIDTH - width / 2 - 2, Math.max(width / 2 + 2, x(wrap((from + to) / 2 - turn))));
  const above = y(drawn.seen.high) - 24;
  const at = above > 2 ? above : y(drawn.seen.low) + 5;
  return (
    <g pointerEvents="none" aria-hidden>
      <rect x={middle - width / 2} y={at} width={width} height={19} rx={5} fill="var(--ink)" />
      <text x={middle} y={at + 13.5} textAnchor="middle" fontSize={LETTER} fill="var(--paper)">
        {words}
      </text>
    </g>
  );
}
