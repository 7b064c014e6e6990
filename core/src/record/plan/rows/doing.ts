import { z } from 'zod';
import { day, finite, Id, named, onDay } from '../fields.ts';
import { text } from '../text.ts';

/** Rows of the way from the room as it is to another plan of it: what is to be done, when there is time, and which day what. */

/** How one goes about it: the order found; simply what saves most first; one unit after the other; all at a weekend. */
export const DOING_WAYS = ['found', 'saves', 'units', 'weekend'] as const;
export type DoingWay = (typeof DOING_WAYS)[number];

const someSeconds = finite.min(-1e9).max(1e9);
const someMinutes = finite.min(0, 'cannot be negative').max(100_000);

/** The plan that is wanted, from when on there is time for it, and what must hold meanwhile. */
export const Doing = z.strictObject({
  id: Id,
  /** the plan that is wanted: its id on this server, and what it was called */
  toPlanId: text(80),
  toName: named,
  begins: onDay,
  /** every evening the room can be used: what cannot lie about over night is done whole in one go */
  livable: z.boolean(),
  way: z.enum(DOING_WAYS),
  /** to spend in a month, in the maker’s own money; null: not limited */
  moneyAMonth: finite.min(0, 'cannot be negative').max(1_000_000).nullable(),
  /** how often the days have been planned: calendars tell a newer entry by it */
  planned: z.int().min(0).max(1_000_000),
  /** what was promised when it was first planned: s a year less than then, and findings before and after */
  promised: someSeconds,
  findingsBefore: z.int().min(0).max(100_000),
  findingsAfter: z.int().min(0).max(100_000),
});
export type Doing = z.infer<typeof Doing>;

/** Time for it: on a weekday, or on a day; no minutes: none that day. A day goes before its weekday. */
export const FreeTime = z.strictObject({
  id: Id,
  /** 1 Monday to 7 Sunday; null: on a day */
  weekday: z.int().min(1).max(7).nullable(),
  on: day,
  /** minutes after midnight */
  starts: z.int('must be a whole number').min(0).max(1439),
  minutes: z.int('must be a whole number').min(0, 'cannot be negative').max(1440),
  /** things may lie about on the evening after it */
  lies: z.boolean(),
  /** who helps and may lift */
  helpers: z.int('must be a whole number').min(0, 'cannot be negative').max(20),
  /** who helps and may not lift */
  hands: z.int('must be a whole number').min(0, 'cannot be negative').max(20),
  note: text(200),
});
export type FreeTime = z.infer<typeof FreeTime>;

/**
 * What a job is: deciding what is undecided; measuring what is a guess; buying; bringing a unit in; moving one with what is in it; setting a container in;
 * carrying things to their homes; taking a unit away; notes on trial; labels for good; passing on; one of the maker’s own.
 */
export const JOB_KINDS = [
  'sort',
  'measure',
  'buy',
  'bring',
  'move',
  'setIn',
  'carry',
  'takeAway',
  'notes',
  'labels',
  'passOn',
  'own',
] as const;
export type JobKind = (typeof JOB_KINDS)[number];
export const JOB_STATES = ['open', 'half', 'done', 'struck'] as const;
export type JobState = (typeof JOB_STATES)[number];

export const Job = z.strictObject({
  id: Id,
  name: named,
  kind: z.enum(JOB_KINDS),
  why: text(400),
  /** what it is about: things that are carried, units and containers that come, go or move */
  about: z.array(Id).max(2000),
  /** places things are carried to */
  to: z.array(Id).max(2000),
  /** minutes it takes if all goes well, likely, and if it does not */
  low: someMinutes,
  likely: someMinutes,
  high: someMinutes,
  /** the minutes are the maker’s own */
  typed: z.boolean(),
  people: z.int().min(1).max(20),
  /** who does it must be able to lift */
  lifts: z.boolean(),
  /** floor or table it covers meanwhile, m² */
  floor: finite.min(0).max(100),
  /** null: nobody said what it costs */
  money: finite.min(0, 'cannot be negative').max(1_000_000).nullable(),
  /** s a year */
  saves: someSeconds,
  /** jobs that come before it */
  after: z.array(Id).max(2000),
  splits: z.boolean(),
  /** its maker parted it from others, or joined it: what it holds stays together */
  byHand: z.boolean(),
  /** not before, and by then */
  notBefore: day,
  readyBy: day,
  /** days until what is bought is there */
  delivery: z.int('must be a whole number').min(0, 'cannot be negative').max(365),
  state: z.enum(JOB_STATES),
  /** minutes it has taken so far */
  spent: someMinutes,
  /** of one that was begun: minutes that are left, reckoned from what is left; null: nobody looked yet */
  left: someMinutes.nullable(),
  doneOn: day,
});
export type Job = z.infer<typeof Job>;

/** A job, or a piece of one, on a day: from and to in minutes of the time there is. */
export const Sitting = z.strictObject({
  id: Id,
  jobId: Id,
  on: onDay,
  from: someMinutes,
  to: someMinutes,
});
export type Sitting = z.infer<typeof Sitting>;
