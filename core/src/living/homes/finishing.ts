import { apply, type Plan } from '../../record/plan/index.ts';
import { Arrangement, type Option } from './arrangement.ts';
import { costOfHome } from './cost.ts';
import { familyPlaces } from './refit.ts';
import { MOVE_ONCE, type Translation } from './translation.ts';
import { weightOf } from './weights.ts';

/** A change that saves less is none, s a year (own choice). */
const WORTH = 30;
/** Of each lot so many places with room for it are asked, those the engine counts cheapest. */
const ASKED = 6;
const PASSES = 2;
/** So much is looked at in all, see {@link bettering}. */
const MOST_WORK = 800_000;

/**
 * Found homes once more by the exact count: the engine counts with a usual number of kinds to be found among and with one load a visit, the screen with
 * the true ones. Whatever by that count lives better elsewhere alone, and is laid there within room to grow, goes there.
 * @returns where each lot lives
 */
export async function finishing(
  before: Plan,
  translation: Translation,
  found: { plan: Plan; homes: readonly { lot: string; place: string }[] },
  room: (placeId: string) => number,
  since: string,
  pause: () => Promise<boolean>,
): Promise<{ lot: string; place: string }[]> {
  let { plan } = found;
  const arrangement = new Arrangement(before, translation, found.homes, room);
  const today = new Map(translation.today.map((h) => [h.lot, h.place]));
  const moving = MOVE_ONCE * weightOf(plan, 'weighMoving');
  const whole = translation.lots.filter(
    ({ id }) => !id.includes('#') && translation.lotOf.get(id)!.share !== 'resting' && !translation.keptAs.has(id),
  );
  for (let pass = 0; pass < PASSES; pass++) {
    let changed = false;
    for (const { id, options } of whole) {
      const now = arrangement.at.get(id);
      const { supply, share } = translation.lotOf.get(id)!;
      if (now === undefined) continue;
      if (arrangement.work > MOST_WORK || (await pause())) return arrangement.homes;
      const cost = (place: string): number => {
        const there = costOfHome(plan, supply, share, place);
        return there
          ? there.weighed + familyPlaces(plan, supply, share)(place) + (place === today.get(id) ? 0 : moving)
          : Infinity;
      };
      const is = cost(now);
      let best: { to: Option; saves: number } | null = null;
      let asked = 0;
      for (const to of [...options].sort((a, b) => a.cost - b.cost)) {
        if (to.place === now || !arrangement.finds(id, to)) continue;
        const saves = is - cost(to.place) - arrangement.besides(id, to);
        if (saves > WORTH && saves > (best?.saves ?? 0)) best = { to, saves };
        if (++asked === ASKED) break;
      }
      if (!best) continue;
      const move = { type: 'assignHome', supplyId: supply.id, share, placeId: best.to.place, since } as const;
      const done = apply(plan, move);
      if (!done.ok || !arrangement.take([{ lot: id, to: best.to }])) continue;
      ({ plan } = done);
      changed = true;
    }
    if (!changed) break;
  }
  return arrangement.homes;
}
