/** A point on the floor plan, millimetres; x to the right, y up the page. */
export type Point = { x: number; y: number };
/** A point in the room, millimetres; z up from the floor. */
export type Point3 = Point & { z: number };

const RAD = Math.PI / 180;

/** Length of a vector on the floor; `Math.hypot` guards against sizes that rooms do not have and takes ten times as long. */
export const length2 = (dx: number, dy: number): number => Math.sqrt(dx * dx + dy * dy);

export function distance(a: Point, b: Point): number {
  return length2(a.x - b.x, a.y - b.y);
}

export function distance3(a: Point3, b: Point3): number {
  const dx = a.x - b.x;
  const dy = a.y - b.y;
  const dz = a.z - b.z;
  return Math.sqrt(dx * dx + dy * dy + dz * dz);
}

/** Degrees clockwise from +y of the way from a to b, in [0, 360). */
export function heading(a: Point, b: Point): number {
  const d = Math.atan2(b.x - a.x, b.y - a.y) / RAD;
  return d < 0 ? d + 360 : d;
}

/** Unit vector of a heading in degrees clockwise from +y. */
export function direction(degrees: number): Point {
  return { x: Math.sin(degrees * RAD), y: Math.cos(degrees * RAD) };
}

/** How far to turn from one heading to another, degrees in (−180, 180], right positive. */
export function angleBetween(from: number, to: number): number {
  const d = (((to - from) % 360) + 360) % 360;
  return d > 180 ? d - 360 : d;
}

/** A vector turned by 90° to the right. */
export function rotateRight(v: Point): Point {
  return { x: v.y, y: -v.x };
}
