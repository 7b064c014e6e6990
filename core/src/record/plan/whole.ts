import { contradiction } from './contradictions.ts';
import { Edit, type RowChange, sameRow } from './edit.ts';
import { type Plan, wallsInOrder } from './plan.ts';
import { danglingReference } from './references.ts';
import { type AnyRow, TABLE_NAMES } from './tables.ts';

/** Takes over rows as another tab or the server changed them, unchecked: they were checked where they were made. */
export function applyChanges(plan: Plan, changes: readonly RowChange[]): Plan {
  const next: Record<string, unknown> = { ...plan };
  for (const { table, id, after } of changes) {
    if (table === 'head') {
      next.head = after;
      continue;
    }
    if (next[table] === plan[table]) next[table] = { ...plan[table] };
    const rows = next[table] as Record<string, unknown>;
    if (after) rows[id] = after;
    else delete rows[id];
  }
  return next as Plan;
}

/**
 * A plan as it is now, in the rows and tables of how it was wherever those are equal: what was worked out for them before is still right.
 * Where nothing differs it is the former plan itself.
 */
export function keepingEqual(was: Plan, now: Plan): Plan {
  if (was === now || was.id !== now.id) return now;
  const next: Record<string, unknown> = { ...now };
  let same = true;
  if (sameRow(was.head, now.head)) next.head = was.head;
  else same = false;
  for (const table of TABLE_NAMES) {
    const [before, after] = [was[table], now[table]] as Record<string, AnyRow>[];
    if (before === after) continue;
    const ids = Object.keys(after!);
    let differs = ids.length !== Object.keys(before!).length;
    const rows: Record<string, AnyRow> = {};
    for (const id of ids) {
      const row = after![id]!;
      const former = Object.hasOwn(before!, id) ? before![id]! : undefined;
      const equal = former !== undefined && sameRow(former, row);
      rows[id] = equal ? former : row;
      differs ||= !equal;
    }
    next[table] = differs ? rows : before;
    same &&= !differs;
  }
  return same ? was : (next as Plan);
}

/** Checks a whole plan, as read from a file: every row against its schema, every reference. */
export function planTrouble(plan: Plan): string | null {
  const edit = new Edit({ ...plan, ...Object.fromEntries(TABLE_NAMES.map((t) => [t, {}])) } as Plan);
  const head = edit.setHead(plan.head);
  if (head) return head.reason;
  for (const table of TABLE_NAMES) {
    for (const row of Object.values(plan[table])) {
      const trouble = edit.put(table, row as never);
      if (trouble) return trouble.reason;
    }
  }
  for (const [seq, wall] of wallsInOrder(plan).entries())
    if (wall.seq !== seq) return 'The walls are not numbered one after the other.';
  for (const table of TABLE_NAMES)
    for (const row of Object.values(plan[table])) {
      const trouble = contradiction(edit, table, row as AnyRow);
      if (trouble) return trouble.reason;
    }
  return danglingReference(edit)?.reason ?? null;
}
