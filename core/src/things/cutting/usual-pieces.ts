/** A piece that is often cut out of a sheet, mm. */
export type UsualPiece = { name: string; width: number; depth: number };

/** An envelope is so much larger than its card on every side, and its flaps lie over each other so far, mm (own assumptions: an eighth, three eighths of an inch). */
const EASE = 3;
const SEAM = 10;
/** A base shows so much around its mat on every side, mm (common practice, no source: an eighth of an inch). */
const BORDER = 3.2;

/**
 * The side of the square an envelope is folded from, its corners to the middle, mm: the corners of the envelope lie on the sides of the square, so
 * that its side is the sum of width and depth over √2, and the seams besides.
 * @param width and depth of the card, mm
 */
export const envelopeBlank = (width: number, depth: number): number => (width + depth + 4 * EASE) / Math.SQRT2 + SEAM;

const tidy = (mm: number) => Math.round(mm * 100) / 100;

/**
 * What is usually cut ahead out of a sheet (common practice): bases folded either way, quarter sheets, mats for a base, tags, and the blank of an
 * envelope for it.
 */
export function usualPieces(sheet: { width: number; depth: number }): UsualPiece[] {
  const [short, long] = [Math.min(sheet.width, sheet.depth), Math.max(sheet.width, sheet.depth)];
  const front = [short / 2, long / 2] as const;
  const blank = envelopeBlank(...front);
  const pieces = [
    ['card base', short, long / 2],
    ['tall card base', short / 2, long],
    ['quarter sheet', ...front],
    ['mat', front[0] - 2 * BORDER, front[1] - 2 * BORDER],
    ['tag', short / 4, long / 4],
    ...(blank <= short ? [['envelope blank', blank, blank] as const] : []),
  ] as const;
  return pieces
    .map(([name, width, depth]) => ({ name, width: tidy(width), depth: tidy(depth) }))
    .filter((p) => p.width >= 1 && p.depth >= 1);
}
