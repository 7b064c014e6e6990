import { standingFindings } from '../findings/index.ts';
import { apply } from '../plan/index.ts';
import { Random } from '../slotting/index.ts';
import { breaks, type SunGrid } from './cost.ts';
import { type Pose } from './pieces.ts';
import { refine } from './refine.ts';
import { Search } from './search.ts';
import { type Pacing, type Pass, withHomes, type Worth } from './worth.ts';

/** A quick search first mends what is broken: changes tried, from one temperature to another, mm. */
const MEND = { changes: 1500, hot: 100, cold: 2 };
/** Then it looks for what costs less: changes tried, temperatures of its annealing, s a year, by how much rules may be broken by what it finds, mm, and how often it looks up. */
const QUICK = 4_000;
const HOT = 2000;
const COLD = 50;
const NEARLY = 1;
const BLOCK = 400;
/** A beginning that breaks more hard rules is not worth refining: they are hardly ever mended. */
const BROKEN = 1;
/** Finding homes for a beginning. */
const FOR_START: readonly Pass[] = [{ work: 60_000, polish: true }];

/** Somebody who looks for arrangements of one room beside others who do: here, or in a thread of its own, for all that it is handed and gives can be copied. */
export type Lane = {
  /** an arrangement that breaks hardly any rule, looked for quickly, with homes found for it; null when none was found */
  begin(seed: number): Promise<Worth | null>;
  /** betters an arrangement, see `refine`; tells how far it is, and what it came through as it is counted */
  better(
    start: Worth,
    steps: number,
    seed: number,
    onShare: (share: number) => void,
    onFound: (worth: Worth) => void,
  ): Promise<Worth>;
};

/** A lane in this thread. @param now the room as it is with its homes found */
export const laneHere = (now: Worth, sun: SunGrid, pacing: Pacing): Lane => ({
  begin: (seed) => quickStart(now, sun, new Random(seed), pacing),
  better: (start, steps, seed, onShare, onFound) =>
    refine(start, now, sun, new Random(seed), { ...pacing, steps, onShare, onFound }),
});

/** Jobs shared out among lanes, each taking the next as it comes free; what they give in the order of the jobs. */
export async function shared<J, T>(
  lanes: readonly Lane[],
  jobs: readonly J[],
  does: (lane: Lane, job: J, index: number) => Promise<T>,
): Promise<T[]> {
  const out = new Array<T>(jobs.length);
  let next = 0;
  const work = async (lane: Lane) => {
    while (next < jobs.length) {
      const k = next++;
      out[k] = await does(lane, jobs[k]!, k);
    }
  };
  await Promise.all(lanes.map(work));
  return out;
}

async function quickStart(now: Worth, sun: SunGrid, random: Random, pacing: Pacing): Promise<Worth | null> {
  const search = new Search(now.plan, sun, random);
  await pacing.breathe?.();
  if (search.mend(MEND.changes, MEND.hot, MEND.cold) > NEARLY) return null;
  let best: { energy: number; poses: Pose[] } = { energy: search.energy, poses: [...search.poses] };
  for (let step = 0; step < QUICK; step++) {
    const share = step / QUICK;
    const stays = search.tryPoses(search.draw(1 - share), HOT * (COLD / HOT) ** share);
    if (stays && search.energy < best.energy && search.broken() < NEARLY)
      best = { energy: search.energy, poses: [...search.poses] };
    if (step % BLOCK !== 0) continue;
    await pacing.breathe?.();
    if (pacing.cancelled?.()) return null;
  }
  const command = search.command(best.poses);
  const done = command ? apply(now.plan, command) : null;
  if (!done?.ok) return null;
  const broken = standingFindings(done.plan).filter((f) => breaks(done.plan, f));
  return broken.length > BROKEN ? null : withHomes(done.plan, sun, FOR_START, pacing);
}
