import { z } from 'zod';

const amount = z.number({ error: 'must be a number' }).min(0, 'cannot be negative').max(1e9);
const name = z.string().min(1).max(200);
const date = z.iso.date('is not a date like 2026-10-03');
const people = z.int('must be a whole number').min(1, 'must be at least one').max(1000);

/** A piece of work. */
export const ScheduleJob = z.strictObject({
  id: name,
  minutes: z.number({ error: 'must be a number' }).gt(0, 'must be more than zero').max(1e6),
  /** so many people at once, from its beginning to its end */
  people: people.default(1),
  /** of them so many who can lift */
  lifters: z.int('must be a whole number').min(0, 'cannot be negative').max(1000).default(0),
  /** floor it covers from its beginning to its end, over evenings too, in whatever measure the limit is given */
  floor: amount.default(0),
  /** spent in the month it begins in */
  money: amount.default(0),
  /** what a day’s wait for it costs: whatever the value is to be counted in */
  saves: amount.default(0),
  /** jobs that end before it begins */
  before: z.array(name).max(2000).default([]),
  /** may be parted over sessions (a number: into pieces of so many minutes at least); else it lies whole in one */
  splits: z.union([z.boolean(), z.number().gt(0).max(1e6)]).optional(),
  /** so many days after it has ended until what it comes before may begin: what was ordered is on its way */
  lag: z.int('must be a whole number').min(0, 'cannot be negative').max(1000).default(0),
  /** not begun before this day */
  from: date.optional(),
  /** ended on this day at the latest */
  by: date.optional(),
});
export type ScheduleJob = z.output<typeof ScheduleJob>;

export const ScheduleSession = z.strictObject({
  date,
  minutes: z.number({ error: 'must be a number' }).gt(0, 'must be more than zero').max(1440),
  people: people.default(1),
  /** of them so many can lift; left out: all */
  lifters: z.int('must be a whole number').min(0, 'cannot be negative').max(1000).optional(),
  /** floor that may stay covered when it ends, by jobs that go on in a later one; left out: as much as any time */
  evening: amount.optional(),
});
export type ScheduleSession = z.output<typeof ScheduleSession>;

/**
 * Which job in which session: the open exchange format `heronstone-doing/1` (docs/formats). Jobs go on at once as far as there are people for them.
 * Floor 0 and months that are not named are not limited.
 */
export const ScheduleProblem = z.object({
  format: z.literal('heronstone-doing/1', { error: 'must be "heronstone-doing/1"' }),
  jobs: z.array(ScheduleJob).max(2000),
  sessions: z.array(ScheduleSession).max(2000),
  floor: amount.default(0),
  money: z
    .array(
      z.strictObject({ month: z.string().regex(/^\d{4}-(0[1-9]|1[0-2])$/, 'is not a month like 2026-10'), amount }),
    )
    .max(1200)
    .default([]),
});
export type ScheduleProblem = z.output<typeof ScheduleProblem>;

/** A problem read and looked over: ids there once, what comes before a job exists, nothing waits for itself, one session a day. */
export function readSchedule(raw: unknown): { ok: true; problem: ScheduleProblem } | { ok: false; reason: string } {
  const read = ScheduleProblem.safeParse(raw);
  if (!read.success) {
    const [issue] = read.error.issues;
    return { ok: false, reason: `${issue!.path.join('.') || 'the file'} ${issue!.message}` };
  }
  const { jobs, sessions, money } = read.data;
  const no = (reason: string) => ({ ok: false as const, reason });
  const ids = new Set<string>();
  for (const { id } of jobs) {
    if (ids.has(id)) return no(`there are two jobs “${id}”`);
    ids.add(id);
  }
  const more = jobs.find((j) => j.lifters > j.people);
  if (more) return no(`job “${more.id}” wants more people who lift than people`);
  for (const { id, before } of jobs)
    for (const other of before)
      if (!ids.has(other)) return no(`before job “${id}” comes “${other}”, which is not there`);
  const days = new Set<string>();
  for (const s of sessions) {
    if (days.has(s.date)) return no(`there are two sessions on ${s.date}`);
    days.add(s.date);
  }
  if (new Set(money.map((m) => m.month)).size < money.length) return no('a month’s money is there twice');
  const ring = ringOf(jobs);
  if (ring) return no(`${ring.map((id) => `“${id}”`).join(', ')} wait for each other`);
  return { ok: true, problem: read.data };
}

/** Jobs that wait for each other in a ring; null: there is none. */
export function ringOf(jobs: readonly { id: string; before: readonly string[] }[]): string[] | null {
  const of = new Map(jobs.map((j) => [j.id, j]));
  const state = new Map<string, 'open' | 'done'>();
  for (const { id: start } of jobs) {
    // depth first without recursion: a path and where one is in each list
    const path: { id: string; next: number }[] = state.has(start) ? [] : [{ id: start, next: 0 }];
    if (path.length > 0) state.set(start, 'open');
    while (path.length > 0) {
      const top = path.at(-1)!;
      const next = of.get(top.id)!.before[top.next++];
      if (next === undefined) {
        state.set(top.id, 'done');
        path.pop();
      } else if (state.get(next) === 'open') return path.slice(path.findIndex((p) => p.id === next)).map((p) => p.id);
      else if (!state.has(next)) {
        state.set(next, 'open');
        path.push({ id: next, next: 0 });
      }
    }
  }
  return null;
}
