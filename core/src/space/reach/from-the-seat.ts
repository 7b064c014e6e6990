import { type Body } from '../body/index.ts';
import { angleBetween, direction, distance, distance3, heading } from '../../measures/geometry/index.ts';
import { type Motion } from './covers.ts';
import { gaitOf } from './gait.ts';
import { type Maker } from './maker.ts';
import { inches, NO_TURN, PACE, sideStep, TMU, turnTmu } from './mtm.ts';
import { floorIsFree } from './standing.ts';
import { type Scene, type Spot } from './spot.ts';
import { seesMouth } from './free-line.ts';
import { halfOf } from './walks.ts';
import { postureAt } from './posture.ts';
import {
  armGets,
  handGap,
  type Cheapest,
  isBefore,
  leanOut,
  outToFront,
  type Pose,
  readyHand,
  SIDEWAYS,
  towards,
  turned,
  turnNeeded,
} from './way.ts';

/** A person on a fixed stool twists so far beyond ±90° without getting up, degrees (own assumption). */
const TWIST = 45;
/** A chair is rolled so far at most, mm. */
export const ROLL = 600;
/** Mesh of the places a chair is rolled to or a foot is set, mm, and how many directions are looked in; the best is then looked at more finely. */
const MESH = 100;
const DIRECTIONS = 32;
const FINER = [
  { degrees: 6, lengths: [-75, -50, -25, 0, 25, 50] },
  { degrees: 3, lengths: [-25, -12, 0, 12, 25] },
];
/** A seat may stand so far under an edge before it rolls free of it, mm (own assumption). */
const TUCKED = 200;

/** Band 1 and 2: without moving the body, from where the hands rest on the work. */
export function directWays(scene: Scene, maker: Maker, spot: Spot, cheapest: Cheapest): void {
  const { seat, body, ahead, right } = maker;
  const bearing = Math.abs(angleBetween(seat.heading, heading(seat, spot.grip)));
  if (bearing > 90 || !isBefore(spot, seat)) return;
  for (const side of [-1, 1]) {
    const aside = {
      x: seat.x + right.x * side * body.shoulderHalfBreadth,
      y: seat.y + right.y * side * body.shoulderHalfBreadth,
    };
    const shoulder = { ...aside, z: body.shoulder };
    if (distance3(shoulder, spot.grip) > body.gripReach || !seesMouth(scene, spot, shoulder)) continue;
    const elbow = { ...aside, z: body.elbow };
    const hand = { x: aside.x + ahead.x * body.handReach, y: aside.y + ahead.y * body.handReach, z: maker.handHeight };
    const near =
      spot.place.covers.length === 0 &&
      bearing <= 60 &&
      Math.abs(spot.grip.z - body.elbow) <= 250 &&
      distance3(elbow, spot.grip) <= body.handReach;
    cheapest.offer({
      band: near ? 1 : 2,
      there: [],
      back: [],
      hand: distance3(hand, spot.grip),
      handle: distance3(hand, spot.mouth),
    });
  }
}

/** Leaning from a chair: the trunk up to 30° at half a bend and arise, up to 60° at a whole one. */
const degrees = (list: readonly number[]) => list.map((d) => (d * Math.PI) / 180);
const LEANS: readonly { angles: readonly number[]; share: number }[] = [
  { angles: [0], share: 0 },
  { angles: degrees([6, 12, 18, 24, 30]), share: 0.5 },
  { angles: degrees([36, 42, 48, 54, 60]), share: 1 },
];

function leaning(share: number): { there: Motion[]; back: Motion[] } {
  if (share === 0) return { there: [], back: [] };
  const code = share < 1 ? '½' : '';
  return {
    there: [{ code: `${code}B`, tmu: share * TMU.bend, text: share < 1 ? 'lean a little' : 'lean to it' }],
    back: [{ code: `${code}AB`, tmu: share * TMU.arise, text: 'sit up again' }],
  };
}

/** A place the chair is rolled to or a foot is set, `by` mm from the seat in a direction (degrees). */
type Step = { x: number; y: number; by: number; way: number };
const freeSteps = new WeakMap<object, WeakMap<Maker, Record<'left' | 'right', Step[]>>>();

/**
 * Where the chair may be rolled, or one foot set, over free floor: nearest first, the place itself left out; of those as near first the ones towards
 * the side a place is on, so that a room and its mirror image agree. Looked at once per seat.
 */
function stepsFrom(scene: Scene, maker: Maker): Record<'left' | 'right', Step[]> {
  let makers = freeSteps.get(scene.ground);
  if (!makers) freeSteps.set(scene.ground, (makers = new WeakMap()));
  let steps = makers.get(maker);
  if (!steps) {
    makers.set(maker, (steps = { right: stepsTo(scene, maker, 1), left: stepsTo(scene, maker, -1) }));
  }
  return steps;
}

function stepsTo(scene: Scene, maker: Maker, side: 1 | -1): Step[] {
  const { seat } = maker;
  const steps: Step[] = [];
  const furthest = seat.standing ? PACE : ROLL;
  const half = halfOf(maker);
  for (let a = 0; a < DIRECTIONS; a++) {
    const way = seat.heading + side * a * (360 / DIRECTIONS);
    let left = false;
    for (let by = MESH; by <= furthest; by += MESH) {
      const at = stepTo(maker, way, by);
      if (floorIsFree(scene, at, half)) {
        left = true;
        steps.push(at);
      } else if (left || (by > TUCKED && !floorIsFree(scene, at, 1))) break;
    }
  }
  return steps.sort((a, b) => a.by - b.by);
}

function stepTo({ seat }: Maker, way: number, by: number): Step {
  const to = direction(way);
  return { x: seat.x + to.x * by, y: seat.y + to.y * by, by, way };
}

/** Looks at one place the body moves to (the seat itself: by 0); true when that gave the cheapest way so far. */
type Look = (scene: Scene, maker: Maker, spot: Spot, cheapest: Cheapest, at: Step) => boolean;

/** Looks at the seat, at the steps, nearest first, and then between the best of them and its neighbours. */
function overSteps(look: Look, scene: Scene, maker: Maker, spot: Spot, cheapest: Cheapest, most: number): void {
  const { seat, person } = maker;
  const { rollTmu } = gaitOf(person);
  look(scene, maker, spot, cheapest, { x: seat.x, y: seat.y, by: 0, way: 0 });
  const furthest = seat.standing ? PACE : ROLL;
  if (person.mobility === 'stool' && !seat.standing) return;
  if (distance(seat, spot.grip) > most + furthest || !cheapest.may(2 * rollTmu(0))) return;
  let best: Step | null = null;
  const missed: Step[] = [];
  const side = angleBetween(seat.heading, heading(seat, spot.grip)) < 0 ? -1 : 1;
  for (const step of stepsFrom(scene, maker)[side < 0 ? 'left' : 'right']) {
    if (!cheapest.may(2 * rollTmu(step.by))) break;
    nearly = false;
    if (look(scene, maker, spot, cheapest, step)) best = step;
    if (nearly && missed.length < MOST_MISSED) missed.push(step);
  }
  const half = halfOf(maker);
  for (const step of edgeSteps(scene, maker, spot, furthest, cheapest)) {
    if (!cheapest.may(2 * rollTmu(step.by))) break;
    if (look(scene, maker, spot, cheapest, step)) best = step;
  }
  const around = (step: Step, { degrees, lengths }: (typeof FINER)[number]) => {
    for (let turn = -side; turn * side <= 1; turn += side)
      for (const more of lengths) {
        const finer = stepTo(maker, step.way + turn * degrees, step.by + more);
        if (finer.by <= 0 || finer.by > furthest || !cheapest.may(2 * rollTmu(finer.by))) continue;
        if (floorIsFree(scene, finer, half) && look(scene, maker, spot, cheapest, finer)) best = finer;
      }
  };
  for (const step of missed) around(step, CLOSER);
  if (best) for (const finer of FINER) around(best, finer);
}

/** How far off the grip a body stands that is looked at on the lines below, mm. */
const EDGE_MESH = 50;
const EDGE = Array.from({ length: 16 }, (_, i) => 150 + EDGE_MESH * i);

/**
 * Straight towards a place, where a body just need not turn for it, and where an arm just gets to it: the best of that falls between the points of the mesh.
 */
function edgeSteps(scene: Scene, maker: Maker, spot: Spot, furthest: number, cheapest: Cheapest): Step[] {
  const { seat } = maker;
  const half = halfOf(maker);
  const { rollTmu } = gaitOf(maker.person);
  // what cannot be cheaper is not looked at
  const worth = (by: number): boolean => by > 0 && by <= furthest && cheapest.may(2 * rollTmu(by));
  const straight = heading(seat, spot.grip);
  const aside = angleBetween(seat.heading, straight);
  const ways = [straight];
  if (Math.abs(aside) > SIDEWAYS)
    for (const less of [0.5, 7, 15, 30]) ways.push(seat.heading + Math.sign(aside) * (SIDEWAYS + NO_TURN - less));
  const steps: Step[] = [];
  for (const way of ways) {
    const to = direction(way);
    const stands = (off: number): boolean => {
      const at = { x: spot.grip.x - to.x * off, y: spot.grip.y - to.y * off };
      const by = distance(seat, at);
      if (!worth(by) || !floorIsFree(scene, at, half)) return false;
      steps.push({ ...at, by, way: heading(seat, at) });
      return true;
    };
    let before = true;
    for (const off of EDGE) {
      const free = stands(off);
      // as near as the floor is free
      if (free && !before) for (let by = EDGE_MESH / 2, at = off; by > 3; by /= 2) if (stands(at - by)) at -= by;
      before = free;
    }
  }
  // without a turn, an arm just gets there from a circle about the grip, for either shoulder, upright or leaning
  const body = seat.standing ? maker.upright : maker.body;
  for (const lean of seat.standing ? [0] : ROUND_LEANS) {
    const above = spot.grip.z - body.shoulder + body.trunk * (1 - Math.cos(lean));
    const left = body.gripReach ** 2 - above ** 2;
    if (left <= 0) continue;
    const round = Math.sqrt(left) + leanOut(body, lean) - 1;
    for (const side of BOTH) {
      const aside = side * body.shoulderHalfBreadth;
      const middle = { x: spot.grip.x - maker.right.x * aside, y: spot.grip.y - maker.right.y * aside };
      if (distance(middle, seat) <= round) continue;
      const back = heading(middle, seat);
      for (const turn of ROUND) {
        const to = direction(back + turn);
        const at = { x: middle.x + to.x * round, y: middle.y + to.y * round };
        const by = distance(seat, at);
        if (worth(by) && floorIsFree(scene, at, half)) steps.push({ ...at, by, way: heading(seat, at) });
      }
    }
  }
  return steps.sort((a, b) => a.by - b.by);
}
const ROUND_LEANS = [0, Math.PI / 6, Math.PI / 3];
const ROUND = [0, -8, 8, -16, 16, -24, 24, -36, 36, -48, 48];

/** Set by a look that a cheaper way missed by less than the mesh. */
let nearly = false;
/** So little is missing that a place between two of the mesh may do, mm and degrees; and how many such are looked at. */
const NEARLY = { mm: 60, degrees: 7 };
const MOST_MISSED = 8;
const CLOSER = { degrees: 5, lengths: [-50, 0, 50] };

/** How far an arm gets from where the body is, leaning and all, mm. */
const armsLength = (body: Body, lean: number) =>
  body.gripReach + body.trunk * Math.sin(lean) + body.shoulderHalfBreadth;

/** How much is missing, mm, for a body leaning so far (radians) to get to what is so far off and so much above its shoulder; a first look. */
function missing(body: Body, above: number, lean: number, far: number): number {
  if (lean === 0 && Math.abs(above) > body.gripReach) return Infinity;
  const up = above + body.trunk * (1 - Math.cos(lean));
  const left = body.gripReach ** 2 - up ** 2;
  if (left < 0) return Infinity;
  return far - body.trunk * Math.sin(lean) - body.shoulderHalfBreadth - Math.sqrt(left);
}

/**
 * Band 3, seated: turning as far as needed, leaning forward or sideways, rolling the chair up to 600 mm.
 */
export function chairWays(scene: Scene, maker: Maker, spot: Spot, cheapest: Cheapest): void {
  const { body } = maker;
  const above = spot.grip.z - body.shoulder;
  for (let i = 0; i < LEANS.length; i++) {
    let most = -Infinity;
    for (const angle of LEANS[i]!.angles) most = Math.max(most, -missing(body, above, angle, 0));
    within[i] = most;
  }
  overSteps(fromTheChair, scene, maker, spot, cheapest, armsLength(body, Math.PI / 3));
}

/** How far off a place may be for each of {@link LEANS} to get there, mm; for the place that is looked at now. */
const within = LEANS.map(() => 0);

function fromTheChair(scene: Scene, maker: Maker, spot: Spot, cheapest: Cheapest, at: Step): boolean {
  const { seat, body, person } = maker;
  const gait = gaitOf(person);
  const far = distance(at, spot.grip);
  if (far > Math.max(within[0]!, within[1]!, within[2]!) + NEARLY.mm || !isBefore(spot, at)) return false;
  const need = turnNeeded(angleBetween(seat.heading, heading(at, spot.grip)));
  if (person.mobility === 'stool' && Math.abs(need) > TWIST) return false;
  const rolls = at.by > 0 ? gait.rollTmu(at.by) : 0;
  const moved = 2 * (rolls + gait.turnTmu(need));
  if (2 * (rolls + gait.turnTmu(Math.abs(need) - NEARLY.degrees)) < moved) nearly = true;
  if (!cheapest.may(moved)) return false;
  const to = towards(at, spot.grip);
  const facing = direction(seat.heading + need);
  const front = outToFront(body, spot, at, facing, to);
  let won = false;
  for (let i = 0; i < LEANS.length; i++) {
    const { angles, share } = LEANS[i]!;
    // without any move of the body it is a direct way
    if (share === 0 && at.by === 0 && need === 0) continue;
    const tmu = moved + share * (TMU.bend + TMU.arise);
    if (!cheapest.may(tmu)) break;
    const short = far - within[i]!;
    if (short > 0) {
      if (short < NEARLY.mm && cheapest.may(tmu, far - body.trunk * Math.sin(angles.at(-1)!) - body.handReach))
        nearly = true;
      continue;
    }
    for (const angle of angles) {
      if (missing(body, spot.grip.z - body.shoulder, angle, far) > 0) continue;
      const whole = Math.min(far, leanOut(body, angle));
      let hand = handGap(body, angle, 0, far, spot.grip.z, whole);
      if (!cheapest.may(tmu, hand)) continue;
      const pose: Pose = { at, facing, lean: angle, to, drop: 0, forward: whole };
      let arm = armGets(scene, pose, body, spot);
      // the front is in the way: the back rounded, no farther than that
      if (arm === 'blocked' && whole > front) {
        pose.forward = front;
        hand = handGap(body, angle, 0, far, spot.grip.z, front);
        if (!cheapest.may(tmu, hand)) continue;
        arm = armGets(scene, pose, body, spot);
      }
      if (arm !== 'yes') {
        if (arm === 'far') nearly = true;
        continue;
      }
      const handle = distance3(readyHand(pose, body, spot.grip), spot.mouth);
      const turn = gait.turned(need);
      const lean = leaning(share);
      const roll = at.by > 0 ? gait.rolled(at.by) : null;
      const better = cheapest.offer({
        band: 3,
        there: [...turn.there, ...(roll ? [roll.there] : []), ...lean.there],
        back: [...lean.back, ...(roll ? [roll.back] : []), ...turn.back],
        hand,
        handle,
      });
      won ||= better;
    }
  }
  return won;
}

const stepMotion = (by: number, text: string): Motion => ({ code: `SS${inches(by)}C1`, tmu: sideStep(by), text });

/**
 * Bands 3 and 4 of somebody who stands already: turning on the spot or one side step, upright, bending, stooping or kneeling there.
 */
export function onTheSpotWays(scene: Scene, maker: Maker, spot: Spot, cheapest: Cheapest): void {
  overSteps(fromTheFeet, scene, maker, spot, cheapest, armsLength(maker.upright, Math.PI / 6));
}

function fromTheFeet(scene: Scene, maker: Maker, spot: Spot, cheapest: Cheapest, at: Step): boolean {
  const { seat, upright } = maker;
  if (!isBefore(spot, at) || distance(at, spot.grip) > armsLength(upright, Math.PI / 6)) return false;
  const need = turnNeeded(angleBetween(seat.heading, heading(at, spot.grip)));
  const steps = at.by > 0 ? sideStep(at.by) : 0;
  const moved = 2 * (steps + turnTmu(need));
  if (2 * (steps + turnTmu(Math.abs(need) - NEARLY.degrees)) < moved) nearly = true;
  if (!cheapest.may(moved)) return false;
  const still = at.by === 0 && need === 0;
  const facing = direction(seat.heading + need);
  const found = postureAt(scene, maker, at, facing, spot, BOTH, { cheapest, moved }, still);
  const short = distance3({ ...at, z: upright.shoulder }, spot.grip) - upright.gripReach - upright.shoulderHalfBreadth;
  if (short > 0 && short < NEARLY.mm && cheapest.may(moved)) nearly = true;
  if (found === null || typeof found === 'string') return false;
  const ready = readyHand(found.pose, upright, spot.grip);
  const hand = distance3(ready, spot.grip);
  const handle = distance3(ready, spot.mouth);
  const turn = turned(need);
  const step = at.by > 0 ? [stepMotion(at.by, 'step aside')] : [];
  return cheapest.offer({
    band: found.there.length === 0 ? 3 : 4,
    there: [...turn.there, ...step, ...found.there],
    back: [...found.back, ...step.map((m) => ({ ...m, text: 'step back' })), ...turn.back],
    hand,
    handle,
  });
}

const BOTH = [-1, 1] as const;
