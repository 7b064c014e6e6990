import { nameOfPlace, shorterNames } from '@heronstone/core/concepts';
import { type Plan } from '@heronstone/core/plan';

/** Letters in a place are so high, px, and about so wide a letter; lower places have none. */
export const LETTER = 11.5;
/** About how wide some words are, px. */
export const widthOf = (words: string): number => words.length * 0.52 * LETTER;
const LEAST_HEIGHT = 12;
const MARGIN = 4;

/** The longest of some ways to say a name that goes into so many pixels; null: none does. */
export function fitting(ways: readonly string[], width: number, height: number): string | null {
  if (height < LEAST_HEIGHT) return null;
  return ways.find((words) => widthOf(words) <= width - MARGIN) ?? null;
}

/** What is written in a place that is drawn so wide and high; null: nothing lives there, or no name goes in. */
export function labelIn(plan: Plan, placeId: string, width: number, height: number): string | null {
  const name = height < LEAST_HEIGHT ? null : nameOfPlace(plan, placeId);
  // what hangs on a board is seen, and needs no name but its maker’s
  if (name && !name.typed && plan.places[placeId]?.kind === 'board') return null;
  return name && fitting(shorterNames(name), width, height);
}
