import {
  type Place,
  type Plan,
  type PlanHead,
  type Supply,
  type Way,
  type WeightOrNone,
  zoneOf,
  zonesOf,
} from '../../record/plan/index.ts';

/** What *little*, *some* and *much* multiply by (own assumption). */
const FACTOR: Record<WeightOrNone, number> = { none: 0, little: 0.3, some: 1, much: 3 };

/** What can be weighed: how much families, harm to things, their right place, zones, moving and finding again are to count. */
export type Weighed = 'weighFamilies' | 'weighHarm' | 'weighOrder' | 'weighZones' | 'weighMoving' | 'weighAgain';

/** By how much the maker wants something to count. */
export const weightOf = (plan: Pick<Plan, 'head'>, what: Weighed): number => FACTOR[plan.head[what]];

/** Ways of working that can be another for a family or a zone than for the plan. */
export type WayOfWorking = Pick<PlanHead, 'seen' | 'grouping' | 'packaging' | 'growth'>;

const byWays = new WeakMap<object, { families: Map<string, Way>; zones: Map<string, Way> }>();
function waysOf(plan: Pick<Plan, 'ways'>) {
  let known = byWays.get(plan.ways);
  if (!known) {
    known = { families: new Map(), zones: new Map() };
    for (const way of Object.values(plan.ways))
      if (way.zoneId !== null) known.zones.set(way.zoneId, way);
      else if (way.family !== '') known.families.set(way.family, way);
    byWays.set(plan.ways, known);
  }
  return known;
}

/** How one works with a supply: as its family has it, else as its zone does, else as the plan does. */
export function wayOf<K extends 'seen' | 'grouping' | 'packaging'>(plan: Plan, supply: Supply, what: K): PlanHead[K] {
  const { families, zones } = waysOf(plan);
  if (families.size === 0 && zones.size === 0) return plan.head[what];
  const own = supply.family === '' ? undefined : families.get(supply.family)?.[what];
  if (own !== undefined && own !== null) return own as unknown as PlanHead[K];
  if (zones.size > 0)
    for (const zoneId of zonesOf(plan, supply)) {
      const said = zones.get(zoneId)?.[what];
      if (said !== undefined && said !== null) return said as unknown as PlanHead[K];
    }
  return plan.head[what];
}

/** The share of a place kept free to grow: as its zone has it, else as the plan does. */
export function growthIn(plan: Plan, place: Place): number {
  const { zones } = waysOf(plan);
  if (zones.size === 0) return plan.head.growth;
  const zoneId = zoneOf(plan, place);
  const own = zoneId === null ? undefined : zones.get(zoneId)?.growth;
  return own ?? plan.head.growth;
}
