import { angleBetween, direction, heading, type Point } from '../../measures/geometry/index.ts';
import { type Site } from './cost.ts';

/** From a seat to what one gets at without rising, mm (own assumption, near the real reach of an adult). */
const AT_HAND = 750;
const BY_ROLLING = 1250;

/** The middle of the front of something that faces a way. */
export function frontOf(unit: Point & { facing: number; depth: number }): Point {
  const ahead = direction(unit.facing);
  return { x: unit.x + (ahead.x * unit.depth) / 2, y: unit.y + (ahead.y * unit.depth) / 2 };
}

/**
 * Seconds of one fetch by straight distance: rough, to tell at once which changes are worth pricing; what is offered is worked out exactly.
 * @param own whether it travels with the seat
 */
export function roughFetch(site: Site, standing: boolean, front: Point, own: boolean): number {
  if (own) return 4;
  const far = Math.hypot(front.x - site.x, front.y - site.y);
  const side = Math.abs(angleBetween(site.heading, heading(site, front)));
  if (far < AT_HAND && side <= 90) return 3 + far / 1000;
  if (far < BY_ROLLING) return 5.5 + far / 1000;
  // there and back twice, a little longer than straight
  const paces = ((far - 350) * 1.15) / 864;
  return (standing ? 5 : 9.5) + paces * 2.3;
}
