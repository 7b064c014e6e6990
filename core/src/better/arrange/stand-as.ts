import { angleBetween, type Point } from '../../measures/geometry/index.ts';
import { apply, type Command, type Plan, type Unit } from '../../record/plan/index.ts';

/** Nearer than this and so little turned nothing was moved, mm and degrees. */
const SAME = 0.05;
const moved = (a: Pick<Unit, 'x' | 'y' | 'facing'>, b: Pick<Unit, 'x' | 'y' | 'facing'>) =>
  Math.abs(a.x - b.x) > SAME || Math.abs(a.y - b.y) > SAME || Math.abs(angleBetween(b.facing, a.facing)) > SAME;

/** The commands that make a plan stand as another state of it does: furniture, what is on and under it, seats and where carts are parked. */
export function standAs(plan: Plan, then: Plan): Command[] {
  const commands: Command[] = [];
  let now = plan;
  const give = (command: Command) => {
    const done = apply(now, command);
    if (!done.ok) throw new Error(done.reason);
    now = done.plan;
    commands.push(command);
  };
  const depth = (u: Unit): number => (u.hostId === null ? 0 : 1 + depth(then.units[u.hostId]!));
  // what stands on something is taken along first, and put right then
  for (const { id, x, y, facing } of Object.values(then.units).sort(
    (a, b) => depth(a) - depth(b) || (a.id < b.id ? -1 : 1),
  ))
    if (now.units[id] && moved(now.units[id], { x, y, facing })) give({ type: 'setUnit', id, set: { x, y, facing } });
  for (const { id, x, y, heading } of Object.values(then.stations)) {
    const s = now.stations[id];
    if (s && moved({ ...s, facing: s.heading }, { x, y, facing: heading }))
      give({ type: 'setStation', id, set: { x, y, heading } });
  }
  for (const { id, x, y, facing } of Object.values(then.parkings))
    if (now.parkings[id] && moved(now.parkings[id], { x, y, facing }))
      give({ type: 'setParking', id, set: { x, y, facing } });
  return commands;
}

/** Something that stands otherwise in two states of a plan: a unit or a seat; by how many mm, and whether it is turned. */
export type MovedThing = { unitId: string | null; stationId: string | null; name: string; by: number; turned: boolean };

/** Where something would be had it only gone along with what it stands on, or is worked at. */
export function wouldBe(before: Plan, after: Plan, p: Point, hostId: string | null): Point {
  const a = before.units[hostId ?? ''];
  const b = after.units[hostId ?? ''];
  if (!a || !b) return { x: p.x, y: p.y };
  const rad = (angleBetween(a.facing, b.facing) * Math.PI) / 180;
  const [dx, dy] = [p.x - a.x, p.y - a.y];
  return { x: b.x + dx * Math.cos(rad) + dy * Math.sin(rad), y: b.y - dx * Math.sin(rad) + dy * Math.cos(rad) };
}

/** What stands otherwise by more than some mm: furniture, what was slid on or under it, and seats that went another way than their worktop. */
export function movedBetween(before: Plan, after: Plan, least = 1): MovedThing[] {
  const out: MovedThing[] = [];
  for (const u of Object.values(before.units)) {
    const v = after.units[u.id];
    if (!v || u.mount === 'away' || u.kind === 'chair' || u.keptInId !== null) continue;
    const p = wouldBe(before, after, u, u.hostId);
    const by = Math.hypot(v.x - p.x, v.y - p.y);
    const host = before.units[u.hostId ?? ''];
    const gone = host ? angleBetween(host.facing, after.units[host.id]!.facing) : 0;
    const turned = Math.abs(angleBetween(u.facing + gone, v.facing)) > 1;
    if (by >= least || turned) out.push({ unitId: u.id, stationId: null, name: u.name, by, turned });
  }
  for (const s of Object.values(before.stations)) {
    const t = after.stations[s.id];
    if (!t) continue;
    const p = wouldBe(before, after, s, s.unitId);
    const by = Math.hypot(t.x - p.x, t.y - p.y);
    if (by >= least) out.push({ unitId: null, stationId: s.id, name: `the seat of ${s.name}`, by, turned: false });
  }
  return out;
}
