import { homesIn, type Plan, type Share, SHARES, type Supply } from '../../record/plan/index.ts';
import { sceneOf } from '../../space/reach/index.ts';
import { bringingPerYear } from './bringing.ts';
import { bringingFor, broughtIn } from './brought.ts';
import { errandsTo } from './errands.ts';
import { coveredIn } from './filling.ts';
import { type HomeCost, type HomeState, ownStates, priced } from './own-cost.ts';
import { reachingPerYear, yearlyUses, type YearlyUse } from './uses.ts';
import { besidesIn, visitsOf, withVisits } from './visits.ts';

/**
 * What one share of a supply costs a year in a place, looked for among `kinds` kinds there and behind or under `covered` others.
 * Each station sees the room as it is while somebody works there: its cart rolled up, its box on the table. A container that is carried to the seat is
 * brought once a session. Visits and bringing count as what they become longer by for it.
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
  const cost = priced(
    plan,
    supply,
    share,
    errands,
    errands.map((e) => e.use.fetches * part),
    place,
  );
  const visits = besidesIn(plan, supply, share, place, cost.gathered);
  return withVisits(plan, cost, visits, bringingFor(plan, supply, share, place, uses));
}

/** The cost of giving a share its home in a place, counting it among the kinds that lie there. Null for a place not in the plan. */
export function costOfHome(plan: Plan, supply: Supply, share: Share, placeId: string): HomeCost | null {
  const here = homesIn(plan, placeId);
  const own = here.find((h) => h.supplyId === supply.id && h.share === share);
  const kinds = here.length + (own ? 0 : 1);
  return costInPlace(plan, supply, share, placeId, kinds, coveredIn(plan, placeId, own?.id ?? null));
}

/**
 * The homes of one share, and what of it has none; each with its part of the visits to its unit. From several homes each station fetches from its
 * nearest first; what is used up is taken from the next one when that is empty.
 */
export function shareStates(plan: Plan, supply: Supply, share: Share): HomeState[] {
  const { shares } = visitsOf(plan);
  return ownStates(plan, supply, share).map((state) => {
    const share = state.home && shares.get(state.home.id);
    return share && state.cost ? { ...state, cost: withVisits(plan, state.cost, share) } : state;
  });
}

export type Assessment = {
  states: HomeState[];
  /** shares, or parts of them, without a home */
  homeless: HomeState[];
  /** seconds a year over all homes that can be reached, with the bringing of boxes and carts and all reaching */
  seconds: number;
  /** of these: carrying boxes and rolling carts to their seats and back */
  bringing: number;
  /** of these: reaching over the table for what lies out, the same wherever things live */
  reaching: number;
  /** yearly fetches per band, index = band number */
  fetchesByBand: number[];
  /** homes nobody who uses them can reach */
  unreachable: HomeState[];
};

/** Every share of every supply with its homes and what they cost. */
export function assessHomes(plan: Plan): Assessment {
  const states: HomeState[] = [];
  const fetchesByBand = new Array<number>(8).fill(0);
  let bringing = Object.values(plan.stations).reduce((sum, s) => sum + bringingPerYear(plan, s), 0);
  let seconds = 0;
  for (const supply of Object.values(plan.supplies)) {
    for (const share of SHARES) {
      for (const state of shareStates(plan, supply, share)) {
        states.push(state);
        const { place, cost } = state;
        if (!place || !cost?.band || !Number.isFinite(cost.seconds)) continue;
        seconds += cost.seconds;
        fetchesByBand[cost.band]! += cost.fetches;
      }
    }
  }
  for (const { seconds } of broughtIn(plan).values()) bringing += seconds;
  const reaching = reachingPerYear(plan);
  return {
    states,
    reaching,
    homeless: states.filter((s) => s.home === null),
    unreachable: states.filter((s) => s.cost !== null && s.cost.reason !== null),
    seconds: seconds + bringing + reaching,
    bringing,
    fetchesByBand,
  };
}
