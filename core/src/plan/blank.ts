import { defaultsOf, emptyMass, factsOf, type UnitKind } from '../catalogue/index.ts';
import { type Fixture, type FixtureKind, type Person, type Supply, type Unit } from './rows.ts';

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
    sensitive: [],
    hazards: [],
    colour: null,
    note: '',
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
  };
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
    mass: null,
    ratedLoad: null,
    board: 'particleboard',
    thickness: 16,
    watts: 0,
    cord: null,
    feedFront: 0,
    feedBack: 0,
    awayMinutes: mount === 'away' ? 3 : 0,
  };
}

/** What a unit weighs empty, g: as weighed, else estimated. */
export function massOf(unit: Unit): number {
  return unit.mass ?? emptyMass(unit.kind, unit);
}

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

/** A fixture in its usual size and height, on a wall from `left` on, or off the walls at the origin. */
export function blankFixture(id: string, kind: FixtureKind, wallId: string | null = null, left = 0): Fixture {
  const [name, width, depth, height, bottom] = FIXTURES[kind];
  const lamp = kind === 'lamp';
  const size = { width, depth, height, bottom };
  const light = { lumens: lamp ? 800 : 0, beam: 120, watts: kind === 'heater' ? 2000 : lamp ? 10 : 0 };
  return { id, kind, name, wallId, left, x: 0, y: 0, facing: 180, ...size, circuit: '', ...light };
}
