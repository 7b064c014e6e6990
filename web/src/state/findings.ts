import { type Remote, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import { create } from 'zustand';
import { type Finding } from '@heronstone/core/findings';
import { type Plan } from '@heronstone/core/plan';
import { type FindingsWorker } from '../workers/findings.worker.ts';

let worker: Remote<FindingsWorker> | null = null;
const finder = () =>
  (worker ??= wrap<FindingsWorker>(
    new Worker(new URL('../workers/findings.worker.ts', import.meta.url), { type: 'module' }),
  ));

let last: { plan: Plan; findings: Finding[] } | null = null;
/** How many findings are open in which plan, for the stepping stones; null before anybody looked. */
export const useOpenFindings = create<{ planId: string; open: number } | null>()(() => null);
let busy = false;
let next: { plan: Plan; tell: (f: Finding[]) => void } | null = null;

async function work(): Promise<void> {
  if (busy) return;
  busy = true;
  while (next) {
    const { plan, tell } = next;
    next = null;
    const findings = await finder().find(plan);
    last = { plan, findings };
    useOpenFindings.setState({ planId: plan.id, open: findings.filter((f) => !f.acknowledged).length }, true);
    tell(findings);
  }
  busy = false;
}

/** Findings of the plan shown, of the latest one only: what is dragged meanwhile is skipped. Null until the first answer. */
export function useFindings(plan: Plan): Finding[] | null {
  const [found, setFound] = useState<Finding[] | null>(last?.plan.id === plan.id ? last.findings : null);
  useEffect(() => {
    if (last?.plan === plan) return setFound(last.findings);
    next = { plan, tell: setFound };
    // the change is drawn first: handing a plan to the worker copies it
    const later = setTimeout(() => void work(), 0);
    return () => clearTimeout(later);
  }, [plan]);
  return found;
}

/** How many findings are open in a plan that is not the one on screen. */
export async function openFindings(plan: Plan): Promise<number> {
  return (await finder().find(plan)).filter((f) => !f.acknowledged).length;
}
