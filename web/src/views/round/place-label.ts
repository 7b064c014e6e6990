import { nameOfPlace, type PlaceName } from '@heronstone/core/concepts';
import { type Plan } from '@heronstone/core/plan';

/** Letters in a place are so high, px, and about so wide a letter; lower places have none. */
export const LETTER = 11.5;
/** About how wide some words are, px. */
export const widthOf = (words: string): number => words.length * 0.52 * LETTER;
const LEAST_HEIGHT = 12;
const MARGIN = 4;

/** A word shorter than this says too little by itself (“ends”, “work”). */
const TELLING = 6;

/**
 * Shorter ways to say a name, the longest first, by its own words: all of it; its first name of several; the activity without “for”; one telling word of that (“chemistry” of
 * “sun-print chemistry”). Letters are never cut.
 */
export function shorterNames({ words, names, uncovered, typed }: PlaceName): string[] {
  if (typed) return [words];
  const more = names.length > 1 || uncovered.length > 0 ? ' …' : '';
  const [name] = names;
  const own = name?.level === 'own';
  const first = capital((name?.words ?? words).replace(own ? /^for / : '', ''));
  const part = first.split(/,? and |, /)[0]!;
  const partly = part === first ? more : ' …';
  // an activity is known by how it begins, a sort of things by how it ends
  const word = part.split(' ').at(own ? 0 : -1)!;
  const wordly = own && word !== part ? ' …' : partly;
  const telling = word.length >= TELLING ? [`${capital(word)}${wordly}`] : [];
  return [...new Set([words, `${first}${more}`, `${part}${partly}`, ...telling])];
}
const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

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
