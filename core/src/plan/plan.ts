import { type UnitShape } from '../catalogue/index.ts';
import { type Survey, surveyWalls } from '../survey/index.ts';
import {
  Acknowledgement,
  Activity,
  Diagonal,
  Fixture,
  Flow,
  FloorUse,
  Home,
  MachineUse,
  Opening,
  Organiser,
  OrganiserSet,
  OwnKind,
  Parking,
  Person,
  Place,
  type PlanHead,
  type Share,
  Slope,
  Station,
  Supply,
  Unit,
  Use,
  Wall,
} from './rows.ts';

/** Every collection of a plan with its row schema, parents before children. */
export const TABLES = {
  walls: Wall,
  openings: Opening,
  slopes: Slope,
  fixtures: Fixture,
  diagonals: Diagonal,
  floorUses: FloorUse,
  people: Person,
  units: Unit,
  parkings: Parking,
  ownKinds: OwnKind,
  places: Place,
  organisers: Organiser,
  organiserSets: OrganiserSet,
  supplies: Supply,
  activities: Activity,
  uses: Use,
  flows: Flow,
  machineUses: MachineUse,
  stations: Station,
  homes: Home,
  acknowledgements: Acknowledgement,
} as const;
export type TableName = keyof typeof TABLES;
export type RowOf<T extends TableName> = (typeof TABLES)[T]['_zod']['output'];
export type AnyRow = RowOf<TableName>;

/** One arrangement of one room. Values are never changed in place: every command makes a new plan. */
export type Plan = { id: string; head: PlanHead } & { [T in TableName]: Readonly<Record<string, RowOf<T>>> };

/** What a plan is before anything is said about it: a metric room at 50° north, its plan drawn with north up. */
const PLAIN_HEAD: PlanHead = {
  name: 'My craft room',
  measure: 'metric',
  ceiling: 2400,
  growth: 0.2,
  grouping: 'activity',
  region: 'eu',
  latitude: 50,
  longitude: 0,
  bearing: 0,
  forkedFrom: null,
};

export function emptyPlan(id: string, head: Partial<PlanHead> = {}): Plan {
  const tables = Object.fromEntries(Object.keys(TABLES).map((table) => [table, {}]));
  // who measures in inches has the sockets that go with them, until told otherwise
  const region = head.measure === 'imperial' ? 'us' : PLAIN_HEAD.region;
  return { id, head: { ...PLAIN_HEAD, region, ...head }, ...tables } as unknown as Plan;
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

const byPlace = new WeakMap<object, Map<string, Home[]>>();
/** Homes in a place, in order of id; computed once per set of homes. */
export function homesIn(plan: Pick<Plan, 'homes'>, placeId: string): readonly Home[] {
  let index = byPlace.get(plan.homes);
  if (!index) {
    index = new Map();
    for (const home of Object.values(plan.homes)) {
      const list = index.get(home.placeId);
      if (list) list.push(home);
      else index.set(home.placeId, [home]);
    }
    byPlace.set(plan.homes, index);
  }
  return index.get(placeId) ?? [];
}

/** The home of one share of a supply, if it has one. */
export function homeOf(plan: Pick<Plan, 'homes'>, supplyId: string, share: Share): Home | undefined {
  return plan.homes[`${supplyId}.${share}`];
}

/** The outside of a unit and how its front is split. */
export function unitShape(unit: Omit<OwnKind, 'id' | 'name'>): UnitShape {
  const { width, depth, height, rows, columns, rowSizes, columnSizes, inserts } = unit;
  return { width, depth, height, rows, columns, rowSizes, columnSizes, inserts };
}

/** “Low chest, drawer 2”. */
export function placeTitle(plan: Pick<Plan, 'units'>, place: Place): string {
  return `${plan.units[place.unitId]?.name ?? 'Unit'}, ${place.name}`;
}
