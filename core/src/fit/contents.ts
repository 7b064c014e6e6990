import { DIVIDER } from '../catalogue/index.ts';
import {
  type Share,
  type Supply,
  compartmentsOf,
  countIn,
  groupedBy,
  homesIn,
  massOf,
  outerOf,
  type Place,
  placesIn,
  type Plan,
  type Unit,
} from '../plan/index.ts';
import { type Contents, type Standing, stow, type Stowage, type Thing } from './stow.ts';
import { holderOf } from './holder.ts';

const byKept = groupedBy((unit: Unit) => unit.keptInId);
/** Boxes (units of their own) that are put away in a place. */
export const boxesIn = (plan: Pick<Plan, 'units'>, placeId: string): readonly Unit[] => byKept(plan.units, placeId);

/** The containers, lanes and slots of a place where they stand; a lane with the divider to the next one. */
export function standingIn(plan: Pick<Plan, 'places' | 'organisers'>, placeId: string): Standing[] {
  const inner = placesIn(plan, placeId);
  const parts = inner.filter((p) => p.organiserId === null);
  const next = (at: number, start: 'left' | 'front') => parts.some((p) => Math.abs(p[start] - at - DIVIDER) < 0.1);
  return inner.map((place) => {
    const { width, depth, height } = outerOf(plan, place);
    const part = place.organiserId === null;
    return {
      id: place.id,
      name: place.name,
      left: place.left,
      front: place.front,
      bottom: place.bottom,
      width: width + (part && next(place.left + width, 'left') ? DIVIDER : 0),
      depth: depth + (part && next(place.front + depth, 'front') ? DIVIDER : 0),
      height,
    };
  });
}

/** What is said to be in a place: its homes (pinned ones first), containers and boxes. */
export function contentsOf(plan: Plan, placeId: string): Contents {
  const things: Thing[] = [];
  const homes = [...homesIn(plan, placeId)].sort((a, b) => +b.pinned - +a.pinned || (a.id < b.id ? -1 : 1));
  for (const home of homes) {
    const supply = plan.supplies[home.supplyId];
    const count = supply ? countIn(plan, home, supply) : 0;
    if (supply && count > 0) things.push({ id: home.id, supply, count });
  }
  const boxes = boxesIn(plan, placeId).map(({ id, name, width, depth, height }) => ({
    id,
    name,
    width,
    depth,
    height,
  }));
  return { things, standing: standingIn(plan, placeId), boxes };
}

const READS = ['homes', 'supplies', 'organisers', 'units', 'places'] as const;
type Known = { of: Pick<Plan, (typeof READS)[number]>; contents: Contents; stowage: Stowage };
const known = new WeakMap<Place, Known>();

/** How a place of a plan is filled; worked out again only when something in it has changed. */
export function stowageOf(plan: Plan, place: Place): Stowage {
  const last = known.get(place);
  if (last && READS.every((t) => last.of[t] === plan[t])) return last.stowage;
  const contents = contentsOf(plan, place.id);
  const stowage = last && sameContents(last.contents, contents) ? last.stowage : stow(holderOf(place), contents);
  known.set(place, { of: plan, contents, stowage });
  return stowage;
}

/**
 * A place as it would be filled with so many of a supply in it besides what is there; what is there of the same share counts as gone.
 * The last of the things is the one that comes.
 */
export function stowageWith(plan: Plan, place: Place, supply: Supply, share: Share, count: number): Stowage {
  const { things, standing, boxes } = contentsOf(plan, place.id);
  const others = things.filter(({ id }) => plan.homes[id]!.supplyId !== supply.id || plan.homes[id]!.share !== share);
  return stow(holderOf(place), { things: [...others, { id: 'coming', supply, count }], standing, boxes });
}

function sameContents(a: Contents, b: Contents): boolean {
  const flat = (list: readonly object[], others: readonly object[]) =>
    list.length === others.length &&
    list.every((row, i) => {
      const other = others[i] as Record<string, unknown>;
      return Object.entries(row).every(([key, value]) => other[key] === value);
    });
  return flat(a.things, b.things) && flat(a.standing, b.standing) && flat(a.boxes, b.boxes);
}

/** A container weighs so much a litre of its outside when empty, g (own assumption: thin board or plastic). */
const CONTAINER_DENSITY = 60;

/** Mass of a container itself, g: as weighed, else estimated; 0 for a lane. */
export function emptyMassOf(plan: Pick<Plan, 'organisers'>, place: Place): number {
  const organiser = place.organiserId === null ? undefined : plan.organisers[place.organiserId];
  if (!organiser) return 0;
  return organiser.mass ?? Math.round((organiser.width * organiser.depth * organiser.height * CONTAINER_DENSITY) / 1e6);
}

/** What lies and stands in a place, down to the last box, g. */
export function massIn(plan: Plan, place: Place): number {
  let mass = 0;
  for (const home of homesIn(plan, place.id)) {
    const supply = plan.supplies[home.supplyId];
    if (supply) mass += countIn(plan, home, supply) * supply.mass;
  }
  for (const inner of placesIn(plan, place.id)) mass += emptyMassOf(plan, inner) + massIn(plan, inner);
  for (const box of boxesIn(plan, place.id)) mass += massOf(box) + massInUnit(plan, box.id);
  return mass;
}

/** What lies in the places of a unit, g. */
export const massInUnit = (plan: Plan, unitId: string): number =>
  compartmentsOf(plan, unitId).reduce((sum, place) => sum + massIn(plan, place), 0);
