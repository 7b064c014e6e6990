import { type Plan } from '../../record/plan/index.ts';
import { type Homes, type SlottingAnswer, type SlottingOptions, solveSlotting } from '../slotting/index.ts';
import { findingAgainOver } from './again-over.ts';
import { OTHERS } from './finding-again.ts';
import { Layout } from './layout.ts';
import { tableOf, totalOf, Used } from './problem.ts';
import { type Translation } from './translation.ts';
import { weightOf } from './weights.ts';

/** As much of the engine’s options as whoever looks for homes decides. */
export type Limits = Pick<
  SlottingOptions,
  'seconds' | 'work' | 'seed' | 'now' | 'polish' | 'prices' | 'onProgress' | 'cancelled' | 'breathe'
>;

/**
 * Which of some lots find no room in a place when it is laid with all of them and with what stays there: what the engine asks, so that what is found lies.
 * Places are laid once.
 */
export function overIn(plan: Plan, translation: Translation): NonNullable<SlottingOptions['over']> {
  const layout = new Layout(plan, translation, []);
  return (place, lots) =>
    layout.overOf(
      place,
      lots.filter((lot) => translation.lotOf.has(lot)),
    );
}

/**
 * Homes looked for by the measure that is shown: what finding again comes to is told exactly after every change, beside the engine’s costs, and what is taken lies.
 * @param from homes that lie; what they use of a place beyond its room they keep
 * @param room how much of each place may be used, in its measure
 */
export async function annealed(
  plan: Plan,
  translation: Translation,
  from: Homes,
  room: (placeId: string) => number,
  limits: Limits,
): Promise<SlottingAnswer> {
  const used = new Used(translation, from);
  const weigh = weightOf(plan, 'weighAgain');
  const again = findingAgainOver(plan, translation, from);
  return solveSlotting(
    tableOf(translation, (id) => Math.max(room(id), used.most(id) + 0.01), false),
    {
      ...limits,
      over: overIn(plan, translation),
      besides: {
        move: (l, p) => again.moveTo(l, p < translation.places.size ? p : -1),
        total: () => weigh * again.total(),
        mayGain: (l) => weigh * again.costAt(l) + OTHERS,
      },
      start: [...translation.sorts.staying.map(({ id, place }) => ({ lot: id, place })), ...from],
    },
  );
}

/** What homes cost by that measure, s a year. */
export function exactTotal(plan: Plan, translation: Translation, homes: Homes): number {
  return (
    totalOf(translation, homes, false) +
    weightOf(plan, 'weighAgain') * findingAgainOver(plan, translation, homes).total()
  );
}
