import { fitSupply } from '../fit/index.ts';
import { homesIn, type Place, type Plan } from '../plan/index.ts';

/** How full a place is. Millimetres of frontage, grams. */
export type Filling = {
  /** frontage its homes take; a share that does not go in at all counts with the whole width */
  used: number;
  /** frontage that may be used before room to grow is touched */
  target: number;
  width: number;
  mass: number;
  kinds: number;
  /** plain sentences on what is wrong here: over-full, overloaded, does not go in */
  faults: string[];
};

/** What lives in a place against what it holds. Works for any plan, also a wrong one. */
export function placeFilling(plan: Plan, place: Place): Filling {
  let used = 0;
  let mass = 0;
  const faults: string[] = [];
  const homes = homesIn(plan, place.id);
  for (const home of homes) {
    const supply = plan.supplies[home.supplyId];
    if (!supply) continue;
    const count = supply[home.share];
    mass += count * supply.mass;
    const fit = fitSupply(place, supply, count);
    if (fit.ok) used += fit.frontage;
    else if (fit.reason !== 'not measured yet') {
      used += place.width;
      faults.push(`${supply.name}: ${fit.reason}`);
    }
  }
  if (faults.length === 0 && used > place.width + 0.5) faults.push(`over-full by ${Math.ceil(used - place.width)} mm`);
  if (mass > place.load)
    faults.push(`${((mass - place.load) / 1000).toFixed(1)} kg over its load of ${(place.load / 1000).toFixed(0)} kg`);
  return { used, target: place.width * (1 - plan.head.growth), width: place.width, mass, kinds: homes.length, faults };
}
