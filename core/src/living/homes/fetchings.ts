import {
  countIn,
  homesIn,
  homesOf,
  type Home,
  type Place,
  type Plan,
  type Station,
  type Supply,
} from '../../record/plan/index.ts';
import { type Errand, errandsTo, sharedFetches } from './errands.ts';
import { coveredIn } from './filling.ts';
import { type YearlyUse, yearlyUses } from './uses.ts';

/** What a station fetches of one supply in a year, and from which of its homes which part of that. */
export type Fetching = {
  supply: Supply;
  use: YearlyUse;
  from: { home: Home; place: Place; part: number; errand: Errand }[];
};

/** Everything that a station fetches for its activity, of what is at hand; without homes: from nowhere. */
export function fetchingsOf(plan: Plan, station: Station): Fetching[] {
  const used = new Set(
    Object.values(plan.uses).flatMap((u) => (u.activityId === station.activityId ? [u.supplyId] : [])),
  );
  const out: Fetching[] = [];
  for (const id of used) {
    const supply = plan.supplies[id];
    const uses = supply ? yearlyUses(plan, supply, 'working') : [];
    const use = uses.find((u) => u.station.id === station.id);
    if (!supply || !use) continue;
    const homes = homesOf(plan, id, 'working').filter((h) => plan.places[h.placeId]);
    const errands = homes.map((home) =>
      errandsTo(
        plan,
        supply,
        uses,
        plan.places[home.placeId]!,
        homesIn(plan, home.placeId).length,
        coveredIn(plan, home.placeId, home.id),
      ),
    );
    const counts = homes.map((home) => countIn(plan, home, supply));
    const yearly = homes.length > 0 ? sharedFetches(uses, errands, counts) : [];
    const from = homes.flatMap((home, i) => {
      const at = errands[i]!.findIndex((e) => e.use === use);
      return at < 0
        ? []
        : [{ home, place: plan.places[home.placeId]!, part: yearly[i]![at]! / use.fetches, errand: errands[i]![at]! }];
    });
    out.push({ supply, use, from: from.filter((f) => f.part > 0) });
  }
  return out.sort((a, b) => (a.supply.id < b.supply.id ? -1 : 1));
}
