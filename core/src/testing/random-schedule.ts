import { Random } from '../living/slotting/index.ts';
import { readSchedule, type ScheduleProblem } from '../better/schedule/index.ts';

/** How large a random scheduling problem is, and what binds in it. */
export type ScheduleKind = {
  jobs: number;
  sessions: number;
  people: number;
  /** how likely one job comes before a later one */
  prec: number;
  floor: boolean;
  money: boolean;
  splits: boolean;
  /** some who come do not lift, some jobs are lifted */
  lifters: boolean;
};

const read = (raw: object): ScheduleProblem => {
  const got = readSchedule({ format: 'heronstone-doing/1', ...raw });
  if (!got.ok) throw new Error(got.reason);
  return got.problem;
};
const dateOf = (day: number): string => new Date(Date.UTC(2026, 9, day)).toISOString().slice(0, 10);
const monthsOf = (sessions: readonly { date: string }[]): string[] => [
  ...new Set(sessions.map((s) => s.date.slice(0, 7))),
];

/** A small problem in whole minutes, so that every beginning of every job can be gone through. */
export function randomSchedule(seed: number, kind: ScheduleKind): ScheduleProblem {
  const r = new Random(seed);
  const jobs = Array.from({ length: kind.jobs }, (_, i) => ({
    id: `j${i}`,
    minutes: 1 + r.below(5),
    people: 1 + r.below(kind.people),
    floor: kind.floor ? r.below(4) : 0,
    money: kind.money ? r.below(4) : 0,
    saves: r.below(10),
    lag: r.next() < 0.2 ? r.below(6) : 0,
    before: Array.from({ length: i }, (_, k) => `j${k}`).filter(() => r.next() < kind.prec),
    ...(kind.splits && r.next() < 0.4 ? { splits: true } : {}),
  }));
  let day = 1;
  const sessions = Array.from({ length: kind.sessions }, () => {
    day += 1 + r.below(9);
    const evening = kind.floor && r.next() < 0.5 ? { evening: r.below(4) } : {};
    return { date: dateOf(day), minutes: 4 + r.below(4), people: 1 + r.below(kind.people), ...evening };
  });
  if (kind.lifters) {
    // drawn by themselves, so that the rest is as it would be without
    const l = new Random(seed + 1e6);
    for (const who of [...jobs, ...sessions]) Object.assign(who, { lifters: l.below(who.people + 1) });
  }
  const money = kind.money ? monthsOf(sessions).map((month) => ({ month, amount: 4 + r.below(5) })) : [];
  return read({ jobs, sessions, floor: kind.floor ? 4 : 0, money });
}

/** A room changed over half a year of weekends: sixty jobs, forty sessions, a helper every third time, money a month. */
export function halfAYear(seed: number): ScheduleProblem {
  const r = new Random(seed);
  const jobs = Array.from({ length: 60 }, (_, i) => ({
    id: `j${i}`,
    minutes: 10 + r.below(90),
    people: r.next() < 0.2 ? 2 : 1,
    money: r.next() < 0.2 ? 10 + r.below(60) : 0,
    saves: r.next() < 0.3 ? 0 : r.below(100) / 10,
    before: Array.from({ length: i }, (_, k) => `j${k}`).filter(() => r.next() < 1.2 / Math.max(8, i)),
    ...(r.next() < 0.2 ? { splits: 20 } : {}),
  }));
  const sessions = Array.from({ length: 40 }, (_, k) => ({
    date: dateOf(3 + 7 * (k >> 1) + (k & 1)),
    minutes: 90 + 30 * r.below(4),
    people: k % 3 === 0 ? 2 : 1,
  }));
  return read({ jobs, sessions, money: monthsOf(sessions).map((month) => ({ month, amount: 250 })) });
}
