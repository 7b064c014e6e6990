import { type Point } from '../geometry/index.ts';
import { type Pixels } from './pixels.ts';
import { inPicture, onPlane, type Plane } from './plane.ts';

/** A rectangle of a plane: its corner, and which way its sides go, mm; each side so long. */
export type Frame = { origin: Point; right: Point; down: Point; width: number; height: number };

/** A point of a frame (mm from its corner, right and down) in the plane. */
export const inFrame = ({ origin, right, down }: Frame, p: Point): Point => ({
  x: origin.x + right.x * p.x + down.x * p.y,
  y: origin.y + right.y * p.x + down.y * p.y,
});

/** A point of the plane in a frame, mm. */
export function ofFrame({ origin, right, down }: Frame, p: Point): Point {
  const [x, y] = [p.x - origin.x, p.y - origin.y];
  const det = right.x * down.y - right.y * down.x;
  return { x: (x * down.y - y * down.x) / det, y: (y * right.x - x * right.y) / det };
}

/**
 * The rectangle that four points of the plane are the corners of, upper left first, round to the right: its sides as long as the means of the opposite
 * ones, its directions as square as they can be to all four.
 */
export function frameOf(corners: readonly Point[]): Frame {
  const [a, b, c, d] = corners as [Point, Point, Point, Point];
  const across = { x: (b.x - a.x + c.x - d.x) / 2, y: (b.y - a.y + c.y - d.y) / 2 };
  const along = { x: (d.x - a.x + c.x - b.x) / 2, y: (d.y - a.y + c.y - b.y) / 2 };
  const [width, height] = [Math.hypot(across.x, across.y), Math.hypot(along.x, along.y)];
  // seen in a mirror (the corners go round the other way), down lies to the left of right
  const side = across.x * along.y - across.y * along.x < 0 ? -1 : 1;
  const right = { x: across.x / width + (side * along.y) / height, y: across.y / width - (side * along.x) / height };
  const size = Math.hypot(right.x, right.y);
  const unit = { x: right.x / size, y: right.y / size };
  const down = { x: -unit.y * side, y: unit.x * side };
  const middle = { x: (a.x + b.x + c.x + d.x) / 4, y: (a.y + b.y + c.y + d.y) / 4 };
  return {
    origin: {
      x: middle.x - (unit.x * width + down.x * height) / 2,
      y: middle.y - (unit.y * width + down.y * height) / 2,
    },
    right: unit,
    down,
    width,
    height,
  };
}

/**
 * A rectangle of the plane laid flat, to scale: each of its points fetched from the picture, linear between four; what the picture does not show is grey.
 * @param scale points of the flat picture to a millimetre
 */
export function laidFlat(pixels: Pixels, plane: Plane, frame: Frame, scale: number): Pixels {
  const width = Math.max(1, Math.round(frame.width * scale));
  const height = Math.max(1, Math.round(frame.height * scale));
  const data = new Uint8ClampedArray(width * height * 4);
  // the kept picture may be smaller than the one measured in
  const [shrinkX, shrinkY] = [pixels.width / plane.image.width, pixels.height / plane.image.height];
  const from = pixels.data;
  const most = { x: pixels.width - 1.001, y: pixels.height - 1.001 };
  const h = plane.toPicture;
  const { origin, right, down } = frame;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const k = (y * width + x) * 4;
      data[k + 3] = 255;
      const [u, v] = [(x + 0.5) / scale, (y + 0.5) / scale];
      const [px, py] = [origin.x + right.x * u + down.x * v, origin.y + right.y * u + down.y * v];
      let at: Point | null;
      if (plane.lens === 0) {
        const w = h[6]! * px + h[7]! * py + h[8]!;
        at = w > 1e-12 ? { x: (h[0]! * px + h[1]! * py + h[2]!) / w, y: (h[3]! * px + h[4]! * py + h[5]!) / w } : null;
      } else at = inPicture(plane, { x: px, y: py });
      const [i, j] = at ? [at.x * shrinkX - 0.5, at.y * shrinkY - 0.5] : [-1, -1];
      if (i < -0.5 || j < -0.5 || i > most.x + 0.5 || j > most.y + 0.5) {
        data[k] = data[k + 1] = data[k + 2] = 200;
        continue;
      }
      const [ci, cj] = [Math.min(most.x, Math.max(0, i)), Math.min(most.y, Math.max(0, j))];
      const [i0, j0] = [Math.floor(ci), Math.floor(cj)];
      const [a, b] = [ci - i0, cj - j0];
      const p = (j0 * pixels.width + i0) * 4;
      const q = p + pixels.width * 4;
      for (let c = 0; c < 3; c++)
        data[k + c] =
          (from[p + c]! * (1 - a) + from[p + 4 + c]! * a) * (1 - b) +
          (from[q + c]! * (1 - a) + from[q + 4 + c]! * a) * b;
    }
  return { data, width, height };
}

/** No further from what is known than so many times its longer side is anything measured (own limit). */
const FAR = 3;

/** What a picture shows of its plane, as a rectangle along what is known: that, and all round it as far as the picture goes and is of use. */
export function shownOf(plane: Plane): Frame {
  const { width, height } = plane.image;
  const far = FAR * Math.max(plane.known.width, plane.known.height);
  const seen: Point[] = [];
  for (let i = 0; i <= 20; i++)
    for (let j = 0; j <= 20; j++) {
      const p = onPlane(plane, { x: (width * i) / 20, y: (height * j) / 20 });
      if (p && Math.abs(p.x) < far + plane.known.width && Math.abs(p.y) < far + plane.known.height) seen.push(p);
    }
  const xs = [0, plane.known.width, ...seen.map((p) => p.x)];
  const ys = [0, plane.known.height, ...seen.map((p) => p.y)];
  const [left, top] = [Math.max(-far, Math.min(...xs)), Math.max(-far, Math.min(...ys))];
  const right = Math.min(plane.known.width + far, Math.max(...xs));
  const low = Math.min(plane.known.height + far, Math.max(...ys));
  return {
    origin: { x: left, y: top },
    right: { x: 1, y: 0 },
    down: { x: 0, y: 1 },
    width: right - left,
    height: low - top,
  };
}
