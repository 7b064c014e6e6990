import { PAPERS, type Paper } from '../drawings/index.ts';

/** A sheet of labels: how many across and down, the size of one, where the first begins and how far it is to the next. Millimetres. */
export type LabelStock = {
  id: string;
  words: string;
  paper: Paper;
  columns: number;
  rows: number;
  width: number;
  height: number;
  left: number;
  top: number;
  /** from the left edge of one to the left edge of the next, and the same down */
  across: number;
  down: number;
};

const INCH = 25.4;
const stock = (
  paper: Paper,
  [columns, rows]: [number, number],
  [width, height]: [number, number],
  [left, top]: [number, number],
  [across, down]: [number, number],
  words: string,
): LabelStock => ({
  ...{ id: `${paper}-${columns}x${rows}`, paper, columns, rows, width, height, left, top, across, down },
  words: `${paper === 'a4' ? 'A4' : 'Letter'}, ${columns} × ${rows}: ${words}`,
});

/**
 * Common sheets, told by their measures alone (from memory; a sheet of one’s own is said in the same measures). Plain paper is cut along lines.
 */
export const LABEL_STOCKS: readonly LabelStock[] = [
  stock('a4', [3, 7], [63.5, 38.1], [7.2, 15.15], [66.04, 38.1], '63.5 × 38.1 mm'),
  stock('a4', [3, 8], [70, 37], [0, 0.5], [70, 37], '70 × 37 mm'),
  stock('a4', [2, 7], [99.1, 38.1], [4.65, 15.15], [101.64, 38.1], '99.1 × 38.1 mm'),
  stock('a4', [4, 10], [48.5, 25.4], [8, 21.5], [48.5, 25.4], '48.5 × 25.4 mm'),
  stock('a4', [5, 13], [38.1, 21.2], [4.75, 10.7], [40.6, 21.2], '38.1 × 21.2 mm'),
  stock('letter', [3, 10], [2.625 * INCH, INCH], [0.1875 * INCH, 0.5 * INCH], [2.75 * INCH, INCH], '2 5/8 × 1 in'),
  stock('letter', [2, 10], [4 * INCH, INCH], [0.15625 * INCH, 0.5 * INCH], [4.1875 * INCH, INCH], '4 × 1 in'),
  stock('letter', [2, 5], [4 * INCH, 2 * INCH], [0.15625 * INCH, 0.5 * INCH], [4.1875 * INCH, 2 * INCH], '4 × 2 in'),
  stock('a4', [2, 6], [90, 45], [12, 10], [94, 46], 'plain paper, cut along the lines: 90 × 45 mm'),
  stock('letter', [2, 5], [95, 48], [10, 12], [99, 50], 'plain paper, cut along the lines: 95 × 48 mm'),
].map((s) => (s.words.includes('plain') ? { ...s, id: `${s.paper}-plain` } : s));

const POINT = 25.4 / 72;
/** Why a sheet of one’s own cannot be; null when it can. */
export function stockTrouble(s: LabelStock): string | null {
  const [a, b] = PAPERS[s.paper];
  const [w, h] = [Math.min(a, b) * POINT, Math.max(a, b) * POINT];
  if (s.width < 12 || s.height < 6) return 'A label is at least 12 × 6 mm.';
  if (s.across < s.width - 0.01 || s.down < s.height - 0.01)
    return 'The labels would overlap: the steps are smaller than the labels.';
  const right = s.left + (s.columns - 1) * s.across + s.width;
  const low = s.top + (s.rows - 1) * s.down + s.height;
  if (right > w + 0.5) return `They reach ${(right - w).toFixed(1)} mm over the right edge.`;
  if (low > h + 0.5) return `They reach ${(low - h).toFixed(1)} mm over the lower edge.`;
  return null;
}
