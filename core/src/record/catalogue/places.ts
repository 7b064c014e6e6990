import { type Insert, readInsert } from './inserts.ts';
import { factsOf, type UnitKind } from './kinds.ts';
import { type PlaceShape, type Solid, type UnitShape } from './shapes.ts';
import { BOARD, drawer, LOAD, type Margins, type PlaceStyle, TOP } from './styles.ts';
import { placeName } from './place-words.ts';

/** Room between the rim of a tier's tray and the tray above it, as a share of the row (own assumption). */
const TIER_TRAY = 0.45;

/** Drawer front overlap and runner space, mm each side and above (common practice, no source). */
const RUNNER = 13;

/** Board of the thin frame of an insert, mm (common practice, no source). */
const THIN = 6;

const NO_MARGINS: Margins = { left: 0, right: 0, top: 0, bottom: 0 };

/** One cell of the front, outside of what is in it. */
type Cell = { row: number; column: number; left: number; bottom: number; width: number; height: number };

function marginsOf(unitKind: UnitKind, shape: UnitShape): Margins {
  return factsOf(unitKind).margins?.(shape) ?? NO_MARGINS;
}

const headroom = (style: PlaceStyle, cell: number) =>
  style.covers.includes('drawer') ? Math.min(RUNNER, cell / 6) : 0;

/** Sizes of the cells along one direction: exact ones as given (plus what a drawer's runners need), else even. */
function cells(total: number, count: number, board: number, exact: readonly number[] | undefined, extra: number) {
  const free = total - board * (count + 1);
  if (!exact || exact.length !== count) return { sizes: new Array<number>(count).fill(free / count), short: 0 };
  const sizes = exact.map((s) => s + extra);
  return { sizes, short: sizes.reduce((a, b) => a + b, 0) - free };
}

/** What is wrong with exact sizes or inserts, in one sentence; null when they go in. */
export function frontTrouble(unitKind: UnitKind, shape: UnitShape): string | null {
  const style = factsOf(unitKind).places;
  const rowSizes = shape.rowSizes ?? [];
  const columnSizes = shape.columnSizes ?? [];
  const inserts = shape.inserts ?? [];
  if (!style) return rowSizes.length + columnSizes.length + inserts.length > 0 ? 'It has no places to split.' : null;
  if (rowSizes.length > 0 && rowSizes.length !== shape.rows)
    return `There are ${rowSizes.length} heights for ${shape.rows} rows.`;
  if (columnSizes.length > 0 && columnSizes.length !== shape.columns)
    return `There are ${columnSizes.length} widths for ${shape.columns} columns.`;
  const m = marginsOf(unitKind, shape);
  const tall = cells(shape.height - m.top - m.bottom, shape.rows, style.board, shape.rowSizes, runnerOf(style));
  if (tall.short > 0.5) return `These rows need ${Math.ceil(tall.short)} mm more height than the front has.`;
  const wide = cells(
    shape.width - m.left - m.right,
    shape.columns,
    style.board,
    shape.columnSizes,
    2 * runnerOf(style),
  );
  if (wide.short > 0.5) return `These columns need ${Math.ceil(wide.short)} mm more width than the front has.`;
  for (const text of inserts) {
    const insert = readInsert(text);
    if (!insert) return `“${text}” is not an insert.`;
    if (insert.row >= shape.rows || insert.column >= shape.columns)
      return `There is no cell ${insert.row + 1}-${insert.column + 1} for its insert.`;
    if (insert.count < 1 || insert.count > 20) return 'An insert has 1 to 20 parts.';
  }
  return null;
}

const runnerOf = (style: PlaceStyle) => (style.covers.includes('drawer') ? RUNNER : 0);

/**
 * The places of a unit, top row first, left to right; a split cell gives its parts in the same order. Rows share the height
 * evenly, columns the width, unless exact sizes are given; what those leave over stays below and on the right.
 * @returns none for a kind without places or a grid without rows or columns
 */
export function placesOf(unitKind: UnitKind, shape: UnitShape): PlaceShape[] {
  const style = factsOf(unitKind).places;
  if (!style || shape.rows < 1 || shape.columns < 1) return [];
  if (unitKind === 'cornerCabinet') return cornerPlaces(style, shape);
  const { board } = style;
  const m = marginsOf(unitKind, shape);
  const runner = runnerOf(style);
  const heights = cells(shape.height - m.top - m.bottom, shape.rows, board, shape.rowSizes, runner).sizes;
  const widths = cells(shape.width - m.left - m.right, shape.columns, board, shape.columnSizes, 2 * runner).sizes;
  const inserts = new Map<string, Insert>();
  for (const text of shape.inserts ?? []) {
    const insert = readInsert(text);
    if (insert) inserts.set(`${insert.row}.${insert.column}`, insert);
  }
  const places: PlaceShape[] = [];
  let top = shape.height - m.top - board;
  for (const [row, height] of heights.entries()) {
    let left = m.left + board;
    for (const [column, width] of widths.entries()) {
      const cell = { row, column, left, bottom: top - height, width, height };
      const whole = wholeCell(style, cell, shape);
      const insert = inserts.get(`${row}.${column}`);
      places.push(...(insert ? split(whole, insert) : [whole]));
      left += width + board;
    }
    top -= height + board;
  }
  return places;
}

function wholeCell(style: PlaceStyle, cell: Cell, shape: UnitShape): PlaceShape {
  const kind = cell.row === 0 && style.topRow ? style.topRow : style.kind;
  const isDrawer = style.covers.includes('drawer');
  const isTier = kind === 'tier';
  const runner = isDrawer ? Math.min(RUNNER, cell.width / 8) : 0;
  const height = isTier ? cell.height * TIER_TRAY : cell.height - headroom(style, cell.height);
  const { row, column } = cell;
  return {
    row,
    column,
    part: 0,
    name: placeName(kind, row, column, shape),
    kind,
    left: tidy(cell.left + runner),
    bottom: tidy(isTier && row === 0 ? cell.bottom + cell.height - height : cell.bottom),
    front: 0,
    width: positive(cell.width - 2 * runner),
    height: positive(height),
    depth: positive(shape.depth - (isDrawer ? 2 * BOARD : style.board > 0 ? Math.min(style.board, 6) : 0)),
    opens: isTier && row === 0 ? 'top' : style.opens,
    covers: [...style.covers],
    seen: style.seen,
    load: LOAD[kind],
    through: null,
  };
}

/** A door before a cell leaves it whole; drawers, slots and shelves share it evenly. */
function split(whole: PlaceShape, { kind, count }: Insert): PlaceShape[] {
  if (kind === 'door') return [{ ...whole, covers: [...new Set([...whole.covers, 'door' as const])], seen: false }];
  if (kind === 'slots') {
    const width = (whole.width - THIN * (count - 1)) / count;
    return Array.from({ length: count }, (_, i) => ({
      ...whole,
      part: i + 1,
      name: `${whole.name}, slot ${i + 1}`,
      kind: 'slot' as const,
      left: tidy(whole.left + i * (width + THIN)),
      width: positive(width),
      load: LOAD.slot,
    }));
  }
  const step = (whole.height - THIN * (count - 1)) / count;
  return Array.from({ length: count }, (_, i) => {
    const bottom = tidy(whole.bottom + whole.height - (i + 1) * step - i * THIN);
    const common = { ...whole, part: i + 1, bottom, height: positive(step), load: LOAD.shelf / 2 };
    if (kind === 'shelves') return { ...common, name: `${whole.name}, shelf ${i + 1}`, kind: 'shelf' as const };
    const runner = Math.min(RUNNER, whole.width / 8);
    return {
      ...common,
      name: `${whole.name}, drawer ${i + 1}`,
      kind: 'drawer' as const,
      left: whole.left + runner,
      width: positive(whole.width - 2 * runner),
      height: positive(step - headroom(drawer, step)),
      depth: positive(whole.depth - 2 * BOARD),
      covers: [...whole.covers, 'drawer' as const],
      seen: false,
      load: LOAD.drawer / 2,
    };
  });
}

/**
 * A cabinet that runs into a corner: its left part, as deep as the cabinet is, lies behind the neighbour's front. What is in there
 * is got at only through the door beside it.
 */
function cornerPlaces(style: PlaceStyle, shape: UnitShape): PlaceShape[] {
  const blind = Math.min(shape.depth, shape.width * 0.7);
  const even = { ...shape, columns: 1, columnSizes: [] };
  const heights = cells(shape.height, shape.rows, BOARD, shape.rowSizes, 0).sizes;
  let top = shape.height - BOARD;
  return heights.flatMap((height, row) => {
    const bottom = top - height;
    top -= height + BOARD;
    const before = { row, column: 0, left: blind, bottom, width: shape.width - blind - BOARD, height };
    const deep = { row, column: 1, left: BOARD, bottom, width: blind - BOARD, height };
    const one = wholeCell(style, before, even);
    return [
      one,
      { ...wholeCell(style, deep, even), name: shape.rows === 1 ? 'deep end' : `deep end ${row + 1}`, through: 0 },
    ];
  });
}

export const tidy = (mm: number) => Math.max(0, Math.round(mm * 100) / 100);

export function positive(mm: number): number {
  return Math.max(1, Math.round(mm * 10) / 10);
}

/** What of a unit stops an arm or a look: the whole body, the top alone of a table, nothing of a rail or of what is away. */
export function solidsOf(unitKind: UnitKind, shape: UnitShape): Solid[] {
  const { body } = factsOf(unitKind);
  const whole = { left: 0, front: 0, bottom: 0, width: shape.width, depth: shape.depth, height: shape.height };
  if (body === 'none') return [];
  if (body === 'whole') return [whole];
  const top = { ...whole, bottom: Math.max(0, shape.height - TOP), height: Math.min(TOP, shape.height) };
  if (body === 'top') return [top];
  const m = marginsOf(unitKind, shape);
  const block = {
    ...whole,
    left: m.left,
    width: shape.width - m.left - m.right,
    bottom: m.bottom,
    height: shape.height - m.bottom,
  };
  return [top, block];
}

/** Widest leaf of a hinged door; a wider front has two leaves, mm (common practice, no source). */
const WIDEST_LEAF = 600;

/** Width of one leaf of a cabinet's doors, mm; 0 without doors. */
export function leafOf(unitKind: UnitKind, shape: UnitShape): number {
  const style = factsOf(unitKind).places;
  if (!style?.covers.includes('door')) return 0;
  const wide = unitKind === 'cornerCabinet' ? shape.width - Math.min(shape.depth, shape.width * 0.7) : shape.width;
  return wide > WIDEST_LEAF ? wide / 2 : wide;
}

/** What a unit weighs empty unless it was weighed, g (own assumption: a density per kind of body). */
export function emptyMass(unitKind: UnitKind, shape: UnitShape): number {
  return Math.round((shape.width * shape.depth * shape.height * factsOf(unitKind).density) / 1e6);
}

/**
 * Inside sizes of rows and columns as gaps between fronts say: each gap is the middle of the board between two.
 * @param gaps mm, columns from the left edge of the front, rows from its top, in any order
 * @returns null when two gaps are nearer to each other, or to an edge, than a board with something between
 */
export function sizesByGaps(
  unitKind: UnitKind,
  shape: UnitShape,
  gaps: { columns: readonly number[]; rows: readonly number[] },
): { columnSizes: number[]; rowSizes: number[] } | null {
  const style = factsOf(unitKind).places;
  if (!style) return null;
  const m = marginsOf(unitKind, shape);
  const { board } = style;
  const along = (at: readonly number[], from: number, total: number, less: number) => {
    const sorted = [...at].sort((a, b) => a - b);
    const bounds = [from + board / 2, ...sorted, total - board / 2];
    return bounds.slice(1).map((to, i) => Math.round((to - bounds[i]! - board - less) * 10) / 10);
  };
  const runner = runnerOf(style);
  const columnSizes = along(gaps.columns, m.left, shape.width - m.right, 2 * runner);
  const rowSizes = along(gaps.rows, m.top, shape.height - m.bottom, runner);
  return [...columnSizes, ...rowSizes].every((mm) => mm >= 5) ? { columnSizes, rowSizes } : null;
}
