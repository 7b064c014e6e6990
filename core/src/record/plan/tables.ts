import { type z } from 'zod';
import { CATALOGUE, UNIT_KINDS, type UnitKind } from '../catalogue/index.ts';
import {
  ACTIVITY_LATER,
  BY_TAPE,
  blankUnit,
  HARMFUL,
  ORGANISER_LATER,
  PLACE_LATER,
  STATION_LATER,
  SUPPLY_LATER,
} from './blank.ts';
import * as rows from './rows/index.ts';

type Loose = Record<string, unknown>;

/** What becomes of a row when the one it names goes: it goes too; it names none (and some other fields are emptied with it); the other one may not go. */
export type Reference = { to: string } & (
  | { gone: 'cascade' }
  | { gone: 'empty'; with?: readonly string[] }
  | { gone: 'refuse'; words: (gone: string, row: string) => string }
);

/**
 * All that is said of a table. Schemas of commands and files, what commands do to other rows, the check for what dangles, the columns in the
 * database and the way up from earlier versions follow from it.
 */
export type Described<S extends z.ZodObject = z.ZodObject, N extends string = string> = {
  row: S;
  /** what one row is called */
  word: string;
  /** the field under which `add…` brings a row; null: its rows come and go by commands of their own alone */
  plain: N | null;
  references: Readonly<Record<string, Reference>>;
  /** version of the plan file it came with */
  since: number;
  /** fields that came later, with the value that leaves everything as it was; may depend on the row */
  later: (row: Loose) => Loose;
};

type More = Partial<Pick<Described, 'references' | 'since'>> & { later?: Loose | ((row: Loose) => Loose) };

function table<S extends z.ZodObject, const N extends string | null>(
  row: S,
  word: string,
  plain: N,
  more: More = {},
): Described<S, N extends string ? N : never> {
  const { later = {} } = more;
  return {
    row,
    word,
    plain: plain as never,
    references: more.references ?? {},
    since: more.since ?? 1,
    later: typeof later === 'function' ? later : () => later,
  };
}

const goesWith = (to: string): Reference => ({ to, gone: 'cascade' });
const emptiedBy = (to: string, ...more: string[]): Reference => ({ to, gone: 'empty', with: more });

/** Every collection of a plan, parents before children. */
export const TABLES = {
  walls: table(rows.Wall, 'wall', null),
  openings: table(rows.Opening, 'door or window', 'opening', {
    references: { wallId: goesWith('walls') },
    later: { ...BY_TAPE },
  }),
  slopes: table(rows.Slope, 'slope', 'slope', { since: 2, references: { wallId: goesWith('walls') } }),
  fixtures: table(rows.Fixture, 'fixture', 'fixture', {
    since: 2,
    references: { wallId: goesWith('walls') },
    later: { heat: 'portable', ...BY_TAPE },
  }),
  diagonals: table(rows.Diagonal, 'diagonal', 'diagonal', {
    since: 2,
    references: { fromWallId: goesWith('walls'), toWallId: goesWith('walls') },
  }),
  floorUses: table(rows.FloorUse, 'other use of the floor', 'floorUse', { since: 2 }),
  people: table(rows.Person, 'person', 'person', { later: (row) => personLater(row.child === true) }),
  zones: table(rows.Zone, 'zone', 'zone', { since: 5 }),
  units: table(rows.Unit, 'unit', null, {
    references: {
      hostId: emptiedBy('units'),
      doorId: emptiedBy('openings'),
      keptInId: emptiedBy('places', 'hostId'),
      zoneId: emptiedBy('zones'),
    },
    later: unitLater,
  }),
  parkings: table(rows.Parking, 'parking spot', 'parking', { since: 2, references: { unitId: goesWith('units') } }),
  ownKinds: table(rows.OwnKind, 'kind of one’s own', 'ownKind', { since: 2 }),
  organisers: table(rows.Organiser, 'organiser', 'organiser', { since: 2, later: { ...ORGANISER_LATER } }),
  places: table(rows.Place, 'place', null, {
    references: {
      unitId: goesWith('units'),
      throughId: goesWith('places'),
      inId: goesWith('places'),
      organiserId: goesWith('organisers'),
      zoneId: emptiedBy('zones'),
    },
    later: { part: 0, throughId: null, ...PLACE_LATER },
  }),
  supplies: table(rows.Supply, 'supply', null, {
    references: { zoneId: emptiedBy('zones') },
    later: { bears: false, ...SUPPLY_LATER },
  }),
  bans: table(rows.Ban, 'ban', 'ban', {
    since: 5,
    references: { supplyId: goesWith('supplies'), unitId: goesWith('units') },
  }),
  activities: table(rows.Activity, 'activity', 'activity', {
    references: { zoneId: emptiedBy('zones') },
    later: { ...ACTIVITY_LATER },
  }),
  uses: table(rows.Use, 'use', 'use', {
    references: { activityId: goesWith('activities'), supplyId: goesWith('supplies') },
  }),
  flows: table(rows.Flow, 'hand-on', 'flow', {
    since: 3,
    references: { fromId: goesWith('activities'), toId: goesWith('activities') },
  }),
  machineUses: table(rows.MachineUse, 'machine of an activity', 'machineUse', {
    since: 3,
    references: { activityId: goesWith('activities'), unitId: goesWith('units') },
  }),
  stations: table(rows.Station, 'station', 'station', {
    references: {
      activityId: goesWith('activities'),
      personId: {
        to: 'people',
        gone: 'refuse',
        words: (gone, row) => `${gone} works at ${row}. Give that station to someone else first.`,
      },
      unitId: emptiedBy('units'),
      travellerId: emptiedBy('units', 'parkingId'),
      parkingId: emptiedBy('parkings'),
    },
    later: { ...STATION_LATER },
  }),
  homes: table(rows.Home, 'home', null, {
    references: { supplyId: goesWith('supplies'), placeId: goesWith('places') },
    later: { count: null },
  }),
  ways: table(rows.Way, 'way of working', 'way', { since: 7, references: { zoneId: goesWith('zones') } }),
  familyAisles: table(rows.FamilyAisle, 'aisle of a family', 'familyAisle', { since: 13 }),
  looks: table(rows.Look, 'answer of a look test', 'look', {
    since: 13,
    references: { supplyId: goesWith('supplies'), placeId: goesWith('places'), personId: emptiedBy('people') },
  }),
  moves: table(rows.Move, 'move', null, {
    since: 7,
    references: { supplyId: goesWith('supplies'), fromId: goesWith('places'), toId: goesWith('places') },
  }),
  scraps: table(rows.Scrap, 'scrap', 'scrap', {
    since: 8,
    references: { supplyId: emptiedBy('supplies'), placeId: emptiedBy('places') },
  }),
  cutPieces: table(rows.CutPiece, 'cut piece', 'cutPiece', {
    since: 8,
    references: { supplyId: goesWith('supplies'), placeId: emptiedBy('places') },
    later: { placeId: null },
  }),
  pictures: table(rows.Picture, 'picture', 'picture', {
    since: 15,
    references: { placeId: goesWith('places'), unitId: goesWith('units'), wallId: goesWith('walls') },
  }),
  doings: table(rows.Doing, 'way to another plan', 'doing', { since: 16 }),
  freeTimes: table(rows.FreeTime, 'free time', 'freeTime', { since: 16, later: { hands: 0 } }),
  jobs: table(rows.Job, 'job', 'job', { since: 16, later: { lifts: false, byHand: false } }),
  sittings: table(rows.Sitting, 'job on a day', 'sitting', { since: 16, references: { jobId: goesWith('jobs') } }),
  palettes: table(rows.Palette, 'combination of colours', 'palette', { since: 8 }),
  colourRows: table(rows.ColourRow, 'row of colours', 'colourRow', { since: 8 }),
  prices: table(rows.Price, 'price', 'price', { since: 9 }),
  recipes: table(rows.Recipe, 'recipe', 'recipe', { since: 9 }),
  projects: table(rows.Project, 'project', 'project', {
    since: 10,
    references: { activityId: emptiedBy('activities'), trayId: emptiedBy('places') },
  }),
  outs: table(rows.Out, 'thing that is out', 'out', {
    since: 10,
    references: { supplyId: goesWith('supplies'), projectId: goesWith('projects'), placeId: emptiedBy('places') },
  }),
  ties: table(rows.Tie, 'pair of dots', 'tie', { since: 10 }),
  putOffs: table(rows.PutOff, 'thing put off', null, { since: 10 }),
  diary: table(rows.DiaryEntry, 'line of the log', null, { since: 10 }),
  monthSums: table(rows.MonthSum, 'sum of a month of the log', null, { since: 11 }),
  listViews: table(rows.ListView, 'view of the list', 'listView', { since: 6 }),
  ownLists: table(rows.OwnList, 'list of one’s own', 'ownList', { since: 6 }),
  acknowledgements: table(rows.Acknowledgement, 'acknowledgement', null, { since: 2 }),
} as const;

export type TableName = keyof typeof TABLES;
export type RowOf<T extends TableName> = z.output<(typeof TABLES)[T]['row']>;
export type AnyRow = RowOf<TableName>;
export const TABLE_NAMES = Object.keys(TABLES) as TableName[];

/** Tables whose rows show a picture: what none of them names is used by no plan. */
export const PHOTO_TABLES = TABLE_NAMES.filter(
  (t): t is 'places' | 'supplies' | 'pictures' => 'photo' in TABLES[t].row.shape,
);

/** Every reference there is, from which field of which table to which other one. */
export const REFERENCES: readonly { from: TableName; field: string; to: TableName; reference: Reference }[] =
  TABLE_NAMES.flatMap((from) =>
    Object.entries(TABLES[from].references).map(([field, reference]) => ({
      from,
      field,
      to: reference.to as TableName,
      reference,
    })),
  );

/** Before ages were asked, a child was to be kept from everything harmful. */
function personLater(child: boolean): Loose {
  return { age: null, keepFrom: child ? [...HARMFUL] : [], minuteCounts: 1 };
}

/** What a unit of the first version had; all else came later. */
const UNIT_FIRST = ['id', 'kind', 'name', 'x', 'y', 'facing', 'bottom', 'width', 'depth', 'height', 'rows', 'columns'];

function unitLater(row: Loose): Loose {
  if (!(UNIT_KINDS as string[]).includes(String(row.kind))) return {};
  const kind = row.kind as UnitKind;
  const blank: Loose = blankUnit('', kind);
  // before there were mounts, what the kind said held for every unit; what stood on the floor still does
  if (row.bottom === 0 && CATALOGUE[kind].mount === 'under') blank.mount = 'floor';
  const first = [...UNIT_FIRST, 'awayMinutes'];
  return Object.fromEntries(Object.entries(blank).filter(([field]) => !first.includes(field)));
}
