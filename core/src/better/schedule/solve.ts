import { Random } from '../../living/slotting/index.ts';
import { ScheduleBound } from './bound.ts';
import { compileSchedule, type Compiled } from './compile.ts';
import { EXACT_JOBS, everyOrder } from './exact.ts';
import { type ScheduleProblem } from './problem.ts';
import { ScheduleSearch } from './search.ts';
import { Timetable } from './timetable.ts';

/** A job, or a piece of one that is parted: in the session of a day, from and to in its minutes. */
export type Scheduled = { job: string; session: string; from: number; to: number };

export type ScheduleAnswer = {
  order: Scheduled[];
  /** Σ of what a day’s wait for a job costs × days from the first session to that in which it ends; late ones not counted */
  value: number;
  /** proven: no timetable with as few late jobs is worth less */
  bound: number;
  /** jobs that found no session */
  late: string[];
};

export type ScheduleOptions = {
  /** limit in work: proposals; the same work and seed give the same answer on any machine */
  work?: number;
  /** wall-clock limit, s; 10 when neither is given */
  seconds?: number;
  seed?: number;
  /** milliseconds from anywhere */
  now: () => number;
  onProgress?: (answer: ScheduleAnswer, done: number) => void;
  /** asked between rounds; true ends the search with the best so far */
  cancelled?: () => boolean;
  /** called between rounds so that a worker can hear messages */
  breathe?: () => Promise<void>;
};

/** Proposals, and steps of the bound, between two looks at the clock. */
const ROUND = 30;
const BOUND_ROUND = 4;
/** … of which a message may come in between so many parts: the first proposals take as long as a hundred later ones. */
const PARTS = 6;
/** Messages are let in so often, ms: with the longest piece of work it is a twentieth of a second until *Enough* is heard. */
const BREATH = 20;
/** After so many steps the bound is as good as it gets. */
const MOST_STEPS = 1500;

/**
 * In which session each job is done, so that what saves most is done soonest: as few jobs late as possible, then the least value. Up to eight jobs every
 * order is gone through; more are ordered by rules, then annealed, while a bound says how much better there could be.
 */
export async function solveSchedule(problem: ScheduleProblem, options: ScheduleOptions): Promise<ScheduleAnswer> {
  const { now } = options;
  const c = compileSchedule(problem);
  const most = options.work ?? Infinity;
  const seconds = options.seconds ?? (options.work === undefined ? 10 : Infinity);
  const started = now();
  let rested = started;
  const rest = async (): Promise<void> => {
    if (now() - rested < BREATH) return;
    await options.breathe?.();
    rested = now();
  };
  if (c.jobs.length <= EXACT_JOBS) {
    const pieces = everyOrder(c);
    for (;;) {
      const step = pieces.next();
      if (step.done) return answerOf(problem, c, step.value, Infinity);
      await rest();
    }
  }
  const search = new ScheduleSearch(c, new Random(options.seed ?? 1));
  const bound = new ScheduleBound(c);
  const never = c.jobs.filter((j) => j.never).length;
  const answer = () => answerOf(problem, c, search.best, bound.bound);
  const spent = () => Math.max(search.tried / most, (now() - started) / 1000 / seconds);
  options.onProgress?.(answer(), 0);
  let late = search.best.late;
  let said = search.best;
  for (;;) {
    const done = spent();
    // a bound with jobs left out says nothing of timetables without
    if (search.best.late < late) {
      late = search.best.late;
      bound.bound = 0;
    }
    for (let k = 0; k < BOUND_ROUND && bound.steps < MOST_STEPS; k++) {
      bound.step(search.best.value - late * c.late, late - never);
      await rest();
    }
    const best = search.best.value - late * c.late;
    if (done >= 1 || options.cancelled?.() || (late === never && bound.bound >= best - 1e-6)) return answer();
    for (let k = 0; k < PARTS; k++) {
      search.run(ROUND / PARTS, done);
      await rest();
    }
    if (search.best !== said) options.onProgress?.(answer(), done);
    said = search.best;
  }
}

/** The same sessions, in each what saves most for its time first, as far as that costs nothing: whoever stops early has had the best of the day. */
function bestFirst(c: Compiled, t: Timetable): Timetable {
  const at = c.jobs.map((_, i) => (t.endsIn[i]! < 0 ? Infinity : t.endsIn[i]!));
  const worth = c.jobs.map((j) => j.saves / (j.minutes * j.people));
  const left = new Set(c.order);
  const order: number[] = [];
  while (left.size > 0) {
    const ready = [...left].filter((i) => !c.jobs[i]!.before.some((b) => left.has(b)));
    const next = ready.reduce((a, b) => (at[b]! < at[a]! || (at[b] === at[a] && worth[b]! > worth[a]!) ? b : a));
    left.delete(next);
    order.push(next);
  }
  const other = new Timetable(c);
  return other.fill(order) <= t.value + 1e-9 ? other : t;
}

function answerOf(problem: ScheduleProblem, c: Compiled, found: Timetable, bound: number): ScheduleAnswer {
  const t = bestFirst(c, found);
  const order = [...t.pieces]
    .sort((a, b) => a.session - b.session || a.from - b.from || a.job - b.job)
    .map((p) => ({
      job: problem.jobs[p.job]!.id,
      session: c.sessions[p.session]!.date,
      from: round(p.from),
      to: round(p.to),
    }));
  const value = t.value - t.late * c.late;
  return {
    order,
    value: round(value),
    bound: round(Math.max(0, Math.min(bound, value))),
    late: problem.jobs.flatMap((j, i) => (t.endsIn[i]! < 0 ? [j.id] : [])),
  };
}

const round = (n: number): number => Math.round(n * 1e6) / 1e6;
