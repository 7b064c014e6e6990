import { type Point } from './points.ts';
import { distanceToSegment } from './polygon.ts';

/**
 * How deep two convex polygons go into each other: the least distance (mm) by which one must move to come clear, 0 when they are
 * apart or only touch (separating axis theorem).
 */
export function convexOverlap(a: readonly Point[], b: readonly Point[]): number {
  let least = Infinity;
  for (const polygon of [a, b]) {
    for (let i = 0; i < polygon.length; i++) {
      const p = polygon[i]!;
      const q = polygon[(i + 1) % polygon.length]!;
      const long = Math.hypot(q.x - p.x, q.y - p.y);
      if (long < 1e-9) continue;
      const nx = (q.y - p.y) / long;
      const ny = (p.x - q.x) / long;
      const [lowA, highA] = spread(a, nx, ny);
      const [lowB, highB] = spread(b, nx, ny);
      const depth = Math.min(highA - lowB, highB - lowA);
      if (depth <= 0) return 0;
      if (depth < least) least = depth;
    }
  }
  // to a thousandth, so that what is exactly at a limit is so from every side
  return Number.isFinite(least) ? Math.round(least * 1000) / 1000 : 0;
}

function spread(polygon: readonly Point[], nx: number, ny: number): [number, number] {
  let low = Infinity;
  let high = -Infinity;
  for (const { x, y } of polygon) {
    const d = x * nx + y * ny;
    if (d < low) low = d;
    if (d > high) high = d;
  }
  return [low, high];
}

/** Shortest distance between two convex polygons, mm; 0 when they are in each other. */
export function convexDistance(a: readonly Point[], b: readonly Point[]): number {
  if (convexOverlap(a, b) > 0) return 0;
  let least = Infinity;
  for (const [p, q] of [
    [a, b],
    [b, a],
  ] as const)
    for (const corner of p)
      for (let i = 0; i < q.length; i++)
        least = Math.min(least, distanceToSegment(corner, q[i]!, q[(i + 1) % q.length]!));
  return least;
}

/** The part of a simple polygon that lies within a convex one (Sutherland–Hodgman); empty when there is none. */
export function clipByConvex(polygon: readonly Point[], convex: readonly Point[]): Point[] {
  let area = 0;
  for (let i = 0; i < convex.length; i++) {
    const p = convex[i]!;
    const q = convex[(i + 1) % convex.length]!;
    area += p.x * q.y - q.x * p.y;
  }
  const way = area >= 0 ? 1 : -1;
  let out = [...polygon];
  for (let i = 0; i < convex.length && out.length > 0; i++) {
    const a = convex[i]!;
    const b = convex[(i + 1) % convex.length]!;
    const side = (p: Point) => way * ((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x));
    const kept: Point[] = [];
    for (let j = 0; j < out.length; j++) {
      const p = out[j]!;
      const q = out[(j + 1) % out.length]!;
      const sp = side(p);
      const sq = side(q);
      if (sp >= 0) kept.push(p);
      if (sp >= 0 !== sq >= 0) {
        const t = sp / (sp - sq);
        kept.push({ x: p.x + (q.x - p.x) * t, y: p.y + (q.y - p.y) * t });
      }
    }
    out = kept;
  }
  return out;
}
