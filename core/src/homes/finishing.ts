import { apply, type Plan } from '../plan/index.ts';
import { costOfHome } from './cost.ts';
import { Layout } from './layout.ts';
import { familyPlaces } from './refit.ts';
import { MOVE_ONCE, type Translation } from './slotting.ts';
import { weightOf } from './weights.ts';

/** A change that saves less is none, s a year (own choice). */
const WORTH = 30;
/** Of each lot so many places with room for it are asked, those the engine counts cheapest. */
const ASKED = 6;
const PASSES = 2;

/**
 * Found homes once more by the exact count: the engine counts with a usual number of kinds to be found among and with one load a visit, the screen with
 * the true ones. Whatever by that count lives better elsewhere alone, and is laid there within room to grow, goes there.
 * @returns where each lot lives
 */
export function finishing(
  before: Plan,
  translation: Translation,
  found: { plan: Plan; homes: readonly { lot: string; place: string }[] },
  room: (placeId: string) => number,
  since: string,
): { lot: string; place: string }[] {
  let { plan } = found;
  const at = new Map(found.homes.map((h) => [h.lot, h.place]));
  const today = new Map(translation.today.map((h) => [h.lot, h.place]));
  const layout = new Layout(before, translation, found.homes);
  const moving = MOVE_ONCE * weightOf(plan, 'weighMoving');
  const whole = translation.lots.filter(
    ({ id }) => !id.includes('#') && translation.lotOf.get(id)!.share !== 'resting' && !translation.keptAs.has(id),
  );
  for (let pass = 0; pass < PASSES; pass++) {
    let changed = false;
    for (const { id, options } of whole) {
      const now = at.get(id);
      const { supply, share } = translation.lotOf.get(id)!;
      if (now === undefined) continue;
      const cost = (place: string): number => {
        const there = costOfHome(plan, supply, share, place);
        return there
          ? there.weighed + familyPlaces(plan, supply, share)(place) + (place === today.get(id) ? 0 : moving)
          : Infinity;
      };
      const is = cost(now);
      let best: { place: string; saves: number } | null = null;
      let asked = 0;
      for (const { place, use } of [...options].sort((a, b) => a.cost - b.cost)) {
        if (place === now) continue;
        const used = layout.usedWith(place, id, use);
        if (used === null || used > room(place) * 1.0001) continue;
        const saves = is - cost(place) - layout.sagWith(place, id);
        if (saves > WORTH && saves > (best?.saves ?? 0)) best = { place, saves };
        if (++asked === ASKED) break;
      }
      if (!best) continue;
      const done = apply(plan, { type: 'assignHome', supplyId: supply.id, share, placeId: best.place, since });
      if (!done.ok) continue;
      layout.remove(id, now);
      // of fewer things another one may hang over
      if (layout.over(now).length > 0) {
        layout.put(id, now);
        continue;
      }
      layout.put(id, best.place);
      at.set(id, best.place);
      ({ plan } = done);
      changed = true;
    }
    if (!changed) break;
  }
  return [...at].map(([lot, place]) => ({ lot, place }));
}
