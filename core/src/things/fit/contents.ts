import { DIVIDER } from '../../record/catalogue/index.ts';
import {
  bySeason,
  type Home,
  type Share,
  shareMonths,
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
  readsSame,
  type Unit,
} from '../../record/plan/index.ts';
import { type Contents, type Standing, type Stowage, type Thing } from './stowage.ts';
import { stow } from './stow.ts';
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

/** What is said to be in a place at whatever time of the year: its homes (pinned ones first), containers and boxes. */
export const contentsOf = (plan: Plan, placeId: string): Contents =>
  contentsWith(plan, placeId, homesIn(plan, placeId));

/**
 * What is in a place at different times of the year; one for all where nothing changes.
 * @param months to look at; null: all
 */
export const contentsBySeason = (plan: Plan, placeId: string, months: readonly number[] | null = null): Contents[] =>
  bySeason(plan, homesIn(plan, placeId), months).map((homes) => contentsWith(plan, placeId, homes));

function contentsWith(plan: Plan, placeId: string, those: readonly Home[]): Contents {
  const things: Thing[] = [];
  const homes = [...those].sort((a, b) => +b.pinned - +a.pinned || (a.id < b.id ? -1 : 1));
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

const READS = ['homes', 'supplies', 'organisers', 'units', 'places', 'uses', 'activities'] as const;
type Known = { of: Pick<Plan, (typeof READS)[number]>; contents: Contents[]; stowages: Stowage[] };
const known = new WeakMap<Place, Known>();

/** How a place of a plan is filled at different times of the year, one for all where nothing changes; worked out again only when something in it has changed. */
export function stowagesOf(plan: Plan, place: Place): readonly Stowage[] {
  const last = known.get(place);
  if (last && readsSame(READS, last.of, plan)) return last.stowages;
  const contents = contentsBySeason(plan, place.id);
  const stowages = contents.map((now, i) => {
    const before = last?.contents[i];
    return before && sameContents(before, now) ? last.stowages[i]! : stow(holderOf(place), now);
  });
  known.set(place, { of: plan, contents, stowages });
  return stowages;
}

/** How a place of a plan is filled when it is fullest. */
export function stowageOf(plan: Plan, place: Place): Stowage {
  const all = stowagesOf(plan, place);
  return all.length === 1 ? all[0]! : all.reduce((a, b) => (isFuller(b, a) ? b : a));
}

const isFuller = (a: Stowage, b: Stowage): boolean =>
  a.faults.length > b.faults.length || (a.faults.length === b.faults.length && a.used > b.used);

/**
 * A place as it would be filled with so many of a supply in it besides what is there; what is there of the same share counts as gone.
 * The last of the things is the one that comes.
 */
export function stowageWith(plan: Plan, place: Place, supply: Supply, share: Share, count: number): Stowage {
  return contentsBySeason(plan, place.id, shareMonths(plan, supply, share))
    .map(({ things, standing, boxes }) => {
      const others = things.filter(
        ({ id }) => plan.homes[id]!.supplyId !== supply.id || plan.homes[id]!.share !== share,
      );
      return stow(holderOf(place), { things: [...others, { id: 'coming', supply, count }], standing, boxes });
    })
    .reduce((a, b) => (isFuller(b, a) ? b : a));
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

/** What stands in a place with all that is in it, without what lies beside: containers and boxes, g. */
export function standingMass(plan: Plan, place: Place): number {
  let mass = 0;
  for (const inner of placesIn(plan, place.id)) mass += emptyMassOf(plan, inner) + massIn(plan, inner);
  for (const box of boxesIn(plan, place.id)) mass += massOf(box) + massInUnit(plan, box.id);
  return mass;
}

/** What lies and stands in a place when it is heaviest in the year, down to the last box, g. */
export function massIn(plan: Plan, place: Place): number {
  let mass = 0;
  for (const homes of bySeason(plan, homesIn(plan, place.id))) {
    let now = 0;
    for (const home of homes) {
      const supply = plan.supplies[home.supplyId];
      if (supply) now += countIn(plan, home, supply) * supply.mass;
    }
    mass = Math.max(mass, now);
  }
  return mass + standingMass(plan, place);
}

/** What lies in the places of a unit, g. */
export const massInUnit = (plan: Plan, unitId: string): number =>
  compartmentsOf(plan, unitId).reduce((sum, place) => sum + massIn(plan, place), 0);
