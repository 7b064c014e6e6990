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

/** A concept with which of the things it covers, one bit each. */
type Candidate = { concept: Concept; bits: bigint; covers: number };

/**
 * The shortest saying for some things, searched exhaustively: of all sets of up to three names the cheapest; among equals the one of narrower names.
 * @param things what lies there, each supply once; at least one
 */
export function namingOf(things: readonly Shelved[]): Naming {
  const candidates = candidatesFor(things);
  const all = things.length;
  let best: { chosen: Candidate[]; price: number; rank: number } | null = null;
  const chosen: Candidate[] = [];
  const look = (from: number, bits: bigint, wide: number, rank: number) => {
    const price = SAYING.names[chosen.length]! + SAYING.uncovered * (all - bitsIn(bits)) + SAYING.aisle * wide;
    if (chosen.length > 0 && (!best || price < best.price - 1e-9 || (price < best.price + 1e-9 && rank < best.rank)))
      best = { chosen: [...chosen], price, rank };
    if (chosen.length === MOST_NAMES) return;
    for (let i = from; i < candidates.length; i++) {
      const c = candidates[i]!;
      if ((c.bits & ~bits) === 0n) continue;
      chosen.push(c);
      look(i + 1, bits | c.bits, wide + (c.concept.level === 'aisle' ? 1 : 0), rank + 100 + RANK[c.concept.level]);
      chosen.pop();
    }
  };
  look(0, 0n, 0, 0);
  const { chosen: names, price } = best as unknown as { chosen: Candidate[]; price: number };
  names.sort((a, b) => b.covers - a.covers || (a.concept.words < b.concept.words ? -1 : 1));
  const covered = names.reduce((bits, c) => bits | c.bits, 0n);
  const uncovered = things.filter((_, i) => ((covered >> BigInt(i)) & 1n) === 0n).map((t) => t.thing.id);
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
  const found = new Map<string, Candidate>();
  for (const [i, thing] of things.entries())
    for (const level of LEVELS) {
      const concept = thing[level];
      if (!concept) continue;
      const key = `${level} ${concept.id}`;
      const known = found.get(key);
      if (known) known.bits |= 1n << BigInt(i);
      else found.set(key, { concept, bits: 1n << BigInt(i), covers: 0 });
    }
  const narrowest = new Map<bigint, Candidate>();
  for (const one of found.values()) {
    one.covers = bitsIn(one.bits);
    const other = narrowest.get(one.bits);
    if (!other || isSaidBefore(one.concept, other.concept)) narrowest.set(one.bits, one);
  }
  const all = [...narrowest.values()];
  const wide = (c: Candidate) => c.concept.level === 'aisle';
  return all.filter(
    (a) => !all.some((b) => b !== a && b.covers > a.covers && (a.bits & ~b.bits) === 0n && (!wide(b) || wide(a))),
  );
}

/** Of two names for the same: the narrower one, but a family before its kind where both are one word for it (“card”, “cards”). */
function isSaidBefore(a: Concept, b: Concept): boolean {
  if (a.level === 'family' && b.level === 'kind') return stem(a.words) === stem(b.words);
  if (a.level === 'kind' && b.level === 'family') return stem(a.words) !== stem(b.words);
  return RANK[a.level] < RANK[b.level];
}
const stem = (words: string) => words.toLowerCase().replace(/s$/, '');

function bitsIn(bits: bigint): number {
  let n = 0;
  for (let b = bits; b > 0n; b &= b - 1n) n++;
  return n;
}

function wordsFor(names: readonly Concept[], uncovered: number): string {
  const all = [...names.map((n) => n.words), ...(uncovered > 0 ? ['odds and ends'] : [])];
  const said = all.length === 1 ? all[0]! : `${all.slice(0, -1).join(', ')} and ${all.at(-1)!}`;
  return said[0]!.toUpperCase() + said.slice(1);
}
