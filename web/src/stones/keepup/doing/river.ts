import { type Reached } from '@heronstone/core/doing';
import { type Day } from './days.ts';

/** The river as it is drawn, in its own units. */
export type Stretch = { width: number; height: number; bank: number };
export const HEIGHT = 176;
/** As wide as it is drawn, px, so that letters keep their size; banks narrower where there is little room. */
export const stretchOf = (width: number): Stretch => ({ width, height: HEIGHT, bank: width < 640 ? 62 : 104 });
/** So much a name under a stone takes, px. */
const NAME = 64;

/** Where the water is, and the curve of what has been reached over it. */
export const WATER = { top: 84, height: 72 };
const CURVE = { top: 18, height: 52 };
const STONE = { least: 9, most: 24, minutes: 180 };

export type RiverStone = { day: Day; x: number; y: number; rx: number; ry: number };

/** Days as stones across the water, one after the other, as large as they are long. */
export function stonesOf(days: readonly Day[], { width, bank }: Stretch): RiverStone[] {
  const span = width - 2 * bank;
  return days.map((day, i) => {
    const x = bank + (span * (i + 0.5)) / days.length;
    const size = STONE.least + (STONE.most - STONE.least) * Math.min(1, day.minutes / STONE.minutes);
    const rx = Math.min(size, (span / days.length) * 0.46);
    return { day, x, y: WATER.top + WATER.height * (i % 2 === 0 ? 0.38 : 0.64), rx, ry: Math.max(5, rx * 0.6) };
  });
}

/** What has been reached by each stone, as a line over them: from nothing at the near bank to all at the far one. */
export function curveOf(
  stones: readonly RiverStone[],
  curve: readonly Reached[],
  { width, bank }: Stretch,
): { x: number; y: number; share: number }[] {
  const all = curve.at(-1)?.saves ?? 0;
  if (all <= 0) return [];
  const points = [{ x: bank, share: 0 }];
  for (const stone of stones) {
    const reached = curve.findLast((p) => p.on <= stone.day.on);
    points.push({ x: stone.x, share: (reached?.saves ?? 0) / all });
  }
  points.push({ x: width - bank, share: 1 });
  return points.map((p) => ({ ...p, y: CURVE.top + CURVE.height * (1 - p.share) }));
}

/** A name under every so-manieth stone, so that none lies over another. */
export const namedEvery = (count: number, { width, bank }: Stretch): number =>
  Math.max(1, Math.ceil((count * NAME) / (width - 2 * bank)));
