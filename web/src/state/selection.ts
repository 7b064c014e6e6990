import { useCallback, useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { create } from 'zustand';
import { type Station } from '@heronstone/core/plan';
import { usePlan } from './plan-store.ts';

/** What is on screen and can be linked to lives in the address: `?unit=…&place=…&supply=…&seat=…&turn=…`. */
export type Choice =
  | 'unit'
  | 'place'
  | 'supply'
  | 'share'
  | 'seat'
  | 'turn'
  | 'wall'
  | 'thing'
  | 'activity'
  | 'view'
  | 'finding'
  | 'month'
  | 'hour'
  | 'beside'
  | 'against'
  | 'recipe'
  | 'project'
  | 'person'
  | 'day'
  | 'job';

/** Another view of a stone is a page of its own: *back* leads out of it. */
function otherView(next: Partial<Record<Choice, string | null>>): boolean {
  return 'view' in next && (next.view ?? null) !== new URLSearchParams(window.location.search).get('view');
}

export function useSelection() {
  const [params, setParams] = useSearchParams();
  /**
   * What is chosen is on the screen when this returns: whatever is pressed or typed next meets it, on a slow machine too. Not to be called while React
   * is drawing or in an effect.
   * @param push *back* comes back to how it was; so it is too when another view opens
   */
  const select = useCallback(
    (next: Partial<Record<Choice, string | null>>, push = otherView(next)) =>
      setParams(
        (now) => {
          const out = new URLSearchParams(now);
          for (const [k, v] of Object.entries(next)) {
            if (v === null || v === undefined) out.delete(k);
            else out.set(k, v);
          }
          return out;
        },
        { replace: !push, flushSync: true },
      ),
    [setParams],
  );
  const get = useCallback((k: Choice) => params.get(k), [params]);
  return useMemo(() => ({ get, select }), [get, select]);
}

/** Stations by name, and the one whose seat the room is seen from. */
export function useSeat(): { stations: Station[]; station: Station | null } {
  const { get } = useSelection();
  const all = usePlan((s) => s.plan.stations);
  const stations = useMemo(() => Object.values(all ?? {}).sort((a, b) => (a.name < b.name ? -1 : 1)), [all]);
  const wanted = get('seat');
  return { stations, station: stations.find((s) => s.id === wanted) ?? stations[0] ?? null };
}

/** What the pointer is over, shared by Round and Floor; not worth an address. */
export const useHover = create<{ place: string | null; unit: string | null }>()(() => ({ place: null, unit: null }));
