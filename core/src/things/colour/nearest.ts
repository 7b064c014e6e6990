import { colourDifference } from './hue.ts';

/** Things whose colour is nearest to one, the nearest first, with how far apart they look (CIEDE2000: 1 is hardly seen, 10 at a glance). */
export function nearestColours<T extends { colour: string | null }>(
  things: readonly T[],
  colour: string,
  count = 6,
): { thing: T; difference: number }[] {
  return things
    .flatMap((thing) => (thing.colour === null ? [] : [{ thing, difference: colourDifference(thing.colour, colour) }]))
    .sort((a, b) => a.difference - b.difference)
    .slice(0, count);
}
