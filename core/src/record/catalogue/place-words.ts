import { type PlaceKind, type UnitShape } from './shapes.ts';

const WORDS: Partial<Record<PlaceKind, string>> = {
  board: 'field',
  away: 'shelf',
  hanger: 'rail',
  sheetDrawer: 'drawer',
  files: 'drawer',
};

/** What one place of a kind is called where it is alone: “drawer”, “rail”. */
export const wordOf = (placeKind: PlaceKind): string => WORDS[placeKind] ?? placeKind;

const UPRIGHT = [[], ['upper', 'lower'], ['upper', 'middle', 'lower']];

const ACROSS = [[], ['left', 'right'], ['left', 'middle', 'right']];

/** Which of one to three this is, as one says it who stands before it; nothing where there is only one. */
const sayWhere = (words: readonly string[][], which: number, of: number): string[] =>
  words[of - 1]!.slice(which, which + 1);

export function placeName(placeKind: PlaceKind, row: number, column: number, shape: UnitShape): string {
  const word = wordOf(placeKind);
  if (shape.rows * shape.columns === 1) return word;
  if (placeKind === 'board' && shape.rows <= 3 && shape.columns <= 3)
    return [...sayWhere(UPRIGHT, row, shape.rows), ...sayWhere(ACROSS, column, shape.columns), word].join(' ');
  if (shape.columns === 1) return `${word} ${row + 1}`;
  if (shape.rows === 1) return `${word} ${column + 1}`;
  return `${word} ${row + 1}-${column + 1}`;
}
