import { type Point } from '@heronstone/core/geometry';

/** A box on the screen, px. */
export type Box = { left: number; top: number; width: number; height: number };

/** A square box round a point. */
export const around = ({ x, y }: Point, side: number): Box => ({
  left: x - side / 2,
  top: y - side / 2,
  width: side,
  height: side,
});

/** What is put apart stays so far apart, px. */
const APART = 3;
/** Steps in which a box looks for room, px; and how many of them in one direction. */
const STEP = 6;
const STEPS = 30;
/** One looks along the arrow first, then beside it. */
const DIRECTIONS = 8;

const meet = (a: Box, b: Box) =>
  a.left < b.left + b.width + APART &&
  b.left < a.left + a.width + APART &&
  a.top < b.top + b.height + APART &&
  b.top < a.top + a.height + APART;

const within = (a: Box, b: Box) =>
  a.left >= b.left && a.top >= b.top && a.left + a.width <= b.left + b.width && a.top + a.height <= b.top + b.height;

/**
 * Fields near where they are wanted, so that none covers another or what must stay free: each in turn goes to the nearest spot with room.
 * @param wanted the middle and the size of each field, px, with the way its arrow goes
 * @param frame what they must stay in; @param free what they must leave free
 * @returns a box for each, in the same order; where there is no room at all it lies where it was wanted
 */
export function spread(
  wanted: readonly { middle: Point; along: Point; size: Pick<Box, 'width' | 'height'> }[],
  frame: Box,
  free: readonly Box[],
): Box[] {
  const taken = [...free];
  return wanted.map(({ middle, along, size }) => {
    const at = (dx: number, dy: number): Box => ({
      left: middle.x + dx - size.width / 2,
      top: middle.y + dy - size.height / 2,
      ...size,
    });
    const box = nearest(at, along, (b) => within(b, frame) && !taken.some((t) => meet(b, t))) ?? at(0, 0);
    taken.push(box);
    return box;
  });
}

function nearest(at: (dx: number, dy: number) => Box, along: Point, isFree: (box: Box) => boolean): Box | null {
  const turn = Math.atan2(along.y, along.x);
  for (let n = 0; n <= STEPS; n++)
    for (let k = 0; k < (n === 0 ? 1 : DIRECTIONS); k++) {
      // along the arrow on either side, across it, then between
      const angle = turn + [0, 4, 2, 6, 1, 3, 5, 7][k]! * (Math.PI / 4);
      const box = at(Math.cos(angle) * n * STEP, Math.sin(angle) * n * STEP);
      if (isFree(box)) return box;
    }
  return null;
}
