import { type Point, prismFootprint } from '@heronstone/core/geometry';
import { type Plan, type Unit } from '@heronstone/core/plan';
import { unitPrism } from '@heronstone/core/room';
import { usePlan } from '../../state/plan-store.ts';
import { ArrowRow, Arrows } from '../../views/arrows/Arrows.tsx';
import { around } from '../../views/arrows/spread.ts';
import { type Seen } from '../../views/seen.ts';
import { wallLabelBoxes } from '../../views/floor/wall-labels.ts';
import { unitArrows } from '../../views/floor/unit-arrows.ts';

/** A ring to sit down at, px. */
const RING = 30;

/** What is typed of the chosen unit on Floor: its sizes, where its front looks, how far it is from the walls. */
export function UnitArrows({
  plan,
  unit,
  seats,
  seen,
}: {
  plan: Plan;
  unit: Unit;
  /** where one may sit down at it: these stay free too */
  seats: readonly Point[];
  seen: Seen;
}) {
  const dispatch = usePlan((s) => s.dispatch);
  if (unit.mount === 'away' || unit.keptInId !== null) return null;
  const arrows = unitArrows(plan, unit, seen.scale, (set) => dispatch({ type: 'setUnit', id: unit.id, set }));
  const corners = prismFootprint(unitPrism(unit)).map(seen.at);
  const xs = corners.map((c) => c.x);
  const ys = corners.map((c) => c.y);
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  // the unit itself stays free to be taken hold of
  const own = { left, top, width: Math.max(...xs) - left, height: Math.max(...ys) - top };
  return (
    <Arrows
      arrows={arrows}
      at={seen.at}
      frame={seen.frame}
      free={[own, ...seats.map((p) => around(seen.at(p), RING)), ...wallLabelBoxes(plan, seen.at)]}
    />
  );
}

/** The same in a row, where Floor is too small for them. */
export function UnitArrowRow({ unit }: { unit: Unit }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  if (unit.mount === 'away' || unit.keptInId !== null) return null;
  return <ArrowRow arrows={unitArrows(plan, unit, 1, (set) => dispatch({ type: 'setUnit', id: unit.id, set }))} />;
}
