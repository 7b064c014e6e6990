import {
  OWN_SHARES,
  homesOf,
  type Place,
  type Plan,
  type Share,
  type Station,
  type Supply,
} from '../../record/plan/index.ts';
import { sessionsAt } from '../sessions/index.ts';
import { carriedOf, isCarriedTo } from './carrying.ts';
import { type YearlyUse, yearlyUses } from './uses.ts';

/** Seconds a year of bringing a container to a station once a session; 0 where it is reached into. */
export function carryingPerYear(plan: Plan, station: Station, container: Place): number {
  const fetch = isCarriedTo(plan, station, container);
  return fetch?.ok ? fetch.seconds * sessionsAt(plan, station) : 0;
}

/** A container that is carried to a station because of what is in it: s a year, and the things it is brought for. */
export type BroughtContainer = { station: Station; container: Place; seconds: number; for: ReadonlySet<string> };

const known = new WeakMap<Plan, ReadonlyMap<string, BroughtContainer>>();
const keyOf = (station: Station, container: Place) => `${station.id} ${container.id}`;
const nameOf = (supply: Supply, share: Share) => `${share} ${supply.id}`;

/** All containers that are carried to seats once a session, by station and container. */
export function broughtIn(plan: Plan): ReadonlyMap<string, BroughtContainer> {
  let all = known.get(plan);
  if (all) return all;
  const found = new Map<string, BroughtContainer & { for: Set<string> }>();
  known.set(plan, (all = found));
  if (!Object.values(plan.organisers).some((o) => o.carried)) return all;
  for (const supply of Object.values(plan.supplies))
    for (const share of OWN_SHARES)
      for (const home of homesOf(plan, supply.id, share)) {
        const place = plan.places[home.placeId];
        const container = place && carriedOf(plan, place);
        if (!container) continue;
        for (const { station } of yearlyUses(plan, supply, share)) {
          const key = keyOf(station, container);
          let one = found.get(key);
          if (!one) {
            const seconds = carryingPerYear(plan, station, container);
            found.set(key, (one = { station, container, seconds, for: new Set<string>() }));
          }
          one.for.add(nameOf(supply, share));
        }
      }
  return all;
}

/** By how much a year bringing becomes longer for a share in a place: a container that nothing else of the station lies in, s by station. */
export function bringingFor(
  plan: Plan,
  supply: Supply,
  share: Share,
  place: Place,
  uses: readonly YearlyUse[],
): ReadonlyMap<Station, number> {
  const container = share === 'resting' ? null : carriedOf(plan, place);
  const more = new Map<Station, number>();
  if (!container) return more;
  for (const { station, fetches } of uses) {
    if (fetches <= 0 || more.has(station)) continue;
    const others = new Set(broughtIn(plan).get(keyOf(station, container))?.for);
    others.delete(nameOf(supply, share));
    if (others.size === 0) more.set(station, carryingPerYear(plan, station, container));
  }
  return more;
}

/** By how much a year bringing would become shorter if a share were nowhere, s by station. */
export function bringingNow(plan: Plan, supply: Supply, share: Share): { station: Station; seconds: number }[] {
  return [...broughtIn(plan).values()].filter((b) => b.for.size === 1 && b.for.has(nameOf(supply, share)));
}
