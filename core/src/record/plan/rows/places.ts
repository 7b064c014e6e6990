import { z } from 'zod';
import { COVERS, DIVISION_PATTERN, NATURES, PLACE_KINDS } from '../../catalogue/index.ts';
import { finite, named, size, offset, count, day, Id } from '../fields.ts';
import { text } from '../text.ts';
import { zoneId, photo } from './shared-fields.ts';

/** Places, what is written at them, and containers. Flat rows, because each is one table; millimetres, grams, degrees, minutes. */

/**
 * What is written at a place: nothing; a note on trial; a label for good; one inside the door; nothing any more, because it is known where things are.
 */
export const LABELS = ['none', 'trial', 'permanent', 'inside', 'learnt'] as const;
export type Label = (typeof LABELS)[number];

/** What a label shows. */
export const LABEL_SHOWS = ['name', 'contents', 'picture', 'swatch', 'dots', 'code'] as const;
export type LabelShows = (typeof LABEL_SHOWS)[number];

export const LABEL_SIDES = ['front', 'top', 'left', 'right', 'back'] as const;

export const Place = z.strictObject({
  id: Id,
  unitId: Id,
  name: named,
  kind: z.enum(PLACE_KINDS),
  row: z.int().min(0).max(1000),
  column: z.int().min(0).max(1000),
  part: z.int().min(0).max(20),
  left: offset,
  bottom: offset,
  front: offset,
  width: size,
  height: size,
  depth: size,
  opens: z.enum(['front', 'top']),
  covers: z.array(z.enum(COVERS)).max(4),
  seen: z.boolean(),
  load: finite.min(0).max(10_000_000),
  lockable: z.boolean(),
  /** got at only through the opening of this other place */
  throughId: Id.nullable(),
  /** how it holds, where the maker has it otherwise than its kind does */
  nature: z.enum(NATURES).nullable(),
  /** how many pockets it has, of that nature */
  pockets: z.int().min(0).max(2000),
  /** the place it stands in; `left`, `bottom` and `front` are then counted from that place’s inside. Null: a compartment of its unit */
  inId: Id.nullable(),
  /** what it is, where it is a container; a lane or slot is none */
  organiserId: Id.nullable(),
  /** a container standing a quarter turned: its depth across the front */
  turned: z.boolean(),
  /** the zone it is kept for, where that is another than its unit’s */
  zoneId,
  /** kept out of *find homes*, with the word why; empty: not */
  keptOut: text(120).trim(),
  /** the day on which the tour last looked into it; null: not yet */
  touredOn: day,
  label: z.enum(LABELS),
  /** since when it is so labelled; null: not said */
  labelSince: day,
  /** what is written there; empty: its name */
  labelWords: text(120),
  labelShows: z.array(z.enum(LABEL_SHOWS)).max(LABEL_SHOWS.length),
  labelSides: z.array(z.enum(LABEL_SIDES)).max(LABEL_SIDES.length),
  photo,
});
export type Place = z.infer<typeof Place>;

/** A container put into places: outer and inner sizes, and how it is bought. */
export const Organiser = z.strictObject({
  id: Id,
  name: named,
  width: size,
  depth: size,
  height: size,
  innerWidth: size,
  innerDepth: size,
  innerHeight: size,
  lid: z.boolean(),
  /** free height above it that its lid needs to open where it stands; 0: it is pulled out to be opened */
  lidRise: offset,
  seeThrough: z.boolean(),
  packOf: z.int().min(1).max(1000),
  have: count,
  nature: z.enum(NATURES),
  /** how many pockets it has, of that nature */
  pockets: z.int().min(0).max(2000),
  /** how it is divided, as `lanes 70,70,rest`; empty: not */
  divided: z.string().regex(DIVISION_PATTERN, 'is not a way to divide it'),
  /** brought to the seat as a whole, with what is in it */
  carried: z.boolean(),
  /** empty, g; null: estimated */
  mass: finite.min(0).max(200_000).nullable(),
  /** of one, in the maker’s own money; null: not said */
  price: finite.min(0).max(1_000_000).nullable(),
});
export type Organiser = z.infer<typeof Organiser>;
