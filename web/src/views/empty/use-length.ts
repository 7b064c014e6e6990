import { formatLength } from '@heronstone/core/lengths';
import { usePlan } from '../../state/plan-store.ts';

/** Lengths of a sketch, round ones in the plan’s own measure. */
export function useLength(): (mm: number) => string {
  const measure = usePlan((s) => s.plan.head.measure);
  return (mm) => formatLength(measure === 'metric' ? mm : Math.round(mm / 25.4) * 25.4, measure);
}
