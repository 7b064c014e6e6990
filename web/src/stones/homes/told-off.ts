import { placeSaid, togetherThatMustBeApart } from '@heronstone/core/concepts';
import { type Plan } from '@heronstone/core/plan';

/**
 * Why a thing should not have been put where it now lies: what it must be apart from, with the source. Null: nothing of the kind. It is said and not refused: a wrong state is
 * shown.
 */
export function toldOff(plan: Plan, supplyId: string, placeId: string): { words: string; source: string } | null {
  const place = plan.places[placeId];
  const wrong = togetherThatMustBeApart(plan).filter((t) => t.placeId === placeId);
  // it may be the one or the other of the two
  const own = wrong.find((t) => t.a.id === supplyId) ?? wrong.find((t) => t.b.id === supplyId);
  if (!place || !own) return null;
  const other = own.a.id === supplyId ? own.b : own.a;
  const supply = own.a.id === supplyId ? own.a : own.b;
  return {
    words: `${supply.name} lies with ${other.name} now, in ${placeSaid(plan, place)}. ${own.rule.words}`,
    source: own.rule.source,
  };
}
