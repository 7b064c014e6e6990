import { angleBetween, distance3, footprintDistance, heading, type Point } from '../../measures/geometry/index.ts';
import { ROLL } from './from-the-seat.ts';
import { type Maker } from './maker.ts';
import { WHEELS } from './gait.ts';
import { type Scene, type Spot } from './spot.ts';
import { seesMouth } from './free-line.ts';
import { type Stand, standingSpots, WHEELCHAIR_HALF } from './standing.ts';
import { walkLengthTo } from './walks.ts';
import { type Cheapest, readyHand, type Refusal, towards } from './way.ts';

/** To the side one reaches over 610 mm at most, and over no more than this height, mm (2010 ADA Standards 308.3.2, from memory). */
const SIDE = { deep: 610, high: 865 };

/**
 * Wheelchair reach ranges of the 2010 ADA Standards, section 308 (from memory): up to 1220 mm; over an obstruction deeper than 510 mm 1170 mm
 * to the side where it is low and shallow enough, else forwards 1120 mm; over more than 635 mm nothing.
 * @param over how far the furniture keeps the chair off, mm; `high` how high that furniture is, mm
 */
function wheelchairTop(over: number, high: number): number {
  if (over <= 510) return WHEELCHAIR_HIGH;
  if (over <= SIDE.deep && high <= SIDE.high) return 1170;
  return over <= 635 ? 1120 : 0;
}

/** Height of the tallest thing on the floor between a body and a place, mm. */
function heightBetween(scene: Scene, from: Point, spot: Spot): number {
  let top = 0;
  for (const { id, prism } of scene.floor) {
    if (id === spot.unit.id) continue;
    for (let t = 0.1; t < 1; t += 0.1)
      if (footprintDistance(prism, from.x + (spot.mouth.x - from.x) * t, from.y + (spot.mouth.y - from.y) * t) <= 0)
        top = Math.max(top, prism.top);
  }
  return top;
}
const WHEELCHAIR_LOW = 380;
const WHEELCHAIR_HIGH = 1220;

/** Whether a height, mm, is within what is reached from a wheelchair at all (2010 ADA Standards 308.2.1 and 308.3.1, from memory). */
export const inWheelchairReach = (z: number): boolean => z >= WHEELCHAIR_LOW && z <= WHEELCHAIR_HIGH;

/**
 * Bands 3 and 5 from a wheelchair: wheeled to the place, reached within the ranges.
 * @returns why she does not get there so; null when she does
 */
export function wheelWays(scene: Scene, maker: Maker, spot: Spot, cheapest: Cheapest): Refusal | null {
  const stands = standingSpots(scene, spot, WHEELCHAIR_HALF);
  if (stands.length === 0) return 'floor';
  const refusals = stands.map((stand) => fromStand(scene, maker, spot, cheapest, stand));
  return refusals.includes(null) ? null : refusals[0]!;
}

/** Wheeled to one of the places from which it is reached. @returns why that does not serve */
function fromStand(scene: Scene, maker: Maker, spot: Spot, cheapest: Cheapest, stand: Stand): Refusal | null {
  const { seat, body } = maker;
  const over = stand.forced ? stand.nearest - WHEELCHAIR_HALF : 0;
  if (spot.grip.z > wheelchairTop(over, heightBetween(scene, stand.at, spot))) return over > 635 ? 'far' : 'high';
  if (spot.grip.z < WHEELCHAIR_LOW) return 'stoop';
  if (!seesMouth(scene, spot, { ...stand.at, z: body.shoulder })) return 'blocked';
  const way = walkLengthTo(scene, maker, stand.at);
  if (!Number.isFinite(way)) return 'way';
  const turn = WHEELS.turned(angleBetween(seat.heading, heading(seat, spot.grip)));
  const roll = WHEELS.rolled(way);
  const to = towards(stand.at, spot.grip);
  const hand = readyHand({ at: stand.at, facing: to, lean: 0, to, drop: 0, forward: 0 }, body, spot.grip);
  cheapest.offer({
    band: way <= ROLL ? 3 : 5,
    there: [...turn.there, roll.there],
    back: [roll.back, ...turn.back],
    hand: distance3(hand, spot.grip),
    handle: distance3(hand, spot.mouth),
  });
  return null;
}
