import { type Plan } from './plan.ts';
import { type RowOf } from './tables.ts';

/** So far from each other units stand that wait to be brought into a room, mm. */
const APART = 400;

/**
 * The same things in another room: people, what they make, supplies, containers and furniture come along; the room, its seats and where everything stands
 * and lives do not. The furniture waits in a row, what stands on it and in it still does; what lies outside the room (a loft, a shed) stays behind.
 * @param name of the new plan
 */
export function sameThings(plan: Plan, name: string): Plan {
  const stays = (unit: RowOf<'units'>): boolean => unit.mount !== 'away';
  const units: Record<string, RowOf<'units'>> = {};
  const hostOf = (unit: RowOf<'units'>): RowOf<'units'> => {
    const host = unit.hostId === null ? undefined : plan.units[unit.hostId];
    return host && stays(host) ? hostOf(host) : unit;
  };
  let left = 0;
  const shift = new Map<string, { x: number; y: number }>();
  const owned = Object.values(plan.units)
    .filter(stays)
    .sort((a, b) => (a.id < b.id ? -1 : 1));
  for (const unit of owned) {
    const host = hostOf(unit);
    if (!shift.has(host.id)) {
      const side = Math.max(host.width, host.depth);
      shift.set(host.id, { x: left + side / 2 - host.x, y: -host.y });
      left += side + APART;
    }
    const by = shift.get(host.id)!;
    const kept =
      unit.keptInId !== null && plan.places[unit.keptInId]
        ? stays(plan.units[plan.places[unit.keptInId]!.unitId]!)
        : false;
    const hosted = unit.hostId !== null && plan.units[unit.hostId] !== undefined && stays(plan.units[unit.hostId]!);
    units[unit.id] = {
      ...unit,
      x: Math.round(unit.x + by.x),
      y: Math.round(unit.y + by.y),
      doorId: null,
      hostId: hosted ? unit.hostId : null,
      keptInId: kept ? unit.keptInId : null,
      pinned: false,
    };
  }
  const of = <T extends object>(
    rows: Readonly<Record<string, T>>,
    keep: (row: T) => boolean,
    as: (row: T) => T = (row) => row,
  ) => Object.fromEntries(Object.entries(rows).flatMap(([id, row]) => (keep(row) ? [[id, as(row)]] : [])));
  const all = () => true;
  const places = of(plan.places, (p) => units[p.unitId] !== undefined);
  return {
    ...plan,
    head: { ...plan.head, name: name.slice(0, 120), forkedFrom: null },
    walls: {},
    openings: {},
    slopes: {},
    fixtures: {},
    diagonals: {},
    floorUses: {},
    parkings: {},
    stations: {},
    homes: {},
    moves: {},
    doings: {},
    freeTimes: {},
    jobs: {},
    sittings: {},
    colourRows: {},
    acknowledgements: {},
    units,
    places,
    bans: of(plan.bans, (b) => b.unitId === null || units[b.unitId] !== undefined),
    machineUses: of(plan.machineUses, (m) => units[m.unitId] !== undefined),
    scraps: of(plan.scraps, all, (s) => ({
      ...s,
      placeId: s.placeId !== null && places[s.placeId] ? s.placeId : null,
    })),
    cutPieces: of(plan.cutPieces, all, (p) => ({
      ...p,
      placeId: p.placeId !== null && places[p.placeId] ? p.placeId : null,
    })),
  };
}
