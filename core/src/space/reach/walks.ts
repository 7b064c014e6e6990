import { distance, type Point } from '../../measures/geometry/index.ts';
import { type Arrival, arrivalAt, type Walk, type Walking, walkingFrom, walkLength, walkTo } from '../room/index.ts';
import { type Maker } from './maker.ts';
import { BODY_HALF, WHEELCHAIR_HALF } from './standing.ts';
import { type Scene } from './spot.ts';

/** Half the width a maker needs to get about, mm. */
export const halfOf = (maker: Maker): number => (maker.person.mobility === 'wheelchair' ? WHEELCHAIR_HALF : BODY_HALF);

const walkings = new WeakMap<object, WeakMap<Maker, Walking | null>>();
const arrivals = new WeakMap<object, Map<string, Arrival>>();

/** All ways from a maker’s seat over the free floor; null while the walls do not close. Worked out once per scene and maker. */
export function walkingOf(scene: Scene, maker: Maker): Walking | null {
  let makers = walkings.get(scene.ground);
  if (!makers) walkings.set(scene.ground, (makers = new WeakMap()));
  let walking = makers.get(maker);
  if (walking === undefined) {
    const floor = scene.walkable();
    makers.set(maker, (walking = floor ? walkingFrom(floor, maker.seat, halfOf(maker)) : null));
  }
  return walking;
}

/** Length in mm of the shortest way from the seat to a point; Infinity when nobody gets there; straight while the walls do not close. */
export function walkLengthTo(scene: Scene, maker: Maker, to: Point): number {
  const walking = walkingOf(scene, maker);
  if (!walking) return distance(maker.seat, to);
  let known = arrivals.get(scene.ground);
  if (!known) arrivals.set(scene.ground, (known = new Map()));
  const key = `${walking.body.half} ${to.x} ${to.y}`;
  let arrival = known.get(key);
  if (!arrival) known.set(key, (arrival = arrivalAt(walking.body.floor, to, walking.body.half)));
  return walkLength(walking, arrival);
}

/** The shortest way from the seat to a point with its turns; null when nobody gets there. */
export function walkOf(scene: Scene, maker: Maker, to: Point): Walk | null {
  const walking = walkingOf(scene, maker);
  if (!walking) return { length: distance(maker.seat, to), points: [maker.seat, to] };
  return walkTo(walking, to);
}
