import { ALL_MONTHS, homesOf, isLeaving, type Plan, type Supply, wantedMonths } from '../../record/plan/index.ts';

/** The year in periods in which the same things are wanted. */
export type Periods = {
  count: number;
  /** in which of them a supply is wanted, one bit each; null: in all */
  wanted: (supply: Supply) => number | null;
  /** all of them */
  all: number;
};

/** No more than so many: beyond, what is wanted at the rarest times is taken to be there all the year. */
const MOST_PERIODS = 4;

/**
 * Whether a thing is one that is packed away out of its season: the maker says when it is wanted, or has a home for the rest of the year. A pair of
 * scissors that only one activity uses stays where it is while that rests.
 */
const isPackedAway = (plan: Plan, supply: Supply): boolean =>
  supply.months.length > 0 || homesOf(plan, supply.id, 'resting').length > 0;

/** The periods of a plan: months in which the same seasonal things are wanted are one. */
export function periodsOfYear(plan: Plan): Periods {
  const seasons = new Map<string, { months: readonly number[]; times: number }>();
  for (const supply of Object.values(plan.supplies)) {
    const months = wantedMonths(plan, supply);
    if (months.length === 12 || !isPackedAway(plan, supply) || supply.working === 0 || isLeaving(supply)) continue;
    const key = months.join();
    const season = seasons.get(key);
    if (season) season.times++;
    else seasons.set(key, { months, times: 1 });
  }
  const kept = [...seasons].sort(([a, x], [b, y]) => y.times - x.times || (a < b ? -1 : 1));
  let groups = grouped(kept);
  while (groups.size > MOST_PERIODS) {
    kept.pop();
    groups = grouped(kept);
  }
  const masks = new Map(
    kept.map(([key, { months }]) => [
      key,
      [...groups.values()].reduce((mask, group, p) => (months.includes(group[0]!) ? mask | (1 << p) : mask), 0),
    ]),
  );
  return {
    count: groups.size,
    all: (1 << groups.size) - 1,
    wanted: (supply) => (isPackedAway(plan, supply) ? (masks.get(wantedMonths(plan, supply).join()) ?? null) : null),
  };
}

/** Months by which of some seasons they are in. */
function grouped(seasons: readonly (readonly [string, { months: readonly number[] }])[]): Map<string, number[]> {
  const groups = new Map<string, number[]>();
  for (const month of ALL_MONTHS) {
    const key = seasons.map(([, { months }]) => +months.includes(month)).join('');
    groups.set(key, [...(groups.get(key) ?? []), month]);
  }
  return groups;
}
