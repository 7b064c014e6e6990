import { MaxRectsBin, Rectangle } from 'maxrects-packer/dist/maxrects-packer.mjs';
import { CLOSE } from './piece.ts';

/** A rectangle on a floor, from its left and its front, mm. */
export type Area = { x: number; y: number; width: number; depth: number };
/** A rectangle that wants room; `turned` when it was laid a quarter round. */
export type Wanted<T> = { width: number; depth: number; of: T };
export type Laid<T> = Wanted<T> & Area & { turned: boolean };

/** What of a floor is free beside some rectangles: all largest free rectangles, overlapping each other. */
export function freeAreas(width: number, depth: number, taken: readonly Area[]): Area[] {
  let free: Area[] = [{ x: 0, y: 0, width, depth }];
  for (const t of taken) {
    const [right, back] = [t.x + t.width, t.y + t.depth];
    free = free.flatMap((f) => {
      const [fr, fb] = [f.x + f.width, f.y + f.depth];
      if (t.x >= fr - CLOSE || right <= f.x + CLOSE || t.y >= fb - CLOSE || back <= f.y + CLOSE) return [f];
      return [
        { x: f.x, y: f.y, width: t.x - f.x, depth: f.depth },
        { x: right, y: f.y, width: fr - right, depth: f.depth },
        { x: f.x, y: f.y, width: f.width, depth: t.y - f.y },
        { x: f.x, y: back, width: f.width, depth: fb - back },
      ].filter((r) => r.width > CLOSE && r.depth > CLOSE);
    });
    free = free.filter((a, i) => !free.some((b, k) => k !== i && holds(b, a) && (!holds(a, b) || k < i)));
  }
  return free;
}

const holds = (outer: Area, inner: Area) =>
  inner.x >= outer.x - CLOSE &&
  inner.y >= outer.y - CLOSE &&
  inner.x + inner.width <= outer.x + outer.width + CLOSE &&
  inner.y + inner.depth <= outer.y + outer.depth + CLOSE;

type Bin = { x: number; y: number; width: number; height: number; rot: boolean; n: number };

/** Orders in which rectangles are tried, the next one only while something is left over. */
type Order = (a: Wanted<unknown>, b: Wanted<unknown>) => number;
const ORDERS: readonly Order[] = [
  (a, b) => Math.max(b.width, b.depth) - Math.max(a.width, a.depth) || b.width * b.depth - a.width * a.depth,
  (a, b) => b.width * b.depth - a.width * a.depth,
  (a, b) =>
    Math.min(b.width, b.depth) - Math.min(a.width, a.depth) || Math.max(b.width, b.depth) - Math.max(a.width, a.depth),
  (a, b) => b.depth - a.depth || b.width - a.width,
];

const [byLongSide, byArea, byShortSide, byDepth] = ORDERS as [Order, Order, Order, Order];
/** Also with nothing turned, and with everything turned: many alike often lie best in a plain grid. */
const TRIES: { order: Order; turn: 'either' | 'as given' | 'quarter turned' }[] = [
  { order: byLongSide, turn: 'either' },
  { order: byArea, turn: 'as given' },
  { order: byArea, turn: 'quarter turned' },
  { order: byArea, turn: 'either' },
  { order: byShortSide, turn: 'either' },
  { order: byDepth, turn: 'as given' },
];

/**
 * Lays rectangles on a floor beside those that lie there, without overlap, also a quarter turned (maxrects-packer library).
 * @returns those laid, and those for which there was no room; of several orders the one that covers most
 */
export function layOnFloor<T>(
  width: number,
  depth: number,
  taken: readonly Area[],
  wanted: readonly Wanted<T>[],
  mayTurn = true,
): { laid: Laid<T>[]; over: Wanted<T>[] } {
  const free = freeAreas(width, depth, taken);
  let best: { laid: Laid<T>[]; over: Wanted<T>[] } | null = null;
  let covers = -1;
  for (const { order, turn } of mayTurn ? TRIES : TRIES.filter((t) => t.turn === 'as given')) {
    const bin = new MaxRectsBin<Bin>(width, depth, 0, {
      smart: false,
      pot: false,
      square: false,
      allowRotation: turn === 'either',
    });
    bin.freeRects = free.map((f) => new Rectangle(f.width, f.depth, f.x, f.y));
    const laid: Laid<T>[] = [];
    const over: Wanted<T>[] = [];
    let sum = 0;
    for (const [n, want] of [...wanted.entries()].sort((a, b) => order(a[1], b[1]) || a[0] - b[0])) {
      const along = turn === 'quarter turned';
      const [w, d] = along ? [want.depth, want.width] : [want.width, want.depth];
      const rect = bin.add({ x: 0, y: 0, width: w, height: d, rot: false, n });
      if (!rect) {
        over.push(want);
        continue;
      }
      // the library marks a turned rectangle and leaves its sides as they were given
      const [wide, deep] = rect.rot ? [d, w] : [w, d];
      laid.push({ of: want.of, x: rect.x, y: rect.y, width: wide, depth: deep, turned: rect.rot !== along });
      sum += w * d;
    }
    if (sum > covers + CLOSE) [best, covers] = [{ laid, over }, sum];
    if (over.length === 0) break;
  }
  return best ?? { laid: [], over: [] };
}
