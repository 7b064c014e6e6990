import { type Point } from '../geometry/index.ts';
import { heightBetween, middleOf } from './camera.ts';
import { type Homography, inverted, mapped } from './homography.ts';
import { type Lens, straightened } from './lens.ts';
import { type Measured, NINETEEN, type Plane, POINTING } from './plane.ts';

/** Where more than so much of a height is doubt the picture does not say it: it looks too straight down on it (own limit). */
const MOST_DOUBT = 0.35;

/**
 * How high an upright edge stands over the plane, by where its foot and its top are seen.
 * @param foot where it stands on the plane, and `top` its upper end: points of the picture, px
 * @param pointing how well the two are marked, px (standard deviation)
 * @returns mm with what it may be more or less; null where the camera’s height is not known, or the picture says nothing of it
 */
export function uprightHeight(plane: Plane, foot: Point, top: Point, pointing = POINTING): Measured | null {
  const { camera, image, lens } = plane;
  if (!camera) return null;
  const middle = middleOf(image);
  const heightWith = (toPlane: Homography, by: Lens, focal: number, a: Point, b: Point): number | null => {
    const toPicture = inverted(toPlane);
    const stands = mapped(toPlane, straightened(a, by, image));
    return toPicture && stands && heightBetween(toPicture, focal, middle, stands, straightened(b, by, image));
  };
  const length = heightWith(plane.toPlane, lens, camera.focal, foot, top);
  if (length === null || length <= 0 || length >= camera.pose.height) return null;
  let squares = 0;
  const lean = (other: number | null) => {
    if (other !== null) squares += (other - length) ** 2;
  };
  for (const l of plane.leaning) lean(heightWith(l.toPlane, l.lens, camera.focal, foot, top));
  lean(heightWith(plane.toPlane, lens, camera.focal * (1 + camera.doubt), foot, top));
  for (const [dx, dy] of [
    [pointing, 0],
    [0, pointing],
  ] as const) {
    lean(heightWith(plane.toPlane, lens, camera.focal, { x: foot.x + dx, y: foot.y + dy }, top));
    lean(heightWith(plane.toPlane, lens, camera.focal, foot, { x: top.x + dx, y: top.y + dy }));
  }
  const plusMinus = NINETEEN * Math.sqrt(squares);
  return plusMinus > MOST_DOUBT * length ? null : { length, plusMinus };
}
