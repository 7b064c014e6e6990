import { type Plan } from '../../record/plan/index.ts';
import { type Looking } from '../recall/index.ts';
import { type Homes } from '../slotting/index.ts';
import { lookingIn } from './again.ts';
import { needOf } from './need.ts';
import { type Translation } from './translating.ts';
import { yearlyUses } from './uses.ts';

/** The measure over what is to live somewhere, and what stays, as some homes have it. */
export function lookingOver(plan: Plan, { lots, ledger, lotOf, sorts, places }: Translation, homes: Homes): Looking {
  const wanted = lots.map(({ id }, i) => ({
    ...{ id, supply: lotOf.get(id)!.supply },
    need: needOf(ledger[i]!.uses, ledger[i]!.part),
  }));
  for (const { id, supplyId } of sorts.staying) {
    const supply = plan.supplies[supplyId]!;
    const home = plan.homes[id.slice('stays '.length)]!;
    wanted.push({ id, supply, need: needOf(yearlyUses(plan, supply, home.share)) });
  }
  const looking = lookingIn(plan, wanted, [...places.keys()]);
  looking.fill([...homes, ...sorts.staying.map(({ id, place }) => ({ lot: id, place }))]);
  return looking;
}
