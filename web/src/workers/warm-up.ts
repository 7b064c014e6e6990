import { findHomes } from '@heronstone/core/homes';
import { type Plan } from '@heronstone/core/plan';

/** Goes once through what a search will do over and over, a little of it: in a new thread the first time takes several times as long. */
export async function warmUp(plan: Plan, since: string, breathe: () => Promise<void>): Promise<void> {
  await findHomes(plan, { work: 1000, polish: true, now: () => performance.now(), since, breathe });
}
