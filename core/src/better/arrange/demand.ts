import { capacityOf, fitOf, holderOf } from '../../things/fit/index.ts';
import { barredFrom, yearlyUses } from '../../living/homes/index.ts';
import { homesOf, type Place, placesIn, type Plan, type Supply } from '../../record/plan/index.ts';
import { fetchSeconds, makerOf, PLAIN, sceneAt, sceneOf, wayPrice } from '../../space/reach/index.ts';

/** A place that things could be homed in: of which unit, and what a fetch from it costs beside the way to its unit, s. */
export type Offered = { place: Place; unitId: string; besides: number };

/** What is got together with others saves so much of a walk by itself, as a first guess (own assumption; counted exactly once homes are found). */
const TOGETHER = 0.5;

/** A thing that is fetched: how often a year from which station, and what part of which place it takes. */
export type Demand = {
  supply: Supply;
  fetches: { stationId: string; times: number }[];
  /** places by their number, the part of each that is taken */
  options: Int32Array;
  parts: Float64Array;
};

/**
 * What a room’s homes depend on when furniture is moved about: the things that are fetched, most often first, and every place that would hold each. From
 * that the search gives everything a quick new home wherever the units stand.
 * @param straight seconds of a fetch from a station’s seat to a unit as the search reckons them
 */
export function demandOf(
  plan: Plan,
  straight: (stationId: string, unitId: string) => number,
): { offered: Offered[]; demands: Demand[] } {
  const scene = sceneOf(plan);
  const makers = Object.values(plan.stations).flatMap((station) => {
    const maker = makerOf(plan, station);
    return maker ? [{ station, maker, scene: sceneAt(plan, station) }] : [];
  });
  const offered: Offered[] = [];
  const numberOf = new Map<string, number>();
  for (const [id, spot] of scene.spots) {
    const place = plan.places[id]!;
    if (place.keptOut !== '' || place.kind === 'top' || placesIn(plan, id).length > 0) continue;
    let besides = Infinity;
    if (spot.away) besides = 2 * spot.away.awayMinutes * 60;
    else
      for (const { station, maker, scene: seen } of makers) {
        const price = wayPrice(seen, maker, seen.spots.get(id)!);
        // what is in the way now may not be elsewhere: the least of all seats counts
        if (price)
          besides = Math.min(besides, Math.max(0, fetchSeconds(price, PLAIN) - straight(station.id, place.unitId)));
      }
    if (!Number.isFinite(besides)) continue;
    numberOf.set(id, offered.length);
    offered.push({ place, unitId: place.unitId, besides });
  }
  const demands: Demand[] = [];
  for (const supply of Object.values(plan.supplies)) {
    if (supply.working === 0) continue;
    const uses = yearlyUses(plan, supply, 'working');
    if (uses.length === 0) continue;
    const pinned = homesOf(plan, supply.id, 'working').find((h) => h.pinned);
    const options: number[] = [];
    const parts: number[] = [];
    for (const [n, { place }] of offered.entries()) {
      if (pinned && pinned.placeId !== place.id) continue;
      const holder = holderOf(place);
      const fit = fitOf(holder, supply, supply.working);
      const part = fit.ok ? fit.use / capacityOf(holder) : Infinity;
      if (part > 1 || barredFrom(plan, supply, scene.spots.get(place.id)!) !== null) continue;
      options.push(n);
      parts.push(part);
    }
    demands.push({
      supply,
      fetches: uses.map((u) => ({ stationId: u.station.id, times: u.fetches - TOGETHER * u.gathered })),
      options: Int32Array.from(options),
      parts: Float64Array.from(parts),
    });
  }
  const sum = (d: Demand) => d.fetches.reduce((n, f) => n + f.times, 0);
  demands.sort((a, b) => sum(b) - sum(a) || (a.supply.id < b.supply.id ? -1 : 1));
  return { offered, demands };
}
