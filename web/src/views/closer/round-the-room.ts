/** The unit that stands beside one round the room: after the last one comes the first. Null where there is no other. */
export function beside<U extends { id: string }>(around: readonly U[], id: string, by: 1 | -1): U | null {
  const at = around.findIndex((u) => u.id === id);
  if (at < 0) return around[0] ?? null;
  const next = around[(at + by + around.length) % around.length]!;
  return next.id === id ? null : next;
}

/** So far a finger goes before it means the next one, px, and this much more across than up. */
const FAR = 60;
const ACROSS = 1.5;

/** Which way a finger went: 1 to the left, so what stands on the right comes; −1 to the right; 0 neither. */
export function swiped(from: { x: number; y: number } | null, to: { x: number; y: number }): -1 | 0 | 1 {
  if (!from) return 0;
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  if (Math.abs(dx) < FAR || Math.abs(dx) < Math.abs(dy) * ACROSS) return 0;
  return dx < 0 ? 1 : -1;
}
