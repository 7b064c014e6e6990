import { nameOfPlace, shelvedAs } from '../concepts/index.ts';
import {
  amountOf,
  countIn,
  type Home,
  homesIn,
  homesOf,
  type Plan,
  readsSame,
  type Share,
  SHARES,
  type Supply,
} from '../../record/plan/index.ts';
import { sceneOf, wayPrice } from '../../space/reach/index.ts';
import { isInView, LOST_THREAD, type Looked, lookSeconds, rememberedWith } from '../recall/index.ts';
import { inUseIn } from '../sessions/index.ts';
import { seatOf } from './errands.ts';
import { FindingAgain } from './finding-again.ts';
import { nameMoreIn, namesOf } from './mixing.ts';
import { type Need, needOf } from './need.ts';
import { yearlyUses } from './uses.ts';
import { weightOf } from './weights.ts';

/** Whether one home is found again. */
export type Again = Need &
  Looked & {
    home: Home;
    /** it lies in view of where it is used: nothing is to be remembered */
    inView: boolean;
    /** looks among places that look the same and say nothing: what labels there would save */
    blind: number;
    /** looking for it once every name is written on its place, s a year */
    year: number;
    /** on top of that until a label is there, s a year */
    unlabelled: number;
  };

/**
 * Looks among so many shut places that say nothing and look the same: in half of the others one looks first, as long as one does not know it by what is fetched there.
 * @param visits fetches a year out of the place
 */
export const blindLooks = (alike: number, visits: number): number =>
  alike <= 1 ? 0 : ((alike - 1) / 2) * (1 - rememberedWith(visits));

export type FoundAgain = { of: ReadonlyMap<string, Again>; looking: FindingAgain };

/** What the measure is worked out from beside the room; it is kept until one of these changes. */
const READS = [
  ...(['head', 'supplies', 'homes', 'places', 'familyAisles', 'uses', 'activities', 'stations'] as const),
  ...(['people', 'looks', 'organisers', 'parkings', 'slopes'] as const),
] as const;
let last: { plan: Plan; scene: object; inUse: object; found: FoundAgain } | null = null;

/** Of every home that is counted whether it is found again: remembered, in view, or looked for; by the names of places as they are. */
export function foundAgainIn(plan: Plan): FoundAgain {
  const scene = sceneOf(plan);
  if (last && last.scene === scene && last.inUse === inUseIn(plan) && readsSame(READS, last.plan, plan))
    return last.found;
  const wanted: { id: string; home: Home; supply: Supply; share: Share; need: Need }[] = [];
  const visits = new Map<string, number>();
  for (const supply of Object.values(plan.supplies))
    for (const share of SHARES) {
      const homes = homesOf(plan, supply.id, share).filter((h) => scene.spots.has(h.placeId));
      for (const home of homes) {
        const need = needAt(plan, home);
        wanted.push({ id: home.id, home, supply, share, need });
        visits.set(home.placeId, (visits.get(home.placeId) ?? 0) + need.fetches);
      }
    }
  const looking = new FindingAgain(plan, wanted, [...scene.spots.keys()]);
  looking.fill(wanted.map(({ id, home }) => ({ lot: id, place: home.placeId })));
  const of = new Map<string, Again>();
  for (const { id, home, need } of wanted) of.set(id, againAt(plan, looking, home, need, visits.get(home.placeId)!));
  const found = { of, looking };
  last = { plan, scene, inUse: inUseIn(plan), found };
  return found;
}

/** Whether one home is found again, as the measure has it. @param visits fetches a year out of its place */
function againAt(plan: Plan, looking: FindingAgain, home: Home, need: Need, visits: number): Again {
  const spot = sceneOf(plan).spots.get(home.placeId)!;
  const seat = need.station ? seatOf(plan, need.station) : null;
  const there = seat?.scene.spots.get(home.placeId);
  const price = seat && there ? wayPrice(seat.scene, seat.maker, there) : null;
  const inView = there !== undefined && isInView(there.place, price);
  const looked = looking.of(home.id);
  const blind = inView ? 0 : blindLooks(spot.alike, visits);
  const unlabelled = blind === 0 || !price ? 0 : need.weight * blind * (lookSeconds(price) + LOST_THREAD);
  const year = inView ? 0 : need.weight * looked.seconds;
  return { ...need, ...looked, home, inView, blind, unlabelled, year };
}

const needAt = (plan: Plan, home: Home): Need => {
  const supply = plan.supplies[home.supplyId]!;
  const part = countIn(plan, home, supply) / Math.max(1, amountOf(supply, home.share));
  return needOf(yearlyUses(plan, supply, home.share), Math.min(1, part));
};

/** The same as {@link foundAgainIn} of one home alone, quickly; with the places that are looked in before its own. Null: it is not counted. */
export function foundAgainOf(
  plan: Plan,
  homeId: string,
): { again: Again; before: { placeId: string; match: number }[] } | null {
  const home = plan.homes[homeId];
  const { spots } = sceneOf(plan);
  if (!home || !plan.supplies[home.supplyId] || !spots.has(home.placeId)) return null;
  const need = needAt(plan, home);
  const one = { id: home.id, supply: plan.supplies[home.supplyId]!, need };
  const looking = new FindingAgain(plan, [one], [...spots.keys()], (id) => nameOfPlace(plan, id));
  looking.fill([{ lot: home.id, place: home.placeId }]);
  const visits = homesIn(plan, home.placeId).reduce((sum, h) => sum + needAt(plan, h).fetches, 0);
  return { again: againAt(plan, looking, home, need, visits), before: looking.before(home.id) };
}

/**
 * How well a plan is found again, over all that is not in view: s a year once names are written on, and what comes on top until they are; looks of what is not
 * remembered, how much of it at the first look.
 */
export function foundAgainSum(plan: Plan): {
  year: number;
  unlabelled: number;
  meanLooks: number;
  atFirstLook: number;
} {
  let [year, unlabelled, looks, first, all] = [0, 0, 0, 0, 0];
  for (const again of foundAgainIn(plan).of.values()) {
    year += again.year;
    unlabelled += again.unlabelled;
    if (again.inView || again.fetches === 0) continue;
    // each thing counts as likely as it is not remembered
    const forgotten = 1 - again.remembered;
    all += forgotten;
    looks += forgotten * again.looks;
    if (again.looks < 1.5) first += forgotten;
  }
  return { year, unlabelled, meanLooks: all > 0 ? looks / all : 1, atFirstLook: all > 0 ? first / all : 1 };
}

let extra: { of: FoundAgain; supply: Supply; share: Share; looking: FindingAgain } | null = null;

/**
 * What living in a place changes in finding things again, against living nowhere: names the place takes more, and looking for this and for all else; as much as finding
 * again counts, s a year.
 */
export function againPlaces(plan: Plan, supply: Supply, share: Share): (placeId: string) => number {
  const weigh = weightOf(plan, 'weighAgain');
  const shelved = shelvedAs(plan, supply.id);
  if (weigh === 0 || !shelved) return () => 0;
  const found = foundAgainIn(plan);
  const homes = homesOf(plan, supply.id, share).filter((h) => found.of.has(h.id));
  let { looking } = found;
  let id = homes[0]?.id;
  if (id === undefined) {
    // a newcomer is looked for like the others from the day it has a home
    if (extra?.of !== found || extra.supply !== supply || extra.share !== share) {
      const wanted = [...found.of.values()].map((a) => ({
        ...{ id: a.home.id, supply: plan.supplies[a.home.supplyId]!, need: a as Need },
      }));
      const newcomer = { id: 'newcomer', supply, need: needOf(yearlyUses(plan, supply, share)) };
      const all = new FindingAgain(plan, [...wanted, newcomer], [...sceneOf(plan).spots.keys()]);
      all.fill([...found.of.values()].map((a) => ({ lot: a.home.id, place: a.home.placeId })));
      extra = { of: found, supply, share, looking: all };
    }
    ({ looking } = extra);
    id = 'newcomer';
  }
  const lot = id;
  const back = homes[0]?.placeId ?? null;
  const others = (placeId: string) =>
    homesIn(plan, placeId).flatMap((h) => (h.supplyId === supply.id && h.share === share ? [] : [h.supplyId]));
  return (placeId) => {
    if (!plan.places[placeId]) return 0;
    const there = others(placeId);
    const names = there.length === 0 ? 0 : namesOf(plan, [...there, supply.id]) - namesOf(plan, there);
    looking.move(lot, null);
    const without = looking.total();
    looking.move(lot, placeId);
    const withIt = looking.total();
    looking.move(lot, back);
    return names * nameMoreIn(plan, plan.places[placeId]) + weigh * (withIt - without);
  };
}
