import { useState } from 'react';
import { placeSaid } from '@heronstone/core/concepts';
import { homesOf, type Share, type Supply } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { WhereItGoes } from '../../../views/places/WhereItGoes.tsx';

/** What has just been taken in, one thing open at a time with the best places for it; the next one opens when it has a home. */
export function JustIn({ ids }: { ids: readonly string[] }) {
  const plan = usePlan((s) => s.plan);
  const [chosen, setChosen] = useState<string | null>(null);
  const here = ids.flatMap((id) => plan.supplies[id] ?? []);
  const shareOf = (supply: Supply): Share => (supply.working > 0 ? 'working' : 'backstock');
  const homeOf = (supply: Supply) => homesOf(plan, supply.id, shareOf(supply))[0];
  const open = here.find((s) => s.id === chosen && !homeOf(s)) ?? here.find((s) => !homeOf(s));
  if (here.length === 0) return null;
  return (
    <section aria-label="Just taken in" className="mb-3">
      <h2 className="font-semibold">Just taken in: where could it go?</h2>
      <ul className="max-h-[calc(100vh-16rem)] divide-y divide-line overflow-auto">
        {here.map((supply) => {
          const home = homeOf(supply);
          return (
            <li key={supply.id} className="py-1">
              {supply === open ? (
                <>
                  <p>{supply.name}</p>
                  <WhereItGoes supply={supply} share={shareOf(supply)} />
                </>
              ) : (
                <button
                  type="button"
                  disabled={home !== undefined}
                  onClick={() => setChosen(supply.id)}
                  className="flex w-full justify-between gap-2 text-left enabled:hover:text-heron"
                >
                  <span>{supply.name}</span>
                  <span className="text-soft">
                    {home ? placeSaid(plan, plan.places[home.placeId]!) : 'no home yet'}
                  </span>
                </button>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
