import { toast } from 'sonner';
import { create } from 'zustand';
import { type Plan } from '@heronstone/core/plan';
import { type FoundHomes } from '../workers/homes.worker.ts';

/** What *find homes* found last, with the plan as it was and as it is then; kept until it is put away; shown in that plan only. */
export type FoundResult = { before: Plan; after: Plan; found: FoundHomes };

export const useFound = create<{
  result: FoundResult | null;
  /** whether it lies open on the screen */
  open: boolean;
  keep: (result: FoundResult | null) => void;
  show: (open: boolean) => void;
}>((set) => ({
  result: null,
  open: false,
  keep: (result) => set({ result, open: false }),
  show: (open) => {
    // what was said of it in short would lie over it
    toast.dismiss();
    set({ open });
  },
}));
