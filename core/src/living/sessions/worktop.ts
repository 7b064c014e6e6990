import { type Area, freeAreas, stowageOf } from '../../things/fit/index.ts';
import { compartmentsOf, type Plan, placesIn, outerOf, type Unit } from '../../record/plan/index.ts';
import { unitPrism } from '../../space/room/index.ts';

/** What stands on a top reaches no farther over it than this counts as standing on it, mm: rounding of spots. */
const ON_IT = 30;

/** The largest free rectangle that is left of a worktop, mm; all of it where nothing stands on it. */
export function leftToWorkOn(plan: Plan, table: Unit): { width: number; depth: number } {
  const taken = [...standingOn(plan, table), ...keptOn(plan, table)];
  if (taken.length === 0) return { width: table.width, depth: table.depth };
  const largest = freeAreas(table.width, table.depth, taken).sort((a, b) => b.width * b.depth - a.width * a.depth)[0];
  return largest ? { width: largest.width, depth: largest.depth } : { width: 0, depth: 0 };
}

/** Units that stand on a top, a machine with the length its work needs before and behind it; from its left and its front, mm. */
function standingOn(plan: Plan, table: Unit): Area[] {
  const body = unitPrism(table);
  return Object.values(plan.units).flatMap((unit) => {
    if (
      unit.hostId !== table.id ||
      unit.keptInId !== null ||
      Math.abs(unit.bottom - table.bottom - table.height) > ON_IT
    )
      return [];
    const [dx, dy] = [unit.x - table.x, unit.y - table.y];
    const u = dx * body.rightX + dy * body.rightY + table.width / 2;
    const v = table.depth / 2 - (dx * body.frontX + dy * body.frontY);
    const turn = Math.abs(((unit.facing - table.facing) % 180) + 180) % 180;
    const across = turn > 45 && turn < 135;
    const feed = unit.feedFront + unit.feedBack;
    const [w, d] = across ? [unit.depth + feed, unit.width] : [unit.width, unit.depth + feed];
    // its feed lies before and behind it, not all on one side
    const shift = (unit.feedFront - unit.feedBack) / 2;
    const y = v - d / 2 - (across ? 0 : shift);
    const [left, front] = [Math.max(0, u - w / 2), Math.max(0, y)];
    const [right, back] = [Math.min(table.width, u + w / 2), Math.min(table.depth, y + d)];
    return right > left && back > front ? [{ x: left, y: front, width: right - left, depth: back - front }] : [];
  });
}

/** Containers and things that live on a top stand at its back, where they are least in the way. */
function keptOn(plan: Plan, table: Unit): Area[] {
  const top = compartmentsOf(plan, table.id).find((p) => p.kind === 'top');
  if (!top) return [];
  const boxes = placesIn(plan, top.id).map((p) => ({
    x: p.left,
    y: p.front,
    width: outerOf(plan, p).width,
    depth: outerOf(plan, p).depth,
  }));
  const things = stowageOf(plan, top).stacks.map((s) => ({
    x: s.x,
    y: table.depth - s.y - s.depth,
    width: s.width,
    depth: s.depth,
  }));
  return [...boxes, ...things];
}
