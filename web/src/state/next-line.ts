import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** Whether the line that says the one next thing is shown; put away it stays away, in this browser. */
export const useNextLine = create<{ shown: boolean }>()(
  persist((): { shown: boolean } => ({ shown: true }), {
    name: 'heronstone.next-line',
    merge: (kept, now) => ((kept as { shown?: unknown } | undefined)?.shown === false ? { shown: false } : now),
  }),
);
