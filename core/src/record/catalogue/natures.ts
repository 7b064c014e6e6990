import { type PlaceKind } from './shapes.ts';

/**
 * How a place holds. Row: things stand side by side along its width. Area: on its floor (a board: on its face), looked at from above. Bulk: filled as
 * it comes. Pile: flat things on each other. Pockets: so many in each. Capacity and use are counted in the nature’s own measure, never in another.
 */
export const NATURES = ['row', 'area', 'bulk', 'pile', 'pockets'] as const;
export type Nature = (typeof NATURES)[number];

const OF_KIND: Record<PlaceKind, Nature> = {
  drawer: 'area',
  shelf: 'row',
  cubby: 'row',
  tier: 'row',
  board: 'area',
  hook: 'row',
  slot: 'pile',
  box: 'area',
  top: 'area',
  dowel: 'row',
  hanger: 'row',
  away: 'row',
  container: 'area',
  lane: 'area',
  tray: 'area',
  sheetDrawer: 'pile',
  files: 'pockets',
};

/** How a place of a kind holds while the maker does not say otherwise. */
export const natureOfKind = (kind: PlaceKind): Nature => OF_KIND[kind];

/** Hanging files stand so far apart, mm (common practice, no source). */
export const FILE_PITCH = 25;
