import { type Body, bodyOf } from '../body/index.ts';
import { liftLimit } from '../loads/index.ts';
import {
  countIn,
  type Home,
  homesIn,
  homesOf,
  natureOf,
  type Person,
  type Place,
  type Plan,
  type Share,
  type Station,
  type Supply,
  saidIn,
  withoutHome,
} from '../plan/index.ts';
import {
  type BandNumber,
  type Fetch,
  fetchAtTable,
  fetchFrom,
  handlingOf,
  makerOf,
  sceneAt,
  sceneOf,
  type Spot,
} from '../reach/index.ts';
import { bringingPerYear } from './bringing.ts';
import { barredFrom, zonePenalty } from './barred.ts';
import { carriedOf, isCarriedTo, sessionsAt } from './carrying.ts';
import { coveredIn, isThrownIn } from './filling.ts';
import { mindedThere } from './minds.ts';
import { yearlyUses, type YearlyUse } from './uses.ts';

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
/** Sun, heat, damp, frost or dust on what minds it, s a year (own assumption). */
const MIND_PENALTY = 3600;
/** A blade, or what is hot or breaks, thrown in among other things: one reaches for it blindly (own assumption). */
const BLIND_PENALTY = 5400;
/** What rolls about loose on a shelf or a top, s a year (own assumption). */
const LOOSE_PENALTY = 900;
/** Of things thrown together so many are moved aside at most before one has the right one (own assumption). */
const MOST_RUMMAGED = 3;
/** What stands on the top of a unit is dusted and knocked over, s a year (own assumption). */
const ON_TOP = 300;
/** Heavier than the lifting equation advises for that height (own assumption). */
const LIFT_PENALTY = 1800;
/** Below this nobody lifts heavily wherever it stands, g (own assumption: under a third of the least limit of the equation). */
const LIGHT = 3000;
/** Hands before the ankles at a shelf, and how far it goes up or down to the table, mm (own assumptions). */
const AT_SHELF = { horizontal: 400, twist: 0, coupling: 'fair' } as const;
const TABLE = 740;

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
  if (!spot.away && supply.mass > LIGHT) {
    const vertical = Math.max(0, spot.grip.z);
    const limit = 1000 * liftLimit({ ...AT_SHELF, vertical, travel: Math.abs(vertical - TABLE) });
    if (supply.mass > limit)
      out.push({
        seconds: LIFT_PENALTY,
        words: `${(supply.mass / 1000).toFixed(1)} kg lifted ${vertical > TABLE ? 'from high up' : 'from low down'}: ${(limit / 1000).toFixed(1)} kg is advised (revised NIOSH equation, from memory). Whoever has a bad back asks a doctor first.`,
        care: true,
      });
  }
  for (const why of mindedThere(plan, supply, spot))
    out.push({ seconds: MIND_PENALTY, words: `It minds that ${why}.`, care: false });
  const nature = natureOf(plan.places[spot.place.id] ?? spot.place);
  if (nature === 'bulk' && supply.hazards.some((h) => h === 'blade' || h === 'hot' || h === 'toxic'))
    out.push({
      seconds: BLIND_PENALTY,
      words:
        'Thrown in among other things one reaches for it without seeing it. Common practice: blades, hot things and poisons lie by themselves.',
      care: true,
    });
  if (supply.form === 'loose' && (nature === 'row' || spot.place.kind === 'top'))
    out.push({
      seconds: LOOSE_PENALTY,
      words: 'Small loose things roll about here: a drawer, a box or a jar keeps them together.',
      care: false,
    });
  if (spot.place.kind === 'top')
    out.push({ seconds: ON_TOP, words: 'It stands in the open on a top: dusted, and in the way.', care: false });
  const zone = zonePenalty(plan, supply, spot.place);
  if (zone) out.push({ ...zone, care: false });
  return out.map((p) => ({ ...p, words: saidIn(plan, p.words) }));
}

/** One station's fetches of a supply from a place: seconds of one, and the container that is brought to the table first. */
type Errand = { use: YearlyUse; fetch: Fetch; carried: Place | null };

function errandsTo(
  plan: Plan,
  supply: Supply,
  uses: readonly YearlyUse[],
  place: Place,
  kinds: number,
  covered: number,
): Errand[] {
  const container = carriedOf(plan, place);
  const jumble = isThrownIn(place);
  return uses.flatMap((use): Errand[] => {
    const maker = makerOf(plan, use.station);
    if (!maker) return [];
    const scene = sceneAt(plan, use.station);
    // among things thrown together half of the others are moved aside, on the whole
    const rummaged = jumble ? Math.min(MOST_RUMMAGED, Math.floor(kinds / 2)) : 0;
    const handling = { ...handlingOf(supply, kinds, use.consumed, jumble), covered: covered + rummaged };
    if (container && isCarriedTo(plan, use.station, container))
      return [{ use, fetch: fetchAtTable(handling), carried: container }];
    return [{ use, fetch: fetchFrom(scene, maker, scene.spots.get(place.id)!, handling), carried: null }];
  });
}

/** What fetches of so many a year from each station cost, with what speaks against the place. */
function priced(
  plan: Plan,
  supply: Supply,
  errands: readonly Errand[],
  yearly: readonly number[],
  place: Place,
): HomeCost {
  let seconds = 0;
  let fetches = 0;
  let most = -1;
  let band: BandNumber | null = null;
  let each = 0;
  for (const [i, { fetch, carried, use }] of errands.entries()) {
    const times = yearly[i]!;
    fetches += times;
    if (!fetch.ok) {
      if (times > 0)
        return { seconds: Infinity, fetches, band: null, each: Infinity, penalties: [], reason: fetch.reason };
      continue;
    }
    seconds += times * fetch.seconds;
    if (times <= most) continue;
    most = times;
    const brought = carried ? isCarriedTo(plan, use.station, carried) : null;
    band = brought?.ok ? brought.band : fetch.band;
    each = fetch.seconds;
  }
  const atRest = sceneOf(plan).spots.get(place.id)!;
  const reason = barredFrom(plan, supply, atRest);
  if (reason) return { seconds: Infinity, fetches, band: null, each: Infinity, penalties: [], reason };
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

/**
 * What one share of a supply costs a year in a place, looked for among `kinds` kinds there and behind or under `covered` others.
 * Each station sees the room as it is while somebody works there: its cart rolled up, its box on the table. A container that is carried to the seat is
 * not in it: it is brought once a session, see {@link carryingPerYear}.
 * Infinity with the reason when someone who uses it cannot get there.
 * @param part of the share’s fetches, 0 to 1
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
): HomeCost | null {
  const place = plan.places[placeId];
  if (!place || !sceneOf(plan).spots.has(placeId)) return null;
  const errands = errandsTo(plan, supply, yearlyUses(plan, supply, share), place, kinds, covered);
  return priced(
    plan,
    supply,
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
  if (supply[share] === 0) return [];
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
    READS.every((t) => last.of[t] === plan[t]) &&
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
const READS = ['head', 'people', 'activities', 'uses', 'stations', 'zones', 'bans', 'organisers'] as const;
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
    const cost = sceneOf(plan).spots.has(place.id) ? priced(plan, supply, errands[i]!, yearly[i]!, place) : null;
    states.push({ supply, share, home, count: counts[i]!, place, cost });
  }
  const left = withoutHome(plan, supply, share);
  if (left > 0) states.push({ supply, share, home: null, count: left, place: null, cost: null });
  return states;
}

/** How many of each use’s yearly fetches go to each home: [home][errand]. */
function sharedFetches(
  uses: readonly YearlyUse[],
  errands: readonly Errand[][],
  counts: readonly number[],
): number[][] {
  if (errands.length === 1) return [errands[0]!.map((e) => e.use.fetches)];
  const out = errands.map((list) => list.map(() => 0));
  const total = counts.reduce((a, b) => a + b, 0);
  for (const use of uses) {
    const order = errands
      .map((list, home) => {
        const at = list.findIndex((e) => e.use === use);
        const fetch = list[at]?.fetch;
        return { home, at, seconds: fetch?.ok ? fetch.seconds : Infinity };
      })
      .filter((o) => o.at >= 0)
      .sort((a, b) => a.seconds - b.seconds || a.home - b.home);
    let left = use.fetches;
    for (const [i, { home, at }] of order.entries()) {
      const last = i === order.length - 1;
      // a tool goes back where it came from; what is used up empties the nearest home first, and all of them when a year takes them all
      const share = !use.consumed
        ? left
        : use.fetches >= total && total > 0
          ? (use.fetches * counts[home]!) / total
          : Math.min(left, counts[home]!);
      out[home]![at] = last ? left : share;
      left -= last ? left : share;
    }
  }
  return out;
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
    for (const share of ['working', 'backstock'] as const) {
      for (const state of shareStates(plan, supply, share)) {
        states.push(state);
        const { place, cost } = state;
        if (!place || !cost?.band || !Number.isFinite(cost.seconds)) continue;
        seconds += cost.seconds;
        fetchesByBand[cost.band]! += cost.fetches;
        const container = carriedOf(plan, place);
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
