import { z } from 'zod';
import { finite, named, bearing, Id } from '../fields.ts';
import { text } from '../text.ts';

/** The plan itself and its ways of working. Flat rows, because each is one table; millimetres, grams, degrees, minutes. */

/** Row schemas of every entity but those of keep-up; flat, because each is one table. Millimetres, grams, degrees, minutes. */

export const REGIONS = ['eu', 'uk', 'us', 'au'] as const;
export type Region = (typeof REGIONS)[number];

/** Ways of working on which makers disagree; what each changes is said in `homes/schools.ts`. */
export const SEEN_SCHOOLS = ['either', 'seen', 'shut'] as const;

export const GROUPINGS = ['activity', 'kind', 'nature'] as const;

/** As they were bought, lids on: against dust and to stack; or out of their packages, lids off: for speed. */
export const PACKAGINGS = ['on', 'off'] as const;

/** What was got out lies by the hand until the room is done for the day, or goes back as soon as it is laid down. */
export const LEAVINGS = ['untilDone', 'atOnce'] as const;

/** How much something is to count, in the maker’s words. */
export const WEIGHTS = ['little', 'some', 'much'] as const;
export type Weight = (typeof WEIGHTS)[number];

const weight = z.enum(WEIGHTS);

/** The same where it may also be left out of account. */
export const WEIGHTS_OR_NONE = ['none', ...WEIGHTS] as const;
export type WeightOrNone = (typeof WEIGHTS_OR_NONE)[number];

const growth = finite.min(0).max(0.6);

export const PlanHead = z.strictObject({
  name: named,
  measure: z.enum(['metric', 'imperial']),
  ceiling: finite.min(1500, 'a ceiling is at least 1.5 m').max(10_000, 'a ceiling is at most 10 m'),
  /** share of every place kept free to grow */
  growth,
  /** school: keep things together by the activity that uses them, by what kind of thing they are, or each by its nature: what is an activity’s own with it, what is shared by kind */
  grouping: z.enum(GROUPINGS),
  /** school: in view so that it is used, or shut away so that the room is calm */
  seen: z.enum(SEEN_SCHOOLS),
  /** school: one shared tool between stations, or one at each */
  tools: z.enum(['shared', 'oneEach']),
  packaging: z.enum(PACKAGINGS),
  /** school: out until done, or back at once (a calm table, children, a shared room) */
  leaving: z.enum(LEAVINGS),
  /** school: new things by themselves until they have been used, or straight to their family */
  newThings: z.enum(['apart', 'merged']),
  /** school: the working order first, or what is pinned on show does not count as lost time */
  display: z.enum(['work', 'show']),
  /** school: notes outside, notes inside the doors, or memory: then nothing is looked for */
  labels: z.enum(['outside', 'inside', 'memory']),
  /** how much it counts that families lie together, that things take harm, that they lie as they should, in their zone, and that moving them takes time */
  weighFamilies: weight,
  weighHarm: weight,
  weighOrder: weight,
  weighZones: weight,
  weighMoving: weight,
  /** how much it counts that things are found again */
  weighAgain: z.enum(WEIGHTS_OR_NONE),
  /** for mains ratings and the wording of codes */
  region: z.enum(REGIONS),
  /** degrees, north and east positive */
  latitude: finite.min(-66, 'is beyond the polar circle').max(66, 'is beyond the polar circle'),
  longitude: finite.min(-180).max(180),
  /** true bearing of the plan’s +y axis, degrees clockwise from north */
  bearing,
  /** the plan this one was forked from */
  forkedFrom: Id.nullable(),
});
export type PlanHead = z.infer<typeof PlanHead>;

/** A way of working that holds for one family of things, or in one zone, where it is another than the plan’s; null: as in the plan. */
export const Way = z.strictObject({
  id: Id,
  /** the family it is about; empty: the zone */
  family: text(80),
  zoneId: Id.nullable(),
  seen: z.enum(SEEN_SCHOOLS).nullable(),
  grouping: z.enum(GROUPINGS).nullable(),
  packaging: z.enum(PACKAGINGS).nullable(),
  /** of a zone: share of its places kept free */
  growth: growth.nullable(),
});
export type Way = z.infer<typeof Way>;
