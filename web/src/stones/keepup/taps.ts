import { toast } from 'sonner';
import { type Supply } from '@heronstone/core/plan';
import { jot } from '../../state/jot.ts';
import { usePlan } from '../../state/plan-store.ts';

type At = { stationId?: string | null; activityId?: string | null; placeId?: string | null };

/** One piece at hand is used up: counted off and logged. */
export function usedUp(supply: Supply, at: At = {}): boolean {
  const { dispatch } = usePlan.getState();
  if (supply.working === 0) {
    toast(`By the list there is no ${supply.name} at hand. It is logged all the same.`);
  } else if (!dispatch({ type: 'setSupply', id: supply.id, set: { working: supply.working - 1 } })) return false;
  return jot({ what: 'usedUp', supplyId: supply.id, count: 1, ...at });
}

/** A pack (or as much as there is) out of the reserve comes to hand; the last one asks for another. */
export function openSpare(supply: Supply, at: At = {}): boolean {
  const { dispatch } = usePlan.getState();
  if (supply.backstock === 0) {
    toast(`By the list there is no spare ${supply.name} left.`);
    return false;
  }
  const count = Math.min(supply.packOf, supply.backstock);
  const set = { working: supply.working + count, backstock: supply.backstock - count };
  if (!dispatch({ type: 'setSupply', id: supply.id, set })) return false;
  jot({ what: 'opened', supplyId: supply.id, count, ...at });
  toast(
    set.backstock === 0
      ? `${supply.name}: the last spare is open. It is on the shopping list.`
      : `${supply.name}: ${set.backstock} left in reserve.`,
  );
  return true;
}
