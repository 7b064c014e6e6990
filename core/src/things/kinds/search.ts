import pluralize from 'pluralize';
import { KINDS, type KindOfSupply } from './kinds.ts';

/** Words that say nothing of what a thing is. */
const STOP = new Set([
  'of',
  'the',
  'a',
  'an',
  'and',
  'for',
  'with',
  'in',
  'my',
  'some',
  'assorted',
  'various',
  'mixed',
  'type',
]);
/** What a name ends with that keeps a thing: a pencil case is no pencil. (A button jar is buttons: jars, tins and boxes are named for what is in them.) */
const KEEPERS = new Set(
  'bowl box case cleaner cover dispenser hanger holder organiser organizer pouch rack refill sleeve stand wallet'.split(
    ' ',
  ),
);
/** What shares only such a word with what was said is so much less likely (own assumption). */
const KEEPER_ALONE = 12;
/** “24 pencils in a case” are pencils. */
const KEPT_IN = /\b(?:in|with|on|from)\s+(?:\p{L}+\s+){0,3}\p{L}+\W*$/iu;
/** One spelling for words that have two, and words that mean the same in a name. */
const SAME: ReadonlyMap<string, string> = new Map(
  Object.entries({
    color: 'colour',
    colored: 'coloured',
    watercolor: 'watercolour',
    modeling: 'modelling',
    jewelry: 'jewellery',
    mold: 'mould',
    gray: 'grey',
    fiber: 'fibre',
    stabilizer: 'stabiliser',
    inkpad: 'ink pad',
    paintbrush: 'paint brush',
    cardstock: 'card',
    foamboard: 'foam board',
  }),
);
pluralize.addUncountableRule(/^(scissors|tweezers|pliers|glasses|scales)$/);
for (const [one, many] of [
  ['die', 'dies'],
  ['base', 'bases'],
  ['canvas', 'canvases'],
] as const)
  pluralize.addIrregularRule(one, many);

/** The words of a name in one spelling, each in the singular. */
export function wordsOf(text: string): string[] {
  return text
    .toLowerCase()
    .normalize('NFC')
    .replace(/[’']s\b/g, '')
    .split(/[^\p{L}\p{N}]+/u)
    .filter((w) => w !== '' && !STOP.has(w))
    .flatMap((w) => {
      const one = pluralize.singular(w);
      return (SAME.get(one) ?? SAME.get(w) ?? one).split(' ');
    });
}

/** The name of several: “ink pad” → “ink pads”, “reel of thread” → “reels of thread”. */
export function pluralOf(name: string): string {
  const of = name.indexOf(' of ');
  if (of > 0) return pluralOf(name.slice(0, of)) + name.slice(of);
  return name.replace(/[\p{L}]+$/u, (last) => pluralize.plural(last));
}

type Name = { kind: KindOfSupply; words: readonly string[]; own: boolean };
const NAMES: readonly Name[] = KINDS.flatMap((kind) => [
  { kind, words: wordsOf(kind.name), own: true },
  ...kind.others.map((other) => ({ kind, words: wordsOf(other), own: false })),
]);
const byWord = new Map<string, Name[]>();
for (const name of NAMES) for (const word of new Set(name.words)) byWord.set(word, [...(byWord.get(word) ?? []), name]);
const VOCABULARY = [...byWord.keys()];

/** Whether two words differ by one letter more, less, other or exchanged. */
function nearly(a: string, b: string): boolean {
  if (Math.abs(a.length - b.length) > 1 || Math.min(a.length, b.length) < 5) return false;
  let i = 0;
  while (i < a.length && a[i] === b[i]) i++;
  let [p, q] = [a.length - 1, b.length - 1];
  while (p >= i && q >= i && a[p] === b[q]) [p, q] = [p - 1, q - 1];
  if (p - i <= 0 && q - i <= 0) return true;
  return p - i === 1 && q - i === 1 && a[i] === b[q] && a[p] === b[i];
}

export type LikelyKind = {
  kind: KindOfSupply;
  score: number;
  /** every word of one of its names is among those said */
  whole: boolean;
  /** the words said that named it */
  named: readonly string[];
};

const remembered = new Map<string, LikelyKind[]>();

/**
 * Kinds that a name may mean, likeliest first. English puts what a thing is last, so a name that ends what was said counts more; a word misspelt by one
 * letter counts less; a kind of which only some words were said, or only what keeps it, is a possibility and no more.
 */
export function likelyKinds(text: string, most = 3): LikelyKind[] {
  const said = wordsOf(text);
  // what is kept in a thing is not the thing: a possibility, to be asked about
  const keeps = KEEPERS.has(said.at(-1) ?? '') && !KEPT_IN.test(text);
  const key = `${said.join(' ')}${keeps ? ' …' : ''}`;
  const known = remembered.get(key);
  if (known) return known.slice(0, most);
  const best = new Map<string, LikelyKind>();
  const spelt = said.map((word) => {
    if (byWord.has(word)) return [word];
    // some have no singular: “sissors” means scissors
    return word.length < 6 ? [] : VOCABULARY.filter((v) => nearly(word, v) || nearly(`${word}s`, v)).slice(0, 6);
  });
  const candidates = new Set(spelt.flat().flatMap((word) => byWord.get(word) ?? []));
  for (const { kind, words, own } of candidates) {
    let matched = 0;
    let exact = 0;
    let last = -1;
    for (const word of words) {
      const at = lastIndex(spelt, word);
      if (at < 0) continue;
      matched++;
      if (said[at] === word) exact++;
      last = Math.max(last, at);
    }
    if (matched === 0) continue;
    const whole = matched === words.length && !(keeps && last < said.length - 1);
    // part of a name, and that misspelt: nothing
    if (!whole && exact < matched) continue;
    // all of it misspelt, and not what the phrase ends with: “salt and pepper tin” is no popper
    if (exact === 0 && last !== said.length - 1) continue;
    const score =
      (whole ? 20 : 0) +
      matched * 10 -
      (words.length - matched) * 6 -
      (matched - exact) * 4 +
      (last === said.length - 1 ? 8 : 0) -
      (said.length - matched) * 1 +
      // a thimble box may be a thimble, and hardly a charm box
      (keeps && matched === 1 && last === said.length - 1 ? -KEEPER_ALONE : 0) +
      (own ? 0.5 : 0);
    const before = best.get(kind.id);
    if (!before || score > before.score)
      best.set(kind.id, { kind, score, whole, named: said.filter((_, i) => spelt[i]!.some((w) => words.includes(w))) });
  }
  const list = [...best.values()].sort((a, b) => b.score - a.score || (a.kind.id < b.kind.id ? -1 : 1)).slice(0, 8);
  if (remembered.size > 5000) remembered.clear();
  remembered.set(key, list);
  return list.slice(0, most);
}

function lastIndex(spelt: readonly string[][], word: string): number {
  for (let i = spelt.length - 1; i >= 0; i--) if (spelt[i]!.includes(word)) return i;
  return -1;
}
