import { type Edit, type Ran, reject } from './edit.ts';
import { type Flow, type Home, type Place, type Unit } from './rows/index.ts';
import { type AnyRow, type TableName } from './tables.ts';

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

/** A compartment is named for its cell, so that no cell has two, and is got at through the same unit; what stands in a place stands in that place’s unit. */
function strangePlace(edit: Edit, place: Place): Ran {
  if (place.inId !== null) return strangeContainer(edit, place, place.inId);
  if (place.id !== placeIdOf(place.unitId, place)) return reject(`The place ${place.id} is not named for its cell.`);
  if (place.organiserId !== null) return reject(`${place.name} is a container and stands nowhere.`);
  const through = place.throughId === null ? place : edit.get('places', place.throughId);
  return through && (through.unitId !== place.unitId || place.throughId === place.id)
    ? reject(`The place ${place.id} cannot be got at through ${place.throughId}.`)
    : null;
}

function strangeContainer(edit: Edit, place: Place, inId: string): Ran {
  const seen = new Set([place.id]);
  for (let in_: string | null = inId; in_ !== null; in_ = edit.get('places', in_)?.inId ?? null) {
    if (seen.has(in_)) return reject(`${place.name} cannot stand in itself.`);
    seen.add(in_);
  }
  if (seen.size > MOST_DEEP) return reject(`${place.name} would stand more than ${MOST_DEEP} places deep.`);
  const holder = edit.get('places', inId);
  return holder && holder.unitId !== place.unitId
    ? reject(`${place.name} stands in a place of another unit than it says.`)
    : null;
}
/** Boxes in boxes: deeper than this nobody finds anything. */
const MOST_DEEP = 12;

/** A share has one home in a place and at most one that takes the rest. */
function strangeHome(edit: Edit, home: Home): Ran {
  for (const other of edit.having('homes', 'supplyId', home.supplyId)) {
    if (other.id === home.id || other.share !== home.share) continue;
    if (other.placeId === home.placeId) return reject(`The homes ${home.id} and ${other.id} are in one place.`);
    if (other.count === null && home.count === null)
      return reject(`The homes ${home.id} and ${other.id} both take the rest.`);
  }
  return null;
}

export const handsOnToItself = (flow: Flow): Ran =>
  flow.fromId === flow.toId ? reject('Work is handed on to another activity, not to the same one.') : null;

/** Whether a row contradicts itself or the rows it belongs with: what its schema alone cannot see and the database would not take, or could not use. */
export function contradiction(edit: Edit, table: TableName, row: AnyRow): Ran {
  if (table === 'units') return circle(edit, row as Unit) ?? keptElsewhere(edit, row as Unit);
  if (table === 'places') return strangePlace(edit, row as Place);
  if (table === 'homes') return strangeHome(edit, row as Home);
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
