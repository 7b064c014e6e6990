import { type Cover, type Mount, type PlaceKind, type PlaceShape, type Solid, type UnitShape } from './shapes.ts';

/** Board thickness of a plain carcase, mm (common practice, no source). */
const BOARD = 16;
/** Thickness of a worktop, mm (common practice, no source). */
const TOP = 30;
/** What one place carries by default, g (common practice, no source; the maker's manual comes first). */
const LOAD: Record<PlaceKind, number> = {
  drawer: 15_000,
  shelf: 20_000,
  cubby: 13_000,
  tier: 8_000,
  board: 5_000,
  hook: 2_000,
  slot: 10_000,
  box: 30_000,
  away: 200_000,
};

type PlaceStyle = {
  kind: PlaceKind;
  covers: Cover[];
  seen: boolean;
  opens: 'front' | 'top';
  /** boards around and between places, mm; 0 for open racks */
  board: number;
};

export type KindFacts = {
  name: string;
  /** a few words for the list to choose from */
  about: string;
  mount: Mount;
  mobile: boolean;
  worktop: boolean;
  defaults: UnitShape & { bottom: number };
  places: PlaceStyle | null;
};

const drawer: PlaceStyle = { kind: 'drawer', covers: ['drawer'], seen: false, opens: 'front', board: BOARD };
const open = (kind: PlaceKind, board = BOARD): PlaceStyle => ({ kind, covers: [], seen: true, opens: 'front', board });
const shut = (kind: PlaceKind): PlaceStyle => ({ kind, covers: ['door'], seen: false, opens: 'front', board: BOARD });

function kind(
  name: string,
  about: string,
  mount: Mount,
  [width, depth, height]: [number, number, number],
  [rows, columns]: [number, number],
  places: PlaceStyle | null,
  more: { bottom?: number; mobile?: boolean; worktop?: boolean } = {},
): KindFacts {
  return {
    name,
    about,
    mount,
    mobile: more.mobile ?? false,
    worktop: more.worktop ?? false,
    defaults: { width, depth, height, rows, columns, bottom: more.bottom ?? 0 },
    places,
  };
}

/** The generic kinds of unit; default sizes in mm (common practice, no source), every one can be changed. */
export const CATALOGUE = {
  worktable: kind('Work table', 'a top to work on, open underneath', 'floor', [1400, 700, 740], [0, 0], null, {
    worktop: true,
  }),
  pedestal: kind('Drawer pedestal', 'drawers that go under a worktop', 'floor', [400, 500, 620], [4, 1], drawer),
  lowChest: kind('Low chest', 'drawers up to table height', 'floor', [900, 450, 780], [4, 1], drawer),
  tallChest: kind('Tall chest', 'drawers to shoulder height', 'floor', [500, 450, 1250], [6, 1], drawer),
  sheetChest: kind('Sheet chest', 'shallow drawers for paper lying flat', 'floor', [950, 700, 520], [6, 1], drawer),
  smallDrawers: kind(
    'Small-drawer block',
    'many little drawers, on a table or wall',
    'raised',
    [420, 170, 340],
    [5, 4],
    drawer,
    { bottom: 1000 },
  ),
  cubeUnit: kind('Cube unit', 'square open cubbies', 'floor', [708, 396, 1400], [4, 2], open('cubby')),
  bookcase: kind('Bookcase', 'open shelves from the floor up', 'floor', [800, 300, 1900], [6, 1], open('shelf')),
  cupboard: kind('Tall cupboard', 'shelves behind doors', 'floor', [800, 420, 1900], [5, 1], shut('shelf')),
  baseCabinet: kind(
    'Base cabinet',
    'low shelves behind doors, a top to work on',
    'floor',
    [800, 580, 860],
    [2, 1],
    shut('shelf'),
    { worktop: true },
  ),
  wallCabinet: kind(
    'Wall cabinet',
    'shelves behind doors, hung on the wall',
    'raised',
    [1000, 320, 620],
    [3, 1],
    shut('shelf'),
    { bottom: 1300 },
  ),
  wallShelves: kind(
    'Wall shelves',
    'open shelves hung on the wall',
    'raised',
    [1000, 220, 700],
    [3, 1],
    open('shelf'),
    { bottom: 1200 },
  ),
  wallBoard: kind('Wall board', 'a board with pegs', 'raised', [1000, 120, 800], [2, 2], open('board', 0), {
    bottom: 1000,
  }),
  hookRail: kind('Hook rail', 'one row of hooks', 'raised', [800, 100, 300], [1, 4], open('hook', 0), { bottom: 1250 }),
  paperSlots: kind(
    'Paper slots',
    'upright slots, on a table or shelf',
    'raised',
    [600, 330, 340],
    [1, 8],
    open('slot', 4),
    { bottom: 780 },
  ),
  rollingCart: kind('Rolling cart', 'three open tiers on wheels', 'floor', [440, 350, 800], [3, 1], open('tier', 0), {
    mobile: true,
  }),
  slimCart: kind('Slim cart', 'a narrow cart that goes into a gap', 'floor', [200, 500, 850], [3, 1], open('tier', 0), {
    mobile: true,
  }),
  lidBox: kind('Box bench', 'one big box under a lid', 'floor', [1000, 450, 450], [1, 1], {
    kind: 'box',
    covers: ['lid'],
    seen: false,
    opens: 'top',
    board: BOARD,
  }),
  away: kind('Outside the room', 'loft, shed, hall cupboard', 'away', [1200, 500, 1200], [2, 1], {
    kind: 'away',
    covers: [],
    seen: false,
    opens: 'front',
    board: 0,
  }),
} satisfies Record<string, KindFacts>;

export type UnitKind = keyof typeof CATALOGUE;
export const UNIT_KINDS = Object.keys(CATALOGUE) as [UnitKind, ...UnitKind[]];

/** Room between the rim of a tier's tray and the tray above it, as a share of the row (own assumption). */
const TIER_TRAY = 0.45;
/** Drawer front overlap and runner space, mm each side and above (common practice, no source). */
const RUNNER = 13;

/**
 * The places of a unit, top row first, left to right. Rows share the height evenly, columns the width.
 * @returns none for a kind without places or a grid without rows or columns
 */
export function placesOf(unitKind: UnitKind, shape: UnitShape): PlaceShape[] {
  const style: PlaceStyle | null = CATALOGUE[unitKind].places;
  if (!style || shape.rows < 1 || shape.columns < 1) return [];
  const { board } = style;
  const cellWidth = (shape.width - board * (shape.columns + 1)) / shape.columns;
  const cellHeight = (shape.height - board * (shape.rows + 1)) / shape.rows;
  const isDrawer = style.kind === 'drawer';
  const isTier = style.kind === 'tier';
  const runner = isDrawer ? Math.min(RUNNER, cellWidth / 8) : 0;
  const places: PlaceShape[] = [];
  for (let row = 0; row < shape.rows; row++) {
    for (let column = 0; column < shape.columns; column++) {
      const bottom = shape.height - (row + 1) * (cellHeight + board);
      const height = isDrawer
        ? cellHeight - Math.min(RUNNER, cellHeight / 6)
        : isTier
          ? cellHeight * TIER_TRAY
          : cellHeight;
      places.push({
        row,
        column,
        name: placeName(style.kind, row, column, shape),
        kind: style.kind,
        left: board + column * (cellWidth + board) + runner,
        bottom: isTier && row === 0 ? shape.height - height : bottom,
        front: 0,
        width: positive(cellWidth - 2 * runner),
        height: positive(height),
        depth: positive(shape.depth - (isDrawer ? 2 * BOARD : board > 0 ? Math.min(board, 6) : 0)),
        opens: isTier && row === 0 ? 'top' : style.opens,
        covers: [...style.covers],
        seen: style.seen,
        load: LOAD[style.kind],
      });
    }
  }
  return places;
}

function positive(mm: number): number {
  return Math.max(1, Math.round(mm * 10) / 10);
}

function placeName(placeKind: PlaceKind, row: number, column: number, shape: UnitShape): string {
  const word = placeKind === 'board' ? 'field' : placeKind === 'away' ? 'shelf' : placeKind;
  if (shape.rows * shape.columns === 1) return word;
  if (shape.columns === 1) return `${word} ${row + 1}`;
  if (shape.rows === 1) return `${word} ${column + 1}`;
  return `${word} ${row + 1}-${column + 1}`;
}

/** What of a unit stops an arm or a look: the top alone of a table, nothing of a rail or of what is away, else the whole body. */
export function solidsOf(unitKind: UnitKind, shape: UnitShape): Solid[] {
  const facts: KindFacts = CATALOGUE[unitKind];
  const whole = { left: 0, front: 0, bottom: 0, width: shape.width, depth: shape.depth, height: shape.height };
  if (facts.mount === 'away' || unitKind === 'hookRail' || unitKind === 'wallBoard') return [];
  if (unitKind === 'worktable')
    return [{ ...whole, bottom: Math.max(0, shape.height - TOP), height: Math.min(TOP, shape.height) }];
  return [whole];
}
