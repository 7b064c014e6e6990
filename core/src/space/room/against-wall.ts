import { factsOf } from '../../record/catalogue/index.ts';
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
import { onWall, wallFrames, type WallFrame } from './frames.ts';
import { BURNS_OFF } from './heat.ts';
import { type Snapped } from './snap.ts';

/** Along a wall spots are looked at so far apart, mm. */
const STEP = 100;
/** Before a front somebody stands, before what is pulled out, mm (common practice). */
const STANDS = 600;
/** A way past, mm (common practice). */
const PASSES = 760;
/** What is lower may stand under a window; what stands higher than this is not stood before, mm. */
const OVERHEAD = 1200;
const TOUCH = 2;

/** Whether a unit is one that stands with its back to a wall: what things are kept in, on the floor. */
const backsOn = (unit: Unit): boolean => {
  const { group, mobile } = factsOf(unit.kind);
  return unit.mount === 'floor' && !mobile && ['drawers', 'shelves', 'shut'].includes(group);
};

/**
 * Spots with the back to a wall that suit something things are kept in: nothing stands before it, it stands before nothing else’s front, before no window
 * it is taller than, no fuse board, and not where a heater would burn it. Those nearest to a seat first (to the middle without one); none for what does not
 * stand so.
 */
export function spotsAgainstWalls(plan: Plan, unit: Unit): Snapped[] {
  const frames = wallFrames(plan);
  if (!backsOn(unit) || frames.length === 0) return [];
  const seats: Point[] = Object.values(plan.stations);
  const from = seats.length > 0 ? seats : [middleOfRoom(plan)];
  const others = Object.values(plan.units).filter(
    (u) => u.id !== unit.id && u.mount !== 'away' && u.keptInId === null && u.bottom < OVERHEAD,
  );
  const fronts = others.filter(backsOn).map((u) => before(u));
  const bodies = others.flatMap((u) => unitSolids(u)).map(prismFootprint);
  const { outline } = roomOf(plan);
  const spots: { at: Snapped; far: number }[] = [];
  for (const frame of frames) {
    for (let left = unit.width / 2; left <= frame.length - unit.width / 2 + 0.5; left += STEP) {
      const p = onWall(frame, left, unit.depth / 2);
      const at: Snapped = { ...p, facing: frame.facing, bottom: unit.bottom, hostId: null, to: [frame.name] };
      const there = { ...unit, ...at };
      const front = before(there);
      const foot = prismFootprint(unitPrism(there));
      if (!front.every((c) => insidePolygon(c, outline))) continue;
      if (bodies.some((b) => convexOverlap(b, front) > TOUCH) || fronts.some((f) => convexOverlap(f, foot) > TOUCH))
        continue;
      if (covers(plan, frame, there, left)) continue;
      spots.push({ at, far: Math.min(...from.map((s) => distance(s, at))) });
    }
  }
  return spots.sort((a, b) => a.far - b.far).map((s) => s.at);
}

/** The floor before a front: what is pulled out, and who stands before it, at least a way past. */
function before(unit: Unit): Point[] {
  const body: Prism = unitPrism(unit);
  const deep = Math.max(PASSES, (factsOf(unit.kind).group === 'drawers' ? unit.depth : 0) + STANDS);
  const edge = (across: number, out: number): Point => ({
    x: body.x + body.rightX * across + body.frontX * (body.halfDepth + out),
    y: body.y + body.rightY * across + body.frontY * (body.halfDepth + out),
  });
  const half = body.halfWidth - TOUCH;
  return [edge(-half, TOUCH), edge(half, TOUCH), edge(half, deep), edge(-half, deep)];
}

/** Whether it stands before what a wall has that must stay free. */
function covers(plan: Plan, frame: WallFrame, unit: Unit, middle: number): boolean {
  const [from, to] = [middle - unit.width / 2, middle + unit.width / 2];
  const overlaps = (left: number, width: number) => left < to && left + width > from;
  const top = unit.bottom + unit.height;
  for (const o of Object.values(plan.openings))
    if (o.wallId === frame.wall.id && overlaps(o.left, o.width) && (o.kind === 'door' || top > o.sill)) return true;
  for (const f of Object.values(plan.fixtures)) {
    const body = fixturePrism(plan, f);
    if (!body) continue;
    const off = f.kind === 'heater' ? Math.max(BURNS_OFF[f.heat], 1) : 0;
    const foot = prismFootprint(unitPrism(unit));
    if (off > 0 && foot.some((c) => footprintDistance(body, c.x, c.y) < off)) return true;
    if (f.wallId !== frame.wall.id) continue;
    if (f.kind === 'heater' || f.kind === 'fuseBoard' || f.kind === 'sink') if (overlaps(f.left, f.width)) return true;
  }
  return false;
}
