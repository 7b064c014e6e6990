import { type Point } from '../../measures/geometry/index.ts';
import { type Plan, type Slope } from '../../record/plan/index.ts';
import { frameOf, fromWall, type WallFrame } from './frames.ts';

/** Height at which a line is drawn where the ceiling slopes: lower is met with the head, mm (common practice, no source). */
export const HEAD_HEIGHT = 1900;

/** Height of one slope at a distance from its wall, mm; not higher than the flat ceiling. */
export function slopeHeight(slope: Slope, ceiling: number, out: number): number {
  return Math.min(ceiling, slope.knee + ((ceiling - slope.knee) * Math.max(0, out)) / slope.run);
}

/** Height of the room above a point of the floor, mm: the flat ceiling or the lowest slope over it. */
export function ceilingAt(plan: Pick<Plan, 'walls' | 'slopes' | 'head'>, p: Point): number {
  let height = plan.head.ceiling;
  for (const slope of Object.values(plan.slopes)) {
    const frame = frameOf(plan, slope.wallId);
    if (frame) height = Math.min(height, slopeHeight(slope, plan.head.ceiling, fromWall(frame, p).out));
  }
  return height;
}

/** How far from its wall a slope is as high as `height`, mm; 0 where it is so from the wall on. */
export function slopeReaches(slope: Slope, ceiling: number, height: number): number {
  if (height <= slope.knee) return 0;
  if (ceiling <= slope.knee) return Infinity;
  return ((height - slope.knee) * slope.run) / (ceiling - slope.knee);
}

/** Outline of a wall’s front, from its lower left corner: [along, up] in mm, cut by the slopes of its neighbours and its own. */
export function wallOutline(
  plan: Pick<Plan, 'walls' | 'slopes' | 'head'>,
  frame: WallFrame,
): { x: number; y: number }[] {
  const steps = new Set([0, frame.length]);
  for (const slope of Object.values(plan.slopes)) {
    const other = frameOf(plan, slope.wallId);
    if (!other) continue;
    const a = fromWall(other, frame.a).out;
    const b = fromWall(other, frame.b).out;
    const bend = slope.run;
    if ((a - bend) * (b - bend) < 0) steps.add((frame.length * (bend - a)) / (b - a));
  }
  const tops = [...steps].sort((p, q) => q - p);
  const at = (x: number) => ({
    x: frame.a.x + frame.along.x * x,
    y: frame.a.y + frame.along.y * x,
  });
  return [{ x: 0, y: 0 }, { x: frame.length, y: 0 }, ...tops.map((x) => ({ x, y: ceilingAt(plan, at(x)) }))];
}
