/** What has to be opened before the hand can go in. */
export const COVERS = ['drawer', 'door', 'lid'] as const;
export type Cover = (typeof COVERS)[number];

export const PLACE_KINDS = [
  'drawer',
  'shelf',
  'cubby',
  'tier',
  'board',
  'hook',
  'slot',
  'box',
  'top',
  'dowel',
  'hanger',
  'away',
  'container',
  'lane',
  'tray',
  'sheetDrawer',
  'files',
] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];

/** Stands on the floor; hangs on a wall; stands on another unit; is under a worktop; hangs on a door leaf; is outside the room. */
export const MOUNTS = ['floor', 'wall', 'on', 'under', 'door', 'away'] as const;
export type Mount = (typeof MOUNTS)[number];

/** How far a drawer comes out, as a share of its depth (own assumption: the runners keep a little back). */
export const PULL_SHARE = 0.9;

/** What shelves are made of; their stiffness is in `loads`. */
export const BOARDS = ['particleboard', 'mdf', 'plywood', 'pine', 'metal'] as const;
export type BoardKind = (typeof BOARDS)[number];

/**
 * The outside of a unit: millimetres, and how many rows and columns of places its front has. `rowSizes` (inside heights from the
 * top) and `columnSizes` (inside widths from the left) give exact sizes; left out or empty, the front is shared evenly.
 * `inserts` split single cells: `1.0 drawers 3` (row 1, column 0).
 */
export type UnitShape = {
  width: number;
  depth: number;
  height: number;
  rows: number;
  columns: number;
  rowSizes?: readonly number[];
  columnSizes?: readonly number[];
  inserts?: readonly string[];
};

/**
 * One compartment of a unit. `left` from the unit's left edge as one stands before it, `bottom` from the unit's own bottom,
 * `front` from the unit's front plane backwards; width, height and depth are inside sizes. Millimetres, grams.
 */
export type PlaceShape = {
  row: number;
  column: number;
  /** 0: the whole cell; 1, 2 …: one part of a cell split by an insert */
  part: number;
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
  /** reached only through the opening of the place in the same row and this column: the deep end of a corner */
  through: number | null;
};

/** A part of a unit that an arm cannot pass through; measured like a place. */
export type Solid = { left: number; bottom: number; front: number; width: number; height: number; depth: number };
