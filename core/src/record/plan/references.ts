import { type Edit, type Ran, reject } from './edit.ts';
import { type AnyRow, REFERENCES, type TableName, TABLES } from './tables.ts';

/** Every reference of every row touched, and every reference to a row removed, must hold. */
export function danglingReference(edit: Edit): Ran {
  const removed = new Map<TableName, string[]>();
  const touched = new Map<TableName, AnyRow[]>();
  for (const { table, id, after } of edit.changes()) {
    if (table === 'head') continue;
    if (after) listIn(touched, table).push(after as AnyRow);
    else listIn(removed, table).push(id);
  }
  for (const { from, field, to } of REFERENCES) {
    const missing = reject(`The ${TABLES[to].word} that this ${TABLES[from].word} belongs to is not in the plan.`);
    for (const row of touched.get(from) ?? []) {
      const ref = (row as Record<string, unknown>)[field];
      if (ref !== null && !edit.get(to, ref as string)) return missing;
    }
    for (const id of removed.get(to) ?? []) if (edit.having(from, field as never, id).length > 0) return missing;
  }
  return null;
}

function listIn<K, V>(map: Map<K, V[]>, key: K): V[] {
  let list = map.get(key);
  if (!list) map.set(key, (list = []));
  return list;
}
