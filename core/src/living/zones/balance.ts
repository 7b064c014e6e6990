import { NATURES, type Nature, type PlaceKind } from '../../record/catalogue/index.ts';
import { kindOf } from '../../things/kinds/index.ts';
import { capacityOf, fitOf, type Holder, holderOf, standingIn, STORAGE } from '../../things/fit/index.ts';
import {
  natureOf,
  homesOf,
  countIn,
  type Place,
  type Plan,
  OWN_SHARES,
  type Supply,
  zoneOf,
  zonesOf,
} from '../../record/plan/index.ts';

/** What a zone's things need against what its places offer, in the measure of one nature of holding. */
export type Balance = { nature: Nature; needs: number; offers: number };

/**
 * An ordinary place of each nature, in which things without a home are measured: a shelf, a drawer, a bin, a sheet drawer, a binder (common
 * practice, no source). Millimetres.
 */
const ORDINARY: Record<Nature, Holder> = {
  row: { kind: 'shelf', nature: 'row', width: 800, depth: 300, height: 330, pockets: 0 },
  area: { kind: 'drawer', nature: 'area', width: 600, depth: 450, height: 110, pockets: 0 },
  bulk: { kind: 'container', nature: 'bulk', width: 300, depth: 400, height: 250, pockets: 0 },
  pile: { kind: 'sheetDrawer', nature: 'pile', width: 1000, depth: 720, height: 70, pockets: 0 },
  pockets: { kind: 'container', nature: 'pockets', width: 320, depth: 60, height: 310, pockets: 50 },
};

/** A zone is short of a nature from so much on, as a share of what it needs, and of an ordinary place (own assumptions: measures are not that exact, and what a handful takes finds room). */
const SHORT = 0.15;
const HANDFUL = 0.1;

/** Whether a zone offers less than it needs, by more than a handful. */
export const isShort = ({ nature, needs, offers }: Balance): boolean =>
  needs > offers * (1 + SHORT) && needs - offers > HANDFUL * capacityOf(ORDINARY[nature]);

/** What hangs is measured on a row of hooks (common practice, no source). Millimetres. */
const HOOKS: Holder = { kind: 'hook', nature: 'row', width: 1000, depth: 120, height: 900, pockets: 0 };

/** The nature a thing of some form wants first, and what does where that will not (common practice, no source). */
const WANTED: Partial<Record<Supply['form'], readonly Nature[]>> = {
  sheet: ['pile', 'area', 'row'],
  pocket: ['pile', 'area', 'row'],
  loose: ['bulk', 'area', 'row'],
  soft: ['row', 'area', 'bulk'],
  machine: ['row', 'area', 'bulk'],
  long: ['row', 'area', 'bulk'],
};

/** Ordinary places in which a thing is measured, the best first: as it is kept, as its kind is kept, as its form is. */
function ordinaryFor(supply: Supply): Holder[] {
  if (supply.storage === 'hanging' || supply.lies.every((way) => way === 'hanging')) return [HOOKS];
  const natures =
    supply.storage === 'asBought'
      ? (kindOf(supply.kind)?.natures ?? WANTED[supply.form] ?? ['area', 'row', 'bulk'])
      : STORAGE[supply.storage].natures;
  return [...natures.map((nature) => ORDINARY[nature]), ORDINARY.row];
}

/** What so many of a supply need, in the measure of a nature, in places of some kind. */
export type Need = { nature: Nature; kind: PlaceKind; amount: number };

/** Tops are no room to keep things in: worktops are for work, and what stands on other tops stands there for want of room (common practice). */
export const isTop = (place: Pick<Place, 'kind'>): boolean => place.kind === 'top';

/**
 * What so many of a supply need: in the place they live in, else (also from a top) in the one they want. Null: not measured, or it goes nowhere
 * ordinary.
 */
export function needOf(supply: Supply, count: number, home: Place | undefined): Need | null {
  if (home && !isTop(home)) {
    const here = fitOf(holderOf(home), supply, count);
    if (here.ok) return { nature: natureOf(home), kind: home.kind, amount: here.use };
  }
  for (const holder of ordinaryFor(supply)) {
    const { nature, kind } = holder;
    const all = fitOf(holder, supply, count);
    if (all.ok) return { nature, kind, amount: all.use };
    // more than go into one: as many such places as it takes
    if (all.fits > 0) {
      const one = fitOf(holder, supply, all.fits);
      if (one.ok) return { nature, kind, amount: (one.use * count) / all.fits };
    }
  }
  return null;
}

/** What a place offers beside the containers that stand in it, in its measure; a top offers nothing. */
export function offerOf(plan: Plan, place: Place): number {
  if (isTop(place)) return 0;
  const holder = holderOf(place);
  const all = capacityOf(holder);
  const standing = standingIn(plan, place.id);
  if (standing.length === 0) return all;
  if (holder.nature === 'row') return Math.max(0, all - widthTaken(standing));
  const share = standing.reduce((sum, s) => sum + s.width * s.depth, 0) / (holder.width * holder.depth);
  return all * Math.max(0, 1 - share);
}

function widthTaken(standing: readonly { left: number; width: number }[]): number {
  let taken = 0;
  let at = 0;
  for (const s of [...standing].sort((a, b) => a.left - b.left)) {
    taken += Math.max(0, s.left + s.width - Math.max(at, s.left));
    at = Math.max(at, s.left + s.width);
  }
  return taken;
}

/**
 * Balance of every zone, by nature: what belongs to it, with room to grow, against what is kept for it. What belongs to two zones counts half in each.
 * Natures that are neither needed nor offered are left out.
 */
export function balanceOf(plan: Plan): Map<string, Balance[]> {
  const out = new Map(Object.keys(plan.zones).map((id) => [id, new Map<Nature, Balance>()]));
  const of = (zoneId: string, nature: Nature): Balance | undefined => {
    const zone = out.get(zoneId);
    let balance = zone?.get(nature);
    if (zone && !balance) zone.set(nature, (balance = { nature, needs: 0, offers: 0 }));
    return balance;
  };
  const grown = 1 / (1 - plan.head.growth);
  for (const supply of Object.values(plan.supplies)) {
    const zones = zonesOf(plan, supply);
    if (zones.size === 0) continue;
    for (const share of OWN_SHARES)
      for (const { nature, amount } of needsOf(plan, supply, share))
        for (const zone of zones) {
          const balance = of(zone, nature);
          if (balance) balance.needs += (amount * grown) / zones.size;
        }
  }
  for (const place of Object.values(plan.places)) {
    const zone = zoneOf(plan, place);
    const balance = zone === null || place.keptOut !== '' || isTop(place) ? undefined : of(zone, natureOf(place));
    if (balance) balance.offers += offerOf(plan, place);
  }
  return new Map(
    [...out].map(([id, by]) => [
      id,
      NATURES.flatMap((n) => by.get(n) ?? []).filter((b) => b.needs > 0 || b.offers > 0),
    ]),
  );
}

/** What a share needs, home by home. */
function needsOf(plan: Plan, supply: Supply, share: (typeof OWN_SHARES)[number]): { nature: Nature; amount: number }[] {
  if (supply[share] === 0) return [];
  const homes = homesOf(plan, supply.id, share);
  const parts =
    homes.length > 0
      ? homes.map((h) => ({ count: countIn(plan, h, supply), place: plan.places[h.placeId] }))
      : [{ count: supply[share], place: undefined }];
  return parts.flatMap(({ count, place }) => (count > 0 ? (needOf(supply, count, place) ?? []) : []));
}
