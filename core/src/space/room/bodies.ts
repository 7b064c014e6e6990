import { factsOf, solidsOf } from '../../record/catalogue/index.ts';
import { type Point, type Prism, prism } from '../../measures/geometry/index.ts';
import { type Fixture, type FloorUse, type Plan, type Unit, unitShape } from '../../record/plan/index.ts';
import { frameOf, onWall } from './frames.ts';

/** The whole body of a unit in the room. */
export function unitPrism(unit: Unit): Prism {
  return prism(unit, unit.facing, unit.width, unit.depth, unit.bottom, unit.bottom + unit.height);
}

/** A point of a unit: from its left edge as one stands before it, and from its front plane backwards, mm. */
export function unitPoint(body: Prism, left: number, back: number): Point {
  const u = left - body.halfWidth;
  const v = body.halfDepth - back;
  return { x: body.x + body.rightX * u + body.frontX * v, y: body.y + body.rightY * u + body.frontY * v };
}

/** A box of a unit, measured like a place (mm from its left, bottom and front), where it is in the room. */
export function unitBox(
  unit: Unit,
  body: Prism,
  box: { left: number; bottom: number; front: number; width: number; height: number; depth: number },
): Prism {
  const middle = unitPoint(body, box.left + box.width / 2, box.front + box.depth / 2);
  const bottom = unit.bottom + box.bottom;
  return prism(middle, unit.facing, box.width, box.depth, bottom, bottom + box.height);
}

/** What of a unit is really in the way: a table is its top, a rail or board its whole body. */
export function unitSolids(unit: Unit): Prism[] {
  if (unit.mount === 'away') return [];
  const body = unitPrism(unit);
  if (factsOf(unit.kind).body === 'none') return [body];
  return solidsOf(unit.kind, unitShape(unit)).map((box) => unitBox(unit, body, box));
}

/** Where a fixture is; null when it is on a wall and the walls do not close. */
export function fixturePrism(plan: Pick<Plan, 'walls'>, fixture: Fixture): Prism | null {
  const { width, depth, height, bottom } = fixture;
  if (fixture.wallId === null) return prism(fixture, fixture.facing, width, depth, bottom, bottom + height);
  const frame = frameOf(plan, fixture.wallId);
  if (!frame) return null;
  return prism(onWall(frame, fixture.left + width / 2, depth / 2), frame.facing, width, depth, bottom, bottom + height);
}

/** The floor, and the room above it, that another use needs. */
export function floorUsePrism(use: FloorUse): Prism {
  return prism(use, use.facing, use.width, use.depth, 0, use.height);
}
