import { type Point, type Point3, direction, length2, rotateRight } from './points.ts';

/** An upright box in the room: centre and half sizes on the floor, the way its front looks, bottom and top. */
export type Prism = {
  x: number;
  y: number;
  halfWidth: number;
  halfDepth: number;
  /** unit vector along the width, left to right as one stands before the front */
  rightX: number;
  rightY: number;
  /** unit vector out of the front */
  frontX: number;
  frontY: number;
  bottom: number;
  top: number;
};

/**
 * An upright box standing at `centre`, its front looking along `facing` (degrees clockwise from +y).
 * All lengths in millimetres.
 */
export function prism(centre: Point, facing: number, width: number, depth: number, bottom: number, top: number): Prism {
  const front = direction(facing);
  const right = rotateRight({ x: -front.x, y: -front.y });
  return {
    x: centre.x,
    y: centre.y,
    halfWidth: width / 2,
    halfDepth: depth / 2,
    rightX: right.x,
    rightY: right.y,
    frontX: front.x,
    frontY: front.y,
    bottom,
    top,
  };
}

/** Corners on the floor: front left, front right, back right, back left, as one stands before the front. */
export function prismFootprint(p: Prism): [Point, Point, Point, Point] {
  const corner = (u: number, v: number): Point => ({
    x: p.x + p.rightX * u * p.halfWidth + p.frontX * v * p.halfDepth,
    y: p.y + p.rightY * u * p.halfWidth + p.frontY * v * p.halfDepth,
  });
  return [corner(-1, 1), corner(1, 1), corner(1, -1), corner(-1, -1)];
}

/** Distance in mm on the floor from a point to the footprint; 0 inside it. */
export function footprintDistance(p: Prism, x: number, y: number): number {
  const dx = x - p.x;
  const dy = y - p.y;
  const u = Math.max(0, Math.abs(dx * p.rightX + dy * p.rightY) - p.halfWidth);
  const v = Math.max(0, Math.abs(dx * p.frontX + dy * p.frontY) - p.halfDepth);
  return length2(u, v);
}

/** Whether the straight line a–b passes through the box shrunk by `skin` mm on every side (touching does not count). */
export function segmentHitsPrism(a: Point3, b: Point3, p: Prism, skin = 1): boolean {
  const ax = a.x - p.x;
  const ay = a.y - p.y;
  const bx = b.x - p.x;
  const by = b.y - p.y;
  let t0 = 0;
  let t1 = 1;
  // three pairs of faces, one after the other; written without a function of its own, because nothing is called more often
  for (let axis = 0; axis < 3; axis++) {
    let from: number;
    let to: number;
    let low: number;
    let high: number;
    if (axis === 0) {
      from = ax * p.rightX + ay * p.rightY;
      to = bx * p.rightX + by * p.rightY;
      high = p.halfWidth - skin;
      low = -high;
    } else if (axis === 1) {
      from = ax * p.frontX + ay * p.frontY;
      to = bx * p.frontX + by * p.frontY;
      high = p.halfDepth - skin;
      low = -high;
    } else {
      from = a.z;
      to = b.z;
      low = p.bottom + skin;
      high = p.top - skin;
    }
    if (low >= high) return false;
    const d = to - from;
    if (Math.abs(d) < 1e-9) {
      if (from <= low || from >= high) return false;
      continue;
    }
    const one = (low - from) / d;
    const other = (high - from) / d;
    t0 = Math.max(t0, Math.min(one, other));
    t1 = Math.min(t1, Math.max(one, other));
    if (t0 >= t1) return false;
  }
  return true;
}
