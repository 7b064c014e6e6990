import FlatQueue from 'flatqueue';
import { length2, type Point } from '../../measures/geometry/index.ts';
import { CELL, clearanceAt, type FreeFloor, type Nearest, nearestOfEach, pointAt } from './free-floor.ts';

/** For each cell, the widest way from some starting point: its narrowest clearance and the cell where that is. */
export type WidestWays = { floor: FreeFloor; width: Float32Array; neck: Int32Array };

/** A doorway is as narrow as it is: so near to where the walk begins, clearance does not count, mm (own assumption). */
const NEAR_DOOR = 650;
/** A body, not a passage, is what must fit there, mm. */
const BODY = 230;

/** The way that stays widest from each of the starting points to every cell (Dijkstra over the largest least clearance). */
export function widestWays(floor: FreeFloor, from: readonly Point[]): WidestWays {
  const { columns, rows, clearance } = floor;
  const width = new Float32Array(columns * rows).fill(-1);
  const neck = new Int32Array(columns * rows).fill(-1);
  const queue = new FlatQueue<number>();
  const counted = Float32Array.from(clearance, (free, cell) => {
    if (free < BODY) return free;
    const p = pointAt(floor, cell);
    return from.some((f) => Math.hypot(f.x - p.x, f.y - p.y) < NEAR_DOOR) ? Math.max(free, 2000) : free;
  });
  for (const p of from) {
    const cell = nearestFree(floor, p);
    if (cell < 0) continue;
    width[cell] = counted[cell]!;
    neck[cell] = cell;
    queue.push(cell, -counted[cell]!);
  }
  while (queue.length > 0) {
    const best = -queue.peekValue()!;
    const cell = queue.pop()!;
    if (best < width[cell]!) continue;
    const c = cell % columns;
    const r = (cell - c) / columns;
    for (let dr = -1; dr <= 1; dr++)
      for (let dc = -1; dc <= 1; dc++) {
        const nc = c + dc;
        const nr = r + dr;
        if ((dr === 0 && dc === 0) || nc < 0 || nr < 0 || nc >= columns || nr >= rows) continue;
        const next = nr * columns + nc;
        const free = counted[next]!;
        if (free <= 0) continue;
        const w = Math.min(best, free);
        if (w <= width[next]!) continue;
        width[next] = w;
        neck[next] = free < best ? next : neck[cell]!;
        queue.push(next, -w);
      }
  }
  return { floor, width, neck };
}

function nearestFree(floor: FreeFloor, p: Point): number {
  let best = -1;
  let least = 400;
  for (let cell = 0; cell < floor.clearance.length; cell++) {
    if (floor.clearance[cell]! <= 0) continue;
    const at = pointAt(floor, cell);
    const off = Math.hypot(at.x - p.x, at.y - p.y);
    if (off < least) [least, best] = [off, cell];
  }
  return best;
}

/** A narrow spot on the way: how wide (mm), from where to where, and between what. */
export type Neck = { width: number; ends: [Point, Point]; between: [Side, Side] };
type Side = { id: string; name: string };

/**
 * The narrowest spot on the widest way to a target. Near the target (`near` mm) one stands close to things on purpose, so that part does
 * not count. Null: there is no way at all; `here`: the target is where the walk begins.
 */
export function neckOnTheWay(ways: WidestWays, target: Point, near: number): Neck | 'here' | null {
  const { floor, width, neck } = ways;
  let cell = -1;
  for (let i = 0; i < width.length; i++) {
    if (width[i]! <= 0 || (cell >= 0 && width[i]! <= width[cell]!)) continue;
    const p = pointAt(floor, i);
    if (Math.hypot(p.x - target.x, p.y - target.y) <= near) cell = i;
  }
  if (cell < 0) return null;
  if (width[cell]! >= 1999) return 'here';
  return gapAt(floor, pointAt(floor, neck[cell]!));
}

/** What is on both sides of a neck is equally far from it but for the mesh, mm. */
const EQUALLY = 1.5 * CELL;

/**
 * The exact gap around a point: between the nearest thing and what is opposite at the same distance, at the two points of them that are
 * nearest to each other; where only one side is near, from there straight across to whatever comes.
 */
function gapAt(floor: FreeFloor, p: Point): Neck {
  const all = nearestOfEach(floor, p).sort((a, b) => a.far - b.far);
  const first = all[0]!;
  const away = { x: (p.x - first.point.x) / (first.far || 1), y: (p.y - first.point.y) / (first.far || 1) };
  const across = (n: Nearest) => (n.point.x - p.x) * away.x + (n.point.y - p.y) * away.y > 0.3 * n.far;
  const opposite = all.find((n) => n.id !== first.id && n.far <= first.far + EQUALLY && across(n));
  if (opposite) return neckBetween(first, opposite, nearestPoints(floor, first.id, opposite));
  let q = p;
  for (let i = 0; i < 60; i++) {
    const free = clearanceAt(floor, q);
    if (free < 0.2) break;
    q = { x: q.x + away.x * free, y: q.y + away.y * free };
  }
  const last = nearestOfEach(floor, q).reduce((a, b) => (b.far < a.far ? b : a));
  return neckBetween(first, last, [first.point, q]);
}

function neckBetween(a: Nearest, b: Nearest, ends: [Point, Point]): Neck {
  return {
    width: length2(ends[0].x - ends[1].x, ends[0].y - ends[1].y),
    ends,
    between: [
      { id: a.id, name: a.name },
      { id: b.id, name: b.name },
    ],
  };
}

/** The two points at which two walls or things are nearest to each other, by going to and fro between them (both are convex). */
function nearestPoints(floor: FreeFloor, firstId: string, second: Nearest): [Point, Point] {
  const of = (id: string) => ({
    sides: floor.sides.filter((s) => s.id === id),
    obstacles: floor.obstacles.filter((o) => o.id === id),
  });
  const [one, other] = [of(firstId), of(second.id)];
  let b = second.point;
  let a = nearestOfEach(one, b)[0]!.point;
  for (let i = 0; i < 40; i++) {
    const before = b;
    b = nearestOfEach(other, a)[0]!.point;
    a = nearestOfEach(one, b)[0]!.point;
    if (length2(b.x - before.x, b.y - before.y) < 0.05) break;
  }
  return [a, b];
}
