import { leafOf } from '../catalogue/index.ts';
import { compartmentsOf, type Plan, unitShape } from './plan.ts';
import { type Place, type Unit } from './rows/index.ts';

/** A hinged leaf before some places of a unit, where it is when shut: mm from the lower left corner of the unit's front. */
export type Leaf = {
  left: number;
  bottom: number;
  width: number;
  height: number;
  /** the places behind it */
  places: Place[];
  /** it shuts the unit from top to bottom; else one place of it */
  whole: boolean;
};

/** The doors of a unit from the left: one or two leaves before all that is shut, or one before each cubby that has a door of its own. */
export function leavesOf(plan: Plan, unit: Unit): Leaf[] {
  const shut = compartmentsOf(plan, unit.id).filter((p) => p.covers.includes('door'));
  if (shut.length === 0) return [];
  const width = leafOf(unit.kind, unitShape(unit));
  if (width === 0)
    return shut
      .map((p) => ({ left: p.left, bottom: p.bottom, width: p.width, height: p.height, places: [p], whole: false }))
      .sort((a, b) => a.left - b.left || b.bottom - a.bottom);
  // the deep end of a corner has no front of its own
  const fronts = shut.filter((p) => p.throughId === null);
  const from = Math.min(...fronts.map((p) => p.left));
  const to = Math.max(...fronts.map((p) => p.left + p.width));
  const count = Math.max(1, Math.round((to - from) / width));
  const leaves = Array.from({ length: count }, (_, i) => ({
    ...{ left: unit.width - (count - i) * width, bottom: 0, width, height: unit.height },
    ...{ places: [] as Place[], whole: true },
  }));
  for (const place of shut) {
    const p = fronts.find((q) => q.id === place.throughId) ?? place;
    const at = Math.floor((p.left + p.width / 2 - leaves[0]!.left) / width);
    leaves[Math.min(count - 1, Math.max(0, at))]!.places.push(place);
  }
  return leaves;
}
