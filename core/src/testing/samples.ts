import { type UnitKind } from '../record/catalogue/index.ts';
import {
  apply,
  blankActivity,
  blankPerson,
  blankStation,
  blankSupply,
  blankUnit,
  type Command,
  emptyPlan,
  type Person,
  type Plan,
  type Sent,
  type Station,
  type Supply,
  type Unit,
} from '../record/plan/index.ts';
import { rightAngled } from '../measures/survey/index.ts';

/** Small made-up rows for tests; every field can be overridden. */
export function block(over: Partial<Supply> = {}): Supply {
  return {
    ...blankSupply('block', 'Line reel'),
    family: 'Kite parts',
    width: 120,
    depth: 90,
    height: 60,
    mass: 150,
    ...over,
  };
}

export function sheet(over: Partial<Supply> = {}): Supply {
  return block({
    id: 'sheet',
    name: 'Mulberry paper',
    family: 'Paper',
    form: 'sheet',
    width: 305,
    depth: 305,
    height: null,
    grammage: 216,
    lies: ['flat'],
    ...over,
  });
}

export function person(over: Partial<Person> = {}): Person {
  return { ...blankPerson('maker', 'The maker', 1620), ...over };
}

export function unit(kind: UnitKind, over: Partial<Unit> = {}): Unit {
  return { ...blankUnit(kind, kind), awayMinutes: 0, ...over };
}

/** One small open shelf on a wall, the middle of its opening at a height, mm. */
export const smallShelf = (z: number, over: Partial<Unit> = {}): Unit =>
  unit('wallShelves', { width: 132, depth: 212, height: 132, rows: 1, columns: 1, bottom: z - 66, ...over });

export function use(supplyId: string, fetches: number, activityId = 'work'): Plan['uses'][string] {
  return { id: `${activityId}-${supplyId}`, activityId, supplyId, fetches, usedUp: 0 };
}

/** A plan after some commands; a refused one is a mistake in the test and throws. */
export function applied(plan: Plan, ...commands: Sent[]): Plan {
  return commands.reduce((p, command) => {
    const done = apply(p, command);
    if (!done.ok) throw new Error(`${command.type}: ${done.reason}`);
    return done.plan;
  }, plan);
}

/** A 6 × 6 m room with one person and one station in its middle, heading up the page. */
export function tinyRoom(station: Partial<Station> = {}, who: Partial<Person> = {}): Plan {
  let plan = emptyPlan('tiny', { ceiling: 2600, labels: 'memory' });
  for (const [i, wall] of rightAngled(6000, 6000).entries())
    plan = applied(plan, { type: 'addWall', wall: { id: `w${i}`, name: '', ...wall } });
  plan = applied(plan, { type: 'addPerson', person: person(who) });
  plan = applied(plan, {
    type: 'addActivity',
    activity: {
      ...blankActivity('work', 'Work'),
      sessionsPerMonth: 8,
    },
  });
  return applied(plan, {
    type: 'addStation',
    station: {
      ...blankStation('seat', 'Seat', 'work', 'maker'),
      x: 3000,
      y: 3000,
      seatHeight: 450,
      ...station,
    },
  });
}

export function withUnits(plan: Plan, ...units: Unit[]): Plan {
  return units.reduce((p, u) => applied(p, { type: 'placeUnit', unit: u }), plan);
}

/** Gives the working share of a supply its home. */
export const home = (supplyId: string, placeId: string, pinned = false): Command => ({
  type: 'assignHome',
  supplyId,
  share: 'working',
  placeId,
  since: '2026-05-01',
  pinned,
});
