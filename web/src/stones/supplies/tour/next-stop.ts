import { type Stop } from '@heronstone/core/stock';

/** Where the tour goes from a stop: on to the next place not looked into, past those that were; round to the first when none is ahead. */
export function nextAfter(stops: readonly Stop[], here: number): Stop | undefined {
  const open = (s: Stop) => s.place.touredOn === null;
  return stops.slice(here + 1).find(open) ?? stops.slice(0, here).find(open);
}
