import { type Zone, ZONE_MARKS } from '@heronstone/core/plan';

/** The zone in hand as a brush; `all`: what is brushed is for everybody again. */
export type Held = string | 'all' | null;

/** What a key takes in hand: 1 to 9 a zone, 0 everybody, Escape puts the brush down; undefined: it says nothing here. */
export function heldBy(key: string, zones: readonly Pick<Zone, 'id'>[], held: Held): Held | undefined {
  if (key === '0') return 'all';
  if (/^[1-9]$/.test(key)) return zones[Number(key) - 1]?.id ?? null;
  return key === 'Escape' && held !== null ? null : undefined;
}

/** A mark that no zone has yet; where all are taken they come again in their order. */
export function freeMark(zones: readonly Pick<Zone, 'mark'>[]): number {
  const taken = new Set(zones.map((z) => z.mark));
  return Array.from({ length: ZONE_MARKS }, (_, i) => i).find((i) => !taken.has(i)) ?? zones.length % ZONE_MARKS;
}
