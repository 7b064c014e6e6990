import { type Point } from '../geometry/index.ts';
import { type Greys, greyAt } from './pixels.ts';

/** A side is looked at in so many places along its middle. */
const LOOKS = 24;
/** A step in lightness smaller than this is no edge, of 255 (own assumption). */
const LEAST_STEP = 9;

/** A line: a point of it and which way it goes, length one. */
type Line = { at: Point; along: Point };

/**
 * The edge nearest to a side: across it the strongest step in lightness within reach, in many places along it; a line through them that half of them
 * agree on.
 * @param reach so far to either side, px
 * @returns null where no edge is there
 */
export function edgeNear(greys: Greys, from: Point, to: Point, reach: number): Line | null {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  if (length < 4) return null;
  const along = { x: (to.x - from.x) / length, y: (to.y - from.y) / length };
  const across = { x: -along.y, y: along.x };
  const found: { s: number; by: number; step: number }[] = [];
  for (let i = 0; i < LOOKS; i++) {
    // the ends belong to the corners, where the neighbours’ edges are
    const s = length * (0.08 + (0.84 * (i + 0.5)) / LOOKS);
    const at = { x: from.x + along.x * s, y: from.y + along.y * s };
    const grey = (by: number) => greyAt(greys, at.x + across.x * by, at.y + across.y * by);
    const steps: number[] = [];
    const n = Math.ceil(reach);
    for (let by = -n; by <= n; by++) steps.push(Math.abs(grey(by + 1) - grey(by - 1)));
    let best = 0;
    for (let k = 0; k < steps.length; k++) {
      // of two as strong the nearer one
      const worth = (v: number, where: number) => v * (1 - 0.3 * (Math.abs(where - n) / (n + 1)));
      if (worth(steps[k]!, k) > worth(steps[best]!, best)) best = k;
    }
    if (steps[best]! < LEAST_STEP) continue;
    const [a, b, c] = [steps[best - 1] ?? 0, steps[best]!, steps[best + 1] ?? 0];
    const bend = a - 2 * b + c;
    found.push({ s, by: best - n + (bend < 0 ? (a - c) / (2 * bend) : 0), step: b });
  }
  if (found.length < LOOKS / 3) return null;
  // every two of them are a line; the one most others lie on
  let best: { agree: typeof found; slope: number; off: number } | null = null;
  for (let i = 0; i < found.length; i++)
    for (let k = i + 4; k < found.length; k++) {
      const [p, q] = [found[i]!, found[k]!];
      const slope = (q.by - p.by) / (q.s - p.s);
      const off = p.by - slope * p.s;
      const agree = found.filter((f) => Math.abs(f.by - slope * f.s - off) < 1);
      if (!best || agree.length > best.agree.length) best = { agree, slope, off };
    }
  if (!best || best.agree.length < Math.max(LOOKS / 4, found.length / 2)) return null;
  const n = best.agree.length;
  const s = best.agree.reduce((sum, f) => sum + f.s, 0) / n;
  const by = best.agree.reduce((sum, f) => sum + f.by, 0) / n;
  const slope =
    best.agree.reduce((sum, f) => sum + (f.s - s) * (f.by - by), 0) /
    Math.max(
      best.agree.reduce((sum, f) => sum + (f.s - s) ** 2, 0),
      1e-9,
    );
  const size = Math.hypot(1, slope);
  return {
    at: { x: from.x + along.x * s + across.x * by, y: from.y + along.y * s + across.y * by },
    along: { x: (along.x + across.x * slope) / size, y: (along.y + across.y * slope) / size },
  };
}

/** Where two lines cross; null where they hardly do. */
function crossing(a: Line, b: Line): Point | null {
  const det = a.along.x * b.along.y - a.along.y * b.along.x;
  if (Math.abs(det) < 0.05) return null;
  const s = ((b.at.x - a.at.x) * b.along.y - (b.at.y - a.at.y) * b.along.x) / det;
  return { x: a.at.x + a.along.x * s, y: a.at.y + a.along.y * s };
}

/**
 * Four corners drawn by hand, moved to where the edges near their sides cross. A side without an edge stays where it was drawn.
 * @returns the corners, and how many of the four sides found an edge
 */
export function snapped(greys: Greys, corners: readonly Point[], reach: number): { corners: Point[]; sides: number } {
  const n = corners.length;
  const edges = corners.map((p, i) => edgeNear(greys, p, corners[(i + 1) % n]!, reach));
  const lines = edges.map((edge, i) => {
    if (edge) return edge;
    const [p, q] = [corners[i]!, corners[(i + 1) % n]!];
    const length = Math.max(Math.hypot(q.x - p.x, q.y - p.y), 1e-9);
    return { at: p, along: { x: (q.x - p.x) / length, y: (q.y - p.y) / length } };
  });
  return {
    corners: corners.map((p, i) => {
      const met = crossing(lines[(i + n - 1) % n]!, lines[i]!);
      return met && Math.hypot(met.x - p.x, met.y - p.y) <= 3 * reach ? met : p;
    }),
    sides: edges.filter((e) => e !== null).length,
  };
}

/**
 * The gap between two fronts near where it was pressed: the middle of the dark line right across a flat picture, or of the strongest step where there
 * is none.
 * @param at px from the left (a gap between columns) or from the top (between rows)
 * @param span the part of the picture it goes through, px along it
 */
export function gapNear(
  greys: Greys,
  between: 'columns' | 'rows',
  at: number,
  span: readonly [number, number],
  reach: number,
): number {
  const lightness = (where: number) => {
    let sum = 0;
    for (let i = 0; i < 60; i++) {
      const along = span[0] + ((span[1] - span[0]) * (i + 0.5)) / 60;
      sum += between === 'columns' ? greyAt(greys, where, along) : greyAt(greys, along, where);
    }
    return sum / 60;
  };
  const n = Math.ceil(reach);
  const row: number[] = [];
  for (let by = -2 * n; by <= 2 * n; by++) row.push(lightness(at + by));
  const usual = [...row].sort((a, b) => a - b)[row.length >> 1]!;
  let best = 2 * n;
  for (let k = n; k <= 3 * n; k++) if (row[k]! < row[best]! - 0.01) best = k;
  if (usual - row[best]! < LEAST_STEP) return at;
  // the middle of what is darker than half way down
  const half = (usual + row[best]!) / 2;
  let [sum, weighed] = [0, 0];
  const add = (k: number) => {
    const dark = half - row[k]!;
    if (dark <= 0) return false;
    sum += dark;
    weighed += dark * (k - 2 * n);
    return true;
  };
  for (let k = best; k < row.length && add(k); k++);
  for (let k = best - 1; k >= 0 && add(k); k--);
  return sum > 0 ? at + weighed / sum : at;
}
