import { type PlaceName } from './places.ts';

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
