import { type Body } from '../body/index.ts';
import { angleBetween, direction, distance, distance3, heading, type Point } from '../../measures/geometry/index.ts';
import { type Motion } from './covers.ts';
import { type Maker } from './maker.ts';
import { inches, PACE, sideStep, STOOL_RISE, STOOL_STEP, TMU } from './mtm.ts';
import { postureAt, type Postured } from './posture.ts';
import { floorIsFree, LEANING_HALF, NEAREST, type Stand, standingSpots } from './standing.ts';
import { seesMouth } from './free-line.ts';
import { type Scene, type Spot } from './spot.ts';
import { walkLengthTo } from './walks.ts';
import { type Cheapest, isBefore, type Pose, readyHand, type Refusal, towards, turned, turnNeeded } from './way.ts';

const LEAN = (30 * Math.PI) / 180;
/** Shifting one's weight is no step, mm (own assumption). */
const SHIFT = 100;
/** Whoever walks to a place turns whichever shoulder to it that serves, or none. */
const ANY_SHOULDER = [0, -1, 1];

/** Highest standing grip above the floor, mm, `standOff` being the horizontal distance that furniture forces (at least 250). */
export function highestGrip(body: Body, standOff: number): number {
  const h = Math.max(NEAREST, standOff);
  return body.shoulder + Math.sqrt(Math.max(0, body.gripReach ** 2 - h ** 2));
}

/** The same for a body leaning 30° over what is in the way. */
function leaningGrip(body: Body, standOff: number): number {
  const h = Math.max(0, standOff - body.trunk * Math.sin(LEAN));
  return body.shoulder - body.trunk * (1 - Math.cos(LEAN)) + Math.sqrt(Math.max(0, body.gripReach ** 2 - h ** 2));
}

const FETCH_STOOL: Motion = {
  code: 'W2P G1A W2PO RL1',
  tmu: 2 * TMU.pace + TMU.graspClear + 2 * TMU.paceLaden + TMU.release,
  text: 'fetch the step stool',
};

/**
 * Bands 4 to 6, and 3 for somebody who stands already: on the feet at the seat or at the place's standing spot; from a step stool what is above the
 * highest standing grip.
 * @returns why she does not get there so; null when she does or when it could not have been cheaper
 */
export function footWays(scene: Scene, maker: Maker, spot: Spot, cheapest: Cheapest): Refusal | null {
  const rise: Motion[] = maker.seat.standing ? [] : [{ code: 'STD', tmu: TMU.stand, text: 'stand up' }];
  const sit: Motion[] = maker.seat.standing ? [] : [{ code: 'SIT', tmu: TMU.sit, text: 'sit down' }];
  const up = maker.seat.standing ? 0 : TMU.stand + TMU.sit;
  if (!cheapest.may(up)) return null;
  if (!maker.seat.standing) fromTheFeetAtTheSeat(scene, maker, spot, cheapest, rise, sit);

  const stands = standingSpots(scene, spot, LEANING_HALF);
  if (stands.length === 0) return 'floor';
  let refusal: Refusal | null = null;
  let served = false;
  for (const stand of stands) {
    const why = byWalking(scene, maker, spot, cheapest, stand, rise, sit);
    if (why === null) served = true;
    else refusal ??= why;
  }
  return served ? null : refusal;
}

/** Going to where one stands before a place. @returns why that does not serve */
function byWalking(
  scene: Scene,
  maker: Maker,
  spot: Spot,
  cheapest: Cheapest,
  stand: Stand,
  rise: Motion[],
  sit: Motion[],
): Refusal | null {
  const { seat, upright } = maker;
  const up = seat.standing ? 0 : TMU.stand + TMU.sit;
  // no way is shorter than straight: what is too far even so needs no looking at
  const straight = going(distance(seat, stand.at), seat.standing);
  if (!cheapest.may(up + straight.tmu)) return null;
  const found = atTheStand(scene, maker, spot, stand);
  if (typeof found === 'string') return found;
  const turn = turned(angleBetween(seat.heading, heading(seat, spot.grip)));
  const moved = up + 2 * turn.tmu + found.tmu;
  if (!cheapest.may(moved + straight.tmu)) return null;
  const walk = walkLengthTo(scene, maker, stand.at);
  if (!Number.isFinite(walk)) return 'way';
  const go = going(walk, seat.standing);
  const hand = readyHand({ ...found.pose, at: stand.at }, upright, spot.grip);
  if (found.climbs) hand.z += STOOL_RISE;
  const oneStep = walk <= PACE;
  cheapest.offer({
    band: found.climbs ? 6 : oneStep ? (seat.standing && found.there.length === 0 ? 3 : 4) : 5,
    there: [...turn.there, ...rise, ...go.there, ...found.there],
    back: [...found.back, ...go.back, ...turn.back, ...sit],
    hand: distance3(hand, spot.grip),
    handle: distance3(hand, spot.mouth),
  });
  return null;
}

/** Standing up where the seat is, without a pace. */
function fromTheFeetAtTheSeat(
  scene: Scene,
  maker: Maker,
  spot: Spot,
  cheapest: Cheapest,
  rise: Motion[],
  sit: Motion[],
): void {
  const { seat, upright } = maker;
  if (!isBefore(spot, seat)) return;
  const turn = turned(turnNeeded(angleBetween(seat.heading, heading(seat, spot.grip))));
  const moved = TMU.stand + TMU.sit + 2 * turn.tmu;
  if (!cheapest.may(moved)) return;
  const facing = direction(heading(seat, spot.grip));
  const found = postureAt(scene, maker, seat, facing, spot, ANY_SHOULDER, { cheapest, moved });
  if (found === null || typeof found === 'string') return;
  const hand = readyHand(found.pose, upright, spot.grip);
  cheapest.offer({
    band: 4,
    there: [...turn.there, ...rise, ...found.there],
    back: [...found.back, ...turn.back, ...sit],
    hand: distance3(hand, spot.grip),
    handle: distance3(hand, spot.mouth),
  });
}

/** A side step for somebody who stands and goes no farther than a pace, else paces; back again with what was fetched. */
function going(walk: number, standing: boolean): { there: Motion[]; back: Motion[]; tmu: number } {
  if (walk <= SHIFT) return { there: [], back: [], tmu: 0 };
  if (standing && walk <= PACE) {
    const step: Motion = { code: `SS${inches(walk)}C1`, tmu: sideStep(walk), text: 'step aside' };
    return { there: [step], back: [{ ...step, text: 'step back' }], tmu: 2 * step.tmu };
  }
  const n = Math.ceil(walk / PACE - 1e-9);
  const words = `${n} ${n === 1 ? 'pace' : 'paces'}`;
  return {
    there: [{ code: `W${n}P`, tmu: n * TMU.pace, text: words }],
    back: [{ code: `W${n}PO`, tmu: n * TMU.paceLaden, text: `${words} back` }],
    tmu: n * (TMU.pace + TMU.paceLaden),
  };
}

/** Upright one comes close; to bend or kneel before a front one needs room before it, mm farther back than the standing spot. */
const BACK = 150;

function whereOneBends(scene: Scene, spot: Spot, stand: Stand): Point[] {
  const back = { x: stand.at.x + spot.normal.x * BACK, y: stand.at.y + spot.normal.y * BACK };
  return [stand.close, stand.at, ...(floorIsFree(scene, back, LEANING_HALF) ? [back] : [])];
}

/** What the body does at the standing spot of a place; it may come as near to the front as the furniture lets it. */
function atTheStand(scene: Scene, maker: Maker, spot: Spot, stand: Stand): (Postured & { climbs: boolean }) | Refusal {
  const { upright, person } = maker;
  const { z } = spot.grip;
  const to = towards(stand.close, spot.grip);
  const pose: Pose = { at: stand.close, facing: to, lean: 0, to, drop: 0, forward: 0 };
  const seen = (from: Point, height: number) => seesMouth(scene, spot, { ...from, z: height });
  const near = stand.nearest <= upright.gripReach;
  const overhead = z >= upright.shoulder;
  // above the shoulder one grips at the edge, below it inside
  if (overhead && near && z <= highestGrip(upright, stand.nearest) + 1e-6)
    return seen(stand.close, upright.shoulder) || seen(stand.at, upright.shoulder)
      ? { pose, there: [], back: [], tmu: 0, climbs: false }
      : 'blocked';
  let refusal: Refusal | null = null;
  for (const at of whereOneBends(scene, spot, stand)) {
    const found = postureAt(scene, maker, at, to, spot, ANY_SHOULDER, null);
    if (found !== null && typeof found !== 'string') return { ...found, climbs: false };
    refusal ??= found;
  }
  if (!overhead && refusal !== null) return refusal;
  // what is above the highest grip is reached from a stool, unless furniture keeps even that away
  if (!near && stand.nearest > upright.gripReach + upright.trunk * Math.sin(LEAN)) return 'far';
  if (!overhead || z <= (near ? highestGrip(upright, stand.nearest) : leaningGrip(upright, stand.nearest)))
    return refusal ?? 'far';
  if (!person.mayClimb) return 'climb';
  if (!seen(stand.at, z)) return 'blocked';
  const step: Motion = { code: 'STEP', tmu: STOOL_STEP, text: 'climb up' };
  const tmu = FETCH_STOOL.tmu + 2 * step.tmu;
  return { pose, there: [FETCH_STOOL, step], back: [{ ...step, text: 'climb down' }], tmu, climbs: true };
}
