import { footprintDistance } from '../../measures/geometry/index.ts';
import { MONTH_NAMES, type Plan, readsSame, type Supply } from '../../record/plan/index.ts';
import { sceneOf, type Scene, type Spot } from '../../space/reach/index.ts';
import { ceilingAt, fixturePrism, unitPoint, unitPrism } from '../../space/room/index.ts';
import { type SunHours, sunHours } from '../../space/sun/index.ts';

/** What a supply may mind, and how a place has it. */
export type Mind = Supply['sensitive'][number];

/** So near a sink it is wet, so near a heater hot, mm (own assumptions). */
const WET = 600;
const HOT = 900;
/** Under a slope no higher than this it is hot in summer, mm (own assumption). */
const UNDER_SLOPE = 600;
/** So far dust flies onto what stands open, mm (own assumption). */
const DUST = 1500;

/** What it is worked out from beside what the scene is. */
const READS = ['head', 'stations', 'activities', 'slopes'] as const;
const known = new WeakMap<Scene, { of: Plan; at: Map<string, Partial<Record<Mind, string | null>>> }>();

/** How a place has what a supply minds, in words (“the sun falls on it in June”); null: it does not. Worked out once per room. */
export function mindAt(plan: Plan, spot: Spot, mind: Mind): string | null {
  const scene = sceneOf(plan);
  let room = known.get(scene);
  if (!room || !readsSame(READS, room.of, plan)) known.set(scene, (room = { of: plan, at: new Map() }));
  let at = room.at.get(spot.place.id);
  if (!at) room.at.set(spot.place.id, (at = {}));
  if (!(mind in at)) at[mind] = CHECKS[mind](plan, spot);
  return at[mind] ?? null;
}

/** Hours of direct sun on what stands in an open place. */
export const sunOn = (plan: Plan, spot: Spot): SunHours => sunHours(plan, frontPoints(spot));

/** Three points in the plane of an open front. */
function frontPoints(spot: Spot): { x: number; y: number; z: number }[] {
  const body = unitPrism(spot.unit);
  const { place } = spot;
  const z = spot.unit.bottom + place.bottom + Math.min(place.height * 0.4, 100);
  const y = place.opens === 'top' ? place.front + place.depth / 2 : place.front - 3;
  return [0.2, 0.5, 0.8].map((u) => ({ ...unitPoint(body, place.left + place.width * u, y), z }));
}

const CHECKS: Record<Mind, (plan: Plan, spot: Spot) => string | null> = {
  sun: (plan, spot) => {
    if (spot.away || spot.place.covers.length > 0) return null;
    const { worst } = sunOn(plan, spot);
    return worst ? `the sun falls on it in ${MONTH_NAMES[worst.month - 1]}` : null;
  },
  heat: (plan, spot) => {
    if (spot.away) return /loft|attic|roof/i.test(spot.unit.name) ? 'it is hot under the roof in summer' : null;
    if (near(plan, spot, 'heater', HOT)) return 'it stands by the heater';
    const kiln = Object.values(plan.units).find(
      (u) =>
        u.kind === 'kiln' && u.mount !== 'away' && footprintDistance(unitPrism(u), spot.mouth.x, spot.mouth.y) < HOT,
    );
    if (kiln) return `it is hot by ${kiln.name}`;
    const ceiling = ceilingAt(plan, spot.grip);
    return ceiling < plan.head.ceiling - 1 && ceiling - spot.grip.z < UNDER_SLOPE
      ? 'it is hot under the slope in summer'
      : null;
  },
  damp: (plan, spot) => {
    if (spot.away) return null;
    return spot.unit.kind === 'sinkUnit' || near(plan, spot, 'sink', WET) ? 'it is wet by the sink' : null;
  },
  frost: (_, spot) => (spot.away ? `${spot.unit.name} is not heated` : null),
  dust: (plan, spot) => {
    if (spot.away || spot.place.covers.length > 0) return null;
    const dusty = Object.values(plan.stations).find(
      (s) =>
        plan.activities[s.activityId]?.traits.includes('dusty') &&
        Math.hypot(s.x - spot.grip.x, s.y - spot.grip.y) < DUST,
    );
    return dusty ? `dust from ${dusty.name} falls on it` : null;
  },
};

/** Whether the mouth of a place lies so near a fixture of a kind, to its side, above or under it, mm. */
function near(plan: Plan, spot: Spot, kind: 'sink' | 'heater', within: number): boolean {
  return Object.values(plan.fixtures).some((fixture) => {
    const body = fixture.kind === kind ? fixturePrism(plan, fixture) : null;
    return body !== null && footprintDistance(body, spot.mouth.x, spot.mouth.y) < within;
  });
}

/** Which of its surroundings speak against a supply lying in a place, and how. */
export function mindedThere(plan: Plan, supply: Supply, spot: Spot): { mind: Mind; words: string }[] {
  return supply.sensitive.flatMap((mind) => {
    const words = mindAt(plan, spot, mind);
    return words === null ? [] : [{ mind, words }];
  });
}
