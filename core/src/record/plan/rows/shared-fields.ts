import { z } from 'zod';
import { finite, Id } from '../fields.ts';

/** Fields that several tables have. Flat rows, because each is one table; millimetres, grams, degrees, minutes. */

export const months = z.array(z.int().min(1).max(12)).max(12);

/** Sides of a thing, or of what stands in the room, that a picture may have measured. */
export const SIDES = ['width', 'depth', 'height'] as const;
export type Side = (typeof SIDES)[number];

/** What was measured by picture is so exact: more or less, mm, nineteen times of twenty. */
export const plusMinus = finite.min(0).max(1000);

/** How the size of something is known: by tape; by picture, more or less so much; the usual one of its kind; guessed. */
export const SIZE_BY = ['tape', 'picture', 'usual', 'guess'] as const;

export const zoneId = Id.nullable();

/** A picture, by the SHA-256 of its file, kept beside the database. */
export const photo = z
  .string()
  .regex(/^[0-9a-f]{64}$/, 'is not a picture')
  .nullable();

export const colour = z
  .string()
  .regex(/^#[0-9a-f]{6}$/, 'is not a colour like #aabbcc')
  .nullable();
