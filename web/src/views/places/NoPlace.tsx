import { placeSaid } from '@heronstone/core/concepts';
import { useMemo } from 'react';
import { STORAGE, storageFormsOf } from '@heronstone/core/fit';
import { bestPlacesFor } from '@heronstone/core/homes';
import { type Plan } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { today } from '../../ui/words.ts';
import { type Held } from './held.ts';

/** Nothing takes it: what is the least that would change that. */
export function NoPlace({ plan, held: { supply, share } }: { plan: Plan; held: Held }) {
  const dispatch = usePlan((s) => s.dispatch);
  const ways = useMemo(
    () =>
      storageFormsOf(supply)
        .filter((form) => form !== supply.storage)
        .flatMap((storage) => {
          const [best] = bestPlacesFor(plan, { ...supply, storage }, share, today(), 1);
          return best ? [{ storage, best }] : [];
        }),
    [plan, supply, share],
  );
  return (
    <div className="text-[14px]">
      <p className="text-soft">It goes into no place that everybody who uses it can reach.</p>
      {ways.map(({ storage, best }) => (
        <p key={storage}>
          Kept {STORAGE[storage].name} it would fit into {placeSaid(plan, best.place)}.{' '}
          <button
            type="button"
            className="text-heron hover:underline"
            onClick={() =>
              dispatch({
                type: 'several',
                words: `keep ${supply.name} otherwise`,
                commands: [{ type: 'setSupply', id: supply.id, set: { storage } }, best.command] as never,
              })
            }
          >
            Do that
          </button>
        </p>
      ))}
    </div>
  );
}
