import { liftLimit } from '../../space/loads/index.ts';
import { type Plan, type Supply, readsSame } from '../../record/plan/index.ts';
import { type Case } from './penalty-case.ts';

/** Hands before the ankles at a shelf, mm (own assumption). */
const AT_SHELF = { horizontal: 400, twist: 0, coupling: 'fair' } as const;

/** How high the table is that it is carried to, mm (own assumption). */
export const TABLE = 740;

/**
 * Lifted sitting, close before the body at the height of the hands, g: the lower of two figures for seated handling (HSE INDG143, from memory); half of
 * it farther up or down, and how far from table height that begins, mm (own assumptions).
 */
export const SEATED = 3000;

const BEFORE_HER = 300;

/** What may be lifted out of a place and down or up to a table, g: by the lifting equation, less where it is done sitting. */
export const liftAdvised = ({ plan, supply, spot }: Case) => {
  const vertical = Math.max(0, spot.grip.z);
  const onFoot = 1000 * liftLimit({ ...AT_SHELF, vertical, travel: Math.abs(vertical - TABLE) });
  if (!liftedSeated(plan, supply)) return onFoot;
  return Math.min(onFoot, Math.abs(vertical - TABLE) <= BEFORE_HER ? SEATED : SEATED / 2);
};

const SEATED_READS = ['uses', 'stations', 'people'] as const;

const seated = new WeakMap<Supply, { of: Pick<Plan, (typeof SEATED_READS)[number]>; is: boolean }>();

/** Whether somebody in a wheelchair works at an activity that uses it. */
export function liftedSeated(plan: Plan, supply: Supply): boolean {
  const known = seated.get(supply);
  if (known && readsSame(SEATED_READS, known.of, plan)) return known.is;
  const onWheels = Object.values(plan.stations).filter((s) => plan.people[s.personId]?.mobility === 'wheelchair');
  const is =
    onWheels.length > 0 &&
    Object.values(plan.uses).some(
      (u) => u.supplyId === supply.id && onWheels.some((s) => s.activityId === u.activityId),
    );
  seated.set(supply, { of: plan, is });
  return is;
}
