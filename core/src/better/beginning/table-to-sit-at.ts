import { factsOf } from '../../record/catalogue/index.ts';
import { type Plan, type Unit } from '../../record/plan/index.ts';

/** At what somebody sits who has no seat yet: the first worktop in the room, else the first unit there is to stand before; null where nothing stands. */
export function tableToSitAt(plan: Pick<Plan, 'units'>): Unit | null {
  const here = Object.values(plan.units).filter((u) => u.mount !== 'away');
  return here.find((u) => factsOf(u.kind).worktop) ?? here[0] ?? null;
}
