import { convexOverlap, footprintDistance, prismFootprint } from '../../measures/geometry/index.ts';
import { MONTH_NAMES, type Plan, readsSame, type Supply, seatsHere, type Fixture } from '../../record/plan/index.ts';
import { sceneOf, type Scene, type Spot } from '../../space/reach/index.ts';
import { BURNS_OFF, ceilingAt, DRIES, fixturePrism, unitPoint, unitPrism } from '../../space/room/index.ts';
import { type SunHours, sunHours } from '../../space/sun/index.ts';

/** What a supply may mind, and how a place has it. */
export type Mind = Supply['sensitive'][number];

/** What is looked at in a place: what things mind, and what of heat is the trouble of what burns easily and of paper. */
type Check = Mind | 'glow' | 'drying';

/** So near a sink it is wet, so near a heater hot, mm (own assumptions). */
const WET = 600;
const HOT = 900;
/** So near a radiator of hot water it is too warm, mm (own assumption). */
const WARM = 300;
/** Under a slope no higher than this it is hot in summer, mm (own assumption). */
const UNDER_SLOPE = 600;
/** So far dust flies onto what stands open, mm (own assumption). */
const DUST = 1500;

/** What it is worked out from beside what the scene is. */
const READS = ['head', 'stations', 'activities', 'slopes'] as const;
const known = new WeakMap<Scene, { of: Plan; at: Map<string, Partial<Record<Check, string | null>>> }>();

/** How a place has what a supply minds, in words (“the sun falls on it in June”); null: it does not. Worked out once per room. */
export function mindAt(plan: Plan, spot: Spot, mind: Check): string | null {
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

const CHECKS: Record<Check, (plan: Plan, spot: Spot) => string | null> = {
  sun: (plan, spot) => {
    if (spot.away || spot.place.covers.length > 0) return null;
    const { worst } = sunOn(plan, spot);
    return worst ? `the sun falls on it in ${MONTH_NAMES[worst.month - 1]}` : null;
  },
  heat: (plan, spot) => {
    if (spot.away) return /loft|attic|roof/i.test(spot.unit.name) ? 'it is hot under the roof in summer' : null;
    const heater = hotBy(plan, spot);
    if (heater) return heater;
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
    return spot.unit.kind === 'sinkUnit' || bySink(plan, spot) ? 'it is wet by the sink' : null;
  },
  frost: (_, spot) => (spot.away ? `${spot.unit.name} is not heated` : null),
  glow: (plan, spot) => {
    if (spot.away) return null;
    const glows = heaterBy(plan, spot, ({ heat }) => BURNS_OFF[heat]);
    return glows ? `${glows.name} glows beside it, and it burns easily` : null;
  },
  drying: (plan, spot) => {
    if (spot.away) return null;
    const low = spot.unit.bottom + spot.place.bottom;
    const foot = prismFootprint(unitPrism(spot.unit));
    const under = Object.values(plan.fixtures).find((f) => {
      const body = f.kind === 'heater' && f.heat === 'water' ? fixturePrism(plan, f) : null;
      if (!body || low < body.top || low - body.top >= DRIES) return false;
      return convexOverlap(foot, prismFootprint(body)) > 0;
    });
    return under ? `it lies over ${under.name}, where paper dries and curls` : null;
  },
  dust: (plan, spot) => {
    if (spot.away || spot.place.covers.length > 0) return null;
    const dusty = seatsHere(plan).find(
      (s) =>
        plan.activities[s.activityId]?.traits.includes('dusty') &&
        Math.hypot(s.x - spot.grip.x, s.y - spot.grip.y) < DUST,
    );
    return dusty ? `dust from ${dusty.name} falls on it` : null;
  },
};

/** By which heater a place is hot, in words; null: by none. */
function hotBy(plan: Plan, spot: Spot): string | null {
  const heater = heaterBy(plan, spot, ({ heat }) => (heat === 'water' ? WARM : HOT));
  if (!heater) return null;
  const what = {
    portable: 'it stands by the heater',
    electric: 'it stands by the heater',
    fire: 'it stands by the fire',
  };
  return heater.heat === 'water' ? 'it is warm by the radiator' : what[heater.heat];
}

/** The first heater nearer to the mouth of a place than it should be, to its side, above or under it: each gives how far, mm. */
const heaterBy = (plan: Plan, spot: Spot, within: (heater: Fixture) => number): Fixture | undefined =>
  Object.values(plan.fixtures).find((f) => {
    const body = f.kind === 'heater' ? fixturePrism(plan, f) : null;
    return body !== null && footprintDistance(body, spot.mouth.x, spot.mouth.y) < within(f);
  });

/** Whether the mouth of a place lies so near a sink, mm. */
const bySink = (plan: Plan, spot: Spot): boolean =>
  Object.values(plan.fixtures).some((fixture) => {
    const body = fixture.kind === 'sink' ? fixturePrism(plan, fixture) : null;
    return body !== null && footprintDistance(body, spot.mouth.x, spot.mouth.y) < WET;
  });

const isPaper = ({ form }: Supply): boolean => form === 'sheet' || form === 'pocket';
const burnsEasily = ({ hazards }: Supply): boolean => hazards.includes('flammable');

/** Whether a supply may mind what is around it at all. */
export const minds = (supply: Supply): boolean => supply.sensitive.length > 0 || isPaper(supply) || burnsEasily(supply);

/** Which of its surroundings speak against a supply lying in a place, and how. */
export function mindedThere(plan: Plan, supply: Supply, spot: Spot): { mind: Mind; words: string }[] {
  const asked: [Mind, Check][] = supply.sensitive.filter((m) => m !== 'heat').map((m) => [m, m]);
  // by a heater it is one harm, however many ways it is told
  if (burnsEasily(supply)) asked.push(['heat', 'glow']);
  if (isPaper(supply)) asked.push(['heat', 'drying']);
  if (supply.sensitive.includes('heat')) asked.push(['heat', 'heat']);
  const out: { mind: Mind; words: string }[] = [];
  for (const [mind, check] of asked) {
    const words = mindAt(plan, spot, check);
    if (words !== null && !out.some((o) => o.mind === mind)) out.push({ mind, words });
  }
  return out;
}
