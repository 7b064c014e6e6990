import { type Point } from '../geometry/index.ts';
import { type ImageSize, middleOf } from './camera.ts';

/**
 * How a lens bends what is straight, one number (division model: Fitzgibbon 2001, from memory): a point seen at distance r from the middle, r in half
 * diagonals of the picture, belongs at r / (1 + lens r²). Below nought: lines bow outwards, as wide lenses have it. 0: not at all.
 */
export type Lens = number;

/** More than so much no lens for taking pictures bends (own limit). */
const MOST = 0.45;

/** Where a point would be seen without the lens. */
export function straightened(p: Point, lens: Lens, image: ImageSize): Point {
  if (lens === 0) return p;
  const middle = middleOf(image);
  const half = Math.hypot(image.width, image.height) / 2;
  const [x, y] = [p.x - middle.x, p.y - middle.y];
  const by = 1 + (lens * (x * x + y * y)) / half ** 2;
  return { x: middle.x + x / by, y: middle.y + y / by };
}

/** The way back: where the lens shows a point. */
export function bent(p: Point, lens: Lens, image: ImageSize): Point {
  if (lens === 0) return p;
  const middle = middleOf(image);
  const half = Math.hypot(image.width, image.height) / 2;
  const [x, y] = [(p.x - middle.x) / half, (p.y - middle.y) / half];
  const u = Math.hypot(x, y);
  if (u === 0) return p;
  // r = u (1 + lens r²): the smaller root, which is u without a lens
  const root = 1 - 4 * lens * u * u;
  const r = root <= 0 ? 1 / (2 * lens * u) : (1 - Math.sqrt(root)) / (2 * lens * u);
  return { x: middle.x + (x / u) * r * half, y: middle.y + (y / u) * r * half };
}

/** How far points lie from the line nearest to all of them, squares added up. */
function bow(points: readonly Point[]): number {
  const n = points.length;
  const x = points.reduce((sum, p) => sum + p.x, 0) / n;
  const y = points.reduce((sum, p) => sum + p.y, 0) / n;
  let [xx, yy, xy] = [0, 0, 0];
  for (const p of points) {
    xx += (p.x - x) ** 2;
    yy += (p.y - y) ** 2;
    xy += (p.x - x) * (p.y - y);
  }
  // the smaller eigenvalue of the scatter
  return (xx + yy - Math.sqrt((xx - yy) ** 2 + 4 * xy * xy)) / 2;
}

/**
 * The lens that makes straight what is straight: edges of which three or more points are marked, least squares by golden section.
 * @param pointing how well points are marked, px (standard deviation)
 * @returns it with its standard deviation; null where no edge has three points
 */
export function lensOf(
  straight: readonly (readonly Point[])[],
  image: ImageSize,
  pointing: number,
): { lens: Lens; doubt: number } | null {
  const lines = straight.filter((line) => line.length >= 3);
  if (lines.length === 0) return null;
  const cost = (lens: Lens) =>
    lines.reduce((sum, line) => {
      const points = line.map((p) => straightened(p, lens, image));
      const before = Math.hypot(line[0]!.x - line.at(-1)!.x, line[0]!.y - line.at(-1)!.y);
      const now = Math.hypot(points[0]!.x - points.at(-1)!.x, points[0]!.y - points.at(-1)!.y);
      // measured against its own length: a lens that shrinks everything straightens nothing
      return sum + bow(points) * (before / Math.max(now, 1e-9)) ** 2;
    }, 0);
  const golden = (Math.sqrt(5) - 1) / 2;
  let [low, high] = [-MOST, MOST];
  let [a, b] = [high - golden * (high - low), low + golden * (high - low)];
  let [fa, fb] = [cost(a), cost(b)];
  while (high - low > 1e-7) {
    if (fa < fb) {
      high = b;
      [b, fb] = [a, fa];
      a = high - golden * (high - low);
      fa = cost(a);
    } else {
      low = a;
      [a, fa] = [b, fb];
      b = low + golden * (high - low);
      fb = cost(b);
    }
  }
  const lens = (low + high) / 2;
  // how sharp the least of the squares is says how well it is known
  const step = 0.01;
  const sharp = (cost(lens + step) - 2 * cost(lens) + cost(lens - step)) / step ** 2;
  return { lens, doubt: sharp > 0 ? Math.min(MOST, pointing * Math.sqrt(2 / sharp)) : MOST };
}
