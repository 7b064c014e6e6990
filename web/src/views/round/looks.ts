import { costOfHome, handsPerYear, placeFilling, yearlyUses } from '@heronstone/core/homes';
import { homesIn, type Plan, type Share, type Supply } from '@heronstone/core/plan';
import { type BandNumber, fetchFrom, type Maker, PLAIN, sceneOf } from '@heronstone/core/reach';

/** How a place looks in Round from one seat. */
export type PlaceLook = {
  band: BandNumber | null;
  /** of a plain fetch, or of the supply in hand */
  seconds: number | null;
  fetches: number;
  /** share of the width that is used */
  full: number;
  kinds: number;
  fault: boolean;
  /** the supply in hand lives here */
  here: boolean;
  /** the supply in hand does not go here at all */
  dim: boolean;
  /** something is in hand: how far this is for it is what one wants to know */
  asked: boolean;
};

const fetched = new WeakMap<Plan['uses'], { of: readonly object[]; known: Map<string, number> }>();
/** How often a year the hand goes to a share: the same as long as nobody's uses, activities, stations or supplies change. */
function fetchesOf(plan: Plan, supply: Supply, share: Share): number {
  const of = [plan.activities, plan.stations, plan.supplies];
  let kept = fetched.get(plan.uses);
  if (!kept || kept.of.some((table, i) => table !== of[i])) fetched.set(plan.uses, (kept = { of, known: new Map() }));
  const key = `${share} ${supply.id}`;
  let fetches = kept.known.get(key);
  if (fetches === undefined) kept.known.set(key, (fetches = handsPerYear(yearlyUses(plan, supply, share))));
  return fetches;
}

/** Looks of every place from a seat, in the room as it is `seen` while somebody works there. With a supply in hand the bands are those of its own users. */
export function looksFrom(
  plan: Plan,
  seen: Plan,
  maker: Maker,
  inHand: { supply: Supply; share: Share } | null,
): Map<string, PlaceLook> {
  const scene = sceneOf(seen);
  const looks = new Map<string, PlaceLook>();
  for (const spot of scene.spots.values()) {
    const { id } = spot.place;
    const homes = homesIn(plan, id);
    const filling = placeFilling(plan, plan.places[id] ?? spot.place);
    let fetches = 0;
    for (const home of homes) {
      const supply = plan.supplies[home.supplyId];
      if (supply) fetches += fetchesOf(plan, supply, home.share);
    }
    const fetch = fetchFrom(scene, maker, spot, { ...PLAIN, kinds: Math.max(1, homes.length) });
    const cost = inHand ? costOfHome(plan, inHand.supply, inHand.share, id) : null;
    looks.set(id, {
      band: cost ? cost.band : fetch.ok ? fetch.band : null,
      seconds: cost ? cost.each : fetch.ok ? fetch.seconds : null,
      fetches,
      full: filling.capacity > 0 ? filling.used / filling.capacity : 0,
      kinds: homes.length,
      fault: filling.faults.length > 0,
      here: inHand !== null && homes.some((h) => h.supplyId === inHand.supply.id && h.share === inHand.share),
      dim: cost !== null && cost.reason !== null,
      asked: inHand !== null,
    });
  }
  return looks;
}
