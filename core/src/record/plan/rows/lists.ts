import { z } from 'zod';
import { named, Id } from '../fields.ts';
import { text } from '../text.ts';

/** Ways of looking at the list of supplies, and lists of the maker’s own. Flat rows, because each is one table; millimetres, grams, degrees, minutes. */

const words = z.array(text(120)).max(200);

/** A way of looking at the list of supplies, kept under a name. */
export const ListView = z.strictObject({
  id: Id,
  name: named,
  columns: z.array(text(40)).min(1, 'needs a column').max(40),
  sortBy: text(40),
  descending: z.boolean(),
  /** what rows are put together by; empty: not */
  groupBy: text(40),
  filter: text(400),
});
export type ListView = z.infer<typeof ListView>;

/** A list of the maker’s own: its headings, and what each was taken for, so that it can be read again and written as it was. */
export const OwnList = z.strictObject({
  id: Id,
  name: named,
  headings: words,
  /** beside every heading what its column means; empty: kept in the note */
  meanings: words,
  measure: z.enum(['metric', 'imperial']),
});
export type OwnList = z.infer<typeof OwnList>;
