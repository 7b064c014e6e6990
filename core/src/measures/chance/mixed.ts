/** A 32-bit number from another, as if drawn by chance: the same for the same (finalizer of MurmurHash3, Appleby 2011, memory). */
export function mixed(h: number): number {
  h ^= h >>> 16;
  h = Math.imul(h, 0x85ebca6b);
  h ^= h >>> 13;
  h = Math.imul(h, 0xc2b2ae35);
  return h ^ (h >>> 16);
}
