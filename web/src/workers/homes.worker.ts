import { expose } from 'comlink';
import { findHomes, type FindProgress, type Found, isWorse, type Tally } from '@heronstone/core/homes';
import { type Plan } from '@heronstone/core/plan';

type Counted = Omit<Tally, 'without'> & { without: number };
export type FoundHomes = Pick<Found, 'answer' | 'command' | 'growthGaveWay'> & {
  moves: number;
  before: Counted;
  after: Counted;
  worse: boolean;
};

const counted = (tally: Tally): Counted => ({ ...tally, without: tally.without.length });
let stop = false;

/** Find homes, off the screen's thread: lets messages in between short pieces of work, so that cancel is heard at once. */
const api = {
  /** @returns null when it was stopped before there was an answer */
  async find(
    plan: Plan,
    seconds: number,
    since: string,
    onProgress: (p: FindProgress) => void,
  ): Promise<FoundHomes | null> {
    stop = false;
    const found = await findHomes(plan, {
      seconds,
      since,
      now: () => performance.now(),
      onProgress: (p) => onProgress(p),
      cancelled: () => stop,
      breathe: () => new Promise((resolve) => setTimeout(resolve, 0)),
    });
    return (
      found && {
        answer: found.answer,
        command: found.command,
        growthGaveWay: found.growthGaveWay,
        moves: found.command.homes.length,
        before: counted(found.before),
        after: counted(found.after),
        worse: isWorse(found),
      }
    );
  },
  cancel() {
    stop = true;
  },
};
export type HomesWorker = typeof api;
expose(api);
