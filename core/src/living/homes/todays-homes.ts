import { type Home, type Plan } from '../../record/plan/index.ts';
import { heldIn } from './tally.ts';
import { type Translation } from './translation.ts';

/** Today's homes that hold what they are said to, and what they take. */
export function todaysHomes(
  plan: Plan,
  periods: number,
  {
    lots,
    lotOf,
    places,
    homes,
  }: Pick<Translation, 'lots' | 'lotOf'> & { places: Map<string, { today: number }>; homes: ReadonlyMap<string, Home> },
): { lot: string; place: string }[] {
  const held = new Set<Home>();
  for (const placeId of new Set([...homes.values()].map((h) => h.placeId)))
    if (places.has(placeId)) for (const home of heldIn(plan, plan.places[placeId]!)) held.add(home);
  const today: { lot: string; place: string; leave: number }[] = [];
  const inPeriods = new Map<string, number[]>();
  for (const lot of lots) {
    const home = homes.get(lot.id);
    const option = home && held.has(home) ? lot.options.find((o) => o.place === home.placeId) : undefined;
    if (!option) continue;
    const used = inPeriods.get(option.place) ?? new Array<number>(periods).fill(0);
    inPeriods.set(option.place, used);
    for (let t = 0; t < periods; t++) if ((lotOf.get(lot.id)!.periods >> t) & 1) used[t]! += option.use;
    today.push({ lot: lot.id, place: option.place, leave: lot.leave });
  }
  for (const [place, used] of inPeriods) places.get(place)!.today = Math.max(...used);
  return today.sort((a, b) => b.leave - a.leave || (a.lot < b.lot ? -1 : 1)).map(({ lot, place }) => ({ lot, place }));
}
