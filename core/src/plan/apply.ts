import { placesOf } from '../catalogue/index.ts';
import { surveyWalls } from '../survey/index.ts';
import { angleBetween, distance, heading } from '../geometry/index.ts';
import { type Command, describeCommand } from './commands.ts';
import { Edit, type Rejection, reject, type RowChange, sameRow } from './edit.ts';
import { type AnyRow, type Plan, type RowOf, type TableName, TABLES, unitShape, wallsInOrder } from './plan.ts';
import { type Home, type Place, type PlanHead, type Share, type Unit, type Wall } from './rows.ts';

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

type Ran = Rejection | null;

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
    case 'addOpening':
      return add(edit, 'openings', command.opening);
    case 'setOpening':
      return set(edit, 'openings', command);
    case 'removeOpening':
      return removeRow(edit, 'openings', command.id);
    case 'addPerson':
      return add(edit, 'people', command.person);
    case 'setPerson':
      return set(edit, 'people', command);
    case 'removePerson': {
      const seat = edit.all('stations').find((s) => s.personId === command.id);
      if (seat)
        return reject(
          `${edit.get('people', command.id)?.name ?? 'This person'} works at ${seat.name}. Give that station to someone else first.`,
        );
      return removeRow(edit, 'people', command.id);
    }
    case 'placeUnit':
      return add(edit, 'units', command.unit) ?? layOut(edit, command.unit);
    case 'setUnit': {
      const trouble = set(edit, 'units', command);
      const unit = edit.get('units', command.id);
      const refit = ['kind', 'width', 'depth', 'height', 'rows', 'columns'].some((k) => k in command.set);
      return trouble ?? (unit && refit ? layOut(edit, unit) : null);
    }
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
    case 'addActivity':
      return add(edit, 'activities', command.activity);
    case 'setActivity':
      return set(edit, 'activities', command);
    case 'removeActivity':
      return removeRow(edit, 'activities', command.id, (e) => {
        for (const use of e.all('uses')) if (use.activityId === command.id) e.remove('uses', use.id);
        for (const station of e.all('stations'))
          if (station.activityId === command.id) e.remove('stations', station.id);
      });
    case 'addUse':
      return add(edit, 'uses', command.use);
    case 'setUse':
      return set(edit, 'uses', command);
    case 'removeUse':
      return removeRow(edit, 'uses', command.id);
    case 'addStation':
      return add(edit, 'stations', command.station);
    case 'setStation':
      return set(edit, 'stations', command);
    case 'removeStation':
      return removeRow(edit, 'stations', command.id);
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
  }
}

const THING: Record<TableName, string> = {
  walls: 'wall',
  openings: 'door or window',
  people: 'person',
  units: 'unit',
  places: 'place',
  supplies: 'supply',
  activities: 'activity',
  uses: 'use',
  stations: 'station',
  homes: 'home',
};
const gone = (table: TableName) => reject(`This ${THING[table]} is not in the plan any more.`);

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

function renumber(edit: Edit, walls: readonly Wall[]): Ran {
  for (const [seq, wall] of walls.entries()) {
    const trouble = wall.seq === seq && edit.get('walls', wall.id) ? null : edit.put('walls', { ...wall, seq });
    if (trouble) return trouble;
  }
  return null;
}

function orderedWalls(edit: Edit): Wall[] {
  return edit.all('walls').sort((a, b) => a.seq - b.seq);
}

function addWall(edit: Edit, wall: Omit<Wall, 'seq'>, at: number | undefined): Ran {
  if (edit.get('walls', wall.id)) return reject('This wall is in the plan already.');
  const walls = orderedWalls(edit);
  if (walls.length >= 60) return reject('A room has at most 60 walls here.');
  walls.splice(at ?? walls.length, 0, { ...wall, seq: -1 });
  return renumber(edit, walls);
}

function removeWall(edit: Edit, id: string): Ran {
  if (!edit.get('walls', id)) return gone('walls');
  for (const opening of edit.all('openings')) if (opening.wallId === id) edit.remove('openings', opening.id);
  edit.remove('walls', id);
  return renumber(edit, orderedWalls(edit));
}

/** Replaces lengths and turns by those of the outline corrected by the compass rule. */
function spreadMisclosure(edit: Edit): Ran {
  const walls = orderedWalls(edit);
  if (walls.length < 3) return reject('A room needs at least three walls before its misclosure can be spread.');
  const { outline } = surveyWalls(walls);
  const n = outline.length;
  const bearing = outline.map((p, i) => heading(p, outline[(i + 1) % n]!));
  for (const [i, wall] of walls.entries()) {
    const length = distance(outline[i]!, outline[(i + 1) % n]!);
    const turn = angleBetween(bearing[i]!, bearing[(i + 1) % n]!);
    if (length < 1) return reject('Spreading the misclosure would make a wall vanish. Measure again first.');
    const trouble = edit.put('walls', {
      ...wall,
      length: Math.round(length * 1000) / 1000,
      turn: Math.round(turn * 1e6) / 1e6,
    });
    if (trouble) return trouble;
  }
  return null;
}

/** Gives a unit the places its kind and grid call for; a place that stays keeps its homes, one that goes leaves them without a home. */
function layOut(edit: Edit, unit: Unit): Ran {
  const wanted = new Map<string, Place>();
  for (const shape of placesOf(unit.kind, unitShape(unit))) {
    const id = `${unit.id}.${shape.row}.${shape.column}`;
    wanted.set(id, { id, unitId: unit.id, lockable: edit.get('places', id)?.lockable ?? false, ...shape });
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
  edit.remove('places', id);
}

function removeUnit(edit: Edit, id: string): Ran {
  if (!edit.get('units', id)) return gone('units');
  for (const place of edit.all('places')) if (place.unitId === id) removePlace(edit, place.id);
  for (const station of edit.all('stations'))
    if (station.unitId === id) edit.put('stations', { ...station, unitId: null });
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
  for (const { table, id, before, after } of changes) {
    const now = table === 'head' ? edit.planHead : (edit.get(table, id) ?? null);
    if (!sameRow(now, before)) return reject('Something it would take back has been changed since.');
    if (table === 'head') {
      const trouble = edit.setHead(after as PlanHead);
      if (trouble) return trouble;
    } else if (after) {
      const trouble = edit.put(table, after as RowOf<typeof table>);
      if (trouble) return trouble;
    } else edit.remove(table, id);
  }
  return null;
}

const REFERENCES: [TableName, string, TableName][] = [
  ['openings', 'wallId', 'walls'],
  ['places', 'unitId', 'units'],
  ['uses', 'activityId', 'activities'],
  ['uses', 'supplyId', 'supplies'],
  ['stations', 'activityId', 'activities'],
  ['stations', 'personId', 'people'],
  ['stations', 'unitId', 'units'],
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
