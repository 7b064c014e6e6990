import { homesOf, placeTitle, type Plan, usesOf } from './plan.ts';
import { type Home, type Share, type Supply } from './rows/index.ts';

export const ALL_MONTHS: readonly number[] = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12];

type Wants = Pick<Plan, 'uses' | 'activities'>;
type Seasonal = Wants & Pick<Plan, 'homes' | 'supplies'>;

/**
 * Months in which a supply is wanted: its own, else those of the activities that use it; all twelve where nothing says less.
 * @returns months 1 to 12 in order, at least one
 */
export function wantedMonths(plan: Wants, supply: Supply): readonly number[] {
  if (supply.months.length > 0) return supply.months;
  const uses = usesOf(plan, supply.id);
  if (uses.length === 0) return ALL_MONTHS;
  const wanted = new Set<number>();
  for (const use of uses) for (const month of plan.activities[use.activityId]?.months ?? ALL_MONTHS) wanted.add(month);
  return wanted.size === 0 || wanted.size === 12 ? ALL_MONTHS : ALL_MONTHS.filter((m) => wanted.has(m));
}

/** Whether a supply is wanted in some months only. */
export const isSeasonal = (plan: Wants, supply: Supply): boolean => wantedMonths(plan, supply).length < 12;

/** Months in which nobody wants a supply. */
export function restingMonths(plan: Wants, supply: Supply): readonly number[] {
  const wanted = wantedMonths(plan, supply);
  return wanted.length === 12 ? [] : ALL_MONTHS.filter((m) => !wanted.includes(m));
}

/** Months in which a share is where it lives; null: all the year. What has a home for the months out of its season is in the other one only in it. */
export function shareMonths(plan: Wants & Pick<Plan, 'homes'>, supply: Supply, share: Share): readonly number[] | null {
  if (share === 'backstock') return null;
  if (share === 'resting') return restingMonths(plan, supply);
  return homesOf(plan, supply.id, 'resting').length > 0 && isSeasonal(plan, supply) ? wantedMonths(plan, supply) : null;
}

/** Months in which a home holds what it says; null: all the year. */
export function monthsOf(plan: Seasonal, home: Home): readonly number[] | null {
  const supply = plan.supplies[home.supplyId];
  return supply ? shareMonths(plan, supply, home.share) : null;
}

/** A plan as it is in one month: homes that hold at other times left out. The plan itself where there are none. */
export function inMonth(plan: Plan, month: number): Plan {
  const out = Object.values(plan.homes).filter((home) => !(monthsOf(plan, home)?.includes(month) ?? true));
  if (out.length === 0) return plan;
  const homes = { ...plan.homes };
  for (const { id } of out) delete homes[id];
  return { ...plan, homes };
}

/**
 * Homes by season: lists of those that hold at the same time, one for each different set in the year; one list where none of them changes.
 * @param within months to look at; null: all
 */
export function bySeason(
  plan: Seasonal,
  homes: readonly Home[],
  within: readonly number[] | null = null,
): readonly (readonly Home[])[] {
  const months = homes.map((h) => monthsOf(plan, h));
  if (months.every((m) => m === null)) return [homes];
  const seen = new Map<string, Home[]>();
  for (const month of within ?? ALL_MONTHS) {
    const now = homes.filter((_, i) => months[i]?.includes(month) ?? true);
    const key = now.map((h) => h.id).join('\n');
    if (!seen.has(key)) seen.set(key, now);
  }
  return [...seen.values()];
}

/** The share that lies where it lives in a month: what is at hand, or what rests out of its season. */
export const shareNow = (plan: Wants & Pick<Plan, 'homes'>, supply: Supply, month: number): Share =>
  shareMonths(plan, supply, 'working')?.includes(month) === false ? 'resting' : 'working';

/** Where a supply is to be looked for in a month: all homes of what is at hand then; where that has none, those of the reserve. */
export const homesNow = (plan: Wants & Pick<Plan, 'homes'>, supply: Supply, month: number): readonly Home[] => {
  const homes = homesOf(plan, supply.id, shareNow(plan, supply, month));
  return homes.length > 0 ? homes : homesOf(plan, supply.id, 'backstock');
};

/** Where a supply is to be looked for in a month first. */
export const homeNow = (plan: Wants & Pick<Plan, 'homes'>, supply: Supply, month: number): Home | undefined =>
  homesNow(plan, supply, month)[0];

/** The same in words: every place once, `; ` between them. Empty: it has none. */
export const livesIn = (plan: Plan, supply: Supply, month: number): string =>
  [
    ...new Set(
      homesNow(plan, supply, month).flatMap(({ placeId }) => {
        const place = plan.places[placeId];
        return place ? [placeTitle(plan, place)] : [];
      }),
    ),
  ].join('; ');
