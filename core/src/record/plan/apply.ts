import { type Command, describeCommand, plainOf, type Restore, type Sent } from './commands.ts';
import { divide, moveContainer, remeasured, standIn, takeOut } from './containers.ts';
import { circle, handsOnToItself, touchedContradiction } from './contradictions.ts';
import { Edit, gone, type Ran, type Rejection, reject, type RowChange, sameRow } from './edit.ts';
import { makeMove, planMoves } from './move-commands.ts';
import { assignHome, leaveHome, pinHome, settle } from './home-commands.ts';
import { changesUpToDate } from './later.ts';
import { gatherMonths, gatherWhenLong, LOG_TABLES } from './log-months.ts';
import { addWall, cutCorner, removeWall, shapeWall, spreadMisclosure } from './outline.ts';
import { type Plan } from './plan.ts';
import { danglingReference } from './references.ts';
import { countSupply, mergeSupplies, setSupply } from './supply-commands.ts';
import { measuredAnew } from './said-anew.ts';
import { type DiaryEntry, type PlanHead } from './rows/index.ts';
import { type AnyRow, type RowOf, type TableName, TABLES } from './tables.ts';
import { layOut, setUnit } from './units.ts';

export type { Rejection, RowChange } from './edit.ts';
export type Applied = { ok: true; plan: Plan; inverse: Restore; changes: RowChange[] };
export type ApplyResult = Applied | Rejection;

/**
 * Applies one command to a plan: pure, total, the same in the browser and on the server.
 * @returns the new plan, the command that takes it back and the rows touched; or the reason why nothing was changed
 */
export function apply(plan: Plan, command: Sent | Restore): ApplyResult {
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

function run(edit: Edit, command: Sent | Restore): Ran {
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
    case 'placeUnit':
      return add(edit, 'units', command.unit) ?? circle(edit, command.unit) ?? layOut(edit, command.unit);
    case 'setUnit':
      return setUnit(edit, command, (given) => set(edit, 'units', given));
    case 'removeUnit':
      return edit.takeOut('units', command.id);
    case 'setPlace':
      return set(edit, 'places', command);
    case 'standIn':
      return standIn(edit, command);
    case 'moveContainer':
      return moveContainer(edit, command);
    case 'takeOut':
      return takeOut(edit, command.id);
    case 'divide':
      return divide(edit, command.id, command.into);
    case 'setOrganiser': {
      const before = edit.get('organisers', command.id);
      return set(edit, 'organisers', command) ?? remeasured(edit, before!, edit.get('organisers', command.id)!);
    }
    case 'addSupplies': {
      for (const supply of command.supplies) {
        const trouble = add(edit, 'supplies', supply);
        if (trouble) return trouble;
      }
      return null;
    }
    case 'setSupply':
      return setSupply(edit, command, (given) => set(edit, 'supplies', given));
    case 'countSupply':
      return countSupply(edit, command, (given) => set(edit, 'supplies', given));
    case 'mergeSupplies':
      return mergeSupplies(edit, command);
    case 'removeSupply':
      return edit.takeOut('supplies', command.id);
    case 'addFlow':
      return handsOnToItself(command.flow) ?? add(edit, 'flows', command.flow);
    case 'setFlow':
      return set(edit, 'flows', command) ?? handsOnToItself(edit.get('flows', command.id)!);
    case 'acknowledge':
      return edit.put('acknowledgements', command.acknowledgement);
    case 'putOff':
      return edit.put('putOffs', command.putOff);
    case 'jot':
      return jot(edit, command.entries);
    case 'gather':
      return gatherMonths(edit, command.before);
    case 'reopen':
      return edit.takeOut('acknowledgements', command.id);
    case 'assignHome':
      return assignHome(edit, command);
    case 'leaveHome':
      return leaveHome(edit, command);
    case 'pinHome':
      return pinHome(edit, command);
    case 'settle':
      return settle(edit, command);
    case 'planMoves':
      return planMoves(edit, command);
    case 'makeMove':
      return makeMove(edit, command);
    default:
      return plainChange(edit, command);
  }
}

/** Rows that come, change and go as their tables say. */
function plainChange(edit: Edit, command: Command): Ran {
  const plain = plainOf(command.type)!;
  const given = command as unknown as { id: string; set: object } & Record<string, AnyRow>;
  if (plain.verb === 'add') return add(edit, plain.table, given[plain.field] as never);
  if (plain.verb === 'remove') return edit.takeOut(plain.table, given.id);
  const onWall = plain.table === 'openings' || plain.table === 'fixtures';
  return set(edit, plain.table as TableName, onWall ? { ...given, set: measuredAnew(given.set) } : given);
}

function add<T extends TableName>(edit: Edit, table: T, row: RowOf<T>): Ran {
  if (edit.get(table, row.id)) return reject(`This ${TABLES[table].word} is in the plan already.`);
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

/** Lines come to the log and stay: one that is there already is the same one sent again. A log that grows too long has its oldest months gathered. */
function jot(edit: Edit, entries: readonly DiaryEntry[]): Ran {
  for (const entry of entries) {
    if (edit.get('diary', entry.id)) continue;
    const trouble = edit.put('diary', entry);
    if (trouble) return trouble;
  }
  return gatherWhenLong(edit);
}

function restore(edit: Edit, changes: readonly RowChange[]): Ran {
  for (const { table, id, before, after } of changesUpToDate(changes, (table, id) => edit.get(table, id))) {
    if (LOG_TABLES.has(table)) return reject('The log is not taken back: strike the line instead.');
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
