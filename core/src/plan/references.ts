import { type AnyRow, type TableName } from './plan.ts';
import { type Edit, type Ran, reject, THING } from './edit.ts';

/** Which field of which table names a row of which other one. */
const REFERENCES: [TableName, string, TableName][] = [
  ['openings', 'wallId', 'walls'],
  ['slopes', 'wallId', 'walls'],
  ['fixtures', 'wallId', 'walls'],
  ['diagonals', 'fromWallId', 'walls'],
  ['diagonals', 'toWallId', 'walls'],
  ['units', 'hostId', 'units'],
  ['units', 'doorId', 'openings'],
  ['parkings', 'unitId', 'units'],
  ['places', 'unitId', 'units'],
  ['places', 'throughId', 'places'],
  ['organiserSets', 'organiserId', 'organisers'],
  ['organiserSets', 'placeId', 'places'],
  ['uses', 'activityId', 'activities'],
  ['uses', 'supplyId', 'supplies'],
  ['stations', 'activityId', 'activities'],
  ['stations', 'personId', 'people'],
  ['units', 'keptInId', 'places'],
  ['flows', 'fromId', 'activities'],
  ['flows', 'toId', 'activities'],
  ['machineUses', 'activityId', 'activities'],
  ['machineUses', 'unitId', 'units'],
  ['stations', 'unitId', 'units'],
  ['stations', 'travellerId', 'units'],
  ['stations', 'parkingId', 'parkings'],
  ['homes', 'supplyId', 'supplies'],
  ['homes', 'placeId', 'places'],
];

/** Every reference of every row touched, and every reference to a row removed, must hold. */
export function danglingReference(edit: Edit): Ran {
  const removed = new Map<TableName, string[]>();
  const touched = new Map<TableName, AnyRow[]>();
  for (const { table, id, after } of edit.changes()) {
    if (table === 'head') continue;
    if (after) listIn(touched, table).push(after as AnyRow);
    else listIn(removed, table).push(id);
  }
  for (const [from, field, to] of REFERENCES) {
    const missing = reject(`The ${THING[to]} that this ${THING[from]} belongs to is not in the plan.`);
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
