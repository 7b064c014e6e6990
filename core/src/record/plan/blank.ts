import { defaultsOf, emptyMass, factsOf, type UnitKind } from '../catalogue/index.ts';
import {
  type Opening,
  type Wall,
  type Activity,
  type Fixture,
  type FixtureKind,
  type Hazard,
  type Heat,
  type Organiser,
  type Person,
  type Place,
  type Station,
  type Supply,
  type Unit,
} from './rows/index.ts';

/**
 * How things of a form usually lie (common practice, no source): bottles stand, sheets lie or are filed, soft things lie, the rest any way up. What hangs
 * is said of each.
 */
export function usualLies(form: string): Supply['lies'] {
  if (form === 'bottle' || form === 'machine') return ['upright'];
  if (form === 'sheet') return ['flat', 'upright'];
  if (form === 'pocket') return ['flat', 'upright'];
  if (form === 'long') return ['flat', 'upright'];
  return form === 'soft' ? ['flat', 'edge'] : ['flat', 'edge', 'upright'];
}

/** A supply of which all that came later is not said: measured, of no kind, sold singly, kept as bought. */
export const SUPPLY_LATER = {
  zoneId: null,
  kind: '',
  usual: [],
  unsure: [],
  pictured: [],
  plusMinus: 0,
  packOf: 1,
  reorderAt: null,
  storage: 'asBought',
  mayKeep: [],
  isNew: false,
  decision: 'open',
  decideBy: null,
  months: [],
  onShow: false,
  openWidth: null,
  openLength: null,
  maker: '',
  line: '',
  theme: '',
  alsoCalled: '',
  life: 'current',
  kit: '',
  boughtOn: null,
  usedOn: null,
  shop: '',
  price: null,
  photo: null,
} as const satisfies Partial<Supply>;

/** A supply of which nothing but its name is known yet. */
export function blankSupply(id: string, name: string): Supply {
  return {
    id,
    name,
    family: '',
    form: 'block',
    width: null,
    depth: null,
    height: null,
    mass: 0,
    grammage: null,
    working: 1,
    backstock: 0,
    stackLimit: null,
    lies: ['flat', 'edge', 'upright'],
    bears: false,
    sensitive: [],
    hazards: [],
    colour: null,
    note: '',
    ...SUPPLY_LATER,
    usual: [],
    unsure: [],
    pictured: [],
    plusMinus: 0,
    mayKeep: [],
    months: [],
  };
}

/** A grown person of some stature (mm) who sits on a swivel chair and minds nothing. */
export function blankPerson(id: string, name: string, stature: number): Person {
  return {
    id,
    name,
    stature,
    eyeHeight: null,
    shoulderHeight: null,
    elbowHeight: null,
    gripReach: null,
    hand: 'right',
    mayClimb: true,
    mayStoop: true,
    mayKneel: true,
    mobility: 'swivel',
    child: false,
    age: null,
    keepFrom: [],
    minuteCounts: 1,
  };
}

/** Hazards that a child must not get at as long as nothing is said of its age. */
export const HARMFUL = ['blade', 'hot', 'flammable', 'toxic', 'magnet', 'small'] as const satisfies readonly Hazard[];

/**
 * Hazards a child of some age is kept from by default: small parts under three years (16 CFR 1501, from memory), the other harmful ones
 * under fourteen (own assumption; the parents know better and change it).
 */
export function keepFromAt(age: number | null): Hazard[] {
  if (age === null || age < 3) return [...HARMFUL];
  return age < 14 ? HARMFUL.filter((h) => h !== 'small') : ['toxic'];
}

/** Mean of the medians of girls and boys at whole years 1 to 17, mm: WHO growth standards and reference, from memory, rounded to 1 cm. */
const STATURE_AT = [
  500, 750, 870, 960, 1030, 1100, 1160, 1220, 1270, 1330, 1380, 1440, 1500, 1560, 1610, 1650, 1680, 1690,
];

/** Usual stature of a child of so many whole years, mm; at least the 700 mm a person has here. */
export const statureAt = (age: number): number =>
  Math.max(700, STATURE_AT[Math.min(17, Math.max(0, Math.round(age)))]!);

/** What an activity asks for while nothing is said. */
export const ACTIVITY_LATER = {
  posture: 'either',
  work: 'light',
  surfaceWidth: 0,
  surfaceDepth: 0,
  lux: 500,
  traits: [],
  zoneId: null,
  leaving: null,
  doneAt: 'here',
} as const satisfies Partial<Activity>;

/** A fixed station worked at alone. */
export const STATION_LATER = {
  housing: 'station',
  travellerId: null,
  parkingId: null,
  together: '',
  comes: null,
  lastUsed: null,
} as const satisfies Partial<Station>;

/** A compartment of a unit that holds as its kind does and is kept for nothing. */
export const PLACE_LATER = {
  nature: null,
  pockets: 0,
  inId: null,
  organiserId: null,
  turned: false,
  zoneId: null,
  keptOut: '',
  touredOn: null,
  label: 'none',
  labelSince: null,
  labelWords: '',
  labelShows: ['name'],
  labelSides: ['front'],
  photo: null,
} as const satisfies Partial<Record<keyof Place, unknown>>;

/** The same, with lists of its own. */
export const placeLater = (): Pick<Place, keyof typeof PLACE_LATER> => ({
  ...PLACE_LATER,
  labelShows: [...PLACE_LATER.labelShows],
  labelSides: [...PLACE_LATER.labelSides],
});

const SAID = [
  ...['nature', 'zoneId', 'keptOut', 'touredOn'],
  ...['label', 'labelSince', 'labelWords', 'labelShows', 'labelSides', 'photo'],
] as (keyof typeof PLACE_LATER)[];

/** What the maker has said of a place, which stays when the place is laid out anew. */
export const saidOfPlace = (before: Place): Partial<Place> => Object.fromEntries(SAID.map((f) => [f, before[f]]));

/** An open box one looks into, undivided, that stays where it stands. */
export const ORGANISER_LATER = {
  nature: 'area',
  pockets: 0,
  divided: '',
  carried: false,
  mass: null,
  price: null,
} as const satisfies Partial<Organiser>;

/** An activity of which nothing but its name is known: an hour and a half once a week all the year. */
export function blankActivity(id: string, name: string): Activity {
  const months = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12];
  return { id, name, sessionsPerMonth: 4, minutes: 90, months, ...ACTIVITY_LATER, traits: [] };
}

/** A seat of an activity at a point, looking up the page, without a worktop. */
export function blankStation(id: string, name: string, activityId: string, personId: string): Station {
  const seat = { unitId: null, x: 0, y: 0, heading: 0, standing: false, seatHeight: null };
  return { id, name, activityId, personId, ...seat, ...STATION_LATER };
}

/** A unit of a kind in its usual size, at the origin, its front looking down the page. */
export function blankUnit(id: string, kind: UnitKind, measure: 'metric' | 'imperial' = 'metric'): Unit {
  const { name, mount } = factsOf(kind);
  return {
    id,
    kind,
    name,
    x: 0,
    y: 0,
    facing: 180,
    ...defaultsOf(kind, measure),
    rowSizes: [],
    columnSizes: [],
    inserts: [],
    mount,
    hostId: null,
    doorId: null,
    fixed: mount === 'wall' || mount === 'door',
    pinned: false,
    keptInId: null,
    mass: null,
    ratedLoad: null,
    board: 'particleboard',
    thickness: 16,
    watts: 0,
    cord: null,
    doorsOff: false,
    feedFront: 0,
    feedBack: 0,
    awayMinutes: mount === 'away' ? 3 : 0,
    zoneId: null,
    usual: [],
    unsure: [],
    pictured: [],
    plusMinus: 0,
  };
}

/** A box of some outer size (mm) with walls of 2 mm, nothing else known of it. */
export function blankOrganiser(id: string, name: string, width: number, depth: number, height: number): Organiser {
  const inner = { innerWidth: width - 4, innerDepth: depth - 4, innerHeight: height - 2 };
  const plain = { lid: false, lidRise: 0, seeThrough: false, packOf: 1, have: 0 };
  return { id, name, width, depth, height, ...inner, ...plain, ...ORGANISER_LATER };
}

/** What a unit weighs empty, g: as weighed, else estimated. */
export function massOf(unit: Unit): number {
  return unit.mass ?? emptyMass(unit.kind, unit);
}

const INCH = 25.4;
/** Door and window as they usually are: width, sill and head, mm (common practice, no source): 30 by 80 in where one measures in inches. */
const OPENINGS = {
  metric: { door: [850, 0, 2000], window: [1000, 900, 2000] },
  imperial: { door: [30 * INCH, 0, 80 * INCH], window: [36 * INCH, 36 * INCH, 80 * INCH] },
} as const;

/** A door or window in its usual size in the middle of a wall, mm. */
export function blankOpening(
  id: string,
  kind: Opening['kind'],
  wall: Pick<Wall, 'id' | 'length'>,
  measure: 'metric' | 'imperial',
): Opening {
  const [usual, sill, head] = OPENINGS[measure][kind === 'window' ? 'window' : 'door'];
  const width = Math.min(usual, wall.length);
  const left = Math.max(0, Math.round((wall.length - width) / 2));
  return { id, wallId: wall.id, kind, left, width, sill, head, hinge: 'left', swing: 'in', ...BY_TAPE };
}

/** What an opening or a fixture says of its size while nobody said otherwise. */
export const BY_TAPE = { sizeBy: 'tape', plusMinus: 0 } as const;

/** Usual sizes of fixtures: width, depth, height and height above the floor, mm (common practice, no source). */
const FIXTURES: Record<FixtureKind, [name: string, width: number, depth: number, height: number, bottom: number]> = {
  socket: ['Socket', 146, 10, 86, 300],
  heater: ['Heater', 800, 100, 450, 120],
  fuseBoard: ['Fuse board', 360, 110, 500, 1400],
  sink: ['Sink', 600, 500, 200, 660],
  lamp: ['Lamp', 200, 200, 100, 2200],
  pipe: ['Pipe', 60, 60, 2400, 0],
  stairs: ['Stair opening', 900, 1900, 20, 0],
  obstacle: ['Post', 150, 150, 2400, 0],
};

/** The same for what heats, with what it draws, W: only electricity warms by the mains (common practice, no source). */
const HEATERS: Record<
  Heat,
  [name: string, width: number, depth: number, height: number, bottom: number, watts: number]
> = {
  portable: ['Portable heater', 400, 250, 450, 0, 2000],
  electric: ['Electric heater', 800, 100, 450, 120, 2000],
  water: ['Radiator', 1000, 100, 600, 120, 0],
  fire: ['Fireplace', 900, 350, 900, 0, 0],
};

/** What heats, in its usual size (whole inches in an inch plan), on a wall from `left` on, or off the walls at the origin. */
export function blankHeater(
  id: string,
  heat: Heat,
  wallId: string | null = null,
  left = 0,
  measure: Measure = 'metric',
): Fixture {
  const [name, width, depth, height, bottom, watts] = HEATERS[heat];
  const size = wholeInches({ width, depth, height, bottom }, measure);
  return { ...blankFixture(id, 'heater', wallId, left, measure), name, heat, watts, ...size };
}

type Measure = 'metric' | 'imperial';
/** Sizes as they are, mm, or the nearest whole inches, at least one, where one measures in those. */
const wholeInches = <T extends Record<string, number>>(sizes: T, measure: Measure): T =>
  measure === 'metric'
    ? sizes
    : (Object.fromEntries(
        Object.entries(sizes).map(([k, mm]) => [k, mm === 0 ? mm : Math.max(1, Math.round(mm / INCH)) * INCH]),
      ) as T);

/** A fixture in its usual size and height (whole inches in an inch plan), on a wall from `left` on, or off the walls at the origin. */
export function blankFixture(
  id: string,
  kind: FixtureKind,
  wallId: string | null = null,
  left = 0,
  measure: Measure = 'metric',
): Fixture {
  const [name, width, depth, height, bottom] = FIXTURES[kind];
  const lamp = kind === 'lamp';
  const size = wholeInches({ width, depth, height, bottom }, measure);
  const light = { lumens: lamp ? 800 : 0, beam: 120, watts: kind === 'heater' ? 2000 : lamp ? 10 : 0 };
  return {
    id,
    kind,
    name,
    wallId,
    left,
    x: 0,
    y: 0,
    facing: 180,
    ...size,
    circuit: '',
    ...light,
    heat: 'portable',
    ...BY_TAPE,
  };
}
