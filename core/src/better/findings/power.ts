import { footprintDistance, type Prism } from '../../measures/geometry/index.ts';
import { factsOf } from '../../record/catalogue/index.ts';
import { circuitRating, MAINS } from '../../space/loads/index.ts';
import { type Fixture, type Plan, type Station, type Unit, seatsHere } from '../../record/plan/index.ts';
import { frameOf, onWall } from '../../space/room/index.ts';
import { type Found, found, type Look } from './finding.ts';

/** A plug needs this much before the socket, mm (common practice). */
const PLUG = 45;
/** A machine this near a seat is used from it, mm (own assumption). */
const AT_HAND = 900;

export type Outlet = { fixture: Fixture; at: { x: number; y: number; z: number }; coveredBy: Unit | null };

/** Sockets with what covers them. */
export function outlets(look: Look): Outlet[] {
  return Object.values(look.plan.fixtures).flatMap((fixture) => {
    const frame = frameOf(look.plan, fixture.wallId);
    if (fixture.kind !== 'socket' || !frame) return [];
    const middle = onWall(frame, fixture.left + fixture.width / 2);
    const front = onWall(frame, fixture.left + fixture.width / 2, PLUG);
    const z = fixture.bottom + fixture.height / 2;
    const covers = (s: Prism) => s.bottom < z && s.top > z && footprintDistance(s, front.x, front.y) < 1;
    const coveredBy = look.units.find((u) => look.solids.get(u.id)!.some(covers)) ?? null;
    return [{ fixture, at: { ...middle, z }, coveredBy }];
  });
}

/** Sockets that a plug still goes into. */
export const freeOutlets = (look: Look): Outlet[] => outlets(look).filter((o) => !o.coveredBy);

/** Sockets covered, cords too short, circuits overloaded. */
export function power(look: Look): Found[] {
  const all = outlets(look);

  const covered = all.flatMap(({ fixture, coveredBy }) =>
    coveredBy
      ? [
          found('socket', [fixture.id], `${coveredBy.name} covers ${fixture.name}.`, {
            unitIds: [coveredBy.id],
          }),
        ]
      : [],
  );
  const free = all.filter((o) => !o.coveredBy);
  const cords = look.units.flatMap((unit) => {
    if (unit.watts <= 0 || unit.cord === null) return [];
    const words = cordTrouble(look, unit, free);
    return words ? [found('cord', [unit.id], words, { unitIds: [unit.id] })] : [];
  });
  return [...covered, ...cords, ...circuits(look, free)];
}

/** Nearest free socket, the cord going down and along the floor or wall. */
export function nearestOutlet(
  look: Look,
  unit: Unit,
  free: readonly Outlet[],
): { fixture: Fixture; way: number } | null {
  const body = look.body.get(unit.id)!;
  let best: { fixture: Fixture; way: number } | null = null;
  for (const outlet of free) {
    const way = footprintDistance(body, outlet.at.x, outlet.at.y) + Math.abs(unit.bottom - outlet.at.z);
    if (!best || way < best.way) best = { fixture: outlet.fixture, way };
  }
  return best;
}

/** Stations that are worked at at the same time, each alone or as a group. */
function atOnce(plan: Plan): Station[][] {
  const groups = new Map<string, Station[]>();
  for (const station of seatsHere(plan)) {
    const key = station.together === '' ? `alone ${station.id}` : `together ${station.together}`;
    groups.set(key, [...(groups.get(key) ?? []), station]);
  }
  return [...groups.values()];
}

/** What one circuit carries while some stations are worked at at once, W. */
export type CircuitLoad = { circuit: string; watts: number; names: string[]; unitIds: string[] };

/**
 * What each circuit carries while stations are worked at at once, and what it gives, W: the machines of their activities, what stands on their
 * worktops, small things within reach of the seat, each at its nearest free socket; and what is on the circuit anyway.
 */
export function circuitLoads(
  look: Look,
  stations: readonly Station[],
  free: readonly Outlet[],
): { loads: CircuitLoad[]; most: number } {
  const { plan } = look;
  const minutes = Math.max(...stations.map((s) => plan.activities[s.activityId]?.minutes ?? 60));
  const most = circuitRating(plan.head.region, minutes);
  const machines = Object.values(plan.machineUses);
  const loads = new Map<string, CircuitLoad>();
  const add = (circuit: string, watts: number, name: string, unitId?: string) => {
    const sum = loads.get(circuit) ?? { circuit, watts: 0, names: [], unitIds: [] };
    const unitIds = unitId ? [...sum.unitIds, unitId] : sum.unitIds;
    loads.set(circuit, { circuit, watts: sum.watts + watts, names: [...sum.names, name], unitIds });
  };
  const uses = (unit: Unit) =>
    stations.some(
      (s) =>
        unit.id === s.unitId ||
        (unit.hostId !== null && unit.hostId === s.unitId) ||
        machines.some((m) => m.activityId === s.activityId && m.unitId === unit.id) ||
        (factsOf(unit.kind).group === 'small' && footprintDistance(look.body.get(unit.id)!, s.x, s.y) < AT_HAND),
    );
  for (const unit of look.units) {
    if (unit.watts <= 0 || !uses(unit)) continue;
    const near = nearestOutlet(look, unit, free);
    if (near) add(near.fixture.circuit, unit.watts, unit.name, unit.id);
  }
  for (const fixture of Object.values(plan.fixtures))
    if (fixture.watts > 0 && fixture.kind !== 'socket' && loads.has(fixture.circuit) && fixture.circuit !== '')
      add(fixture.circuit, fixture.watts, fixture.name);
  return { loads: [...loads.values()], most };
}

function circuits(look: Look, free: readonly Outlet[]): Found[] {
  const { plan } = look;
  return atOnce(plan).flatMap((stations) => {
    const { loads, most } = circuitLoads(look, stations, free);
    const who = stations.map((s) => s.name).join(' and ');
    const ids = stations.map((s) => s.id).sort();
    return loads.flatMap(({ circuit, watts, names, unitIds }) =>
      watts <= most
        ? []
        : [
            found(
              'mains',
              [...ids, circuit],
              `${who} ${stations.length > 1 ? 'draw' : 'draws'} ${Math.round(watts)} W at once from ${circuit ? `circuit ${circuit}` : 'one circuit'} (${names.join(', ')}); it gives ${Math.round(most)} W (${MAINS[plan.head.region].words}).`,
              { unitIds },
            ),
          ],
    );
  });
}

/** What is amiss between a machine and its nearest free socket, in words; null when it can be plugged in. */
export function cordTrouble(look: Look, unit: Unit, free: readonly Outlet[]): string | null {
  const near = nearestOutlet(look, unit, free);
  if (!near) return `${unit.name} needs a socket and no free one is noted.`;
  if (unit.cord === null || near.way <= unit.cord + 5) return null;
  return `The cord of ${unit.name} is ${look.len(near.way - unit.cord)} too short for ${near.fixture.name}, the nearest free socket.`;
}
