import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { type PlanHead } from '@heronstone/core/plan';

type Measure = PlanHead['measure'];

/** Where lengths are usually said in inches. */
const INCHES = /^en-(US|LR)$|^my\b/i;

/** What a new plan is measured in: as the last one was in this browser, else as it is usual where the browser says it is. */
export const useMeasure = create<{ measure: Measure; set: (measure: Measure) => void }>()(
  persist(
    (set) => ({
      measure: (INCHES.test(globalThis.navigator?.language ?? '') ? 'imperial' : 'metric') as Measure,
      set: (measure) => set({ measure }),
    }),
    {
      name: 'heronstone.measure',
      merge: (kept, now) => {
        const { measure } = (kept ?? {}) as { measure?: unknown };
        return measure === 'metric' || measure === 'imperial' ? { ...now, measure } : now;
      },
    },
  ),
);
