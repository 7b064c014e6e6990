import { type Plan } from '../../record/plan/index.ts';
import { type Homes } from '../slotting/index.ts';
import { Arrangement, type Step } from './arrangement.ts';
import { type Translation } from './translating.ts';

/** A change that saves less is not worth one, s a year (own choice). */
const WORTH = 20;
/** Looking for other things may become so much less for a part taken over, s a year: what costs more than it can gain is not asked. */
const HOPED = 1500;
/** Larger parts are not taken over at once. */
const MOST_STEPS = 40;

/**
 * The best of several answers with the parts of the others that are better than its own: place by place, unit by unit and name by name, everything that lives there in the one
 * or in the other goes where the other has it, where that costs less by the exact measure and can be laid (path relinking, Glover 1997, from memory).
 * @param best homes as they are laid
 * @param others homes to take parts from
 */
export async function recombining(
  plan: Plan,
  translation: Translation,
  best: Homes,
  others: readonly Homes[],
  room: (placeId: string) => number,
  pause: () => Promise<boolean>,
): Promise<{ lot: string; place: string }[]> {
  const arrangement = new Arrangement(plan, translation, best, room);
  const options = new Map(translation.lots.map(({ id, options }) => [id, new Map(options.map((o) => [o.place, o]))]));
  const partOf: ((lot: string, place: string) => readonly string[])[] = [
    (_, place) => [`place ${place}`],
    (_, place) => [`unit ${plan.places[place]!.unitId}`],
    (lot) => translation.sorts.conceptsOf.get(lot)!.map((c) => `name ${c}`),
  ];
  for (const other of others) {
    const there = new Map(other.map((h) => [h.lot, h.place]));
    for (const keysOf of partOf) {
      const parts = new Map<string, Set<string>>();
      for (const [lot, place] of there) {
        const now = arrangement.at.get(lot);
        if (now === undefined || now === place) continue;
        for (const key of [...keysOf(lot, place), ...keysOf(lot, now)]) {
          const part = parts.get(key);
          if (part) part.add(lot);
          else parts.set(key, new Set([lot]));
        }
      }
      for (const part of parts.values()) {
        if (await pause()) return arrangement.homes;
        const steps = [...part].flatMap((lot): Step[] => {
          const to = options.get(lot)!.get(there.get(lot)!);
          return to && arrangement.at.get(lot) !== to.place ? [{ lot, to }] : [];
        });
        if (steps.length === 0 || steps.length > MOST_STEPS) continue;
        const hoped = HOPED + steps.reduce((sum, { lot }) => sum + arrangement.looksFor(lot), 0);
        if (arrangement.deltaOf(steps, hoped) < -WORTH) arrangement.take(steps);
      }
    }
  }
  return arrangement.homes;
}
