import { type Column } from './columns.ts';
import { type Row } from './rows.ts';

/** A key as the browser tells it. */
export type Key = { key: string; shiftKey?: boolean; ctrlKey?: boolean; metaKey?: boolean; altKey?: boolean };

/** Where one is in the list. */
export type Standing = {
  row: number;
  column: number;
  /** the row from which rows are being marked */
  anchor: number | null;
  /** rows that go into the window */
  page: number;
  rows: readonly Row[];
  columns: readonly Pick<Column, 'edit' | 'options'>[];
};

/** What a key does in the list. */
export type Act =
  | { what: 'go'; row: number; column: number }
  /** goes there and marks all rows from one to it */
  | { what: 'markTo'; from: number; row: number }
  | { what: 'markAll' }
  | { what: 'markNone' }
  | { what: 'mark'; id: string }
  | { what: 'open'; id: string }
  /** the cell is written into: from what was typed, or what stands there */
  | { what: 'edit'; typed: string | null };

const isHead = (row: Row | undefined): boolean => row !== undefined && 'group' in row;

/** The row so many steps on, past heads of groups while there is anything behind them. */
function stepped({ rows, row }: Standing, step: number): number {
  let to = Math.max(0, Math.min(rows.length - 1, row + step));
  while (isHead(rows[to]) && rows[to + Math.sign(step)]) to += Math.sign(step);
  return to;
}

/** What a key does; null: it is for somebody else. */
export function actOf(e: Key, at: Standing): Act | null {
  const { row, column, page, rows, columns } = at;
  const go = (r: number, c = column): Act => ({
    what: 'go',
    row: Math.max(0, Math.min(rows.length - 1, r)),
    column: Math.max(0, Math.min(columns.length - 1, c)),
  });
  const ctrl = e.ctrlKey === true || e.metaKey === true;
  const steps: Partial<Record<string, number>> = { ArrowDown: 1, ArrowUp: -1, PageDown: page, PageUp: -page };
  const step = steps[e.key];
  if (step !== undefined) {
    const to = stepped(at, step);
    return e.shiftKey ? { what: 'markTo', from: at.anchor ?? row, row: to } : go(to);
  }
  if (e.key === 'ArrowRight') return go(row, column + 1);
  if (e.key === 'ArrowLeft') return go(row, column - 1);
  if (e.key === 'Home') return ctrl ? go(0) : go(row, 0);
  if (e.key === 'End') return ctrl ? go(rows.length - 1) : go(row, columns.length - 1);
  if (ctrl && e.key.toLowerCase() === 'a') return { what: 'markAll' };
  if (e.key === 'Escape') return { what: 'markNone' };
  const here = rows[row];
  if (!here || !('supply' in here)) return null;
  const { id } = here.supply;
  const cell = columns[column];
  if (e.key === ' ') return { what: 'mark', id };
  if (e.key === 'Enter' && e.shiftKey) return { what: 'open', id };
  if (e.key === 'Enter' || e.key === 'F2') return cell?.edit ? { what: 'edit', typed: null } : { what: 'open', id };
  // a letter begins to write; the app's own keys stay its own
  const writes = e.key.length === 1 && !ctrl && !e.altKey && e.key !== '/' && e.key !== '?';
  return writes && cell?.edit && !cell.options ? { what: 'edit', typed: e.key } : null;
}

/** The supplies of some rows one below the other, from one to another in either order, ids. */
export function marksBetween(rows: readonly Row[], from: number, to: number): Set<string> {
  const [a, b] = [Math.min(from, to), Math.max(from, to)];
  return new Set(rows.slice(a, b + 1).flatMap((r) => ('supply' in r ? [r.supply.id] : [])));
}
