import { type ScheduleProblem } from './problem.ts';

const DAY = 86_400_000;
const dayNumber = (date: string): number => Date.parse(`${date}T00:00:00Z`) / DAY;

/** One job, by numbers. */
export type CompiledJob = {
  minutes: number;
  people: number;
  lifters: number;
  floor: number;
  money: number;
  saves: number;
  /** days until what comes after it may begin */
  lag: number;
  /** jobs that come right before it, and right after */
  before: readonly number[];
  after: readonly number[];
  /** least minutes of a piece; 0: it is never parted */
  piece: number;
  /** first and last session it may lie in by its days */
  first: number;
  last: number;
  /** it fits into no session, whatever the others do */
  never: boolean;
};

/** A problem as the engine counts: jobs and sessions by their numbers, sessions in the order of their days. */
export type Compiled = {
  jobs: readonly CompiledJob[];
  sessions: readonly {
    date: string;
    minutes: number;
    people: number;
    /** of them so many can lift */ lifters: number;
    /** days since the first */ day: number;
    /** floor that may stay covered when it ends */ evening: number;
    month: number;
  }[];
  floor: number;
  /** what each month has to spend */
  purse: readonly number[];
  /** an order in which every job comes after what is before it */
  order: readonly number[];
  /** what one job that finds no session counts for: more than all others could lose by waiting */
  late: number;
};

/** Numbers instead of names. @param problem as `readSchedule` gives it */
export function compileSchedule(problem: ScheduleProblem): Compiled {
  const sorted = [...problem.sessions].sort((a, b) => (a.date < b.date ? -1 : 1));
  const start = sorted.length > 0 ? dayNumber(sorted[0]!.date) : 0;
  const months = [...new Set(sorted.map((s) => s.date.slice(0, 7)))];
  const sessions = sorted.map((s) => ({
    ...s,
    lifters: Math.min(s.people, s.lifters ?? s.people),
    evening: s.evening ?? Infinity,
    day: dayNumber(s.date) - start,
    month: months.indexOf(s.date.slice(0, 7)),
  }));
  const purse = months.map((month) => problem.money.find((m) => m.month === month)?.amount ?? Infinity);
  const floor = problem.floor > 0 ? problem.floor : Infinity;
  const at = new Map(problem.jobs.map((j, i) => [j.id, i]));
  const before = problem.jobs.map((j) => [...new Set(j.before)].map((id) => at.get(id)!));
  const after: number[][] = problem.jobs.map(() => []);
  for (const [i, list] of before.entries()) for (const j of list) after[j]!.push(i);
  const jobs = problem.jobs.map((j, i): CompiledJob => {
    const piece = j.splits === true ? 1e-9 : j.splits ? Math.min(j.splits, j.minutes) : 0;
    const first = j.from ? sessions.findIndex((s) => s.date >= j.from!) : 0;
    const last = j.by ? sessions.findLastIndex((s) => s.date <= j.by!) : sessions.length - 1;
    const may = sessions.some(
      (s, k) =>
        k >= first &&
        k <= last &&
        s.people >= j.people &&
        s.lifters >= j.lifters &&
        s.minutes >= (piece > 0 ? Math.min(piece, j.minutes) : j.minutes) &&
        purse[s.month]! >= j.money,
    );
    return {
      ...{ minutes: j.minutes, people: j.people, lifters: j.lifters, floor: j.floor, money: j.money },
      ...{ saves: j.saves, lag: j.lag },
      ...{ before: before[i]!, after: after[i]!, piece, first: first < 0 ? sessions.length : first, last },
      never: first < 0 || !may || j.floor > floor,
    };
  });
  const order: number[] = [];
  const waits = jobs.map((j) => j.before.length);
  const ready = jobs.flatMap((_, i) => (waits[i] === 0 ? [i] : []));
  for (let i = ready.shift(); i !== undefined; i = ready.shift()) {
    order.push(i);
    for (const j of jobs[i]!.after) if (--waits[j]! === 0) ready.push(j);
  }
  for (const i of order) if (jobs[i]!.before.some((b) => jobs[b]!.never)) jobs[i]!.never = true;
  const end = (sessions.at(-1)?.day ?? 0) + 1;
  return { jobs, sessions, floor, purse, order, late: jobs.reduce((sum, j) => sum + j.saves, 0) * end + 1 };
}
