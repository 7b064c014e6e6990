import { type Cut, type Done, type Guillotine } from './guillotine.ts';

/** One way of getting pieces out of a rectangle: how many of each, and what was done for it. */
type Way = {
  counts: Uint16Array;
  key: number;
  worth: number;
  pieces: number;
  how: number;
  first: Way | null;
  second: Way | null;
};

/** Ways of each rectangle below which a search is not begun (own choice). */
const LEAST_KEPT = 4;

/**
 * Every set of pieces that comes out of one sheet, no more of each than is wanted, and nothing that is less than another in everything: by dynamic
 * programming over rectangles as {@link Guillotine.best}, the ways that no other one surpasses kept instead of the most valuable one.
 * @param worth of the pieces, by which ways are kept where there are too many of them
 * @param pairs so many ways at most are laid together in all; where a sheet has more of them only the best of each
 *   rectangle are kept, and none is looked for where those would be too few
 * @returns the sets, and whether they are all there are
 */
export function maximalPatterns(
  guillotine: Guillotine,
  wanted: readonly number[],
  worth: readonly number[],
  pairs: number,
): { patterns: { cut: Cut; counts: number[] }[]; all: boolean } {
  const { xs, ys } = guillotine;
  const nx = xs.length;
  const radix: number[] = [];
  const sets = wanted.reduce((by, n, k) => ((radix[k] = by), by * (n + 1)), 1);
  const beam = Math.floor(Math.sqrt(pairs / Math.max(1, guillotine.trials)));
  // fewer of each rectangle than that find nothing that pricing does not
  if (beam < LEAST_KEPT) return { patterns: [], all: false };
  // sets that a number can’t tell apart may be taken for each other: then these are not all
  let all = sets <= Number.MAX_SAFE_INTEGER;

  const way = (counts: Uint16Array, how: number, first: Way | null, second: Way | null): Way => {
    let key = 0;
    let sum = 0;
    let pieces = 0;
    for (let k = 0; k < counts.length; k++) {
      key += counts[k]! * radix[k]!;
      sum += counts[k]! * worth[k]!;
      pieces += counts[k]!;
    }
    return { counts, key, worth: sum, pieces, how, first, second };
  };
  const none = way(new Uint16Array(wanted.length), 0, null, null);
  const ways = new Array<Way[]>(nx * ys.length);
  const of = ([i, j]: [number, number]) => (i < 0 || j < 0 ? [none] : ways[j * nx + i]!);
  for (let j = 0; j < ys.length; j++)
    for (let i = 0; i < nx; i++) {
      const found = new Map<number, Way>([[none.key, none]]);
      for (const [k, { piece, width, depth }] of guillotine.ways.entries()) {
        if (width > xs[i]! || depth > ys[j]! || wanted[piece] === 0) continue;
        const counts = new Uint16Array(wanted.length);
        counts[piece] = 1;
        const one = way(counts, k + 1, null, null);
        found.set(one.key, one);
      }
      for (const { how, first, second } of guillotine.splits(i, j))
        for (const a of of(first))
          for (const b of of(second)) {
            let key = 0;
            for (let k = 0; k < wanted.length; k++)
              key += Math.min(a.counts[k]! + b.counts[k]!, wanted[k]!) * radix[k]!;
            if (found.has(key)) continue;
            const counts = new Uint16Array(wanted.length);
            for (let k = 0; k < wanted.length; k++) counts[k] = Math.min(a.counts[k]! + b.counts[k]!, wanted[k]!);
            found.set(key, way(counts, how, a, b));
          }
      const kept = unsurpassed([...found.values()], beam + 1);
      if (kept.length > beam) all = false;
      ways[j * nx + i] = kept.slice(0, beam);
    }
  const doneOf = (w: Way | null) => (): Done | null =>
    w && { how: w.how, first: doneOf(w.first), second: doneOf(w.second) };
  const whole = nx === 0 || ys.length === 0 ? [] : of([nx - 1, ys.length - 1]);
  return {
    patterns: whole.flatMap((w) => (w === none ? [] : [{ cut: guillotine.cutOf(doneOf(w)), counts: [...w.counts] }])),
    all,
  };
}

/** Ways of which no other gives as much of everything, so many of those worth most. */
function unsurpassed(ways: Way[], most: number): Way[] {
  ways.sort((a, b) => b.worth - a.worth || b.pieces - a.pieces || a.key - b.key);
  const kept: Way[] = [];
  for (const w of ways) {
    if (kept.length >= most) break;
    if (!kept.some((k) => within(w.counts, k.counts))) kept.push(w);
  }
  return kept;
}

function within(a: Uint16Array, b: Uint16Array): boolean {
  for (let k = 0; k < a.length; k++) if (a[k]! > b[k]!) return false;
  return true;
}
