import { type Body } from '../body/index.ts';
import { leafOf } from '../../record/catalogue/index.ts';
import { distance, distance3, type Point, type Point3, rotateRight } from '../../measures/geometry/index.ts';
import { unitShape } from '../../record/plan/index.ts';
import { coverMotions, type Motion } from './covers.ts';
import { moveB, reachB, TMU, turnTmu } from './mtm.ts';
import { type Scene, type Spot } from './spot.ts';
import { seesMouth } from './free-line.ts';

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

/** What the body would have to do but may not, or what is in its way. */
export type Refusal = 'climb' | 'stoop' | 'kneel' | 'blocked' | 'floor' | 'way' | 'high' | 'far';

/** How far the handle of a cover goes when it is opened, mm: a drawer's pull, or the arc of the door's own leaf. */
export function coverTravel(spot: Spot, cover: Spot['place']['covers'][number]): number {
  if (cover === 'drawer') return spot.pull;
  return (leafOf(spot.unit.kind, unitShape(spot.unit)) || spot.place.width) * (Math.PI / 2);
}

const bothWays = (cover: { open: Motion; shut: Motion }) => 2 * (cover.open.tmu + cover.shut.tmu);

/**
 * The cheapest way so far. Ways are compared by a plain fetch, got and put back; what cannot be cheaper is not looked at.
 */
export class Cheapest {
  way: Way | null = null;
  tmu = Infinity;
  /** what the covers cost apart from reaching for them, and how often that is done, there and back */
  private covers = 0;
  private handles = 0;

  constructor(spot: Spot) {
    const foot = 304.8;
    for (const cover of spot.place.covers) {
      const travel = coverTravel(spot, cover);
      const near = bothWays(coverMotions(cover, 0, travel));
      const reaches = (bothWays(coverMotions(cover, foot, travel)) - near) / (reachB(foot) - reachB(0));
      this.covers += near - reaches * reachB(0);
      this.handles += reaches;
    }
  }

  /** Whether a way whose body motions, there and back, cost so much could still be the cheapest; with the hand's lengths where they are known, mm. */
  may(body: number, hand = 0, handle = 0): boolean {
    return this.price(body, hand, handle) < this.tmu - 1e-9;
  }

  private price(body: number, hand: number, handle: number): number {
    return 2 * body + reachB(hand) + 2 * moveB(hand) + this.covers + this.handles * reachB(handle);
  }

  /** Takes a way when it is the cheapest so far. */
  offer(way: Way): boolean {
    let body = 0;
    for (const m of way.there) body += m.tmu;
    for (const m of way.back) body += m.tmu;
    const tmu = this.price(body, way.hand, way.handle);
    if (tmu >= this.tmu - 1e-9) return false;
    this.tmu = tmu;
    this.way = way;
    return true;
  }
}

/**
 * A body somewhere, its trunk leaning so many radians from upright in a direction, lowered by some mm (kneeling); `to` is towards the place, `forward` how
 * far the shoulders come that way, mm: as far as the lean takes them, or less with the back rounded and the hips drawn back.
 */
export type Pose = { at: Point; facing: Point; lean: number; to: Point; drop: number; forward: number };

/** How far a lean takes the shoulders, mm. */
export const leanOut = (body: Body, lean: number): number => (lean === 0 ? 0 : body.trunk * Math.sin(lean));

/** Shoulders stay so far before the front of what one looks into, mm (own assumption). */
const CLEAR_OF_FRONT = 5;

/** How far both shoulders may come towards a place before one of them is at its front, mm. */
export function outToFront(body: Body, spot: Spot, at: Point, facing: Point, to: Point): number {
  const { normal, mouth } = spot;
  const nearing = -(to.x * normal.x + to.y * normal.y);
  if (nearing < 0.05) return Infinity;
  const off = (at.x - mouth.x) * normal.x + (at.y - mouth.y) * normal.y;
  const aside = Math.abs(facing.y * normal.x - facing.x * normal.y) * body.shoulderHalfBreadth;
  return Math.max(0, (off - aside - CLEAR_OF_FRONT) / nearing);
}

export const isBefore = (spot: Spot, p: Point): boolean =>
  spot.place.opens === 'top' || (p.x - spot.mouth.x) * spot.normal.x + (p.y - spot.mouth.y) * spot.normal.y > 0;

export function towards(from: Point, to: Point): Point {
  const d = distance(from, to);
  return d < 1 ? { x: 0, y: 1 } : { x: (to.x - from.x) / d, y: (to.y - from.y) / d };
}

/**
 * Whether an arm of this body gets to the grip point and nothing is in between.
 * @param sides shoulders that count: −1 left, 1 right, 0 their middle (the body turns one of them forward)
 */
export function armGets(
  scene: Scene,
  pose: Pose,
  body: Body,
  spot: Spot,
  sides: readonly number[] = BOTH,
): 'yes' | 'far' | 'blocked' {
  const right = rotateRight(pose.facing);
  const { forward } = pose;
  const z = body.shoulder - body.trunk * (1 - Math.cos(pose.lean)) - pose.drop;
  let near = false;
  for (const side of sides) {
    const aside = side * body.shoulderHalfBreadth;
    const shoulder = {
      x: pose.at.x + right.x * aside + pose.to.x * forward,
      y: pose.at.y + right.y * aside + pose.to.y * forward,
      z,
    };
    if (distance3(shoulder, spot.grip) > body.gripReach) continue;
    near = true;
    if (seesMouth(scene, spot, shoulder)) return 'yes';
  }
  return near ? 'blocked' : 'far';
}
const BOTH = [-1, 1] as const;

/** Leaning no farther than this the hand is held at the height it has upright, radians (own assumption). */
const HELD = Math.PI / 6 + 1e-9;

/** How high the hand hangs ready, mm: at elbow height of the body as it then is. */
export const readyHeight = (body: Body, lean: number, drop: number): number =>
  body.elbow - (lean > HELD ? body.trunk * (1 - Math.cos(lean)) : 0) - drop;

/** How far out from the body, towards what is `far` mm off, it hangs: 0.20 H ahead of the shoulder, not beyond what is nearer than that. */
const readyOut = (body: Body, forward: number, far: number): number =>
  forward + Math.max(0, Math.min(body.handReach, far - forward));

/** How far the ready hand is from what is `far` mm off and `z` mm high, mm. */
export function handGap(body: Body, lean: number, drop: number, far: number, z: number, forward: number): number {
  const out = far - readyOut(body, forward, far);
  const up = z - readyHeight(body, lean, drop);
  return Math.sqrt(out * out + up * up);
}

/** Where the hand hangs ready after any move of the body, turned to the place. */
export function readyHand({ at, lean, to, drop, forward }: Pose, body: Body, grip: Point): Point3 {
  const out = readyOut(body, forward, distance(at, grip));
  return { x: at.x + to.x * out, y: at.y + to.y * out, z: readyHeight(body, lean, drop) };
}

/** The arms serve so far to either side of where the body looks, degrees. */
export const SIDEWAYS = 90;

/** Turning the body by some degrees and back; nothing for a small turn. */
export function turned(degrees: number): { tmu: number; there: Motion[]; back: Motion[] } {
  const tmu = turnTmu(degrees);
  if (tmu === 0) return { tmu, there: [], back: [] };
  const code = tmu === TMU.turn ? 'TBC1' : 'TBC2';
  const side = degrees > 0 ? 'right' : 'left';
  return {
    tmu,
    there: [{ code, tmu, text: `turn ${side} ${Math.round(Math.abs(degrees))}°` }],
    back: [{ code, tmu, text: 'turn back' }],
  };
}

/** How far a body must turn until an arm serves a bearing (degrees from straight ahead), and no farther. */
export const turnNeeded = (bearing: number): number => Math.sign(bearing) * Math.max(0, Math.abs(bearing) - SIDEWAYS);
