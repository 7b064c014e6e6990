import { fitSupply } from '../fit/index.ts';
import { type Home, homesIn, type Place, type Plan, type Share, type Supply } from '../plan/index.ts';
import { type Assessment, assessHomes, type HomeState } from './cost.ts';
import { boxesIn, boxTakes } from './filling.ts';
import { yearlyUses } from './uses.ts';

/** Yearly seconds for a family's second and every further place, by school (own assumption). */
export const SPREAD = { kind: 900, activity: 240 } as const;
/** A thing without a home is dug out of a pile, and left lying in the way: seconds a year, plus seconds a fetch (own assumption). */
const LEAVE_YEAR = 3600;
const LEAVE_FETCH = 180;

/** What a share costs a year while it has no home that works, s. */
export function costWithoutHome(plan: Plan, supply: Supply, share: Share): number {
  return LEAVE_YEAR + yearlyUses(plan, supply, share).reduce((s, u) => s + u.fetches, 0) * LEAVE_FETCH;
}

/**
 * The homes in a place that it truly holds: boxes and pinned things first, then what would cost most without a home, until its width or
 * load is used up. What is not measured is taken to fit.
 */
export function heldIn(plan: Plan, place: Place): ReadonlySet<Home> {
  let width = place.width + 0.5;
  let load = place.load;
  for (const box of boxesIn(plan, place.id)) {
    const takes = boxTakes(plan, box, place);
    width -= takes.frontage;
    load -= takes.mass;
  }
  const held = new Set<Home>();
  const homes = homesIn(plan, place.id).flatMap((home) => {
    const supply = plan.supplies[home.supplyId];
    return supply ? [{ home, supply, leave: costWithoutHome(plan, supply, home.share) }] : [];
  });
  homes.sort((a, b) => +b.home.pinned - +a.home.pinned || b.leave - a.leave || (a.home.id < b.home.id ? -1 : 1));
  for (const { home, supply } of homes) {
    const count = supply[home.share];
    const fit = fitSupply(place, supply, count);
    if (!fit.ok && fit.reason !== 'not measured yet') continue;
    const takes = fit.ok ? fit.frontage : 0;
    const mass = count * supply.mass;
    if (!home.pinned && (takes > width || mass > load)) continue;
    width -= takes;
    load -= mass;
    held.add(home);
  }
  return held;
}

/** What the homes of a plan cost a year, counted so that two plans can be compared. */
export type Tally = {
  /** shares without a home that works: none at all, out of reach, not going in, or more than the place holds */
  without: HomeState[];
  /** of these: those that have a home, only one that does not work */
  inVain: number;
  /** seconds a year of fetching what has a home that works, with penalties and bringing */
  fetching: number;
  /** seconds a year set for what has none */
  withoutSeconds: number;
  /** seconds a year set for families in several places */
  apart: number;
  total: number;
};

/** Counts a plan's homes; the same rule for today's homes and for found ones. */
export function tallyOf(plan: Plan, assessed: Assessment = assessHomes(plan)): Tally {
  const held = new Set<Home>();
  for (const place of Object.values(plan.places)) for (const home of heldIn(plan, place)) held.add(home);
  const without: HomeState[] = [];
  let inVain = 0;
  let fetching = assessed.bringing;
  let withoutSeconds = 0;
  const families = new Map<string, Set<string>>();
  for (const state of assessed.states) {
    const { supply, share, place, cost } = state;
    const home = plan.homes[`${supply.id}.${share}`];
    if (home && place && cost && cost.reason === null && held.has(home)) {
      fetching += cost.seconds;
      if (supply.family && share === 'working') {
        const places = families.get(supply.family);
        if (places) places.add(place.id);
        else families.set(supply.family, new Set([place.id]));
      }
    } else {
      without.push(state);
      withoutSeconds += costWithoutHome(plan, supply, share);
      if (place) inVain++;
    }
  }
  let apart = 0;
  for (const places of families.values()) apart += SPREAD[plan.head.grouping] * (places.size - 1);
  return { without, inVain, fetching, withoutSeconds, apart, total: fetching + withoutSeconds + apart };
}
