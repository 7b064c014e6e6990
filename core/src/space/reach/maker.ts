import { type Body, bodyOf } from '../body/index.ts';
import { type Point, direction, rotateRight } from '../../measures/geometry/index.ts';
import { type Person, type Plan, type Station } from '../../record/plan/index.ts';

export type SeatSpec = {
  x: number;
  y: number;
  /** degrees clockwise from up the page */
  heading: number;
  standing: boolean;
  /** mm above the floor; null: derived from stature */
  seatHeight: number | null;
  /** worktop height, mm; null: none, hands rest at elbow height */
  worktop: number | null;
};

/** A person at a seat: what fetching starts from. */
export type Maker = {
  person: Person;
  seat: SeatSpec;
  /** as she is while working */
  body: Body;
  /** on her feet */
  upright: Body;
  ahead: Point;
  right: Point;
  /** height at which the hands rest, mm */
  handHeight: number;
};

/** Seat height as a share of stature plus shoes: knee height less the thigh (own assumption). */
const SEAT_SHARE = 0.26;

export function makerAt(person: Person, seat: SeatSpec): Maker {
  const seated = person.mobility === 'wheelchair' || (!seat.standing && person.mobility !== 'standing');
  const seatHeight = seated ? (seat.seatHeight ?? SEAT_SHARE * person.stature + 25) : null;
  const body = bodyOf(person, seatHeight);
  const ahead = direction(seat.heading);
  return {
    person,
    seat: { ...seat, standing: !seated },
    body,
    upright: bodyOf(person, null),
    ahead,
    right: rotateRight(ahead),
    handHeight: seat.worktop ?? body.elbow,
  };
}

const makers = new WeakMap<Station, { person: Person; worktop: number | null; maker: Maker }>();

/** The maker of a station, or null while its person is missing; computed once per station, person and worktop. */
export function makerOf(plan: Plan, station: Station): Maker | null {
  const person = plan.people[station.personId];
  if (!person) return null;
  const table = station.unitId ? plan.units[station.unitId] : undefined;
  const worktop = table ? table.bottom + table.height : null;
  const known = makers.get(station);
  if (known && known.person === person && known.worktop === worktop) return known.maker;
  const { x, y, heading, standing, seatHeight } = station;
  const maker = makerAt(person, { x, y, heading, standing, seatHeight, worktop });
  makers.set(station, { person, worktop, maker });
  return maker;
}
