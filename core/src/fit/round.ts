import { CLOSE } from './piece.ts';

const ROW = Math.sqrt(3) / 2;

/**
 * How many circles of a diameter go into a rectangle, in straight rows or in rows staggered by half a circle, whichever holds more (closed forms;
 * the share of the area tends to π/4 and to π/(2√3)). Millimetres.
 */
export function circlesIn(width: number, depth: number, diameter: number): number {
  const across = Math.floor((width + CLOSE) / diameter);
  const deep = Math.floor((depth + CLOSE) / diameter);
  if (across < 1 || deep < 1) return 0;
  const rows = 1 + Math.floor((depth - diameter + CLOSE) / (diameter * ROW));
  const short = Math.floor((width - diameter / 2 + CLOSE) / diameter);
  const staggered = Math.ceil(rows / 2) * across + Math.floor(rows / 2) * short;
  return Math.max(across * deep, staggered);
}

/** Least width in which so many circles go, the other side being given; at most `width`. Infinity when they do not. */
export function widthForCircles(n: number, width: number, depth: number, diameter: number): number {
  // either pattern grows with every half circle
  for (let halves = 2; ; halves++) {
    const wide = (halves * diameter) / 2;
    if (wide > width + CLOSE) return Infinity;
    if (circlesIn(wide, depth, diameter) >= n) return wide;
  }
}

/** Centres of `n` circles laid out so, from the left and the front, row after row. */
export function circlesLaid(n: number, width: number, depth: number, diameter: number): { x: number; y: number }[] {
  const across = Math.floor((width + CLOSE) / diameter);
  const deep = Math.floor((depth + CLOSE) / diameter);
  const straight = across * deep >= circlesIn(width, depth, diameter);
  const out: { x: number; y: number }[] = [];
  for (let row = 0; out.length < n && row < 10_000; row++) {
    const shifted = !straight && row % 2 === 1;
    const y = straight ? row * diameter : row * diameter * ROW;
    const here = Math.floor((width - (shifted ? diameter / 2 : 0) + CLOSE) / diameter);
    for (let i = 0; i < here && out.length < n; i++)
      out.push({ x: (i + 0.5 + (shifted ? 0.5 : 0)) * diameter, y: y + diameter / 2 });
    if (here < 1) break;
  }
  return out;
}
