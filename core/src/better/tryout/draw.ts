import { mixed } from '../../measures/chance/index.ts';

/**
 * Common random numbers: a number from 0 to 1 that depends on nothing but its names, so that two plans draw the same for the same fetch of the same
 * session whatever else they hold.
 */
export function draw(seed: number, session: number, key: number, what: number): number {
  let h = mixed(seed ^ mixed(session + 0x9e3779b9));
  h = mixed(h ^ key);
  h = mixed(h ^ Math.imul(what + 1, 0x85ebca6b));
  return (h >>> 0) / 4294967296;
}

/** A name as a number (FNV-1a, 32 bits). */
export function keyOf(name: string): number {
  let h = 0x811c9dc5;
  for (let i = 0; i < name.length; i++) h = Math.imul(h ^ name.charCodeAt(i), 0x01000193);
  return h >>> 0;
}

/** A count drawn so that its mean is the number itself: the whole part, and one more as often as the rest says. */
export const rounded = (mean: number, u: number): number => Math.floor(mean) + (u < mean - Math.floor(mean) ? 1 : 0);
