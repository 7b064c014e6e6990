import { foundAgainIn, type Refit, refitAround } from '../../living/homes/index.ts';
import { homesOf, placesDownTo, type Plan, type Supply } from '../../record/plan/index.ts';

/** So many things are asked for: enough to tell, few enough to answer standing up. */
export const QUESTIONS = 12;

/**
 * Things to be asked for in a look test: half of them those fetched most, half those the measure doubts most, one and one; none that is in view, none twice.
 * What somebody has said of a thing last is asked again last.
 */
export function questionsFor(plan: Plan, count: number = QUESTIONS): Supply[] {
  const asked = new Map<string, string>();
  for (const { supplyId, lookedOn } of Object.values(plan.looks))
    if ((asked.get(supplyId) ?? '') < lookedOn) asked.set(supplyId, lookedOn);
  const known = [...foundAgainIn(plan).of.values()].filter(
    (a) => a.home.share === 'working' && !a.inView && a.fetches > 0 && plan.supplies[a.home.supplyId],
  );
  type One = (typeof known)[number];
  const by = (of: (a: One) => number) =>
    [...known].sort(
      (a, b) =>
        (asked.get(a.home.supplyId) ?? '').localeCompare(asked.get(b.home.supplyId) ?? '') ||
        of(b) - of(a) ||
        (a.home.id < b.home.id ? -1 : 1),
    );
  const lists = [by((a) => a.fetches), by((a) => a.year)];
  const chosen = new Set<string>();
  for (let i = 0; chosen.size < count && i < 2 * known.length; i++) {
    const next = lists[i % 2]!.find((a) => !chosen.has(a.home.supplyId));
    if (!next) break;
    chosen.add(next.home.supplyId);
  }
  return [...chosen].map((id) => plan.supplies[id]!);
}

/** Whether a thing at hand is found in a place: it lives there, or in something that stands there. */
export const isThere = (plan: Plan, supplyId: string, placeId: string): boolean =>
  homesOf(plan, supplyId, 'working').some((home) => {
    const place = plan.places[home.placeId];
    return place !== undefined && placesDownTo(plan, place).some((p) => p.id === placeId);
  });

/** What it would change to let a thing live where somebody looked for it; null: it does not go in there, or not beside what lies there. */
export const livingWhereLooked = (plan: Plan, supply: Supply, placeId: string, since: string): Refit | null =>
  isThere(plan, supply.id, placeId) ? null : refitAround(plan, supply, 'working', placeId, since);
