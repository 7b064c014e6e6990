import { type Seen, type Spot } from '@heronstone/core/reach';

/** The ribbon, in units of its drawing: about pixels at the usual width of a window. */
export const WIDTH = 1280;
export const HEIGHT = 300;

/** Where a bearing is on the ribbon; degrees from where one looks, right positive. */
export const x = (bearing: number): number => ((bearing + 180) / 360) * WIDTH;

/** Degrees in [−180, 180). */
export function wrap(degrees: number): number {
  return ((((degrees + 180) % 360) + 360) % 360) - 180;
}

/** What is seen in one piece: a stretch that is cut at “behind” goes on beyond 180°. */
export function unrolled(seen: Seen): Seen {
  const last = seen.stretches.find((s) => s.to >= 180);
  const first = seen.stretches.find((s) => s.from <= -180);
  if (!last || !first || last === first) return seen;
  const rest = seen.stretches.filter((s) => s !== last && s !== first);
  return { ...seen, stretches: [...rest, { from: last.from, to: first.to + 360 }] };
}

/**
 * How many times round something is drawn away from where it is without turning, so that its middle is in sight.
 * @param middle degrees from where the ribbon is not turned; @param turn degrees it is turned
 */
export const roundsTo = (middle: number, turn: number): number =>
  Math.round((wrap(middle - turn) + turn - middle) / 360);

/** Where the other piece of something is drawn that goes beyond what is in sight, times round from there; 0: nothing does. */
export function pieceBeyond({ from, to }: { from: number; to: number }, turn: number): -1 | 0 | 1 {
  if (from < turn - 180) return 1;
  return to > turn + 180 ? -1 : 0;
}

/** A place as it is seen from the seat. */
export type Drawn = { spot: Spot; seen: Seen };

/** The widest stretch of what is seen in several. */
export const widestOf = ({ stretches }: Seen) => stretches.reduce((a, b) => (b.to - b.from > a.to - a.from ? b : a));

/** Heights to ribbon pixels: the air above `top` mm is squeezed into a tenth. */
export function heightScale(pixels: number, top: number, ceiling: number): (mm: number) => number {
  const low = pixels * 0.9;
  return (mm) =>
    mm <= top
      ? pixels - (mm / top) * low
      : pixels - low - ((Math.min(mm, ceiling) - top) / Math.max(1, ceiling - top)) * (pixels - low);
}

/** A place by the middle of what is seen of it: degrees, and mm above the floor. */
export type Mark = { id: string; x: number; z: number };

/** The next place in a direction (one of `[±1, 0]`, `[0, ±1]`): near, and rather straight ahead of it than aside; null where there is none. */
export function nextPlace(all: readonly Mark[], from: Mark, [dx, dz]: readonly [number, number]): Mark | null {
  let best: Mark | null = null;
  let least = Infinity;
  for (const to of all) {
    const along = dx !== 0 ? (to.x - from.x) * dx : ((to.z - from.z) / 12) * dz;
    const aside = dx !== 0 ? Math.abs(to.z - from.z) / 12 : Math.abs(to.x - from.x);
    if (to.id === from.id || along < 0.4) continue;
    const cost = along + 2.5 * aside;
    if (cost < least) {
      least = cost;
      best = to;
    }
  }
  return best;
}
