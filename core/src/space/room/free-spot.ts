import {
  convexOverlap,
  distance,
  footprintDistance,
  insidePolygon,
  type Point,
  type Prism,
  prismFootprint,
} from '../../measures/geometry/index.ts';
import { middleOfRoom, type Plan, roomOf, type Unit } from '../../record/plan/index.ts';
import { fixturePrism, unitPrism, unitSolids } from './bodies.ts';
import { doorSweep } from './frames.ts';
import { spotsAgainstWalls } from './against-wall.ts';
import { snapUnit, type Snapped } from './snap.ts';

/** Spots are looked at on a mesh of this, mm; and no nearer to a seat than half a chair (common practice). */
const MESH = 250;
const SEAT = 300;
/** So much two things may be in each other: rounding, mm. */
const TOUCH = 2;

/**
 * Where a new unit arrives: at rest inside the room and clear of everything; what things are kept in with its back to a wall and its front free, as near to
 * a seat as there is such a spot; anything else wholly on what it is to stand on, as near to the middle; in the middle where there is none.
 */
export function freeSpotFor(plan: Plan, unit: Unit): Snapped {
  const middle = middleOfRoom(plan);
  const { outline, closes } = roomOf(plan);
  const first = snapUnit(plan, unit, middle);
  if (unit.mount === 'away' || unit.mount === 'door' || !closes) return first;
  const others = Object.values(plan.units)
    .filter((u) => u.id !== unit.id && u.mount !== 'away' && u.keptInId === null)
    .map((u) => ({ id: u.id, solids: unitSolids(u) }));
  const fixtures = Object.values(plan.fixtures).flatMap((f) => fixturePrism(plan, f) ?? []);
  const sweeps = Object.values(plan.openings).flatMap((o) => {
    const sweep = doorSweep(plan, o);
    return sweep ? [sweep] : [];
  });
  const isClear = (at: Snapped): boolean => {
    const there = { ...unit, ...at };
    const body = unitPrism(there);
    const foot = prismFootprint(body);
    const inside = foot.map((c) => ({ x: c.x + (at.x - c.x) * 0.002, y: c.y + (at.y - c.y) * 0.002 }));
    if (!inside.every((c) => insidePolygon(c, outline))) return false;
    if (unit.mount === 'on') {
      const host = at.hostId === null ? undefined : plan.units[at.hostId];
      const top = host && prismFootprint(unitPrism(host));
      if (!top || !inside.every((c) => insidePolygon(c, top))) return false;
    }
    if (unit.mount === 'floor') {
      if (sweeps.some((s) => convexOverlap(foot, s) > TOUCH)) return false;
      if (Object.values(plan.stations).some((s) => footprintDistance(body, s.x, s.y) < SEAT)) return false;
    }
    const solids = unitSolids(there);
    const hits = (t: Prism) =>
      solids.some(
        (s) =>
          Math.min(s.top, t.top) - Math.max(s.bottom, t.bottom) > TOUCH &&
          convexOverlap(prismFootprint(s), prismFootprint(t)) > TOUCH,
      );
    return !fixtures.some(hits) && !others.some((o) => o.id !== at.hostId && o.solids.some(hits));
  };
  for (const at of spotsAgainstWalls(plan, unit)) if (isClear(at)) return at;
  if (isClear(first)) return first;
  for (const p of meshOf(outline, middle)) {
    const at = snapUnit(plan, unit, p);
    if (isClear(at)) return at;
  }
  return first;
}

/** Points over the room, those nearest to its middle first. */
function meshOf(outline: readonly Point[], middle: Point): Point[] {
  const xs = outline.map((p) => p.x);
  const ys = outline.map((p) => p.y);
  const points: Point[] = [];
  for (let x = Math.min(...xs) + MESH / 2; x < Math.max(...xs); x += MESH)
    for (let y = Math.min(...ys) + MESH / 2; y < Math.max(...ys); y += MESH) points.push({ x, y });
  return points.sort((a, b) => distance(a, middle) - distance(b, middle));
}
