import { type Plan, type Share, type Station, type Supply, usesOf } from '../plan/index.ts';

/** Fetches of one share of a supply from one station. */
export type YearlyUse = { station: Station; fetches: number; consumed: boolean };

/** A thing no activity names is still handled so often a year: dusted, looked for, lent (own assumption). */
export const IDLE_FETCHES = 2;
/** What rests out of its season is put away and got out so often a year. */
const CHANGES = 1;
/** A reserve is opened so often a year unless what is used up tells more (own assumption). */
export const RESERVE_FETCHES = 3;

/**
 * Fetches a year of a use: fetches a session × sessions a month × months it is done in.
 * @param months in which the thing is wanted; none: in all of them
 */
export function fetchesPerYear(
  plan: Plan,
  activityId: string,
  fetches: number,
  months: readonly number[] = [],
): number {
  const activity = plan.activities[activityId];
  if (!activity) return 0;
  const done = months.length === 0 ? activity.months : activity.months.filter((m) => months.includes(m));
  return fetches * activity.sessionsPerMonth * done.length;
}

/** Each fetch takes at least one piece that is then used up, so nothing is put back. */
export function consumedPerFetch(use: { fetches: number; usedUp: number }): boolean {
  return use.usedUp >= use.fetches && use.fetches > 0;
}

const sorted = new WeakMap<object, Station[]>();
/** The stations of a plan in order of id; computed once per set of stations. */
function stationsOf(plan: Pick<Plan, 'stations'>): readonly Station[] {
  let list = sorted.get(plan.stations);
  if (!list) {
    list = Object.values(plan.stations).sort((a, b) => (a.id < b.id ? -1 : 1));
    sorted.set(plan.stations, list);
  }
  return list;
}

/**
 * Who fetches a share of a supply and how often a year. An activity with several stations is shared evenly among them.
 * Empty while the plan has no station.
 */
export function yearlyUses(plan: Plan, supply: Supply, share: Share): YearlyUse[] {
  const stations = stationsOf(plan);
  if (stations.length === 0) return [];
  const out: YearlyUse[] = [];
  let usedUp = 0;
  // what is retired waits behind what is in use: nothing fetches it any more
  for (const use of supply.life === 'retired' ? [] : usesOf(plan, supply.id)) {
    const at = stations.filter((s) => s.activityId === use.activityId);
    const yearly = fetchesPerYear(plan, use.activityId, use.fetches, supply.months);
    usedUp += fetchesPerYear(plan, use.activityId, use.usedUp, supply.months);
    for (const station of at)
      if (yearly > 0) out.push({ station, fetches: yearly / at.length, consumed: consumedPerFetch(use) });
  }
  if (share === 'resting') return [{ station: out[0]?.station ?? stations[0]!, fetches: CHANGES, consumed: false }];
  if (share === 'backstock') {
    const refills = usedUp > 0 && supply.working > 0 ? Math.max(1, usedUp / supply.working) : RESERVE_FETCHES;
    const first = out[0]?.station ?? stations[0]!;
    return [{ station: first, fetches: Math.min(refills, 52), consumed: true }];
  }
  return out.length > 0 ? out : [{ station: stations[0]!, fetches: IDLE_FETCHES, consumed: false }];
}

/** Of things thrown together so many are moved aside at most before one has the right one (own assumption). */
const MOST_RUMMAGED = 3;

/** How many of the others are moved aside on the whole where things are thrown together: half of them. */
export const rummagedAmong = (jumble: boolean, kinds: number): number =>
  jumble ? Math.min(MOST_RUMMAGED, Math.floor(kinds / 2)) : 0;
