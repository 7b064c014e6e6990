import { direction, type Point, rotateRight } from '../../measures/geometry/index.ts';
import { type Command, type Plan, type Station, type Unit } from '../../record/plan/index.ts';
import { KNEES, kneeSpace, seatMoves } from '../../space/room/index.ts';

/** From the end of a worktop to the middle of a seat at least, mm (own assumption: half a body). */
const FROM_END = 230;
/** Two people’s seats at one worktop keep so far apart, mm (own assumption: a chair’s width). */
const APART = 500;
/** The work before a seat: to each side of it, and so far onto the worktop, mm (own assumption). */
const WORK = { aside: 240, deep: 350 };

type Seat = Pick<Station, 'x' | 'y' | 'heading'>;

/** How far a point is along a direction from another, mm. */
const along = (p: Point, from: Point, by: Point): number => (p.x - from.x) * by.x + (p.y - from.y) * by.y;

/** A seat slid along its worktop by some mm; null where it would leave it, come too near to another person’s, or lose room for the knees. */
export function slideSeat(plan: Plan, station: Station, by: number): Command[] | null {
  const table = station.unitId === null ? undefined : plan.units[station.unitId];
  if (!table) return null;
  const right = rotateRight(direction(station.heading));
  const to: Seat = {
    x: Math.round(station.x + right.x * by),
    y: Math.round(station.y + right.y * by),
    heading: station.heading,
  };
  const turned = Math.abs(Math.round((station.heading - table.facing) / 90)) % 2 === 1;
  const end = (turned ? table.depth : table.width) / 2 - FROM_END;
  const off = (s: Seat) => Math.abs(along(s, table, right));
  if (off(to) > Math.max(end, off(station))) return null;
  for (const other of Object.values(plan.stations)) {
    if (other.id === station.id || other.unitId !== station.unitId || other.personId === station.personId) continue;
    const apart = Math.hypot(other.x - to.x, other.y - to.y);
    if (apart < APART && apart < Math.hypot(other.x - station.x, other.y - station.y)) return null;
  }
  const moved = { ...station, ...to };
  if (!sitsWell(plan, plan, station, moved)) return null;
  for (const guest of Object.values(plan.units))
    if (guest.hostId === table.id && guest.mount === 'on' && onWork(guest, moved) > onWork(guest, station)) return null;
  return seatMoves(plan, station, to);
}

/** What stands on or under a worktop slid along it by some mm; null where it would leave it, hit what stands there, take the knees’ room or lie in the work. */
export function slideGuest(plan: Plan, unit: Unit, by: number): Command[] | null {
  const host = unit.hostId === null ? undefined : plan.units[unit.hostId];
  if (!host) return null;
  const right = rotateRight(direction(host.facing));
  const moved = { ...unit, x: Math.round(unit.x + right.x * by), y: Math.round(unit.y + right.y * by) };
  const half = (u: Unit) => (Math.abs(Math.round((u.facing - host.facing) / 90)) % 2 === 1 ? u.depth : u.width) / 2;
  const off = (u: Unit) => along(u, host, right);
  if (Math.abs(off(moved)) + half(unit) > Math.max(host.width / 2, Math.abs(off(unit)) + half(unit))) return null;
  for (const other of Object.values(plan.units)) {
    if (other.id === unit.id || other.hostId !== host.id || other.mount !== unit.mount || other.keptInId !== null)
      continue;
    const gap = (u: Unit) => Math.abs(off(u) - off(other)) - half(u) - half(other);
    if (gap(moved) < 0 && gap(moved) < gap(unit)) return null;
  }
  const then = { ...plan, units: { ...plan.units, [unit.id]: moved } };
  for (const station of Object.values(plan.stations)) {
    if (station.unitId !== host.id) continue;
    if (unit.mount === 'under' && !sitsWell(plan, then, station, station)) return null;
    if (unit.mount === 'on' && onWork(moved, station) > onWork(unit, station)) return null;
  }
  return [{ type: 'setUnit', id: unit.id, set: { x: moved.x, y: moved.y } }];
}

/** Whether the knees have room under the worktop, or at least as much as before. */
function sitsWell(before: Plan, after: Plan, was: Station, now: Station): boolean {
  if (now.standing || now.unitId === null) return true;
  const wide = (plan: Plan, s: Station) => kneeSpace(plan, s, plan.units[s.unitId!]!).wide;
  const then = wide(after, now);
  return then >= KNEES || then >= wide(before, was);
}

/** How far something lies in the work before a seat, mm; 0: not at all. */
function onWork(unit: Unit, seat: Seat): number {
  const ahead = direction(seat.heading);
  const right = rotateRight(ahead);
  const half = Math.max(unit.width, unit.depth) / 2;
  const aside = WORK.aside + half - Math.abs(along(unit, seat, right));
  // a seat stands some 250 mm before the edge
  const deep = WORK.deep + 250 + Math.min(unit.width, unit.depth) / 2 - along(unit, seat, ahead);
  return Math.max(0, Math.min(aside, deep));
}
