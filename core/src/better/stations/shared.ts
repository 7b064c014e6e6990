import { fitOf, holderOf, stowageWith } from '../../things/fit/index.ts';
import { assessHomes, childAt, placeFilling, yearlyUses } from '../../living/homes/index.ts';
import {
  apply,
  type Command,
  homesIn,
  homesOf,
  type Plan,
  type Station,
  type Supply,
} from '../../record/plan/index.ts';
import { fetchFrom, handlingOf, makerOf, sceneAt, sceneOf } from '../../space/reach/index.ts';

/** Where one tool would lie best, and what fetching it there costs, s a year. */
export type Spotting = { placeId: string; seconds: number };

/** A tool that several stations reach for: where it lies, where one would lie best, and what one each would save. */
export type SharedTool = {
  supply: Supply;
  stations: Station[];
  /** seconds a year as it lies today; null without a home or out of somebody’s reach */
  today: number | null;
  /** the best place for one tool between them; null when none suits all */
  between: Spotting | null;
  /** the best place for each, in the order of the stations; null when one of them finds none */
  each: Spotting[] | null;
  /** seconds a year of the whole plan that one each saves against one where it lies best between them; 0 where it cannot be done */
  saves: number;
  /** how many more must be bought for one each */
  buy: number;
};

/** Below this nobody buys a second one, s a year (own assumption: ten minutes). */
export const WORTH = 600;

/** So many tools at most are worked out on the whole plan, those first that promise most. */
const WORKED_OUT = 24;

/**
 * Tools that two or more stations reach for and put back, those first where one each saves most. What one each saves is worked out as the
 * plans themselves will be judged: the whole plan with one between them against the whole plan with one each.
 */
export function sharedTools(plan: Plan): SharedTool[] {
  const tools = Object.values(plan.supplies)
    .flatMap((supply) => sharedTool(plan, supply) ?? [])
    .sort(byWorth);
  let now: number | null = null;
  const asItIs = () => (now ??= assessHomes(plan).seconds);
  return tools
    .map((tool, i) => ({ ...tool, saves: i < WORKED_OUT && tool.saves > 0 ? savingOf(plan, tool, asItIs) : 0 }))
    .sort(byWorth);
}

const byWorth = (a: SharedTool, b: SharedTool) => b.saves - a.saves || (a.supply.id < b.supply.id ? -1 : 1);

/** Seconds a year by which the plan with one each is better than the plan with one between them. */
function savingOf(plan: Plan, tool: SharedTool, asItIs: () => number): number {
  const ids = tool.stations.slice(1).map((_, i) => `each-${i}`);
  const each = oneEachCommand(plan, tool, ids, SOME_DAY);
  const one = betweenCommand(tool, plan, SOME_DAY);
  const [a, b] = [one, each].map((command) => {
    const done = command ? apply(plan, command) : null;
    return done?.ok ? assessHomes(done.plan).seconds : null;
  });
  if (b === null || b === undefined) return 0;
  return Math.max(0, (a ?? asItIs()) - b);
}

/** A day for homes that are only tried. */
const SOME_DAY = '2000-01-01';

/** Puts one tool where it lies best between its stations; null where it lies there already, is pinned, or there is no such place. */
export function betweenCommand({ supply, between, today }: SharedTool, plan: Plan, since: string): Command | null {
  const homes = homesOf(plan, supply.id, 'working');
  const there = homes.length === 1 && homes[0]!.placeId === between?.placeId;
  if (!between || homes.some((h) => h.pinned) || there || (today !== null && today <= between.seconds)) return null;
  return { type: 'assignHome', supplyId: supply.id, share: 'working', placeId: between.placeId, since };
}

/** One supply as a tool that several stations share; null when it is none. `saves` is a first estimate. */
export function sharedTool(plan: Plan, supply: Supply): SharedTool | null {
  if (supply.working === 0 || supply.form === 'sheet') return null;
  const uses = yearlyUses(plan, supply, 'working').filter((u) => u.fetches > 0 && !u.consumed);
  if (uses.length < 2) return null;
  const cost = new Map<string, number[]>();
  for (const [id, spot] of sceneOf(plan).spots) {
    const home = homesOf(plan, supply.id, 'working').some((h) => h.placeId === id);
    if (!home && !roomFor(plan, supply, id)) continue;
    if (spot.away || childAt(plan, supply, spot)) continue;
    const kinds = homesIn(plan, id).length + (home ? 0 : 1);
    cost.set(
      id,
      uses.map((u) => {
        const maker = makerOf(plan, u.station);
        if (!maker) return Infinity;
        const scene = sceneAt(plan, u.station);
        const fetch = fetchFrom(scene, maker, scene.spots.get(id)!, handlingOf(supply, kinds, false));
        return fetch.ok ? fetch.seconds * u.fetches : Infinity;
      }),
    );
  }
  const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0);
  const now = homesOf(plan, supply.id, 'working');
  const todays = now.length === 1 ? cost.get(now[0]!.placeId) : undefined;
  const today = todays && Number.isFinite(sum(todays)) ? sum(todays) : null;
  let between: Spotting | null = null;
  const each: (Spotting | null)[] = uses.map(() => null);
  for (const [placeId, list] of cost) {
    const all = sum(list);
    if (Number.isFinite(all) && (!between || all < between.seconds)) between = { placeId, seconds: all };
    list.forEach((seconds, i) => {
      if (Number.isFinite(seconds) && seconds < (each[i]?.seconds ?? Infinity)) each[i] = { placeId, seconds };
    });
  }
  const apart = each.every((e) => e !== null) ? (each as Spotting[]) : null;
  const one = Math.min(between?.seconds ?? Infinity, today ?? Infinity);
  return {
    supply,
    stations: uses.map((u) => u.station),
    today,
    between,
    each: apart,
    saves: apart && Number.isFinite(one) ? Math.max(0, one - sum(apart.map((e) => e.seconds))) : 0,
    buy: Math.max(0, uses.length - supply.working),
  };
}

/** Whether one more of a supply goes into a place beside what lies there. */
function roomFor(plan: Plan, supply: Supply, placeId: string): boolean {
  const place = plan.places[placeId]!;
  if (place.kind === 'top' || !fitOf(holderOf(place), supply, 1).ok) return false;
  if (placeFilling(plan, place).mass + supply.mass > place.load) return false;
  return stowageWith(plan, place, supply, 'working', 1).things.every((t) => t.over === 0);
}

/**
 * One each instead of one between them: every station but the first gets a supply of its own with its uses, each lies where it is nearest
 * to hand. Null when that cannot be done.
 * @param newIds as many ids for new supplies as there are stations but one
 * @param since ISO date
 */
export function oneEachCommand(plan: Plan, tool: SharedTool, newIds: readonly string[], since: string): Command | null {
  const { supply, stations, each } = tool;
  if (!each) return null;
  const activities = [...new Set(stations.map((s) => s.activityId))];
  // stations of one activity cannot be told apart by its uses
  if (activities.length < 2 || newIds.length < activities.length - 1) return null;
  const best = (activityId: string) => each[stations.findIndex((s) => s.activityId === activityId)]!;
  const own = Math.max(1, Math.floor(supply.working / activities.length));
  const commands: Command[] = [];
  for (const [i, activityId] of activities.slice(1).entries()) {
    const id = newIds[i]!;
    const activity = plan.activities[activityId]!;
    const copy = { ...supply, id, name: `${supply.name} (${activity.name})`.slice(0, 120), working: own, backstock: 0 };
    const use = Object.values(plan.uses).find((u) => u.activityId === activityId && u.supplyId === supply.id)!;
    commands.push(
      { type: 'addSupplies', supplies: [copy] },
      { type: 'removeUse', id: use.id },
      { type: 'addUse', use: { ...use, id: `${activityId}-${id}`.slice(0, 80), supplyId: id } },
      { type: 'assignHome', supplyId: id, share: 'working', placeId: best(activityId).placeId, since },
    );
  }
  const left = Math.max(1, supply.working - own * (activities.length - 1));
  commands.push({ type: 'setSupply', id: supply.id, set: { working: left } });
  if (!homesOf(plan, supply.id, 'working').some((h) => h.pinned))
    commands.push({
      type: 'assignHome',
      supplyId: supply.id,
      share: 'working',
      placeId: best(activities[0]!).placeId,
      since,
    });
  return { type: 'several', words: `one ${supply.name} each`.slice(0, 120), commands } as Command;
}
