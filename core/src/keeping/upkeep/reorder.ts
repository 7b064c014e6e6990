import { fetchesPerYear } from '../../living/homes/index.ts';
import { type Plan, type Supply, usesOf } from '../../record/plan/index.ts';
import { daysBetween, daysWhen, entriesOf, sumsOf } from './log.ts';

export type ToBuy = {
  supply: Supply;
  /** packs that bring the reserve back to its level */
  packs: number;
  /** what they cost; null: nobody said */
  price: number | null;
  /** days that what there is lasts, as it was used lately or as its uses say; null: nothing is used up */
  daysLeft: number | null;
  /** the log knows how fast it goes */
  fromLog: boolean;
  /** its last spare was opened and nothing was bought since */
  lastOpened: boolean;
};

/** The log tells how fast a thing goes once it was used up on so many days (own assumption). */
const TELLS = 3;

/** How many pieces of a supply are used up a day. */
export function usedUpPerDay(plan: Plan, supply: Supply, day: string): { pieces: number; fromLog: boolean } {
  const on = daysWhen(plan, supply.id, (what) => what === 'usedUp');
  const days = on[0] === undefined ? 0 : daysBetween(on[0], day);
  if (days > 0 && on.length >= TELLS) {
    const lines = entriesOf(plan, supply.id).filter((e) => e.what === 'usedUp');
    const sums = sumsOf(plan, supply.id).filter((s) => s.what === 'usedUp');
    const pieces =
      lines.reduce((sum, e) => sum + (e.count ?? 1), 0) + sums.reduce((sum, { pieces }) => sum + pieces, 0);
    return { pieces: pieces / days, fromLog: true };
  }
  const yearly = usesOf(plan, supply.id).reduce(
    (sum, use) => sum + fetchesPerYear(plan, use.activityId, use.usedUp, supply.months),
    0,
  );
  return { pieces: yearly / 365, fromLog: false };
}

/** What is to be bought: the reserve is below its level, or the last spare was opened. What runs out first comes first. */
export function toBuy(plan: Plan, day: string): ToBuy[] {
  return Object.values(plan.supplies)
    .flatMap((supply): ToBuy[] => {
      const last = [...sumsOf(plan, supply.id), ...entriesOf(plan, supply.id)]
        .filter((e) => e.what === 'opened' || e.what === 'bought')
        .at(-1);
      const lastOpened = supply.backstock === 0 && last?.what === 'opened';
      const level = supply.reorderAt ?? (lastOpened ? 1 : null);
      if (level === null || supply.backstock >= level) return [];
      const packs = Math.max(1, Math.ceil((level - supply.backstock) / supply.packOf));
      const { pieces, fromLog } = usedUpPerDay(plan, supply, day);
      const daysLeft = pieces > 0 ? Math.floor((supply.working + supply.backstock) / pieces) : null;
      const price = supply.price === null ? null : packs * supply.price;
      return [{ supply, packs, price, daysLeft, fromLog, lastOpened }];
    })
    .sort((a, b) => (a.daysLeft ?? 1e9) - (b.daysLeft ?? 1e9) || (a.supply.name < b.supply.name ? -1 : 1));
}

/** The same by shop, those without one last. */
export function byShop(list: readonly ToBuy[]): { shop: string; items: ToBuy[]; price: number; unpriced: number }[] {
  const shops = new Map<string, ToBuy[]>();
  for (const item of list) shops.set(item.supply.shop, [...(shops.get(item.supply.shop) ?? []), item]);
  return [...shops]
    .sort(([a], [b]) => (a === '' ? 1 : b === '' ? -1 : a < b ? -1 : 1))
    .map(([shop, items]) => ({
      shop,
      items,
      price: items.reduce((sum, i) => sum + (i.price ?? 0), 0),
      unpriced: items.filter((i) => i.price === null).length,
    }));
}
