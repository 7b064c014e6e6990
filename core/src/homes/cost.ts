import { bodyOf } from '../body/index.ts';
import { homesIn, type Place, type Plan, type Share, type Supply } from '../plan/index.ts';
import {
  type BandNumber,
  type Fetch,
  fetchFrom,
  handlingOf,
  highestGrip,
  makerOf,
  type Scene,
  sceneOf,
  type Spot,
} from '../reach/index.ts';
import { yearlyUses } from './uses.ts';

/** Seconds a year and why, for one share of a supply in one place. */
export type HomeCost = {
  /** Σ fetches × seconds + penalties; Infinity when nobody who uses it gets there */
  seconds: number;
  /** fetches a year over all stations */
  fetches: number;
  /** band from the station that fetches it most; null when out of reach */
  band: BandNumber | null;
  /** seconds of one fetch from that station */
  each: number;
  penalties: Penalty[];
  reason: string | null;
};

export type Penalty = { seconds: number; words: string; care: boolean };

/** Yearly seconds set against a thing lying wrong; own assumptions, large against a fetch, small against having no home. */
const CHILD_PENALTY = 7200;
const HEAVY_CLIMB_PENALTY = 1800;
/** A thing heavier than this is not lifted down from a step stool, g (own assumption). */
const HEAVY = 2000;
/** Hazards that a child must not get at. */
export const HARMFUL = ['blade', 'hot', 'flammable', 'toxic', 'magnet', 'small'] as const;

const reaches = new WeakMap<object, number>();
/** Highest grip of the tallest child in the plan, mm; 0 without children. */
export function childReach(plan: Plan): number {
  let top = reaches.get(plan.people);
  if (top === undefined) {
    const children = Object.values(plan.people).filter((p) => p.child);
    top = Math.max(0, ...children.map((p) => highestGrip(bodyOf(p, null), 0)));
    reaches.set(plan.people, top);
  }
  return top;
}

/** What speaks against a supply lying here, apart from the way to it. */
export function penaltiesFor(plan: Plan, supply: Supply, spot: Spot, band: BandNumber | null): Penalty[] {
  const out: Penalty[] = [];
  const child = childReach(plan);
  if (
    child > 0 &&
    !spot.away &&
    !spot.place.lockable &&
    spot.grip.z < child &&
    supply.hazards.some((h) => (HARMFUL as readonly string[]).includes(h))
  ) {
    out.push({
      seconds: CHILD_PENALTY,
      words: `Within a child’s reach: needs a lock or ${(child / 10).toFixed(0)} cm of height. Common practice; the maker’s manual and local rules come first.`,
      care: true,
    });
  }
  if (band === 6 && supply.mass > HEAVY)
    out.push({
      seconds: HEAVY_CLIMB_PENALTY,
      words: `${(supply.mass / 1000).toFixed(1)} kg lifted down from a step stool. Common practice: heavy things below the shoulder.`,
      care: true,
    });
  return out;
}

/**
 * What one share of a supply costs a year in a place, looked for among `kinds` kinds there.
 * Infinity with the reason when someone who uses it cannot get there.
 */
export function costInPlace(
  plan: Plan,
  scene: Scene,
  supply: Supply,
  share: Share,
  spot: Spot,
  kinds: number,
): HomeCost {
  let seconds = 0;
  let fetches = 0;
  let most = -1;
  let band: BandNumber | null = null;
  let each = 0;
  for (const use of yearlyUses(plan, supply, share)) {
    const maker = makerOf(plan, use.station);
    if (!maker) continue;
    const fetch: Fetch = fetchFrom(scene, maker, spot, handlingOf(supply, kinds, use.consumed));
    fetches += use.fetches;
    if (!fetch.ok)
      return { seconds: Infinity, fetches, band: null, each: Infinity, penalties: [], reason: fetch.reason };
    seconds += use.fetches * fetch.seconds;
    if (use.fetches > most) {
      most = use.fetches;
      band = fetch.band;
      each = fetch.seconds;
    }
  }
  const penalties = penaltiesFor(plan, supply, spot, band);
  return {
    seconds: seconds + penalties.reduce((s, p) => s + p.seconds, 0),
    fetches,
    band,
    each,
    penalties,
    reason: null,
  };
}

/** The cost of giving a share its home in a place, counting it among the kinds that lie there. Null for a place not in the plan. */
export function costOfHome(plan: Plan, supply: Supply, share: Share, placeId: string): HomeCost | null {
  const scene = sceneOf(plan);
  const spot = scene.spots.get(placeId);
  if (!spot) return null;
  const here = homesIn(plan, placeId).filter((h) => !(h.supplyId === supply.id && h.share === share)).length;
  return costInPlace(plan, scene, supply, share, spot, here + 1);
}

export type HomeState = { supply: Supply; share: Share; place: Place | null; cost: HomeCost | null };
export type Assessment = {
  states: HomeState[];
  /** shares with a count but no home */
  homeless: HomeState[];
  /** seconds a year over all homes that can be reached */
  seconds: number;
  /** yearly fetches per band, index = band number */
  fetchesByBand: number[];
  /** homes nobody who uses them can reach */
  unreachable: HomeState[];
};

/** Every share of every supply with its home and what that costs. */
export function assessHomes(plan: Plan): Assessment {
  const scene = sceneOf(plan);
  const states: HomeState[] = [];
  const fetchesByBand = new Array<number>(8).fill(0);
  let seconds = 0;
  for (const supply of Object.values(plan.supplies)) {
    for (const share of ['working', 'backstock'] as const) {
      if (supply[share] === 0) continue;
      const home = plan.homes[`${supply.id}.${share}`];
      const spot = home ? scene.spots.get(home.placeId) : undefined;
      const cost = spot ? costInPlace(plan, scene, supply, share, spot, homesIn(plan, spot.place.id).length) : null;
      states.push({ supply, share, place: spot?.place ?? null, cost });
      if (cost?.band && Number.isFinite(cost.seconds)) {
        seconds += cost.seconds;
        fetchesByBand[cost.band]! += cost.fetches;
      }
    }
  }
  return {
    states,
    homeless: states.filter((s) => !s.place),
    unreachable: states.filter((s) => s.cost !== null && s.cost.reason !== null),
    seconds,
    fetchesByBand,
  };
}
