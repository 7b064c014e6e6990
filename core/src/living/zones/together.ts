import { angleBetween, heading } from '../../measures/geometry/index.ts';
import { shareStates } from '../homes/index.ts';
import { sessionsAt } from '../sessions/index.ts';
import {
  compartmentsOf,
  type Plan,
  SHARES,
  type Station,
  type Unit,
  zoneOf,
  zonesOf,
} from '../../record/plan/index.ts';
import { fetchFrom, makerOf, PLAIN, sceneAt } from '../../space/reach/index.ts';

/** Where a zone lies, as seen from the seat it is mostly worked at. */
export type Lie = 'left' | 'ahead' | 'right' | 'behind';
export type Together = {
  station: Station | null;
  units: Unit[];
  /** where most of its places are */
  lies: Lie | null;
  /** units of the zone that are walked to although others of it are at hand */
  far: Unit[];
  /** seconds a year that would be saved if what is fetched from the far ones were as near as the rest */
  saves: number;
};

/** The units that have any place of a zone. */
export function unitsOfZone(plan: Plan, zoneId: string): Unit[] {
  return Object.values(plan.units).filter((unit) =>
    compartmentsOf(plan, unit.id).some((p) => zoneOf(plan, p) === zoneId),
  );
}

/** The seat a zone is mostly worked at: of its activities’ stations the one with most sessions a year. */
export function seatOfZone(plan: Plan, zoneId: string): Station | null {
  const stations = Object.values(plan.stations)
    .filter((s) => plan.activities[s.activityId]?.zoneId === zoneId)
    .sort((a, b) => sessionsAt(plan, b) - sessionsAt(plan, a) || (a.id < b.id ? -1 : 1));
  return stations[0] ?? null;
}

const lieAt = (turn: number): Lie =>
  Math.abs(turn) <= 45 ? 'ahead' : Math.abs(turn) >= 135 ? 'behind' : turn > 0 ? 'right' : 'left';

/** Whether the places of a zone lie together as seen from its seat. */
export function togetherOf(plan: Plan, zoneId: string): Together {
  const station = seatOfZone(plan, zoneId);
  const units = unitsOfZone(plan, zoneId);
  const maker = station && makerOf(plan, station);
  if (!station || !maker || units.length === 0) return { station, units, lies: null, far: [], saves: 0 };
  const scene = sceneAt(plan, station);
  const seconds = new Map<string, number>();
  const sides = new Map<Lie, number>();
  for (const unit of units) {
    const fetches = compartmentsOf(plan, unit.id).flatMap((p) => {
      const spot = zoneOf(plan, p) === zoneId ? scene.spots.get(p.id) : undefined;
      const fetch = spot ? fetchFrom(scene, maker, spot, PLAIN) : null;
      return fetch?.ok ? [fetch.seconds] : [];
    });
    if (fetches.length === 0) continue;
    seconds.set(unit.id, Math.min(...fetches));
    if (unit.mount === 'away') continue;
    const lie = lieAt(angleBetween(maker.seat.heading, heading(maker.seat, unit)));
    sides.set(lie, (sides.get(lie) ?? 0) + fetches.length);
  }
  const nearest = Math.min(...seconds.values());
  const far = units.filter((u) => (seconds.get(u.id) ?? 0) > nearest + FAR && u.mount !== 'away');
  const lies = [...sides].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
  return { station, units, lies, far, saves: savingOf(plan, zoneId, far, seconds, nearest) };
}

/** So much longer a fetch takes when one gets up and walks for it, s (own assumption). */
const FAR = 5;

function savingOf(
  plan: Plan,
  zoneId: string,
  far: readonly Unit[],
  seconds: ReadonlyMap<string, number>,
  nearest: number,
): number {
  if (far.length === 0) return 0;
  const ids = new Set(far.map((u) => u.id));
  let saves = 0;
  for (const supply of Object.values(plan.supplies)) {
    if (!zonesOf(plan, supply).has(zoneId)) continue;
    for (const share of SHARES)
      for (const { place, cost } of shareStates(plan, supply, share))
        if (place && cost && ids.has(place.unitId)) saves += cost.fetches * (seconds.get(place.unitId)! - nearest);
  }
  return saves;
}
