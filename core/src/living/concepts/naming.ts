import { type Concept, type Level, LEVELS, type Shelved } from './shelved.ts';

/** What a saying costs, in words (own assumption, computation 18): by how many names it has, what it leaves uncovered, and a name as wide as an aisle. */
export const SAYING = { names: [0, 0, 1, 3], uncovered: 2, aisle: 0.2 } as const;
const MOST_NAMES = SAYING.names.length - 1;

/** The shortest saying that covers what lies in a place. */
export type Naming = {
  /** “Ribbon”, “for kites”, “Needles and scissors”, “Thread and odds and ends” */
  words: string;
  names: readonly Concept[];
  /** what no name covers, ids */
  uncovered: readonly string[];
  price: number;
};

/** Whether some of what lies there belongs to nothing that is said. */
export const isOddsAndEnds = (naming: Pick<Naming, 'uncovered'>): boolean => naming.uncovered.length > 0;
/** Whether one name says it all. */
export const isOneName = (naming: Pick<Naming, 'names' | 'uncovered'>): boolean =>
  naming.names.length === 1 && naming.uncovered.length === 0;

const RANK = Object.fromEntries(LEVELS.map((level, i) => [level, i])) as Record<Level, number>;

/** Which of some things, a bit each, 31 to a word. */
type Bits = Int32Array;
const WORD = 31;

/** A concept with which of the things it covers. */
type Candidate = { concept: Concept; bits: Bits; covers: number };

/**
 * The shortest saying for some things, searched exhaustively: of all sets of up to three names the cheapest; among equals the one that leaves less unsaid, then the one of narrower names.
 * @param things what lies there, each supply once; at least one
 */
export function namingOf(things: readonly Shelved[]): Naming {
  const candidates = candidatesFor(things);
  const all = things.length;
  const none = new Int32Array(Math.ceil(all / WORD));
  const best = { chosen: [] as Candidate[], price: Infinity, left: 0, rank: 0 };
  const chosen: Candidate[] = [];
  const look = (from: number, bits: Bits, wide: number, rank: number) => {
    const left = all - bitsIn(bits);
    const price = SAYING.names[chosen.length]! + SAYING.uncovered * left + SAYING.aisle * wide;
    const equal = price < best.price + 1e-9;
    const better =
      price < best.price - 1e-9 || (equal && (left < best.left || (left === best.left && rank < best.rank)));
    if (chosen.length > 0 && better) Object.assign(best, { chosen: [...chosen], price, left, rank });
    if (chosen.length === MOST_NAMES) return;
    for (let i = from; i < candidates.length; i++) {
      const c = candidates[i]!;
      if (isWithin(c.bits, bits)) continue;
      chosen.push(c);
      look(
        i + 1,
        bits.map((word, w) => word | c.bits[w]!),
        wide + (c.concept.level === 'aisle' ? 1 : 0),
        rank + 100 + RANK[c.concept.level],
      );
      chosen.pop();
    }
  };
  look(0, none, 0, 0);
  const { chosen: names, price } = best;
  names.sort((a, b) => b.covers - a.covers || (a.concept.words < b.concept.words ? -1 : 1));
  const isCovered = (i: number) => names.some((c) => has(c.bits, i));
  const uncovered = things.flatMap((t, i) => (isCovered(i) ? [] : [t.thing.id]));
  return {
    words: wordsFor(
      names.map((c) => c.concept),
      uncovered.length,
    ),
    names: names.map((c) => c.concept),
    uncovered,
    price,
  };
}

/** Every concept of the things, of those that cover the same the narrowest; none that another covers as cheaply and more besides. */
function candidatesFor(things: readonly Shelved[]): Candidate[] {
  const words = Math.ceil(things.length / WORD);
  const found: Candidate[] = [];
  for (const level of LEVELS) {
    const of = new Map<string, Candidate>();
    for (const [i, thing] of things.entries()) {
      const concept = thing[level];
      if (!concept) continue;
      let known = of.get(concept.id);
      if (!known) {
        of.set(concept.id, (known = { concept, bits: new Int32Array(words), covers: 0 }));
        found.push(known);
      }
      known.bits[Math.floor(i / WORD)]! |= 1 << (i % WORD);
      known.covers++;
    }
  }
  const narrowest: Candidate[] = [];
  for (const one of found) {
    const k = narrowest.findIndex((other) => other.covers === one.covers && isWithin(other.bits, one.bits));
    if (k < 0) narrowest.push(one);
    else if (isSaidBefore(one.concept, narrowest[k]!.concept)) narrowest[k] = one;
  }
  const wide = (c: Candidate) => c.concept.level === 'aisle';
  return narrowest.filter(
    (a) => !narrowest.some((b) => b.covers > a.covers && (!wide(b) || wide(a)) && isWithin(a.bits, b.bits)),
  );
}

function isWithin(bits: Bits, others: Bits): boolean {
  for (let w = 0; w < bits.length; w++) if ((bits[w]! & ~others[w]!) !== 0) return false;
  return true;
}

const has = (bits: Bits, i: number): boolean => ((bits[Math.floor(i / WORD)]! >> (i % WORD)) & 1) === 1;

/** Of two names for the same: the narrower one, but a family before its kind where both are one word for it (“card”, “cards”). */
function isSaidBefore(a: Concept, b: Concept): boolean {
  if (a.level === 'family' && b.level === 'kind') return stem(a.words) === stem(b.words);
  if (a.level === 'kind' && b.level === 'family') return stem(a.words) !== stem(b.words);
  return RANK[a.level] < RANK[b.level];
}
const stem = (words: string) => words.toLowerCase().replace(/s$/, '');

function bitsIn(bits: Bits): number {
  let n = 0;
  for (const word of bits) for (let left = word; left !== 0; left &= left - 1) n++;
  return n;
}

/** “a”, “a and b”, “a, b and c”. */
export const andJoined = (words: readonly string[]): string =>
  words.length <= 1 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)!}`;

function wordsFor(names: readonly Concept[], uncovered: number): string {
  const all = [...names.map((n) => n.words), ...(uncovered > 0 ? ['odds and ends'] : [])];
  const said = andJoined(all);
  return said[0]!.toUpperCase() + said.slice(1);
}
