import { type Plan } from '@heronstone/core/plan';
import { nameOfPlace, shorterNames } from '@heronstone/core/concepts';

/** Letters on a front are no larger, mm of the unit. */
export const MOST_LETTER = 34;

/** What a place is called, in the longest way that goes into so much room in letters that can be read; null: none does, or nothing lives there. */
export function nameThatFits(plan: Plan, placeId: string, width: number, height: number, least: number) {
  const name = height < least * 1.1 ? null : nameOfPlace(plan, placeId);
  if (!name) return null;
  const words = shorterNames(name).find((w) => w.length * LETTER_WIDTH * least <= width);
  if (words === undefined) return null;
  return { words, size: Math.max(least, Math.min(MOST_LETTER, width / (words.length * LETTER_WIDTH), height * 0.7)) };
}

/** How wide a letter is about, as a share of its size. */
const LETTER_WIDTH = 0.55;
