import { type Cover, type PlaceKind, type Mount, type UnitShape } from './shapes.ts';

/** Board thickness of a plain carcase, mm (common practice, no source). */
export const BOARD = 16;
/** Thickness of a worktop, mm (common practice, no source). */
export const TOP = 30;
/** What one place carries by default, g (common practice, no source; the maker's manual comes first). */
export const LOAD: Record<PlaceKind, number> = {
  drawer: 15_000,
  shelf: 20_000,
  cubby: 13_000,
  tier: 8_000,
  board: 5_000,
  hook: 2_000,
  slot: 10_000,
  box: 30_000,
  top: 40_000,
  dowel: 6_000,
  hanger: 25_000,
  away: 200_000,
  container: 8_000,
  lane: 5_000,
  tray: 5_000,
  sheetDrawer: 20_000,
  files: 20_000,
};

export type PlaceStyle = {
  kind: PlaceKind;
  covers: Cover[];
  seen: boolean;
  opens: 'front' | 'top';
  /** boards around and between places, mm; 0 for open racks */
  board: number;
  /** the top row is of another kind: the rail of a wardrobe */
  topRow?: PlaceKind;
};

/** The part of a unit's front that holds places: millimetres kept free at each side. */
export type Margins = { left: number; right: number; top: number; bottom: number };

/** What stops an arm: the whole body; only its top; nothing; top and a block of drawers. */
export type Body = 'whole' | 'top' | 'none' | 'topAndPlaces';

export type KindFacts = {
  name: string;
  /** a few words for the list to choose from */
  about: string;
  group: 'work' | 'drawers' | 'shelves' | 'shut' | 'wheels' | 'wall' | 'small' | 'other' | 'away';
  mount: Mount;
  mobile: boolean;
  worktop: boolean;
  body: Body;
  defaults: UnitShape & { bottom: number };
  places: PlaceStyle | null;
  margins: ((shape: UnitShape) => Margins) | null;
  /** the unit when empty, g per litre of its outside (own assumption) */
  density: number;
};

export const drawer: PlaceStyle = { kind: 'drawer', covers: ['drawer'], seen: false, opens: 'front', board: BOARD };
/** Shallow ones for paper lying flat; deep ones for hanging files. */
export const sheetDrawer: PlaceStyle = { ...drawer, kind: 'sheetDrawer' };
export const fileDrawer: PlaceStyle = { ...drawer, kind: 'files' };
export const open = (kind: PlaceKind, board = BOARD): PlaceStyle => ({
  kind,
  covers: [],
  seen: true,
  opens: 'front',
  board,
});
export const shut = (kind: PlaceKind): PlaceStyle => ({
  kind,
  covers: ['door'],
  seen: false,
  opens: 'front',
  board: BOARD,
});
export const lidded = (kind: PlaceKind): PlaceStyle => ({
  kind,
  covers: ['lid'],
  seen: false,
  opens: 'top',
  board: BOARD,
});

/** Half a kitchen-like carcase weighs about 0.12 kg a litre empty; an open frame a third of it (own assumption). */
const DENSITY: Record<Body, number> = { whole: 120, topAndPlaces: 90, top: 60, none: 60 };

export function kind(
  name: string,
  about: string,
  group: KindFacts['group'],
  mount: Mount,
  [width, depth, height]: [number, number, number],
  [rows, columns]: [number, number],
  places: PlaceStyle | null,
  more: {
    bottom?: number;
    mobile?: boolean;
    worktop?: boolean;
    body?: Body;
    margins?: (shape: UnitShape) => Margins;
  } = {},
): KindFacts {
  const body = more.body ?? (mount === 'away' ? 'none' : 'whole');
  return {
    name,
    about,
    group,
    mount,
    mobile: more.mobile ?? false,
    worktop: more.worktop ?? false,
    body,
    defaults: { width, depth, height, rows, columns, bottom: more.bottom ?? 0 },
    places,
    margins: more.margins ?? null,
    density: DENSITY[body],
  };
}
