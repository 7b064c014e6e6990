import { costOfHome } from '../../living/homes/index.ts';
import { ROUNDABOUT, shortestRound } from '../../living/moves/index.ts';
import { homesOf, type Plan, type Station, type Supply } from '../../record/plan/index.ts';
import { PACE, sceneOf, SECONDS_PER_TMU, TMU } from '../../space/reach/index.ts';

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
  const points = [station, ...walks];
  const { order: found, length } = shortestRound(points.map((p) => points.map((q) => way(p, q))));
  const order = found.map((i) => walks[i]!);
  const each = stops.reduce((sum, s) => sum + s.seconds, 0);
  const alone = walks.reduce((sum, s) => sum + 2 * way(station, s), 0);
  return {
    supplies: [...stops.filter((s) => !s.far), ...order].map((s) => s.supply),
    each,
    together: Math.max(0, each - Math.max(0, alone - length)),
    missing,
  };
}
