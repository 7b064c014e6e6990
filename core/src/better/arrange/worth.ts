import { findHomes, tallyOf, type Tally } from '../../living/homes/index.ts';
import { type Plan } from '../../record/plan/index.ts';
import { secondsOf, type Standing, standingOf, type SunGrid } from './cost.ts';

/** What a plan comes to with homes found for it: seconds a year, and how it stands. */
export type Worth = {
  plan: Plan;
  tally: Tally;
  standing: Standing;
  total: number;
  /** of these the seconds really spent fetching, bringing and handing on; the rest is set against what is wrong */
  spent: number;
};

/** One finding of homes: its work, see the slotting engine, and whether it only betters what is there. */
export type Pass = { work: number; polish: boolean };

/** How long work is paced: milliseconds from anywhere, the day that new homes are since, a place to let others in, a way to end it. */
export type Pacing = {
  now?: () => number;
  since?: string;
  breathe?: () => Promise<void>;
  cancelled?: () => boolean;
};

/** A plan with its homes found: each pass begins with the best homes of those before. What a pass makes worse is not taken; cancelled, as far as it came. */
export async function withHomes(
  plan: Plan,
  sun: SunGrid,
  passes: readonly Pass[],
  pacing: Pacing = {},
): Promise<Worth> {
  const { now = () => 0, since = '2000-01-01', breathe, cancelled } = pacing;
  let best = plan;
  let tally = tallyOf(plan);
  for (const pass of passes) {
    const found = await findHomes(best, {
      ...{ ...pass, now, since, seed: 1 },
      ...(breathe ? { breathe } : {}),
      ...(cancelled ? { cancelled } : {}),
    });
    if (!found) break;
    if (found.after.total < tally.total) [best, tally] = [found.plan, found.after];
  }
  return worthOf(best, tally, standingOf(best, sun));
}

/** What a plan comes to as it is. */
export const worthOf = (plan: Plan, tally: Tally, standing: Standing): Worth => ({
  ...{ plan, tally, standing },
  total: tally.total + secondsOf(standing),
  spent: tally.year + standing.handingOn,
});
