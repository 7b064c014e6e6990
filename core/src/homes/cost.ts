import { type Body, bodyOf } from '../body/index.ts';
import { homesIn, type Person, type Place, type Plan, type Share, type Supply, saidIn } from '../plan/index.ts';
import {
  type BandNumber,
  type Fetch,
  fetchFrom,
  handlingOf,
  makerOf,
  sceneAt,
  sceneOf,
  type Spot,
} from '../reach/index.ts';
import { bringingPerYear } from './bringing.ts';
import { coveredIn } from './filling.ts';
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

/** On tiptoe one is so much taller, mm (own assumption). */
const TIPTOE = 60;

export type ChildReach = { person: Person; /** so high the hand comes at full stretch, mm */ top: number };
const reaches = new WeakMap<object, ChildReach[]>();
const stretched = (body: Body): number => body.shoulder + body.gripReach + TIPTOE;

/** The lowest edge over which a hand comes into a place, mm: a child needs no more than that. */
const lowestEdge = (spot: Spot): number =>
  spot.place.opens === 'top' ? spot.mouth.z : spot.place.covers.includes('drawer') ? spot.high : spot.low;

/** Children of the plan with how high they reach, arm stretched up and on tiptoe, the tallest first. */
export function childReaches(plan: Plan): readonly ChildReach[] {
  let all = reaches.get(plan.people);
  if (!all) {
    all = Object.values(plan.people)
      .filter((p) => p.child)
      .map((person) => ({ person, top: stretched(bodyOf(person, null)) }))
      .sort((a, b) => b.top - a.top);
    reaches.set(plan.people, all);
  }
  return all;
}

/** The tallest child that gets at a place and must be kept from what is to lie there; undefined when none does. */
export function childAt(plan: Plan, supply: Supply, spot: Spot): ChildReach | undefined {
  if (spot.away || spot.place.lockable || supply.hazards.length === 0) return undefined;
  return childReaches(plan).find(
    ({ person, top }) => lowestEdge(spot) < top && supply.hazards.some((h) => person.keepFrom.includes(h)),
  );
}

/** What speaks against a supply lying here, apart from the way to it. */
export function penaltiesFor(plan: Plan, supply: Supply, spot: Spot, band: BandNumber | null): Penalty[] {
  const out: Penalty[] = [];
  const child = childAt(plan, supply, spot);
  if (child)
    out.push({
      seconds: CHILD_PENALTY,
      words: `Within reach of ${child.person.name}: needs a lock or ${(child.top / 10).toFixed(0)} cm of height. Common practice; the maker’s manual and local rules come first.`,
      care: true,
    });
  if (band === 6 && supply.mass > HEAVY)
    out.push({
      seconds: HEAVY_CLIMB_PENALTY,
      words: `${(supply.mass / 1000).toFixed(1)} kg lifted down from a step stool. Common practice: heavy things below the shoulder.`,
      care: true,
    });
  return out.map((p) => ({ ...p, words: saidIn(plan, p.words) }));
}

/**
 * What one share of a supply costs a year in a place, looked for among `kinds` kinds there and behind or under `covered` others.
 * Each station sees the room as it is while somebody works there: its cart rolled up, its box on the table.
 * Infinity with the reason when someone who uses it cannot get there.
 * @returns null for a place that is not in the plan
 */
export function costInPlace(
  plan: Plan,
  supply: Supply,
  share: Share,
  placeId: string,
  kinds: number,
  covered = 0,
): HomeCost | null {
  const atRest = sceneOf(plan).spots.get(placeId);
  if (!atRest) return null;
  let seconds = 0;
  let fetches = 0;
  let most = -1;
  let band: BandNumber | null = null;
  let each = 0;
  for (const use of yearlyUses(plan, supply, share)) {
    const maker = makerOf(plan, use.station);
    if (!maker) continue;
    const scene = sceneAt(plan, use.station);
    const spot = scene.spots.get(placeId)!;
    const fetch: Fetch = fetchFrom(scene, maker, spot, { ...handlingOf(supply, kinds, use.consumed), covered });
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
  const penalties = penaltiesFor(plan, supply, atRest, band);
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
  const here = homesIn(plan, placeId).filter((h) => !(h.supplyId === supply.id && h.share === share)).length;
  return costInPlace(plan, supply, share, placeId, here + 1, coveredIn(plan, placeId));
}

export type HomeState = { supply: Supply; share: Share; place: Place | null; cost: HomeCost | null };
export type Assessment = {
  states: HomeState[];
  /** shares with a count but no home */
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

/** Every share of every supply with its home and what that costs. */
export function assessHomes(plan: Plan): Assessment {
  const states: HomeState[] = [];
  const fetchesByBand = new Array<number>(8).fill(0);
  const bringing = Object.values(plan.stations).reduce((sum, s) => sum + bringingPerYear(plan, s), 0);
  let seconds = bringing;
  for (const supply of Object.values(plan.supplies)) {
    for (const share of ['working', 'backstock'] as const) {
      if (supply[share] === 0) continue;
      const home = plan.homes[`${supply.id}.${share}`];
      const place = home ? plan.places[home.placeId] : undefined;
      const cost = place
        ? costInPlace(plan, supply, share, place.id, homesIn(plan, place.id).length, coveredIn(plan, place.id))
        : null;
      states.push({ supply, share, place: place ?? null, cost });
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
    bringing,
    fetchesByBand,
  };
}
