import { massIn, massInUnit } from '../../things/fit/index.ts';
import { shelfCarries, shelfUnder } from '../../space/loads/index.ts';
import { compartmentsOf, massOf, type Place, placesIn, type Plan } from '../../record/plan/index.ts';

/** What a place bears before its board is seen to sag, or what lies on it today where that is more; g, its rated load at most. */
export function loadBeforeSag(plan: Plan, place: Place): number {
  const shelf = shelfUnder(plan.units[place.unitId]!, place);
  return shelf ? Math.min(place.load, Math.max(shelfCarries(shelf), massIn(plan, place))) : place.load;
}

/**
 * What each place bears beside what stands in it, g: what a place bears is shared with the boxes and slots in it, so much is kept for them, and no more goes into them.
 * @param bears what a place bears by itself, g
 */
export function loadsLeft(plan: Plan, bears: (place: Place) => number): ReadonlyMap<string, number> {
  const left = new Map(Object.values(plan.places).map((place) => [place.id, bears(place)]));
  const sum = (places: readonly Place[]) => places.reduce((all, p) => all + left.get(p.id)!, 0);
  const scale = (places: readonly Place[], by: number) => {
    for (const p of places) left.set(p.id, left.get(p.id)! * by);
  };
  for (const box of Object.values(plan.units)) {
    const holder = box.keptInId === null ? undefined : left.get(box.keptInId);
    if (holder === undefined) continue;
    const inside = compartmentsOf(plan, box.id);
    const loads = sum(inside);
    const kept = Math.max(massInUnit(plan, box.id), Math.min(loads, (holder - massOf(box)) / 2));
    left.set(box.keptInId!, Math.max(0, holder - massOf(box) - kept));
    scale(inside, loads > 0 ? Math.max(0, kept) / loads : 0);
  }
  const share = (place: Place) => {
    const inner = placesIn(plan, place.id);
    if (inner.length === 0) return;
    const own = left.get(place.id)!;
    const loads = sum(inner);
    scale(inner, loads > 0 ? Math.min(1, own / loads) : 0);
    left.set(place.id, Math.max(0, own - sum(inner)));
    for (const p of inner) share(p);
  };
  for (const place of Object.values(plan.places)) if (place.inId === null) share(place);
  return left;
}
