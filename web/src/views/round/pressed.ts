/** What is drawn of a place, in the units of the drawing. */
export type Box = { id: string; left: number; top: number; right: number; bottom: number };

/** So large is what can be pressed, however small it is drawn, px (WCAG 2.2, 2.5.8 Target Size: 24 by 24). */
export const TARGET = 24;

/**
 * The place that is meant by a press: what is drawn there, unless something small is right beside; else the nearest small thing whose target
 * (at least {@link TARGET} each way round its middle) is pressed. Null: none.
 * @param under what is drawn at the point, the topmost one
 * @param target {@link TARGET} in the units of the drawing
 */
export function pressed(
  at: { x: number; y: number },
  boxes: readonly Box[],
  under: string | null,
  target = TARGET,
): string | null {
  const isSmall = (b: Box) => b.right - b.left < target || b.bottom - b.top < target;
  const hit = boxes.filter((b) => b.id === under);
  if (hit.some(isSmall)) return under;
  let best: string | null = null;
  let least = Infinity;
  for (const box of boxes) {
    if (!isSmall(box) || !inTarget(at, box, target)) continue;
    const off = away(at, box);
    // something large keeps at least half of itself
    if (hit.some((b) => off > Math.min(b.right - b.left, b.bottom - b.top) / 4)) continue;
    if (off < least) [best, least] = [box.id, off];
  }
  return best ?? under;
}

/** What is drawn over everything else at a point: of some boxes in the order in which they are drawn, the last one there. */
export const topmost = <B extends Omit<Box, 'id'>>({ x, y }: { x: number; y: number }, drawn: readonly B[]): B | null =>
  drawn.findLast((b) => x >= b.left && x <= b.right && y >= b.top && y <= b.bottom) ?? null;

const inTarget = ({ x, y }: { x: number; y: number }, b: Box, target: number) =>
  Math.abs(x - (b.left + b.right) / 2) <= Math.max(target, b.right - b.left) / 2 &&
  Math.abs(y - (b.top + b.bottom) / 2) <= Math.max(target, b.bottom - b.top) / 2;

/** How far a point is from what is drawn, px. */
const away = ({ x, y }: { x: number; y: number }, b: Box) =>
  Math.hypot(Math.max(0, b.left - x, x - b.right), Math.max(0, b.top - y, y - b.bottom));
