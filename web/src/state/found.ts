import { useEffect } from 'react';
import { create } from 'zustand';
import { keepLastPair, lastPair } from './last-known.ts';
import { type Pair } from './pair.ts';

type Found = { pair: Pair | null; keep: (pair: Pair | null) => void };

export const usePair = create<Found>((set, get) => ({
  pair: null,
  keep: (pair) => {
    const planId = pair?.planId ?? get().pair?.planId;
    set({ pair });
    if (planId) void keepLastPair(planId, pair);
  },
}));

/** The pair of this plan, after a reload too, as this browser last had it; null where there is none. */
export function usePairOf(planId: string): Pair | null {
  const pair = usePair((s) => (s.pair?.planId === planId ? s.pair : null));
  const none = pair === null;
  useEffect(() => {
    let wanted = none;
    if (none)
      void lastPair(planId).then((kept) => {
        if (kept && wanted) usePair.setState({ pair: kept });
      });
    return () => {
      wanted = false;
    };
  }, [none, planId]);
  return pair;
}
