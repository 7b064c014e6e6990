import { type Edit, type Ran, reject } from './edit.ts';
import { type AnyRow, type TableName } from './plan.ts';
import { type Flow, type Home, type Place, type Unit } from './rows.ts';

/** Nothing can stand on what stands on it. */
export function circle(edit: Edit, unit: Unit): Ran {
  const seen = new Set([unit.id]);
  for (let host = unit.hostId; host; host = edit.get('units', host)?.hostId ?? null) {
    if (seen.has(host)) return reject(`${unit.name} cannot stand on itself.`);
    seen.add(host);
  }
  return null;
}

/** A box put away stands on the unit of the place it is kept in. */
function keptElsewhere(edit: Edit, unit: Unit): Ran {
  if (unit.keptInId === null) return null;
  const place = edit.get('places', unit.keptInId);
  if (place?.unitId === unit.id) return reject(`${unit.name} cannot be kept in itself.`);
  return place && place.unitId !== unit.hostId
    ? reject(`${unit.name} is kept in one unit and said to stand on another.`)
    : null;
}

/** The id of the place in a cell of a unit’s front. */
export const placeIdOf = (unitId: string, cell: { row: number; column: number; part: number }): string =>
  `${unitId}.${cell.row}.${cell.column}${cell.part === 0 ? '' : `.${cell.part}`}`;

/** A place is named for its cell, so that no cell has two, and is got at through the same unit. */
function strangePlace(edit: Edit, place: Place): Ran {
  if (place.id !== placeIdOf(place.unitId, place)) return reject(`The place ${place.id} is not named for its cell.`);
  const through = place.throughId === null ? place : edit.get('places', place.throughId);
  return through && (through.unitId !== place.unitId || place.throughId === place.id)
    ? reject(`The place ${place.id} cannot be got at through ${place.throughId}.`)
    : null;
}

const strangeHome = (home: Home): Ran =>
  home.id === `${home.supplyId}.${home.share}`
    ? null
    : reject(`Home ${home.id} should be called ${home.supplyId}.${home.share}.`);

export const handsOnToItself = (flow: Flow): Ran =>
  flow.fromId === flow.toId ? reject('Work is handed on to another activity, not to the same one.') : null;

/** Whether a row contradicts itself or the rows it belongs with: what its schema alone cannot see and the database would not take, or could not use. */
export function contradiction(edit: Edit, table: TableName, row: AnyRow): Ran {
  if (table === 'units') return circle(edit, row as Unit) ?? keptElsewhere(edit, row as Unit);
  if (table === 'places') return strangePlace(edit, row as Place);
  if (table === 'homes') return strangeHome(row as Home);
  return table === 'flows' ? handsOnToItself(row as Flow) : null;
}

/** The first contradiction in the rows a command has touched. */
export function touchedContradiction(edit: Edit): Ran {
  for (const { table, after } of edit.changes()) {
    if (table === 'head' || !after) continue;
    const found = contradiction(edit, table, after as AnyRow);
    if (found) return found;
  }
  return null;
}
