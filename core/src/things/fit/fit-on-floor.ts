import { type Supply } from '../../record/plan/index.ts';
import { layOnFloor } from './floor.ts';
import { faceOf, type Holder } from './holder.ts';
import { CLOSE, MARGIN, type Block, type Pose, sorted } from './piece.ts';
import { circlesIn } from './round.ts';
import { type Fit, layersOf, no, setting, MANY } from './fit.ts';

export function onFloor(holder: Holder, supply: Supply, pose: Pose, count: number): Fit {
  const face = faceOf(holder);
  const [w, d] = [pose.width + 2 * MARGIN, pose.depth + 2 * MARGIN];
  const layers = layersOf(holder, supply, pose.height);
  if (layers < 1) return no('');
  const grid = (a: number, b: number) => Math.floor((face.width + CLOSE) / a) * Math.floor((face.depth + CLOSE) / b);
  const round = pose.round === 'standing' ? circlesIn(face.width, face.depth, w) : 0;
  let places = Math.max(grid(w, d), grid(d, w), round);
  // some this way and some that
  if (places * layers < count && round === 0) places = Math.max(places, laidEitherWay(face, w, d));
  const fits = places * layers;
  if (fits < count || fits < 1) return no('', fits);
  const stacks = Math.ceil(count / layers);
  const high = Math.ceil(count / stacks);
  const alone = round > grid(w, d) && stacks > grid(w, d);
  const set = { ...setting(pose, w, d, high, high * pose.height, stacks), staggered: alone };
  const use = alone ? face.width * face.depth : stacks * w * d;
  return {
    ok: true,
    use,
    fits,
    hidden: count - stacks,
    set,
    words: `${stacks} beside each other${high > 1 ? `, ${high} high` : ''}`,
  };
}

/** How many rectangles of one kind lie on a floor, some of them a quarter turned: laid as they will be with what else is there. */
export function laidEitherWay(face: { width: number; depth: number }, width: number, depth: number): number {
  const most = Math.min(MANY, Math.floor((face.width * face.depth + CLOSE) / (width * depth)));
  const wanted = Array.from({ length: most }, (_, of) => ({ width, depth, of }));
  return layOnFloor(face.width, face.depth, [], wanted).laid.length;
}

/** Longer than the place is wide or deep: across its floor from corner to corner, on top of what lies there. */
export function diagonally(holder: Holder, piece: Block, count: number): Fit {
  const [small, middle, large] = sorted(piece);
  const face = faceOf(holder);
  const room = Math.hypot(face.width, face.depth) - middle;
  if (large > room + CLOSE) return no(`needs ${Math.ceil(large - room)} mm more from corner to corner`);
  const fits = Math.max(0, Math.floor((holder.height + CLOSE) / small));
  if (fits < count) return no(`only ${fits} of ${count} go in`, fits);
  const use =
    holder.nature === 'row' ? Math.min(holder.width, large) : Math.min(face.width * face.depth, large * middle);
  return { ok: true, use, fits, hidden: count - 1, set: null, words: 'lies across from corner to corner' };
}
