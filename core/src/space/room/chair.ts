import { direction, distance } from '../../measures/geometry/index.ts';
import { type Command, type Plan, type Station, type Unit } from '../../record/plan/index.ts';

/** A chair this near the middle of a seat is that seat's, mm (own assumption). */
const AT_SEAT = 450;

/** The chair of a seat: the nearest one at it that is not nearer to another seat; null without one, or where the maker stands. */
export function chairOf(plan: Pick<Plan, 'units' | 'stations'>, station: Station): Unit | null {
  if (station.standing) return null;
  const others = Object.values(plan.stations).filter((s) => s.id !== station.id && !s.standing);
  return (
    Object.values(plan.units)
      .filter((u) => u.kind === 'chair' && u.mount === 'floor' && distance(u, station) < AT_SEAT)
      .filter((u) => others.every((s) => distance(u, s) >= distance(u, station)))
      .sort((a, b) => distance(a, station) - distance(b, station))[0] ?? null
  );
}

const tidy = (n: number) => Math.round(n * 10) / 10;

type Spot = Partial<Pick<Station, 'x' | 'y' | 'heading'>>;
type One = Exclude<Command, { type: 'several' }>;

/** The command that moves a seat, its chair with it. */
export function moveSeat(plan: Pick<Plan, 'units' | 'stations'>, station: Station, to: Spot): Command {
  const commands = seatMoves(plan, station, to);
  return commands.length === 1
    ? commands[0]!
    : { type: 'several', words: `move ${station.name}`.slice(0, 120), commands };
}

/** Commands that move a seat and take its chair along: as far, and turned as much, as the seat is. */
export function seatMoves(plan: Pick<Plan, 'units' | 'stations'>, station: Station, to: Spot): One[] {
  const moved = { ...station, ...to };
  const was = Object.fromEntries(Object.keys(to).map((k) => [k, station[k as keyof Spot]]));
  const commands: One[] = [{ type: 'setStation', id: station.id, set: to, was }];
  const chair = chairOf(plan, station);
  if (!chair || (moved.x === station.x && moved.y === station.y && moved.heading === station.heading)) return commands;
  // where the chair is as seen from the seat: so far ahead of it, so far to its right
  const before = direction(station.heading);
  const after = direction(moved.heading);
  const [dx, dy] = [chair.x - station.x, chair.y - station.y];
  const ahead = dx * before.x + dy * before.y;
  const right = dx * before.y - dy * before.x;
  const facing = chair.facing + moved.heading - station.heading;
  commands.push({
    type: 'setUnit',
    id: chair.id,
    set: {
      x: tidy(moved.x + after.x * ahead + after.y * right),
      y: tidy(moved.y + after.y * ahead - after.x * right),
      facing: facing - 360 * Math.round(facing / 360),
    },
  });
  return commands;
}
