/** What can be set into one cell of a front. */
export const INSERT_KINDS = ['door', 'drawers', 'slots', 'shelves'] as const;
export type InsertKind = (typeof INSERT_KINDS)[number];
export type Insert = { row: number; column: number; kind: InsertKind; count: number };

/** `1.0 drawers 3`: three drawers in row 1, column 0 (both counted from 0, top left first). */
export const INSERT_PATTERN = /^(\d{1,2})\.(\d{1,2}) (door|drawers|slots|shelves) (\d{1,2})$/;

/** Reads an insert as it is kept; null when it is not one. */
export function readInsert(text: string): Insert | null {
  const m = INSERT_PATTERN.exec(text);
  if (!m) return null;
  return { row: Number(m[1]), column: Number(m[2]), kind: m[3] as InsertKind, count: Number(m[4]) };
}

/** The text under which an insert is kept. */
export const writeInsert = ({ row, column, kind, count }: Insert): string => `${row}.${column} ${kind} ${count}`;
