import { z } from 'zod';
import { type Doing, type FreeTime, type Plan } from '../../record/plan/index.ts';

const WEEKDAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'] as const;
const date = z.iso.date('is not a date like 2026-10-03');
const time = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'is not a time like 10:00');
const free = {
  from: time.default('10:00'),
  minutes: z.int('must be a whole number').min(0, 'cannot be negative').max(1440),
  /** things may lie about on the evening after it */
  lies: z.boolean().default(false),
  helpers: z.int('must be a whole number').min(0, 'cannot be negative').max(20).default(0),
  /** who helps and may not lift */
  hands: z.int('must be a whole number').min(0, 'cannot be negative').max(20).default(0),
};

/** When there is time for it and what must hold meanwhile: the open exchange format `heronstone-calendar/1` (docs/formats). */
export const CalendarFile = z.strictObject({
  format: z.literal('heronstone-calendar/1', { error: 'must be "heronstone-calendar/1"' }),
  begins: date,
  livable: z.boolean().default(true),
  /** money to spend in a month; left out: not limited */
  money: z.number({ error: 'must be a number' }).min(0, 'cannot be negative').max(1_000_000).optional(),
  free: z
    .array(
      z.union([z.strictObject({ weekday: z.enum(WEEKDAYS), ...free }), z.strictObject({ date, ...free })], {
        error: 'needs a weekday or a date, and minutes',
      }),
    )
    .max(1000),
  /** jobs of one’s own */
  jobs: z
    .array(
      z.strictObject({
        name: z.string().trim().min(1, 'needs a name').max(120),
        minutes: z.number({ error: 'must be a number' }).gt(0, 'must be more than zero').max(10_000),
        people: z.int().min(1).max(20).default(1),
        /** who does it must be able to lift */
        lifts: z.boolean().default(false),
        money: z.number().min(0).max(1_000_000).optional(),
        from: date.optional(),
        by: date.optional(),
      }),
    )
    .max(200)
    .default([]),
});
export type CalendarFile = z.output<typeof CalendarFile>;

/** What a calendar file says, as rows of a plan. @param to the plan that is wanted */
export function rowsOfCalendar(
  file: CalendarFile,
  to: Pick<Plan, 'id' | 'head'>,
): Pick<Plan, 'doings' | 'freeTimes' | 'jobs'> {
  const minutes = (text: string): number => Number(text.slice(0, 2)) * 60 + Number(text.slice(3));
  const times = file.free.map((f, i): FreeTime => ({
    ...{ id: `free-${i}`, starts: minutes(f.from), minutes: f.minutes, lies: f.lies, note: '' },
    ...{ helpers: f.helpers, hands: f.hands },
    ...('weekday' in f ? { weekday: WEEKDAYS.indexOf(f.weekday) + 1, on: null } : { weekday: null, on: f.date }),
  }));
  const doing: Doing = {
    ...{ id: 'doing', toPlanId: to.id, toName: to.head.name, begins: file.begins, livable: file.livable, way: 'found' },
    ...{ moneyAMonth: file.money ?? null, planned: 0, promised: 0, findingsBefore: 0, findingsAfter: 0 },
  };
  const jobs = file.jobs.map((j, i) => ownJob(`own-${i}`, j.name, j.minutes, j));
  return {
    doings: { doing },
    freeTimes: Object.fromEntries(times.map((f) => [f.id, f])),
    jobs: Object.fromEntries(jobs.map((j) => [j.id, j])),
  };
}

/** A job of the maker’s own. @param minutes it likely takes */
export function ownJob(
  id: string,
  name: string,
  minutes: number,
  more: {
    people?: number;
    lifts?: boolean;
    money?: number | undefined;
    from?: string | undefined;
    by?: string | undefined;
  } = {},
): Plan['jobs'][string] {
  return {
    ...{ id, name, kind: 'own', why: '', about: [], to: [], low: minutes, likely: minutes, high: minutes, typed: true },
    ...{
      people: more.people ?? 1,
      lifts: more.lifts ?? false,
      byHand: false,
      floor: 0,
      money: more.money ?? null,
      saves: 0,
      after: [],
      splits: false,
    },
    ...{
      notBefore: more.from ?? null,
      readyBy: more.by ?? null,
      delivery: 0,
      state: 'open',
      spent: 0,
      left: null,
      doneOn: null,
    },
  };
}
