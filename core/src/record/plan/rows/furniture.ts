import { z } from 'zod';
import { BOARDS, INSERT_PATTERN, MOUNTS, UNIT_KINDS, type UnitKind } from '../../catalogue/index.ts';
import { finite, named, size, offset, where, bearing, Id } from '../fields.ts';
import { plusMinus, SIDES, zoneId } from './shared-fields.ts';

/** Zones and what stands in the room. Flat rows, because each is one table; millimetres, grams, degrees, minutes. */

/** How a zone keeps its places: nothing else may live there; others may, at a price. */
export const ZONE_RULES = ['only', 'first'] as const;

/** So many ways to draw a zone: a tint and a hatch each. */
export const ZONE_MARKS = 12;

/** The territory of one activity, of several that belong together, or of something that is no activity. */
export const Zone = z.strictObject({
  id: Id,
  name: named,
  rule: z.enum(ZONE_RULES),
  /** its tint and hatch */
  mark: z
    .int()
    .min(0)
    .max(ZONE_MARKS - 1),
});
export type Zone = z.infer<typeof Zone>;

const sizes = z.array(size).max(40);

const inserts = z.array(z.string().regex(INSERT_PATTERN, 'is not an insert')).max(100);

export const Unit = z.strictObject({
  id: Id,
  kind: z.enum(UNIT_KINDS as [UnitKind, ...UnitKind[]]),
  name: named,
  /** centre of the footprint */
  x: where,
  y: where,
  /** where the front looks, degrees clockwise from up the page */
  facing: bearing,
  bottom: offset,
  width: size,
  depth: size,
  height: size,
  rows: z.int().min(0).max(40),
  columns: z.int().min(0).max(40),
  rowSizes: sizes,
  columnSizes: sizes,
  inserts,
  mount: z.enum(MOUNTS),
  /** the unit it stands on or is under */
  hostId: Id.nullable(),
  /** the door whose leaf it hangs on */
  doorId: Id.nullable(),
  /** fastened to the wall against tipping */
  fixed: z.boolean(),
  /** “arrange for me” leaves it where it is */
  pinned: z.boolean(),
  /** a box carried to a seat: the place it is kept in; null: it stands by itself */
  keptInId: Id.nullable(),
  /** when empty, g; null: estimated */
  mass: finite.min(0).max(2_000_000).nullable(),
  /** what its fastening or its maker allows in all, g; null: not known */
  ratedLoad: finite.min(0).max(5_000_000).nullable(),
  board: z.enum(BOARDS),
  /** thickness of its shelves */
  thickness: finite.min(2).max(100),
  /** electric power while it runs, W, and reach of its cord, mm; null: no cord */
  watts: finite.min(0).max(20_000),
  cord: finite.min(0).max(20_000).nullable(),
  /** free length a machine needs before and behind it */
  feedFront: offset,
  feedBack: offset,
  /** minutes there and back for a unit outside the room */
  awayMinutes: finite.min(0).max(600),
  /** the zone its places are kept for, but those that say otherwise */
  zoneId,
  /** its doors have been taken off */
  doorsOff: z.boolean(),
  /** sides that are usual for its kind, and no one’s own; those its maker guessed; those measured by picture. The others by tape. */
  usual: z.array(z.enum(SIDES)).max(3),
  unsure: z.array(z.enum(SIDES)).max(3),
  pictured: z.array(z.enum(SIDES)).max(3),
  plusMinus,
});
export type Unit = z.infer<typeof Unit>;

/** A spot where a unit on wheels is parked or worked at. */
export const Parking = z.strictObject({ id: Id, unitId: Id, name: named, x: where, y: where, facing: bearing });
export type Parking = z.infer<typeof Parking>;

/** A front the maker has split and kept under her own name. */
export const OwnKind = z.strictObject({
  id: Id,
  name: named,
  kind: Unit.shape.kind,
  width: size,
  depth: size,
  height: size,
  rows: Unit.shape.rows,
  columns: Unit.shape.columns,
  rowSizes: sizes,
  columnSizes: sizes,
  inserts,
});
export type OwnKind = z.infer<typeof OwnKind>;
