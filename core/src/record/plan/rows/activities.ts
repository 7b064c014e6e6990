import { z } from 'zod';
import { finite, named, offset, where, bearing, perTime, day, Id } from '../fields.ts';
import { text } from '../text.ts';
import { months, zoneId } from './shared-fields.ts';
import { LEAVINGS } from './plan-head.ts';

/** What is done, with what, and where one sits at it. Flat rows, because each is one table; millimetres, grams, degrees, minutes. */

/** A recipe: its steps, one a line, as the maker wrote them. */
export const Recipe = z.strictObject({ id: Id, name: named, text: text(8000) });
export type Recipe = z.infer<typeof Recipe>;

/** What doing it brings or asks for. It wants `clean`, `dark` and `quiet`; it makes the others. */
export const TRAITS = ['wet', 'dusty', 'hot', 'fumes', 'noisy', 'clean', 'dark', 'quiet'] as const;
export type Trait = (typeof TRAITS)[number];

/** Where it is done: in this room, or elsewhere with things out of this room. */
export const DONE_AT = ['here', 'otherRoom', 'outside', 'away'] as const;
export type DoneAt = (typeof DONE_AT)[number];

export const WORK_CLASSES = ['fine', 'light', 'heavy'] as const;

export const Activity = z.strictObject({
  id: Id,
  name: named,
  sessionsPerMonth: perTime,
  minutes: finite.min(1).max(1440),
  months,
  posture: z.enum(['sitting', 'standing', 'either']),
  /** how high the worktop wants to be: fine work near the eyes, heavy work below the elbow */
  work: z.enum(WORK_CLASSES),
  /** worktop it needs, mm; 0: any will do */
  surfaceWidth: offset,
  surfaceDepth: offset,
  /** light wanted on the work, lx */
  lux: finite.min(0).max(5000),
  traits: z.array(z.enum(TRAITS)).max(8),
  /** the zone it is done in */
  zoneId,
  /** out until done or back at once, where it is another way than the plan’s; null: as in the plan */
  leaving: z.enum(LEAVINGS).nullable(),
  /** elsewhere: its things are got together, carried out and brought back; it has no worktop here */
  doneAt: z.enum(DONE_AT),
});
export type Activity = z.infer<typeof Activity>;

export const Use = z.strictObject({ id: Id, activityId: Id, supplyId: Id, fetches: perTime, usedUp: perTime });
export type Use = z.infer<typeof Use>;

/** Hands work on from one activity to another, so many times per session of the first. */
export const Flow = z.strictObject({ id: Id, fromId: Id, toId: Id, times: perTime });
export type Flow = z.infer<typeof Flow>;

/** A machine (a unit) that an activity runs. */
export const MachineUse = z.strictObject({ id: Id, activityId: Id, unitId: Id });
export type MachineUse = z.infer<typeof MachineUse>;

export const HOUSINGS = ['station', 'kit', 'cart'] as const;
export type Housing = (typeof HOUSINGS)[number];

/** A seat and how its activity is housed there. */
export const Station = z.strictObject({
  id: Id,
  name: named,
  activityId: Id,
  personId: Id,
  /** the worktop; null: hands rest at elbow height */
  unitId: Id.nullable(),
  x: where,
  y: where,
  heading: bearing,
  standing: z.boolean(),
  /** seat above the floor; null: derived from the person */
  seatHeight: finite.min(150).max(1000).nullable(),
  /** a fixed station; a kit: a box that travels to the seat; a cart: wheeled beside it */
  housing: z.enum(HOUSINGS),
  /** the box or cart that comes to the seat */
  travellerId: Id.nullable(),
  /** the spot it is worked at; null: beside the working hand */
  parkingId: Id.nullable(),
  /** stations with the same word here are worked at the same time; empty: alone */
  together: text(40).trim(),
  /** how often a month somebody comes to what others do here, beside their sessions; null: it is her own, shared with the others who have no number */
  comes: perTime.nullable(),
  /** day it was last worked at, as far as the maker says; null: not said */
  lastUsed: day,
});
export type Station = z.infer<typeof Station>;
