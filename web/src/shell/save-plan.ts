import { fetched } from '../parts/fetched.ts';
import { usePlan } from '../state/plan-store.ts';
import { saveFile } from '../ui/save-file.ts';

/** The plan as it is on screen, written by this page without the server. */
export async function savePlan(): Promise<void> {
  const { exportPlan, planFileName } = await fetched(() => import('@heronstone/core/formats'));
  const { plan } = usePlan.getState();
  saveFile(planFileName(plan), 'application/json', exportPlan(plan));
}
