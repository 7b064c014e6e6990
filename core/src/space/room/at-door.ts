import { heading, type Point } from '../../measures/geometry/index.ts';
import {
  type Activity,
  blankStation,
  type Command,
  DONE_AT_WORDS,
  type DoneAt,
  middleOfRoom,
  type Plan,
  type Station,
} from '../../record/plan/index.ts';
import { CATALOGUE } from '../../record/catalogue/index.ts';
import { insideDoor } from './free-floor.ts';
import { bestSeatAt } from './sit.ts';

/** Where things are taken out of the room and come back to: inside the widest door, looking in; in the middle of a room without one. mm, degrees. */
export function spotAtDoor(plan: Plan): Pick<Station, 'x' | 'y' | 'heading'> {
  const [door] = Object.values(plan.openings)
    .filter((o) => o.kind === 'door')
    .sort((a, b) => b.width - a.width || (a.id < b.id ? -1 : 1));
  const inside: Point | null = door ? insideDoor(plan, door.id) : null;
  const middle = middleOfRoom(plan);
  if (!inside) return { ...middle, heading: 0 };
  return { x: Math.round(inside.x), y: Math.round(inside.y), heading: Math.round(heading(inside, middle)) };
}

/** A seat at the door for an activity that is done elsewhere: of somebody grown up, where there is; null where there is nobody. @param id of the new row */
export function seatAtDoor(plan: Plan, activity: Activity, id: string): Station | null {
  const people = Object.values(plan.people);
  const person = people.find((p) => !p.child) ?? people[0];
  if (!person) return null;
  const name = `${activity.name} at the door`.slice(0, 120);
  return { ...blankStation(id, name, activity.id, person.id), ...spotAtDoor(plan), standing: true };
}

/**
 * Says where an activity is done. Elsewhere, its seats move to the door, where its things go out and come back (with one of its own, if it has none and
 * there is somebody); back in this room, seats without a worktop sit down at the first there is.
 * @param ids of a new seat
 */
export function doneAtCommand(plan: Plan, activity: Activity, doneAt: DoneAt, ids: { station: string }): Command {
  const seats = Object.values(plan.stations).filter((s) => s.activityId === activity.id);
  const wasHere = activity.doneAt === 'here';
  const commands: Command[] = [
    { type: 'setActivity', id: activity.id, set: { doneAt }, was: { doneAt: activity.doneAt } },
  ];
  const table = Object.values(plan.units).find((u) => CATALOGUE[u.kind].worktop && u.mount !== 'away');
  if (wasHere && doneAt !== 'here') {
    const at = { ...spotAtDoor(plan), unitId: null, standing: true, seatHeight: null, parkingId: null };
    for (const s of seats) commands.push({ type: 'setStation', id: s.id, set: at });
    const station = seats.length === 0 ? seatAtDoor(plan, activity, ids.station) : null;
    if (station) commands.push({ type: 'addStation', station });
  }
  if (!wasHere && doneAt === 'here' && table) {
    const { x, y, heading: turned } = bestSeatAt(plan, table);
    const at = { x, y, heading: turned, unitId: table.id, standing: activity.posture === 'standing' };
    for (const s of seats) if (s.unitId === null) commands.push({ type: 'setStation', id: s.id, set: at });
  }
  return commands.length === 1
    ? commands[0]!
    : ({ type: 'several', words: `do ${activity.name} ${DONE_AT_WORDS[doneAt]}`.slice(0, 120), commands } as Command);
}
