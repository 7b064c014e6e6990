import { capacityOf, fitOf, holderOf, seatsFor, stow, type Thing } from '../../things/fit/index.ts';
import {
  type Organiser,
  type Place,
  placesIn,
  type Plan,
  SHARES,
  type Share,
  type Supply,
  withoutHome,
} from '../../record/plan/index.ts';
import { sceneOf } from '../../space/reach/index.ts';
import { barredFrom, keptOut } from './barred.ts';
import { costWithoutHome } from './tally.ts';

/** So many containers of one kind in one place, and what would have a home in them that has none. */
export type ContainerOffer = {
  organiser: Organiser;
  place: Place;
  count: number;
  /** beyond those at hand that stand nowhere yet */
  buy: number;
  homes: { supply: Supply; share: Share; count: number }[];
  /** seconds a year set for these while they have none */
  seconds: number;
};

/** More than this of one kind are not proposed for one place. */
const MOST = 12;

/**
 * Containers that would give a home to things without one: of the kinds the maker has or names, in every place with room for them, with what goes
 * into them laid for real, the dearest to leave first. What one has before what is to be bought, then the best first; a place once.
 */
export function proposeContainers(plan: Plan, most = 5): ContainerOffer[] {
  const wanting = Object.values(plan.supplies)
    .flatMap((supply) =>
      SHARES.flatMap((share) => {
        const count = withoutHome(plan, supply, share);
        return count > 0 ? [{ supply, share, count, leave: costWithoutHome(plan, supply, share) }] : [];
      }),
    )
    .sort((a, b) => b.leave - a.leave || (a.supply.id < b.supply.id ? -1 : 1));
  if (wanting.length === 0) return [];
  const scene = sceneOf(plan);
  const standing = new Map<string, number>();
  for (const p of Object.values(plan.places))
    if (p.organiserId !== null) standing.set(p.organiserId, (standing.get(p.organiserId) ?? 0) + 1);
  const offers: ContainerOffer[] = [];
  for (const organiser of Object.values(plan.organisers)) {
    if (organiser.divided !== '') continue;
    const spare = Math.max(0, organiser.have - (standing.get(organiser.id) ?? 0));
    const inside = holderOf({
      kind: 'container',
      nature: organiser.nature,
      width: organiser.innerWidth,
      depth: organiser.innerDepth,
      height: organiser.innerHeight,
      pockets: organiser.pockets,
    });
    for (const place of Object.values(plan.places)) {
      const spot = scene.spots.get(place.id);
      if (!spot || place.organiserId !== null || place.kind === 'top' || keptOut(plan, place) !== '') continue;
      // what lies there keeps its room: only empty places, or what stands beside other boxes
      const seats = hasThings(plan, place) ? [] : seatsFor(plan, place, organiser, MOST);
      // as many as stand about empty, and as many as there is room for
      for (const most of new Set([Math.min(spare, seats.length), seats.length])) {
        if (most === 0) continue;
        const boxes: Thing[][] = [];
        const homes: ContainerOffer['homes'] = [];
        let seconds = 0;
        for (const { supply, share, count, leave } of wanting) {
          if (barredFrom(plan, supply, spot) !== null || !fitOf(inside, supply, count).ok) continue;
          const thing = { id: `${share} ${supply.id}`, supply, count };
          const box = boxes.find((things) => goIn(inside, [...things, thing]));
          if (box) box.push(thing);
          else if (boxes.length < most) boxes.push([thing]);
          else continue;
          homes.push({ supply, share, count });
          seconds += leave;
        }
        const count = boxes.length;
        if (homes.length > 0) offers.push({ organiser, place, count, buy: Math.max(0, count - spare), homes, seconds });
      }
    }
  }
  // what one has comes before what is to be bought
  offers.sort(
    (a, b) =>
      Number(a.buy > 0) - Number(b.buy > 0) ||
      b.seconds - a.seconds ||
      a.buy - b.buy ||
      a.count - b.count ||
      (a.place.id < b.place.id ? -1 : 1),
  );
  const seen = new Set<string>();
  return offers.filter((o) => !seen.has(o.place.id) && seen.add(o.place.id)).slice(0, most);
}

const hasThings = (plan: Plan, place: Place): boolean =>
  Object.values(plan.homes).some((h) => h.placeId === place.id) ||
  placesIn(plan, place.id).some((p) => p.organiserId === null);

/** Whether things can be laid together in a container, with some room left to take them by. */
function goIn(inside: ReturnType<typeof holderOf>, things: readonly Thing[]): boolean {
  const { used, things: laid } = stow(inside, { things, standing: [], boxes: [] });
  return used <= capacityOf(inside) * FULL && laid.every((t) => t.over === 0);
}
/** A box is filled no more than so far (own assumption). */
const FULL = 0.9;
