import {
  amountOf,
  countIn,
  type Home,
  homesIn,
  homesOf,
  type Place,
  type Plan,
  readsSame,
  type Share,
  SHARES,
  type Station,
  type Supply,
  withoutHome,
} from '../plan/index.ts';
import { type BandNumber, fetchFrom, PLAIN, sceneOf } from '../reach/index.ts';
import { bringingPerYear } from './bringing.ts';
import { barredFrom } from './barred.ts';
import { carriedOf, isCarriedTo, sessionsAt } from './carrying.ts';
import { type Errand, errandsTo, seatOf, sharedFetches } from './errands.ts';
import { coveredIn } from './filling.ts';
import { penaltiesFor, penaltiesOf, type Penalty } from './penalties.ts';
import { yearlyUses, type YearlyUse } from './uses.ts';

/** Seconds a year and why, for one share of a supply in one place. */
export type HomeCost = {
  /** Σ fetches × seconds + penalties; Infinity when nobody who uses it gets there */
  seconds: number;
  /** fetches a year over all stations */
  fetches: number;
  /** band from the station that fetches it most; null when out of reach */
  band: BandNumber | null;
  /** seconds of one fetch from that station, and which it is; null when nobody fetches it */
  each: number;
  from: Station | null;
  /** what speaks against the place besides the way; written when somebody reads it */
  readonly penalties: Penalty[];
  /** of these the fetching alone, and from which station how much of it */
  fetching: number;
  by: readonly { station: Station; seconds: number; fetches: number; band: BandNumber | null }[];
  /** the same as the engine weighs it: a minute of one may count as two of another’s */
  weighed: number;
  reason: string | null;
};

const NO_PENALTIES: Penalty[] = [];
const outOfIt = (fetches: number, reason: string): HomeCost => ({
  seconds: Infinity,
  fetching: Infinity,
  by: [],
  weighed: Infinity,
  fetches,
  band: null,
  each: Infinity,
  from: null,
  penalties: NO_PENALTIES,
  reason,
});

/** What fetches of so many a year from each station cost, with what speaks against the place. */
function priced(
  plan: Plan,
  supply: Supply,
  share: Share,
  errands: readonly Errand[],
  yearly: readonly number[],
  place: Place,
): HomeCost {
  let seconds = 0;
  let weighed = 0;
  let fetches = 0;
  let most = -1;
  let band: BandNumber | null = null;
  let each = 0;
  let from: Station | null = null;
  const by: HomeCost['by'][number][] = [];
  for (let i = 0; i < errands.length; i++) {
    const errand = errands[i]!;
    const times = yearly[i]!;
    fetches += times;
    if (errand.seconds === null) {
      if (times > 0) return outOfIt(fetches, whyNot(plan, errand.use.station, place));
      continue;
    }
    seconds += times * errand.seconds;
    if (times > 0)
      by.push({ station: errand.use.station, seconds: times * errand.seconds, fetches: times, band: errand.band });
    weighed += times * errand.seconds * (plan.people[errand.use.station.personId]?.minuteCounts ?? 1);
    if (times <= most) continue;
    most = times;
    const brought = errand.carried ? isCarriedTo(plan, errand.use.station, errand.carried) : null;
    band = brought?.ok ? brought.band : errand.band;
    each = errand.seconds;
    from = errand.use.station;
  }
  const atRest = sceneOf(plan).spots.get(place.id)!;
  const reason = barredFrom(plan, supply, atRest);
  if (reason) return outOfIt(fetches, reason);
  const against = penaltiesOf(plan, supply, share, fetches)(atRest, band);
  let known: Penalty[] | null = against === 0 ? NO_PENALTIES : null;
  return {
    seconds: seconds + against,
    fetching: seconds,
    by,
    weighed: weighed + against,
    fetches,
    band,
    each,
    from,
    get penalties() {
      return (known ??= penaltiesFor(plan, supply, share, atRest, band, fetches));
    },
    reason: null,
  };
}

/** Why a maker does not get to a place. */
function whyNot(plan: Plan, station: Station, place: Place): string {
  const seat = seatOf(plan, station)!;
  const fetch = fetchFrom(seat.scene, seat.maker, seat.scene.spots.get(place.id)!, PLAIN);
  return fetch.ok ? '' : fetch.reason;
}

/**
 * What one share of a supply costs a year in a place, looked for among `kinds` kinds there and behind or under `covered` others.
 * Each station sees the room as it is while somebody works there: its cart rolled up, its box on the table. A container that is carried to the seat is
 * not in it: it is brought once a session, see {@link carryingPerYear}.
 * Infinity with the reason when someone who uses it cannot get there.
 * @param part of the share’s fetches, 0 to 1
 * @param uses who fetches it, where that is not everybody who uses it
 * @returns null for a place that is not in the plan
 */
export function costInPlace(
  plan: Plan,
  supply: Supply,
  share: Share,
  placeId: string,
  kinds: number,
  covered = 0,
  part = 1,
  uses: readonly YearlyUse[] = yearlyUses(plan, supply, share),
): HomeCost | null {
  const place = plan.places[placeId];
  if (!place || !sceneOf(plan).spots.has(placeId)) return null;
  const errands = errandsTo(plan, supply, uses, place, kinds, covered);
  return priced(
    plan,
    supply,
    share,
    errands,
    errands.map((e) => e.use.fetches * part),
    place,
  );
}

/** The cost of giving a share its home in a place, counting it among the kinds that lie there. Null for a place not in the plan. */
export function costOfHome(plan: Plan, supply: Supply, share: Share, placeId: string): HomeCost | null {
  const here = homesIn(plan, placeId).filter((h) => !(h.supplyId === supply.id && h.share === share)).length;
  return costInPlace(plan, supply, share, placeId, here + 1, coveredIn(plan, placeId));
}

/** One home of a share with what it costs; without a home: the pieces that have none. */
export type HomeState = {
  supply: Supply;
  share: Share;
  /** null: these have no home */
  home: Home | null;
  count: number;
  place: Place | null;
  cost: HomeCost | null;
};

/**
 * The homes of one share, and what of it has none. From several homes each station fetches from its nearest first; what is used up is taken from
 * the next one when that is empty.
 */
export function shareStates(plan: Plan, supply: Supply, share: Share): HomeState[] {
  if (amountOf(supply, share) === 0) return [];
  const homes = homesOf(plan, supply.id, share).filter((h) => plan.places[h.placeId]);
  const around = homes.map((home) => ({
    home,
    count: countIn(plan, home, supply),
    kinds: homesIn(plan, home.placeId).length,
    covered: coveredIn(plan, home.placeId, home.id),
  }));
  const last = known.get(supply)?.[share];
  const same =
    last &&
    last.scene === sceneOf(plan) &&
    readsSame(READS, last.of, plan) &&
    last.around.length === around.length &&
    around.every((a, i) => {
      const b = last.around[i]!;
      return a.home === b.home && a.count === b.count && a.kinds === b.kinds && a.covered === b.covered;
    });
  if (same) return last.states;
  const states = statesOf(plan, supply, share, around);
  known.set(supply, { ...known.get(supply), [share]: { of: plan, scene: sceneOf(plan), around, states } });
  return states;
}

/** What a state is worked out from beside the supply, its homes and the room; it is kept until one of these changes. */
const READS = [
  ...(['head', 'people', 'activities', 'uses', 'stations', 'zones', 'bans', 'ways', 'organisers'] as const),
  ...(['parkings', 'slopes'] as const),
] as const;
type Around = { home: Home; count: number; kinds: number; covered: number };
type Known = { of: Pick<Plan, (typeof READS)[number]>; scene: object; around: readonly Around[]; states: HomeState[] };
const known = new WeakMap<Supply, Partial<Record<Share, Known>>>();

function statesOf(plan: Plan, supply: Supply, share: Share, around: readonly Around[]): HomeState[] {
  const homes = around.map((a) => a.home);
  const states: HomeState[] = [];
  const uses = homes.length > 0 ? yearlyUses(plan, supply, share) : [];
  const counts = around.map((a) => a.count);
  const errands = homes.map((home, i) => {
    const place = plan.places[home.placeId]!;
    return errandsTo(plan, supply, uses, place, around[i]!.kinds, around[i]!.covered);
  });
  const yearly = sharedFetches(uses, errands, counts);
  for (const [i, home] of homes.entries()) {
    const place = plan.places[home.placeId]!;
    const cost = sceneOf(plan).spots.has(place.id) ? priced(plan, supply, share, errands[i]!, yearly[i]!, place) : null;
    states.push({ supply, share, home, count: counts[i]!, place, cost });
  }
  const left = withoutHome(plan, supply, share);
  if (left > 0) states.push({ supply, share, home: null, count: left, place: null, cost: null });
  return states;
}

export type Assessment = {
  states: HomeState[];
  /** shares, or parts of them, without a home */
  homeless: HomeState[];
  /** seconds a year over all homes that can be reached, with the bringing of boxes and carts */
  seconds: number;
  /** of these: carrying boxes and rolling carts to their seats and back */
  bringing: number;
  /** yearly fetches per band, index = band number */
  fetchesByBand: number[];
  /** homes nobody who uses them can reach */
  unreachable: HomeState[];
};

/** Seconds a year of bringing a container to a station once a session; 0 where it is reached into. */
export function carryingPerYear(plan: Plan, station: Station, container: Place): number {
  const fetch = isCarriedTo(plan, station, container);
  return fetch?.ok ? fetch.seconds * sessionsAt(plan, station) : 0;
}

/** Every share of every supply with its homes and what they cost. */
export function assessHomes(plan: Plan): Assessment {
  const states: HomeState[] = [];
  const fetchesByBand = new Array<number>(8).fill(0);
  let bringing = Object.values(plan.stations).reduce((sum, s) => sum + bringingPerYear(plan, s), 0);
  const brought = new Set<string>();
  let seconds = 0;
  for (const supply of Object.values(plan.supplies)) {
    for (const share of SHARES) {
      for (const state of shareStates(plan, supply, share)) {
        states.push(state);
        const { place, cost } = state;
        if (!place || !cost?.band || !Number.isFinite(cost.seconds)) continue;
        seconds += cost.seconds;
        fetchesByBand[cost.band]! += cost.fetches;
        const container = share === 'resting' ? null : carriedOf(plan, place);
        if (!container) continue;
        for (const { station } of yearlyUses(plan, supply, share)) {
          const key = `${station.id} ${container.id}`;
          if (brought.has(key)) continue;
          brought.add(key);
          bringing += carryingPerYear(plan, station, container);
        }
      }
    }
  }
  return {
    states,
    homeless: states.filter((s) => s.home === null),
    unreachable: states.filter((s) => s.cost !== null && s.cost.reason !== null),
    seconds: seconds + bringing,
    bringing,
    fetchesByBand,
  };
}
