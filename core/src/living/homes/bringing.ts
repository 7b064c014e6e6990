import { type Point } from '../../measures/geometry/index.ts';
import { type Plan, type Station, type Unit } from '../../record/plan/index.ts';
import {
  type Fetch,
  fetchFrom,
  halfOf,
  makerOf,
  type Motion,
  PACE,
  WHEELS,
  PLAIN,
  sceneOf,
  SECONDS_PER_TMU,
  TMU,
  walkLengthTo,
  workingSpot,
} from '../../space/reach/index.ts';
import { unitPrism } from '../../space/room/index.ts';
import { sessionsAt } from '../sessions/index.ts';

/** What it takes, once a session, to bring a box or cart to a seat and to put it away again. */
export type Bringing = { seconds: number; motions: Motion[]; reason: string | null };

const NOTHING: Bringing = { seconds: 0, motions: [], reason: null };

/**
 * Bringing what a station’s kit or cart is: the box fetched from the place it is kept in and put back; the cart walked to, wheeled beside
 * the seat and back. Nothing for a fixed station, and for what stands there already.
 */
export function bringingOf(plan: Plan, station: Station): Bringing {
  const unit = station.travellerId ? plan.units[station.travellerId] : undefined;
  const maker = makerOf(plan, station);
  const spot = workingSpot(plan, station);
  if (!unit || !maker || !spot) return NOTHING;
  const scene = sceneOf(plan);
  if (station.housing === 'kit') {
    const place = Object.values(plan.places).find((p) => p.unitId === unit.id);
    const held = place && scene.spots.get(place.id);
    if (!held) return NOTHING;
    // the box as a whole is taken: its own lid stays shut; kept outside the room it costs the minutes there and back
    const whole = { ...held, place: plan.places[unit.keptInId ?? ''] ?? { ...held.place, covers: [] } };
    const fetch: Fetch = fetchFrom(scene, maker, whole, { ...PLAIN, size: Math.max(unit.width, unit.depth) });
    return fetch.ok
      ? { seconds: fetch.seconds, motions: fetch.motions, reason: null }
      : { seconds: 0, motions: [], reason: fetch.reason };
  }
  if (Math.hypot(unit.x - spot.x, unit.y - spot.y) < 50) return NOTHING;
  const length = Math.min(...besideUnit(unit, halfOf(maker)).map((at) => walkLengthTo(scene, maker, at)));
  if (!Number.isFinite(length)) return { ...NOTHING, reason: `There is no way to walk to ${unit.name}.` };
  const paces = Math.max(1, Math.ceil(length / PACE - 1e-9));
  const onWheels = maker.person.mobility === 'wheelchair';
  const rise: Motion[] = maker.seat.standing || onWheels ? [] : [{ code: 'STD', tmu: TMU.stand, text: 'stand up' }];
  const sit: Motion[] = maker.seat.standing || onWheels ? [] : [{ code: 'SIT', tmu: TMU.sit, text: 'sit down' }];
  const walk: Motion = onWheels
    ? WHEELS.rolled(length).there
    : { code: `W${paces}P`, tmu: paces * TMU.pace, text: `${paces} paces` };
  const wheel: Motion = onWheels
    ? { ...WHEELS.rolled(length).there, text: `bring ${unit.name} along` }
    : { code: `W${paces}PO`, tmu: paces * TMU.paceLaden, text: `wheel ${unit.name} ${paces} paces` };
  const take: Motion = { code: 'G1A', tmu: TMU.graspClear, text: 'grasp it' };
  const leave: Motion = { code: 'RL1', tmu: TMU.release, text: 'let go' };
  const motions = [...rise, walk, take, wheel, leave, ...sit, ...rise, take, wheel, leave, walk, ...sit];
  return { seconds: motions.reduce((s, m) => s + m.tmu, 0) * SECONDS_PER_TMU, motions, reason: null };
}

/** So near one comes to what one takes hold of, mm (own assumption). */
const BY_IT = 50;

/** Where a body of some half width can stand to take hold of a unit: before, behind and beside it. */
function besideUnit(unit: Unit, half: number): Point[] {
  const body = unitPrism(unit);
  const out = body.halfDepth + half + BY_IT;
  const aside = body.halfWidth + half + BY_IT;
  const at = (u: number, v: number): Point => ({
    x: unit.x + body.rightX * u + body.frontX * v,
    y: unit.y + body.rightY * u + body.frontY * v,
  });
  return [at(0, out), at(0, -out), at(aside, 0), at(-aside, 0)];
}

/** Seconds a year of bringing; the sessions of an activity are shared evenly among its stations. */
export const bringingPerYear = (plan: Plan, station: Station): number =>
  station.travellerId === null ? 0 : bringingOf(plan, station).seconds * sessionsAt(plan, station);
