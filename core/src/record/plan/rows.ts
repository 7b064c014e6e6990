import { z } from 'zod';
import {
  BOARDS,
  COVERS,
  DIVISION_PATTERN,
  INSERT_PATTERN,
  MOUNTS,
  NATURES,
  PLACE_KINDS,
  UNIT_KINDS,
  type UnitKind,
} from '../catalogue/index.ts';
import { finite, named, size, offset, where, bearing, count, perTime, day, onDay, bodyHeight, Id } from './fields.ts';
import { text } from './text.ts';

/** Row schemas of every entity but those of keep-up; flat, because each is one table. Millimetres, grams, degrees, minutes. */

export const REGIONS = ['eu', 'uk', 'us', 'au'] as const;
export type Region = (typeof REGIONS)[number];

/** Ways of working on which makers disagree; what each changes is said in `homes/schools.ts`. */
export const SEEN_SCHOOLS = ['either', 'seen', 'shut'] as const;
export const GROUPINGS = ['activity', 'kind', 'nature'] as const;
/** As they were bought, lids on: against dust and to stack; or out of their packages, lids off: for speed. */
export const PACKAGINGS = ['on', 'off'] as const;
/** What was got out lies by the hand until the room is done for the day, or goes back as soon as it is laid down. */
export const LEAVINGS = ['untilDone', 'atOnce'] as const;
/** How much something is to count, in the maker’s words. */
export const WEIGHTS = ['little', 'some', 'much'] as const;
export type Weight = (typeof WEIGHTS)[number];
const weight = z.enum(WEIGHTS);
/** The same where it may also be left out of account. */
export const WEIGHTS_OR_NONE = ['none', ...WEIGHTS] as const;
export type WeightOrNone = (typeof WEIGHTS_OR_NONE)[number];
const growth = finite.min(0).max(0.6);

export const PlanHead = z.strictObject({
  name: named,
  measure: z.enum(['metric', 'imperial']),
  ceiling: finite.min(1500, 'a ceiling is at least 1.5 m').max(10_000, 'a ceiling is at most 10 m'),
  /** share of every place kept free to grow */
  growth,
  /** school: keep things together by the activity that uses them, by what kind of thing they are, or each by its nature: what is an activity’s own with it, what is shared by kind */
  grouping: z.enum(GROUPINGS),
  /** school: in view so that it is used, or shut away so that the room is calm */
  seen: z.enum(SEEN_SCHOOLS),
  /** school: one shared tool between stations, or one at each */
  tools: z.enum(['shared', 'oneEach']),
  packaging: z.enum(PACKAGINGS),
  /** school: out until done, or back at once (a calm table, children, a shared room) */
  leaving: z.enum(LEAVINGS),
  /** school: new things by themselves until they have been used, or straight to their family */
  newThings: z.enum(['apart', 'merged']),
  /** school: the working order first, or what is pinned on show does not count as lost time */
  display: z.enum(['work', 'show']),
  /** school: notes outside, notes inside the doors, or memory: then nothing is looked for */
  labels: z.enum(['outside', 'inside', 'memory']),
  /** how much it counts that families lie together, that things take harm, that they lie as they should, in their zone, and that moving them takes time */
  weighFamilies: weight,
  weighHarm: weight,
  weighOrder: weight,
  weighZones: weight,
  weighMoving: weight,
  /** how much it counts that things are found again */
  weighAgain: z.enum(WEIGHTS_OR_NONE),
  /** for mains ratings and the wording of codes */
  region: z.enum(REGIONS),
  /** degrees, north and east positive */
  latitude: finite.min(-66, 'is beyond the polar circle').max(66, 'is beyond the polar circle'),
  longitude: finite.min(-180).max(180),
  /** true bearing of the plan’s +y axis, degrees clockwise from north */
  bearing,
  /** the plan this one was forked from */
  forkedFrom: Id.nullable(),
});
export type PlanHead = z.infer<typeof PlanHead>;

export const Wall = z.strictObject({
  id: Id,
  seq: z.int().min(0).max(1000),
  length: size,
  turn: finite.min(-179).max(179),
  name: text(60),
});
export type Wall = z.infer<typeof Wall>;

export const Opening = z.strictObject({
  id: Id,
  wallId: Id,
  kind: z.enum(['door', 'window']),
  /** from the left end of the wall as one stands before it inside the room */
  left: offset,
  width: size,
  sill: offset,
  head: size,
  hinge: z.enum(['left', 'right']),
  swing: z.enum(['in', 'out']),
});
export type Opening = z.infer<typeof Opening>;

/** A sloping ceiling: at a wall it is `knee` high and meets the flat ceiling `run` mm into the room. */
export const Slope = z.strictObject({ id: Id, wallId: Id, knee: size, run: size });
export type Slope = z.infer<typeof Slope>;

export const FIXTURE_KINDS = ['socket', 'heater', 'fuseBoard', 'sink', 'lamp', 'pipe', 'stairs', 'obstacle'] as const;
export type FixtureKind = (typeof FIXTURE_KINDS)[number];

/**
 * What a heater is: an electric one that is put down anywhere; a radiator of hot water; an electric one fixed to the wall; an open fire or a stove.
 */
export const HEATS = ['portable', 'water', 'electric', 'fire'] as const;
export type Heat = (typeof HEATS)[number];

/** Something that belongs to the room: on a wall (`left`, `bottom` of its lower left corner) or at a point of floor or ceiling. */
export const Fixture = z.strictObject({
  id: Id,
  kind: z.enum(FIXTURE_KINDS),
  name: named,
  wallId: Id.nullable(),
  /** from the left end of the wall as one stands before it; 0 off the walls */
  left: offset,
  /** centre on the floor; 0, 0 on a wall */
  x: where,
  y: where,
  facing: bearing,
  bottom: offset,
  width: size,
  depth: size,
  height: size,
  /** socket: which circuit it is on; fuse board and others: empty */
  circuit: text(40),
  /** lamp: luminous flux, lm, and full beam angle, degrees */
  lumens: finite.min(0).max(100_000),
  beam: finite.min(5).max(360),
  /** electric power while it runs, W */
  watts: finite.min(0).max(20_000),
  /** heater: what it is; others: says nothing */
  heat: z.enum(HEATS),
});
export type Fixture = z.infer<typeof Fixture>;

/** A measured diagonal between the corners where two walls begin. */
export const Diagonal = z.strictObject({ id: Id, fromWallId: Id, toWallId: Id, length: size });
export type Diagonal = z.infer<typeof Diagonal>;

const months = z.array(z.int().min(1).max(12)).max(12);

/** Floor that must be free in some months for another use of the room. */
export const FloorUse = z.strictObject({
  id: Id,
  name: named,
  x: where,
  y: where,
  facing: bearing,
  width: size,
  depth: size,
  height: size,
  months,
});
export type FloorUse = z.infer<typeof FloorUse>;

export const HAZARDS = ['blade', 'hot', 'flammable', 'fumes', 'small', 'magnet', 'toxic', 'heavy'] as const;
export type Hazard = (typeof HAZARDS)[number];

export const Person = z.strictObject({
  id: Id,
  name: named,
  stature: finite.min(700, 'is less than 70 cm').max(2500, 'is more than 2.5 m'),
  eyeHeight: bodyHeight,
  shoulderHeight: bodyHeight,
  elbowHeight: bodyHeight,
  gripReach: bodyHeight,
  hand: z.enum(['left', 'right']),
  mayClimb: z.boolean(),
  mayStoop: z.boolean(),
  mayKneel: z.boolean(),
  /** `standing`: works on her feet wherever she is, no chair */
  mobility: z.enum(['stool', 'swivel', 'standing', 'wheelchair']),
  child: z.boolean(),
  /** of a child, whole years; null: not said */
  age: z.int('must be whole years').min(0).max(17, 'is grown up').nullable(),
  /** of a child: which hazards must stay out of its reach */
  keepFrom: z.array(z.enum(HAZARDS)).max(8),
  /** a minute of hers counts as so many of anybody else’s */
  minuteCounts: finite.min(0.1, 'is less than a tenth').max(10, 'is more than ten'),
});
export type Person = z.infer<typeof Person>;

/** How a zone keeps its places: nothing else may live there; others may, at a price. */
export const ZONE_RULES = ['only', 'first'] as const;
/** So many ways to draw a zone: a tint and a hatch each. */
export const ZONE_MARKS = 12;

/** The territory of one activity, of several that belong together, or of something that is no activity. */
export const Zone = z.strictObject({
  id: Id,
  name: named,
  rule: z.enum(ZONE_RULES),
  /** its tint and hatch */
  mark: z
    .int()
    .min(0)
    .max(ZONE_MARKS - 1),
});
export type Zone = z.infer<typeof Zone>;

const zoneId = Id.nullable();

const sizes = z.array(size).max(40);
const inserts = z.array(z.string().regex(INSERT_PATTERN, 'is not an insert')).max(100);

export const Unit = z.strictObject({
  id: Id,
  kind: z.enum(UNIT_KINDS as [UnitKind, ...UnitKind[]]),
  name: named,
  /** centre of the footprint */
  x: where,
  y: where,
  /** where the front looks, degrees clockwise from up the page */
  facing: bearing,
  bottom: offset,
  width: size,
  depth: size,
  height: size,
  rows: z.int().min(0).max(40),
  columns: z.int().min(0).max(40),
  rowSizes: sizes,
  columnSizes: sizes,
  inserts,
  mount: z.enum(MOUNTS),
  /** the unit it stands on or is under */
  hostId: Id.nullable(),
  /** the door whose leaf it hangs on */
  doorId: Id.nullable(),
  /** fastened to the wall against tipping */
  fixed: z.boolean(),
  /** “arrange for me” leaves it where it is */
  pinned: z.boolean(),
  /** a box carried to a seat: the place it is kept in; null: it stands by itself */
  keptInId: Id.nullable(),
  /** when empty, g; null: estimated */
  mass: finite.min(0).max(2_000_000).nullable(),
  /** what its fastening or its maker allows in all, g; null: not known */
  ratedLoad: finite.min(0).max(5_000_000).nullable(),
  board: z.enum(BOARDS),
  /** thickness of its shelves */
  thickness: finite.min(2).max(100),
  /** electric power while it runs, W, and reach of its cord, mm; null: no cord */
  watts: finite.min(0).max(20_000),
  cord: finite.min(0).max(20_000).nullable(),
  /** free length a machine needs before and behind it */
  feedFront: offset,
  feedBack: offset,
  /** minutes there and back for a unit outside the room */
  awayMinutes: finite.min(0).max(600),
  /** the zone its places are kept for, but those that say otherwise */
  zoneId,
  /** its doors have been taken off */
  doorsOff: z.boolean(),
});
export type Unit = z.infer<typeof Unit>;

/** A spot where a unit on wheels is parked or worked at. */
export const Parking = z.strictObject({ id: Id, unitId: Id, name: named, x: where, y: where, facing: bearing });
export type Parking = z.infer<typeof Parking>;

/** A front the maker has split and kept under her own name. */
export const OwnKind = z.strictObject({
  id: Id,
  name: named,
  kind: Unit.shape.kind,
  width: size,
  depth: size,
  height: size,
  rows: Unit.shape.rows,
  columns: Unit.shape.columns,
  rowSizes: sizes,
  columnSizes: sizes,
  inserts,
});
export type OwnKind = z.infer<typeof OwnKind>;

/**
 * What is written at a place: nothing; a note on trial; a label for good; one inside the door; nothing any more, because it is known where things are.
 */
export const LABELS = ['none', 'trial', 'permanent', 'inside', 'learnt'] as const;
export type Label = (typeof LABELS)[number];
/** What a label shows. */
export const LABEL_SHOWS = ['name', 'contents', 'picture', 'swatch', 'dots', 'code'] as const;
export type LabelShows = (typeof LABEL_SHOWS)[number];
export const LABEL_SIDES = ['front', 'top', 'left', 'right', 'back'] as const;

/** A picture, by the SHA-256 of its file, kept beside the database. */
const photo = z
  .string()
  .regex(/^[0-9a-f]{64}$/, 'is not a picture')
  .nullable();

export const Place = z.strictObject({
  id: Id,
  unitId: Id,
  name: named,
  kind: z.enum(PLACE_KINDS),
  row: z.int().min(0).max(1000),
  column: z.int().min(0).max(1000),
  part: z.int().min(0).max(20),
  left: offset,
  bottom: offset,
  front: offset,
  width: size,
  height: size,
  depth: size,
  opens: z.enum(['front', 'top']),
  covers: z.array(z.enum(COVERS)).max(4),
  seen: z.boolean(),
  load: finite.min(0).max(10_000_000),
  lockable: z.boolean(),
  /** got at only through the opening of this other place */
  throughId: Id.nullable(),
  /** how it holds, where the maker has it otherwise than its kind does */
  nature: z.enum(NATURES).nullable(),
  /** how many pockets it has, of that nature */
  pockets: z.int().min(0).max(2000),
  /** the place it stands in; `left`, `bottom` and `front` are then counted from that place’s inside. Null: a compartment of its unit */
  inId: Id.nullable(),
  /** what it is, where it is a container; a lane or slot is none */
  organiserId: Id.nullable(),
  /** a container standing a quarter turned: its depth across the front */
  turned: z.boolean(),
  /** the zone it is kept for, where that is another than its unit’s */
  zoneId,
  /** kept out of *find homes*, with the word why; empty: not */
  keptOut: text(120).trim(),
  /** the day on which the tour last looked into it; null: not yet */
  touredOn: day,
  label: z.enum(LABELS),
  /** since when it is so labelled; null: not said */
  labelSince: day,
  /** what is written there; empty: its name */
  labelWords: text(120),
  labelShows: z.array(z.enum(LABEL_SHOWS)).max(LABEL_SHOWS.length),
  labelSides: z.array(z.enum(LABEL_SIDES)).max(LABEL_SIDES.length),
  photo,
});
export type Place = z.infer<typeof Place>;

/** A container put into places: outer and inner sizes, and how it is bought. */
export const Organiser = z.strictObject({
  id: Id,
  name: named,
  width: size,
  depth: size,
  height: size,
  innerWidth: size,
  innerDepth: size,
  innerHeight: size,
  lid: z.boolean(),
  /** free height above it that its lid needs to open where it stands; 0: it is pulled out to be opened */
  lidRise: offset,
  seeThrough: z.boolean(),
  packOf: z.int().min(1).max(1000),
  have: count,
  nature: z.enum(NATURES),
  /** how many pockets it has, of that nature */
  pockets: z.int().min(0).max(2000),
  /** how it is divided, as `lanes 70,70,rest`; empty: not */
  divided: z.string().regex(DIVISION_PATTERN, 'is not a way to divide it'),
  /** brought to the seat as a whole, with what is in it */
  carried: z.boolean(),
  /** empty, g; null: estimated */
  mass: finite.min(0).max(200_000).nullable(),
  /** of one, in the maker’s own money; null: not said */
  price: finite.min(0).max(1_000_000).nullable(),
});
export type Organiser = z.infer<typeof Organiser>;

const words = z.array(text(120)).max(200);

const px = finite.min(-100_000).max(100_000);
const four = z.array(px).length(8, 'needs four corners');

/** What was drawn over a picture laid flat: the words typed for it, its middle from the left and the top, its two sides, and how it is turned. */
export const Drawn = z.strictObject({
  words: text(400),
  x: where,
  y: where,
  width: size,
  depth: size,
  /** degrees clockwise, in [0, 360) */
  turn: bearing,
  round: z.boolean(),
});
export type Drawn = z.infer<typeof Drawn>;

/**
 * A picture that was measured in, of a place from above, a unit’s front, a wall or none of them: with the corners of what is known in it, so that more can
 * be measured later.
 */
export const Picture = z.strictObject({
  id: Id,
  placeId: Id.nullable(),
  unitId: Id.nullable(),
  wallId: Id.nullable(),
  /** the picture as it is kept, by the SHA-256 of its file */
  photo: z.string().regex(/^[0-9a-f]{64}$/, 'is not a picture'),
  /** points along its sides */
  width: z.int().min(1).max(100_000),
  height: z.int().min(1).max(100_000),
  /** focal length as of 35 mm film, mm; null: not said */
  focal35: finite.min(5).max(2000).nullable(),
  /** corners of what is known, x and y by turns, px of the picture; and its two sides, mm */
  corners: four,
  knownWidth: size,
  knownDepth: size,
  /** corners of what is shown flat, px; empty: that is what is known */
  frame: four.or(z.array(px).length(0)),
  /** how the lens bends (docs/computation.md) */
  lens: finite.min(-0.5).max(0.5),
  drawn: z.array(Drawn).max(200),
  takenOn: z.string().regex(/^\d{4}-\d\d-\d\d$/, 'is not a date'),
});
export type Picture = z.infer<typeof Picture>;

/** A way of looking at the list of supplies, kept under a name. */
export const ListView = z.strictObject({
  id: Id,
  name: named,
  columns: z.array(text(40)).min(1, 'needs a column').max(40),
  sortBy: text(40),
  descending: z.boolean(),
  /** what rows are put together by; empty: not */
  groupBy: text(40),
  filter: text(400),
});
export type ListView = z.infer<typeof ListView>;

/** A list of the maker’s own: its headings, and what each was taken for, so that it can be read again and written as it was. */
export const OwnList = z.strictObject({
  id: Id,
  name: named,
  headings: words,
  /** beside every heading what its column means; empty: kept in the note */
  meanings: words,
  measure: z.enum(['metric', 'imperial']),
});
export type OwnList = z.infer<typeof OwnList>;

const sheetSide = finite.min(1, 'must be at least 1 mm').max(5000);
const colour = z
  .string()
  .regex(/^#[0-9a-f]{6}$/, 'is not a colour like #aabbcc')
  .nullable();
const pieces = z.int('must be a whole number').min(0).max(100_000);

/** A piece left over: of which paper or stuff, its colour, so large, so many of it, and where it is filed. */
export const Scrap = z.strictObject({
  id: Id,
  supplyId: Id.nullable(),
  colour,
  width: sheetSide,
  depth: sheetSide,
  count: pieces,
  placeId: Id.nullable(),
});
export type Scrap = z.infer<typeof Scrap>;

/** Which side of a piece runs with the grain of the sheet; `any`: either. */
export const GRAINS = ['any', 'width', 'depth'] as const;

/** Pieces kept cut of one paper: how many there are, how many are cut at a time, and below how many again. */
export const CutPiece = z.strictObject({
  id: Id,
  supplyId: Id,
  name: named,
  width: sheetSide,
  depth: sheetSide,
  grain: z.enum(GRAINS),
  have: pieces,
  keep: pieces,
  below: pieces,
  /** where they lie; null: nowhere yet */
  placeId: Id.nullable(),
});
export type CutPiece = z.infer<typeof CutPiece>;

/** Colours chosen together, kept under a name. */
export const Palette = z.strictObject({ id: Id, name: named, supplyIds: z.array(Id).min(1, 'needs a colour').max(24) });
export type Palette = z.infer<typeof Palette>;

/** By what a row of colours is in order. */
export const ROW_ORDERS = ['rainbow', 'lightness', 'name', 'line', 'theme', 'size'] as const;

/** A row of slots in an order: the supply in each, empty where a gap is kept. */
export const ColourRow = z.strictObject({
  id: Id,
  name: named,
  order: z.enum(ROW_ORDERS),
  placeIds: z.array(Id).min(1, 'needs a slot').max(200),
  slots: z.array(z.union([Id, z.literal('')])).max(200),
});
export type ColourRow = z.infer<typeof ColourRow>;

/** What one of a kind of unit, or a second one of a tool, would cost: its id is the kind’s or the supply’s; in the maker’s own money. */
export const Price = z.strictObject({ id: Id, price: finite.min(0, 'cannot be negative').max(1_000_000) });
export type Price = z.infer<typeof Price>;

/** A recipe: its steps, one a line, as the maker wrote them. */
export const Recipe = z.strictObject({ id: Id, name: named, text: text(8000) });
export type Recipe = z.infer<typeof Recipe>;

/** A finding looked at and left as it is, with the reason; its id is the finding’s key. */
export const Acknowledgement = z.strictObject({
  id: z.string().regex(/^[A-Za-z][A-Za-z0-9:._-]{0,499}$/, 'is not the key of a finding'),
  reason: text(400).trim().min(3, 'needs a reason'),
  since: z.string().regex(/^\d{4}-\d\d-\d\d$/, 'is not a date'),
});
export type Acknowledgement = z.infer<typeof Acknowledgement>;

export const FORMS = [
  'block',
  'sheet',
  'roll',
  'bottle',
  'stick',
  'spool',
  'soft',
  'pocket',
  'loose',
  'machine',
  'long',
] as const;
/** `diagonal`: across the floor of a place, for what is longer than it is wide. */
export const LIES = ['flat', 'edge', 'upright', 'hanging', 'diagonal'] as const;
export const SENSITIVE = ['sun', 'heat', 'damp', 'frost', 'dust'] as const;

/** What of a supply is measured or counted, and may be a guess. */
export const SIZED = ['width', 'depth', 'height', 'mass', 'working', 'backstock'] as const;
export type Sized = (typeof SIZED)[number];

/** Sides of a supply that a picture may have measured. */
export const SIDES = ['width', 'depth', 'height'] as const;

/**
 * How things are kept: as they were bought; loose in a box; on edge in a row; upright on magnet sheets; in binder pockets; in a jar; wound on cards; on
 * a ring; hanging (docs/sources.md).
 */
export const STORAGE_FORMS = [
  'asBought',
  'loose',
  'edge',
  'magnet',
  'pockets',
  'jar',
  'cards',
  'ring',
  'hanging',
] as const;
export type StorageForm = (typeof STORAGE_FORMS)[number];

/** What was decided of a thing when everything was out; `open`: nothing yet. */
export const DECISIONS = ['open', 'keep', 'away', 'passOn', 'throw', 'undecided'] as const;
export type Decision = (typeof DECISIONS)[number];

export const LIVES = ['current', 'second', 'retired'] as const;
export type Life = (typeof LIVES)[number];

const supplySize = size.nullable();
export const Supply = z.strictObject({
  id: Id,
  name: named,
  family: text(80),
  form: z.enum(FORMS),
  /** one piece: width, depth, height (thickness) as it lies flat; null while not measured */
  width: supplySize,
  depth: supplySize,
  height: supplySize,
  /** one piece, g */
  mass: finite.min(0).max(200_000),
  /** paper: g/m², gives the caliper of a sheet without a measured height */
  grammage: finite.gt(0).max(5000).nullable(),
  working: count,
  backstock: count,
  stackLimit: z.int().min(1).max(10_000).nullable(),
  lies: z.array(z.enum(LIES)).min(1, 'needs at least one way to lie').max(5),
  /** other things may lie on it */
  bears: z.boolean(),
  sensitive: z.array(z.enum(SENSITIVE)).max(5),
  hazards: z.array(z.enum(HAZARDS)).max(8),
  colour: z
    .string()
    .regex(/^#[0-9a-f]{6}$/, 'is not a colour like #aabbcc')
    .nullable(),
  note: text(2000),
  /** the zone it belongs to whatever uses it; null: that of its activities */
  zoneId,
  /** the kind of supply its usual sizes came from; empty: none */
  kind: text(60),
  /** sizes and counts that are usual ones, not this thing’s own */
  usual: z.array(z.enum(SIZED)).max(6),
  /** sizes and counts the maker is not sure of */
  unsure: z.array(z.enum(SIZED)).max(6),
  /** sides measured by picture, each so exact: more or less, mm, nineteen times of twenty */
  pictured: z.array(z.enum(SIDES)).max(3),
  plusMinus: finite.min(0).max(1000),
  /** pieces in a pack as it is sold */
  packOf: z.int().min(1, 'must be at least one').max(100_000),
  /** with fewer than so many in reserve it is bought again; null: it is not */
  reorderAt: count.nullable(),
  storage: z.enum(STORAGE_FORMS),
  /** other ways it may be kept in, where that makes a better home */
  mayKeep: z.array(z.enum(STORAGE_FORMS)).max(STORAGE_FORMS.length),
  /** bought lately and not used yet */
  isNew: z.boolean(),
  decision: z.enum(DECISIONS),
  /** the day by which what is undecided is decided */
  decideBy: day,
  /** months in which it is wanted; none: those of the activities that use it */
  months,
  /** it is to be seen, where the maker goes by that */
  onShow: z.boolean(),
  /** opened out or unrolled: its face, and the length that is left, mm; null: it is as large as it is measured, or nobody said */
  openWidth: supplySize,
  openLength: supplySize,
  /** who makes it, the line it is of, and its theme, in free words; empty: none */
  maker: text(120),
  line: text(120),
  theme: text(120),
  /** other names it goes by, split by commas */
  alsoCalled: text(400),
  /** where it is in its life: in use; of a set that is no longer new, in the second bin; retired behind what is in use */
  life: z.enum(LIVES),
  /** the set or kit it was bought in, kept together until it is dispersed; empty: none */
  kit: text(120),
  boughtOn: day,
  /** last used, as far as the maker says; the log may know better */
  usedOn: day,
  /** where it is bought, and what a pack costs, in the maker’s own money */
  shop: text(120),
  price: finite.min(0, 'cannot be negative').max(1_000_000).nullable(),
  photo,
});
export type Supply = z.infer<typeof Supply>;

/** Where a supply must never live: in a unit, or above or below some height of the hand, mm. */
export const Ban = z.strictObject({
  id: Id,
  supplyId: Id,
  unitId: Id.nullable(),
  above: size.nullable(),
  below: size.nullable(),
});
export type Ban = z.infer<typeof Ban>;

/** What doing it brings or asks for. It wants `clean`, `dark` and `quiet`; it makes the others. */
export const TRAITS = ['wet', 'dusty', 'hot', 'fumes', 'noisy', 'clean', 'dark', 'quiet'] as const;
export type Trait = (typeof TRAITS)[number];
/** Where it is done: in this room, or elsewhere with things out of this room. */
export const DONE_AT = ['here', 'otherRoom', 'outside', 'away'] as const;
export type DoneAt = (typeof DONE_AT)[number];
export const WORK_CLASSES = ['fine', 'light', 'heavy'] as const;

export const Activity = z.strictObject({
  id: Id,
  name: named,
  sessionsPerMonth: perTime,
  minutes: finite.min(1).max(1440),
  months,
  posture: z.enum(['sitting', 'standing', 'either']),
  /** how high the worktop wants to be: fine work near the eyes, heavy work below the elbow */
  work: z.enum(WORK_CLASSES),
  /** worktop it needs, mm; 0: any will do */
  surfaceWidth: offset,
  surfaceDepth: offset,
  /** light wanted on the work, lx */
  lux: finite.min(0).max(5000),
  traits: z.array(z.enum(TRAITS)).max(8),
  /** the zone it is done in */
  zoneId,
  /** out until done or back at once, where it is another way than the plan’s; null: as in the plan */
  leaving: z.enum(LEAVINGS).nullable(),
  /** elsewhere: its things are got together, carried out and brought back; it has no worktop here */
  doneAt: z.enum(DONE_AT),
});
export type Activity = z.infer<typeof Activity>;

export const Use = z.strictObject({ id: Id, activityId: Id, supplyId: Id, fetches: perTime, usedUp: perTime });
export type Use = z.infer<typeof Use>;

/** Hands work on from one activity to another, so many times per session of the first. */
export const Flow = z.strictObject({ id: Id, fromId: Id, toId: Id, times: perTime });
export type Flow = z.infer<typeof Flow>;

/** A machine (a unit) that an activity runs. */
export const MachineUse = z.strictObject({ id: Id, activityId: Id, unitId: Id });
export type MachineUse = z.infer<typeof MachineUse>;

export const HOUSINGS = ['station', 'kit', 'cart'] as const;
export type Housing = (typeof HOUSINGS)[number];

/** A seat and how its activity is housed there. */
export const Station = z.strictObject({
  id: Id,
  name: named,
  activityId: Id,
  personId: Id,
  /** the worktop; null: hands rest at elbow height */
  unitId: Id.nullable(),
  x: where,
  y: where,
  heading: bearing,
  standing: z.boolean(),
  /** seat above the floor; null: derived from the person */
  seatHeight: finite.min(150).max(1000).nullable(),
  /** a fixed station; a kit: a box that travels to the seat; a cart: wheeled beside it */
  housing: z.enum(HOUSINGS),
  /** the box or cart that comes to the seat */
  travellerId: Id.nullable(),
  /** the spot it is worked at; null: beside the working hand */
  parkingId: Id.nullable(),
  /** stations with the same word here are worked at the same time; empty: alone */
  together: text(40).trim(),
  /** how often a month somebody comes to what others do here, beside their sessions; null: it is her own, shared with the others who have no number */
  comes: perTime.nullable(),
  /** day it was last worked at, as far as the maker says; null: not said */
  lastUsed: day,
});
export type Station = z.infer<typeof Station>;

/** A way of working that holds for one family of things, or in one zone, where it is another than the plan’s; null: as in the plan. */
export const Way = z.strictObject({
  id: Id,
  /** the family it is about; empty: the zone */
  family: text(80),
  zoneId: Id.nullable(),
  seen: z.enum(SEEN_SCHOOLS).nullable(),
  grouping: z.enum(GROUPINGS).nullable(),
  packaging: z.enum(PACKAGINGS).nullable(),
  /** of a zone: share of its places kept free */
  growth: growth.nullable(),
});
export type Way = z.infer<typeof Way>;

/** The aisle that a family stands under because its maker says so. */
export const FamilyAisle = z.strictObject({
  id: Id,
  family: named,
  /** one of the aisles there are (`concepts/aisles.ts`); another word is kept and says nothing */
  aisle: text(40),
});
export type FamilyAisle = z.infer<typeof FamilyAisle>;

/** One answer of a look test: where somebody would look for a thing. */
export const Look = z.strictObject({
  id: Id,
  supplyId: Id,
  /** where she looked first; null: she did not know */
  placeId: Id.nullable(),
  /** null: nobody of the people in the plan */
  personId: Id.nullable(),
  lookedOn: onDay,
  /** whether it was there */
  found: z.enum(['first', 'second', 'not']),
});
export type Look = z.infer<typeof Look>;

/** What is at hand while it is wanted, what is in reserve, and where what is at hand lies out of its season, if elsewhere. */
export const SHARES = ['working', 'backstock', 'resting'] as const;
/** Shares that are stock of their own: what rests is what is at hand in its season. */
export const OWN_SHARES = ['working', 'backstock'] as const satisfies readonly (typeof SHARES)[number][];
/** One step on the way from today’s homes to found ones: from a place or out of the tray, into a place or into the tray. */
export const Move = z.strictObject({
  id: Id,
  seq: z.int().min(0).max(100_000),
  supplyId: Id,
  share: z.enum(SHARES),
  /** how many; null: all that this home holds */
  count: z.int().min(1).max(1_000_000).nullable(),
  /** null: out of the tray, or from where it lies without a home */
  fromId: Id.nullable(),
  /** null: into the tray */
  toId: Id.nullable(),
  /** how long it takes, s */
  seconds: finite.min(0).max(1_000_000),
  doneOn: day,
});
export type Move = z.infer<typeof Move>;

/** So many of a share of a supply in one place. A share may have several homes, one in a place. */
export const Home = z.strictObject({
  id: Id,
  supplyId: Id,
  share: z.enum(SHARES),
  placeId: Id,
  /** how many; null: all that have no other home */
  count: z.int('must be a whole number').min(1, 'must be at least one').max(1_000_000).nullable(),
  pinned: z.boolean(),
  since: z.string().regex(/^\d{4}-\d\d-\d\d$/, 'is not a date'),
});
export type Home = z.infer<typeof Home>;
export type Share = Home['share'];
