import { expose } from 'comlink';
import { type Lane, laneHere, type SunGrid, type Worth } from '@heronstone/core/arrange';
import { type Plan } from '@heronstone/core/plan';
import { type Change, helpLaneHere, type HelpLane } from '@heronstone/core/tryout';
import { warmUp } from './warm-up.ts';

let stop = false;
let lane: Lane | null = null;
let helpLane: HelpLane | null = null;
let base: Worth | null = null;
const pacing = (since: string) => ({
  since,
  breathe: () => new Promise<void>((resolve) => setTimeout(resolve, 0)),
  now: () => performance.now(),
  cancelled: () => stop,
});

/** A lane of a long search in a thread of its own: begun with the room, then handed one piece of work after the other. */
const api = {
  open(now: Worth, sun: SunGrid, since: string): void {
    lane = laneHere(now, sun, pacing(since));
  },
  begin: (seed: number) => lane!.begin(seed),
  better: (...job: Parameters<Lane['better']>) => lane!.better(...job),
  openHelp(plan: Plan, sun: SunGrid, since: string): void {
    helpLane = helpLaneHere(plan, sun, pacing(since));
  },
  warmUp: (plan: Plan, since: string) => warmUp(plan, since, pacing(since).breathe),
  /** what changes are tried on from now on */
  onto(worth: Worth): void {
    base = worth;
  },
  one: (change: Change, thoroughly?: boolean) => helpLane!.one(base!, change, thoroughly),
  cancel(): void {
    stop = true;
  },
};
export type LaneWorker = typeof api;
expose(api);
