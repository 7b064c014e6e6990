import { z } from 'zod';
import { finite, named, size, count, day, Id } from '../fields.ts';
import { text } from '../text.ts';
import { HAZARDS } from './people.ts';
import { colour, months, photo, plusMinus, SIDES, zoneId } from './shared-fields.ts';

/** Supplies, where they must never live, and what one would cost. Flat rows, because each is one table; millimetres, grams, degrees, minutes. */

/** What one of a kind of unit, or a second one of a tool, would cost: its id is the kind’s or the supply’s; in the maker’s own money. */
export const Price = z.strictObject({ id: Id, price: finite.min(0, 'cannot be negative').max(1_000_000) });
export type Price = z.infer<typeof Price>;

export const FORMS = [
  'block',
  'sheet',
  'roll',
  'bottle',
  'stick',
  'spool',
  'soft',
  'pocket',
  'loose',
  'machine',
  'long',
] as const;

/** `diagonal`: across the floor of a place, for what is longer than it is wide. */
export const LIES = ['flat', 'edge', 'upright', 'hanging', 'diagonal'] as const;

export const SENSITIVE = ['sun', 'heat', 'damp', 'frost', 'dust'] as const;

/** What of a supply is measured or counted, and may be a guess. */
export const SIZED = ['width', 'depth', 'height', 'mass', 'working', 'backstock'] as const;
export type Sized = (typeof SIZED)[number];

/**
 * How things are kept: as they were bought; loose in a box; on edge in a row; upright on magnet sheets; in binder pockets; in a jar; wound on cards; on
 * a ring; hanging (docs/sources.md).
 */
export const STORAGE_FORMS = [
  'asBought',
  'loose',
  'edge',
  'magnet',
  'pockets',
  'jar',
  'cards',
  'ring',
  'hanging',
] as const;
export type StorageForm = (typeof STORAGE_FORMS)[number];

/** What was decided of a thing when everything was out; `open`: nothing yet. */
export const DECISIONS = ['open', 'keep', 'away', 'passOn', 'throw', 'undecided'] as const;
export type Decision = (typeof DECISIONS)[number];

export const LIVES = ['current', 'second', 'retired'] as const;
export type Life = (typeof LIVES)[number];

const supplySize = size.nullable();

export const Supply = z.strictObject({
  id: Id,
  name: named,
  family: text(80),
  form: z.enum(FORMS),
  /** one piece: width, depth, height (thickness) as it lies flat; null while not measured */
  width: supplySize,
  depth: supplySize,
  height: supplySize,
  /** one piece, g */
  mass: finite.min(0).max(200_000),
  /** paper: g/m², gives the caliper of a sheet without a measured height */
  grammage: finite.gt(0).max(5000).nullable(),
  working: count,
  backstock: count,
  stackLimit: z.int().min(1).max(10_000).nullable(),
  lies: z.array(z.enum(LIES)).min(1, 'needs at least one way to lie').max(5),
  /** other things may lie on it */
  bears: z.boolean(),
  sensitive: z.array(z.enum(SENSITIVE)).max(5),
  hazards: z.array(z.enum(HAZARDS)).max(8),
  colour,
  note: text(2000),
  /** the zone it belongs to whatever uses it; null: that of its activities */
  zoneId,
  /** the kind of supply its usual sizes came from; empty: none */
  kind: text(60),
  /** sizes and counts that are usual ones, not this thing’s own */
  usual: z.array(z.enum(SIZED)).max(6),
  /** sizes and counts the maker is not sure of */
  unsure: z.array(z.enum(SIZED)).max(6),
  /** sides measured by picture, each so exact */
  pictured: z.array(z.enum(SIDES)).max(3),
  plusMinus,
  /** pieces in a pack as it is sold */
  packOf: z.int().min(1, 'must be at least one').max(100_000),
  /** with fewer than so many in reserve it is bought again; null: it is not */
  reorderAt: count.nullable(),
  storage: z.enum(STORAGE_FORMS),
  /** other ways it may be kept in, where that makes a better home */
  mayKeep: z.array(z.enum(STORAGE_FORMS)).max(STORAGE_FORMS.length),
  /** bought lately and not used yet */
  isNew: z.boolean(),
  decision: z.enum(DECISIONS),
  /** the day by which what is undecided is decided */
  decideBy: day,
  /** months in which it is wanted; none: those of the activities that use it */
  months,
  /** it is to be seen, where the maker goes by that */
  onShow: z.boolean(),
  /** opened out or unrolled: its face, and the length that is left, mm; null: it is as large as it is measured, or nobody said */
  openWidth: supplySize,
  openLength: supplySize,
  /** who makes it, the line it is of, and its theme, in free words; empty: none */
  maker: text(120),
  line: text(120),
  theme: text(120),
  /** other names it goes by, split by commas */
  alsoCalled: text(400),
  /** where it is in its life: in use; of a set that is no longer new, in the second bin; retired behind what is in use */
  life: z.enum(LIVES),
  /** the set or kit it was bought in, kept together until it is dispersed; empty: none */
  kit: text(120),
  boughtOn: day,
  /** last used, as far as the maker says; the log may know better */
  usedOn: day,
  /** where it is bought, and what a pack costs, in the maker’s own money */
  shop: text(120),
  price: finite.min(0, 'cannot be negative').max(1_000_000).nullable(),
  photo,
});
export type Supply = z.infer<typeof Supply>;

/** Where a supply must never live: in a unit, or above or below some height of the hand, mm. */
export const Ban = z.strictObject({
  id: Id,
  supplyId: Id,
  unitId: Id.nullable(),
  above: size.nullable(),
  below: size.nullable(),
});
export type Ban = z.infer<typeof Ban>;

/** The aisle that a family stands under because its maker says so. */
export const FamilyAisle = z.strictObject({
  id: Id,
  family: named,
  /** one of the aisles there are (`concepts/aisles.ts`); another word is kept and says nothing */
  aisle: text(40),
});
export type FamilyAisle = z.infer<typeof FamilyAisle>;
