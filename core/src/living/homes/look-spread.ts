import { type Plan } from '../../record/plan/index.ts';
import { LOST_THREAD } from '../recall/index.ts';
import { type Need } from './need.ts';
import { weightOf } from './weights.ts';

/** A look into a wrong place, about, s: the motions of one and the thread that is lost. */
const WRONG_LOOK = LOST_THREAD + 12;

/** By family what every further place of it costs, s a year: it is looked in first by half of those who do not remember. The engine’s stand-in for the exact measure. */
export function lookSpreads(
  plan: Plan,
  families: ReadonlyMap<string, { lots: readonly string[] }>,
  needs: ReadonlyMap<string, Need>,
): Map<string, number> {
  const weigh = weightOf(plan, 'weighAgain');
  return new Map(
    [...families].flatMap(([id, { lots }]): [string, number][] => {
      const looks = lots.reduce((sum, lot) => sum + needs.get(lot)!.weight, 0);
      return weigh > 0 && id.startsWith('family ') && looks > 0 ? [[id, (weigh * looks * WRONG_LOOK) / 2]] : [];
    }),
  );
}
