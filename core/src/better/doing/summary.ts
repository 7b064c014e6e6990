import { type Job, type Plan, type Sitting } from '../../record/plan/index.ts';
import { type ScheduleProblem } from '../schedule/index.ts';

/** One point of what has been reached: on a day, after so many minutes of work, s a year saved by then. */
export type Reached = { on: string; minutes: number; saves: number };

/** A way of going about it, in figures. */
export type Summary = {
  days: number;
  minutes: number;
  last: string | null;
  money: { month: string; amount: number }[];
  /** stations whose table or seat is being moved, and when */
  outOfUse: { station: string; on: string }[];
  /** the day on which two thirds of the year’s saving are had; the minutes worked by then */
  twoThirds: { on: string; minutes: number } | null;
  saves: number;
  curve: Reached[];
};

/** What a way of going about it comes to. @param rows days in order of time */
export function summaryOf(plan: Pick<Plan, 'jobs' | 'stations'>, rows: readonly Sitting[]): Summary {
  const inTurn = [...rows].sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : a.from - b.from));
  const last = new Map(inTurn.map((r, i) => [r.jobId, i]));
  const first = new Map([...inTurn].reverse().map((r) => [r.jobId, r]));
  const saves = (job: Job | undefined) => Math.max(0, job?.saves ?? 0);
  const curve: Reached[] = [];
  let [minutes, saved] = [0, 0];
  for (const [i, row] of inTurn.entries()) {
    minutes += row.to - row.from;
    if (last.get(row.jobId) === i) saved += saves(plan.jobs[row.jobId]);
    const before = curve.at(-1);
    if (before?.on === row.on) Object.assign(before, { minutes, saves: saved });
    else curve.push({ on: row.on, minutes, saves: saved });
  }
  const reached = curve.find((p) => p.saves >= (saved * 2) / 3 - 1e-9);
  const money = new Map<string, number>();
  for (const [jobId, row] of first) {
    const spent = plan.jobs[jobId]?.money ?? 0;
    if (spent > 0) money.set(row.on.slice(0, 7), (money.get(row.on.slice(0, 7)) ?? 0) + spent);
  }
  return {
    days: curve.length,
    minutes,
    last: inTurn.at(-1)?.on ?? null,
    money: [...money].sort().map(([month, amount]) => ({ month, amount })),
    outOfUse: outOfUse(plan, inTurn),
    twoThirds: reached && saved > 0 ? { on: reached.on, minutes: reached.minutes } : null,
    saves: saved,
    curve,
  };
}

function outOfUse(plan: Pick<Plan, 'jobs' | 'stations'>, rows: readonly Sitting[]): Summary['outOfUse'] {
  const found = new Map<string, { station: string; on: string }>();
  for (const row of rows) {
    const job = plan.jobs[row.jobId];
    if (job?.kind !== 'move' && job?.kind !== 'takeAway') continue;
    for (const s of Object.values(plan.stations))
      if (s.unitId !== null && job.about.includes(s.unitId))
        found.set(`${s.id} ${row.on}`, { station: s.name, on: row.on });
  }
  return [...found.values()];
}

/** How much better a timetable could be, in words. */
export function provenWords(value: number, bound: number, problem: ScheduleProblem): string {
  if (problem.jobs.length === 0) return 'There is nothing left to do.';
  if (value <= bound + 1e-6) return 'No order is better.';
  return `No order is more than ${Math.ceil((1 - bound / value) * 100)} % better.`;
}
