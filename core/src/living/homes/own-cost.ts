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
  type Station,
  type Supply,
  withoutHome,
} from '../../record/plan/index.ts';
import { type BandNumber, fetchFrom, PLAIN, sceneOf } from '../../space/reach/index.ts';
import { inUseIn } from '../sessions/index.ts';
import { barredFrom } from './barred.ts';
import { isCarriedTo } from './carrying.ts';
import { type Errand, errandsTo, seatOf, sharedFetches } from './errands.ts';
import { coveredIn } from './filling.ts';
import { penaltiesFor, penaltiesOf, type Penalty } from './penalties.ts';
import { piecesAtOnce, walksTo, yearlyUses } from './uses.ts';

/** A walk that is made once a session for all that is got together: from which station, its way, and which part of the sessions get it here. */
export type Gathered = {
  station: Station;
  way: number;
  part: number;
  consumed: boolean;
  /** taken at once */ pieces: number;
};

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
  /** of the fetching what is its own of visits made for several things */
  visiting: number;
  gathered: readonly Gathered[];
  /** the same as the engine weighs it: a minute of one may count as two of another’s */
  weighed: number;
  reason: string | null;
};

const NO_PENALTIES: Penalty[] = [];
const outOfIt = (fetches: number, reason: string): HomeCost => ({
  seconds: Infinity,
  fetching: Infinity,
  by: [],
  visiting: 0,
  gathered: [],
  weighed: Infinity,
  fetches,
  band: null,
  each: Infinity,
  from: null,
  penalties: NO_PENALTIES,
  reason,
});

/** What fetches of so many a year from each station cost, with what speaks against the place. */
export function priced(
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
  const gathered: Gathered[] = [];
  for (let i = 0; i < errands.length; i++) {
    const errand = errands[i]!;
    const { use } = errand;
    const walks = walksTo(use, errand.band);
    // so many of its walks are made here
    const part = use.fetches > 0 ? yearly[i]! / use.fetches : 0;
    const times = part * walks.fetches;
    fetches += times;
    if (errand.seconds === null) {
      if (times > 0) return outOfIt(fetches, whyNot(plan, errand.use.station, place));
      continue;
    }
    const { station, consumed } = errand.use;
    const together = part * walks.gathered;
    if (together > 0 && errand.way > 0)
      gathered.push({ station, way: errand.way, part, consumed, pieces: piecesAtOnce(use) });
    const spent = times * errand.seconds - together * errand.way * (consumed ? 1 : 2);
    seconds += spent;
    if (times > 0) by.push({ station, seconds: spent, fetches: times, band: errand.band });
    weighed += spent * countOf(plan, station);
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
    visiting: 0,
    gathered,
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

/** A minute of whoever works at a station counts as so many. */
export const countOf = (plan: Plan, station: Station): number => plan.people[station.personId]?.minuteCounts ?? 1;

/** Why a maker does not get to a place. */
function whyNot(plan: Plan, station: Station, place: Place): string {
  const seat = seatOf(plan, station)!;
  const fetch = fetchFrom(seat.scene, seat.maker, seat.scene.spots.get(place.id)!, PLAIN);
  return fetch.ok ? '' : fetch.reason;
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
 * The homes of one share, and what of it has none, each without its part of visits. From several homes each station fetches from its nearest first; what is used up is taken from
 * the next one when that is empty.
 */
export function ownStates(plan: Plan, supply: Supply, share: Share): HomeState[] {
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
    last.inUse === inUseIn(plan) &&
    last.around.length === around.length &&
    around.every((a, i) => {
      const b = last.around[i]!;
      return a.home === b.home && a.count === b.count && a.kinds === b.kinds && a.covered === b.covered;
    });
  if (same) return last.states;
  const states = statesOf(plan, supply, share, around);
  known.set(supply, {
    ...known.get(supply),
    [share]: { of: plan, scene: sceneOf(plan), inUse: inUseIn(plan), around, states },
  });
  return states;
}

/** What a state is worked out from beside the supply, its homes and the room; it is kept until one of these changes. */
const READS = [
  ...(['head', 'people', 'activities', 'uses', 'stations', 'zones', 'bans', 'ways', 'organisers'] as const),
  ...(['parkings', 'slopes'] as const),
] as const;
type Around = { home: Home; count: number; kinds: number; covered: number };
type Known = {
  of: Pick<Plan, (typeof READS)[number]>;
  scene: object;
  inUse: object;
  around: readonly Around[];
  states: HomeState[];
};
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
