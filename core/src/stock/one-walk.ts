import { costOfHome } from '../homes/index.ts';
import { ROUNDABOUT } from '../moves/index.ts';
import { homesOf, type Plan, type Station, type Supply } from '../plan/index.ts';
import { PACE, sceneOf, SECONDS_PER_TMU, TMU } from '../reach/index.ts';

/** Up to so many places the shortest round is looked for among all orders. */
const EXACT = 8;

export type OneWalk = {
  /** in the order of the walk */
  supplies: Supply[];
  /** fetched one by one, and all on one walk, s */
  each: number;
  together: number;
  /** without a home, or nobody gets there */
  missing: Supply[];
};

/** Fetching several things at once from a seat: one round over their places in the stead of a walk for each. */
export function oneWalk(plan: Plan, station: Station, wanted: readonly Supply[]): OneWalk {
  const scene = sceneOf(plan);
  const missing: Supply[] = [];
  const stops = wanted.flatMap((supply) => {
    const [home] = homesOf(plan, supply.id, 'working');
    const spot = home && scene.spots.get(home.placeId);
    const cost = home && costOfHome(plan, supply, 'working', home.placeId);
    const own = cost?.by.find((b) => b.station.id === station.id) ?? cost?.by[0];
    if (!spot || !own || own.fetches === 0) {
      missing.push(supply);
      return [];
    }
    const far = (own.band ?? 0) >= 5;
    return [{ supply, x: spot.grip.x, y: spot.grip.y, seconds: own.seconds / own.fetches, far }];
  });
  const walks = stops.filter((s) => s.far);
  const way = (a: { x: number; y: number }, b: { x: number; y: number }) =>
    ((Math.hypot(a.x - b.x, a.y - b.y) * ROUNDABOUT) / PACE) * TMU.paceLaden * SECONDS_PER_TMU;
  const round = (order: readonly (typeof stops)[number][]) =>
    order.length === 0
      ? 0
      : order.reduce((sum, s, i) => sum + way(i === 0 ? station : order[i - 1]!, s), 0) + way(order.at(-1)!, station);
  const order = walks.length <= EXACT ? shortest(walks, round) : nearestFirst(walks, station, way);
  const each = stops.reduce((sum, s) => sum + s.seconds, 0);
  const alone = walks.reduce((sum, s) => sum + 2 * way(station, s), 0);
  return {
    supplies: [...stops.filter((s) => !s.far), ...order].map((s) => s.supply),
    each,
    together: Math.max(0, each - Math.max(0, alone - round(order))),
    missing,
  };
}

function shortest<T>(list: readonly T[], length: (order: readonly T[]) => number): T[] {
  let best = [...list];
  let least = length(best);
  const order: T[] = [];
  const left = [...list];
  const go = () => {
    if (left.length === 0) {
      const l = length(order);
      if (l < least - 1e-9) {
        least = l;
        best = [...order];
      }
      return;
    }
    for (let i = 0; i < left.length; i++) {
      const [one] = left.splice(i, 1);
      order.push(one!);
      go();
      order.pop();
      left.splice(i, 0, one!);
    }
  };
  go();
  return best;
}

function nearestFirst<T extends { x: number; y: number }>(
  list: readonly T[],
  from: { x: number; y: number },
  way: (a: { x: number; y: number }, b: { x: number; y: number }) => number,
): T[] {
  const left = [...list];
  const order: T[] = [];
  let at = from;
  while (left.length > 0) {
    left.sort((a, b) => way(at, a) - way(at, b));
    const next = left.shift()!;
    order.push(next);
    at = next;
  }
  return order;
}
