import { frontTrouble, placesOf, topPlace, type PlaceShape } from '../catalogue/index.ts';
import { placeLater, saidOfPlace } from './blank.ts';
import { type CommandOf } from './commands.ts';
import { divide } from './containers.ts';
import { circle, placeIdOf } from './contradictions.ts';
import { type Edit, gone, type Ran, reject } from './edit.ts';
import { unitShape } from './plan.ts';
import { type Place, type Unit } from './rows/index.ts';
import { stillDoubted } from './said-anew.ts';

/** A compartment of a unit as a place of the plan, kept for nothing in particular. */
export function placeFrom(unitId: string, { through, ...shape }: PlaceShape): Place {
  const throughId = through === null ? null : placeIdOf(unitId, { row: shape.row, column: through, part: 0 });
  return { ...placeLater(), id: placeIdOf(unitId, shape), unitId, lockable: false, ...shape, throughId };
}

/** A place as it is once the doors before it are off: seen, unless something else shuts it. */
function withoutDoor(place: Place): Place {
  const covers = place.covers.filter((c) => c !== 'door');
  return covers.length === place.covers.length ? place : { ...place, covers, seen: covers.length === 0 || place.seen };
}

/** Gives a unit the places its kind and grid call for; a place that stays keeps its homes, one that goes leaves them without a home. */
export function layOut(edit: Edit, unit: Unit): Ran {
  const shape = unitShape(unit);
  const wrong = frontTrouble(unit.kind, shape);
  if (wrong) return reject(`${unit.name}: ${wrong}`);
  const top = topPlace(unit.kind, unit.mount, shape);
  const places = [...placesOf(unit.kind, shape), ...(top ? [top] : [])]
    .map((p) => placeFrom(unit.id, p))
    .map((p) => (unit.doorsOff ? withoutDoor(p) : p));
  const wanted = new Set(places.map((p) => p.id));
  for (const place of edit.having('places', 'unitId', unit.id)) {
    if (place.inId !== null || wanted.has(place.id) || !edit.get('places', place.id)) continue;
    const trouble = edit.takeOut('places', place.id);
    if (trouble) return trouble;
  }
  for (const place of places) {
    const before = edit.get('places', place.id);
    const said = before ? { ...saidOfPlace(before), lockable: before.lockable } : {};
    const trouble = edit.put('places', { ...place, ...said }) ?? (before ? lanesRefitted(edit, before, place) : null);
    if (trouble) return trouble;
  }
  return null;
}

/** The lanes of a drawer that has changed its size keep theirs, all but the last, which takes what is left; where that is nothing, they go. */
function lanesRefitted(edit: Edit, before: Place, place: Place): Ran {
  const parts = edit
    .having('places', 'inId', place.id)
    .filter((p) => p.organiserId === null)
    .sort((a, b) => a.column - b.column);
  const same = before.width === place.width && before.depth === place.depth && before.height === place.height;
  if (parts.length === 0 || same) return null;
  const kind = parts[0]!.kind;
  if (kind !== 'lane') return divide(edit, place.id, `${kind === 'slot' ? 'slots' : 'trays'} ${parts.length}`);
  const rows = parts.some((p) => p.front > 0);
  const sizes = parts.slice(0, -1).map((p) => String(rows ? p.depth : p.width));
  const even = parts.map(() => 'rest');
  const kept = divide(edit, place.id, `${rows ? 'rows' : 'lanes'} ${[...sizes, 'rest'].join(',')}`);
  return kept ? divide(edit, place.id, `${rows ? 'rows' : 'lanes'} ${even.join(',')}`) : null;
}

/** A unit that moves, turns or grows takes along what stands on it or is under it. */
export function setUnit(edit: Edit, command: CommandOf<'setUnit'>, set: (command: CommandOf<'setUnit'>) => Ran): Ran {
  const before = edit.get('units', command.id);
  const trouble = set(before ? { ...command, set: { ...stillDoubted(before, command.set), ...command.set } } : command);
  const unit = edit.get('units', command.id);
  if (trouble || !before || !unit) return trouble;
  const refit = REFIT.some((k) => k in command.set);
  const kept = keepIn(edit, before, unit);
  if (kept) return kept;
  return circle(edit, unit) ?? (refit ? layOut(edit, unit) : null) ?? carryAlong(edit, before, unit);
}
const REFIT = [
  'kind',
  'mount',
  'width',
  'depth',
  'height',
  'rows',
  'columns',
  'rowSizes',
  'columnSizes',
  'inserts',
  'doorsOff',
] as const;

/** A box put away stands in the place it is kept in and moves with that place's unit; taken out, it stands by itself. */
function keepIn(edit: Edit, before: Unit, unit: Unit): Ran {
  if (unit.keptInId === before.keptInId) return null;
  if (unit.keptInId === null) return edit.put('units', { ...unit, hostId: null });
  const place = edit.get('places', unit.keptInId);
  const holder = place && edit.get('units', place.unitId);
  if (!place || !holder) return gone('places');
  if (holder.id === unit.id) return reject(`${unit.name} cannot be kept in itself.`);
  const rad = (holder.facing * Math.PI) / 180;
  const u = place.left + place.width / 2 - holder.width / 2;
  const v = holder.depth / 2 - place.front - place.depth / 2;
  const at = {
    x: holder.x - Math.cos(rad) * u + Math.sin(rad) * v,
    y: holder.y + Math.sin(rad) * u + Math.cos(rad) * v,
    facing: holder.facing,
    bottom: holder.bottom + place.bottom,
    hostId: holder.id,
  };
  const moved = { ...unit, ...at };
  return edit.put('units', moved) ?? circle(edit, moved);
}

function carryAlong(edit: Edit, before: Unit, after: Unit): Ran {
  const turn = after.facing - before.facing;
  const lift = after.bottom + after.height - before.bottom - before.height;
  if (before.x === after.x && before.y === after.y && turn === 0 && lift === 0) return null;
  const c = Math.cos((turn * Math.PI) / 180);
  const s = Math.sin((turn * Math.PI) / 180);
  const tidy = (mm: number) => Math.round(mm * 1000) / 1000;
  for (const guest of edit.having('units', 'hostId', after.id)) {
    if (guest.id === after.id) continue;
    const dx = guest.x - before.x;
    const dy = guest.y - before.y;
    const moved = {
      ...guest,
      x: tidy(after.x + dx * c + dy * s),
      y: tidy(after.y - dx * s + dy * c),
      facing: ((((guest.facing + turn) % 360) + 540) % 360) - 180,
      // what stands on a top or hangs from it goes up and down with it
      bottom:
        guest.mount === 'on' || (guest.mount === 'under' && guest.bottom > 0)
          ? Math.max(0, guest.bottom + lift)
          : guest.bottom,
    };
    const trouble = edit.put('units', moved) ?? carryAlong(edit, guest, moved);
    if (trouble) return trouble;
  }
  return null;
}
