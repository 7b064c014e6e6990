import { AREA_SHARE, capacityOf, type Holder, holderOf, stowageOf, fitOf } from '../../things/fit/index.ts';
import { factsOf } from '../../record/catalogue/index.ts';
import { kindOf } from '../../things/kinds/index.ts';
import {
  amountOf,
  countIn,
  type Home,
  homesOf,
  isLeaving,
  type Plan,
  type Share,
  OWN_SHARES,
  type Supply,
} from '../../record/plan/index.ts';
import { sceneOf, type Spot } from '../../space/reach/index.ts';
import { type Homes, type SlottingProblem } from '../slotting/index.ts';
import { decisionOf, standsOut } from './arranged.ts';
import { barredFrom, keptOut, mayBeBarred } from './barred.ts';
import { bringingCharges, type Brought, type Charge, visitCharges } from './charges.ts';
import { loadBeforeSag, loadsLeft } from './bearing.ts';
import { Ground } from './ground.ts';
import { needOf } from './need.ts';
import { lookSpreads } from './look-spread.ts';
import { rowsAmong } from './rows.ts';
import { mayGo, type Sorts, sortsOf } from './mixing.ts';
import { periodsOfYear } from './periods.ts';
import { costWithoutHome, familyOf, heldIn, SEASON_CHANGE, SPLIT, spreadOf } from './tally.ts';
import { yearlyUses, type YearlyUse } from './uses.ts';
import { growthIn, wayOf, weightOf } from './weights.ts';

/**
 * Moving a share from today’s home, s, set against a year: carrying it and settling it in (45), and being looked for where it was until the hand knows
 * better (155: three fetches in doubt; own assumptions).
 */
export const MOVE_ONCE = 200;
/** A board that is seen to sag, s a year: more than any way saved, less than a child’s or a back’s safety (own assumption). */
export const SAG = 1500;
/** No share is split into more parts than this. */
const MOST_PARTS = 24;

/** One lot: a share of a supply, or a part of it. */
export type Lot = {
  supply: Supply;
  share: Share;
  count: number;
  /** periods in which it is there, one bit each */
  periods: number;
};

/** A plan as a slotting problem before it is said how much of each place's room may be used. */
export type Translation = {
  lots: (Omit<SlottingProblem['lots'][number], 'options'> & {
    options: { place: string; cost: number; use: number }[];
  })[];
  families: SlottingProblem['families'];
  /** places that are one place to a family */
  rows: readonly (readonly string[])[];
  charges: Charge[];
  /** how many periods the year has */
  periods: number;
  /** what each lot is */
  lotOf: ReadonlyMap<string, Lot>;
  /** by lot and place: the supply kept in another way than today’s, where that makes the better home there */
  keptAs: ReadonlyMap<string, ReadonlyMap<string, Supply>>;
  /** homes that are no lot and stay: ids */
  stays: ReadonlySet<string>;
  /**
   * by place id, in order, in the measure of its nature: the most it may hold, what pins and boxes take of it, what today's movable homes take; load left by
   * what it is rated for, and from what load on its board is seen to sag, g
   */
  places: ReadonlyMap<
    string,
    { most: number; fixed: number; today: number; load: number; sagFrom: number; target: number }
  >;
  /** today's homes that work, those that matter most first */
  today: Homes;
  /** how the costs come about, so that they can be worked out anew where furniture is moved */
  ground: Ground;
  ledger: Ledger[];
  /** by family: what every further place of it costs besides in looks that go wrong, about; the engine’s stand-in for the exact measure, s a year */
  lookSpread: ReadonlyMap<string, number>;
  /** what lots and what stays can be called by, and what must be apart */
  sorts: Sorts;
  /** of the first charges: which container is brought to whom; the others are visits */
  brought: Brought[];
};

/** How the costs of a lot’s options come about: who fetches it how often, and what of each option is besides. */
export type Ledger = {
  forms: readonly Supply[];
  uses: readonly YearlyUse[];
  part: number;
  /** by form: cost in a place, by its number on the ground */
  costs: ((site: number) => number)[];
  /** of each option: its place on the ground, the form it is kept in, moving there once */
  options: { site: number; form: number; moving: number }[];
};

/** How many kinds show in a place as full as it should be: so much of it an average kind takes (own assumption). */
export function usualKinds(holder: Holder): number {
  const each = { row: 120, area: 120 * 90, bulk: 1, pile: 12, pockets: 3 }[holder.nature];
  return Math.max(1, Math.min(12, Math.round(capacityOf(holder) / each)));
}

/**
 * Translates a plan: one lot for every share with a count, or for each of its parts where it is in several homes or goes into no place whole; costs
 * in seconds a year, use in the measure of each place. What is pinned, or has a home and could go nowhere else (not measured yet, say), is no lot
 * and takes its room; so is what its maker has arranged (a packed box, a laid row, a place labelled for good). Yields after each supply, so that a
 * caller can breathe.
 * @param undone key of a decision that is taken back for once
 */
export function* translating(plan: Plan, undone: string | null = null): Generator<void, Translation> {
  const staysAt = (home: Home): boolean => {
    const decision = home.pinned ? null : decisionOf(plan, home);
    return home.pinned || (decision !== null && decision.key !== undone);
  };
  const scene = sceneOf(plan);
  const spots = [...scene.spots.values()].sort((a, b) => (a.place.id < b.place.id ? -1 : 1));
  const holders = new Map(spots.map(({ place }) => [place.id, holderOf(plan.places[place.id]!)]));
  const places = new Map(
    spots.map(({ place }) => {
      const holder = holders.get(place.id)!;
      const { used, things } = stowageOf(plan, plan.places[place.id]!);
      // containers and boxes are there already: what is left is packed for real in the end
      const taken = used - things.reduce((sum, t) => sum + t.use, 0);
      const free = Math.max(0, capacityOf(holder) - taken);
      const most = taken + free * (holder.nature === 'area' ? AREA_SHARE : 1);
      const target = taken + (most - taken) * (1 - growthIn(plan, plan.places[place.id]!));
      return [place.id, { most, fixed: taken, today: 0, load: 0, sagFrom: 0, target }];
    }),
  );
  // what stands in a place is in the way of a share, what lies there can move
  const standing = new Map([...places].map(([id, p]) => [id, p.fixed]));
  const ground = new Ground(plan, spots, ({ place }) => usualKinds(holders.get(place.id)!));
  const candidates = candidatesOf(plan, spots, holders, ground);
  yield;
  const beside = (id: string) => places.get(id)!.most - standing.get(id)!;
  const [rated, unseen] = [
    loadsLeft(plan, (place) => place.load),
    loadsLeft(plan, (place) => loadBeforeSag(plan, place)),
  ];
  for (const [id, place] of places) {
    place.load = rated.get(id)!;
    place.sagFrom = unseen.get(id)!;
  }
  const stays = new Set<string>();
  const fix = ({ id, placeId }: Home, supply: Supply, count: number) => {
    stays.add(id);
    const place = places.get(placeId);
    if (!place) return;
    const use = fitOf(holders.get(placeId)!, supply, count);
    const unknown = !use.ok && use.reason === 'not measured yet';
    place.fixed += use.ok ? use.use : unknown ? 0 : place.most;
    place.load = Math.max(0, place.load - count * supply.mass);
    place.sagFrom = Math.max(0, place.sagFrom - count * supply.mass);
  };
  const periods = periodsOfYear(plan);
  const lots: Translation['lots'] = [];
  const lotOf = new Map<string, Lot>();
  const keptAs = new Map<string, ReadonlyMap<string, Supply>>();
  const ledger: Ledger[] = [];
  const families = new Map<string, { lots: string[]; spread: number }>();
  const homes = new Map<string, Home>();
  const inFamily = (id: string, lot: string, spread: number) => {
    const family = families.get(id);
    if (family) family.lots.push(lot);
    else families.set(id, { lots: [lot], spread });
  };
  for (const supply of Object.values(plan.supplies).sort((a, b) => (a.id < b.id ? -1 : 1))) {
    for (const share of OWN_SHARES) {
      if (isLeaving(supply)) {
        // what is on its way out lies where it lies until it is gone
        for (const home of homesOf(plan, supply.id, share)) fix(home, supply, countIn(plan, home, supply));
        if (share === 'working')
          for (const home of homesOf(plan, supply.id, 'resting')) fix(home, supply, countIn(plan, home, supply));
        continue;
      }
      for (const home of homesOf(plan, supply.id, share))
        if (staysAt(home)) fix(home, supply, countIn(plan, home, supply));
      const parts = partsOf(plan, supply, share, candidates, beside, staysAt);
      const season = share === 'working' ? periods.wanted(supply) : null;
      const resting = homesOf(plan, supply.id, 'resting');
      const changes =
        season !== null && parts.length === 1 && parts[0]!.count === supply.working && resting.every((h) => !h.pinned);
      for (const [i, { count, home, uses }] of parts.entries()) {
        const forms = parts.length === 1 && !changes ? formsOf(plan, supply, share) : [supply];
        const found = optionsOf(plan, forms, share, count, uses, candidates, ground, home?.placeId);
        const { options } = found;
        // what could go nowhere else stays where it lies
        if (home && options.length === 0) {
          fix(home, supply, count);
          continue;
        }
        const id = parts.length === 1 ? `${supply.id}.${share}` : `${supply.id}.${share}#${i + 1}`;
        lotOf.set(id, { supply, share, count, periods: changes ? season! : periods.all });
        if (found.keptAs.size > 0) keptAs.set(id, found.keptAs);
        if (home) homes.set(id, home);
        const part = count / amountOf(supply, share);
        lots.push({ id, weight: count * supply.mass, leave: costWithoutHome(plan, supply, share) * part, options });
        ledger.push(found.ledger);
        if (parts.length > 1) inFamily(`${supply.id}.${share}`, id, SPLIT);
        const family = share === 'working' ? familyOf(plan, supply) : null;
        if (family !== null) inFamily(`family ${family}`, id, spreadOf(plan, supply));
        if (!changes) continue;
        // where it rests out of its season: where it is in it, or elsewhere at the price of changing over
        const rests = resting[0] ?? home;
        const away = yearlyUses(plan, supply, 'resting');
        const other = optionsOf(plan, [supply], 'resting', count, away, candidates, ground, rests?.placeId);
        if (other.options.length === 0) continue;
        const restId = `${supply.id}.resting`;
        lotOf.set(restId, { supply, share: 'resting', count, periods: periods.all & ~season! });
        if (rests) homes.set(restId, rests);
        const leave = costWithoutHome(plan, supply, 'resting');
        lots.push({ id: restId, weight: count * supply.mass, leave, options: other.options });
        ledger.push(other.ledger);
        inFamily(`season ${supply.id}`, id, SEASON_CHANGE);
        inFamily(`season ${supply.id}`, restId, SEASON_CHANGE);
      }
      if (share === 'working' && !changes) for (const one of resting) fix(one, supply, countIn(plan, one, supply));
    }
    yield;
  }
  const named = lots.map(({ id }) => ({ id, supplyId: lotOf.get(id)!.supply.id }));
  const sorts = sortsOf(plan, named, stays, [...places.keys()]);
  const may = mayGo(sorts);
  for (const [i, lot] of lots.entries()) {
    // an option where something stays that it must be apart from is none, unless it would have none left
    const kept = lot.options.map((o) => may(lot.id, o.place));
    if (!kept.includes(true)) continue;
    lot.options = lot.options.filter((_, k) => kept[k]);
    ledger[i]!.options = ledger[i]!.options.filter((_, k) => kept[k]);
  }
  const today = todaysHomes(plan, periods.count, { lots, lotOf, places, homes });
  const { charges: bringing, brought } = bringingCharges(plan, lots, lotOf);
  const charges = [...bringing, ...visitCharges(plan, { ground, lots, ledger })];
  return {
    ...{ ground, ledger, charges, brought, sorts },
    lookSpread: lookSpreads(
      plan,
      families,
      new Map(lots.map(({ id }, i) => [id, needOf(ledger[i]!.uses, ledger[i]!.part)])),
    ),
    lots,
    periods: periods.count,
    lotOf,
    keptAs,
    stays,
    families: [...families].filter(([, f]) => f.lots.length > 1).map(([id, f]) => ({ id, ...f })),
    rows: rowsAmong(plan, places.keys()),
    places,
    today,
  };
}

/** {@link translating} at once. */
export function translated(plan: Plan): Translation {
  const work = translating(plan);
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}

/** Stations beyond so many do not ask for a part of their own. */
const MOST_STATIONS = 4;

/**
 * A share that several stations use as a part for each, where there are pieces enough: the parts may lie together or each at its station, as it
 * pays. What is used up is parted as it is used, tools evenly.
 */
function byStation(plan: Plan, supply: Supply, share: Share, count: number): { count: number; uses: YearlyUse[] }[] {
  if (share !== 'working') return [];
  const uses = yearlyUses(plan, supply, share);
  const stations = [...new Set(uses.map((u) => u.station))];
  if (stations.length < 2 || stations.length > MOST_STATIONS || count < stations.length) return [];
  const fetched = (station: (typeof stations)[number]) =>
    uses.reduce((sum, u) => sum + (u.station === station ? u.fetches : 0), 0);
  const all = uses.reduce((sum, u) => sum + u.fetches, 0);
  const even = uses.every((u) => !u.consumed);
  stations.sort((a, b) => fetched(b) - fetched(a) || (a.id < b.id ? -1 : 1));
  let left = count;
  return stations.map((station, i) => {
    const behind = stations.length - 1 - i;
    const wanted = even ? Math.round(count / stations.length) : Math.round((count * fetched(station)) / all);
    const mine = behind === 0 ? left : Math.max(1, Math.min(left - behind, wanted));
    left -= mine;
    return { count: mine, uses: uses.filter((u) => u.station === station) };
  });
}

/** So many pieces of a share that move by themselves. */
type Part = {
  count: number;
  home: Home | undefined;
  /** who fetches these, where not everybody who uses the supply does */
  uses?: YearlyUse[];
};

/** How many of so many pieces go into what holds by themselves, and what these take; null: none. */
function someOf(holder: Holder, supply: Supply, count: number): { fits: number; use: number } | null {
  const fit = fitOf(holder, supply, count);
  const most = Math.min(count, fit.fits);
  const some = fit.ok ? fit : most > 0 ? fitOf(holder, supply, most) : fit;
  return some.ok && some.use > 0 ? { fits: most, use: some.use } : null;
}

/**
 * The parts of a share that move by themselves: the whole, wherever it lies today, where some place takes all of it; one for each station where the maker
 * wants a tool at each; else each of today’s homes, or parts as large as go into one place.
 */
function partsOf(
  plan: Plan,
  supply: Supply,
  share: Share,
  candidates: readonly Candidate[],
  free: (placeId: string) => number,
  staysAt: (home: Home) => boolean,
): Part[] {
  const all = homesOf(plan, supply.id, share);
  const homes = all.filter((h) => !staysAt(h));
  const pinned = all.filter((h) => staysAt(h)).reduce((sum, h) => sum + countIn(plan, h, supply), 0);
  const total = amountOf(supply, share) - pinned;
  if (total <= 0) return [];
  const parts: Part[] = [];
  let left = total;
  const room = roomFor(plan, supply, share, candidates, free);
  const oneEach = plan.head.tools === 'oneEach';
  // one thing has one home, but where its maker wants one at each station, or there is no place for all of it
  if (homes.length > 1 && (oneEach || !room(total).whole))
    for (const home of homes) {
      const count = Math.min(left, countIn(plan, home, supply));
      if (count > 0) parts.push({ count, home });
      left -= count;
    }
  if (left === 0) return parts;
  // of several homes that one goes on that holds most
  const [home] = parts.length > 0 ? [] : [...homes].sort((a, b) => countIn(plan, b, supply) - countIn(plan, a, supply));
  if (oneEach && parts.length === 0 && left === amountOf(supply, share)) {
    const each = byStation(plan, supply, share, left);
    if (each.length > 1) return each.map((part) => ({ ...part, home }));
  }
  const { whole, most } = room(left);
  if (whole) return [...parts, { count: left, home }];
  if (most === 0 || Math.ceil(left / most) > MOST_PARTS) return [...parts, { count: left, home }];
  for (; left > 0; left -= most)
    parts.push({ count: Math.min(most, left), home: parts.length === 0 ? home : undefined });
  return parts;
}

/** Whether so many pieces of a share go into any place whole, and how many at most go into one. */
function roomFor(
  plan: Plan,
  supply: Supply,
  share: Share,
  candidates: readonly Candidate[],
  free: (placeId: string) => number,
): (count: number) => { whole: boolean; most: number } {
  const [, ...otherwise] = formsOf(plan, supply, share);
  const barred = mayBeBarred(plan, supply);
  return (count) => {
    // places that are alike hold alike
    const fits: { whole: (number | null)[]; some: { fits: number; use: number } | null }[] = [];
    let most = 0;
    for (const { spot, placeId, holder, alike, forWork } of candidates) {
      if (forWork || (barred && barredFrom(plan, supply, spot) !== null)) continue;
      const room = free(placeId);
      const known = (fits[alike] ??= {
        whole: [supply, ...otherwise].map((form) => {
          const fit = fitOf(holder, form, count);
          return fit.ok ? fit.use : null;
        }),
        some: someOf(holder, supply, count),
      });
      if (known.whole.some((use) => use !== null && use <= room * 1.0001)) return { whole: true, most: count };
      // so many go in beside what stands there
      if (known.some) most = Math.max(most, Math.floor(known.some.fits * Math.min(1, room / known.some.use)));
    }
    return { whole: false, most };
  };
}

/** Today's homes that hold what they are said to, and what they take. */
function todaysHomes(
  plan: Plan,
  periods: number,
  {
    lots,
    lotOf,
    places,
    homes,
  }: Pick<Translation, 'lots' | 'lotOf'> & { places: Map<string, { today: number }>; homes: ReadonlyMap<string, Home> },
): { lot: string; place: string }[] {
  const held = new Set<Home>();
  for (const placeId of new Set([...homes.values()].map((h) => h.placeId)))
    if (places.has(placeId)) for (const home of heldIn(plan, plan.places[placeId]!)) held.add(home);
  const today: { lot: string; place: string; leave: number }[] = [];
  const inPeriods = new Map<string, number[]>();
  for (const lot of lots) {
    const home = homes.get(lot.id);
    const option = home && held.has(home) ? lot.options.find((o) => o.place === home.placeId) : undefined;
    if (!option) continue;
    const used = inPeriods.get(option.place) ?? new Array<number>(periods).fill(0);
    inPeriods.set(option.place, used);
    for (let t = 0; t < periods; t++) if ((lotOf.get(lot.id)!.periods >> t) & 1) used[t]! += option.use;
    today.push({ lot: lot.id, place: option.place, leave: lot.leave });
  }
  for (const [place, used] of inPeriods) places.get(place)!.today = Math.max(...used);
  return today.sort((a, b) => b.leave - a.leave || (a.lot < b.lot ? -1 : 1)).map(({ lot, place }) => ({ lot, place }));
}

const round = (x: number) => Math.round(x * 100) / 100;

/** Nothing is put on a worktop by itself: it is for work. What stands there may stay. */
const isForWork = (spot: Spot) => spot.place.kind === 'top' && factsOf(spot.unit.kind).worktop;

/** A place things may be given a home in, with what is the same for all of them. */
type Candidate = {
  spot: Spot;
  /** its number on the ground */
  site: number;
  placeId: string;
  holder: Holder;
  /** places that are alike hold alike: the same number */
  alike: number;
  forWork: boolean;
};

function candidatesOf(
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
function formsOf(plan: Plan, supply: Supply, share: Share): Supply[] {
  if (share !== 'working' || supply.backstock > 0) return [supply];
  const bare = wayOf(plan, supply, 'packaging') === 'off' ? (kindOf(supply.kind)?.keeps ?? []) : [];
  const forms = [...supply.mayKeep, ...bare.filter((f) => f === 'edge' || f === 'loose')];
  return [
    supply,
    ...[...new Set(forms)].filter((form) => form !== supply.storage).map((storage) => ({ ...supply, storage })),
  ];
}

/** Where a lot may live: places it goes into, that those who fetch it reach and nothing forbids; kept in the way that is best there. */
function optionsOf(
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
