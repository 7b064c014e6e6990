import { z } from 'zod';
import { finite, named, size, offset, where, bearing, Id } from '../fields.ts';
import { text } from '../text.ts';
import { months, plusMinus, SIZE_BY } from './shared-fields.ts';

/** The room: walls, openings, slopes, what belongs to it, and floor that must be free. Flat rows, because each is one table; millimetres, grams, degrees, minutes. */

export const Wall = z.strictObject({
  id: Id,
  seq: z.int().min(0).max(1000),
  length: size,
  turn: finite.min(-179).max(179),
  name: text(60),
});
export type Wall = z.infer<typeof Wall>;

export const Opening = z.strictObject({
  id: Id,
  wallId: Id,
  kind: z.enum(['door', 'window']),
  /** from the left end of the wall as one stands before it inside the room */
  left: offset,
  width: size,
  sill: offset,
  head: size,
  hinge: z.enum(['left', 'right']),
  swing: z.enum(['in', 'out']),
  /** how its size and place are known */
  sizeBy: z.enum(SIZE_BY),
  plusMinus,
});
export type Opening = z.infer<typeof Opening>;

/** A sloping ceiling: at a wall it is `knee` high and meets the flat ceiling `run` mm into the room. */
export const Slope = z.strictObject({ id: Id, wallId: Id, knee: size, run: size });
export type Slope = z.infer<typeof Slope>;

export const FIXTURE_KINDS = ['socket', 'heater', 'fuseBoard', 'sink', 'lamp', 'pipe', 'stairs', 'obstacle'] as const;
export type FixtureKind = (typeof FIXTURE_KINDS)[number];

/**
 * What a heater is: an electric one that is put down anywhere; a radiator of hot water; an electric one fixed to the wall; an open fire or a stove.
 */
export const HEATS = ['portable', 'water', 'electric', 'fire'] as const;
export type Heat = (typeof HEATS)[number];

/** Something that belongs to the room: on a wall (`left`, `bottom` of its lower left corner) or at a point of floor or ceiling. */
export const Fixture = z.strictObject({
  id: Id,
  kind: z.enum(FIXTURE_KINDS),
  name: named,
  wallId: Id.nullable(),
  /** from the left end of the wall as one stands before it; 0 off the walls */
  left: offset,
  /** centre on the floor; 0, 0 on a wall */
  x: where,
  y: where,
  facing: bearing,
  bottom: offset,
  width: size,
  depth: size,
  height: size,
  /** socket: which circuit it is on; fuse board and others: empty */
  circuit: text(40),
  /** lamp: luminous flux, lm, and full beam angle, degrees */
  lumens: finite.min(0).max(100_000),
  beam: finite.min(5).max(360),
  /** electric power while it runs, W */
  watts: finite.min(0).max(20_000),
  /** heater: what it is; others: says nothing */
  heat: z.enum(HEATS),
  /** how its size and place are known */
  sizeBy: z.enum(SIZE_BY),
  plusMinus,
});
export type Fixture = z.infer<typeof Fixture>;

/** A measured diagonal between the corners where two walls begin. */
export const Diagonal = z.strictObject({ id: Id, fromWallId: Id, toWallId: Id, length: size });
export type Diagonal = z.infer<typeof Diagonal>;

/** Floor that must be free in some months for another use of the room. */
export const FloorUse = z.strictObject({
  id: Id,
  name: named,
  x: where,
  y: where,
  facing: bearing,
  width: size,
  depth: size,
  height: size,
  months,
});
export type FloorUse = z.infer<typeof FloorUse>;
