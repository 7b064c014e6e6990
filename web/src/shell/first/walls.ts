import { parseLength } from '@heronstone/core/lengths';
import { type PlanHead } from '@heronstone/core/plan';

export type Walls = { ok: true; lengths: number[] } | { ok: false; reason: string };

/** Longest wall a plan takes, mm. */
const LONGEST = 30_000;

/**
 * Four walls as they were typed, mm; none where nothing was. Two are enough: those across from them are as long.
 */
export function readWalls(texts: readonly string[], measure: PlanHead['measure']): Walls {
  if (texts.every((t) => t.trim() === '')) return { ok: true, lengths: [] };
  const given = texts.map((t) => (t.trim() === '' ? null : parseLength(t, measure)));
  for (const [i, got] of given.entries()) {
    if (got && !got.ok) return { ok: false, reason: `Wall ${i + 1}: ${got.reason}` };
    if (got && (got.mm <= 0 || got.mm > LONGEST))
      return { ok: false, reason: `Wall ${i + 1} must be longer than zero, and no longer than 30 m.` };
  }
  const mm = given.map((got) => (got?.ok ? got.mm : null));
  const across = [mm[2], mm[3], mm[0], mm[1]];
  const lengths = mm.map((length, i) => length ?? across[i] ?? null);
  if (lengths.some((l) => l === null))
    return { ok: false, reason: 'Two walls that meet are needed at least; those across from them are as long.' };
  return { ok: true, lengths: lengths as number[] };
}
