import { Annealer } from './anneal.ts';
import { LagrangeBound } from './bound.ts';
import { type Compiled, compiling, orderingByWorth } from './compile.ts';
import { constructing } from './construct.ts';
import { type SlottingProblem } from './problem.ts';
import { Random } from './random.ts';
import { State } from './state.ts';

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
  /** changes tried, the bound's work counted in: the same seed and the same work give the same answer on any machine */
  work: number;
};

export type SlottingProgress = { total: number; bound: number; gap: number | null; done: number; seconds: number };

export type SlottingOptions = {
  /** wall-clock limit, s; 2 when neither this nor `work` is given */
  seconds?: number;
  /** limit in work: as many changes tried as an earlier answer says it did, say */
  work?: number;
  seed?: number;
  /** milliseconds from anywhere; given by the caller because the core has no clock */
  now: () => number;
  /** an assignment the answer may not be worse than, as far as it is feasible: what does not fit is left out of it */
  start?: Homes;
  onProgress?: (progress: SlottingProgress) => void;
  /** asked between rounds; true ends the search with the best answer so far */
  cancelled?: () => boolean;
  /** called between rounds so that a worker can hear messages */
  breathe?: () => Promise<void>;
};

/** Changes tried between two looks at the clock. */
const ROUND = 2048;
/** Bound work that takes as long as one change tried (measured on the build machine). */
const BOUND_WORK_PER_MOVE = 200;
/** Share of the work that goes into the bound. */
const BOUND_SHARE = 0.2;
/** Steps of the bound before the first cooling, so that its prices are worth something. */
const FIRST_STEPS = 30;
/** Changes tried in the first cooling, a lot; each cooling is so many times longer than the one before it. */
const FIRST_RUNG = 40;
const LONGER = 1.8;
/** Temperatures of a cooling as shares of a typical step: the first from the construction, the others from the best answer. */
const HOT = 6;
const WARM = 4;
const COLD = 0.01;

/**
 * Homes for the lots of a problem: regret construction, a Lagrangian bound whose room prices say which options are worth trying, and
 * annealing in coolings each longer than the last, the bound being raised between them.
 * What is done when does not depend on the limit: more time or work goes on where less would have stopped, so it never gives a worse
 * answer, and a slower machine gets as far as its speed allows.
 */
export async function solveSlotting(problem: SlottingProblem, options: SlottingOptions): Promise<SlottingAnswer> {
  const { seed = 1, now } = options;
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
  const c = (await worked(compiling(problem), true))!;
  const state = new State(c);
  await worked(constructing(state));
  if (options.start) await takeIfBetter(problem, state, options.start, worked);
  const lagrange = new LagrangeBound(c, state.at);
  let annealer = new Annealer(state, new Random(seed));
  let moves = 0;
  const work = () => moves + lagrange.work / BOUND_WORK_PER_MOVE;
  const report = () => {
    const bound = safeBound(annealer.bestTotal, lagrange.bound);
    const done = Math.min(1, Math.max(elapsed() / seconds, work() / most));
    options.onProgress?.({
      total: annealer.bestTotal,
      bound,
      gap: gapOf(annealer.bestTotal, bound),
      done,
      seconds: elapsed(),
    });
  };
  const random = new Random(seed);
  let said = -Infinity;
  /** Between two pieces of work: says how far it is, lets messages in, and tells whether to stop. */
  const pause = async (): Promise<boolean> => {
    if (now() - said >= 40 || said === -Infinity) {
      said = now();
      report();
      await options.breathe?.();
    }
    return options.cancelled?.() === true || elapsed() > seconds || work() >= most;
  };
  await worked(lagrange.stepping(annealer.bestTotal));
  let stopped = await pause();
  for (let rung = 0; !stopped; rung++) {
    const length = Math.ceil(FIRST_RUNG * Math.max(50, c.lots) * LONGER ** rung);
    const steps = rung === 0 ? FIRST_STEPS : 0;
    const share = (BOUND_SHARE / (1 - BOUND_SHARE)) * BOUND_WORK_PER_MOVE * (moves + length);
    while (!stopped && !lagrange.ended && (lagrange.steps < steps || lagrange.work < share)) {
      await worked(lagrange.stepping(annealer.bestTotal));
      stopped = await pause();
    }
    if (stopped) break;
    const places = Array.from(annealer.best, (o) => (o < 0 ? -1 : c.optPlace[o]!));
    const total = annealer.bestTotal;
    await worked(state.taking(new Int32Array(c.lots).fill(-1)), true);
    await worked(orderingByWorth(c, lagrange.roomPrice, lagrange.loadPrice));
    lagrange.reordered();
    const same = Int32Array.from(places, (p, l) => (p < 0 ? -1 : c.optionAt[l * c.places + p]!));
    await worked(state.taking(same), true);
    state.total = total;
    annealer = new Annealer(state, random);
    for (let i = 0; i < length && !stopped; i += ROUND) {
      const n = Math.min(ROUND, length - i);
      annealer.run(n, rung === 0 ? HOT : WARM, COLD, i / length, (i + n) / length);
      moves += n;
      stopped = await pause();
    }
  }
  const at = annealer.best;
  const total = exactTotal(problem, at, c);
  const bound = safeBound(total, lagrange.bound);
  report();
  return {
    total,
    bound,
    gap: gapOf(total, bound),
    homes: problem.lots.flatMap((lot, l) =>
      at[l]! < 0 ? [] : [{ lot: lot.id, place: problem.places[c.optPlace[at[l]!]!]!.id }],
    ),
    unplaced: problem.lots.filter((_, l) => at[l]! < 0).map((lot) => lot.id),
    seconds: elapsed(),
    work: work(),
  };
}

/** Works off something in pieces. */
type Worked = <T>(pieces: Generator<void, T>, must?: boolean) => Promise<T | null>;

/** Starts from a given assignment, completed, when that is cheaper than what was constructed. */
async function takeIfBetter(problem: SlottingProblem, state: State, start: Homes, worked: Worked): Promise<void> {
  const { c } = state;
  const given = new State(c);
  const lots = new Map(problem.lots.map((lot, l) => [lot.id, l]));
  const places = new Map(problem.places.map((place, p) => [place.id, p]));
  for (const { lot, place } of start) {
    const l = lots.get(lot);
    const p = places.get(place);
    if (l === undefined || p === undefined) continue;
    const o = c.optionAt[l * c.places + p]!;
    if (o >= 0 && given.at[l]! < 0 && given.fits(o)) given.move(l, o);
  }
  await worked(constructing(given));
  if (given.total < state.total) state.take(given.at);
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

/** The total summed afresh, free of the search's rounding. */
function exactTotal(problem: SlottingProblem, at: Int32Array, c: Compiled): number {
  let total = 0;
  at.forEach((o, l) => (total += o < 0 ? c.leave[l]! : c.optCost[o]!));
  const lotIndex = new Map(problem.lots.map((lot, l) => [lot.id, l]));
  for (const family of problem.families) {
    const places = new Set<number>();
    for (const id of family.lots) {
      const o = at[lotIndex.get(id)!]!;
      if (o >= 0) places.add(c.optPlace[o]!);
    }
    total += family.spread * Math.max(0, places.size - 1);
  }
  const placeIndex = new Map(problem.places.map((place, p) => [place.id, p]));
  for (const charge of problem.charges) {
    const p = placeIndex.get(charge.place)!;
    const there = charge.lots.some((id) => {
      const o = at[lotIndex.get(id)!]!;
      return o >= 0 && c.optPlace[o] === p;
    });
    if (there) total += charge.cost;
  }
  return total;
}
