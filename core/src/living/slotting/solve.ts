import { LagrangeBound } from './bound.ts';
import { type Compiled, compiling } from './compile.ts';
import { constructing } from './construct.ts';
import { Laying } from './laying.ts';
import { type Prices, pricing } from './prices.ts';
import { type SlottingProblem } from './problem.ts';
import { Random } from './random.ts';
import { type Besides, Search } from './search.ts';
import { State } from './state.ts';
import { type SlottingTable, tabling } from './table.ts';

/** Where lots live: pairs of ids. */
export type Homes = readonly { lot: string; place: string }[];

export type SlottingAnswer = {
  total: number;
  /** proven: no assignment costs less */
  bound: number;
  /** total / bound − 1; null when the bound is 0 and the total is not */
  gap: number | null;
  homes: { lot: string; place: string }[];
  unplaced: string[];
  seconds: number;
  /** proposals made, the bound’s work counted in: the same seed and the same work give the same answer on any machine */
  work: number;
  /** proposals alone */
  proposals: number;
  /** what room was worth; null where it was not priced */
  prices: Prices | null;
};

export type SlottingProgress = { total: number; bound: number; gap: number | null; done: number; seconds: number };

export type SlottingOptions = {
  /** wall-clock limit, s; 2 when neither this nor `work` is given */
  seconds?: number;
  /** limit in work instead: as many proposals as an earlier answer says it made, say */
  work?: number;
  seed?: number;
  /** milliseconds from anywhere; given by the caller because the core has no clock */
  now: () => number;
  /** an assignment the answer may not be worse than, as far as it is feasible: what does not fit is left out of it */
  start?: Homes;
  /** only betters what it starts from: the search begins nearly cold, room is not priced and nothing is proven */
  polish?: boolean;
  /** of another search of this problem, or of one with the same places: nothing is proven again then, all of the time is searched */
  prices?: Prices;
  /**
   * Which of some lots cannot be in a place beside the rest, where that is more than the room they take: asked of every change in the last part of the search,
   * so that what is found lies.
   */
  over?: (place: string, lots: readonly string[]) => readonly string[];
  /**
   * What is counted besides the problem’s own costs, in the same measure, by the numbers of lots and places in the problem. It is part of the total; nothing is proven
   * then, and what it starts from is what it betters.
   */
  besides?: Besides;
  onProgress?: (progress: SlottingProgress) => void;
  /** asked between rounds; true ends the search with the best answer so far */
  cancelled?: () => boolean;
  /** called between rounds so that a worker can hear messages */
  breathe?: () => Promise<void>;
};

/** Proposals made between two looks at the clock; and where more is asked of each than sums. */
const ROUND = 4096;
const SHORT_ROUND = 512;
/** The bound’s work that takes as long as one proposal (measured on the build machine). */
const BOUND_WORK_PER_PROPOSAL = 25;
/** Share of the work that goes into the bound. */
const BOUND_SHARE = 0.3;
/** The first cooling gets this share of what is to be done, so that there is a fair answer early; the second the rest. */
const FIRST_SHARE = 0.12;
/** Temperatures as shares of a typical step. */
const HOT = 2;
const COLD = 0.01;
const COLD_WITH_TIES = 0.03;
/** From here on, of the last cooling, whether things lie is asked of every change; earlier where something is counted besides, which knows places better. */
const ASKS_FROM = 0.45;
const BESIDES_ASKS_FROM = 0.3;
/** A proposal takes as long as so many where something is counted besides (measured on the build machine). */
const BESIDES_WORK = 2;
/** So warm a search begins that is only to better what it starts from. */
const LUKEWARM = 0.15;

/**
 * Homes for the lots of a problem. Room is priced, the lots are put where that says, then annealing over shifts, swaps, ejections and moves of whole
 * families looks for better, while a Lagrangian bound says how much better there can be.
 *
 * Limited by `work` the answer is the same on any machine. Limited by the clock the search cools with it, so that a slower machine ends cold all the same.
 */
export async function solveSlotting(
  problem: SlottingProblem | SlottingTable,
  options: SlottingOptions,
): Promise<SlottingAnswer> {
  const { seed = 1, now, besides } = options;
  /** what it starts from is what it betters, in one cooling */
  const once = options.polish === true || besides !== undefined;
  const most = options.work ?? Infinity;
  const seconds = options.seconds ?? (options.work === undefined ? 2 : Infinity);
  const started = now();
  const elapsed = () => (now() - started) / 1000;
  let rested = now();
  /** Works off pieces, letting messages in; null when it was stopped before the end. `must`: nothing can be answered without it. */
  const worked: Worked = async (pieces, must = false) => {
    for (;;) {
      const step = pieces.next();
      if (step.done) return step.value;
      if (now() - rested < 40 || (must && options.cancelled?.())) continue;
      await options.breathe?.();
      rested = now();
      if (!must && options.cancelled?.()) return null;
    }
  };
  const table = 'format' in problem ? (await worked(tabling(problem), true))! : problem;
  const unpriced = new Float64Array(table.capacity.length);
  const priced = options.prices ?? (once ? null : await worked(pricing(table, targetOf(table))));
  const prices = priced ?? { worth: unpriced, pays: table.leave, bound: 0 };
  const proving = !once && !options.prices;
  const c = (await worked(compiling(table, prices.worth), true))!;
  const state = new State(c);
  const value = valueOf(c, prices.worth);
  await worked(constructing(state, orderOf(c, value), value));
  if (options.start) await takeIfBetter(table, state, options.start, value, worked, once);
  const random = new Random(seed);
  const search = new Search(state, random);
  const lagrange = new LagrangeBound(c, prices.pays, prices.worth, state.at);
  if (proving) lagrange.bound = prices.bound;
  const work = () => search.proposals * (besides ? BESIDES_WORK : 1) + lagrange.work / BOUND_WORK_PER_PROPOSAL;
  const report = () => {
    const bound = safeBound(search.bestTotal, lagrange.bound);
    options.onProgress?.({
      total: search.bestTotal,
      bound,
      gap: gapOf(search.bestTotal, bound),
      done: Math.min(1, spent()),
      seconds: elapsed(),
    });
  };
  /** share of the limit used up */
  const spent = () => (Number.isFinite(most) ? work() / most : elapsed() / seconds);
  let said = -Infinity;
  const pause = async (): Promise<boolean> => {
    if (now() - said >= 40 || said === -Infinity) {
      said = now();
      report();
      await options.breathe?.();
    }
    const proven = !besides && safeBound(search.bestTotal, lagrange.bound) >= search.bestTotal;
    return proven || options.cancelled?.() === true || elapsed() > seconds || work() >= most;
  };
  const cold = c.families > 0 || c.charges > 0 ? COLD_WITH_TIES : COLD;
  const begun = spent();
  const laying = options.over ? layingOf(table, state, options.over) : null;
  let asking = false;
  const asksFrom = options.polish ? 0 : besides ? BESIDES_ASKS_FROM : ASKS_FROM;
  if (besides) search.count(besides);
  const parts = once ? [begun, 1] : [begun, begun + (1 - begun) * FIRST_SHARE, 1];
  let stopped = await pause();
  for (let part = 1; part < parts.length && !stopped; part++) {
    const [from, to] = [parts[part - 1]!, parts[part]!];
    while (!stopped) {
      const t = (spent() - from) / (to - from);
      if (t >= 1) break;
      if (laying && !asking && part === parts.length - 1 && t >= asksFrom) {
        asking = true;
        search.ask(laying);
      }
      search.run(
        besides || asking ? SHORT_ROUND : ROUND,
        options.polish ? LUKEWARM : HOT,
        cold,
        Math.max(0, t),
        Math.max(0, t),
      );
      while (proving && !lagrange.ended && !stopped && lagrange.work / BOUND_WORK_PER_PROPOSAL < BOUND_SHARE * work()) {
        await worked(lagrange.stepping(search.bestTotal));
        if (options.cancelled?.()) break;
      }
      stopped = await pause();
    }
  }
  const at = search.best;
  await worked(state.taking(at), true);
  // what is counted besides is in the best total already
  const total = besides ? search.bestTotal : state.total;
  const bound = safeBound(total, lagrange.bound);
  report();
  return {
    total,
    bound,
    gap: gapOf(total, bound),
    homes: table.lots.flatMap((lot, l) =>
      at[l] === c.noHome[l] ? [] : [{ lot, place: table.places[c.optPlace[at[l]!]!]! }],
    ),
    unplaced: table.lots.filter((_, l) => at[l] === c.noHome[l]),
    seconds: elapsed(),
    work: work(),
    proposals: search.proposals,
    prices: priced,
  };
}

/** Names in, names out: the question of what lies, in numbers. */
function layingOf(table: SlottingTable, state: State, over: NonNullable<SlottingOptions['over']>): Laying {
  const numbers = new Map(table.lots.map((id, l) => [id, l]));
  return new Laying(state, (p, lots) =>
    over(
      table.places[p]!,
      lots.map((l) => table.lots[l]!),
    ).map((id) => numbers.get(id)!),
  );
}

/** Works off something in pieces. */
type Worked = <T>(pieces: Generator<void, T>, must?: boolean) => Promise<T | null>;

/** What it costs when every lot, those dearest to leave first, just takes the cheapest place with room: what prices of room are stepped toward. */
function targetOf(t: SlottingTable): number {
  const { resources } = t;
  const left = t.capacity.slice();
  const order = Int32Array.from({ length: t.lots.length }, (_, l) => l).sort((a, b) => t.leave[b]! - t.leave[a]!);
  let total = 0;
  for (const l of order) {
    let least = t.leave[l]!;
    let pick = -1;
    for (let o = t.optStart[l]!; o < t.optStart[l + 1]!; o++) {
      if (t.optCost[o]! >= least) continue;
      const p = t.optPlace[o]! * resources;
      let fits = true;
      for (let r = 0; r < resources; r++) if (t.optUse[o * resources + r]! > left[p + r]!) fits = false;
      if (!fits) continue;
      least = t.optCost[o]!;
      pick = o;
    }
    total += least;
    if (pick >= 0)
      for (let r = 0; r < resources; r++) left[t.optPlace[pick]! * resources + r]! -= t.optUse[pick * resources + r]!;
  }
  return total;
}

/** What each option is worth: its cost and the room it takes. */
function valueOf(c: Compiled, worth: Float64Array): Float64Array {
  const value = c.optCost.slice();
  for (let o = 0; o < value.length; o++) {
    const p = c.optPlace[o]!;
    if (p === c.places) continue;
    for (let r = 0; r < c.resources; r++) value[o]! += worth[p * c.resources + r]! * c.optUse[o * c.resources + r]!;
  }
  return value;
}

/** Lots in order of what they would lose beyond their best few options, the most first. */
function orderOf(c: Compiled, value: Float64Array): Int32Array {
  const regret = new Float64Array(c.lots);
  for (let l = 0; l < c.lots; l++) {
    const first = c.optStart[l]!;
    const other = Math.min(c.optStart[l + 1]! - 1, first + 4);
    regret[l] = value[other]! - value[first]!;
  }
  return Int32Array.from({ length: c.lots }, (_, l) => l).sort((a, b) => regret[b]! - regret[a]! || a - b);
}

/** Starts from a given assignment, completed, when that is cheaper than what was constructed, or anyhow. */
async function takeIfBetter(
  t: SlottingTable,
  state: State,
  start: Homes,
  value: Float64Array,
  worked: Worked,
  anyhow = false,
): Promise<void> {
  const { c } = state;
  const given = new State(c);
  const lots = new Map(t.lots.map((id, l) => [id, l]));
  const places = new Map(t.places.map((id, p) => [id, p]));
  for (const { lot, place } of start) {
    const l = lots.get(lot);
    const p = places.get(place);
    if (l === undefined || p === undefined) continue;
    const o = c.optionAt[l * (c.places + 1) + p]!;
    if (o >= 0 && given.at[l] === c.noHome[l] && given.fits(o)) given.move(l, o);
  }
  await worked(constructing(given, orderOf(c, value), value));
  if (anyhow || given.total < state.total) for (const pieces = state.taking(given.at); !pieces.next().done;);
}

/** A bound free of the rounding of its sums; within that rounding of the total it is the total. */
function safeBound(total: number, bound: number): number {
  const rounding = 1e-9 * Math.abs(total);
  return Math.max(0, bound >= total - 2 * rounding ? total : bound - rounding);
}

function gapOf(total: number, bound: number): number | null {
  if (total <= bound) return 0;
  return bound > 0 ? total / bound - 1 : null;
}
