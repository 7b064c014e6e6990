import { distance, type Point } from '../geometry/index.ts';

/**
 * The turn between two walls from the straight distance across their corner (law of cosines).
 * @param first length of the wall before the corner, `second` of the one after it, `across` from the start of the first to the end of the
 * second; all mm, all measured
 * @param right the corner turns to the right (the room is a plain corner there)
 * @returns degrees, right positive; null when no triangle has these sides
 */
export function turnFromDiagonal(first: number, second: number, across: number, right = true): number | null {
  if (across >= first + second || across <= Math.abs(first - second)) return null;
  const cos = (first ** 2 + second ** 2 - across ** 2) / (2 * first * second);
  const turn = 180 - (Math.acos(cos) * 180) / Math.PI;
  return right ? turn : -turn;
}

/** How far a corner is out of square when its diagonal is `off` mm longer or shorter than it should be: degrees, and mm on a 1 m side. */
export function outOfSquare(
  first: number,
  second: number,
  across: number,
): { degrees: number; perMetre: number } | null {
  const turn = turnFromDiagonal(first, second, across);
  if (turn === null) return null;
  const degrees = 90 - turn;
  return { degrees, perMetre: 1000 * Math.sin((Math.abs(degrees) * Math.PI) / 180) };
}

/** A measured diagonal against the room as it was walked: mm, positive when measured longer. */
export function diagonalError(outline: readonly Point[], from: number, to: number, measured: number): number | null {
  const a = outline[from];
  const b = outline[to];
  return a && b && from !== to ? measured - distance(a, b) : null;
}
