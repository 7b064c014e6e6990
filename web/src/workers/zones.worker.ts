import { expose } from 'comlink';
import { type Command, type Plan } from '@heronstone/core/plan';
import { zonesForMe } from '@heronstone/core/zones';

export type ZonesFound = {
  /** null: the units are kept so already */
  command: Command | null;
  /** the plan with the units kept so */
  plan: Plan;
  /** seconds a year, homes found for both: without any zones, and with those proposed */
  free: number;
  zoned: number;
};

/** Seconds the engine has for each of the two. */
const SECONDS = 1;

/** Zones for me, off the screen's thread, with what keeping them costs against free placement. */
const api = {
  async propose(plan: Plan, since: string): Promise<ZonesFound> {
    const found = (await zonesForMe(plan, { seconds: SECONDS, now: () => performance.now(), since }))!;
    return { command: found.command, plan: found.plan, free: found.free.total, zoned: found.zoned.total };
  },
};
export type ZonesWorker = typeof api;
expose(api);
