import { isStranger } from './access.ts';
import { Refused, sendCommand } from './api.ts';
import { dropPending, layAside, plansWithPending, readPending } from './pending.ts';

/**
 * Sends what waits in this browser for plans that are not open. A change that is refused is set aside with its reason, as in the plan; where the
 * server does not answer or does not know who asks, the rest goes on waiting.
 */
export async function sendWaiting(): Promise<void> {
  try {
    for (const planId of await plansWithPending())
      for (const one of await readPending(planId)) {
        try {
          await sendCommand(planId, one.id, one.command);
          await dropPending(one.id);
        } catch (error) {
          if (!(error instanceof Refused) || isStranger(error)) return;
          await layAside({ ...one, reason: error.message, when: new Date().toISOString() });
        }
      }
  } catch {
    // a browser that keeps nothing has nothing waiting
  }
}
