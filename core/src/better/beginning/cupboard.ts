import { type UnitKind } from '../../record/catalogue/index.ts';
import { apply, blankUnit, type Command, emptyPlan, type Plan, type PlanHead, SIDES } from '../../record/plan/index.ts';
import { bestSeatAt, sitAtCommand } from '../../space/room/index.ts';

/** Kinds one cupboard may be, the likeliest first. */
export const CUPBOARDS = [
  'cupboard',
  'lowChest',
  'boxTower',
  'cubeUnit',
  'bookcase',
  'rollingCart',
] as const satisfies readonly UnitKind[];
export type CupboardKind = (typeof CUPBOARDS)[number];

/**
 * One cupboard, tonight: a plan that is a unit of a kind and somebody standing before it. It has no walls: the room is the strip before the unit until
 * it is measured.
 */
export function beginCupboard(kind: UnitKind, head: Pick<PlanHead, 'name' | 'measure'>): Plan {
  const empty = emptyPlan('new', head);
  const unit = { ...blankUnit('unit', kind, head.measure), x: 0, y: 0, facing: 180, usual: [...SIDES] };
  const placed = applied(empty, { type: 'placeUnit', unit });
  return applied(
    placed,
    sitAtCommand(placed, unit, bestSeatAt(placed, unit), { station: 'seat', person: 'me', activity: 'making' }),
  );
}

/** My room: four walls as they are measured, in the order in which one walks round with the wall on the left; corners are square. Lengths in mm. */
export function beginRoom(lengths: readonly number[], head: Pick<PlanHead, 'name' | 'measure'>): Plan {
  return lengths.reduce(
    (plan, length, i) => applied(plan, { type: 'addWall', wall: { id: `wall-${i + 1}`, length, turn: 90, name: '' } }),
    emptyPlan('new', head),
  );
}

function applied(plan: Plan, command: Command): Plan {
  const done = apply(plan, command);
  if (!done.ok) throw new Error(done.reason);
  return done.plan;
}
