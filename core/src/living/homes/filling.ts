import { holderOf, massIn, stowageOf, type Stowage } from '../../things/fit/index.ts';
import { homesIn, natureOf, type Place, type Plan, saidIn } from '../../record/plan/index.ts';

/** How full a place is. In the measure of its nature (mm, mm², litres or pockets); grams. */
export type Filling = {
  nature: Stowage['nature'];
  /** what containers, boxes and homes take; a home that does not go in at all counts nothing and is said */
  used: number;
  /** how much may be used before room to grow is touched */
  target: number;
  capacity: number;
  mass: number;
  kinds: number;
  /** plain sentences on what is wrong here: over-full, overloaded, does not go in */
  faults: string[];
};

/** What lives in a place against what it holds. Works for any plan, also a wrong one. */
export function placeFilling(plan: Plan, place: Place): Filling {
  const stowage = stowageOf(plan, place);
  const mass = massIn(plan, place);
  const faults = [...stowage.faults];
  if (mass > place.load)
    faults.push(`${((mass - place.load) / 1000).toFixed(1)} kg over its load of ${(place.load / 1000).toFixed(0)} kg`);
  return {
    nature: stowage.nature,
    used: stowage.used,
    target: stowage.capacity * (1 - plan.head.growth),
    capacity: stowage.capacity,
    mass,
    kinds: homesIn(plan, place.id).length,
    faults: faults.map((words) => saidIn(plan, words)),
  };
}

/** More rows than this are not dug through one by one (own assumption). */
const MOST_COVERED = 3;

/**
 * How many things must be taken away before one gets at something in a place: what lies on it, in a pile half of what is there besides; and in an over-full place the second row stands
 * before the first, and so on.
 * @param homeId the home it is of; null: something that comes newly
 */
export function coveredIn(plan: Plan, placeId: string, homeId: string | null = null): number {
  const place = plan.places[placeId];
  if (!place) return 0;
  const { used, capacity, things } = stowageOf(plan, place);
  const rows = capacity > 0 ? Math.ceil(used / capacity - 0.005) - 1 : 0;
  const thing = things.find((t) => t.id === homeId);
  const under = (thing?.under ?? 0) + onPile(place, things.length - (thing ? 1 : 0));
  return Math.max(0, Math.min(MOST_COVERED, rows + under));
}

/** Of so many others in a pile half lie on what is wanted, sooner or later; in a slot they stand beside each other. */
export const onPile = (place: Place, others: number): number =>
  natureOf(place) === 'pile' && place.kind !== 'slot' ? Math.floor(others / 2) : 0;

/** Whether things are thrown into a place and picked out of it. */
export const isThrownIn = (place: Place): boolean => holderOf(place).nature === 'bulk';
