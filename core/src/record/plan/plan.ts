import { type Nature, natureOfKind, type UnitShape, wordOf } from '../catalogue/index.ts';
import { type Survey, surveyWalls } from '../../measures/survey/index.ts';
import {
  type Home,
  type OwnKind,
  type Place,
  type PlanHead,
  type Share,
  type Supply,
  type Use,
  type Wall,
} from './rows/index.ts';
import { groupedBy } from './grouped.ts';
import { type RowOf, type TableName, TABLE_NAMES } from './tables.ts';

/** One arrangement of one room. Values are never changed in place: every command makes a new plan. */
export type Plan = { id: string; head: PlanHead } & { [T in TableName]: Readonly<Record<string, RowOf<T>>> };

/** What a plan is before anything is said about it: a metric room at 50° north, its plan drawn with north up. */
const PLAIN_HEAD: PlanHead = {
  name: 'My craft room',
  measure: 'metric',
  ceiling: 2400,
  growth: 0.2,
  grouping: 'nature',
  seen: 'either',
  tools: 'shared',
  packaging: 'on',
  leaving: 'untilDone',
  newThings: 'merged',
  labels: 'outside',
  display: 'work',
  weighFamilies: 'some',
  weighHarm: 'some',
  weighOrder: 'some',
  weighZones: 'some',
  weighMoving: 'some',
  weighAgain: 'some',
  region: 'eu',
  latitude: 50,
  longitude: 0,
  bearing: 0,
  forkedFrom: null,
};

export function emptyPlan(id: string, head: Partial<PlanHead> = {}): Plan {
  const tables = Object.fromEntries(TABLE_NAMES.map((table) => [table, {}]));
  // who measures in inches has the sockets that go with them, and the usual ceiling of eight feet, until told otherwise
  const usual: Partial<PlanHead> = head.measure === 'imperial' ? { region: 'us', ceiling: 96 * 25.4 } : {};
  return { id, head: { ...PLAIN_HEAD, ...usual, ...head }, ...tables } as unknown as Plan;
}

/** Walls in the order in which they were walked. */
export function wallsInOrder(plan: Pick<Plan, 'walls'>): Wall[] {
  return Object.values(plan.walls).sort((a, b) => a.seq - b.seq);
}

const surveys = new WeakMap<object, Survey>();
/** The survey of the plan's walls; computed once per set of walls. */
export function roomOf(plan: Pick<Plan, 'walls'>): Survey {
  let survey = surveys.get(plan.walls);
  if (!survey) surveys.set(plan.walls, (survey = surveyWalls(wallsInOrder(plan))));
  return survey;
}

/** Mean of the room's corners, whole mm: where something new is put; the origin while there are no walls. */
export function middleOfRoom(plan: Pick<Plan, 'walls'>): { x: number; y: number } {
  const { outline } = roomOf(plan);
  const mean = (of: (p: { x: number; y: number }) => number) =>
    Math.round(outline.reduce((s, p) => s + of(p), 0) / Math.max(1, outline.length));
  return { x: mean((p) => p.x), y: mean((p) => p.y) };
}

const byPlace = groupedBy((home: Home) => home.placeId);
/** Homes in a place. */
export const homesIn = (plan: Pick<Plan, 'homes'>, placeId: string): readonly Home[] => byPlace(plan.homes, placeId);

const byId = (a: { id: string }, b: { id: string }) => (a.id < b.id ? -1 : 1);
const byShare = groupedBy((home: Home) => `${home.share} ${home.supplyId}`, byId);
/** The homes of one share of a supply, in order of id. */
export const homesOf = (plan: Pick<Plan, 'homes'>, supplyId: string, share: Share): readonly Home[] =>
  byShare(plan.homes, `${share} ${supplyId}`);

/** The home of a share that matters most where one must do: the first of its homes. */
export const homeOf = (plan: Pick<Plan, 'homes'>, supplyId: string, share: Share): Home | undefined =>
  homesOf(plan, supplyId, share)[0];

/** How many pieces a share is: what rests out of season is what is at hand in it. */
export const amountOf = (supply: Pick<Supply, 'working' | 'backstock'>, share: Share): number =>
  supply[share === 'resting' ? 'working' : share];

/** How many pieces a home holds: what it says, or all of the share that have no other home. */
export function countIn(plan: Pick<Plan, 'homes'>, home: Home, supply: Supply): number {
  if (home.count !== null) return home.count;
  const others = homesOf(plan, supply.id, home.share);
  const counted = others.length === 1 ? 0 : others.reduce((sum, h) => sum + (h.count ?? 0), 0);
  return Math.max(0, amountOf(supply, home.share) - counted);
}

/** What is passed on or thrown asks for no home. */
export const isLeaving = ({ decision }: Pick<Supply, 'decision'>): boolean =>
  decision === 'passOn' || decision === 'throw';

/**
 * How many pieces of a share have no home and want one; less than none: more are said to be homed than there are. What has no home of its own for the
 * months out of its season stays where it is.
 */
export function withoutHome(plan: Pick<Plan, 'homes'>, supply: Supply, share: Share): number {
  const homes = homesOf(plan, supply.id, share);
  if (share === 'resting' && homes.length === 0) return 0;
  const counted = homes.reduce((sum, h) => sum + (h.count ?? 0), 0);
  return isLeaving(supply) || homes.some((h) => h.count === null)
    ? Math.min(0, amountOf(supply, share) - counted)
    : amountOf(supply, share) - counted;
}

/** The outside of a unit and how its front is split. */
export function unitShape(unit: Omit<OwnKind, 'id' | 'name'>): UnitShape {
  const { width, depth, height, rows, columns, rowSizes, columnSizes, inserts } = unit;
  return { width, depth, height, rows, columns, rowSizes, columnSizes, inserts };
}

/** What a place stands in, from the compartment of the unit down to the place itself. */
export function placesDownTo(plan: Pick<Plan, 'places'>, place: Place): Place[] {
  const path = [place];
  for (let in_ = place.inId; in_ !== null;) {
    const holder = plan.places[in_];
    if (!holder || path.length > MOST_NESTED) break;
    path.unshift(holder);
    in_ = holder.inId;
  }
  return path;
}
/** No box stands deeper in others. */
const MOST_NESTED = 40;

/** “Cube unit › cubby 2-2 › box 3”. What is all a unit has goes by the unit’s name alone: a wall board is no “Wall board › field”. */
export function placeTitle(plan: Pick<Plan, 'units' | 'places'>, place: Place): string {
  const path = placesDownTo(plan, place);
  const [first] = path;
  if (first && first.name === wordOf(first.kind) && isAllThereIs(plan, first)) path.shift();
  return [plan.units[place.unitId]?.name ?? 'Unit', ...path.map((p) => p.name)].join(' › ');
}

/** The same with every step of it, as it was written before. */
export const wholePath = (plan: Pick<Plan, 'units' | 'places'>, place: Place): string =>
  [plan.units[place.unitId]?.name ?? 'Unit', ...placesDownTo(plan, place).map((p) => p.name)].join(' › ');

/** Whether a unit has no other compartment before its front. */
function isAllThereIs(plan: Pick<Plan, 'places'>, place: Place): boolean {
  if (place.kind === 'top') return false;
  const fronts = frontsOf(plan, place.unitId);
  return fronts.length === 1 && fronts[0]!.id === place.id;
}

const byHolder = groupedBy(
  (place: Place) => place.inId,
  (a, b) => a.column - b.column || a.left - b.left || a.front - b.front || byId(a, b),
);
/** The places that stand in a place, in the order in which they were set in. */
export const placesIn = (plan: Pick<Plan, 'places'>, placeId: string): readonly Place[] =>
  byHolder(plan.places, placeId);

/** A place with all that stands in it, and in that, to any depth: itself first. */
export const placeWithAllIn = (plan: Pick<Plan, 'places'>, place: Place): Place[] => [
  place,
  ...placesIn(plan, place.id).flatMap((p) => placeWithAllIn(plan, p)),
];

const byUnit = groupedBy((place: Place) => (place.inId === null ? place.unitId : null));
/** The compartments of a unit and its top, without what stands in them. */
export const compartmentsOf = (plan: Pick<Plan, 'places'>, unitId: string): readonly Place[] =>
  byUnit(plan.places, unitId);

/** The compartments one comes to from before the unit: without its top, which is reached over. */
export const frontsOf = (plan: Pick<Plan, 'places'>, unitId: string): readonly Place[] =>
  compartmentsOf(plan, unitId).filter((p) => p.kind !== 'top');

/** The zones a supply belongs to: its own, else those of the activities that use it. */
export function zonesOf(plan: Pick<Plan, 'uses' | 'activities' | 'supplies'>, supply: Supply): ReadonlySet<string> {
  if (supply.zoneId !== null) return new Set([supply.zoneId]);
  const zones = new Set<string>();
  for (const use of usesOf(plan, supply.id)) {
    const zone = plan.activities[use.activityId]?.zoneId;
    if (zone) zones.add(zone);
  }
  return zones;
}

const usesBySupply = groupedBy((use: Use) => use.supplyId);
/** The uses of a supply. */
export const usesOf = (plan: Pick<Plan, 'uses'>, supplyId: string): readonly Use[] => usesBySupply(plan.uses, supplyId);

/** How a place holds: as the maker has it, else as its kind does. */
export const natureOf = (place: Pick<Place, 'nature' | 'kind'>): Nature => place.nature ?? natureOfKind(place.kind);

/** What a container takes of the place it stands in, mm; a lane or slot takes its own inside. */
export function outerOf(
  plan: Pick<Plan, 'organisers'>,
  place: Pick<Place, 'organiserId' | 'turned' | 'width' | 'depth' | 'height'>,
): { width: number; depth: number; height: number } {
  const organiser = place.organiserId === null ? undefined : plan.organisers[place.organiserId];
  if (!organiser) return { width: place.width, depth: place.depth, height: place.height };
  const { width, depth, height } = organiser;
  return place.turned ? { width: depth, depth: width, height } : { width, depth, height };
}

/** The zone a place is kept for: its own, else that of what it stands in, else its unit’s. Null: none. */
export function zoneOf(plan: Pick<Plan, 'units' | 'places'>, place: Place): string | null {
  if (plan.places[place.id] !== place) return zoneAbove(plan, place);
  let known = zonesBy.get(plan.places);
  if (known?.units !== plan.units) zonesBy.set(plan.places, (known = { units: plan.units, of: new Map() }));
  let zone = known.of.get(place.id);
  if (zone === undefined) known.of.set(place.id, (zone = zoneAbove(plan, place)));
  return zone;
}
const zonesBy = new WeakMap<object, { units: object; of: Map<string, string | null> }>();

function zoneAbove(plan: Pick<Plan, 'units' | 'places'>, place: Place): string | null {
  for (const p of placesDownTo(plan, place).reverse()) if (p.zoneId !== null) return p.zoneId;
  return plan.units[place.unitId]?.zoneId ?? null;
}

/** Why nothing is given a home here: the word of the place or of what it stands in; empty: it may. */
export const keptOutOf = (plan: Pick<Plan, 'places'>, place: Place): string =>
  placesDownTo(plan, place).find((p) => p.keptOut !== '')?.keptOut ?? '';
