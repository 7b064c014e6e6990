import { type Plan } from '../../record/plan/index.ts';
import { type Homes } from '../slotting/index.ts';
import { FindingAgain, type Wanted } from './finding-again.ts';
import { needOf } from './need.ts';
import { type Translation } from './translation.ts';
import { yearlyUses } from './uses.ts';

/** The measure over what is to live somewhere, and what stays, as some homes have it; things in the order of the engine’s lots. */
export function findingAgainOver(
  plan: Plan,
  { lots, ledger, lotOf, sorts, places }: Translation,
  homes: Homes,
): FindingAgain {
  const wanted = lots.map(({ id }, i): Wanted => ({
    id,
    supply: lotOf.get(id)!.supply,
    need: needOf(ledger[i]!.uses, ledger[i]!.part),
  }));
  for (const { id, supplyId } of sorts.staying) {
    const supply = plan.supplies[supplyId]!;
    const home = plan.homes[id.slice('stays '.length)]!;
    wanted.push({ id, supply, need: needOf(yearlyUses(plan, supply, home.share)) });
  }
  const all = [...homes, ...sorts.staying.map(({ id, place }) => ({ lot: id, place }))];
  return new FindingAgain(plan, wanted, [...places.keys()]).fill(all);
}
