import { standingFindings } from '../findings/index.ts';
import { apply, type Plan } from '../../record/plan/index.ts';
import { Random } from '../../living/slotting/index.ts';
import { besidesHomes, breaks, secondsOf, type SunGrid } from './cost.ts';
import { refine, type Refining } from './refine.ts';
import { Fitting } from './fitting.ts';
import { Furnishing } from './furnishing.ts';
import { type Pacing, type Pass, withHomes, type Worth } from './worth.ts';

/** For one beginning furniture is fitted together so often, with poses dealt anew so many times where that came to nothing. */
const DRAWS = 12;
const DEALS = 3;
/** So many that break no rule are enough to choose from. */
const ENOUGH = 2;
/** Finding homes for a beginning. */
const FOR_START: readonly Pass[] = [{ work: 60_000, polish: true }];

/** Somebody who looks for arrangements of one room beside others who do: here, or in a thread of its own, for all that it is handed and gives can be copied. */
export type Lane = {
  /** an arrangement that breaks no hard rule, put together at random, with homes found for it; null when none was found */
  begin(seed: number): Promise<Worth | null>;
  /** betters an arrangement, see `refine`; tells how far it is, and what it came through as it is counted */
  better(
    start: Worth,
    how: Pick<Refining, 'steps' | 'tidy'> & { seed: number },
    onShare: (share: number) => void,
    onFound: (worth: Worth) => void,
  ): Promise<Worth>;
};

/** A lane in this thread. @param now the room as it is with its homes found */
export const laneHere = (now: Worth, sun: SunGrid, pacing: Pacing): Lane => ({
  begin: (seed) => beginning(now, sun, new Random(seed), pacing),
  better: (start, { seed, ...how }, onShare, onFound) =>
    refine(start, now, sun, new Random(seed), { ...pacing, ...how, onShare, onFound }),
});

/** Jobs shared out among lanes, each taking the next as it comes free; what they give in the order of the jobs. */
export async function shared<L, J, T>(
  lanes: readonly L[],
  jobs: Iterable<J>,
  does: (lane: L, job: J, index: number) => Promise<T>,
): Promise<T[]> {
  const out: T[] = [];
  const left = jobs[Symbol.iterator]();
  let next = 0;
  const work = async (lane: L) => {
    for (let job = left.next(); !job.done; job = left.next()) {
      const k = next++;
      out[k] = await does(lane, job.value, k);
    }
  };
  await Promise.all(lanes.map(work));
  return out;
}

/**
 * Furniture fitted together at random until some arrangements break no rule at all; of these the one against which least speaks beside its homes (the quick measure by
 * straight distances tells little of what homes there will be), with homes found for it.
 */
async function beginning(now: Worth, sun: SunGrid, random: Random, pacing: Pacing): Promise<Worth | null> {
  const furnishing = new Furnishing(now.plan, random);
  let best: { plan: Plan; beside: number } | null = null;
  let whole = 0;
  for (let deal = 0; deal < DEALS && !best; deal++) {
    const fitting = new Fitting(furnishing, random);
    for (let k = 0; k < DRAWS && whole < ENOUGH; k++) {
      await pacing.breathe?.();
      if (pacing.cancelled?.()) return null;
      const poses = fitting.draw();
      const command = poses && furnishing.command(poses);
      const done = command ? apply(now.plan, command) : null;
      if (!done?.ok || standingFindings(done.plan).some((f) => breaks(done.plan, f))) continue;
      whole++;
      const beside = secondsOf(besidesHomes(done.plan, sun));
      if (!best || beside < best.beside) best = { plan: done.plan, beside };
    }
  }
  return best && withHomes(best.plan, sun, FOR_START, pacing);
}
