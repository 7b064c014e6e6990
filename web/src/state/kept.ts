import { type Dispatch, type SetStateAction, useCallback } from 'react';
import { create } from 'zustand';
import { createJSONStorage, persist } from 'zustand/middleware';
import { usePlan } from './plan-store.ts';

type Views = { of: Record<string, unknown>; set: (key: string, value: unknown) => void };

/** More than so many letters are not kept, nor what this browser has no room for: a view is then as it begins. */
const MOST = 1_000_000;
const tab = {
  getItem: (name: string) => sessionStorage.getItem(name),
  removeItem: (name: string) => sessionStorage.removeItem(name),
  setItem: (name: string, value: string) => {
    try {
      if (value.length > MOST) sessionStorage.removeItem(name);
      else sessionStorage.setItem(name, value);
    } catch {
      // no room, or a private window: nothing is kept
    }
  },
};

/** How views were left, for as long as the tab lives: a reload, and the way back from another stone, find them so. */
export const useViews = create<Views>()(
  persist((set) => ({ of: {}, set: (key, value) => set((now) => ({ of: { ...now.of, [key]: value } })) }), {
    name: 'heronstone.views',
    storage: createJSONStorage(() => tab),
    partialize: ({ of }) => ({ of }),
  }),
);

/** What was kept where it is of the kind that is wanted; else what is there to begin with: another version may have kept something else. */
export function asWanted<T>(kept: unknown, initial: T): T {
  if (kept === undefined || typeof kept !== typeof initial || Array.isArray(kept) !== Array.isArray(initial))
    return initial;
  if (initial === null || typeof initial !== 'object' || Array.isArray(initial)) return kept as T;
  if (kept === null) return initial;
  const fields = Object.entries(initial);
  // a record that begins empty takes anything
  const alike = fields.every(([key, value]) => typeof (kept as Record<string, unknown>)[key] === typeof value);
  return alike ? (kept as T) : initial;
}

/**
 * `useState` that outlives a reload, of each plan its own. For what JSON can say.
 * @param name of the view and of what is kept in it: `list.looking`
 */
export function useKept<T>(name: string, initial: T): [T, Dispatch<SetStateAction<T>>] {
  const planId = usePlan((s) => s.planId);
  const key = `${planId} ${name}`;
  const value = useViews((s) => s.of[key]);
  const set: Dispatch<SetStateAction<T>> = useCallback(
    (next) => {
      const { of, set } = useViews.getState();
      set(key, typeof next === 'function' ? (next as (now: T) => T)(asWanted(of[key], initial)) : next);
    },
    // what is there to begin with is a constant of its view
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [key],
  );
  return [asWanted(value, initial), set];
}
