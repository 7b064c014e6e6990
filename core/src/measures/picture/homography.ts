import { LuDecomposition, Matrix, SingularValueDecomposition } from 'ml-matrix';
import { type Point } from '../geometry/index.ts';

/** A plane seen from somewhere: nine numbers, row by row, that take a point of it (mm) to a point of the picture (px). */
export type Homography = readonly number[];

/** Smallest over largest of what four pairs say: below it they say nothing (points in a line, points twice; own limit, far above rounding). */
const DEGENERATE = 1e-6;

/** Moves points about their middle and to a mean distance of √2, so that the equations are of one size (Hartley 1997, from memory). */
function normalising(points: readonly Point[]): { matrix: Matrix; done: Point[] } | null {
  const n = points.length;
  const x = points.reduce((sum, p) => sum + p.x, 0) / n;
  const y = points.reduce((sum, p) => sum + p.y, 0) / n;
  const mean = points.reduce((sum, p) => sum + Math.hypot(p.x - x, p.y - y), 0) / n;
  if (!(mean > 0) || !Number.isFinite(mean)) return null;
  const s = Math.SQRT2 / mean;
  const matrix = new Matrix([
    [s, 0, -s * x],
    [0, s, -s * y],
    [0, 0, 1],
  ]);
  return { matrix, done: points.map((p) => ({ x: s * (p.x - x), y: s * (p.y - y) })) };
}

/** No three of four points in a line. */
const spread = (points: readonly Point[]): boolean =>
  points.every((_, i) => {
    const [p, q, r] = [points[i]!, points[(i + 1) % 4]!, points[(i + 2) % 4]!];
    return Math.abs((q.x - p.x) * (r.y - q.y) - (q.y - p.y) * (r.x - q.x)) > DEGENERATE;
  });

/** Four pairs: eight equations for eight numbers, the ninth is one (the middle of all is never on the horizon). */
function exactly(from: readonly Point[], to: readonly Point[]): Matrix | null {
  if (!spread(from) || !spread(to)) return null;
  const rows: number[][] = [];
  const right: number[][] = [];
  from.forEach(({ x, y }, i) => {
    const { x: u, y: v } = to[i]!;
    rows.push([x, y, 1, 0, 0, 0, -u * x, -u * y], [0, 0, 0, x, y, 1, -v * x, -v * y]);
    right.push([u], [v]);
  });
  const lu = new LuDecomposition(new Matrix(rows));
  if (lu.isSingular()) return null;
  const h = [...lu.solve(new Matrix(right)).to1DArray(), 1];
  return new Matrix([h.slice(0, 3), h.slice(3, 6), h.slice(6)]);
}

/** More than four pairs: the null vector of all equations, as nearly as there is one. */
function nearest(from: readonly Point[], to: readonly Point[]): Matrix | null {
  const rows = from.flatMap(({ x, y }, i) => {
    const { x: u, y: v } = to[i]!;
    return [
      [-x, -y, -1, 0, 0, 0, u * x, u * y, u],
      [0, 0, 0, -x, -y, -1, v * x, v * y, v],
    ];
  });
  const svd = new SingularValueDecomposition(new Matrix(rows), { computeLeftSingularVectors: false });
  const sizes = svd.diagonal;
  if (!(sizes[7]! > DEGENERATE * sizes[0]!)) return null;
  return new Matrix([0, 1, 2].map((r) => [0, 1, 2].map((c) => svd.rightSingularVectors.get(3 * r + c, 8))));
}

/**
 * The homography that takes four or more points of one plane to those of another: direct linear transform, normalised; with more than four the least
 * squares of the equations.
 * @returns null when the pairs do not say it: fewer than four, three of four in a line, a point twice
 */
export function homographyOf(from: readonly Point[], to: readonly Point[]): Homography | null {
  if (from.length < 4 || from.length !== to.length) return null;
  const [a, b] = [normalising(from), normalising(to)];
  if (!a || !b) return null;
  const solved = from.length === 4 ? exactly(a.done, b.done) : nearest(a.done, b.done);
  if (!solved) return null;
  const back = inverted(b.matrix.to1DArray());
  if (!back) return null;
  const whole = new Matrix([back.slice(0, 3), back.slice(3, 6), back.slice(6, 9)] as number[][])
    .mmul(solved)
    .mmul(a.matrix)
    .to1DArray();
  const size = Math.hypot(...whole);
  if (!(size > 0)) return null;
  // the sign that puts what is seen before the camera
  const w = whole[6]! * from[0]!.x + whole[7]! * from[0]!.y + whole[8]!;
  const by = (w < 0 ? -1 : 1) / size;
  const h = whole.map((value) => value * by);
  // on one side of the horizon all of them, or it is no picture of a plane
  return from.every((p) => h[6]! * p.x + h[7]! * p.y + h[8]! > 0) && inverted(h) ? h : null;
}

/** Where a point goes; null when it lies on the horizon or behind the camera. */
export function mapped(h: Homography, p: Point): Point | null {
  const w = h[6]! * p.x + h[7]! * p.y + h[8]!;
  if (!(w > 1e-12)) return null;
  return { x: (h[0]! * p.x + h[1]! * p.y + h[2]!) / w, y: (h[3]! * p.x + h[4]! * p.y + h[5]!) / w };
}

/** The way back, with the sign kept: what lies before the camera has a third coordinate above nought both ways; null when there is none. */
export function inverted(h: Homography): Homography | null {
  const [a, b, c, d, e, f, g, k, i] = h as [number, number, number, number, number, number, number, number, number];
  const [A, B, C] = [e * i - f * k, f * g - d * i, d * k - e * g];
  const det = a * A + b * B + c * C;
  if (!Number.isFinite(det) || Math.abs(det) < 1e-300) return null;
  return [A, c * k - b * i, b * f - c * e, B, a * i - c * g, c * d - a * f, C, b * g - a * k, a * e - b * d].map(
    (value) => value / det,
  );
}

/** One after the other: first `b`, then `a`. */
export const after = (a: Homography, b: Homography): Homography =>
  [0, 1, 2].flatMap((r) =>
    [0, 1, 2].map((c) => a[3 * r]! * b[c]! + a[3 * r + 1]! * b[3 + c]! + a[3 * r + 2]! * b[6 + c]!),
  );
