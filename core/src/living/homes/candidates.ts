import { capacityOf, type Holder, fitOf } from '../../things/fit/index.ts';
import { factsOf } from '../../record/catalogue/index.ts';
import { kindOf } from '../../things/kinds/index.ts';
import { amountOf, type Plan, type Share, type Supply } from '../../record/plan/index.ts';
import { type Spot } from '../../space/reach/index.ts';
import { standsOut } from './arranged.ts';
import { keptOut } from './barred.ts';
import type { Ground } from './ground.ts';
import { yearlyUses, type YearlyUse } from './uses.ts';
import { wayOf, weightOf } from './weights.ts';
import { type Ledger, MOVE_ONCE } from './translation.ts';

/** How many kinds show in a place as full as it should be: so much of it an average kind takes (own assumption). */
export function usualKinds(holder: Holder): number {
  const each = { row: 120, area: 120 * 90, bulk: 1, pile: 12, pockets: 3 }[holder.nature];
  return Math.max(1, Math.min(12, Math.round(capacityOf(holder) / each)));
}

const round = (x: number) => Math.round(x * 100) / 100;

/** Nothing is put on a worktop by itself: it is for work. What stands there may stay. */
const isForWork = (spot: Spot) => spot.place.kind === 'top' && factsOf(spot.unit.kind).worktop;

/** A place things may be given a home in, with what is the same for all of them. */
export type Candidate = {
  spot: Spot;
  /** its number on the ground */
  site: number;
  placeId: string;
  holder: Holder;
  /** places that are alike hold alike: the same number */
  alike: number;
  forWork: boolean;
};

export function candidatesOf(
  plan: Plan,
  spots: readonly Spot[],
  holders: ReadonlyMap<string, Holder>,
  ground: Ground,
): Candidate[] {
  const alike = new Map<string, number>();
  return spots.flatMap((spot) => {
    if (keptOut(plan, spot.place) !== '') return [];
    const holder = holders.get(spot.place.id)!;
    const key = JSON.stringify(holder);
    let no = alike.get(key);
    if (no === undefined) alike.set(key, (no = alike.size));
    return [
      { spot, site: ground.siteOf(spot.place.id), placeId: spot.place.id, holder, alike: no, forWork: isForWork(spot) },
    ];
  });
}

/** Room is worth so much where two ways of keeping a thing are weighed, s a year for a whole place (own assumption). */
const WHOLE_PLACE = 600;

/**
 * The ways a supply may be kept: as it is, and as the maker allows besides. Another way holds for all there is of it, so that only what has no reserve is
 * kept otherwise.
 */
export function formsOf(plan: Plan, supply: Supply, share: Share): Supply[] {
  if (share !== 'working' || supply.backstock > 0) return [supply];
  const bare = wayOf(plan, supply, 'packaging') === 'off' ? (kindOf(supply.kind)?.keeps ?? []) : [];
  const forms = [...supply.mayKeep, ...bare.filter((f) => f === 'edge' || f === 'loose')];
  return [
    supply,
    ...[...new Set(forms)].filter((form) => form !== supply.storage).map((storage) => ({ ...supply, storage })),
  ];
}

/** Where a lot may live: places it goes into, that those who fetch it reach and nothing forbids; kept in the way that is best there. */
export function optionsOf(
  plan: Plan,
  forms: readonly Supply[],
  share: Share,
  count: number,
  uses: readonly YearlyUse[] | undefined,
  candidates: readonly Candidate[],
  ground: Ground,
  today: string | undefined,
): {
  options: { place: string; cost: number; use: number }[];
  keptAs: ReadonlyMap<string, Supply>;
  ledger: Ledger;
} {
  const options: { place: string; cost: number; use: number }[] = [];
  const keptAs = new Map<string, Supply>();
  const [supply] = forms as readonly [Supply, ...Supply[]];
  const part = uses ? 1 : count / amountOf(supply, share);
  const all = uses ?? yearlyUses(plan, supply, share);
  const costs = forms.map((form) => ground.costs(form, share, all, part));
  const ledger: Ledger = { forms, uses: all, part, costs, options: [] };
  const move = MOVE_ONCE * weightOf(plan, 'weighMoving');
  const fits: (number | null | undefined)[][] = forms.map(() => []);
  for (const { spot, placeId, site, holder, alike, forWork } of candidates) {
    if (forWork && today !== placeId && !standsOut(plan, supply, spot.unit.id)) continue;
    let best: { cost: number; use: number; worth: number; form: number } | null = null;
    for (const [f, form] of forms.entries()) {
      let use = fits[f]![alike];
      if (use === undefined) {
        const fit = fitOf(holder, form, count);
        fits[f]![alike] = use = fit.ok ? fit.use : null;
      }
      if (use === null) continue;
      const seconds = costs[f]!(site);
      if (seconds === Infinity) continue;
      const worth = forms.length === 1 ? seconds : seconds + (WHOLE_PLACE * use) / Math.max(1e-9, capacityOf(holder));
      if (!best || worth < best.worth) best = { cost: seconds, use, worth, form: f };
    }
    if (!best) continue;
    const moving = today !== undefined && today !== placeId ? move : 0;
    options.push({ place: placeId, cost: round(best.cost + moving), use: best.use });
    ledger.options.push({ site, form: best.form, moving });
    if (best.form > 0) keptAs.set(placeId, forms[best.form]!);
  }
  return { options, keptAs, ledger };
}
