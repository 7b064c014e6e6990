import { placesDownTo, type Place, type Plan, type Station } from '../../record/plan/index.ts';
import {
  type Fetch,
  fetchFrom,
  type Maker,
  makerOf,
  PLAIN,
  type Scene,
  sceneAt,
  type Spot,
} from '../../space/reach/index.ts';

/** The container that is carried to the seat with all in it: the outermost such one that a place is or stands in. Null: none. */
export function carriedOf(plan: Pick<Plan, 'places' | 'organisers'>, place: Place): Place | null {
  for (const one of placesDownTo(plan, place))
    if (one.organiserId !== null && plan.organisers[one.organiserId]?.carried) return one;
  return null;
}

/** Fetching the container itself from a seat: the covers of what it stands in, its own lid shut. */
function containerFetch(plan: Plan, station: Station, container: Place): Fetch | null {
  const maker = makerOf(plan, station);
  const scene = sceneAt(plan, station);
  const spot = scene.spots.get(container.id);
  const holder = container.inId === null ? undefined : scene.spots.get(container.inId);
  if (!maker || !spot || !holder) return null;
  return fetchFrom(scene, maker, spotWithout(spot, holder.place.covers), {
    ...PLAIN,
    size: Math.max(container.width, container.depth),
  });
}

const wholes = new WeakMap<Spot, Spot>();
/** The same spot behind other covers; one for each, so that its ways are worked out once. */
function spotWithout(spot: Spot, covers: Spot['place']['covers']): Spot {
  let whole = wholes.get(spot);
  if (!whole) wholes.set(spot, (whole = { ...spot, place: { ...spot.place, covers } }));
  return whole;
}

/**
 * Whether a container is carried to a seat instead of being reached into: it may be, and from there it is farther than an arm.
 */
export function isCarriedTo(plan: Plan, station: Station, container: Place): Fetch | null {
  const scene = sceneAt(plan, station);
  let makers = carried.get(scene);
  if (!makers) carried.set(scene, (makers = new WeakMap()));
  const maker = makerOf(plan, station);
  if (!maker) return null;
  let known = makers.get(maker);
  if (!known) makers.set(maker, (known = new Map()));
  let fetch = known.get(container.id);
  if (fetch === undefined) {
    const found = containerFetch(plan, station, container);
    known.set(container.id, (fetch = found?.ok && found.band > 2 ? found : null));
  }
  return fetch;
}

/** Per room as it is seen, maker and container: worked out once. */
const carried = new WeakMap<Scene, WeakMap<Maker, Map<string, Fetch | null>>>();
