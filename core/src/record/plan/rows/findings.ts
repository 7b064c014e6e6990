import { z } from 'zod';
import { text } from '../text.ts';

/** Findings left as they are. Flat rows, because each is one table; millimetres, grams, degrees, minutes. */

/** A finding looked at and left as it is, with the reason; its id is the finding’s key. */
export const Acknowledgement = z.strictObject({
  id: z.string().regex(/^[A-Za-z][A-Za-z0-9:._-]{0,499}$/, 'is not the key of a finding'),
  reason: text(400).trim().min(3, 'needs a reason'),
  since: z.string().regex(/^\d{4}-\d\d-\d\d$/, 'is not a date'),
});
export type Acknowledgement = z.infer<typeof Acknowledgement>;
