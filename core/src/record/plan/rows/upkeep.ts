import { z } from 'zod';
import { named, count, day, Id, onDay } from '../fields.ts';
import { text } from '../text.ts';

/** Rows of what keeps a room true: projects, what is out, dots, what was put off, the log. */

export const PROJECT_STATES = ['idea', 'planned', 'going', 'resting', 'done'] as const;
export type ProjectState = (typeof PROJECT_STATES)[number];

/** Something being made, from idea to done; or what is packed for a class or a trip. */
export const Project = z.strictObject({
  id: Id,
  name: named,
  kind: z.enum(['project', 'trip']),
  activityId: Id.nullable(),
  state: z.enum(PROJECT_STATES),
  /** since when it is in this state */
  since: onDay,
  /** the day it is for */
  forDay: day,
  /** the tray or box it lives in */
  trayId: Id.nullable(),
  /** ideas, steps, numbers and what was used, for writing it up */
  note: text(8000),
});
export type Project = z.infer<typeof Project>;

/** Pieces out of their home, for a project or only to be put back; or wanted for it and not out yet; or back and checked. */
export const Out = z.strictObject({
  id: Id,
  supplyId: Id,
  /** null: for nothing any more, it waits to be put back */
  projectId: Id.nullable(),
  count: z.int('must be a whole number').min(1, 'must be at least one').max(1_000_000),
  state: z.enum(['wanted', 'out', 'back']),
  /** of a trip: a second one that is kept packed, nothing is borrowed from its home */
  double: z.boolean(),
  /** where it lies meanwhile; null: on the put-back pile, or in the tray of its project */
  placeId: Id.nullable(),
  since: onDay,
});
export type Out = z.infer<typeof Out>;

/** So many dots there are, told apart by colour and shape. */
export const DOT_MARKS = 6;

/** Things that belong to each other and lie apart, a pattern and its magazine: they carry the same dots. */
export const Tie = z.strictObject({
  id: Id,
  name: text(120),
  dots: z
    .array(
      z
        .int()
        .min(0)
        .max(DOT_MARKS - 1),
    )
    .min(1, 'needs a dot')
    .max(4),
  supplyIds: z.array(Id).min(1, 'needs a thing').max(24),
});
export type Tie = z.infer<typeof Tie>;

/** Something that asked for a hand and was put off; its id is the key of what asked. */
export const PutOff = z.strictObject({
  id: z.string().regex(/^[A-Za-z][A-Za-z0-9:._-]{0,499}$/, 'is not the key of anything'),
  until: onDay,
});
export type PutOff = z.infer<typeof PutOff>;

const DiaryMoment = z.string().regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{1,3})?Z$/, 'is not a moment');

/** What can happen in the room. */
export const DIARY_KINDS = [
  'began',
  'ended',
  'fetched',
  'putBack',
  'usedUp',
  'opened',
  'bought',
  'moved',
  'decided',
  'stray',
  'season',
  'labelled',
  'struck',
] as const;
export type DiaryKind = (typeof DIARY_KINDS)[number];

/** A month, `2026-03`. */
export const onMonth = z.string().regex(/^\d{4}-(0[1-9]|1[0-2])$/, 'is not a month');

/**
 * What the lines of one month that tell the same came to, once they were gathered: how often, how many, on which days. A line that was struck is in none.
 */
export const MonthSum = z.strictObject({
  id: Id,
  month: onMonth,
  what: z.enum(DIARY_KINDS),
  activityId: Id.nullable(),
  supplyId: Id.nullable(),
  /** of `stray` and `moved`, where it lay; of all else null */
  placeId: Id.nullable(),
  /** lines */
  times: z.int().min(1).max(1_000_000),
  /** pieces, a line that names no number counted as one */
  pieces: z.int().min(0).max(Number.MAX_SAFE_INTEGER),
  /** days of the month, ascending */
  days: z.array(z.int().min(1).max(31)).min(1).max(31),
  /** the moment of the last line, UTC */
  last: DiaryMoment,
});
export type MonthSum = z.infer<typeof MonthSum>;

/**
 * A line of the log: what happened, when, to what. It is written once and stays, whatever becomes of what it names; one written by mistake is struck by another.
 */
export const DiaryEntry = z.strictObject({
  id: Id,
  /** the moment, UTC, and the day where the maker is */
  at: DiaryMoment,
  day: onDay,
  what: z.enum(DIARY_KINDS),
  stationId: Id.nullable(),
  activityId: Id.nullable(),
  supplyId: Id.nullable(),
  placeId: Id.nullable(),
  count: count.nullable(),
  /** `struck`: the entry that does not hold */
  strikesId: Id.nullable(),
  words: text(200),
});
export type DiaryEntry = z.infer<typeof DiaryEntry>;
