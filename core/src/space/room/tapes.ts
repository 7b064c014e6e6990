import { type Point, prismFootprint } from '../../measures/geometry/index.ts';
import { type Plan, type Unit } from '../../record/plan/index.ts';
import { unitPrism } from './bodies.ts';
import { fromWall, onWall, wallFrames } from './frames.ts';

/** A tape held square to a wall, from what is nearest to it. */
export type Tape = {
  wallId: string;
  name: string;
  /** mm; negative: what is measured from goes through the wall */
  gap: number;
  from: Point;
  /** on the wall */
  to: Point;
};

/** Corners that differ by less are equally near: the tape begins between them, mm. */
const AS_NEAR = 1;

/**
 * The tapes from a thing with these corners to each wall that is opposite it. A wall that a tape would not meet is left out.
 * @param corners of it as seen from above, mm; one is enough
 */
export function tapesFrom(plan: Pick<Plan, 'walls'>, corners: readonly Point[]): Tape[] {
  return wallFrames(plan).flatMap((frame) => {
    const seen = corners.map((c) => fromWall(frame, c));
    const left = Math.min(...seen.map((p) => p.left));
    const right = Math.max(...seen.map((p) => p.left));
    if (right <= 0 || left >= frame.length || seen.every((p) => p.out < 0)) return [];
    const gap = Math.min(...seen.map((p) => p.out));
    const nearest = seen.filter((p) => p.out < gap + AS_NEAR).map((p) => p.left);
    // of an edge along the wall the part that is opposite it
    const [begin, end] = [Math.max(0, Math.min(...nearest)), Math.min(frame.length, Math.max(...nearest))];
    if (begin > end) return [];
    const [from, to] = [onWall(frame, (begin + end) / 2, gap), onWall(frame, (begin + end) / 2)];
    return [{ wallId: frame.wall.id, name: frame.name, gap, from, to }];
  });
}

/** The tapes from a unit's edges. */
export const wallGaps = (plan: Pick<Plan, 'walls'>, unit: Unit): Tape[] =>
  tapesFrom(plan, prismFootprint(unitPrism(unit)));
