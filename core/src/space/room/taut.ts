import { length2, type Point, prismFootprint } from '../../measures/geometry/index.ts';
import { type FreeFloor } from './free-floor.ts';

/** One way walked: its length in mm and the points at which it begins, turns and ends. */
export type Walk = { length: number; points: Point[] };

/** A corner of a wall or thing is one a way goes round when the way turns so near to it, mm beyond half a body. */
const NEAR_CORNER = 90;
/** A turn of less than this is none, rad. */
const STRAIGHT = 1e-6;

/** A point of a way, or a corner gone round at some distance: `round` > 0 with the corner on the left, < 0 on the right, 0: the point itself. */
type Bend = Point & { round: number };

const corners = new WeakMap<FreeFloor, Point[]>();

function cornersOf(floor: FreeFloor): Point[] {
  let known = corners.get(floor);
  if (!known)
    corners.set(
      floor,
      (known = [...floor.outline, ...floor.obstacles.flatMap((o) => prismFootprint(o.prism) as Point[])]),
    );
  return known;
}

/**
 * A way pulled taut, its length in mm and the points it is drawn through: where it turns near a corner it goes round that corner at half a body’s distance, along tangents and arcs
 * (bitangents of equal circles; geometry, no source needed). Turns that the pulling straightens fall away; a turn at no corner stays where it is.
 */
export function taut(floor: FreeFloor, points: readonly Point[], half: number): Walk {
  return pulled(bendsOf(floor, points, half));
}

function bendsOf(floor: FreeFloor, points: readonly Point[], half: number): Bend[] {
  const bends: Bend[] = [{ ...points[0]!, round: 0 }];
  for (let i = 1; i < points.length - 1; i++) {
    const p = points[i - 1]!;
    const v = points[i]!;
    const n = points[i + 1]!;
    const turn = (v.x - p.x) * (n.y - v.y) - (v.y - p.y) * (n.x - v.x);
    const left = Math.sign(turn);
    let corner: Point | null = null;
    let least = half + NEAR_CORNER;
    for (const c of cornersOf(floor)) {
      const far = length2(c.x - v.x, c.y - v.y);
      if (far >= least) continue;
      // on the inner side of the turn
      if (left * ((n.x - p.x) * (c.y - v.y) - (n.y - p.y) * (c.x - v.x)) <= 0) continue;
      [corner, least] = [c, far];
    }
    if (!corner) {
      bends.push({ x: v.x, y: v.y, round: 0 });
      continue;
    }
    const last = bends.at(-1)!;
    const round = left * half;
    if (last.round === round && last.x === corner.x && last.y === corner.y) continue;
    bends.push({ x: corner.x, y: corner.y, round });
  }
  bends.push({ ...points.at(-1)!, round: 0 });
  return bends;
}

/** Direction (rad) and length of the straight between two bends; null when the one is inside the other’s turn. */
function straight(a: Bend, b: Bend): { way: number; long: number } | null {
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const far = length2(dx, dy);
  const side = b.round - a.round;
  if (far <= Math.abs(side)) return null;
  return { way: Math.atan2(dy, dx) - Math.asin(side / far), long: Math.sqrt(far * far - side * side) };
}

/** Where a way that runs in some direction (rad) touches a bend. */
const touching = (bend: Bend, way: number): Point => ({
  x: bend.x + bend.round * Math.sin(way),
  y: bend.y - bend.round * Math.cos(way),
});

function pulled(bends: Bend[]): Walk {
  for (;;) {
    const points: Point[] = [touching(bends[0]!, 0)];
    let sum = 0;
    let needless = -1;
    let before: number | null = null;
    for (let i = 1; i < bends.length; i++) {
      const line = straight(bends[i - 1]!, bends[i]!);
      if (!line) {
        // too near to each other to be two turns: the one that is not an end goes
        needless = i < bends.length - 1 ? i : i - 1;
        break;
      }
      const bend = bends[i - 1]!;
      if (before !== null) {
        let turned = line.way - before;
        turned -= 2 * Math.PI * Math.round(turned / (2 * Math.PI));
        if (turned * Math.sign(bend.round) < -STRAIGHT) {
          needless = i - 1;
          break;
        }
        sum += Math.abs(turned * bend.round);
        if (bend.round !== 0)
          points.push(touching(bend, before), touching(bend, before + turned / 2), touching(bend, line.way));
        else points.push(touching(bend, 0));
      }
      sum += line.long;
      before = line.way;
    }
    if (needless < 0) return { length: sum, points: [...points, touching(bends.at(-1)!, 0)] };
    // the last turn goes: straight from end to end
    if (needless === 0) return pulled([bends[0]!, bends.at(-1)!]);
    bends.splice(needless, 1);
  }
}
