import { weighSheet, weightIn } from '@heronstone/core/lines';
import { type Supply } from '@heronstone/core/plan';

/** Heavier is no paper, g/m². */
const HEAVIEST = 5000;

/**
 * What a typed weight of paper makes of a supply: g/m², or pounds of a basis (“80 lb cover”); a bare number is g/m². What a sheet weighs follows where its
 * size is known. Nothing typed: not known.
 */
export function withPaperWeight(
  supply: Supply,
  text: string,
): { ok: true; set: Partial<Supply> } | { ok: false; reason: string } {
  const typed = text.trim();
  if (typed === '') return { ok: true, set: { grammage: null } };
  const bare = /^\d+(?:[.,]\d+)?$/.test(typed);
  const said = weightIn(bare ? `${typed} g/m²` : text, true);
  if (!said || said.rest !== '' || !('grammage' in said.weight) || said.weight.grammage > HEAVIEST)
    return { ok: false, reason: `“${text}” is no weight of paper: 216 g, or 80 lb cover, text, index or bond.` };
  const heavier = { ...supply, ...said.weight };
  weighSheet(heavier);
  return { ok: true, set: { grammage: heavier.grammage, mass: heavier.mass } };
}
