/** Cheapest to dearest: the colours of the bands, from the hand to the climb. */
export const SHADES = ['var(--hand)', 'var(--arm)', 'var(--turn)', 'var(--walk)', 'var(--climb)'];

/** Where a shade begins: fifths of the spots by rank, so that few dear corners do not flatten the rest. */
export function shadeLimits(seconds: Float64Array): number[] {
  const sorted = [...seconds].filter((s) => !Number.isNaN(s)).sort((a, b) => a - b);
  return SHADES.slice(1).map((_, i) => sorted[Math.floor((sorted.length * (i + 1)) / SHADES.length)] ?? Infinity);
}
