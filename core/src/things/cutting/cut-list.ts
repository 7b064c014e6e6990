import { lessEq, solve } from 'yalps';
import { covering } from './covering.ts';
import { countsOf, type Cut, Guillotine, type Piece, type Sheet } from './guillotine.ts';
import { maximalPatterns } from './maximal.ts';

/** A way to cut a sheet, and on how many sheets it is done. */
export type Pattern = { cut: Cut; counts: number[]; sheets: number };

export type CutList = {
  patterns: Pattern[];
  sheets: number;
  /** no way of cutting needs fewer sheets */
  bound: number;
  /** of the sheets used, mm² that become no piece that is wanted */
  waste: number;
  /** pieces too large for the sheet: by their number */
  tooLarge: number[];
};

/** A pattern: how a sheet is cut, and what comes out of it. */
type Known = { cut: Cut; counts: number[] };

/** So many patterns at most are found for one list before its bound is left as it is (own choice; makers’ lists take some ten). */
const MOST_PRICED = 60;

/** Pairs of ways laid together in search of patterns, first few, then many (own choice; the second takes a third of a second). */
const PAIRS = [2e4, 3e6];

/**
 * Ways to cut one kind of sheet into some pieces, found as lists ask for them and kept for the next: the linear programme over all patterns is solved by
 * finding, again and again, the pattern that is worth most at its prices (column generation, Gilmore and Gomory 1961, memory; the pricing is exact, see
 * {@link Guillotine}).
 */
export class Patterns {
  private readonly guillotine: Guillotine;
  private readonly known: Known[] = [];
  /** worths of the pieces at which no sheet is worth more than 1 */
  private readonly worths: number[][] = [];
  private readonly areas: number[];
  /** of each piece the first one of its size and grain: they are one kind while sheets are filled */
  private readonly like: number[];

  constructor(
    private readonly sheet: Sheet,
    private readonly pieces: readonly Piece[],
    private readonly kerf = 0,
  ) {
    this.guillotine = new Guillotine(sheet, pieces, kerf);
    this.areas = pieces.map((p) => p.width * p.depth);
    this.like = pieces.map(({ width, depth, grain }) =>
      pieces.findIndex((p) => p.width === width && p.depth === depth && p.grain === grain),
    );
    for (const i of pieces.keys()) if (this.takes(i)) this.price(this.only([i]), [i], [this.areas[i]!]);
  }

  takes = (piece: number): boolean => this.guillotine.takes(piece);

  private only(some: readonly number[]): Guillotine {
    return new Guillotine(
      this.sheet,
      some.map((i) => this.pieces[i]!),
      this.kerf,
    );
  }

  private all(some: readonly number[], of: readonly number[]): number[] {
    const all = this.pieces.map(() => 0);
    for (const [k, i] of some.entries()) all[i] = of[k]!;
    return all;
  }

  /** The pattern worth most when some pieces are worth so much: it is known from now on, and so are the worths that follow. */
  private price(part: Guillotine, some: readonly number[], worth: readonly number[]): number {
    const { value, cut } = part.best(worth);
    if (value <= 0) return 0;
    const own = renamed(cut, some);
    this.known.push({ cut: own, counts: countsOf(own, this.pieces.length) });
    this.worths.push(
      this.all(
        some,
        worth.map((w) => w / value),
      ),
    );
    return value;
  }

  /**
   * So many of each piece out of as few sheets as can be found: patterns that use most of a sheet for what is still wanted one after the other, then
   * a search among those the linear programme is made of, then among all there are where they are not too many. The bound is proven: with any worth of
   * the pieces at which no sheet is worth more than 1, what is wanted is worth no more than the sheets (the linear programme’s dual).
   */
  list(wanted: readonly number[]): CutList {
    const { areas } = this;
    const tooLarge = wanted.flatMap((n, i) => (n > 0 && !this.takes(i) ? [i] : []));
    const ask = wanted.map((n, i) => (this.takes(i) ? n : 0));
    const together = ask.map((_, i) => ask.reduce((sum, n, k) => sum + (this.like[k] === i ? n : 0), 0));
    const answer = this.fewest(together);
    const sheets = answer.patterns.reduce((sum, p) => sum + p.sheets, 0);
    const used = ask.reduce((sum, n, i) => sum + n * areas[i]!, 0);
    // what is not wanted of this sheet at all is not cut out of it
    const patterns = this.named(answer.patterns, ask).map(({ cut, sheets }) => {
      const only = without(cut, (piece) => wanted[piece] === 0);
      return { cut: only, counts: countsOf(only, wanted.length), sheets };
    });
    return {
      patterns,
      sheets,
      bound: answer.bound,
      waste: sheets * this.sheet.width * this.sheet.depth - used,
      tooLarge,
    };
  }

  /** Pieces of one size told apart again: sheet after sheet each becomes one that is still wanted; sheets that come out alike stay one pattern. */
  private named(patterns: readonly Pattern[], ask: readonly number[]): Pattern[] {
    if (this.like.every((first, i) => first === i)) return [...patterns];
    const left = [...ask];
    const next = (piece: number): number => {
      const alike = this.like.flatMap((first, i) => (first === piece && ask[i]! > 0 ? [i] : []));
      const one = alike.find((i) => left[i]! > 0) ?? alike[0] ?? piece;
      left[one]!--;
      return one;
    };
    const named = (cut: Cut): Cut =>
      cut.what === 'piece'
        ? { ...cut, piece: next(cut.piece) }
        : cut.what === 'cut'
          ? { ...cut, first: named(cut.first), second: named(cut.second) }
          : cut;
    const out = new Map<string, Pattern>();
    for (const { cut, sheets } of patterns)
      for (let n = 0; n < sheets; n++) {
        const own = named(cut);
        const key = JSON.stringify(own);
        const same = out.get(key);
        if (same) same.sheets++;
        else out.set(key, { cut: own, counts: countsOf(own, this.pieces.length), sheets: 1 });
      }
    return [...out.values()];
  }

  private fewest(ask: readonly number[]): { patterns: Pattern[]; bound: number } {
    if (ask.every((n) => n === 0)) return { patterns: [], bound: 0 };
    let patterns = inTurn(ask, this.areas, this.known);
    const count = () => patterns.reduce((sum, p) => sum + p.sheets, 0);
    const bestWorth = () => this.worths.reduce((a, b) => (dot(b, ask) > dot(a, ask) ? b : a));
    const atLeast = (worth: readonly number[]) => Math.max(1, Math.ceil(dot(worth, ask) - 1e-6));
    /** fewer sheets, as far as patterns of a pool go; whether it is proven that they go no further */
    const search = (pool: readonly Known[], worth: readonly number[]): boolean => {
      while (count() > atLeast(worth)) {
        const times = covering(pool, ask, count() - 1, worth);
        if (!times) return times === null;
        patterns = times.flatMap((sheets, i) => (sheets > 0 ? [{ ...pool[i]!, sheets }] : []));
      }
      return true;
    };
    if (count() > atLeast(bestWorth())) this.generate(ask);
    const worth = bestWorth();
    let bound = atLeast(worth);
    if (count() > bound) search(this.known, worth);
    for (const pairs of PAIRS) {
      if (count() <= bound) break;
      const some = wantedOf(ask);
      const asked = some.map((i) => ask[i]!);
      const found = maximalPatterns(
        this.only(some),
        asked,
        some.map((i) => worth[i]!),
        pairs,
      );
      const pool = found.patterns.map(({ cut, counts }) => ({
        cut: renamed(cut, some),
        counts: this.all(some, counts),
      }));
      this.known.push(...pool);
      if (!found.all) {
        search(this.known, worth);
        continue;
      }
      // these are all there are: what they are worth at most is a bound too
      const tighter = this.all(
        some,
        pricesOf(
          found.patterns.map((p) => p.counts),
          asked,
        ),
      );
      bound = search(pool, tighter) ? count() : Math.max(bound, atLeast(tighter));
      break;
    }
    return { patterns, bound };
  }

  /** Finds the patterns the linear programme for what is asked is made of. */
  private generate(ask: readonly number[]): void {
    const some = wantedOf(ask);
    const part = this.only(some);
    for (let k = 0; k < MOST_PRICED; k++) {
      const worth = pricesOf(
        this.known.map((p) => some.map((i) => p.counts[i]!)),
        some.map((i) => ask[i]!),
      );
      if (this.price(part, some, worth) <= 1 + 1e-7) return;
    }
  }
}

const wantedOf = (ask: readonly number[]): number[] => ask.flatMap((n, i) => (n > 0 ? [i] : []));

/** What pieces are worth at most, in all that is asked for, when no pattern is worth more than 1: the dual of cutting it out of as few sheets as can be. */
function pricesOf(patterns: readonly (readonly number[])[], ask: readonly number[]): number[] {
  const found = solve({
    direction: 'maximize',
    objective: 'all',
    constraints: patterns.map((_, j) => [`p${j}`, lessEq(1)] as const),
    variables: ask.map(
      (n, k) => [`${k}`, [['all', n], ...patterns.map((p, j) => [`p${j}`, p[k]!] as const)] as const] as const,
    ),
  });
  const worth = ask.map(() => 0);
  for (const [k, value] of found.variables) worth[Number(k)] = value;
  return worth;
}

const dot = (a: readonly number[], b: readonly number[]): number => a.reduce((sum, x, i) => sum + x * b[i]!, 0);

const renamed = (cut: Cut, as: readonly number[]): Cut =>
  cut.what === 'piece'
    ? { ...cut, piece: as[cut.piece]! }
    : cut.what === 'cut'
      ? { ...cut, first: renamed(cut.first, as), second: renamed(cut.second, as) }
      : cut;

/** A way of cutting in which some pieces are not cut out: left over together with what was left beside them. */
function without(cut: Cut, unwanted: (piece: number) => boolean): Cut {
  const { width, depth } = cut;
  if (cut.what === 'piece') return unwanted(cut.piece) ? { what: 'left', width, depth } : cut;
  if (cut.what === 'left') return cut;
  const [first, second] = [without(cut.first, unwanted), without(cut.second, unwanted)];
  return first.what === 'left' && second.what === 'left' ? { what: 'left', width, depth } : { ...cut, first, second };
}

/** The fewest sheets for so many of each piece; see {@link Patterns}. */
export const cutListOf = (sheet: Sheet, pieces: readonly Piece[], wanted: readonly number[], kerf = 0): CutList =>
  new Patterns(sheet, pieces, kerf).list(wanted);

/** Sheet after sheet the pattern that uses most of a sheet for what is still wanted, and of those the one that cuts least that is not. */
function inTurn(ask: readonly number[], areas: readonly number[], pool: readonly Known[]): Pattern[] {
  const left = [...ask];
  const patterns: Pattern[] = [];
  while (left.some((n) => n > 0)) {
    let pick: Known | null = null;
    let most = -1;
    for (const known of pool) {
      let useful = 0;
      let over = 0;
      for (const [i, n] of known.counts.entries()) {
        useful += Math.min(n, left[i]!) * areas[i]!;
        over += Math.max(0, n - left[i]!);
      }
      const worth = useful - over * 1e-3;
      if (useful > 0 && worth > most) {
        most = worth;
        pick = known;
      }
    }
    if (!pick) break;
    const { cut, counts } = pick;
    // the same again as long as it cuts nothing too many
    const sheets = Math.max(1, Math.min(...counts.flatMap((n, i) => (n > 0 ? [Math.floor(left[i]! / n)] : []))));
    for (const [i, n] of counts.entries()) left[i] = Math.max(0, left[i]! - n * sheets);
    const same = patterns.find((p) => p.cut === cut);
    if (same) same.sheets += sheets;
    else patterns.push({ cut, counts, sheets });
  }
  return patterns;
}
