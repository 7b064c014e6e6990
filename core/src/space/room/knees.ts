import { TOP } from '../../record/catalogue/index.ts';
import { direction, footprintDistance, rotateRight } from '../../measures/geometry/index.ts';
import { type Plan, type Station, type Unit } from '../../record/plan/index.ts';
import { unitPrism, unitSolids } from './bodies.ts';

/** Knee space from a wheelchair, mm: high, wide, and how far in (2010 ADA Standards 306.3, from memory). */
export const KNEE = { high: 685, wide: 760, deep: 280 };
/** Width that anybody’s knees want where she sits, mm (common practice). */
export const KNEES = 500;
const MESH = 10;

/**
 * Free room for the knees under a worktop, where somebody sits at it: height under the top, and the free width about the seat, mm. What stands
 * elsewhere under the top does not count against it.
 */
export function kneeSpace(plan: Plan, station: Station, table: Unit): { high: number; wide: number } {
  const top = unitPrism(table);
  const ahead = direction(station.heading);
  const right = rotateRight(ahead);
  const under = Object.values(plan.units).filter(
    (u) => u.id !== table.id && u.hostId === table.id && u.mount === 'under',
  );
  const solids = [table, ...under].flatMap((u) => unitSolids(u));
  // from the seat straight ahead to the edge, and as far in as knees go
  let edge = 0;
  while (edge < 1500 && footprintDistance(top, station.x + ahead.x * edge, station.y + ahead.y * edge) > 0)
    edge += MESH;
  const at = (aside: number, into: number) => ({
    x: station.x + ahead.x * (edge + into) + right.x * aside,
    y: station.y + ahead.y * (edge + into) + right.y * aside,
  });
  const isTop = (bottom: number) => bottom >= table.bottom + table.height - 2 * TOP;
  const freeAt = (aside: number): number => {
    let high = table.bottom + table.height - TOP;
    for (let into = MESH; into <= KNEE.deep; into += 3 * MESH) {
      const p = at(aside, into);
      if (footprintDistance(top, p.x, p.y) > 0) return 0;
      for (const s of solids)
        if (footprintDistance(s, p.x, p.y) <= 0)
          high = Math.min(high, isTop(s.bottom) ? s.bottom : s.bottom > 300 ? s.bottom : 0);
    }
    return high;
  };
  const high = freeAt(0);
  const enough = Math.min(high, KNEE.high);
  if (enough <= 0) return { high: 0, wide: 0 };
  let wide = MESH;
  for (const side of [-1, 1]) for (let a = MESH; a <= KNEE.wide && freeAt(side * a) >= enough; a += MESH) wide += MESH;
  return { high, wide };
}
