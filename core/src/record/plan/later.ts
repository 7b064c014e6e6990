import { topPlace } from '../catalogue/index.ts';
import { type Command } from './commands.ts';
import { type RowChange } from './edit.ts';
import { emptyPlan, unitShape } from './plan.ts';
import { plainOf } from './commands.ts';
import { setAsPlaces, type OrganiserSet } from './organiser-sets.ts';
import { type Organiser, type Place, type Unit } from './rows/index.ts';
import { type TableName, TABLES, TABLE_NAMES } from './tables.ts';
import { placeFrom } from './units.ts';

type Row = Record<string, unknown>;

/** What heads written by earlier versions leave out. */
const HEAD_LATER = [
  'region',
  'latitude',
  'longitude',
  'bearing',
  'forkedFrom',
  'seen',
  'tools',
  'packaging',
  'leaving',
  'newThings',
  'display',
  'weighFamilies',
  'weighHarm',
  'weighOrder',
  'weighZones',
  'weighMoving',
  'weighAgain',
] as const;

/**
 * A row as it is kept today from one written by an earlier version (a plan file, the log of changes): fields that came later get the
 * value that leaves everything as it was. A row of today comes back as it is.
 */
export function broughtUpToDate(table: TableName | 'head', row: Row): Row {
  if (table === 'head') {
    const head: Row = emptyPlan('').head;
    // before there were labels nothing was looked for
    return filled(row, { ...Object.fromEntries(HEAD_LATER.map((field) => [field, head[field]])), labels: 'memory' });
  }
  return filled(row, TABLES[table].later(row));
}

function filled(row: Row, later: Row): Row {
  const missing = Object.keys(later).filter((field) => !(field in row));
  return missing.length === 0
    ? row
    : { ...row, ...Object.fromEntries(missing.map((f) => [f, structuredClone(later[f])])) };
}

/** Drawers for sheets and for hanging files were plain drawers once. */
const OTHER_DRAWERS: Record<string, string> = { sheetChest: 'sheetDrawer', fileDrawer: 'files' };

/** A place as it is kept today, from one written by an earlier version for a unit of some kind. */
export function placeUpToDate(row: Row, unitKind: unknown): Row {
  const kind = !('zoneId' in row) && row.kind === 'drawer' ? OTHER_DRAWERS[String(unitKind)] : undefined;
  return broughtUpToDate('places', kind ? { ...row, kind } : row);
}

/** Looks up a row as it is now. */
export type Find = (table: 'organisers' | 'places' | 'units', id: string) => Row | undefined;

/** The top of a unit as a place, as the unit had it; none for a kind without. */
export function topOf(unit: Unit): Place | null {
  const shape = topPlace(unit.kind, unit.mount, unitShape(unit));
  return shape && placeFrom(unit.id, shape);
}

/**
 * Changes written by an earlier version as they would be written today: rows with the fields that came later, the tops of units that were no
 * places then, and sets of organisers as the containers they are now. Changes of today come back as they are.
 */
export function changesUpToDate(changes: readonly RowChange[], find: Find): RowChange[] {
  const earlier = changes as readonly (Omit<RowChange, 'table'> & { table: string })[];
  // rows that come with the same changes are not there yet
  const known: Find = (table, id) =>
    (earlier.find((c) => c.table === table && c.id === id && c.after)?.after as Row | undefined) ??
    find(table, id) ??
    (earlier.find((c) => c.table === table && c.id === id)?.before as Row | undefined);
  return earlier.flatMap((change): RowChange[] => {
    const { table, id } = change;
    if (table === 'organiserSets') {
      const places = (row: unknown): Place[] => {
        const set = row as OrganiserSet | null;
        const organiser = set && known('organisers', set.organiserId);
        const place = set && known('places', set.placeId);
        return set && organiser && place
          ? setAsPlaces(
              set,
              broughtUpToDate('organisers', organiser) as unknown as Organiser,
              broughtUpToDate('places', place) as unknown as Place,
            )
          : [];
      };
      return replaced(places(change.before), places(change.after));
    }
    const row = (value: RowChange['after']) => {
      if (!value) return null;
      const written = value as Row;
      const upToDate =
        table === 'places'
          ? placeUpToDate(written, known('units', String(written.unitId))?.kind)
          : broughtUpToDate(table as TableName, written);
      return upToDate as RowChange['after'];
    };
    const now = { ...change, before: row(change.before), after: row(change.after) } as RowChange;
    const old = [change.before, change.after].some((r) => r !== null && !('zoneId' in r));
    if (table !== 'units' || !old) return [now];
    const tops = [now.before, now.after].map((unit) => {
      const top = unit && topOf(unit as Unit);
      return top ? [top] : [];
    });
    return [now, ...replaced(tops[0]!, tops[1]!).map((c) => ({ ...c, id: c.id || id }))];
  });
}

/** Rows of places that come in the stead of others. */
function replaced(before: readonly Place[], after: readonly Place[]): RowChange[] {
  const ids = [...new Set([...before, ...after].map((p) => p.id))];
  const of = (list: readonly Place[], id: string) => list.find((p) => p.id === id) ?? null;
  return ids.map((id) => ({ table: 'places', id, before: of(before, id), after: of(after, id) }));
}

type OldCommand = { type: string } & Row;

/** A command of the log as it would be given today: what it brings gets the fields that came later, what is done otherwise now is done so. */
export function commandUpToDate(command: Command, find: Find): Command {
  const old = command as unknown as OldCommand;
  const several = (words: string, commands: unknown[]) => ({ type: 'several', words, commands }) as unknown as Command;
  const out = (ids: readonly string[]) => ids.map((id) => ({ type: 'takeOut', id }));
  const into = (set: OrganiserSet, from = 0) => {
    const [organiser, place] = [find('organisers', set.organiserId), find('places', set.placeId)];
    if (!organiser || !place) return [];
    const upToDate = broughtUpToDate('organisers', organiser) as unknown as Organiser;
    return setAsPlaces(set, upToDate, broughtUpToDate('places', place) as unknown as Place)
      .slice(from)
      .map(({ id, name, inId, left, front, bottom, turned }) => ({
        type: 'standIn',
        id,
        organiserId: set.organiserId,
        name,
        inId,
        left,
        front,
        bottom,
        turned,
      }));
  };
  switch (old.type) {
    case 'several': {
      const commands = (old.commands as Command[]).map((one) => commandUpToDate(one, find));
      return { ...command, commands } as Command;
    }
    case 'lockPlace':
      return { type: 'setPlace', id: old.id as string, set: { lockable: old.lockable as boolean } };
    case 'addOrganiserSet':
      return several('put organisers in', into(old.organiserSet as OrganiserSet));
    case 'removeOrganiserSet':
      return several('take organisers out', out(idsOfSet(old.id as string, find)));
    case 'setOrganiserSet': {
      const ids = idsOfSet(old.id as string, find);
      const first = ids[0] === undefined ? undefined : find('places', ids[0]);
      const wanted = Number((old.set as Row).count ?? ids.length);
      const set = {
        id: old.id as string,
        count: wanted,
        organiserId: String(first?.organiserId),
        placeId: String(first?.inId),
      };
      return several('change how many organisers', [...out(ids.slice(wanted)), ...into(set, ids.length)]);
    }
  }
  const plain = plainOf(command.type);
  const brings =
    old.type === 'placeUnit'
      ? (['units', 'unit'] as const)
      : plain?.verb === 'add'
        ? ([plain.table, plain.field] as const)
        : null;
  if (old.type === 'addSupplies')
    return { ...command, supplies: (old.supplies as Row[]).map((row) => broughtUpToDate('supplies', row)) } as Command;
  return brings ? ({ ...command, [brings[1]]: broughtUpToDate(brings[0], old[brings[1]] as Row) } as Command) : command;
}

/** The containers that a set of organisers became. */
function idsOfSet(setId: string, find: Find): string[] {
  const ids: string[] = [];
  while (find('places', `${setId}-${ids.length + 1}`)) ids.push(`${setId}-${ids.length + 1}`);
  return ids;
}

/** Tables that came later: an earlier plan file has none of their rows. */
export const LATER_TABLES: readonly TableName[] = TABLE_NAMES.filter((t) => TABLES[t].since > 1);
