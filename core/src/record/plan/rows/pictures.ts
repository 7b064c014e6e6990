import { z } from 'zod';
import { finite, size, where, bearing, Id } from '../fields.ts';
import { text } from '../text.ts';

/** Pictures that were measured in. Flat rows, because each is one table; millimetres, grams, degrees, minutes. */

const px = finite.min(-100_000).max(100_000);

const four = z.array(px).length(8, 'needs four corners');

/** What was drawn over a picture laid flat: the words typed for it, its middle from the left and the top, its two sides, and how it is turned. */
export const Drawn = z.strictObject({
  words: text(400),
  x: where,
  y: where,
  width: size,
  depth: size,
  /** degrees clockwise, in [0, 360) */
  turn: bearing,
  round: z.boolean(),
});
export type Drawn = z.infer<typeof Drawn>;

/**
 * A picture that was measured in, of a place from above, a unit’s front, a wall or none of them: with the corners of what is known in it, so that more can
 * be measured later.
 */
export const Picture = z.strictObject({
  id: Id,
  placeId: Id.nullable(),
  unitId: Id.nullable(),
  wallId: Id.nullable(),
  /** the picture as it is kept, by the SHA-256 of its file */
  photo: z.string().regex(/^[0-9a-f]{64}$/, 'is not a picture'),
  /** points along its sides */
  width: z.int().min(1).max(100_000),
  height: z.int().min(1).max(100_000),
  /** focal length as of 35 mm film, mm; null: not said */
  focal35: finite.min(5).max(2000).nullable(),
  /** corners of what is known, x and y by turns, px of the picture; and its two sides, mm */
  corners: four,
  knownWidth: size,
  knownDepth: size,
  /** corners of what is shown flat, px; empty: that is what is known */
  frame: four.or(z.array(px).length(0)),
  /** how the lens bends (docs/computation.md) */
  lens: finite.min(-0.5).max(0.5),
  drawn: z.array(Drawn).max(200),
  takenOn: z.string().regex(/^\d{4}-\d\d-\d\d$/, 'is not a date'),
});
export type Picture = z.infer<typeof Picture>;
