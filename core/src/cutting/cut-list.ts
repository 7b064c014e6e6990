import { countsOf, type Cut, drawnOf, Guillotine, type Piece, type Sheet } from './guillotine.ts';

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

/** Ways of weighing large pieces against small ones that are tried: their area to these powers (own choice). */
const POWERS = [1, 0];
/** Of so many kinds of pieces every few are tried together. */
const MOST_KINDS = 5;
/** The search for fewer sheets gives up after so many steps. */
const MOST_STEPS = 6000;
/** So often the bound is bettered where it does not meet what was found. */
const SUBGRADIENT = 6;

/** A pattern, and the worth of the pieces it is best for, so scaled that no sheet is worth more than 1. */
type Known = { cut: Cut; counts: number[]; worth: number[] };

/**
 * Good ways to cut one kind of sheet into some pieces, found once whatever is wanted of each: for every few of them, weighed in several ways, the best
 * pattern (exact, see {@link Guillotine}).
 */
export class Patterns {
  private readonly guillotine: Guillotine;
  readonly known: Known[] = [];
  private readonly areas: number[];

  constructor(
    private readonly sheet: Sheet,
    private readonly pieces: readonly Piece[],
    private readonly kerf = 0,
  ) {
    this.guillotine = new Guillotine(sheet, pieces, kerf);
    this.areas = pieces.map((p) => p.width * p.depth);
    const kinds = pieces.flatMap((_, i) => (this.guillotine.takes(i) ? [i] : []));
    const few = kinds.length <= MOST_KINDS ? subsets(kinds) : [...kinds.map((i) => [i]), kinds];
    for (const some of few) {
      const part = some.length === pieces.length ? this.guillotine : this.only(some);
      for (const power of some.length === 1 ? [1] : POWERS) this.find(part, some, (i) => this.areas[i]! ** power);
      // one of them wanted more than its room says
      if (some.length > 1) for (const one of some) this.find(part, some, (i) => this.areas[i]! * (i === one ? 1.4 : 1));
    }
  }

  takes = (piece: number): boolean => this.guillotine.takes(piece);

  private only(some: readonly number[]): Guillotine {
    return new Guillotine(
      this.sheet,
      some.map((i) => this.pieces[i]!),
      this.kerf,
    );
  }

  private find(part: Guillotine, some: readonly number[], worthOf: (piece: number) => number): Known | null {
    const values = some.map(worthOf);
    const { value, cut } = part.best(values);
    if (value <= 0) return null;
    const own = part === this.guillotine ? cut : renamed(cut, some);
    const worth = this.pieces.map(() => 0);
    for (const [k, i] of some.entries()) worth[i] = values[k]! / value;
    const found = { cut: own, counts: countsOf(own, this.pieces.length), worth };
    this.known.push(found);
    return found;
  }

  /**
   * So many of each piece out of as few sheets as can be found: patterns that use most of a sheet for what is still wanted one after the other, then
   * a search for fewer. The bound is proven: with any worth of the pieces at which no sheet is worth more than 1, what is wanted is worth no more than
   * the sheets (the dual of Gilmore and Gomory’s linear programme).
   */
  list(wanted: readonly number[]): CutList {
    const { areas } = this;
    const tooLarge = wanted.flatMap((n, i) => (n > 0 && !this.takes(i) ? [i] : []));
    const ask = wanted.map((n, i) => (this.takes(i) ? n : 0));
    let patterns = inTurn(ask, areas, this.known);
    const count = () => patterns.reduce((sum, p) => sum + p.sheets, 0);
    let bound = this.boundOf(ask);
    const fewest = () => {
      while (count() > bound) {
        const fewer = covering(this.known, ask, count() - 1);
        if (!fewer) break;
        patterns = fewer;
      }
    };
    fewest();
    if (count() > bound) {
      // what betters the bound finds patterns besides
      bound = Math.max(bound, this.better(ask, bound));
      fewest();
    }
    const sheets = count();
    const used = ask.reduce((sum, n, i) => sum + n * areas[i]!, 0);
    // what is not wanted of this sheet at all is not cut out of it
    patterns = patterns.map(({ cut, sheets }) => {
      const only = without(cut, (piece) => wanted[piece] === 0);
      return { cut: only, counts: countsOf(only, wanted.length), sheets };
    });
    return { patterns, sheets, bound, waste: sheets * this.sheet.width * this.sheet.depth - used, tooLarge };
  }

  private boundOf(ask: readonly number[]): number {
    if (ask.every((n) => n === 0)) return 0;
    let most = 0;
    for (const { worth } of this.known) most = Math.max(most, dot(worth, ask));
    return Math.max(1, Math.ceil(most - 1e-6));
  }

  /** The bound bettered: pieces that the best pattern gives too few of become worth more (subgradient). */
  private better(ask: readonly number[], bound: number): number {
    let [u] = this.known.map((k) => k.worth).sort((a, b) => dot(b, ask) - dot(a, ask));
    let most = bound;
    const some = ask.flatMap((n, i) => (n > 0 ? [i] : []));
    const part = this.only(some);
    for (let k = 0; k < SUBGRADIENT && u; k++) {
      const { counts } = this.known.at(-1)!;
      const sheets = dot(u, ask);
      const next = u.map((x, i) => Math.max(0, x * (1 + (0.4 / (k + 1)) * (ask[i]! / sheets - counts[i]!))));
      const found = this.find(part, some, (i) => next[i]!);
      if (!found) break;
      u = found.worth;
      most = Math.max(most, Math.ceil(dot(u, ask) - 1e-6));
    }
    return most;
  }
}

const dot = (a: readonly number[], b: readonly number[]): number => a.reduce((sum, x, i) => sum + x * b[i]!, 0);
const subsets = (list: readonly number[]): number[][] =>
  Array.from({ length: (1 << list.length) - 1 }, (_, m) => list.filter((_, k) => ((m + 1) >> k) & 1));
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

/** Patterns out of a pool that give all that is asked for on at most so many sheets; null when none was found. */
function covering(pool: readonly Known[], ask: readonly number[], sheets: number): Pattern[] | null {
  const given = pool.map((p) => p.counts.map((n, k) => Math.min(n, ask[k]!)));
  // of two patterns of which one gives at least as much of everything the other is not needed
  const useful = pool.flatMap(({ cut, counts }, i) =>
    given[i]!.some((n) => n > 0) &&
    !given.some(
      (q, j) => j !== i && q.every((n, k) => n >= given[i]![k]!) && (j < i || q.some((n, k) => n > given[i]![k]!)),
    )
      ? [{ cut, counts }]
      : [],
  );
  const most = ask.map((_, k) => Math.max(0, ...useful.map((p) => p.counts[k]!)));
  const times = new Array<number>(useful.length).fill(0);
  const left = [...ask];
  let steps = 0;
  const go = (from: number, sheetsLeft: number): boolean => {
    if (left.every((n) => n <= 0)) return true;
    if (++steps > MOST_STEPS || left.some((n, k) => n > most[k]! * sheetsLeft)) return false;
    for (let i = from; i < useful.length; i++) {
      const { counts } = useful[i]!;
      if (!counts.some((n, k) => n > 0 && left[k]! > 0)) continue;
      for (const [k, n] of counts.entries()) left[k]! -= n;
      times[i]!++;
      if (go(i, sheetsLeft - 1)) return true;
      times[i]!--;
      for (const [k, n] of counts.entries()) left[k]! += n;
    }
    return false;
  };
  return go(0, sheets)
    ? useful.flatMap(({ cut, counts }, i) => (times[i]! > 0 ? [{ cut, counts, sheets: times[i]! }] : []))
    : null;
}

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

/** One paper to be cut: which, how thick a sheet is, mm, and how many of each piece are wanted. */
export type Job = { id: string; sheet: Sheet; caliper: number; wanted: readonly number[] };
/** A pattern cut in stacks: which papers lie in it and how many sheets of each, and how often the cutter comes down. */
export type Run = {
  cut: Cut;
  counts: number[];
  sheets: { id: string; count: number }[];
  stacks: number;
  strokes: number;
};

/**
 * Several papers cut as one: patterns that are the same lie on each other, as high as the cutter takes.
 * @param stack height the cutter takes, mm
 */
export function cutTogether(
  jobs: readonly Job[],
  pieces: readonly Piece[],
  kerf: number,
  stack: number,
): { lists: Map<string, CutList>; runs: Run[] } {
  const lists = new Map<string, CutList>();
  const known = new Map<string, CutList>();
  const bySheet = new Map<string, Patterns>();
  const runs = new Map<string, Run & { height: number }>();
  for (const job of jobs) {
    const alike = JSON.stringify([job.sheet, job.wanted]);
    const of = JSON.stringify(job.sheet);
    const patterns = bySheet.get(of) ?? new Patterns(job.sheet, pieces, kerf);
    bySheet.set(of, patterns);
    const list = known.get(alike) ?? patterns.list(job.wanted);
    known.set(alike, list);
    lists.set(job.id, list);
    for (const { cut, counts, sheets } of list.patterns) {
      const key = JSON.stringify(cut);
      const run = runs.get(key) ?? { cut, counts, sheets: [], stacks: 0, strokes: 0, height: 0 };
      run.sheets.push({ id: job.id, count: sheets });
      run.height += sheets * job.caliper;
      runs.set(key, run);
    }
  }
  return {
    lists,
    runs: [...runs.values()].map(({ height, ...run }) => {
      const stacks = Math.max(1, Math.ceil(height / stack - 1e-9));
      return { ...run, stacks, strokes: stacks * drawnOf(run.cut).strokes.length };
    }),
  };
}
