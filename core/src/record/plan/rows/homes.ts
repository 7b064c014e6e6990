import { z } from 'zod';
import { finite, day, onDay, Id } from '../fields.ts';

/** Where things live, are moved to, and were looked for. Flat rows, because each is one table; millimetres, grams, degrees, minutes. */

/** One answer of a look test: where somebody would look for a thing. */
export const Look = z.strictObject({
  id: Id,
  supplyId: Id,
  /** where she looked first; null: she did not know */
  placeId: Id.nullable(),
  /** null: nobody of the people in the plan */
  personId: Id.nullable(),
  lookedOn: onDay,
  /** whether it was there */
  found: z.enum(['first', 'second', 'not']),
});
export type Look = z.infer<typeof Look>;

/** What is at hand while it is wanted, what is in reserve, and where what is at hand lies out of its season, if elsewhere. */
export const SHARES = ['working', 'backstock', 'resting'] as const;

/** Shares that are stock of their own: what rests is what is at hand in its season. */
export const OWN_SHARES = ['working', 'backstock'] as const satisfies readonly (typeof SHARES)[number][];

/** One step on the way from today’s homes to found ones: from a place or out of the tray, into a place or into the tray. */
export const Move = z.strictObject({
  id: Id,
  seq: z.int().min(0).max(100_000),
  supplyId: Id,
  share: z.enum(SHARES),
  /** how many; null: all that this home holds */
  count: z.int().min(1).max(1_000_000).nullable(),
  /** null: out of the tray, or from where it lies without a home */
  fromId: Id.nullable(),
  /** null: into the tray */
  toId: Id.nullable(),
  /** how long it takes, s */
  seconds: finite.min(0).max(1_000_000),
  doneOn: day,
});
export type Move = z.infer<typeof Move>;

/** So many of a share of a supply in one place. A share may have several homes, one in a place. */
export const Home = z.strictObject({
  id: Id,
  supplyId: Id,
  share: z.enum(SHARES),
  placeId: Id,
  /** how many; null: all that have no other home */
  count: z.int('must be a whole number').min(1, 'must be at least one').max(1_000_000).nullable(),
  pinned: z.boolean(),
  since: z.string().regex(/^\d{4}-\d\d-\d\d$/, 'is not a date'),
});
export type Home = z.infer<typeof Home>;
export type Share = Home['share'];
