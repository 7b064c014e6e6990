import { standingMass, type Stowage, stowagesOf } from '../../things/fit/index.ts';
import {
  amountOf,
  type Home,
  homesIn,
  type Place,
  type Plan,
  type Share,
  type Supply,
} from '../../record/plan/index.ts';
import { foundAgainSum } from './again.ts';
import { DIGGING_OUT as DUG_OUT } from '../recall/index.ts';
import { type Assessment, assessHomes } from './cost.ts';
import { heapsPerYear } from './heaps.ts';
import { namesPerYear } from './mixing.ts';
import { type HomeState } from './own-cost.ts';
import { yearlyUses } from './uses.ts';
import { wayOf, weightOf } from './weights.ts';
import { rowOf } from './rows.ts';

/** Yearly seconds for a family's second and every further place, by school (own assumption). */
export const SPREAD = { kind: 900, activity: 240, nature: 400 } as const;
/** Every further place of one share costs so much a year: one looks in the wrong one, s (own assumption). */
export const SPLIT = 60;
/** Changing over between the season and the rest of the year, for one thing, beyond the way: s a year (own assumption). */
export const SEASON_CHANGE = 120;
/** A thing without a home is dug out of a pile, and left lying in the way: seconds a year, plus seconds a fetch (own assumption). */
const LEAVE_YEAR = 3600;

/** What every further place of the family of a supply costs a year, as the maker works and as much as families count for her, s. */
export const spreadOf = (plan: Plan, supply: Supply): number =>
  SPREAD[wayOf(plan, supply, 'grouping')] * weightOf(plan, 'weighFamilies');

/**
 * The family a supply lies with: a bought set with itself until it is dispersed; new things with each other, where they are kept apart until they have been used;
 * null: none.
 */
export const familyOf = (plan: Plan, supply: Supply): string | null =>
  supply.kit || (supply.isNew && plan.head.newThings === 'apart' ? 'new things' : supply.family || null);

/** What a share costs a year while it has no home that works, s. */
export function costWithoutHome(plan: Plan, supply: Supply, share: Share): number {
  return LEAVE_YEAR + yearlyUses(plan, supply, share).reduce((s, u) => s + u.fetches, 0) * DUG_OUT;
}

/**
 * The homes in a place that it truly holds: those that find room as it is laid, and of these, pinned ones first, then what would cost most without a
 * home, as many as it carries. What is not measured is taken to fit.
 */
export function heldIn(plan: Plan, place: Place): ReadonlySet<Home> {
  const [now, ...other] = stowagesOf(plan, place).map((s) => heldOf(plan, place, s));
  if (other.length === 0) return now!.held;
  // what is there at several times of the year must find room at each
  const all = [now!, ...other];
  const left = new Set(all.flatMap((s) => s.left));
  return new Set(all.flatMap((s) => [...s.held]).filter((home) => !left.has(home)));
}

function heldOf(plan: Plan, place: Place, { things }: Stowage): { held: Set<Home>; left: Home[] } {
  const laid = new Map(things.map((t) => [t.id, t]));
  let load = place.load - standingMass(plan, place);
  const held = new Set<Home>();
  const homes = homesIn(plan, place.id).flatMap((home) => {
    const thing = laid.get(home.id);
    const finds = thing && (thing.alone.ok ? thing.over === 0 : thing.alone.reason === 'not measured yet');
    return thing && (finds || home.pinned)
      ? [{ home, thing, leave: costWithoutHome(plan, thing.supply, home.share) }]
      : [];
  });
  homes.sort((a, b) => +b.home.pinned - +a.home.pinned || b.leave - a.leave || (a.home.id < b.home.id ? -1 : 1));
  for (const { home, thing } of homes) {
    const mass = thing.count * thing.supply.mass;
    if (!home.pinned && mass > load) continue;
    load -= mass;
    held.add(home);
  }
  return { held, left: homesIn(plan, place.id).filter((home) => laid.has(home.id) && !held.has(home)) };
}

/**
 * What the homes of a plan come to, s a year, counted so that two plans can be compared. Three figures, which add up to the fourth: what a year takes, what
 * is set for what has no home, what speaks against places.
 */
export type Tally = {
  /** what a year takes, really spent; its parts beside it */
  year: number;
  /** walks of their own; those made for several things; carrying boxes and rolling carts; reaching over the table */
  walks: number;
  visits: number;
  bringing: number;
  overTable: number;
  /** looking for what is not remembered, once every name is written on its place */
  looking: number;
  /** not in any of the four: looking besides until the labels are there, as finding again is to count */
  unlabelled: number;
  /** set for what has no home that works */
  withoutSeconds: number;
  /** shares without one: none at all, out of reach, not going in, or more than the place holds */
  without: HomeState[];
  /** of these: those that have a home, only one that does not work */
  inVain: number;
  /** what speaks against: places that things do not lie well in, families and shares that lie apart */
  against: number;
  places: number;
  apart: number;
  /** names beyond the first that places take; looking counted less or more than it takes, as finding again is to count */
  names: number;
  again: number;
  /** heaps of more kinds than are told apart, as finding again is to count */
  heaped: number;
  /** by how much more than they take the minutes of some count */
  counted: number;
  /** all of it, as the maker weighs it */
  total: number;
};

/** Counts a plan's homes; the same rule for today's homes and for found ones. */
export function tallyOf(plan: Plan, assessed: Assessment = assessHomes(plan)): Tally {
  const held = new Set<Home>();
  for (const place of Object.values(plan.places)) for (const home of heldIn(plan, place)) held.add(home);
  const without: HomeState[] = [];
  let inVain = 0;
  let walks = 0;
  let visits = 0;
  let places = 0;
  let withoutSeconds = 0;
  let apart = 0;
  let counted = 0;
  const families = new Map<string, { places: Set<string>; spread: number }>();
  const shares = new Map<string, Set<string>>();
  for (const state of assessed.states) {
    const { supply, share, home, place, cost } = state;
    if (home && place && cost && cost.reason === null && held.has(home)) {
      walks += cost.fetching - cost.visiting;
      visits += cost.visiting;
      places += cost.seconds - cost.fetching;
      counted += cost.weighed - cost.seconds;
      const key = `${share} ${supply.id}`;
      if (share === 'resting' && !shares.has(key)) apart += SEASON_CHANGE;
      const row = rowOf(plan, place.id);
      shares.set(key, (shares.get(key) ?? new Set()).add(row));
      const family = share === 'working' ? familyOf(plan, supply) : null;
      if (family !== null) {
        const known = families.get(family);
        if (known) known.places.add(row);
        else families.set(family, { places: new Set([row]), spread: spreadOf(plan, supply) });
      }
    } else {
      without.push(state);
      withoutSeconds += (costWithoutHome(plan, supply, share) * state.count) / amountOf(supply, share);
      if (place) inVain++;
    }
  }
  for (const rows of shares.values()) apart += SPLIT * (rows.size - 1);
  for (const { places, spread } of families.values()) apart += spread * (places.size - 1);
  const { bringing, reaching: overTable } = assessed;
  const { year: looking, unlabelled } = foundAgainSum(plan);
  const names = namesPerYear(plan);
  const weighAgain = weightOf(plan, 'weighAgain');
  const again = looking * (weighAgain - 1);
  const heaped = heapsPerYear(plan) * weighAgain;
  const year = walks + visits + bringing + overTable + looking;
  const against = places + apart + names + again + heaped;
  return {
    ...{ year, walks, visits, bringing, overTable, looking, withoutSeconds, without, inVain },
    unlabelled: unlabelled * weighAgain,
    ...{ against, places, apart, names, again, heaped, counted },
    total: year + withoutSeconds + against + counted,
  };
}
