import { type Hazard, homesIn, type Look, type Place, type Plan, type Supply } from '../../record/plan/index.ts';
import { daysBetween } from './log.ts';
import { isThere } from './look-test.ts';

/** A note on trial is decided on after so many days, and so long a label has been there before its place may be known without it: eight weeks (common practice, no source). */
export const TRIAL_DAYS = 56;
/** So many things of a place found at the first look tell that it is known (own assumption). */
const ENOUGH = 2;
/** What is harmful so keeps its label, however well it is known: others come to it too (common practice: the label and the safety sheet come first). */
const KEEPS_LABEL: readonly Hazard[] = ['toxic', 'flammable'];

/** A labelled place that is known without its label: what was found there at the first look, all of it by everybody asked. */
export type ByHeart = { place: Place; found: Supply[] };

/**
 * Places whose labels may come off: their things were asked for in the look test, where no label is shown, at least eight weeks after the label went on, and
 * whoever was asked last found each at the first look. Nobody who did not find one, and nothing poisonous or flammable in them.
 */
export function knownByHeart(plan: Plan): ByHeart[] {
  const last = new Map<string, Look>();
  for (const look of Object.values(plan.looks)) {
    const key = `${look.supplyId} ${look.personId ?? ''}`;
    const before = last.get(key);
    if (!before || before.lookedOn < look.lookedOn || (before.lookedOn === look.lookedOn && before.id < look.id))
      last.set(key, look);
  }
  const looks = new Map<string, Look[]>();
  for (const look of last.values()) looks.set(look.supplyId, [...(looks.get(look.supplyId) ?? []), look]);
  return Object.values(plan.places).flatMap((place): ByHeart[] => {
    const { label, labelSince } = place;
    if ((label !== 'trial' && label !== 'permanent') || labelSince === null) return [];
    const homes = homesIn(plan, place.id).filter((h) => h.share === 'working');
    const here = homes.flatMap((h) => plan.supplies[h.supplyId] ?? []);
    if (here.some((s) => s.hazards.some((h) => KEEPS_LABEL.includes(h)))) return [];
    const found = new Set<Supply>();
    for (const { supplyId, since } of homes)
      for (const look of looks.get(supplyId) ?? []) {
        if (daysBetween(labelSince, look.lookedOn) < TRIAL_DAYS || look.lookedOn < since) continue;
        const there = look.placeId !== null && isThere(plan, supplyId, look.placeId);
        if (look.found !== 'first' || !there) return [];
        found.add(plan.supplies[supplyId]!);
      }
    return found.size >= Math.min(ENOUGH, new Set(here).size) && found.size > 0 ? [{ place, found: [...found] }] : [];
  });
}
