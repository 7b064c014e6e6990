import FlatQueue from 'flatqueue';
import { length2, type Point } from '../geometry/index.ts';
import { CELL, type FreeFloor } from './free-floor.ts';

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
  floor: FreeFloor;
  from: Point;
  half: number;
  /** length of the way to each cell; Infinity where nobody gets */
  length: Float64Array;
  /** cell at which the way to each cell last turned; −1: straight from the start */
  turn: Int32Array;
};

/** One way walked: its length in mm and the points at which it begins, turns and ends. */
export type Walk = { length: number; points: Point[] };

function cellOf(floor: FreeFloor, x: number, y: number): number {
  const c = Math.floor((x - floor.x) / CELL + 0.5);
  const r = Math.floor((y - floor.y) / CELL + 0.5);
  return c < 0 || r < 0 || c >= floor.columns || r >= floor.rows ? -1 : r * floor.columns + c;
}

const xOf = (floor: FreeFloor, cell: number) => floor.x + (cell % floor.columns) * CELL;
const yOf = (floor: FreeFloor, cell: number) => floor.y + Math.floor(cell / floor.columns) * CELL;

/** Whether a straight line keeps at least `room` mm from everything (as finely as the grid says). */
function lineKeeps(floor: FreeFloor, ax: number, ay: number, bx: number, by: number, room: number): boolean {
  const { clearance } = floor;
  const far = length2(bx - ax, by - ay);
  const dx = far > 0 ? (bx - ax) / far : 0;
  const dy = far > 0 ? (by - ay) / far : 0;
  for (let t = 0; ;) {
    const cell = cellOf(floor, ax + dx * t, ay + dy * t);
    if (cell < 0) return false;
    const spare = clearance[cell]! - room;
    if (spare < 0) return false;
    if (t >= far) return true;
    // nothing can be nearer on the next stretch than the room to spare here
    t = Math.min(far, t + Math.max(STEP, spare - CELL));
  }
}

/** Cells one gets to straight from a point, or from which one gets straight to it, with how far they are. */
function around(
  floor: FreeFloor,
  p: Point,
  half: number,
  limit: number,
  use: (cell: number, far: number) => void,
): void {
  const reach = Math.ceil(limit / CELL);
  const c0 = Math.round((p.x - floor.x) / CELL);
  const r0 = Math.round((p.y - floor.y) / CELL);
  for (let r = Math.max(0, r0 - reach); r <= Math.min(floor.rows - 1, r0 + reach); r++)
    for (let c = Math.max(0, c0 - reach); c <= Math.min(floor.columns - 1, c0 + reach); c++) {
      const cell = r * floor.columns + c;
      if (floor.clearance[cell]! < half) continue;
      const x = floor.x + c * CELL;
      const y = floor.y + r * CELL;
      const far = length2(x - p.x, y - p.y);
      if (far <= limit && squeezes(floor, p, x, y)) use(cell, far);
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
  const { columns, rows, clearance } = floor;
  const length = new Float64Array(columns * rows).fill(Infinity);
  const turn = new Int32Array(columns * rows).fill(-2);
  const shut = new Uint8Array(columns * rows);
  const queue = new FlatQueue<number>();
  around(floor, from, half, SQUEEZE, (cell, far) => {
    length[cell] = far;
    turn[cell] = -1;
    queue.push(cell, far);
  });
  const place = (cell: number) => (cell < 0 ? from : { x: xOf(floor, cell), y: yOf(floor, cell) });
  while (queue.length > 0) {
    const cell = queue.pop()!;
    if (shut[cell]) continue;
    const c = cell % columns;
    const r = (cell - c) / columns;
    const x = xOf(floor, cell);
    const y = yOf(floor, cell);
    const parent = turn[cell]!;
    if (parent >= 0 || (parent === -1 && length[cell]! > SQUEEZE)) {
      const p = place(parent);
      if (!lineKeeps(floor, p.x, p.y, x, y, half) && !(parent === -1 && fromStart(floor, from, x, y, half))) {
        // not straight after all: the best neighbour already settled
        length[cell] = Infinity;
        for (let dr = -1; dr <= 1; dr++)
          for (let dc = -1; dc <= 1; dc++) {
            const nc = c + dc;
            const nr = r + dr;
            if ((dr === 0 && dc === 0) || nc < 0 || nr < 0 || nc >= columns || nr >= rows) continue;
            const near = nr * columns + nc;
            if (!shut[near]) continue;
            const by = length[near]! + CELL * length2(dr, dc);
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
        const far = base + length2(floor.x + nc * CELL - p.x, floor.y + nr * CELL - p.y);
        if (far >= length[next]! - LESS) continue;
        length[next] = far;
        turn[next] = via;
        queue.push(next, far);
      }
  }
  return { floor, from, half, length, turn };
}

/** Straight from the start: squeezing out of it first, with a body’s room from there on. */
function fromStart(floor: FreeFloor, from: Point, x: number, y: number, half: number): boolean {
  const far = length2(x - from.x, y - from.y);
  const t = Math.min(1, SQUEEZE / far);
  const mx = from.x + (x - from.x) * t;
  const my = from.y + (y - from.y) * t;
  return squeezes(floor, from, mx, my) && lineKeeps(floor, mx, my, x, y, half);
}

/** Cells from which one comes straight to a point, and how far it then is: the same for every seat. */
export type Arrival = { to: Point; cells: Int32Array; far: Float64Array };

/** How a body of some half width (mm) comes up to a point. */
export function arrivalAt(floor: FreeFloor, to: Point, half: number): Arrival {
  const cells: number[] = [];
  const fars: number[] = [];
  around(floor, to, half, UP_TO, (cell, far) => {
    cells.push(cell);
    fars.push(far);
  });
  return { to, cells: Int32Array.from(cells), far: Float64Array.from(fars) };
}

/** Straight from seat to place when they are so near that one need not straighten up in between. */
function oneMove({ floor, from }: Walking, to: Point): number | null {
  const straight = length2(to.x - from.x, to.y - from.y);
  if (straight > SQUEEZE + UP_TO) return null;
  const t = straight > 0 ? Math.min(1, SQUEEZE / straight) : 0;
  const x = from.x + (to.x - from.x) * t;
  const y = from.y + (to.y - from.y) * t;
  return squeezes(floor, from, x, y) && squeezes(floor, to, x, y) ? straight : null;
}

/** Length in mm of the shortest way to a point; Infinity when nobody gets there. */
export function walkLength(walking: Walking, { to, cells, far }: Arrival): number {
  let least = oneMove(walking, to) ?? Infinity;
  for (let i = 0; i < cells.length; i++) {
    const way = walking.length[cells[i]!]! + far[i]!;
    if (way < least) least = way;
  }
  return least;
}

/** The shortest way to a point with its turns, or null when nobody gets there. */
export function walkTo(walking: Walking, to: Point): Walk | null {
  const { floor, from, half, length, turn } = walking;
  const straight = oneMove(walking, to);
  const end = { x: to.x, y: to.y };
  const start = { x: from.x, y: from.y };
  if (straight !== null) return { length: straight, points: [start, end] };
  const { cells, far } = arrivalAt(floor, to, half);
  let best = -1;
  let least = Infinity;
  cells.forEach((cell, i) => {
    if (length[cell]! + far[i]! < least) [least, best] = [length[cell]! + far[i]!, cell];
  });
  if (best < 0) return null;
  const points: Point[] = [end];
  for (let cell = best; cell >= 0; cell = turn[cell]!) points.push({ x: xOf(floor, cell), y: yOf(floor, cell) });
  points.push(start);
  return { length: least, points: withoutNeedless(walking, points.reverse()) };
}

/** Turns of a few millimetres between cells are left out of what is drawn. */
function withoutNeedless({ floor, half }: Walking, points: Point[]): Point[] {
  const out = [points[0]!];
  for (let i = 0; i < points.length - 1;) {
    let j = points.length - 1;
    while (j > i + 1 && !lineKeeps(floor, points[i]!.x, points[i]!.y, points[j]!.x, points[j]!.y, half)) j--;
    out.push(points[j]!);
    i = j;
  }
  return out;
}
