import {
  type Command,
  blankActivity,
  blankPerson,
  blankStation,
  type Plan,
  type Station,
  type Unit,
} from '../../record/plan/index.ts';
import { factsOf } from '../../record/catalogue/index.ts';
import { direction, insidePolygon, footprintDistance } from '../../measures/geometry/index.ts';
import { roomOf } from '../../record/plan/index.ts';
import { unitSolids } from './bodies.ts';

/** From the edge of a top to the middle of a seat, mm; from a front without a top to who stands before it, mm (own assumptions). */
const BEFORE_TOP = 250;
const BEFORE_FRONT = 550;
/** Half a body, mm (docs/computation.md 4.1). */
const BODY = 230;

export const SIDES = ['front', 'left', 'back', 'right'] as const;
/** A side of a unit, as its front looks: left is on the left of who stands before it. */
export type Side = (typeof SIDES)[number];
const TURN: Record<Side, number> = { front: 0, left: 90, back: 180, right: 270 };

/** A spot to work from at a side of a unit, looking at it. */
export type SeatAt = Pick<Station, 'x' | 'y' | 'heading'> & {
  side: Side;
  /** nothing stands there, and it is in the room */
  free: boolean;
};

/** Where one may sit or stand at a unit: the middle of each side; of what is no worktop only its front. mm and degrees of the plan. */
export function seatsAt(plan: Plan, unit: Unit): SeatAt[] {
  const { worktop } = factsOf(unit.kind);
  const { outline, closes } = roomOf(plan);
  const others = Object.values(plan.units).filter(
    (u) => u.id !== unit.id && u.hostId !== unit.id && u.mount !== 'away' && u.keptInId === null && u.bottom < 1500,
  );
  return SIDES.filter((side) => worktop || side === 'front').map((side) => {
    const turn = TURN[side];
    const out = direction(unit.facing + turn);
    const off = (turn % 180 === 0 ? unit.depth : unit.width) / 2 + (worktop ? BEFORE_TOP : BEFORE_FRONT);
    const x = Math.round(unit.x + out.x * off);
    const y = Math.round(unit.y + out.y * off);
    const inside = !closes || insidePolygon({ x, y }, outline);
    const clear = others.every((u) =>
      unitSolids(u).every((s) => s.bottom > 1200 || footprintDistance(s, x, y) >= BODY),
    );
    return { side, x, y, heading: (((unit.facing + turn + 180) % 360) + 360) % 360, free: inside && clear };
  });
}

/** The first free side, else the front. */
export function bestSeatAt(plan: Plan, unit: Unit): SeatAt {
  const seats = seatsAt(plan, unit);
  return seats.find((s) => s.free) ?? seats[0]!;
}

/** What somebody is called, and how tall, before she has said it: mm (about the mean of grown people, own assumption). */
export const SOMEBODY = { name: 'Me', stature: 1680 } as const;

/**
 * Sits (or stands) at a side of a unit in one act: with somebody to sit there and something to do, where the plan has none yet.
 * @param ids of the new rows
 */
export function sitAtCommand(
  plan: Plan,
  unit: Unit,
  seat: SeatAt,
  ids: { station: string; person: string; activity: string },
): Command {
  const people = Object.values(plan.people);
  const person = people.find((p) => !p.child) ?? people[0];
  const unseated = Object.values(plan.activities).find(
    (a) => !Object.values(plan.stations).some((s) => s.activityId === a.id),
  );
  const activity = unseated ?? Object.values(plan.activities)[0];
  const who = person ?? blankPerson(ids.person, SOMEBODY.name, SOMEBODY.stature);
  const what = activity ?? blankActivity(ids.activity, 'Making');
  const { worktop } = factsOf(unit.kind);
  const standing = !worktop || unit.bottom + unit.height > 850 || what.posture === 'standing';
  const { x, y, heading } = seat;
  const name = `${unit.name}, ${seat.side === 'front' ? (worktop ? 'seat' : 'before it') : seat.side}`;
  return {
    type: 'several',
    words: standing ? `stand at ${unit.name}` : `sit at ${unit.name}`,
    commands: [
      ...(person ? [] : [{ type: 'addPerson' as const, person: who }]),
      ...(activity ? [] : [{ type: 'addActivity' as const, activity: what }]),
      {
        type: 'addStation' as const,
        station: {
          ...blankStation(ids.station, name.slice(0, 60), what.id, who.id),
          unitId: worktop ? unit.id : null,
          x,
          y,
          heading,
          standing,
        },
      },
    ] as never,
  };
}
