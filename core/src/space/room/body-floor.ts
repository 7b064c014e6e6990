import { length2, type Point } from '../../measures/geometry/index.ts';
import { CELL, clearanceAt, type FreeFloor, nearestOfEach, pointAt } from './free-floor.ts';

/**
 * The free floor for a body of some half width: where a way narrower than the mesh leads past a cell’s middle, the cell stands for the
 * point of that way nearest to it.
 */
export type BodyFloor = {
  floor: FreeFloor;
  half: number;
  /** as in the floor, but of the point each cell stands for, mm */
  clearance: Float32Array;
  /** the point each cell stands for, mm */
  x: Float64Array;
  y: Float64Array;
};

/** A gap is a way when it is this much too narrow, mm: lengths are typed to a millimetre. */
const TOUCH = 0.25;

const known = new WeakMap<FreeFloor, Map<number, BodyFloor>>();

/** {@link BodyFloor} of a floor, worked out once for each half width (mm). */
export function bodyFloor(floor: FreeFloor, half: number): BodyFloor {
  let halves = known.get(floor);
  if (!halves) known.set(floor, (halves = new Map()));
  let body = halves.get(half);
  if (!body) halves.set(half, (body = make(floor, half)));
  return body;
}

function make(floor: FreeFloor, half: number): BodyFloor {
  const { columns, rows } = floor;
  const clearance = Float32Array.from(floor.clearance);
  const x = new Float64Array(columns * rows);
  const y = new Float64Array(columns * rows);
  for (let cell = 0; cell < x.length; cell++) {
    x[cell] = floor.x + (cell % columns) * CELL;
    y[cell] = floor.y + Math.floor(cell / columns) * CELL;
  }
  const slack = CELL * Math.SQRT1_2 + 1;
  for (let r = 1; r < rows - 1; r++)
    for (let c = 1; c < columns - 1; c++) {
      const cell = r * columns + c;
      const free = floor.clearance[cell]!;
      if (free <= 0 || free >= half || free < half - slack || !onRidge(floor, cell)) continue;
      const middle = middleOfGap(floor, pointAt(floor, cell));
      if (middle.free < half - TOUCH) continue;
      clearance[cell] = Math.max(half, middle.free);
      x[cell] = middle.x;
      y[cell] = middle.y;
    }
  return { floor, half, clearance, x, y };
}

/** Towards one side of a gap the clearance falls at least this much from a cell to the next, mm. */
const FALLS = 20;

/** Whether a cell is the freest across a gap, in one direction of four; not merely as free as the next along a wall. */
function onRidge({ clearance, columns }: FreeFloor, cell: number): boolean {
  const free = clearance[cell]!;
  for (const step of [1, columns, columns + 1, columns - 1]) {
    const a = clearance[cell - step]!;
    const b = clearance[cell + step]!;
    if (a <= free && b <= free && Math.min(a, b) < free - FALLS) return true;
  }
  return false;
}

/** The freest point of a gap, straight away from the nearest thing and at most a cell’s half diagonal off. */
function middleOfGap(floor: FreeFloor, p: Point): Point & { free: number } {
  const near = nearestOfEach(floor, p).reduce((a, b) => (b.far < a.far ? b : a));
  const dx = (p.x - near.point.x) / (near.far || 1);
  const dy = (p.y - near.point.y) / (near.far || 1);
  const at = (t: number) => ({ x: p.x + dx * t, y: p.y + dy * t });
  // it grows away from the one side and shrinks towards the other: narrowed down by thirds
  let low = 0;
  let high = CELL * Math.SQRT1_2;
  for (let i = 0; i < 16; i++) {
    const a = low + (high - low) / 3;
    const b = high - (high - low) / 3;
    if (clearanceAt(floor, at(a)) < clearanceAt(floor, at(b))) low = a;
    else high = b;
  }
  const best = at((low + high) / 2);
  return { ...best, free: clearanceAt(floor, best) };
}

/** How far apart the points are that two cells stand for, mm. */
export const apart = ({ x, y }: BodyFloor, a: number, b: number): number => length2(x[a]! - x[b]!, y[a]! - y[b]!);
