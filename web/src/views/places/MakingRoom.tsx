import { placeSaid } from '@heronstone/core/concepts';
import { useEffect, useState } from 'react';
import { type Plan } from '@heronstone/core/plan';
import { askHomes } from '../../state/homes-worker.ts';
import { usePlan } from '../../state/plan-store.ts';
import { today, yearWords } from '../../ui/words.ts';
import { type MakingRoom as Making } from '../../workers/homes.worker.ts';
import { type Held } from './held.ts';

/** The same if one or two things make room for it, where that saves something in all. */
export function MakingRoom({ plan, held, asKin = false }: { plan: Plan; held: Held; asKin?: boolean }) {
  const dispatch = usePlan((s) => s.dispatch);
  const [found, setFound] = useState<{ plan: Plan; held: Held; making: Making } | null>(null);
  useEffect(() => {
    let wanted = true;
    // the screen first: a moment later, and not at every step where several come at once
    const later = setTimeout(() => {
      askHomes(plan, (api) => api.makingRoom(held.supply.id, held.share, today(), asKin))
        .then((making) => wanted && setFound({ plan, held, making }))
        // it can do without: what it would have said is one more idea
        .catch(() => undefined);
    }, 60);
    return () => {
      wanted = false;
      clearTimeout(later);
    };
  }, [plan, held, asKin]);
  // what was found is of the plan as it was then, and of what was in hand
  const { refits, free } = found?.plan === plan && found.held === held ? found.making : { refits: [], free: null };
  if (refits.length === 0) return null;
  const against = free ?? 0;
  return (
    <>
      <h4 className="mt-1 font-semibold">If others make room</h4>
      <ul className="space-y-1">
        {refits.map((r) => (
          <li key={r.place.id} className="rounded-lg border border-line px-2 py-1 text-[14px]">
            {placeSaid(plan, r.place)}, {yearWords(against - r.change)} less in all
            {free && ' than the best that is free'}:{' '}
            {r.displaced.map((d) => `${d.supply.name} goes to ${placeSaid(plan, plan.places[d.to]!)}`).join(', ')}.{' '}
            <button type="button" className="text-heron hover:underline" onClick={() => dispatch(r.command)}>
              Do that
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}
