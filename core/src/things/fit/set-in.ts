import { seatsFor } from './organisers.ts';
import {
  type Command,
  type CommandOf,
  newId,
  type Organiser,
  placesIn,
  type Place,
  type Plan,
} from '../../record/plan/index.ts';

/** “Box 3”: the name of the next container of a kind in a place. */
function nextNames(plan: Plan, place: Place, organiser: Organiser, count: number): string[] {
  const taken = new Set(placesIn(plan, place.id).map((p) => p.name));
  if (count === 1 && !taken.has(organiser.name)) return [organiser.name];
  const names: string[] = [];
  for (let n = 1; names.length < count; n++) {
    const name = `${organiser.name.slice(0, 110)} ${n}`;
    if (!taken.has(name)) names.push(name);
  }
  return names;
}

/** One command for each of so many containers of a kind, where there is room; those that find none stand at the left front of the place. */
export function standInCommands(plan: Plan, place: Place, organiser: Organiser, count: number): CommandOf<'standIn'>[] {
  const seats = seatsFor(plan, place, organiser, count);
  const corner = { left: 0, front: 0, bottom: 0, turned: false };
  return nextNames(plan, place, organiser, count).map((name, i) => ({
    type: 'standIn' as const,
    id: newId('box'),
    organiserId: organiser.id,
    name,
    inId: place.id,
    ...(seats[i] ?? corner),
  }));
}

/**
 * Sets so many containers of a kind into a place, where there is room; those that find none stand at its left front, and the plan says that they do
 * not go in.
 */
export function setInCommand(plan: Plan, place: Place, organiser: Organiser, count: number): Command | null {
  if (count < 1) return null;
  const commands = standInCommands(plan, place, organiser, count);
  return commands.length === 1
    ? commands[0]!
    : { type: 'several', words: `set ${count} of ${organiser.name} in`.slice(0, 120), commands };
}

/** Moves a container into another place, where there is room for it, else to its left front. */
export function moveCommand(plan: Plan, container: Place, to: Place): Command | null {
  const organiser = container.organiserId === null ? undefined : plan.organisers[container.organiserId];
  if (!organiser) return null;
  const [seat] = seatsFor(plan, to, organiser, 1, container.id);
  return {
    type: 'moveContainer',
    id: container.id,
    inId: to.id,
    ...(seat ?? { left: 0, front: 0, bottom: 0, turned: false }),
  };
}
