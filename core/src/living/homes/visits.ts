import { OWN_SHARES, type Place, type Plan, type Share, type Station, type Supply } from '../../record/plan/index.ts';
import { inMonths, type Taken, visitSeconds, visitShares, volumeOf } from '../sessions/index.ts';
import { bringingNow } from './brought.ts';
import { countOf, type Gathered, type HomeCost, ownStates } from './own-cost.ts';

type Seasonal = Taken & { months: readonly number[] };

/** One thing of a visit, and from which home. */
export type Visited = Seasonal & { homeId: string; supply: Supply; share: Share };

/** What one station gets together from one unit at the beginning of a session and brings back at its end. */
export type Visit = {
  station: Station;
  unitId: string;
  /** a year */
  seconds: number;
  taken: readonly Visited[];
};

/** Seconds a year by station. */
type ByStation = ReadonlyMap<Station, number>;

type Visits = {
  /** by station and unit */
  visits: ReadonlyMap<string, Visit>;
  /** what of them is each home’s, by its id */
  shares: ReadonlyMap<string, ByStation>;
};

const known = new WeakMap<Plan, Visits>();
const keyOf = (station: Station, unitId: string) => `${station.id} ${unitId}`;

function takenOf(supply: Supply, { way, part, consumed, pieces }: Gathered): Seasonal {
  const [mass, volume] = [supply.mass * pieces, volumeOf(supply) * pieces];
  return { way, part, consumed, mass, volume, months: supply.months };
}

/** What visits of a unit take in a year, s: of each group of months what is wanted in them. */
function yearOf(plan: Plan, station: Station, taken: readonly Seasonal[]): number {
  let seconds = 0;
  for (const { sessions, wanted } of inMonths(plan, station, taken)) seconds += sessions * visitSeconds(wanted);
  return seconds;
}

/** All visits of a plan, and what of each is whose. */
export function visitsOf(plan: Plan): Visits {
  let all = known.get(plan);
  if (!all) known.set(plan, (all = gathered(plan)));
  return all;
}

function gathered(plan: Plan): Visits {
  const groups = new Map<string, { station: Station; unitId: string; taken: Visited[] }>();
  for (const supply of Object.values(plan.supplies))
    for (const share of OWN_SHARES)
      for (const { home, place, cost } of ownStates(plan, supply, share))
        for (const one of cost?.gathered ?? []) {
          const key = keyOf(one.station, place!.unitId);
          let group = groups.get(key);
          if (!group) groups.set(key, (group = { station: one.station, unitId: place!.unitId, taken: [] }));
          group.taken.push({ ...takenOf(supply, one), homeId: home!.id, supply, share });
        }
  const visits = new Map<string, Visit>();
  const shares = new Map<string, Map<Station, number>>();
  for (const [key, { station, unitId, taken }] of groups) {
    // of things that are alike the same one in the same load, in whatever order the plan was read
    taken.sort((a, b) => (a.homeId < b.homeId ? -1 : 1));
    let year = 0;
    for (const { sessions, wanted } of inMonths(plan, station, taken))
      for (const [{ homeId }, seconds] of visitShares(wanted)) {
        year += sessions * seconds;
        let of = shares.get(homeId);
        if (!of) shares.set(homeId, (of = new Map()));
        of.set(station, (of.get(station) ?? 0) + seconds * sessions);
      }
    visits.set(key, { station, unitId, seconds: year, taken });
  }
  return { visits, shares };
}

/** By how much a year visits become longer for a share in a place, beside what else is gathered there, s by station. */
export function besidesIn(
  plan: Plan,
  supply: Supply,
  share: Share,
  place: Place,
  gathering: readonly Gathered[],
): ByStation {
  const more = new Map<Station, number>();
  for (const one of gathering) {
    const { station } = one;
    const visit = visitsOf(plan).visits.get(keyOf(station, place.unitId));
    const others = (visit?.taken ?? []).filter((t) => t.supply.id !== supply.id || t.share !== share);
    const longer = yearOf(plan, station, [...others, takenOf(supply, one)]) - yearOf(plan, station, others);
    more.set(station, (more.get(station) ?? 0) + longer);
  }
  return more;
}

/** By how much a year visits and bringing would become shorter if a share were nowhere, as it is weighed, s. */
export function besidesNow(plan: Plan, supply: Supply, share: Share): number {
  let shorter = 0;
  for (const { station, taken, seconds } of visitsOf(plan).visits.values()) {
    const others = taken.filter((t) => t.supply.id !== supply.id || t.share !== share);
    if (others.length < taken.length) shorter += (seconds - yearOf(plan, station, others)) * countOf(plan, station);
  }
  for (const { station, seconds } of bringingNow(plan, supply, share)) shorter += seconds * countOf(plan, station);
  return shorter;
}

const NONE: ByStation = new Map();

/** A cost with its part of visits, and of bringing, in it. */
export function withVisits(plan: Plan, cost: HomeCost, visits: ByStation, bringing: ByStation = NONE): HomeCost {
  let visiting = 0;
  let weighed = 0;
  for (const [station, seconds] of [...visits, ...bringing]) {
    visiting += seconds;
    weighed += seconds * countOf(plan, station);
  }
  if (visiting === 0) return cost;
  return {
    ...{ fetches: cost.fetches, band: cost.band, each: cost.each, from: cost.from, reason: cost.reason },
    ...{ gathered: cost.gathered, visiting },
    seconds: cost.seconds + visiting,
    fetching: cost.fetching + visiting,
    weighed: cost.weighed + weighed,
    by: cost.by.map((b) => ({
      ...b,
      seconds: b.seconds + (visits.get(b.station) ?? 0) + (bringing.get(b.station) ?? 0),
    })),
    // written when somebody reads it
    get penalties() {
      return cost.penalties;
    },
  };
}
