import { z } from 'zod';
import {
  Acknowledgement,
  DiaryEntry,
  Home,
  Move,
  onMonth,
  Organiser,
  Place,
  PlanHead,
  PutOff,
  SHARES,
  Supply,
  Unit,
  Wall,
} from './rows/index.ts';
import { Id } from './fields.ts';
import { type Described, TABLES, type TableName } from './tables.ts';
import { type RowChange } from './edit.ts';
import { text } from './text.ts';

/** `was`: what the person saw when she changed it; a value changed meanwhile by another tab is then not overwritten unseen. */
function change<T extends string, S extends z.ZodObject>(type: T, row: S) {
  const part = row.omit({ id: true } as never).partial() as unknown as z.ZodType<Partial<Omit<z.infer<S>, 'id'>>>;
  return z.strictObject({ type: z.literal(type), id: Id, set: part, was: part.optional() });
}
const remove = <T extends string>(type: T) => z.strictObject({ type: z.literal(type), id: Id });

type Plain<N extends string, S extends z.ZodObject> = [
  z.ZodObject<{ type: z.ZodLiteral<`add${Capitalize<N>}`> } & Record<N, S>, z.core.$strict>,
  ReturnType<typeof change<`set${Capitalize<N>}`, S>>,
  ReturnType<typeof remove<`remove${Capitalize<N>}`>>,
];

/** The three commands of a table whose rows come, change and go by themselves. */
function plain<N extends string, S extends z.ZodObject>({ row, plain: name }: Described<S, N>): Plain<N, S> {
  const Name = `${name![0]!.toUpperCase()}${name!.slice(1)}`;
  return [
    z.strictObject({ type: z.literal(`add${Name}`), [name!]: row }),
    change(`set${Name}`, row),
    remove(`remove${Name}`),
  ] as unknown as Plain<N, S>;
}

const headPart = PlanHead.partial();
/** What the maker may say of a place; everything else about it follows from its unit or container. */
const placePart = Place.pick({
  name: true,
  nature: true,
  pockets: true,
  lockable: true,
  zoneId: true,
  keptOut: true,
  touredOn: true,
  load: true,
  label: true,
  labelSince: true,
  labelWords: true,
  labelShows: true,
  labelSides: true,
  photo: true,
}).partial();
/** Where a container stands in a place: from the left, the front and the floor of its inside. */
const seat = {
  inId: Id,
  left: Place.shape.left,
  front: Place.shape.front,
  bottom: Place.shape.bottom,
  turned: z.boolean(),
};
const difference = z.int('must be a whole number').min(-1_000_000).max(1_000_000);
const count = z.int('must be a whole number').min(1, 'must be at least one').max(1_000_000);

const simple = [
  z.strictObject({ type: z.literal('setPlan'), set: headPart, was: headPart.optional() }),
  z.strictObject({ type: z.literal('addWall'), wall: Wall.omit({ seq: true }), at: z.int().min(0).optional() }),
  change('setWall', Wall.omit({ seq: true })),
  remove('removeWall'),
  z.strictObject({ type: z.literal('spreadMisclosure') }),
  ...plain(TABLES.openings),
  ...plain(TABLES.slopes),
  ...plain(TABLES.fixtures),
  ...plain(TABLES.diagonals),
  ...plain(TABLES.floorUses),
  ...plain(TABLES.people),
  ...plain(TABLES.zones),
  ...plain(TABLES.parkings),
  ...plain(TABLES.ownKinds),
  ...plain(TABLES.organisers),
  ...plain(TABLES.bans),
  ...plain(TABLES.activities),
  ...plain(TABLES.uses),
  ...plain(TABLES.flows),
  ...plain(TABLES.machineUses),
  ...plain(TABLES.stations),
  ...plain(TABLES.listViews),
  ...plain(TABLES.ownLists),
  ...plain(TABLES.ways),
  ...plain(TABLES.familyAisles),
  ...plain(TABLES.looks),
  ...plain(TABLES.scraps),
  ...plain(TABLES.cutPieces),
  ...plain(TABLES.pictures),
  ...plain(TABLES.doings),
  ...plain(TABLES.freeTimes),
  ...plain(TABLES.jobs),
  ...plain(TABLES.sittings),
  ...plain(TABLES.palettes),
  ...plain(TABLES.colourRows),
  ...plain(TABLES.prices),
  ...plain(TABLES.recipes),
  ...plain(TABLES.projects),
  ...plain(TABLES.outs),
  ...plain(TABLES.ties),
  z.strictObject({
    type: z.literal('shapeWall'),
    id: Id,
    /** ids of the four walls that come after the first piece */
    ids: z.array(Id).length(4),
    left: Wall.shape.length.or(z.literal(0)),
    width: Wall.shape.length,
    /** into the room (a chimney breast); negative: out of it (an alcove) */
    depth: z.number().min(-30_000).max(30_000),
  }),
  z.strictObject({
    type: z.literal('cutCorner'),
    id: Id,
    newId: Id,
    along: Wall.shape.length,
    next: Wall.shape.length,
  }),
  z.strictObject({ type: z.literal('placeUnit'), unit: Unit }),
  change('setUnit', Unit),
  remove('removeUnit'),
  z.strictObject({ type: z.literal('setPlace'), id: Id, set: placePart, was: placePart.optional() }),
  /** a container is set into a place; its own lanes, slots or trays come with it */
  z.strictObject({ type: z.literal('standIn'), id: Id, organiserId: Id, name: Place.shape.name, ...seat }),
  /** a container is put elsewhere, with all that is in it */
  z.strictObject({ type: z.literal('moveContainer'), id: Id, ...seat }),
  /** a container is taken out; what lies in it has no home then */
  remove('takeOut'),
  /** the inside of a place is divided, or (empty) its dividers are taken out */
  z.strictObject({ type: z.literal('divide'), id: Id, into: Organiser.shape.divided }),
  /** what asks for a hand is put off to a day; an earlier day lets it ask again */
  z.strictObject({ type: z.literal('putOff'), putOff: PutOff }),
  z.strictObject({ type: z.literal('acknowledge'), acknowledgement: Acknowledgement }),
  z.strictObject({ type: z.literal('reopen'), id: Acknowledgement.shape.id }),
  z.strictObject({ type: z.literal('addSupplies'), supplies: z.array(Supply).min(1).max(20_000) }),
  change('setSupply', Supply),
  /** pieces come or go: what two phones count off at once is counted off twice; of what there is none left none goes */
  z.strictObject({
    type: z.literal('countSupply'),
    id: Id,
    by: z.strictObject({ working: difference, backstock: difference }).partial(),
  }),
  remove('removeSupply'),
  /** several entries of one thing become one: counts, homes, uses and bans come together in the first */
  z.strictObject({ type: z.literal('mergeSupplies'), id: Id, others: z.array(Id).min(1).max(100) }),
  /**
   * A share gets its home in a place: the whole of it, or what one of its homes holds, or so many pieces (of that home, else of those without a
   * home, else of its largest home).
   */
  z.strictObject({
    type: z.literal('assignHome'),
    supplyId: Id,
    share: z.enum(SHARES),
    placeId: Id,
    since: Home.shape.since,
    pinned: z.boolean().optional(),
    homeId: Id.optional(),
    count: count.optional(),
  }),
  /** takes a share, or what one of its homes holds, out of its home */
  z.strictObject({ type: z.literal('leaveHome'), supplyId: Id, share: z.enum(SHARES), homeId: Id.optional() }),
  z.strictObject({
    type: z.literal('pinHome'),
    supplyId: Id,
    share: z.enum(SHARES),
    homeId: Id.optional(),
    pinned: z.boolean(),
  }),
  /** the order of moves to be made, in the stead of what is left of an earlier one; empty: none */
  z.strictObject({ type: z.literal('planMoves'), moves: z.array(Move).max(50_000) }),
  /** one of these moves has been made */
  z.strictObject({ type: z.literal('makeMove'), id: Id, since: Home.shape.since }),
  z.strictObject({
    type: z.literal('settle'),
    since: Home.shape.since,
    homes: z
      .array(
        z.strictObject({
          supplyId: Id,
          share: z.enum(SHARES),
          placeId: Id.nullable(),
          /** so many of it; left out: all the rest */
          count: count.optional(),
        }),
      )
      .max(50_000),
  }),
] as const;

const One = z.discriminatedUnion('type', [...simple]);

/** Everything one can ask to happen to a plan. `settle` takes the result of *find homes*. */
export const Command = z.discriminatedUnion('type', [
  ...simple,
  z.strictObject({ type: z.literal('several'), words: text(120), commands: z.array(One).min(1).max(60_000) }),
]);
export type Command = z.infer<typeof Command>;
/** Lines for the log: no command, for undo does not reach them. */
export const Jot = z.strictObject({ type: z.literal('jot'), entries: z.array(DiaryEntry).min(1).max(500) });
export type Jot = z.infer<typeof Jot>;
/** Months of the log before one are gathered into sums; undo does not reach that either. */
export const Gather = z.strictObject({ type: z.literal('gather'), before: onMonth });
export type Gather = z.infer<typeof Gather>;
/** What can be sent to be done to a plan. */
export const Sent = z.discriminatedUnion('type', [Command, Jot, Gather]);
export type Sent = z.infer<typeof Sent>;
/** Whether something is for the log alone, which undo steps past. */
export const isForLog = (sent: Sent | Restore): boolean => sent.type === 'jot' || sent.type === 'gather';
/** Several commands as one change with one undo; what is several already is taken apart. At least one must be given. */
export const asOne = (words: string, commands: readonly Command[]): Command => ({
  type: 'several',
  words: words.slice(0, 120),
  commands: commands.flatMap((c) => (c.type === 'several' ? c.commands : [c])),
});
export type CommandOf<T extends Command['type']> = Extract<Command, { type: T }>;

/** Takes a command back. Only made by `apply` and kept in the log; nobody can ask for one. */
export type Restore = { type: 'restore'; of: string; changes: RowChange[] };

/** What commands with a name of their own do; those of plain tables are described by the word of the table. */
const WORDS: Partial<Record<Sent['type'], string>> = {
  setPlan: 'change the plan',
  addWall: 'add a wall',
  setWall: 'change a wall',
  removeWall: 'take out a wall',
  spreadMisclosure: 'spread the misclosure',
  shapeWall: 'shape a wall',
  cutCorner: 'cut a corner',
  setUnit: 'change a unit',
  removeUnit: 'take out a unit',
  addOwnKind: 'keep a kind of one’s own',
  removeOwnKind: 'forget a kind of one’s own',
  setPlace: 'change a place',
  standIn: 'set a container in',
  moveContainer: 'move a container',
  takeOut: 'take a container out',
  divide: 'divide a place',
  acknowledge: 'acknowledge a finding',
  reopen: 'take an acknowledgement back',
  setSupply: 'change a supply',
  countSupply: 'count pieces',
  removeSupply: 'take out a supply',
  mergeSupplies: 'put entries of one thing together',
  addMachineUse: 'say which machine it runs',
  removeMachineUse: 'take a machine off an activity',
  assignHome: 'give a home',
  leaveHome: 'take out of its home',
  pinHome: 'pin or unpin a home',
  settle: 'find homes',
  planMoves: 'plan the moves',
  makeMove: 'make a move',
  putOff: 'put something off',
  jot: 'write into the log',
  gather: 'gather months of the log',
};

const VERBS = { add: 'add', set: 'change', remove: 'take out' } as const;

/** Which plain table a command changes and how; null for the others. */
export function plainOf(type: Sent['type']): { verb: keyof typeof VERBS; table: TableName; field: string } | null {
  const m = /^(add|set|remove)(.+)$/.exec(type);
  const field = m && `${m[2]![0]!.toLowerCase()}${m[2]!.slice(1)}`;
  const table = (Object.keys(TABLES) as TableName[]).find((t) => field !== null && TABLES[t].plain === field);
  return table ? { verb: m![1] as keyof typeof VERBS, table, field: field! } : null;
}

/** What a command does, in a few words that follow “Undo: ”. */
export function describeCommand(command: Sent | Restore): string {
  if (command.type === 'several') return command.words;
  if (command.type === 'restore') return command.of;
  if (command.type === 'placeUnit') return `place ${command.unit.name}`;
  if (command.type === 'addSupplies')
    return command.supplies.length === 1
      ? `add ${command.supplies[0]!.name}`
      : `add ${command.supplies.length} supplies`;
  if (command.type === 'setUnit' && Object.keys(command.set).every((k) => ['x', 'y', 'facing', 'bottom'].includes(k)))
    return 'move a unit';
  const words = WORDS[command.type];
  if (words) return words;
  const plainly = plainOf(command.type);
  if (!plainly) return command.type;
  const { word } = TABLES[plainly.table];
  return `${VERBS[plainly.verb]} ${/^[aeio]/.test(word) ? 'an' : 'a'} ${word}`;
}
