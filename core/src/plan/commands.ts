import { z } from 'zod';
import {
  Acknowledgement,
  Activity,
  Diagonal,
  Fixture,
  FloorUse,
  Flow,
  Home,
  Id,
  MachineUse,
  Opening,
  Organiser,
  OrganiserSet,
  OwnKind,
  Parking,
  Person,
  PlanHead,
  SHARES,
  Slope,
  Station,
  Supply,
  Unit,
  Use,
  Wall,
} from './rows.ts';
import { type RowChange } from './edit.ts';
import { text } from './text.ts';

/** `was`: what the person saw when she changed it; a value changed meanwhile by another tab is then not overwritten unseen. */
function change<T extends string, S extends z.ZodObject>(type: T, row: S) {
  const part = row.omit({ id: true } as never).partial() as unknown as z.ZodType<Partial<Omit<z.infer<S>, 'id'>>>;
  return z.strictObject({ type: z.literal(type), id: Id, set: part, was: part.optional() });
}
const remove = <T extends string>(type: T) => z.strictObject({ type: z.literal(type), id: Id });

const headPart = PlanHead.partial();
const simple = [
  z.strictObject({ type: z.literal('setPlan'), set: headPart, was: headPart.optional() }),
  z.strictObject({ type: z.literal('addWall'), wall: Wall.omit({ seq: true }), at: z.int().min(0).optional() }),
  change('setWall', Wall.omit({ seq: true })),
  remove('removeWall'),
  z.strictObject({ type: z.literal('spreadMisclosure') }),
  z.strictObject({ type: z.literal('addOpening'), opening: Opening }),
  change('setOpening', Opening),
  remove('removeOpening'),
  z.strictObject({ type: z.literal('addSlope'), slope: Slope }),
  change('setSlope', Slope),
  remove('removeSlope'),
  z.strictObject({ type: z.literal('addFixture'), fixture: Fixture }),
  change('setFixture', Fixture),
  remove('removeFixture'),
  z.strictObject({ type: z.literal('addDiagonal'), diagonal: Diagonal }),
  change('setDiagonal', Diagonal),
  remove('removeDiagonal'),
  z.strictObject({ type: z.literal('addFloorUse'), floorUse: FloorUse }),
  change('setFloorUse', FloorUse),
  remove('removeFloorUse'),
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
  z.strictObject({ type: z.literal('addPerson'), person: Person }),
  change('setPerson', Person),
  remove('removePerson'),
  z.strictObject({ type: z.literal('placeUnit'), unit: Unit }),
  change('setUnit', Unit),
  remove('removeUnit'),
  z.strictObject({ type: z.literal('addParking'), parking: Parking }),
  change('setParking', Parking),
  remove('removeParking'),
  z.strictObject({ type: z.literal('addOwnKind'), ownKind: OwnKind }),
  remove('removeOwnKind'),
  z.strictObject({ type: z.literal('addOrganiser'), organiser: Organiser }),
  change('setOrganiser', Organiser),
  remove('removeOrganiser'),
  z.strictObject({ type: z.literal('addOrganiserSet'), organiserSet: OrganiserSet }),
  change('setOrganiserSet', OrganiserSet),
  remove('removeOrganiserSet'),
  z.strictObject({ type: z.literal('acknowledge'), acknowledgement: Acknowledgement }),
  z.strictObject({ type: z.literal('reopen'), id: Acknowledgement.shape.id }),
  z.strictObject({ type: z.literal('lockPlace'), id: Id, lockable: z.boolean() }),
  z.strictObject({ type: z.literal('addSupplies'), supplies: z.array(Supply).min(1).max(20_000) }),
  change('setSupply', Supply),
  remove('removeSupply'),
  z.strictObject({ type: z.literal('addActivity'), activity: Activity }),
  change('setActivity', Activity),
  remove('removeActivity'),
  z.strictObject({ type: z.literal('addUse'), use: Use }),
  change('setUse', Use),
  remove('removeUse'),
  z.strictObject({ type: z.literal('addFlow'), flow: Flow }),
  change('setFlow', Flow),
  remove('removeFlow'),
  z.strictObject({ type: z.literal('addMachineUse'), machineUse: MachineUse }),
  remove('removeMachineUse'),
  z.strictObject({ type: z.literal('addStation'), station: Station }),
  change('setStation', Station),
  remove('removeStation'),
  z.strictObject({
    type: z.literal('assignHome'),
    supplyId: Id,
    share: z.enum(SHARES),
    placeId: Id,
    since: Home.shape.since,
    pinned: z.boolean().optional(),
  }),
  z.strictObject({ type: z.literal('leaveHome'), supplyId: Id, share: z.enum(SHARES) }),
  z.strictObject({ type: z.literal('pinHome'), supplyId: Id, share: z.enum(SHARES), pinned: z.boolean() }),
  z.strictObject({
    type: z.literal('settle'),
    since: Home.shape.since,
    homes: z.array(z.strictObject({ supplyId: Id, share: z.enum(SHARES), placeId: Id.nullable() })).max(50_000),
  }),
] as const;

const One = z.discriminatedUnion('type', [...simple]);

/** Everything one can ask to happen to a plan. `settle` takes the result of *find homes*. */
export const Command = z.discriminatedUnion('type', [
  ...simple,
  z.strictObject({ type: z.literal('several'), words: text(120), commands: z.array(One).min(1).max(5000) }),
]);
export type Command = z.infer<typeof Command>;
export type CommandOf<T extends Command['type']> = Extract<Command, { type: T }>;

/** Takes a command back. Only made by `apply` and kept in the log; nobody can ask for one. */
export type Restore = { type: 'restore'; of: string; changes: RowChange[] };

const WORDS: Record<Exclude<Command['type'], 'several'>, string> = {
  setPlan: 'change the plan',
  addWall: 'add a wall',
  setWall: 'change a wall',
  removeWall: 'take out a wall',
  spreadMisclosure: 'spread the misclosure',
  addOpening: 'add a door or window',
  setOpening: 'change a door or window',
  removeOpening: 'take out a door or window',
  addSlope: 'add a slope',
  setSlope: 'change a slope',
  removeSlope: 'take out a slope',
  addFixture: 'add a fixture',
  setFixture: 'change a fixture',
  removeFixture: 'take out a fixture',
  addDiagonal: 'add a diagonal',
  setDiagonal: 'change a diagonal',
  removeDiagonal: 'take out a diagonal',
  addFloorUse: 'add another use of the floor',
  setFloorUse: 'change another use of the floor',
  removeFloorUse: 'take out another use of the floor',
  shapeWall: 'shape a wall',
  cutCorner: 'cut a corner',
  addPerson: 'add a person',
  setPerson: 'change a person',
  removePerson: 'take out a person',
  placeUnit: 'place a unit',
  setUnit: 'change a unit',
  removeUnit: 'take out a unit',
  addParking: 'add a parking spot',
  setParking: 'change a parking spot',
  removeParking: 'take out a parking spot',
  addOwnKind: 'keep a kind of one’s own',
  removeOwnKind: 'forget a kind of one’s own',
  addOrganiser: 'add an organiser',
  setOrganiser: 'change an organiser',
  removeOrganiser: 'take out an organiser',
  addOrganiserSet: 'put organisers in',
  setOrganiserSet: 'change how many organisers',
  removeOrganiserSet: 'take organisers out',
  acknowledge: 'acknowledge a finding',
  reopen: 'take an acknowledgement back',
  lockPlace: 'lock or unlock a place',
  addSupplies: 'add supplies',
  setSupply: 'change a supply',
  removeSupply: 'take out a supply',
  addActivity: 'add an activity',
  setActivity: 'change an activity',
  removeActivity: 'take out an activity',
  addUse: 'add a use',
  setUse: 'change a use',
  removeUse: 'take out a use',
  addFlow: 'add a hand-on',
  setFlow: 'change a hand-on',
  removeFlow: 'take out a hand-on',
  addMachineUse: 'say which machine it runs',
  removeMachineUse: 'take a machine off an activity',
  addStation: 'add a station',
  setStation: 'change a station',
  removeStation: 'take out a station',
  assignHome: 'give a home',
  leaveHome: 'take out of its home',
  pinHome: 'pin or unpin a home',
  settle: 'find homes',
};

/** What a command does, in a few words that follow “Undo: ”. */
export function describeCommand(command: Command | Restore): string {
  if (command.type === 'several') return command.words;
  if (command.type === 'restore') return command.of;
  if (command.type === 'placeUnit') return `place ${command.unit.name}`;
  if (command.type === 'addSupplies')
    return command.supplies.length === 1
      ? `add ${command.supplies[0]!.name}`
      : `add ${command.supplies.length} supplies`;
  if (command.type === 'setUnit' && Object.keys(command.set).every((k) => ['x', 'y', 'facing', 'bottom'].includes(k)))
    return 'move a unit';
  return WORDS[command.type];
}
