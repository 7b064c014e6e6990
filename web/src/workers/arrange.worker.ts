import { expose } from 'comlink';
import { type Lane, laneHere, type SunGrid, type Worth } from '@heronstone/core/arrange';

let stop = false;
let lane: Lane | null = null;

/** A lane of an arrangement search in a thread of its own: begun with the room, then handed one piece of work after the other. */
const api = {
  open(now: Worth, sun: SunGrid, since: string): void {
    const breathe = () => new Promise<void>((resolve) => setTimeout(resolve, 0));
    lane = laneHere(now, sun, { since, breathe, now: () => performance.now(), cancelled: () => stop });
  },
  begin: (seed: number) => lane!.begin(seed),
  better: (...job: Parameters<Lane['better']>) => lane!.better(...job),
  cancel(): void {
    stop = true;
  },
};
export type ArrangeWorker = typeof api;
expose(api);
