import { frontTrouble, placesOf } from '../catalogue/index.ts';
import { type Command, type CommandOf, describeCommand } from './commands.ts';
import { broughtUpToDate } from './later.ts';
import { addWall, cutCorner, removeWall, shapeWall, spreadMisclosure } from './outline.ts';
import { Edit, gone, type Ran, type Rejection, reject, type RowChange, sameRow, THING } from './edit.ts';
import { type AnyRow, type Plan, type RowOf, type TableName, TABLES, unitShape, wallsInOrder } from './plan.ts';
import { type Home, type Place, type PlanHead, type Share, type Unit } from './rows.ts';

export type { Rejection, RowChange } from './edit.ts';
export type Applied = { ok: true; plan: Plan; inverse: Command; changes: RowChange[] };
export type ApplyResult = Applied | Rejection;

/**
 * Applies one command to a plan: pure, total, the same in the browser and on the server.
 * @returns the new plan, the command that takes it back and the rows touched; or the reason why nothing was changed
 */
export function apply(plan: Plan, command: Command): ApplyResult {
  const edit = new Edit(plan);
  const trouble = run(edit, command) ?? danglingReference(edit);
  if (trouble) return trouble;
  const changes = edit.changes();
  const inverse: Command = { type: 'restore', of: describeCommand(command), changes: flip(changes) } as Command;
  return { ok: true, plan: edit.result(), inverse, changes };
}

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

function flip(changes: readonly RowChange[]): RowChange[] {
  return changes.map(({ table, id, before, after }) => ({ table, id, before: after, after: before })).reverse();
}

function run(edit: Edit, command: Command): Ran {
  switch (command.type) {
    case 'several': {
      for (const one of command.commands) {
        const trouble = run(edit, one);
        if (trouble) return trouble;
      }
      return null;
    }
    case 'restore':
      return restore(edit, command.changes as RowChange[]);
    case 'setPlan': {
      const stale = staleField(edit.planHead, command.set, command.was);
      return stale ?? edit.setHead({ ...edit.planHead, ...command.set });
    }
    case 'addWall':
      return addWall(edit, command.wall, command.at);
    case 'setWall':
      return set(edit, 'walls', command);
    case 'removeWall':
      return removeWall(edit, command.id);
    case 'spreadMisclosure':
      return spreadMisclosure(edit);
    case 'shapeWall':
      return shapeWall(edit, command);
    case 'cutCorner':
      return cutCorner(edit, command);
    case 'removeOpening':
      return removeRow(edit, 'openings', command.id, (e) => {
        for (const unit of e.all('units')) if (unit.doorId === command.id) e.put('units', { ...unit, doorId: null });
      });
    case 'removePerson': {
      const seat = edit.all('stations').find((s) => s.personId === command.id);
      if (seat)
        return reject(
          `${edit.get('people', command.id)?.name ?? 'This person'} works at ${seat.name}. Give that station to someone else first.`,
        );
      return removeRow(edit, 'people', command.id);
    }
    case 'placeUnit':
      return add(edit, 'units', command.unit) ?? circle(edit, command.unit) ?? layOut(edit, command.unit);
    case 'setUnit':
      return setUnit(edit, command);
    case 'removeUnit':
      return removeUnit(edit, command.id);
    case 'lockPlace': {
      const place = edit.get('places', command.id);
      return place ? edit.put('places', { ...place, lockable: command.lockable }) : gone('places');
    }
    case 'addSupplies': {
      for (const supply of command.supplies) {
        const trouble = add(edit, 'supplies', supply);
        if (trouble) return trouble;
      }
      return null;
    }
    case 'setSupply': {
      const trouble = set(edit, 'supplies', command);
      if (trouble) return trouble;
      const supply = edit.get('supplies', command.id)!;
      for (const share of ['working', 'backstock'] as const)
        if (supply[share] === 0) edit.remove('homes', `${supply.id}.${share}`);
      return null;
    }
    case 'removeSupply':
      return removeRow(edit, 'supplies', command.id, (e) => {
        for (const home of e.all('homes')) if (home.supplyId === command.id) e.remove('homes', home.id);
        for (const use of e.all('uses')) if (use.supplyId === command.id) e.remove('uses', use.id);
      });
    case 'removeActivity':
      return removeRow(edit, 'activities', command.id, (e) => {
        for (const use of e.all('uses')) if (use.activityId === command.id) e.remove('uses', use.id);
        for (const station of e.all('stations'))
          if (station.activityId === command.id) e.remove('stations', station.id);
        for (const flow of e.all('flows'))
          if (flow.fromId === command.id || flow.toId === command.id) e.remove('flows', flow.id);
        for (const use of e.all('machineUses')) if (use.activityId === command.id) e.remove('machineUses', use.id);
      });
    case 'addFlow':
      return handsOnToItself(command.flow) ?? add(edit, 'flows', command.flow);
    case 'setFlow':
      return set(edit, 'flows', command) ?? handsOnToItself(edit.get('flows', command.id)!);
    case 'removeParking':
      return removeRow(edit, 'parkings', command.id, (e) => {
        for (const station of e.all('stations'))
          if (station.parkingId === command.id) e.put('stations', { ...station, parkingId: null });
      });
    case 'removeOrganiser':
      return removeRow(edit, 'organisers', command.id, (e) => {
        for (const set of e.all('organiserSets')) if (set.organiserId === command.id) e.remove('organiserSets', set.id);
      });
    case 'acknowledge':
      return edit.put('acknowledgements', command.acknowledgement);
    case 'reopen':
      return removeRow(edit, 'acknowledgements', command.id);
    case 'assignHome':
      return assign(edit, command.supplyId, command.share, command.placeId, command.since, command.pinned);
    case 'leaveHome':
      edit.remove('homes', `${command.supplyId}.${command.share}`);
      return null;
    case 'pinHome': {
      const home = edit.get('homes', `${command.supplyId}.${command.share}`);
      return home ? edit.put('homes', { ...home, pinned: command.pinned }) : reject('It has no home to pin.');
    }
    case 'settle':
      return settle(edit, command.homes, command.since);
    default:
      return plainChange(edit, command);
  }
}

const PLAIN = {
  Opening: ['openings', 'opening'],
  Slope: ['slopes', 'slope'],
  Fixture: ['fixtures', 'fixture'],
  Diagonal: ['diagonals', 'diagonal'],
  FloorUse: ['floorUses', 'floorUse'],
  Person: ['people', 'person'],
  Parking: ['parkings', 'parking'],
  OwnKind: ['ownKinds', 'ownKind'],
  Organiser: ['organisers', 'organiser'],
  OrganiserSet: ['organiserSets', 'organiserSet'],
  Activity: ['activities', 'activity'],
  Use: ['uses', 'use'],
  Flow: ['flows', 'flow'],
  MachineUse: ['machineUses', 'machineUse'],
  Station: ['stations', 'station'],
} as const satisfies Record<string, readonly [TableName, string]>;
type PlainName = keyof typeof PLAIN;
type PlainCommand = Extract<Command, { type: `${'add' | 'set' | 'remove'}${PlainName}` }>;

/** Rows that come, change and go without touching any other. */
function plainChange(edit: Edit, command: PlainCommand): Ran {
  const [, verb, name] = /^(add|set|remove)(.+)$/.exec(command.type)! as unknown as [string, string, PlainName];
  const [table, key] = PLAIN[name];
  if (verb === 'add') return add(edit, table, (command as unknown as Record<string, RowOf<typeof table>>)[key]!);
  if (verb === 'set') return set(edit, table, command as { id: string; set: object });
  return removeRow(edit, table, (command as { id: string }).id);
}

function handsOnToItself(flow: { fromId: string; toId: string }): Ran {
  return flow.fromId === flow.toId ? reject('Work is handed on to another activity, not to the same one.') : null;
}

function add<T extends TableName>(edit: Edit, table: T, row: RowOf<T>): Ran {
  if (edit.get(table, row.id)) return reject(`This ${THING[table]} is in the plan already.`);
  return edit.put(table, row);
}

function set<T extends TableName>(
  edit: Edit,
  table: T,
  command: { id: string; set: object; was?: object | undefined },
): Ran {
  const row = edit.get(table, command.id);
  if (!row) return gone(table);
  return staleField(row, command.set, command.was) ?? edit.put(table, { ...row, ...command.set });
}

function staleField(row: object, next: object, was: object | undefined): Ran {
  for (const [key, seen] of Object.entries(was ?? {})) {
    const now = (row as Record<string, unknown>)[key];
    if (!sameRow(now, seen) && !sameRow(now, (next as Record<string, unknown>)[key]))
      return reject(
        `It was changed meanwhile in another tab (${key} is now ${String(now)}). Look again and repeat if you still want it.`,
      );
  }
  return null;
}

function removeRow(edit: Edit, table: TableName, id: string, also?: (edit: Edit) => void): Ran {
  if (!edit.get(table, id)) return gone(table);
  also?.(edit);
  edit.remove(table, id);
  return null;
}

/** Gives a unit the places its kind and grid call for; a place that stays keeps its homes, one that goes leaves them without a home. */
function layOut(edit: Edit, unit: Unit): Ran {
  const wrong = frontTrouble(unit.kind, unitShape(unit));
  if (wrong) return reject(`${unit.name}: ${wrong}`);
  const wanted = new Map<string, Place>();
  for (const { through, ...shape } of placesOf(unit.kind, unitShape(unit))) {
    const cell = `${unit.id}.${shape.row}.${shape.column}`;
    const id = shape.part === 0 ? cell : `${cell}.${shape.part}`;
    const throughId = through === null ? null : `${unit.id}.${shape.row}.${through}`;
    wanted.set(id, { id, unitId: unit.id, lockable: edit.get('places', id)?.lockable ?? false, ...shape, throughId });
  }
  for (const place of edit.all('places'))
    if (place.unitId === unit.id && !wanted.has(place.id)) removePlace(edit, place.id);
  for (const place of wanted.values()) {
    const trouble = edit.put('places', place);
    if (trouble) return trouble;
  }
  return null;
}

function removePlace(edit: Edit, id: string): void {
  for (const home of edit.all('homes')) if (home.placeId === id) edit.remove('homes', home.id);
  for (const set of edit.all('organiserSets')) if (set.placeId === id) edit.remove('organiserSets', set.id);
  for (const unit of edit.all('units'))
    if (unit.keptInId === id) edit.put('units', { ...unit, keptInId: null, hostId: null });
  edit.remove('places', id);
}

/** Nothing can stand on what stands on it. */
function circle(edit: Edit, unit: Unit): Ran {
  const seen = new Set([unit.id]);
  for (let host = unit.hostId; host; host = edit.get('units', host)?.hostId ?? null) {
    if (seen.has(host)) return reject(`${unit.name} cannot stand on itself.`);
    seen.add(host);
  }
  return null;
}

/** A unit that moves, turns or grows takes along what stands on it or is under it. */
function setUnit(edit: Edit, command: CommandOf<'setUnit'>): Ran {
  const before = edit.get('units', command.id);
  const trouble = set(edit, 'units', command);
  const unit = edit.get('units', command.id);
  if (trouble || !before || !unit) return trouble;
  const refit = REFIT.some((k) => k in command.set);
  const kept = keepIn(edit, before, unit);
  if (kept) return kept;
  return circle(edit, unit) ?? (refit ? layOut(edit, unit) : null) ?? carryAlong(edit, before, unit);
}
const REFIT = ['kind', 'width', 'depth', 'height', 'rows', 'columns', 'rowSizes', 'columnSizes', 'inserts'] as const;

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
  for (const guest of edit.all('units')) {
    if (guest.hostId !== after.id || guest.id === after.id) continue;
    const dx = guest.x - before.x;
    const dy = guest.y - before.y;
    const moved = {
      ...guest,
      x: tidy(after.x + dx * c + dy * s),
      y: tidy(after.y - dx * s + dy * c),
      facing: ((((guest.facing + turn) % 360) + 540) % 360) - 180,
      bottom: guest.mount === 'on' ? Math.max(0, guest.bottom + lift) : guest.bottom,
    };
    const trouble = edit.put('units', moved) ?? carryAlong(edit, guest, moved);
    if (trouble) return trouble;
  }
  return null;
}

function removeUnit(edit: Edit, id: string): Ran {
  if (!edit.get('units', id)) return gone('units');
  for (const place of edit.all('places')) if (place.unitId === id) removePlace(edit, place.id);
  for (const station of edit.all('stations'))
    if (station.unitId === id) edit.put('stations', { ...station, unitId: null });
  for (const station of edit.all('stations'))
    if (station.travellerId === id) edit.put('stations', { ...station, travellerId: null, parkingId: null });
  for (const use of edit.all('machineUses')) if (use.unitId === id) edit.remove('machineUses', use.id);
  for (const unit of edit.all('units')) if (unit.hostId === id) edit.put('units', { ...unit, hostId: null });
  for (const parking of edit.all('parkings')) if (parking.unitId === id) edit.remove('parkings', parking.id);
  edit.remove('units', id);
  return null;
}

function assign(edit: Edit, supplyId: string, share: Share, placeId: string, since: string, pinned?: boolean): Ran {
  const supply = edit.get('supplies', supplyId);
  if (!supply) return gone('supplies');
  if (!edit.get('places', placeId)) return gone('places');
  if (supply[share] === 0)
    return reject(`${supply.name} has nothing ${share === 'working' ? 'at hand' : 'in reserve'} to give a home to.`);
  const id = `${supplyId}.${share}`;
  const now = edit.get('homes', id);
  const moved = now?.placeId !== placeId;
  return edit.put('homes', {
    id,
    supplyId,
    share,
    placeId,
    pinned: pinned ?? now?.pinned ?? false,
    since: moved ? since : (now?.since ?? since),
  });
}

function settle(
  edit: Edit,
  homes: readonly { supplyId: string; share: Share; placeId: string | null }[],
  since: string,
): Ran {
  for (const { supplyId, share, placeId } of homes) {
    const now: Home | undefined = edit.get('homes', `${supplyId}.${share}`);
    if (now?.pinned && now.placeId !== placeId)
      return reject(`${edit.get('supplies', supplyId)?.name ?? 'A supply'} is pinned where it is.`);
    if (placeId === null) edit.remove('homes', `${supplyId}.${share}`);
    else {
      const trouble = assign(edit, supplyId, share, placeId, since);
      if (trouble) return trouble;
    }
  }
  return null;
}

function restore(edit: Edit, changes: readonly RowChange[]): Ran {
  for (const { table, id, before: was, after: then } of changes) {
    const [before, after] = [was, then].map((row) => row && broughtUpToDate(table, row as Record<string, unknown>));
    const now = table === 'head' ? edit.planHead : (edit.get(table, id) ?? null);
    if (!sameRow(now, before)) return reject('Something it would take back has been changed since.');
    if (table === 'head') {
      const trouble = edit.setHead(after as unknown as PlanHead);
      if (trouble) return trouble;
    } else if (after) {
      const trouble = edit.put(table, after as unknown as RowOf<typeof table>);
      if (trouble) return trouble;
    } else edit.remove(table, id);
  }
  return null;
}

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
function danglingReference(edit: Edit): Ran {
  const removed = new Set<TableName>();
  const touched = new Map<TableName, AnyRow[]>();
  for (const { table, after } of edit.changes()) {
    if (table === 'head') continue;
    if (!after) removed.add(table);
    else if (touched.has(table)) touched.get(table)!.push(after as AnyRow);
    else touched.set(table, [after as AnyRow]);
  }
  for (const [from, field, to] of REFERENCES) {
    const rows = removed.has(to) ? edit.all(from) : (touched.get(from) ?? []);
    for (const row of rows) {
      const ref = (row as Record<string, unknown>)[field];
      if (ref !== null && !edit.get(to, ref as string))
        return reject(`The ${THING[to]} that this ${THING[from]} belongs to is not in the plan.`);
    }
  }
  return null;
}

/** Checks a whole plan, as read from a file: every row against its schema, every reference. */
export function planTrouble(plan: Plan): string | null {
  const edit = new Edit({ ...plan, ...Object.fromEntries(Object.keys(TABLES).map((t) => [t, {}])) } as Plan);
  const head = edit.setHead(plan.head);
  if (head) return head.reason;
  for (const table of Object.keys(TABLES) as TableName[]) {
    for (const row of Object.values(plan[table])) {
      const trouble = edit.put(table, row as never);
      if (trouble) return trouble.reason;
    }
  }
  for (const [seq, wall] of wallsInOrder(plan).entries())
    if (wall.seq !== seq) return 'The walls are not numbered one after the other.';
  for (const home of Object.values(plan.homes))
    if (home.id !== `${home.supplyId}.${home.share}`)
      return `Home ${home.id} should be called ${home.supplyId}.${home.share}.`;
  return danglingReference(edit)?.reason ?? null;
}
