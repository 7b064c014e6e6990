import { contentsBySeason, fitOf, holderOf, standingMass, stow, type Thing } from '../../things/fit/index.ts';
import { factsOf } from '../../record/catalogue/index.ts';
import {
  amountOf,
  type Command,
  homesIn,
  homesOf,
  type Place,
  type Plan,
  type Share,
  shareMonths,
  type Supply,
} from '../../record/plan/index.ts';
import { apartIn } from '../concepts/index.ts';
import { againPlaces } from './again.ts';
import { keptOut } from './barred.ts';
import { costOfHome } from './cost.ts';
import { type HomeCost, ownStates } from './own-cost.ts';
import { besidesNow } from './visits.ts';
import { costWithoutHome, familyOf, spreadOf } from './tally.ts';
import { rowOf } from './rows.ts';

/** A place a share could live in, with what it would cost there a year, and what being away from its family and finding things again costs besides, s. */
export type Option = { place: Place; cost: HomeCost; apart: number; again: number };

/** What a place costs a year in all, as it is weighed. */
const inAll = ({ cost, apart, again }: Omit<Option, 'place'>): number => cost.weighed + apart + again;

const byFamily = new WeakMap<Plan, Map<string, { placeId: string; supplyId: string }[]>>();
/** Homes of what is at hand, by family; worked out once for a plan. */
function homesByFamily(plan: Plan) {
  let known = byFamily.get(plan);
  if (!known) {
    byFamily.set(plan, (known = new Map()));
    for (const { share, supplyId, placeId } of Object.values(plan.homes)) {
      const supply = plan.supplies[supplyId];
      const family = share === 'working' && supply ? familyOf(plan, supply) : null;
      if (family === null) continue;
      const list = known.get(family);
      if (list) list.push({ placeId, supplyId });
      else known.set(family, [{ placeId, supplyId }]);
    }
  }
  return known;
}

/** Where the others of its family live; what it costs a year to lie in none of these places, s. */
export function familyPlaces(plan: Plan, supply: Supply, share: Share): (placeId: string) => number {
  const family = share === 'working' ? familyOf(plan, supply) : null;
  const others = (family === null ? undefined : homesByFamily(plan).get(family)) ?? [];
  const rows = new Set(others.filter((o) => o.supplyId !== supply.id).map((o) => rowOf(plan, o.placeId)));
  const spread = rows.size === 0 ? 0 : spreadOf(plan, supply);
  return (placeId) => (rows.has(rowOf(plan, placeId)) ? 0 : spread);
}

/** Something that makes room and where it goes. */
export type Displaced = { supply: Supply; share: Share; from: string; to: string; seconds: number };

/** A share put into a place, with what must move for that and what it all changes, s a year (less than none: better). */
export type Refit = { place: Place; cost: HomeCost; change: number; displaced: Displaced[]; command: Command };

/** Places a thing that makes room is tried in, the cheapest first. */
const TRIED = 25;
/** Among more supplies the list of a thing’s places leaves finding again out: a screen waits for it. */
const MOST_TOLD = 800;
/** Things that are asked to make room, those cheapest to move first. */
const ASKED = 8;

/**
 * Every place a share goes into by itself, those who fetch it reach, and nothing forbids; the cheapest first.
 * @param told whether finding again is counted: among very many things it takes a while
 */
export function optionsFor(
  plan: Plan,
  supply: Supply,
  share: Share,
  told = Object.keys(plan.supplies).length <= MOST_TOLD,
): Option[] {
  const now = homesOf(plan, supply.id, share).map((h) => h.placeId);
  const apart = familyPlaces(plan, supply, share);
  const again = told ? againPlaces(plan, supply, share) : () => 0;
  const out: Option[] = [];
  for (const place of Object.values(plan.places)) {
    if (!now.includes(place.id)) {
      if (keptOut(plan, place) !== '' || !goesBeside(plan, supply, place)) continue;
      const unit = plan.units[place.unitId];
      if (place.kind === 'top' && unit && factsOf(unit.kind).worktop) continue;
    }
    const alone = fitOf(holderOf(place), supply, amountOf(supply, share));
    // what is not measured yet may go in
    if (!alone.ok && alone.reason !== 'not measured yet') continue;
    const cost = costOfHome(plan, supply, share, place.id);
    if (cost && Number.isFinite(cost.seconds))
      out.push({ place, cost, apart: apart(place.id), again: again(place.id) });
  }
  return out.sort((a, b) => inAll(a) - inAll(b) || (a.place.id < b.place.id ? -1 : 1));
}

/** Whether nothing lies in a place that a thing must be apart from. */
const goesBeside = (plan: Plan, supply: Supply, place: Place): boolean =>
  homesIn(plan, place.id).every((h) => {
    const other = plan.supplies[h.supplyId];
    return !other || other.id === supply.id || apartIn(plan, place, supply, other) === null;
  });

/** What lies in a place when some are gone and some have come, laid for real in each of these months (null: all): ids of what finds no room. */
function overIn(
  plan: Plan,
  placeId: string,
  without: ReadonlySet<string>,
  more: readonly Thing[],
  months: readonly number[] | null,
): string[] {
  const place = plan.places[placeId]!;
  const own = standingMass(plan, place);
  return contentsBySeason(plan, placeId, months).flatMap(({ things, standing, boxes }) => {
    const stay = things.filter((t) => !without.has(t.id));
    const laid = stow(holderOf(place), { things: [...stay, ...more], standing, boxes }).things;
    const mass = [...stay, ...more].reduce((s, t) => s + t.count * t.supply.mass, 0);
    const heavy = own + mass > place.load + 1e-6 && more.length > 0 ? [more[more.length - 1]!.id] : [];
    return [...laid.filter((t) => t.over > 0 || !t.alone.ok).map((t) => t.id), ...heavy];
  });
}

/** What a share costs where it is, s a year, as it is weighed; what has no home that works counts as what that is set at. */
function costNow(plan: Plan, supply: Supply, share: Share): number {
  const apart = familyPlaces(plan, supply, share);
  const again = againPlaces(plan, supply, share);
  return ownStates(plan, supply, share).reduce(
    (sum, { cost, place, count }) =>
      sum +
      (place && cost?.reason === null
        ? cost.weighed + apart(place.id) + again(place.id)
        : (costWithoutHome(plan, supply, share) * count) / amountOf(supply, share)),
    besidesNow(plan, supply, share),
  );
}

/**
 * A share put into a place, with the cheapest re-fit around it: of what lies there as few as possible, and of those the cheapest, make room, each to
 * the best place with room for it.
 * @param most things that may move for it
 * @returns null when that many do not make enough room, or it must be apart from something there
 */
export function refitAround(
  plan: Plan,
  supply: Supply,
  share: Share,
  placeId: string,
  since: string,
  most = 2,
): Refit | null {
  const place = plan.places[placeId];
  const cost = place && costOfHome(plan, supply, share, placeId);
  if (!place || !cost || !Number.isFinite(cost.seconds) || !goesBeside(plan, supply, place)) return null;
  const coming: Thing = { id: 'coming', supply, count: amountOf(supply, share) };
  const own = new Set(homesOf(plan, supply.id, share).map((h) => h.id));
  const before = costNow(plan, supply, share);
  const there = cost.weighed + familyPlaces(plan, supply, share)(placeId) + againPlaces(plan, supply, share)(placeId);
  const give: Command = { type: 'assignHome', supplyId: supply.id, share, placeId, since };
  const months = shareMonths(plan, supply, share);
  const room = (gone: readonly string[]) =>
    overIn(plan, placeId, new Set([...own, ...gone]), [coming], months).length === 0;
  if (room([])) return { place, cost, change: there - before, displaced: [], command: give };
  if (most === 0 || !fitOf(holderOf(place), supply, amountOf(supply, share)).ok) return null;
  const movable = homesIn(plan, placeId).flatMap((home) => {
    const other = plan.supplies[home.supplyId];
    if (!other || home.pinned || own.has(home.id) || homesOf(plan, other.id, home.share).length > 1) return [];
    const to = nextHome(plan, other, home.share, placeId);
    return to ? [{ home, other, ...to }] : [];
  });
  movable.sort((a, b) => a.change - b.change || (a.home.id < b.home.id ? -1 : 1));
  const asked = movable.slice(0, ASKED);
  let best: (typeof movable)[number][] | null = null;
  const sum = (list: typeof movable) => list.reduce((s, m) => s + m.change, 0);
  for (const one of asked) if (room([one.home.id]) && (!best || sum([one]) < sum(best))) best = [one];
  if (!best && most > 1)
    for (const [i, a] of asked.entries())
      for (const b of asked.slice(i + 1)) {
        // two to one place may not find room together: each has looked by itself
        if (a.to.id === b.to.id) continue;
        if ((!best || sum([a, b]) < sum(best)) && room([a.home.id, b.home.id])) best = [a, b];
      }
  if (!best) return null;
  return {
    place,
    cost,
    change: there - before + sum(best),
    displaced: best.map((m) => ({
      supply: m.other,
      share: m.home.share,
      from: placeId,
      to: m.to.id,
      seconds: m.change,
    })),
    command: {
      type: 'several',
      words: `give ${supply.name} a home`,
      commands: [
        ...best.map((m) => ({
          type: 'assignHome' as const,
          supplyId: m.other.id,
          share: m.home.share,
          placeId: m.to.id,
          since,
        })),
        give,
      ] as never,
    },
  };
}

/** The cheapest place but one with room for a share, and what going there changes, s a year. */
function nextHome(plan: Plan, supply: Supply, share: Share, but: string): { to: Place; change: number } | null {
  const now = costNow(plan, supply, share);
  const again = againPlaces(plan, supply, share);
  const nearest = optionsFor(plan, supply, share, false)
    .filter((o) => o.place.id !== but)
    .slice(0, TRIED)
    .map((o) => ({ ...o, again: again(o.place.id) }))
    .sort((a, b) => inAll(a) - inAll(b) || (a.place.id < b.place.id ? -1 : 1));
  for (const option of nearest) {
    const { place } = option;
    const thing: Thing = { id: 'coming', supply, count: amountOf(supply, share) };
    if (overIn(plan, place.id, new Set(), [thing], shareMonths(plan, supply, share)).length === 0)
      return { to: place, change: inAll(option) - now };
  }
  return null;
}

/**
 * The best places for one share as everything lies now: without anything else moving, or with up to so many things making room. What is the better of
 * the two for a place is given once.
 */
export function bestPlacesFor(plan: Plan, supply: Supply, share: Share, since: string, count = 3, most = 0): Refit[] {
  const steps = bestPlacesStep(plan, supply, share, since, count, most);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** The same in steps, a place at a time, so that a caller can breathe. */
export function* bestPlacesStep(
  plan: Plan,
  supply: Supply,
  share: Share,
  since: string,
  count = 3,
  most = 0,
): Generator<void, Refit[]> {
  const now = homesOf(plan, supply.id, share);
  const before = costNow(plan, supply, share);
  const found: Refit[] = [];
  for (const option of optionsFor(plan, supply, share)) {
    const { place } = option;
    if (now.length === 1 && now[0]!.placeId === place.id) continue;
    // the rest are dearer already than what was found: others making room only adds to it
    if (found.length >= count && inAll(option) - before >= found.at(-1)!.change) break;
    const refit = refitAround(plan, supply, share, place.id, since, most);
    yield;
    if (!refit) continue;
    found.push(refit);
    found.sort((a, b) => a.change - b.change);
    if (found.length > count) found.pop();
  }
  return found;
}
