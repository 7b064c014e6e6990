import { type Place, type Plan, roomOf, type Unit } from '../../record/plan/index.ts';

/** Angle of a point about the middle of the room from some direction, clockwise as seen from above, 0 to 360. */
function around(from: { x: number; y: number }, middle: { x: number; y: number }, p: { x: number; y: number }): number {
  const bearing = (q: { x: number; y: number }) => (Math.atan2(q.x - middle.x, q.y - middle.y) * 180) / Math.PI;
  return (bearing(p) - bearing(from) + 720) % 360;
}

/** Units in the order in which one passes them, walking round from the door with the wall at one’s left; what is outside the room comes last. */
export function unitsOnTour(plan: Plan): Unit[] {
  const { outline } = roomOf(plan);
  const xs = outline.map((p) => p.x);
  const ys = outline.map((p) => p.y);
  const middle =
    outline.length > 0
      ? { x: (Math.min(...xs) + Math.max(...xs)) / 2, y: (Math.min(...ys) + Math.max(...ys)) / 2 }
      : { x: 0, y: 0 };
  const door = Object.values(plan.openings)
    .filter((o) => o.kind === 'door')
    .sort((a, b) => (a.id < b.id ? -1 : 1))[0];
  const from = (door && pointOfDoor(plan, door)) ?? outline[0] ?? { x: 0, y: -1 };
  const units = Object.values(plan.units).filter((u) => u.keptInId === null);
  const angle = new Map(units.map((u) => [u.id, around(from, middle, u)]));
  const away = (u: Unit) => (u.mount === 'away' ? 1 : 0);
  // what hangs above another is looked into after it
  return units.sort(
    (a, b) => away(a) - away(b) || angle.get(a.id)! - angle.get(b.id)! || a.bottom - b.bottom || (a.id < b.id ? -1 : 1),
  );
}

function pointOfDoor(plan: Plan, door: Plan['openings'][string]): { x: number; y: number } | undefined {
  const walls = Object.values(plan.walls).sort((a, b) => a.seq - b.seq);
  const i = walls.findIndex((w) => w.id === door.wallId);
  const { outline } = roomOf(plan);
  const [a, b] = [outline[i], outline[(i + 1) % outline.length]];
  if (!a || !b || i < 0) return undefined;
  const t = (door.left + door.width / 2) / walls[i]!.length;
  return { x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t };
}

/** One stop of the tour: a place, and how deep it stands in others. */
export type Stop = { place: Place; unit: Unit; depth: number };

/** Every place in the order one walks and looks: unit after unit, row after row from the top, each with what stands in it. */
export function tourOf(plan: Plan): Stop[] {
  const inside = new Map<string, Place[]>();
  const own = new Map<string, Place[]>();
  for (const place of Object.values(plan.places)) {
    const [map, key] = place.inId === null ? [own, place.unitId] : [inside, place.inId];
    map.set(key, [...(map.get(key) ?? []), place]);
  }
  const byHeight = (a: Place, b: Place) =>
    b.bottom - a.bottom || a.left - b.left || a.part - b.part || (a.id < b.id ? -1 : 1);
  const byColumn = (a: Place, b: Place) =>
    a.front - b.front || a.left - b.left || b.bottom - a.bottom || (a.id < b.id ? -1 : 1);
  const stops: Stop[] = [];
  const add = (unit: Unit, place: Place, depth: number) => {
    stops.push({ place, unit, depth });
    for (const inner of (inside.get(place.id) ?? []).sort(byColumn)) add(unit, inner, depth + 1);
  };
  for (const unit of unitsOnTour(plan))
    for (const place of (own.get(unit.id) ?? []).sort(byHeight)) add(unit, place, 0);
  return stops;
}

/** How far the tour is: places looked into, those not yet, and where it goes on. */
export type TourState = { stops: Stop[]; seen: number; next: Stop | null };

export function tourState(plan: Plan): TourState {
  const stops = tourOf(plan);
  const unseen = stops.filter((s) => s.place.touredOn === null);
  return { stops, seen: stops.length - unseen.length, next: unseen[0] ?? null };
}
