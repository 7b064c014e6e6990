import FlatQueue from 'flatqueue';
import {
  distanceToSegment,
  footprintDistance,
  insidePolygon,
  type Point,
  type Prism,
  prism,
} from '../geometry/index.ts';
import { type Plan, type Unit } from '../plan/index.ts';
import { fixturePrism, unitPrism } from './bodies.ts';
import { onWall, frameOf, wallFrames } from './frames.ts';

/** Something one walks round. */
export type Obstacle = { id: string; name: string; prism: Prism };
type Side = { id: string; name: string; a: Point; b: Point };

/** Side of a cell of the floor grid, mm (docs/computation.md 4.1). */
export const CELL = 50;
/** Nobody walks below what hangs lower than this, mm (own assumption). */
const STOOP_UNDER = 250;

/**
 * The free floor as a grid: for every cell the clearance of its middle, the distance (mm) to the nearest wall or thing; negative
 * where nobody can be.
 */
export type FreeFloor = {
  outline: readonly Point[];
  obstacles: Obstacle[];
  sides: Side[];
  x: number;
  y: number;
  columns: number;
  rows: number;
  clearance: Float32Array;
};

/** A chair is pushed aside; all else that stands on the floor is walked round. */
export function blocksFloor(unit: Unit): boolean {
  return (
    unit.mount !== 'away' &&
    unit.mount !== 'door' &&
    unit.bottom < STOOP_UNDER &&
    unit.kind !== 'chair' &&
    unit.keptInId === null
  );
}

/**
 * What on the floor is walked round: furniture low enough, posts, stair openings; a chair is pushed aside.
 * @param leaves also the open leaves of doors that swing in
 */
export function obstaclesOf(plan: Plan, leaves = false): Obstacle[] {
  const out: Obstacle[] = [];
  for (const unit of Object.values(plan.units)) {
    if (blocksFloor(unit)) out.push({ id: unit.id, name: unit.name, prism: unitPrism(unit) });
  }
  for (const fixture of Object.values(plan.fixtures)) {
    if (!['stairs', 'obstacle', 'heater', 'sink'].includes(fixture.kind)) continue;
    const prism = fixturePrism(plan, fixture);
    // a basin above knee height stands in a unit or is walked up to; what hangs higher is walked under
    if (prism && prism.bottom < STOOP_UNDER) out.push({ id: fixture.id, name: fixture.name, prism });
  }
  return leaves ? [...out, ...openLeaves(plan)] : out;
}

/** Thickness of a door leaf, mm (common practice, no source). */
const LEAF = 40;

/** Leaves of doors that swing into the room, standing open at a right angle. */
function openLeaves(plan: Plan): Obstacle[] {
  return Object.values(plan.openings).flatMap((door) => {
    const frame = frameOf(plan, door.wallId);
    if (!frame || door.kind !== 'door' || door.swing !== 'in') return [];
    const hinge = door.hinge === 'left' ? door.left : door.left + door.width;
    const middle = onWall(frame, hinge, door.width / 2);
    return [{ id: door.id, name: 'the open door', prism: prism(middle, frame.facing, LEAF, door.width, 0, door.head) }];
  });
}

/**
 * The free floor of a closed room; null while the walls do not close.
 * @param leaves also walk round the open leaves of doors that swing in
 */
export function freeFloor(plan: Plan, leaves = false): FreeFloor | null {
  const frames = wallFrames(plan);
  if (frames.length === 0) return null;
  const outline = frames.map((f) => f.a);
  const left = Math.min(...outline.map((p) => p.x));
  const low = Math.min(...outline.map((p) => p.y));
  const columns = Math.ceil((Math.max(...outline.map((p) => p.x)) - left) / CELL);
  const rows = Math.ceil((Math.max(...outline.map((p) => p.y)) - low) / CELL);
  const floor: FreeFloor = {
    outline,
    obstacles: obstaclesOf(plan, leaves),
    sides: frames.map((f) => ({ id: f.wall.id, name: f.name, a: f.a, b: f.b })),
    x: left + CELL / 2,
    y: low + CELL / 2,
    columns,
    rows,
    clearance: new Float32Array(columns * rows),
  };
  fillClearance(floor);
  return floor;
}

/** {@link clearanceAt} of every cell, thing by thing and with squares, a tenth of the time. */
function fillClearance(floor: FreeFloor): void {
  const { columns, rows, clearance } = floor;
  clearance.fill(Infinity);
  for (const { a, b } of floor.sides) {
    const dx = b.x - a.x;
    const dy = b.y - a.y;
    const square = dx * dx + dy * dy || 1;
    for (let cell = 0, r = 0; r < rows; r++) {
      const py = floor.y + r * CELL - a.y;
      for (let c = 0; c < columns; c++, cell++) {
        const px = floor.x + c * CELL - a.x;
        const t = Math.max(0, Math.min(1, (px * dx + py * dy) / square));
        const ex = px - dx * t;
        const ey = py - dy * t;
        const far = ex * ex + ey * ey;
        if (far < clearance[cell]!) clearance[cell] = far;
      }
    }
  }
  for (const { prism: p } of floor.obstacles)
    for (let cell = 0, r = 0; r < rows; r++) {
      const dy = floor.y + r * CELL - p.y;
      for (let c = 0; c < columns; c++, cell++) {
        const dx = floor.x + c * CELL - p.x;
        const u = Math.max(0, Math.abs(dx * p.rightX + dy * p.rightY) - p.halfWidth);
        const v = Math.max(0, Math.abs(dx * p.frontX + dy * p.frontY) - p.halfDepth);
        const far = u * u + v * v;
        if (far < clearance[cell]!) clearance[cell] = far > 0 ? far : -1;
      }
    }
  for (let cell = 0, r = 0; r < rows; r++)
    for (let c = 0; c < columns; c++, cell++) {
      const square = clearance[cell]!;
      const inside = square >= 0 && insidePolygon({ x: floor.x + c * CELL, y: floor.y + r * CELL }, floor.outline);
      clearance[cell] = inside ? Math.sqrt(square) : -1;
    }
}

/** Distance (mm) from a point to the nearest wall or thing; −1 outside the room or inside a thing. */
export function clearanceAt(floor: Pick<FreeFloor, 'outline' | 'obstacles' | 'sides'>, p: Point): number {
  if (!insidePolygon(p, floor.outline)) return -1;
  let least = Infinity;
  for (const o of floor.obstacles) {
    const d = footprintDistance(o.prism, p.x, p.y);
    if (d <= 0) return -1;
    if (d < least) least = d;
  }
  for (const s of floor.sides) {
    const d = distanceToSegment(p, s.a, s.b);
    if (d < least) least = d;
  }
  return least;
}

const pointAt = (floor: FreeFloor, cell: number): Point => ({
  x: floor.x + (cell % floor.columns) * CELL,
  y: floor.y + Math.floor(cell / floor.columns) * CELL,
});

/** Where one stands having come in by a door: 300 mm inside its middle; null for a window or an open room. */
export function insideDoor(plan: Plan, openingId: string): Point | null {
  const opening = plan.openings[openingId];
  const frame = opening && frameOf(plan, opening.wallId);
  return frame && opening.kind === 'door' ? onWall(frame, opening.left + opening.width / 2, 300) : null;
}

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

/** A narrow spot on the way: how wide, where, and between what; mm. */
export type Neck = { width: number; at: Point; between: [string, string] };

/**
 * The narrowest spot on the widest way to a target. Near the target (`near` mm) one stands close to things on purpose, so that part does
 * not count. Null: there is no way at all. Width Infinity: the target is where the walk begins.
 */
export function neckOnTheWay(ways: WidestWays, target: Point, near: number): Neck | null {
  const { floor, width, neck } = ways;
  let cell = -1;
  for (let i = 0; i < width.length; i++) {
    if (width[i]! <= 0 || (cell >= 0 && width[i]! <= width[cell]!)) continue;
    const p = pointAt(floor, i);
    if (Math.hypot(p.x - target.x, p.y - target.y) <= near) cell = i;
  }
  if (cell < 0) return null;
  if (width[cell]! >= 1999) return { width: Infinity, at: pointAt(floor, cell), between: ['', ''] };
  return gapAt(floor, pointAt(floor, neck[cell]!));
}

/** The exact gap around a point: from the nearest thing straight across to what is opposite. */
function gapAt(floor: FreeFloor, p: Point): Neck {
  const first = nearest(floor, p);
  const far = Math.hypot(first.point.x - p.x, first.point.y - p.y) || 1;
  const away = { x: (p.x - first.point.x) / far, y: (p.y - first.point.y) / far };
  let q = p;
  for (let i = 0; i < 60; i++) {
    const free = clearanceAt(floor, q);
    if (free < 0.2) break;
    q = { x: q.x + away.x * free, y: q.y + away.y * free };
  }
  const second = nearest(floor, q);
  return {
    width: Math.hypot(q.x - first.point.x, q.y - first.point.y),
    at: { x: (q.x + first.point.x) / 2, y: (q.y + first.point.y) / 2 },
    between: [first.name, second.name],
  };
}

function nearest(floor: FreeFloor, p: Point): { name: string; point: Point } {
  let least = Infinity;
  let name = '';
  let point = p;
  for (const s of floor.sides) {
    const d = distanceToSegment(p, s.a, s.b);
    if (d >= least) continue;
    const dx = s.b.x - s.a.x;
    const dy = s.b.y - s.a.y;
    const t = Math.max(0, Math.min(1, ((p.x - s.a.x) * dx + (p.y - s.a.y) * dy) / (dx * dx + dy * dy)));
    [least, name, point] = [d, s.name, { x: s.a.x + dx * t, y: s.a.y + dy * t }];
  }
  for (const { prism, name: what } of floor.obstacles) {
    const d = footprintDistance(prism, p.x, p.y);
    if (d >= least) continue;
    const dx = p.x - prism.x;
    const dy = p.y - prism.y;
    const clamp = (v: number, half: number) => Math.max(-half, Math.min(half, v));
    const u = clamp(dx * prism.rightX + dy * prism.rightY, prism.halfWidth);
    const v = clamp(dx * prism.frontX + dy * prism.frontY, prism.halfDepth);
    least = d;
    name = what;
    point = { x: prism.x + prism.rightX * u + prism.frontX * v, y: prism.y + prism.rightY * u + prism.frontY * v };
  }
  return { name, point };
}
