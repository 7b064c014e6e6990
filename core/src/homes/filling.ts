import { fitSupply, PLAY } from '../fit/index.ts';
import { homesIn, massOf, type Place, type Plan, type Unit, saidIn } from '../plan/index.ts';

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
  for (const box of boxesIn(plan, place.id)) {
    const takes = boxTakes(plan, box, place);
    used += takes.frontage;
    mass += takes.mass;
  }
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
  return {
    used,
    target: place.width * (1 - plan.head.growth),
    width: place.width,
    mass,
    kinds: homes.length,
    faults: faults.map((words) => saidIn(plan, words)),
  };
}

/** Boxes that are put away in a place. */
export function boxesIn(plan: Plan, placeId: string): Unit[] {
  return Object.values(plan.units).filter((u) => u.keptInId === placeId);
}

/** Frontage (mm) and load (g) that a box put away takes of its place, standing the way round that goes in and takes least; as it is where none does. */
export function boxTakes(
  plan: Plan,
  box: Unit,
  place: Pick<Place, 'width' | 'depth'>,
): { frontage: number; mass: number } {
  const ways = [
    { across: box.width + PLAY, deep: box.depth + PLAY },
    { across: box.depth + PLAY, deep: box.width + PLAY },
  ].filter((way) => way.deep <= place.depth && way.across <= place.width);
  const frontage = Math.min(...ways.map((way) => way.across));
  return { frontage: ways.length > 0 ? frontage : box.width + PLAY, mass: massOf(box) + massInside(plan, box.id) };
}

/** What lies in the places of a unit, g. */
function massInside(plan: Plan, unitId: string): number {
  let mass = 0;
  for (const place of Object.values(plan.places))
    if (place.unitId === unitId)
      for (const home of homesIn(plan, place.id)) {
        const supply = plan.supplies[home.supplyId];
        if (supply) mass += supply[home.share] * supply.mass;
      }
  return mass;
}

const covered = new WeakMap<Plan, Map<string, number>>();
/** More rows than this are not dug through one by one (own assumption). */
const MOST_COVERED = 3;

/**
 * How many things must be taken away before one gets at something in a place: none as long as all stands side by side; in an over-full one
 * the second row stands before the first, and so on.
 */
export function coveredIn(plan: Plan, placeId: string): number {
  let known = covered.get(plan);
  if (!known) covered.set(plan, (known = new Map()));
  let rows = known.get(placeId);
  if (rows === undefined) {
    const place = plan.places[placeId];
    const filling = place && placeFilling(plan, place);
    rows = filling ? Math.max(0, Math.min(MOST_COVERED, Math.ceil(filling.used / filling.width - 0.005) - 1)) : 0;
    known.set(placeId, rows);
  }
  return rows;
}
