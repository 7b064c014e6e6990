import { expose } from 'comlink';
import { type Plan } from '@heronstone/core/plan';
import { slottingOf } from '@heronstone/core/homes';
import { type SlottingAnswer, type SlottingProgress, solveSlotting } from '@heronstone/core/slotting';

let stop = false;

/** Find homes, off the screen's thread: lets messages in between rounds, so that cancel is heard at once. */
const api = {
  async find(plan: Plan, seconds: number, onProgress: (p: SlottingProgress) => void): Promise<SlottingAnswer> {
    stop = false;
    return solveSlotting(slottingOf(plan), {
      seconds,
      now: () => performance.now(),
      onProgress: (p) => onProgress(p),
      cancelled: () => stop,
      breathe: () => new Promise((resolve) => setTimeout(resolve, 0)),
    });
  },
  cancel() {
    stop = true;
  },
};
export type HomesWorker = typeof api;
expose(api);
