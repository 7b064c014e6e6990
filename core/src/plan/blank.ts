import { CATALOGUE, type UnitKind } from '../catalogue/index.ts';
import { type Person, type Supply, type Unit } from './rows.ts';

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
export function blankUnit(id: string, kind: UnitKind): Unit {
  const { name, mount, defaults } = CATALOGUE[kind];
  return { id, kind, name, x: 0, y: 0, facing: 180, ...defaults, awayMinutes: mount === 'away' ? 3 : 0 };
}
