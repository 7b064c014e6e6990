import { type Remote, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import { type Plan } from '@heronstone/core/plan';
import { type HomesWorker, type Standing } from '../workers/homes.worker.ts';
import { orFail } from '../workers/or-fail.ts';

type Running = { raw: Worker; api: Remote<HomesWorker>; told: Plan | null };
let running: Running | null = null;

/** The tables of a plan that are other ones than in the plan told before; all of them when that was another plan. */
export function toldAnew(plan: Plan, before: Plan | null): Partial<Plan> {
  if (before?.id !== plan.id) return plan;
  const keys = Object.keys(plan) as (keyof Plan)[];
  return Object.fromEntries(keys.filter((k) => plan[k] !== before[k]).map((k) => [k, plan[k]]));
}

/**
 * Has the worker that holds the plan work something out about its homes. It is told only of what changed since it was last asked, and keeps what it
 * has worked out of the rest; one that broke down is let go, and the next question starts another.
 */
export async function askHomes<T>(plan: Plan, ask: (api: Remote<HomesWorker>) => Promise<T>): Promise<T> {
  const { raw, api } = (running ??= started());
  if (running.told !== plan) {
    const tables = toldAnew(plan, running.told);
    running.told = plan;
    // not waited for: the worker hears it before the question
    api.tell(tables).catch(() => undefined);
  }
  return orFail(raw, ask(api));
}

/** A question that fails leaves the worker and what else it is asked alone; only when it broke down itself is it let go. */
function started(): Running {
  const raw = new Worker(new URL('../workers/homes.worker.ts', import.meta.url), { type: 'module' });
  const letGo = () => {
    raw.terminate();
    if (running?.raw === raw) running = null;
  };
  raw.addEventListener('error', letGo);
  raw.addEventListener('messageerror', letGo);
  return { raw, api: wrap<HomesWorker>(raw), told: null };
}

/** Ends what the worker is at, with the best it has; nothing is lost of what it holds. */
export const enoughOfHomes = (): void => void running?.api.cancel();

let last: { plan: Plan; standing: Standing } | null = null;

/** How the homes of the plan on screen stand; until that is worked out, how they stood before. Null before anything is known of this plan. */
export function useStanding(plan: Plan): Standing | null {
  const [standing, setStanding] = useState<Standing | null>(last?.plan.id === plan.id ? last.standing : null);
  useEffect(() => {
    if (last?.plan === plan) return setStanding(last.standing);
    let wanted = true;
    // the change is drawn first, and of several at once only the last is asked about
    const later = setTimeout(() => {
      askHomes(plan, (api) => api.standing())
        .then((answer) => {
          last = { plan, standing: answer };
          if (wanted) setStanding(answer);
        })
        // what it would have said comes with the next change
        .catch(() => undefined);
    }, 30);
    return () => {
      wanted = false;
      clearTimeout(later);
    };
  }, [plan]);
  return standing;
}
