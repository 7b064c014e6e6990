import { CATALOGUE, UNIT_KINDS, type UnitKind } from '../catalogue/index.ts';
import { type Command } from './commands.ts';
import { emptyPlan, TABLES, type TableName } from './plan.ts';
import { ACTIVITY_LATER, blankUnit, HARMFUL, STATION_LATER } from './blank.ts';

type Row = Record<string, unknown>;

/** What a head written before 2026-12 leaves out. */
const HEAD_LATER = ['region', 'latitude', 'longitude', 'bearing', 'forkedFrom'] as const;
/** What a unit written before 2026-12 leaves out. */
export const UNIT_LATER = [
  'rowSizes',
  'columnSizes',
  'inserts',
  'mount',
  'hostId',
  'doorId',
  'fixed',
  'mass',
  'ratedLoad',
  'board',
  'thickness',
  'watts',
  'cord',
  'feedFront',
  'feedBack',
  'pinned',
  'keptInId',
] as const;

/**
 * A row as it is kept today from one written by an earlier version (a plan file, the log of changes): fields that came later get the
 * value that leaves everything as it was. A row of today comes back as it is.
 */
export function broughtUpToDate(table: TableName | 'head', row: Row): Row {
  if (table === 'head') return filled(row, emptyPlan('').head, HEAD_LATER);
  if (table === 'places') return filled(row, { part: 0, throughId: null }, ['part', 'throughId']);
  if (table === 'people') return filled(row, personLater(row.child === true), ['age', 'keepFrom']);
  if (table === 'activities') return filled(row, ACTIVITY_LATER, Object.keys(ACTIVITY_LATER));
  if (table === 'stations') return filled(row, STATION_LATER, Object.keys(STATION_LATER));
  if (table !== 'units' || !(UNIT_KINDS as string[]).includes(String(row.kind))) return row;
  const blank = blankUnit('', row.kind as UnitKind);
  // before there were mounts, what the kind said held for every unit; what stood on the floor still does
  const mount = row.bottom === 0 && CATALOGUE[row.kind as UnitKind].mount === 'under' ? 'floor' : blank.mount;
  return filled(row, { ...blank, mount }, UNIT_LATER);
}

/** The row each of these commands brings, and the table it is for. */
const BRINGS: Partial<Record<Command['type'], [field: string, table: TableName]>> = {
  placeUnit: ['unit', 'units'],
  addPerson: ['person', 'people'],
  addActivity: ['activity', 'activities'],
  addStation: ['station', 'stations'],
};

/** A command of the log as it would be given today: what it brings gets the fields that came later. */
export function commandUpToDate(command: Command): Command {
  if (command.type === 'several')
    return { ...command, commands: command.commands.map(commandUpToDate) as typeof command.commands };
  const brings = BRINGS[command.type];
  if (!brings) return command;
  const [field, table] = brings;
  return {
    ...command,
    [field]: broughtUpToDate(table, (command as unknown as Record<string, Row>)[field]!),
  } as Command;
}

/** Before ages were asked, a child was to be kept from everything harmful. */
const personLater = (child: boolean): Row => ({ age: null, keepFrom: child ? [...HARMFUL] : [] });

function filled(row: Row, from: object, keys: readonly string[]): Row {
  const missing = keys.filter((k) => !(k in row));
  return missing.length === 0 ? row : { ...row, ...Object.fromEntries(missing.map((k) => [k, (from as Row)[k]])) };
}

/** Tables that came later: an earlier plan file has none of their rows. */
export const LATER_TABLES: readonly TableName[] = (Object.keys(TABLES) as TableName[]).filter((t) =>
  [
    'slopes',
    'fixtures',
    'diagonals',
    'floorUses',
    'parkings',
    'ownKinds',
    'organisers',
    'organiserSets',
    'acknowledgements',
    'flows',
    'machineUses',
  ].includes(t),
);
