import { type Holder, fitOf } from '../../things/fit/index.ts';
import { amountOf, countIn, type Home, homesOf, type Plan, type Share, type Supply } from '../../record/plan/index.ts';
import { barredFrom, mayBeBarred } from './barred.ts';
import { yearlyUses, type YearlyUse } from './uses.ts';
import { type Candidate, formsOf } from './candidates.ts';

/** No share is split into more parts than this. */
const MOST_PARTS = 24;

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
export function partsOf(
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
