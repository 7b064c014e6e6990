import { expose } from 'comlink';
import { slottingOf } from '@heronstone/core/homes';
import { apply, type Command, type Plan } from '@heronstone/core/plan';
import { solveSlotting } from '@heronstone/core/slotting';
import { keepCommand, proposeZones, withoutGround } from '@heronstone/core/zones';

export type ZonesFound = {
  /** null: the units are kept so already */
  command: Command | null;
  /** seconds a year by the engine: without any zones, and with those proposed */
  free: number;
  zoned: number;
};

/** Seconds the engine has for each of the two. */
const SECONDS = 1;

/** Zones for me, off the screen's thread, with what keeping them costs against free placement. */
const api = {
  async propose(plan: Plan): Promise<ZonesFound> {
    const { territory } = proposeZones(plan);
    const command = keepCommand(plan, territory);
    const done = command ? apply(plan, command) : null;
    const kept = done?.ok ? done.plan : plan;
    const total = async (p: Plan) =>
      (await solveSlotting(slottingOf(p), { seconds: SECONDS, now: () => performance.now() })).total;
    return { command, free: await total(withoutGround(plan)), zoned: await total(kept) };
  },
};
export type ZonesWorker = typeof api;
expose(api);
