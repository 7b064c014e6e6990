import { z } from 'zod';
import { finite, named, Id } from '../fields.ts';
import { colour } from './shared-fields.ts';

/** Pieces cut and left over, and colours chosen together or standing in a row. Flat rows, because each is one table; millimetres, grams, degrees, minutes. */

const sheetSide = finite.min(1, 'must be at least 1 mm').max(5000);

const pieces = z.int('must be a whole number').min(0).max(100_000);

/** A piece left over: of which paper or stuff, its colour, so large, so many of it, and where it is filed. */
export const Scrap = z.strictObject({
  id: Id,
  supplyId: Id.nullable(),
  colour,
  width: sheetSide,
  depth: sheetSide,
  count: pieces,
  placeId: Id.nullable(),
});
export type Scrap = z.infer<typeof Scrap>;

/** Which side of a piece runs with the grain of the sheet; `any`: either. */
export const GRAINS = ['any', 'width', 'depth'] as const;

/** Pieces kept cut of one paper: how many there are, how many are cut at a time, and below how many again. */
export const CutPiece = z.strictObject({
  id: Id,
  supplyId: Id,
  name: named,
  width: sheetSide,
  depth: sheetSide,
  grain: z.enum(GRAINS),
  have: pieces,
  keep: pieces,
  below: pieces,
  /** where they lie; null: nowhere yet */
  placeId: Id.nullable(),
});
export type CutPiece = z.infer<typeof CutPiece>;

/** Colours chosen together, kept under a name. */
export const Palette = z.strictObject({ id: Id, name: named, supplyIds: z.array(Id).min(1, 'needs a colour').max(24) });
export type Palette = z.infer<typeof Palette>;

/** By what a row of colours is in order. */
export const ROW_ORDERS = ['rainbow', 'lightness', 'name', 'line', 'theme', 'size'] as const;

/** A row of slots in an order: the supply in each, empty where a gap is kept. */
export const ColourRow = z.strictObject({
  id: Id,
  name: named,
  order: z.enum(ROW_ORDERS),
  placeIds: z.array(Id).min(1, 'needs a slot').max(200),
  slots: z.array(z.union([Id, z.literal('')])).max(200),
});
export type ColourRow = z.infer<typeof ColourRow>;
