import { type Point } from './points.ts';
import { distanceToSegment } from './polygon.ts';

/**
 * How deep two convex polygons go into each other: the least distance (mm) by which one must move to come clear, 0 when they are
 * apart or only touch (separating axis theorem).
 */
export function convexOverlap(a: readonly Point[], b: readonly Point[]): number {
  const first = depthAlong(a, a, b);
  const depth = first === 0 ? 0 : Math.min(first, depthAlong(b, a, b));
  // to a thousandth, so that what is exactly at a limit is so from every side
  return depth > 0 && depth < Infinity ? Math.round(depth * 1000) / 1000 : 0;
}

/** The least depth of two polygons in each other along the normals of the sides of one, or 0; asked millions of times while furniture is moved about. */
function depthAlong(sides: readonly Point[], a: readonly Point[], b: readonly Point[]): number {
  let least = Infinity;
  for (let i = 0; i < sides.length; i++) {
    const p = sides[i]!;
    const q = sides[i + 1 < sides.length ? i + 1 : 0]!;
    const dx = q.x - p.x;
    const dy = q.y - p.y;
    const long = Math.sqrt(dx * dx + dy * dy);
    if (long < 1e-9) continue;
    const nx = dy / long;
    const ny = -dx / long;
    let [lowA, highA, lowB, highB] = [Infinity, -Infinity, Infinity, -Infinity];
    for (let k = 0; k < a.length; k++) {
      const d = a[k]!.x * nx + a[k]!.y * ny;
      if (d < lowA) lowA = d;
      if (d > highA) highA = d;
    }
    for (let k = 0; k < b.length; k++) {
      const d = b[k]!.x * nx + b[k]!.y * ny;
      if (d < lowB) lowB = d;
      if (d > highB) highB = d;
    }
    const depth = Math.min(highA - lowB, highB - lowA);
    if (depth <= 0) return 0;
    if (depth < least) least = depth;
  }
  return least;
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
