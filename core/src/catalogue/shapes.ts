/** What has to be opened before the hand can go in. */
export const COVERS = ['drawer', 'door', 'lid'] as const;
export type Cover = (typeof COVERS)[number];

export const PLACE_KINDS = ['drawer', 'shelf', 'cubby', 'tier', 'board', 'hook', 'slot', 'box', 'away'] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];

/** Stands on the floor; hangs on a wall or stands on another unit; is outside the room. */
export type Mount = 'floor' | 'raised' | 'away';

/** How far a drawer comes out, as a share of its depth (own assumption: the runners keep a little back). */
export const PULL_SHARE = 0.9;

/** The outside of a unit: millimetres, and how many rows and columns of places its front has. */
export type UnitShape = { width: number; depth: number; height: number; rows: number; columns: number };

/**
 * One compartment of a unit. `left` from the unit's left edge as one stands before it, `bottom` from the unit's own bottom,
 * `front` from the unit's front plane backwards; width, height and depth are inside sizes. Millimetres, grams.
 */
export type PlaceShape = {
  row: number;
  column: number;
  name: string;
  kind: PlaceKind;
  left: number;
  bottom: number;
  front: number;
  width: number;
  height: number;
  depth: number;
  opens: 'front' | 'top';
  covers: Cover[];
  seen: boolean;
  load: number;
};

/** A part of a unit that an arm cannot pass through; measured like a place. */
export type Solid = { left: number; bottom: number; front: number; width: number; height: number; depth: number };
