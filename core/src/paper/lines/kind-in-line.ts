import { kindOf, type KindOfSupply, likelyKinds } from '../../things/kinds/index.ts';
import { cutText } from '../../record/plan/index.ts';
import { type Draft, type Doubt } from './line-read.ts';
import { type Named } from './name-in-line.ts';

/** The second of two kinds is as likely as the first within so much of a score (own assumption). */
const CLOSE_CALL = 4;

/** Nothing a maker keeps is denser than lead or lighter than foam, g/cm³ (11.3 for lead; the rest own assumption). */
const DENSEST = 11.5;

const LIGHTEST = 0.002;

/** Whether a weight that was said and a usual size go together. */
export function goTogether({ width, depth, height, mass, grammage }: Draft): boolean {
  if (!width || !depth || !mass) return true;
  // a sheet as thick as its paper is
  const thick = height ?? (grammage ?? 1000) / 800;
  const density = (1000 * mass) / (width * depth * thick);
  return density <= DENSEST && density >= LIGHTEST;
}

/** The kind that words name whole; null: none. */
export function likelyOf(words: string): KindOfSupply | null {
  const [best] = likelyKinds(words, 1);
  return best?.whole ? best.kind : null;
}

/** The kind of what was read, or what is to be asked: nothing it could be, only half of it said, two as likely. @param chosen the kind a maker chose */
export function kindFor(named: Named, chosen: string | null): { kind: KindOfSupply | null; doubts: Doubt[] } {
  if (chosen !== null) return { kind: kindOf(chosen), doubts: [] };
  const likely = likelyKinds(named.words, 3);
  const [best, next] = likely;
  if (!best) return { kind: null, doubts: [] };
  const candidates = likely.map(({ kind }) => ({ kind: kind.id, name: kind.name }));
  if (!best.whole) return { kind: null, doubts: [{ why: `What is “${cutText(named.words, 60)}”?`, candidates }] };
  if (next?.whole && best.score - next.score < CLOSE_CALL)
    return { kind: null, doubts: [{ why: `${candidates[0]!.name} or ${candidates[1]!.name}?`, candidates }] };
  return { kind: best.kind, doubts: [] };
}
