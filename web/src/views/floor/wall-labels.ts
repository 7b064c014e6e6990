import { type Point } from '@heronstone/core/geometry';
import { formatLength } from '@heronstone/core/lengths';
import { type Plan, type Wall } from '@heronstone/core/plan';
import { wallFrames } from '@heronstone/core/room';
import { type Box } from '../arrows/spread.ts';

/** How far outside a wall its name stands, px; its letters, px; how wide one is about. */
const OFF = 16;
export const LETTER = 14;
const WIDE = 7.2;

/** What stands beside a wall. */
export const wallWords = (plan: Plan, wall: Wall): string =>
  `${wall.name ? `${wall.name} ` : ''}${formatLength(wall.length, plan.head.measure)}`;

/**
 * Where the words of a wall from `a` to `b` stand, and on which side of that point.
 * @param seen where a point of the plan is drawn; @param px how much a pixel is of what that gives
 */
export function wallLabel(a: Point, b: Point, seen: (p: Point) => Point, px: number) {
  const [from, to] = [seen(a), seen(b)];
  const long = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  const mid = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 };
  // out of the room, as it is drawn
  const here = seen({ x: 0, y: 0 });
  const there = seen({ x: -(b.y - a.y) / long, y: (b.x - a.x) / long });
  const far = Math.hypot(there.x - here.x, there.y - here.y) || 1;
  const out = { x: (there.x - here.x) / far, y: (there.y - here.y) / far };
  const anchor = out.x > 0.5 ? 'start' : out.x < -0.5 ? 'end' : 'middle';
  return { x: mid.x + out.x * OFF * px, y: mid.y + out.y * OFF * px, anchor } as const;
}

/** The boxes that the words of the walls of a closed room take on the screen, px. */
export function wallLabelBoxes(plan: Plan, at: (p: Point) => Point): Box[] {
  return wallFrames(plan).map(({ wall, a, b }) => {
    const { x, y, anchor } = wallLabel(a, b, at, 1);
    const width = wallWords(plan, wall).length * WIDE;
    const left = anchor === 'start' ? x : anchor === 'end' ? x - width : x - width / 2;
    return { left, top: y - LETTER / 2, width, height: LETTER };
  });
}
