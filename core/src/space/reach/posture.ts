import { type Body } from '../body/index.ts';
import { distance, type Point } from '../../measures/geometry/index.ts';
import { type Motion } from './covers.ts';
import { type Maker } from './maker.ts';
import { TMU } from './mtm.ts';
import { type Scene, type Spot } from './spot.ts';
import {
  armGets,
  type Cheapest,
  handGap,
  leanOut,
  outToFront,
  type Pose,
  readyHeight,
  type Refusal,
  towards,
} from './way.ts';

/** Below this one kneels, mm; hands hang down to knee height when bending, below it one stoops. */
const KNEEL = 300;
/** Leaning of the trunk that is looked at when bending, radians: at most so that the hands hang at knee height; kneeling also upright. */
const BENDING = Array.from({ length: 11 }, (_, i) => (6 * (i + 1) * Math.PI) / 180);
const KNEELING = [0, ...BENDING];
const STRAIGHT = [0];
/** Bending, nobody keeps her balance with the hand farther out than an arm and the trunk at 30° (own assumption). */
const BALANCE = Math.sin(Math.PI / 6);

/** What was found so far, and what the body has spent on the way to where it stands: what cannot be cheaper is not looked at. */
export type Worth = { cheapest: Cheapest; moved: number };

type Motions = { there: Motion[]; back: Motion[]; tmu: number };
export type Postured = Motions & { pose: Pose };

const pair = (down: Motion, arise: Motion): Motions => ({ there: [down], back: [arise], tmu: down.tmu + arise.tmu });
const UPRIGHT: Motions = { there: [], back: [], tmu: 0 };
const BEND = pair({ code: 'B', tmu: TMU.bend, text: 'bend' }, { code: 'AB', tmu: TMU.arise, text: 'arise' });
const OVER = pair(
  { code: 'B', tmu: TMU.bend, text: 'lean over' },
  { code: 'AB', tmu: TMU.arise, text: 'straighten up' },
);
const STOOP = pair({ code: 'S', tmu: TMU.bend, text: 'stoop' }, { code: 'AS', tmu: TMU.arise, text: 'arise' });
const DOWN = pair(
  { code: 'KBK', tmu: TMU.kneelBoth, text: 'kneel' },
  { code: 'AKBK', tmu: TMU.ariseBoth, text: 'arise' },
);

/**
 * Of some leanings, the one that serves with the hand nearest; the knees give way (up to `give` mm) as far as that helps.
 * @returns 'blocked' when an arm would get there but for what is in between, null when none does
 */
function bestPose(
  scene: Scene,
  body: Body,
  at: Point,
  facing: Point,
  spot: Spot,
  sides: readonly number[],
  leans: readonly number[],
  drop: number,
  give: number,
  worth: Worth | null,
  tmu: number,
): Pose | 'blocked' | null {
  const to = towards(at, spot.grip);
  let best: Pose | 'blocked' | null = null;
  let nearest = Infinity;
  const far = distance(at, spot.grip);
  const front = outToFront(body, spot, at, facing, to);
  const { z } = spot.grip;
  for (const lean of leans) {
    const given = give > 0 ? Math.max(0, Math.min(give, readyHeight(body, lean, drop) - z)) : 0;
    const whole = Math.min(far, leanOut(body, lean));
    // as far as the lean takes the shoulders; where the front is in the way, the hips drawn back, up to it
    for (const forward of whole > front ? [whole, front] : [whole]) {
      const hand = handGap(body, lean, drop + given, far, z, forward);
      // of leanings as good the least: not the one that rounding favours
      if (hand > nearest - 0.5 || (worth && !worth.cheapest.may(worth.moved + tmu, hand))) break;
      const pose: Pose = { at, facing, lean, to, drop: drop + given, forward };
      const arm = armGets(scene, pose, body, spot, sides);
      if (arm === 'yes') {
        best = pose;
        nearest = hand;
      } else if (arm === 'blocked') {
        best ??= 'blocked';
        continue;
      }
      break;
    }
  }
  return best;
}

/**
 * What a body on its feet at a point does to get a hand to a place: upright what an arm gets to, else bending, stooping below knee height,
 * kneeling below 300 mm; with the body as it then is. Or why it does not get there; null when it is only too far.
 * @param still the body has not moved at all: upright it would be a direct way, which is not given here
 * @param sides shoulders that count: both, or also their middle where the body turns one of them forward
 */
export function postureAt(
  scene: Scene,
  maker: Maker,
  at: Point,
  facing: Point,
  spot: Spot,
  sides: readonly number[],
  worth: Worth | null,
  still = false,
): Postured | Refusal | null {
  const { person, upright } = maker;
  const { z } = spot.grip;
  const stands = bestPose(scene, upright, at, facing, spot, sides, STRAIGHT, 0, 0, still ? null : worth, 0);
  if (stands !== null && stands !== 'blocked') return still ? null : { ...UPRIGHT, pose: stands };
  const knee = 0.285 * person.stature;
  let motions: Motions;
  let leans: readonly number[] = BENDING;
  let drop = 0;
  if (z >= knee) motions = z < upright.elbow ? BEND : OVER;
  else if (z >= KNEEL) {
    if (!person.mayStoop) return 'stoop';
    motions = STOOP;
  } else {
    if (!person.mayKneel) return 'kneel';
    motions = DOWN;
    leans = KNEELING;
    drop = knee - 40;
  }
  if (worth && !worth.cheapest.may(worth.moved + motions.tmu)) return stands;
  if (distance(at, spot.grip) > upright.gripReach + upright.trunk * BALANCE) return stands;
  // the knees give way by half their height at most; kneeling one sits back on the heels (own assumption)
  const pose = bestPose(scene, upright, at, facing, spot, sides, leans, drop, knee / 2, worth, motions.tmu);
  return pose === null ? stands : pose === 'blocked' ? pose : { ...motions, pose };
}
