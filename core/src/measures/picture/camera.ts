import { type Homography } from './homography.ts';
import { type Point } from '../geometry/index.ts';

/** A picture: its points along either side, and the focal length it says, mm as of a 35 mm film; absent: not said. */
export type ImageSize = { width: number; height: number; focal35?: number | undefined };

/** Diagonal of a 36 × 24 mm frame, by which focal lengths “in 35 mm film” are told (Exif 2.3 with CIPA DCG-001, from memory), mm. */
const FILM_DIAGONAL = Math.hypot(36, 24);

export const middleOf = (image: ImageSize): Point => ({ x: image.width / 2, y: image.height / 2 });
const diagonalOf = (image: ImageSize): number => Math.hypot(image.width, image.height);

/** Focal length in points of the picture. */
export const focalOf = (image: ImageSize, focal35: number): number => (focal35 / FILM_DIAGONAL) * diagonalOf(image);
export const focal35Of = (image: ImageSize, focal: number): number => (focal / diagonalOf(image)) * FILM_DIAGONAL;

/** How a plane lies before the camera: how high the camera is over it (mm), how far from straight down it looks, and the sides’ true ratio. */
export type Pose = {
  height: number;
  /** 0: straight at the plane; degrees */
  tilt: number;
  /** length of the plane’s x over that of its y, as it is if both were given as they are; 1 where they are */
  ratio: number;
};

/** The two sides and the way to the plane as the camera has them. */
function sidesOf(h: Homography, focal: number, middle: Point) {
  const column = (c: number) => {
    const z = h[6 + c]!;
    return [(h[c]! - middle.x * z) / focal, (h[3 + c]! - middle.y * z) / focal, z] as const;
  };
  return [column(0), column(1), column(2)] as const;
}

type V = readonly [number, number, number];
const size = (v: V) => Math.hypot(...v);
const dot = (a: V, b: V) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const cross = (a: V, b: V): V => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];

/** @param h takes the plane (mm) to the picture (px, the lens undone) */
export function poseOf(h: Homography, focal: number, middle: Point): Pose {
  const [a, b, t] = sidesOf(h, focal, middle);
  const scale = Math.sqrt(size(a) * size(b));
  const normal = cross(a, b);
  const length = size(normal);
  const height = Math.abs(dot(normal, t)) / (length * scale);
  const tilt = (Math.acos(Math.min(1, Math.abs(normal[2]) / length)) * 180) / Math.PI;
  return { height, tilt, ratio: size(a) / size(b) };
}

/**
 * Focal length (px) from the picture of a plane with a known rectangle in it: its sides are at a right angle, and their ratio is known. Both say it once.
 * @returns null where they say nothing: seen nearly straight, or turned so that a side is parallel to the picture
 */
export function focalFrom(h: Homography, middle: Point): number | null {
  const [ax, ay, az] = [h[0]! - middle.x * h[6]!, h[3]! - middle.y * h[6]!, h[6]!];
  const [bx, by, bz] = [h[1]! - middle.x * h[7]!, h[4]! - middle.y * h[7]!, h[7]!];
  // with F = f²: a·b + F az bz = 0 and |a|² + F az² = |b|² + F bz²; least squares of both
  const rows = [
    [az * bz, -(ax * bx + ay * by)],
    [az * az - bz * bz, bx * bx + by * by - ax * ax - ay * ay],
  ] as const;
  const top = rows[0][0] * rows[0][1] + rows[1][0] * rows[1][1];
  const low = rows[0][0] ** 2 + rows[1][0] ** 2;
  const squared = top / low;
  return Number.isFinite(squared) && squared > 0 ? Math.sqrt(squared) : null;
}

/**
 * How high something stands over the plane, from the foot of an upright edge of it and its top.
 * @param h takes the plane (mm) to the picture (px)
 * @returns mm; null when they say nothing, as when the camera looks straight down on it
 */
export function heightBetween(h: Homography, focal: number, middle: Point, foot: Point, top: Point): number | null {
  const [a, b, t] = sidesOf(h, focal, middle);
  const scale = Math.sqrt(size(a) * size(b));
  const unit = (v: V): V => [v[0] / scale, v[1] / scale, v[2] / scale];
  const [r1, r2] = [unit(a), unit(b)];
  const at = unit(t);
  // towards the camera, whichever way round the plane’s sides go
  const across = cross(r1, r2);
  const up: V = dot(across, at) > 0 ? [-across[0], -across[1], -across[2]] : across;
  const x = foot.x;
  const y = foot.y;
  const from: V = [0, 1, 2].map((i) => r1[i]! * x + r2[i]! * y + at[i]!) as unknown as V;
  // (from + s up) is seen at `top`: two equations for s, the one that says more
  const ray = [(top.x - middle.x) / focal, (top.y - middle.y) / focal] as const;
  let [above, below] = [0, 0];
  for (const i of [0, 1] as const) {
    const c = up[i] - ray[i] * up[2];
    above += c * (ray[i] * from[2] - from[i]);
    below += c * c;
  }
  return below > 1e-4 ? above / below : null;
}
