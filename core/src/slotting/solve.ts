import { Annealer } from './anneal.ts';
import { LagrangeBound } from './bound.ts';
import { compile, orderByWorth } from './compile.ts';
import { construct } from './construct.ts';
import { type SlottingProblem } from './problem.ts';
import { Random } from './random.ts';
import { State } from './state.ts';

export type SlottingAnswer = {
  total: number;
  /** proven: no assignment costs less */
  bound: number;
  /** total / bound − 1; null when the bound is 0 and the total is not */
  gap: number | null;
  homes: { lot: string; place: string }[];
  unplaced: string[];
  seconds: number;
};

export type SlottingProgress = { total: number; bound: number; gap: number | null; done: number; seconds: number };

export type SlottingOptions = {
  /** wall-clock limit, s; work is planned so that a slower machine still ends in time */
  seconds?: number;
  seed?: number;
  /** milliseconds from anywhere; given by the caller because the core has no clock */
  now: () => number;
  onProgress?: (progress: SlottingProgress) => void;
  /** asked between rounds; true ends the search with the best answer so far */
  cancelled?: () => boolean;
  /** called between rounds so that a worker can hear messages */
  breathe?: () => Promise<void>;
};

/** Moves planned per second: a little over half of what the build machine does, so that the plan is done in time and the same seed gives the same answer. */
const WORK_PER_SECOND = 380_000;
/** Bound work that takes as long as one move of the annealing (measured on the build machine). */
const BOUND_WORK_PER_MOVE = 200;
/** Share of the work that goes into the bound, half of it before the annealing. */
const BOUND_SHARE = 0.4;
const ROUNDS = 40;
/** Temperatures of the first cooling and of the shorter ones after it, as shares of a typical step. */
const COOLINGS = [
  { share: 0.5, hot: 6, cold: 0.02 },
  { share: 0.25, hot: 0.5, cold: 0.005 },
  { share: 0.25, hot: 0.1, cold: 0.002 },
];

/**
 * Homes for the lots of a problem: regret construction, then a Lagrangian bound whose room prices say which options are worth
 * trying, then annealing, the bound being raised beside it.
 * The same problem, seed and seconds give the same homes unless the machine is too slow to do the planned work in time.
 */
export async function solveSlotting(problem: SlottingProblem, options: SlottingOptions): Promise<SlottingAnswer> {
  const { seconds = 2, seed = 1, now } = options;
  const started = now();
  const c = compile(problem);
  const first = new State(c);
  construct(first);
  const lagrange = new LagrangeBound(c, first.at);
  const ordered = compile(problem);
  const state = new State(ordered);
  let annealer = new Annealer(first, new Random(seed));
  const elapsed = () => (now() - started) / 1000;
  const answer = (): SlottingAnswer => {
    const now = annealer.c;
    const total = exactTotal(problem, annealer.best, now);
    const bound = safeBound(total, lagrange.bound);
    return {
      total,
      bound,
      gap: gapOf(total, bound),
      homes: problem.lots.flatMap((lot, l) =>
        annealer.best[l]! < 0 ? [] : [{ lot: lot.id, place: problem.places[now.optPlace[annealer.best[l]!]!]!.id }],
      ),
      unplaced: problem.lots.filter((_, l) => annealer.best[l]! < 0).map((lot) => lot.id),
      seconds: elapsed(),
    };
  };
  lagrange.step(annealer.bestTotal);
  const report = (done: number) => {
    const bound = safeBound(annealer.bestTotal, lagrange.bound);
    options.onProgress?.({
      total: annealer.bestTotal,
      bound,
      gap: gapOf(annealer.bestTotal, bound),
      done,
      seconds: elapsed(),
    });
  };
  report(0);
  const work = seconds * WORK_PER_SECOND;
  const perRound = Math.max(200, Math.floor(((1 - BOUND_SHARE) * work) / ROUNDS));
  const boundWork = BOUND_SHARE * work * BOUND_WORK_PER_MOVE;
  const stopped = () => options.cancelled?.() === true || elapsed() > seconds;
  // prices first: what room is worth in each place tells the annealing which options are worth trying
  while (lagrange.work < boundWork / 2 && !stopped()) {
    lagrange.step(annealer.bestTotal);
    if (options.breathe && lagrange.steps % 16 === 0) await options.breathe();
  }
  orderByWorth(ordered, lagrange.roomPrice);
  state.take(first.at.map((o, l) => (o < 0 ? -1 : ordered.optionAt[l * c.places + c.optPlace[o]!]!)));
  annealer = new Annealer(state, new Random(seed));
  let round = 0;
  search: for (const cooling of COOLINGS) {
    const rounds = Math.round(ROUNDS * cooling.share);
    for (let r = 0; r < rounds; r++) {
      annealer.run(perRound, cooling.hot, cooling.cold, r / rounds, (r + 1) / rounds);
      round++;
      while (lagrange.work < (boundWork / 2) * (1 + round / ROUNDS) && elapsed() <= seconds)
        lagrange.step(annealer.bestTotal);
      report(round / ROUNDS);
      await options.breathe?.();
      if (stopped()) break search;
    }
    annealer.backToBest();
  }
  return answer();
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
function exactTotal(problem: SlottingProblem, at: Int32Array, c: ReturnType<typeof compile>): number {
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
  return total;
}
