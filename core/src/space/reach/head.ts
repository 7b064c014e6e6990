import { type Point } from '../../measures/geometry/index.ts';
import { type Plan } from '../../record/plan/index.ts';
import { ceilingAt } from '../room/index.ts';
import { type Maker } from './maker.ts';

/** From the eye to the top of the head as a share of stature: 1 − 0.936 (Drillis & Contini 1966, memory). */
const CROWN = 0.064;
/** A little air above the head, mm (own assumption). */
const ABOVE_HEAD = 50;

/** How much the ceiling at a point is too low for a maker as she is at work, standing or sitting, mm; 0 when it is high enough. */
export function headShort(plan: Plan, maker: Maker, at: Point): number {
  return Math.max(0, maker.body.eye + CROWN * maker.person.stature + ABOVE_HEAD - ceilingAt(plan, at));
}
