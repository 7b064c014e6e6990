import { frontTrouble, placesOf } from '../catalogue/index.ts';
import { type Command, type CommandOf, describeCommand, type Restore } from './commands.ts';
import { circle, contradiction, handsOnToItself, placeIdOf, touchedContradiction } from './contradictions.ts';
import { broughtUpToDate } from './later.ts';
import { danglingReference } from './references.ts';
import { addWall, cutCorner, removeWall, shapeWall, spreadMisclosure } from './outline.ts';
import { Edit, gone, type Ran, type Rejection, reject, type RowChange, sameRow, THING } from './edit.ts';
import { type AnyRow, type Plan, type RowOf, type TableName, TABLES, unitShape, wallsInOrder } from './plan.ts';
import { type Home, type Place, type PlanHead, type Share, type Unit } from './rows.ts';

export type { Rejection, RowChange } from './edit.ts';
export type Applied = { ok: true; plan: Plan; inverse: Restore; changes: RowChange[] };
export type ApplyResult = Applied | Rejection;

/**
 * Applies one command to a plan: pure, total, the same in the browser and on the server.
 * @returns the new plan, the command that takes it back and the rows touched; or the reason why nothing was changed
 */
export function apply(plan: Plan, command: Command | Restore): ApplyResult {
  const edit = new Edit(plan);
  const trouble = run(edit, command) ?? danglingReference(edit) ?? touchedContradiction(edit);
  if (trouble) return trouble;
  const changes = edit.changes();
  return { ok: true, plan: edit.result(), inverse: inverseOf(describeCommand(command), changes), changes };
}

/** The command that takes changes of rows back. */
export function inverseOf(words: string, changes: readonly RowChange[]): Restore {
  const flipped = changes.map(({ table, id, before, after }) => ({ table, id, before: after, after: before }));
  return { type: 'restore', of: words, changes: flipped.reverse() };
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
  for (const table of Object.keys(TABLES) as TableName[]) {
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

function run(edit: Edit, command: Command | Restore): Ran {
  switch (command.type) {
    case 'several': {
      for (const one of command.commands) {
        const trouble = run(edit, one);
        if (trouble) return trouble;
      }
      return null;
    }
    case 'restore':
      return restore(edit, command.changes);
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
        for (const unit of e.having('units', 'doorId', command.id)) e.put('units', { ...unit, doorId: null });
      });
    case 'removePerson': {
      const [seat] = edit.having('stations', 'personId', command.id);
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
        for (const home of e.having('homes', 'supplyId', command.id)) e.remove('homes', home.id);
        for (const use of e.having('uses', 'supplyId', command.id)) e.remove('uses', use.id);
      });
    case 'removeActivity':
      return removeRow(edit, 'activities', command.id, (e) => {
        for (const table of ['uses', 'stations', 'machineUses'] as const)
          for (const row of e.having(table, 'activityId', command.id)) e.remove(table, row.id);
        for (const end of ['fromId', 'toId'] as const)
          for (const flow of e.having('flows', end, command.id)) e.remove('flows', flow.id);
      });
    case 'addFlow':
      return handsOnToItself(command.flow) ?? add(edit, 'flows', command.flow);
    case 'setFlow':
      return set(edit, 'flows', command) ?? handsOnToItself(edit.get('flows', command.id)!);
    case 'removeParking':
      return removeRow(edit, 'parkings', command.id, (e) => {
        for (const station of e.having('stations', 'parkingId', command.id))
          e.put('stations', { ...station, parkingId: null });
      });
    case 'removeOrganiser':
      return removeRow(edit, 'organisers', command.id, (e) => {
        for (const set of e.having('organiserSets', 'organiserId', command.id)) e.remove('organiserSets', set.id);
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
    // what was kept by earlier versions may be written with other code points for the same letters
    const same = typeof now === 'string' ? now.normalize('NFC') === seen : sameRow(now, seen);
    if (!same && !sameRow(now, (next as Record<string, unknown>)[key]))
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
    const id = placeIdOf(unit.id, shape);
    const throughId = through === null ? null : placeIdOf(unit.id, { row: shape.row, column: through, part: 0 });
    wanted.set(id, { id, unitId: unit.id, lockable: edit.get('places', id)?.lockable ?? false, ...shape, throughId });
  }
  for (const place of edit.having('places', 'unitId', unit.id)) if (!wanted.has(place.id)) removePlace(edit, place.id);
  for (const place of wanted.values()) {
    const trouble = edit.put('places', place);
    if (trouble) return trouble;
  }
  return null;
}

function removePlace(edit: Edit, id: string): void {
  for (const home of edit.having('homes', 'placeId', id)) edit.remove('homes', home.id);
  for (const set of edit.having('organiserSets', 'placeId', id)) edit.remove('organiserSets', set.id);
  for (const unit of edit.having('units', 'keptInId', id)) edit.put('units', { ...unit, keptInId: null, hostId: null });
  edit.remove('places', id);
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
  for (const guest of edit.having('units', 'hostId', after.id)) {
    if (guest.id === after.id) continue;
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
  for (const place of edit.having('places', 'unitId', id)) removePlace(edit, place.id);
  for (const station of edit.having('stations', 'unitId', id)) edit.put('stations', { ...station, unitId: null });
  for (const station of edit.having('stations', 'travellerId', id))
    edit.put('stations', { ...station, travellerId: null, parkingId: null });
  for (const use of edit.having('machineUses', 'unitId', id)) edit.remove('machineUses', use.id);
  for (const unit of edit.having('units', 'hostId', id)) edit.put('units', { ...unit, hostId: null });
  for (const parking of edit.having('parkings', 'unitId', id)) edit.remove('parkings', parking.id);
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
  for (const table of Object.keys(TABLES) as TableName[])
    for (const row of Object.values(plan[table])) {
      const trouble = contradiction(edit, table, row as AnyRow);
      if (trouble) return trouble.reason;
    }
  return danglingReference(edit)?.reason ?? null;
}
