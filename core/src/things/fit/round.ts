import { CLOSE } from './piece.ts';

const ROW = Math.sqrt(3) / 2;

/** How many circles stand in rows along the width, each row shifted by half a circle against the next. */
function staggered(width: number, depth: number, diameter: number): number {
  const rows = 1 + Math.floor((depth - diameter + CLOSE) / (diameter * ROW));
  const long = Math.floor((width + CLOSE) / diameter);
  const short = Math.floor((width - diameter / 2 + CLOSE) / diameter);
  return Math.ceil(rows / 2) * long + Math.floor(rows / 2) * short;
}

const straight = (width: number, depth: number, diameter: number): number =>
  Math.floor((width + CLOSE) / diameter) * Math.floor((depth + CLOSE) / diameter);

/**
 * How many circles of a diameter go into a rectangle, in straight rows or in rows staggered by half a circle along either side, whichever holds most
 * (closed forms; the share of the area tends to π/4 and to π/(2√3)). Millimetres.
 */
export function circlesIn(width: number, depth: number, diameter: number): number {
  if (width + CLOSE < diameter || depth + CLOSE < diameter) return 0;
  return Math.max(
    straight(width, depth, diameter),
    staggered(width, depth, diameter),
    staggered(depth, width, diameter),
  );
}

/** Least width in which so many circles go, the other side being given; at most `width`. Infinity when they do not. */
export function widthForCircles(n: number, width: number, depth: number, diameter: number): number {
  // rows along the width grow by half circles, rows along the depth by the distance of two rows
  for (let halves = 2, rows = 0; ;) {
    const wide = Math.min((halves * diameter) / 2, diameter * (1 + rows * ROW));
    if (wide > width + CLOSE) return Infinity;
    if (circlesIn(wide, depth, diameter) >= n) return wide;
    if (wide === (halves * diameter) / 2) halves++;
    else rows++;
  }
}

/** Centres of `n` circles laid out so, from the left and the front, row after row. */
export function circlesLaid(n: number, width: number, depth: number, diameter: number): { x: number; y: number }[] {
  const inRows = straight(width, depth, diameter) >= n;
  if (!inRows && staggered(width, depth, diameter) < n && staggered(depth, width, diameter) >= n)
    return circlesLaid(n, depth, width, diameter).map(({ x, y }) => ({ x: y, y: x }));
  const out: { x: number; y: number }[] = [];
  for (let row = 0; out.length < n && row < 10_000; row++) {
    const shifted = !inRows && row % 2 === 1;
    const y = inRows ? row * diameter : row * diameter * ROW;
    const here = Math.floor((width - (shifted ? diameter / 2 : 0) + CLOSE) / diameter);
    for (let i = 0; i < here && out.length < n; i++)
      out.push({ x: (i + 0.5 + (shifted ? 0.5 : 0)) * diameter, y: y + diameter / 2 });
    if (here < 1) break;
  }
  return out;
}
