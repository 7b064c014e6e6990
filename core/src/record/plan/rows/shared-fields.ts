import { z } from 'zod';
import { Id } from '../fields.ts';

/** Fields that several tables have. Flat rows, because each is one table; millimetres, grams, degrees, minutes. */

export const months = z.array(z.int().min(1).max(12)).max(12);

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
