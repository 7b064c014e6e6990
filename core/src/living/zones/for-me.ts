import { findHomes, type FindOptions, type Tally } from '../homes/index.ts';
import { apply, type Command, type Plan } from '../../record/plan/index.ts';
import { keepCommand, proposeZones, type Territory, withoutGround } from './propose.ts';

export type ZonesForMe = {
  territory: Territory;
  /** null: the units are kept so already */
  command: Command | null;
  /** the plan with the units kept so, its homes as they are */
  plan: Plan;
  /** both with homes found for them, counted alike: without any zones, and with these */
  free: Tally;
  zoned: Tally;
};

/**
 * Zones for me, with what keeping them costs: homes are found for the room without zones and with those proposed.
 * @param options for each of the two searches
 * @returns null when it was cancelled
 */
export async function zonesForMe(plan: Plan, options: FindOptions): Promise<ZonesForMe | null> {
  const { territory } = proposeZones(plan);
  const command = keepCommand(plan, territory);
  const done = command ? apply(plan, command) : null;
  if (done && !done.ok) throw new Error(done.reason);
  const kept = done ? done.plan : plan;
  const free = await findHomes(withoutGround(plan), options);
  const zoned = free && (await findHomes(kept, options));
  return zoned && { territory, command, plan: kept, free: free.after, zoned: zoned.after };
}
