import { placeSaid } from '@heronstone/core/concepts';
import { homesIn, isShut, type Place, type Plan } from '@heronstone/core/plan';

/** Places that could carry a label: shut ones, containers, and whatever carries one. */
export function labelled(plan: Plan): Place[] {
  return Object.values(plan.places)
    .filter((p) => isShut(p) || p.organiserId !== null || p.label !== 'none' || homesIn(plan, p.id).length > 0)
    .map((p) => [placeSaid(plan, p), p] as const)
    .sort((a, b) => a[0].localeCompare(b[0], 'en', { numeric: true }))
    .map(([, p]) => p);
}
