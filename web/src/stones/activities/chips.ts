import { type Use } from '@heronstone/core/plan';
import { toShare } from './use-steps.ts';

/** Widest and narrowest chip, its padding and a letter, and what lies between two of them, px. */
const WIDEST = 136;
const NARROWEST = 44;
const PAD = 24;
const LETTER = 7.6;
const BETWEEN = 6;
/** What the line keeps free on either side, px: its last chip begins at its end. */
const BEFORE = 8;

/** Where a chip lies on the line: px from its left end, how wide it is, in which lane from the top. */
export type Chip = { use: Use; left: number; width: number; lane: number };

/** Where a chip begins, px, on a line so wide. */
export const chipLeft = (fetches: number, line: number): number =>
  BEFORE + Math.max(0, line - WIDEST - 2 * BEFORE) * toShare(fetches);

/** Chips in as few lanes as can be so that none lies over another. */
export function layChips(uses: readonly Use[], name: (u: Use) => string, line: number): Chip[] {
  const ends: number[] = [];
  return [...uses]
    .sort((a, b) => b.fetches - a.fetches || (a.id < b.id ? -1 : 1))
    .map((use) => {
      const left = chipLeft(use.fetches, line);
      const width = Math.max(NARROWEST, Math.min(WIDEST, PAD + LETTER * name(use).length));
      const free = ends.findIndex((end) => end <= left);
      const lane = free < 0 ? ends.length : free;
      ends[lane] = left + width + BETWEEN;
      return { use, left, width, lane };
    });
}
