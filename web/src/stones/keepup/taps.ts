import { toast } from 'sonner';
import {
  asOne,
  type Command,
  countIn,
  homesIn,
  homesOf,
  type Place,
  placeWithAllIn,
  type Supply,
} from '@heronstone/core/plan';
import { entriesOf } from '@heronstone/core/upkeep';
import { jot } from '../../state/jot.ts';
import { usePlan } from '../../state/plan-store.ts';
import { today } from '../../ui/words.ts';

type At = { stationId?: string | null; activityId?: string | null; placeId?: string | null };

/** Where a thing at hand lives now; what is used up to the last piece loses its home, and is known again by this. */
const placeOf = (supplyId: string): string | null =>
  homesOf(usePlan.getState().plan, supplyId, 'working')[0]?.placeId ?? null;

/** One piece at hand is used up: counted off and logged. */
export function usedUp(supply: Supply, at: At = {}): boolean {
  const { dispatch } = usePlan.getState();
  const placeId = placeOf(supply.id);
  if (supply.working === 0) {
    toast(`By the list there is no ${supply.name} at hand. It is logged all the same.`);
  } else if (!dispatch({ type: 'countSupply', id: supply.id, by: { working: -1 } })) return false;
  return jot({ what: 'usedUp', supplyId: supply.id, count: 1, ...at, placeId: at.placeId ?? placeId });
}

/** A pack (or as much as there is) out of the reserve comes to hand, where it was before; the last one asks for another. */
export function openSpare(supply: Supply, at: At = {}): boolean {
  const { dispatch, plan } = usePlan.getState();
  if (supply.backstock === 0) {
    toast(`By the list there is no spare ${supply.name} left.`);
    return false;
  }
  const count = Math.min(supply.packOf, supply.backstock);
  const before =
    placeOf(supply.id) === null
      ? entriesOf(plan, supply.id)
          .filter((e) => e.what === 'usedUp' && plan.places[e.placeId ?? ''])
          .at(-1)?.placeId
      : null;
  const commands: Command[] = [{ type: 'countSupply', id: supply.id, by: { working: count, backstock: -count } }];
  if (before)
    commands.push({ type: 'assignHome', supplyId: supply.id, share: 'working', placeId: before, since: today() });
  if (!dispatch(asOne(`open the spare of ${supply.name}`, commands))) return false;
  jot({ what: 'opened', supplyId: supply.id, count, ...at });
  toast(
    supply.backstock === count
      ? `${supply.name}: the last spare is open. It is on the shopping list.`
      : `${supply.name}: ${supply.backstock - count} left in reserve.`,
  );
  return true;
}

/** A place was found empty: what was at hand there is used up. */
export function emptied(place: Place): boolean {
  const { dispatch, plan } = usePlan.getState();
  const gone = placeWithAllIn(plan, place)
    .flatMap((p) => homesIn(plan, p.id))
    .flatMap((home) => {
      const supply = plan.supplies[home.supplyId];
      const count = supply && home.share === 'working' ? countIn(plan, home, supply) : 0;
      return supply && count > 0 ? [{ supply, count, placeId: home.placeId }] : [];
    });
  if (gone.length === 0) {
    toast('By the list nothing is at hand here anyway.');
    return false;
  }
  const commands = gone.map(({ supply, count }): Command => ({
    ...{ type: 'countSupply', id: supply.id },
    by: { working: -count },
  }));
  if (!dispatch(asOne('a place is empty', commands))) return false;
  return jot(
    ...gone.map((g) => ({ what: 'usedUp' as const, supplyId: g.supply.id, placeId: g.placeId, count: g.count })),
  );
}
