import { z } from 'zod';
import { text } from './text.ts';

/** What fields of many rows are made of. Millimetres, grams, degrees, minutes. */

export const finite = z.number({ error: 'must be a number' });
export const named = text(120).trim().min(1, 'needs a name');
export const size = finite.gt(0, 'must be more than zero').max(30_000, 'is more than 30 m');
export const offset = finite.min(0, 'cannot be negative').max(30_000, 'is more than 30 m');
export const where = finite.min(-100_000).max(100_000);
export const bearing = finite.min(-360).max(360);
export const count = finite.int('must be a whole number').min(0, 'cannot be negative').max(1_000_000);
export const perTime = finite.min(0, 'cannot be negative').max(10_000);
export const day = z
  .string()
  .regex(/^\d{4}-\d\d-\d\d$/, 'is not a date')
  .nullable();
export const bodyHeight = finite.min(200, 'is less than 20 cm').max(2500, 'is more than 2.5 m').nullable();

/** What every object answers to by itself (`constructor` …) is no id: looking it up would find something that is not there. */
export const Id = z
  .string()
  .regex(/^[A-Za-z0-9][A-Za-z0-9._-]{0,79}$/, 'is not a valid id')
  .refine((id) => !(id in Object.prototype), 'is not a valid id');
export const onDay = z.string().regex(/^\d{4}-\d\d-\d\d$/, 'is not a date');
