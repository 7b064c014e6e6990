import {
  angleBetween,
  type Point,
  type Point3,
  distance,
  distance3,
  footprintDistance,
  heading,
  rotateRight,
} from '../geometry/index.ts';
import { type Body } from '../body/index.ts';
import { type Motion } from './covers.ts';
import { type Maker } from './maker.ts';
import { inches, PACE, sideStep, STOOL_RISE, STOOL_STEP, TMU, turnTmu } from './mtm.ts';
import {
  BODY_HALF,
  floorIsFree,
  LEANING_HALF,
  lineIsFree,
  NEAREST,
  type Scene,
  type Spot,
  standingSpot,
  WHEELCHAIR_HALF,
} from './scene.ts';
import { walkLengthTo } from './walks.ts';

/** One way for the body to get a hand to a place: what it does on the way there and back, and how far the hand then goes. */
export type Way = {
  band: 1 | 2 | 3 | 4 | 5 | 6;
  there: Motion[];
  /** the way back laden (get) and empty-handed (put back cost the same elements) */
  back: Motion[];
  /** straight from the hand to the grip point, mm */
  hand: number;
  /** from the hand to the handle of a cover, mm */
  handle: number;
};

/** What the body would have to do but may not. */
export type Refusal = 'climb' | 'stoop' | 'kneel' | 'blocked' | 'floor' | 'way' | 'high' | 'far';

const LEAN = (30 * Math.PI) / 180;
const ROLL = 600;
/** So far a standing body leans over without a step, mm (own assumption). */
const SHIFT = 100;
/** A person on a fixed stool twists so far beyond ±90° without getting up, degrees (own assumption). */
const TWIST = 45;

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

function isBefore(spot: Spot, p: Point): boolean {
  return spot.place.opens === 'top' || (p.x - spot.mouth.x) * spot.normal.x + (p.y - spot.mouth.y) * spot.normal.y > 0;
}

function shoulders(at: Point, facing: Point, body: Body, forward = 0, down = 0): Point3[] {
  const right = rotateRight(facing);
  return [-1, 1].map((side) => ({
    x: at.x + right.x * side * body.shoulderHalfBreadth + facing.x * forward,
    y: at.y + right.y * side * body.shoulderHalfBreadth + facing.y * forward,
    z: body.shoulder - down,
  }));
}

function towards(from: Point, to: Point): Point {
  const d = distance(from, to);
  return d < 1 ? { x: 0, y: 1 } : { x: (to.x - from.x) / d, y: (to.y - from.y) / d };
}

/** Bands 1 and 2: without moving the body. */
export function directWay(scene: Scene, maker: Maker, spot: Spot): Way | null {
  const { seat, body, ahead, right } = maker;
  const bearing = Math.abs(angleBetween(seat.heading, heading(seat, spot.grip)));
  if (bearing > 90 || !isBefore(spot, seat)) return null;
  let best: Way | null = null;
  for (const side of [-1, 1]) {
    const aside = {
      x: seat.x + right.x * side * body.shoulderHalfBreadth,
      y: seat.y + right.y * side * body.shoulderHalfBreadth,
    };
    const shoulder = { ...aside, z: body.shoulder };
    if (distance3(shoulder, spot.grip) > body.gripReach || !lineIsFree(scene, shoulder, spot.mouth)) continue;
    const elbow = { ...aside, z: body.elbow };
    const hand = { x: aside.x + ahead.x * body.handReach, y: aside.y + ahead.y * body.handReach, z: maker.handHeight };
    const near =
      spot.place.covers.length === 0 &&
      bearing <= 60 &&
      Math.abs(spot.grip.z - body.elbow) <= 250 &&
      distance3(elbow, spot.grip) <= body.handReach;
    const way: Way = {
      band: near ? 1 : 2,
      there: [],
      back: [],
      hand: distance3(hand, spot.grip),
      handle: distance3(hand, spot.mouth),
    };
    if (!best || way.band < best.band || (way.band === best.band && way.hand < best.hand)) best = way;
  }
  return best;
}

function ready(at: Point, facing: Point, body: Body): Point3 {
  return { x: at.x + facing.x * body.handReach, y: at.y + facing.y * body.handReach, z: body.elbow };
}

function turned(degrees: number): { there: Motion[]; back: Motion[] } {
  const tmu = turnTmu(degrees);
  if (tmu === 0) return { there: [], back: [] };
  const code = tmu === TMU.turn ? 'TBC1' : 'TBC2';
  const side = degrees > 0 ? 'right' : 'left';
  return {
    there: [{ code, tmu, text: `turn ${side} ${Math.round(Math.abs(degrees))}°` }],
    back: [{ code, tmu, text: 'turn back' }],
  };
}

/** Whether an arm at this body position, turned to the grip point, gets there; leaning when `lean`. */
function armGets(scene: Scene, at: Point, body: Body, spot: Spot, lean: boolean): boolean {
  if (!isBefore(spot, at)) return false;
  const facing = towards(at, spot.grip);
  const far = distance(at, spot.grip);
  const forward = lean ? Math.min(body.trunk * Math.sin(LEAN), far) : 0;
  const down = lean ? body.trunk * (1 - Math.cos(LEAN)) : 0;
  return shoulders(at, facing, body, forward, down).some(
    (s) => distance3(s, spot.grip) <= body.gripReach && lineIsFree(scene, s, spot.mouth),
  );
}

/** The chair's or the feet's small moves within band 3: places to try, at most 600 mm (seated) or one pace (standing) away. */
const STEPS: { x: number; y: number; by: number }[] = [];
for (const by of [200, 400, 600])
  for (let a = 0; a < 16; a++)
    STEPS.push({ x: Math.sin((a * Math.PI) / 8) * by, y: Math.cos((a * Math.PI) / 8) * by, by });

const freeSteps = new WeakMap<Scene, WeakMap<Maker, typeof STEPS>>();

/** The small moves that end on free floor; the same for every place, so looked at once per seat. */
function stepsFrom(scene: Scene, maker: Maker): typeof STEPS {
  let makers = freeSteps.get(scene);
  if (!makers) freeSteps.set(scene, (makers = new WeakMap()));
  let steps = makers.get(maker);
  if (!steps) {
    const { seat, person } = maker;
    const furthest = seat.standing ? PACE : ROLL;
    const half = person.mobility === 'wheelchair' ? WHEELCHAIR_HALF : BODY_HALF;
    steps = STEPS.filter((s) => s.by <= furthest && floorIsFree(scene, { x: seat.x + s.x, y: seat.y + s.y }, half));
    makers.set(maker, steps);
  }
  return steps;
}

const LEANING: { there: Motion; back: Motion } = {
  there: { code: 'B', tmu: TMU.bend, text: 'lean to it' },
  back: { code: 'AB', tmu: TMU.arise, text: 'sit up again' },
};

function total(way: Way): number {
  return [...way.there, ...way.back].reduce((sum, m) => sum + m.tmu, 0) + way.hand / 1e5;
}

/** Band 3: turning, leaning, rolling the chair up to 600 mm; standing: turning on the spot or one side step. The cheapest of them. */
export function turnWay(scene: Scene, maker: Maker, spot: Spot): Way | null {
  const { seat, body, person } = maker;
  const seated = !seat.standing;
  const degrees = angleBetween(seat.heading, heading(seat, spot.grip));
  const ways: Way[] = [];
  const build = (at: Point, lean: boolean, moved: Motion | null) => {
    const turn = turned(angleBetween(seat.heading, heading(at, spot.grip)));
    const hand = ready(at, towards(at, spot.grip), body);
    ways.push({
      band: 3,
      there: [...turn.there, ...(moved ? [moved] : []), ...(lean ? [LEANING.there] : [])],
      back: [
        ...(lean ? [LEANING.back] : []),
        ...(moved ? [{ ...moved, text: `${moved.text} back` }] : []),
        ...turn.back,
      ],
      hand: distance3(hand, spot.grip),
      handle: distance3(hand, spot.mouth),
    });
  };
  const fixedStool = seated && person.mobility === 'stool';
  if (!fixedStool || Math.abs(degrees) <= 90 + TWIST) {
    if (armGets(scene, seat, body, spot, false)) build(seat, false, null);
    else if (seated && armGets(scene, seat, body, spot, true)) build(seat, true, null);
  }
  if (fixedStool || (ways.length > 0 && ways[0]!.there.every((m) => m !== LEANING.there))) return ways[0] ?? null;
  const furthest = seated ? ROLL : PACE;
  if (distance(seat, spot.grip) > furthest + body.gripReach + body.trunk) return ways[0] ?? null;
  for (const step of stepsFrom(scene, maker)) {
    const at = { x: seat.x + step.x, y: seat.y + step.y };
    const moved: Motion = seated
      ? { code: `SS${inches(step.by)}C1`, tmu: sideStep(step.by), text: `roll the chair ${step.by / 10} cm` }
      : { code: `SS${inches(step.by)}C1`, tmu: sideStep(step.by), text: 'step aside' };
    if (armGets(scene, at, body, spot, false)) build(at, false, moved);
    else if (seated && armGets(scene, at, body, spot, true)) build(at, true, moved);
  }
  return ways.reduce<Way | null>((best, w) => (!best || total(w) < total(best) ? w : best), null);
}

type Posture = { there: Motion[]; back: Motion[]; refusal: Refusal | null };

/** What a standing body does to get its hand to a height (mm above the floor). */
function postureFor(maker: Maker, z: number): Posture {
  const { person } = maker;
  const h = person.stature;
  const pair = (code: string, up: string, down: number, arise: number, text: string): Posture => ({
    there: [{ code, tmu: down, text }],
    back: [{ code: up, tmu: arise, text: 'arise' }],
    refusal: null,
  });
  if (z < 300)
    return { ...pair('KBK', 'AKBK', TMU.kneelBoth, TMU.ariseBoth, 'kneel'), refusal: person.mayKneel ? null : 'kneel' };
  if (z < 0.285 * h)
    return { ...pair('S', 'AS', TMU.bend, TMU.arise, 'stoop'), refusal: person.mayStoop ? null : 'stoop' };
  if (z < 0.38 * h) return pair('B', 'AB', TMU.bend, TMU.arise, 'bend');
  return { there: [], back: [], refusal: null };
}

/** Bands 4 to 6: on the feet at the place's standing spot (or, standing already, bending where she is). */
export function footWay(scene: Scene, maker: Maker, spot: Spot): Way | Refusal {
  const { seat, upright, person } = maker;
  const z = spot.grip.z;
  const stand = standingSpot(scene, spot, LEANING_HALF);
  const posture = postureFor(maker, z);
  const onSpot = seat.standing && posture.there.length > 0 && isBefore(spot, seat);
  if (onSpot && distance(seat, spot.grip) <= upright.gripReach + upright.trunk * Math.sin(LEAN)) {
    if (posture.refusal) return posture.refusal;
    const shoulder = {
      x: seat.x,
      y: seat.y,
      z: Math.max(upright.knee, Math.min(upright.shoulder, z + upright.gripReach)),
    };
    if (lineIsFree(scene, shoulder, spot.mouth)) {
      const turn = turned(angleBetween(seat.heading, heading(seat, spot.grip)));
      const hand = ready(seat, towards(seat, spot.grip), upright);
      return {
        band: 4,
        there: [...turn.there, ...posture.there],
        back: [...posture.back, ...turn.back],
        hand: distance3(hand, spot.grip),
        handle: distance3(hand, spot.mouth),
      };
    }
  }
  if (!stand) return 'floor';
  if (posture.refusal) return posture.refusal;

  const reachable = stand.nearest <= upright.gripReach;
  const leanReach = upright.gripReach + upright.trunk * Math.sin(LEAN);
  if (!reachable && stand.nearest > leanReach) return 'far';
  const leans = !reachable || (stand.forced && posture.there.length === 0 && outOfArm(upright, stand.nearest, spot));
  const top = reachable ? highestGrip(upright, stand.nearest) : leaningGrip(upright, stand.nearest);
  const climbs = z > top + 1e-6;
  if (climbs && !person.mayClimb) return 'climb';
  const eye = {
    x: stand.at.x,
    y: stand.at.y,
    z: climbs ? z : Math.max(upright.knee, Math.min(upright.shoulder, z + upright.gripReach)),
  };
  if (!lineIsFree(scene, eye, spot.mouth)) return 'blocked';

  const walk = walkLengthTo(scene, maker, stand.at);
  if (!Number.isFinite(walk)) return 'way';
  const paces = Math.ceil(walk / PACE - 1e-9);
  const oneStep = walk <= PACE;
  const turn = turned(angleBetween(seat.heading, heading(seat, spot.grip)));
  const there: Motion[] = [...turn.there];
  const back: Motion[] = [];
  if (!seat.standing) there.push({ code: 'STD', tmu: TMU.stand, text: 'stand up' });
  if (seat.standing && oneStep) {
    // shifting one’s weight is no step
    if (walk > SHIFT) {
      const step: Motion = { code: `SS${inches(walk)}C1`, tmu: sideStep(walk), text: 'step aside' };
      there.push(step);
      back.push({ ...step, text: 'step back' });
    }
  } else if (paces > 0) {
    there.push({ code: `W${paces}P`, tmu: paces * TMU.pace, text: `${paces} ${paces === 1 ? 'pace' : 'paces'}` });
    back.push({
      code: `W${paces}PO`,
      tmu: paces * TMU.paceLaden,
      text: `${paces} ${paces === 1 ? 'pace' : 'paces'} back`,
    });
  }
  if (climbs) {
    there.push({
      code: 'W2P G1A W2PO RL1',
      tmu: 2 * TMU.pace + TMU.graspClear + 2 * TMU.paceLaden + TMU.release,
      text: 'fetch the step stool',
    });
    there.push({ code: 'STEP', tmu: STOOL_STEP, text: 'climb up' });
    back.unshift({ code: 'STEP', tmu: STOOL_STEP, text: 'climb down' });
  } else {
    there.push(...posture.there);
    back.unshift(...posture.back);
    if (leans) {
      there.push({ ...LEANING.there, text: 'lean over' });
      back.unshift({ ...LEANING.back, text: 'straighten up' });
    }
  }
  back.push(...turn.back);
  if (!seat.standing) back.push({ code: 'SIT', tmu: TMU.sit, text: 'sit down' });
  const facing = towards(stand.at, spot.grip);
  const hand = ready(stand.at, facing, upright);
  if (climbs) hand.z += STOOL_RISE;
  const band = climbs ? 6 : oneStep ? (seat.standing && posture.there.length === 0 && !leans ? 3 : 4) : 5;
  return { band, there, back, hand: distance3(hand, spot.grip), handle: distance3(hand, spot.mouth) };
}

function outOfArm(body: Body, nearest: number, spot: Spot): boolean {
  const inset = Math.hypot(spot.grip.x - spot.mouth.x, spot.grip.y - spot.mouth.y);
  return Math.hypot(nearest + inset, spot.grip.z - body.shoulder) > body.gripReach;
}

/** To the side one reaches over 610 mm at most, and over no more than this height, mm (2010 ADA Standards 308.3.2, from memory). */
const SIDE = { deep: 610, high: 865 };

/**
 * Wheelchair reach ranges of the 2010 ADA Standards, section 308 (from memory): up to 1220 mm; over an obstruction deeper than 510 mm 1170 mm
 * to the side where it is low and shallow enough, else forwards 1120 mm; over more than 635 mm nothing.
 * @param over how far the furniture keeps the chair off, mm; `high` how high that furniture is, mm
 */
function wheelchairTop(over: number, high: number): number {
  if (over <= 510) return 1220;
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

/** Bands 3 and 5 from a wheelchair: wheeled to the place, reached within the ranges. */
export function wheelWay(scene: Scene, maker: Maker, spot: Spot): Way | Refusal {
  const { seat, body } = maker;
  const stand = standingSpot(scene, spot, WHEELCHAIR_HALF);
  if (!stand) return 'floor';
  const over = stand.forced ? stand.nearest - WHEELCHAIR_HALF : 0;
  if (spot.grip.z > wheelchairTop(over, heightBetween(scene, stand.at, spot))) return over > 635 ? 'far' : 'high';
  if (spot.grip.z < WHEELCHAIR_LOW) return 'stoop';
  if (!lineIsFree(scene, { ...stand.at, z: body.shoulder }, spot.mouth)) return 'blocked';
  const way = walkLengthTo(scene, maker, stand.at);
  if (!Number.isFinite(way)) return 'way';
  const paces = Math.max(1, Math.ceil(way / PACE - 1e-9));
  const turn = turned(angleBetween(seat.heading, heading(seat, spot.grip)));
  const roll = (laden: boolean): Motion => ({
    code: `W${paces}P${laden ? 'O' : ''}`,
    tmu: paces * (laden ? TMU.paceLaden : TMU.pace),
    text: `wheel ${laden ? 'back ' : ''}${(way / 1000).toFixed(1)} m`,
  });
  const hand = ready(stand.at, towards(stand.at, spot.grip), body);
  return {
    band: way <= ROLL ? 3 : 5,
    there: [...turn.there, roll(false)],
    back: [roll(true), ...turn.back],
    hand: distance3(hand, spot.grip),
    handle: distance3(hand, spot.mouth),
  };
}
