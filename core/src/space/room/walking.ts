import FlatQueue from 'flatqueue';
import { length2, type Point } from '../../measures/geometry/index.ts';
import { apart, bodyFloor, type BodyFloor } from './body-floor.ts';
import { CELL, type FreeFloor } from './free-floor.ts';
import { taut, type Walk } from './taut.ts';

/** Leaving a seat one squeezes past things, coming up to a place one leans against them: so near, half a body’s room is not asked, mm (own assumption). */
const SQUEEZE = 700;
const UP_TO = 450;
/** A seat may be tucked so far under a top, mm (own assumption). */
const TUCKED = 200;
/** A way that is shorter by less than this is not looked at again, mm. */
const LESS = 0.5;
/** A line is looked along in steps of this, mm. */
const STEP = 40;

/** Shortest ways from one point to every cell of the free floor, for a body of some half width; lengths in mm. */
export type Walking = {
  body: BodyFloor;
  from: Point;
  /** length of the way to each cell; Infinity where nobody gets */
  length: Float64Array;
  /** cell at which the way to each cell last turned; −1: straight from the start */
  turn: Int32Array;
};

function cellOf(floor: FreeFloor, x: number, y: number): number {
  const c = Math.floor((x - floor.x) / CELL + 0.5);
  const r = Math.floor((y - floor.y) / CELL + 0.5);
  return c < 0 || r < 0 || c >= floor.columns || r >= floor.rows ? -1 : r * floor.columns + c;
}

/** Whether a straight line keeps half a body from everything (as finely as the grid says). */
function lineKeeps(body: BodyFloor, ax: number, ay: number, bx: number, by: number): boolean {
  const { floor, half, clearance } = body;
  const far = length2(bx - ax, by - ay);
  const dx = far > 0 ? (bx - ax) / far : 0;
  const dy = far > 0 ? (by - ay) / far : 0;
  for (let t = 0; ;) {
    const cell = cellOf(floor, ax + dx * t, ay + dy * t);
    if (cell < 0) return false;
    const spare = clearance[cell]! - half;
    if (spare < 0) return false;
    if (t >= far) return true;
    // nothing can be nearer on the next stretch than the room to spare here
    t = Math.min(far, t + Math.max(STEP, spare - CELL));
  }
}

/** Cells one gets to straight from a point, or from which one gets straight to it, with how far they are; until `use` answers `true`. */
function around(body: BodyFloor, p: Point, limit: number, use: (cell: number, far: number) => unknown): void {
  const { floor, half, clearance } = body;
  const reach = Math.ceil(limit / CELL);
  const c0 = Math.round((p.x - floor.x) / CELL);
  const r0 = Math.round((p.y - floor.y) / CELL);
  for (let r = Math.max(0, r0 - reach); r <= Math.min(floor.rows - 1, r0 + reach); r++)
    for (let c = Math.max(0, c0 - reach); c <= Math.min(floor.columns - 1, c0 + reach); c++) {
      const cell = r * floor.columns + c;
      if (clearance[cell]! < half) continue;
      const x = body.x[cell]!;
      const y = body.y[cell]!;
      const far = length2(x - p.x, y - p.y);
      if (far <= limit && squeezes(floor, p, x, y) && use(cell, far) === true) return;
    }
}

/** The end of a way may be right at a thing, even half under a table’s edge; but it goes through none. */
function squeezes(floor: FreeFloor, p: Point, x: number, y: number): boolean {
  const far = length2(x - p.x, y - p.y);
  const dx = far > 0 ? (x - p.x) / far : 0;
  const dy = far > 0 ? (y - p.y) / far : 0;
  let inside = true;
  for (let t = 0; ;) {
    const cell = cellOf(floor, p.x + dx * t, p.y + dy * t);
    const free = cell < 0 ? -1 : floor.clearance[cell]!;
    // a seat just inside a footprint leaves it on the way, and does not enter it again
    if (free > 0) inside = false;
    else if (!inside || t > TUCKED) return false;
    if (t >= far) return true;
    t = Math.min(far, t + Math.max(STEP, free - CELL));
  }
}

/**
 * Shortest ways from a point: Dijkstra over the cells, each way pulled straight as it grows (lazily, as Theta* does; Nash, Koenig and
 * Tovey 2010, from memory), so that lengths are those of the real, any-angle way.
 */
export function walkingFrom(floor: FreeFloor, from: Point, half: number): Walking {
  const body = bodyFloor(floor, half);
  const { clearance, x: xs, y: ys } = body;
  const { columns, rows } = floor;
  const length = new Float64Array(columns * rows).fill(Infinity);
  const turn = new Int32Array(columns * rows).fill(-2);
  const shut = new Uint8Array(columns * rows);
  const queue = new FlatQueue<number>();
  around(body, from, SQUEEZE, (cell, far) => {
    length[cell] = far;
    turn[cell] = -1;
    queue.push(cell, far);
  });
  const place = (cell: number) => (cell < 0 ? from : { x: xs[cell]!, y: ys[cell]! });
  while (queue.length > 0) {
    const cell = queue.pop()!;
    if (shut[cell]) continue;
    const c = cell % columns;
    const r = (cell - c) / columns;
    const x = xs[cell]!;
    const y = ys[cell]!;
    const parent = turn[cell]!;
    if (parent >= 0 || (parent === -1 && length[cell]! > SQUEEZE)) {
      const p = place(parent);
      if (!lineKeeps(body, p.x, p.y, x, y) && !(parent === -1 && fromStart(body, from, x, y))) {
        // not straight after all: the best neighbour already settled
        length[cell] = Infinity;
        for (let dr = -1; dr <= 1; dr++)
          for (let dc = -1; dc <= 1; dc++) {
            const nc = c + dc;
            const nr = r + dr;
            if ((dr === 0 && dc === 0) || nc < 0 || nr < 0 || nc >= columns || nr >= rows) continue;
            const near = nr * columns + nc;
            if (!shut[near]) continue;
            const by = length[near]! + apart(body, near, cell);
            if (by < length[cell]!) [length[cell], turn[cell]] = [by, near];
          }
        // it may now be farther than others that wait
        queue.push(cell, length[cell]!);
        if (queue.peekValue()! < length[cell]! - 1e-9) continue;
        queue.pop();
      }
    }
    shut[cell] = 1;
    const via = turn[cell]!;
    const p = place(via);
    const base = via < 0 ? 0 : length[via]!;
    for (let dr = -1; dr <= 1; dr++)
      for (let dc = -1; dc <= 1; dc++) {
        const nc = c + dc;
        const nr = r + dr;
        if ((dr === 0 && dc === 0) || nc < 0 || nr < 0 || nc >= columns || nr >= rows) continue;
        const next = nr * columns + nc;
        if (shut[next] || clearance[next]! < half) continue;
        const far = base + length2(xs[next]! - p.x, ys[next]! - p.y);
        if (far >= length[next]! - LESS) continue;
        length[next] = far;
        turn[next] = via;
        queue.push(next, far);
      }
  }
  return { body, from, length, turn };
}

/** Straight from the start: squeezing out of it first, with a body’s room from there on. */
function fromStart(body: BodyFloor, from: Point, x: number, y: number): boolean {
  const far = length2(x - from.x, y - from.y);
  const t = Math.min(1, SQUEEZE / far);
  const mx = from.x + (x - from.x) * t;
  const my = from.y + (y - from.y) * t;
  return squeezes(body.floor, from, mx, my) && lineKeeps(body, mx, my, x, y);
}

/** Cells from which one comes straight to a point, and how far it then is: the same for every seat. */
export type Arrival = { to: Point; cells: Int32Array; far: Float64Array };

/** How a body of some half width (mm) comes up to a point. */
export function arrivalAt(floor: FreeFloor, to: Point, half: number): Arrival {
  const cells: number[] = [];
  const fars: number[] = [];
  around(bodyFloor(floor, half), to, UP_TO, (cell, far) => {
    cells.push(cell);
    fars.push(far);
  });
  return { to, cells: Int32Array.from(cells), far: Float64Array.from(fars) };
}

/** Straight from seat to place when they are so near that one need not straighten up in between. */
function oneMove(floor: FreeFloor, from: Point, to: Point): number | null {
  const straight = length2(to.x - from.x, to.y - from.y);
  if (straight > SQUEEZE + UP_TO) return null;
  const t = straight > 0 ? Math.min(1, SQUEEZE / straight) : 0;
  const x = from.x + (to.x - from.x) * t;
  const y = from.y + (to.y - from.y) * t;
  return squeezes(floor, from, x, y) && squeezes(floor, to, x, y) ? straight : null;
}

/** Length in mm of the shortest way to a point; Infinity when nobody gets there. */
export function walkLength(walking: Walking, arrival: Arrival): number {
  return oneMove(walking.body.floor, walking.from, arrival.to) ?? walkBy(walking, arrival)?.length ?? Infinity;
}

/** The shortest way by the cells of the arrival, and its length pulled taut. */
function walkBy(walking: Walking, { to, cells, far }: Arrival): Walk | null {
  const { body, from, length, turn } = walking;
  let best = -1;
  let least = Infinity;
  for (let i = 0; i < cells.length; i++) {
    const way = length[cells[i]!]! + far[i]!;
    if (way < least) [least, best] = [way, cells[i]!];
  }
  if (best < 0) return null;
  const points: Point[] = [{ x: to.x, y: to.y }];
  for (let cell = best; cell >= 0; cell = turn[cell]!) points.push({ x: body.x[cell]!, y: body.y[cell]! });
  points.push({ x: from.x, y: from.y });
  points.reverse();
  return taut(body.floor, points, body.half);
}

/** The shortest way to a point with its turns, or null when nobody gets there. */
export function walkTo(walking: Walking, to: Point): Walk | null {
  const { body, from } = walking;
  const straight = oneMove(body.floor, from, to);
  if (straight !== null)
    return {
      length: straight,
      points: [
        { x: from.x, y: from.y },
        { x: to.x, y: to.y },
      ],
    };
  return walkBy(walking, arrivalAt(body.floor, to, body.half));
}

/**
 * To which points a body of some half width (mm) gets from any of some others: the same answer as whether the shortest way is finite, without
 * its length.
 */
export function getsTo(floor: FreeFloor, from: readonly Point[], half: number): (to: Point) => boolean {
  const body = bodyFloor(floor, half);
  const { columns, rows } = floor;
  const seen = new Uint8Array(columns * rows);
  const stack: number[] = [];
  const visit = (cell: number) => {
    if (seen[cell] || body.clearance[cell]! < half) return;
    seen[cell] = 1;
    stack.push(cell);
  };
  for (const p of from) around(body, p, SQUEEZE, visit);
  while (stack.length > 0) {
    const cell = stack.pop()!;
    const c = cell % columns;
    const r = (cell - c) / columns;
    for (let nr = r - 1; nr <= r + 1; nr++)
      for (let nc = c - 1; nc <= c + 1; nc++)
        if (nr >= 0 && nc >= 0 && nr < rows && nc < columns) visit(nr * columns + nc);
  }
  return (to) => {
    let there = false;
    around(body, to, UP_TO, (cell) => (there = seen[cell] === 1));
    return there || from.some((p) => oneMove(floor, p, to) !== null);
  };
}
