import { type Remote, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import { create } from 'zustand';
import { type Finding, groupOfFinding, worstOf } from '@heronstone/core/findings';
import { type Plan } from '@heronstone/core/plan';
import type { FindingsWorker } from '../workers/findings.worker.ts';
import { orFail } from '../workers/or-fail.ts';

let worker: { raw: Worker; api: Remote<FindingsWorker> } | null = null;
/** Asks the worker; one that broke down is let go, so that the next question starts another. */
async function find(plan: Plan): Promise<Finding[]> {
  if (!worker) {
    const raw = new Worker(new URL('../workers/findings.worker.ts', import.meta.url), { type: 'module' });
    worker = { raw, api: wrap<FindingsWorker>(raw) };
  }
  const { raw, api } = worker;
  try {
    return await orFail(raw, api.find(plan));
  } catch (e) {
    raw.terminate();
    if (worker?.raw === raw) worker = null;
    throw e;
  }
}

let last: { plan: Plan; findings: Finding[] } | null = null;
/** How many findings are open in which plan, how many of them can hurt, and the worst in words: for the stepping stones; null before anybody looked. */
export const useOpenFindings = create<{ planId: string; open: number; hurts: number; worst: string[] } | null>()(
  () => null,
);
let busy = false;
let next: { plan: Plan; tell: (f: Finding[]) => void } | null = null;
/** Why the findings could not be worked out the last time; null when they could. */
export const useFindingsTrouble = create<{ words: string | null }>()(() => ({ words: null }));

async function work(): Promise<void> {
  if (busy) return;
  busy = true;
  while (next) {
    const { plan, tell } = next;
    next = null;
    let findings: Finding[];
    try {
      findings = await find(plan);
      useFindingsTrouble.setState({ words: null });
    } catch (e) {
      useFindingsTrouble.setState({ words: (e as Error).message });
      continue;
    }
    last = { plan, findings };
    const open = findings.filter((f) => !f.acknowledged);
    const hurts = open.filter((f) => groupOfFinding(f) === 'hurts').length;
    useOpenFindings.setState({ planId: plan.id, open: open.length, hurts, worst: worstOf(open) }, true);
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
  return (await find(plan)).filter((f) => !f.acknowledged).length;
}
