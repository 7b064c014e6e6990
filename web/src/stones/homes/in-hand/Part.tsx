import { useState } from 'react';
import { fitOf, holderOf } from '@heronstone/core/fit';
import { amountOf, type Plan } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { NumberField } from '../../../ui/fields/index.ts';
import { today } from '../../../ui/words.ts';
import { type Held } from '../../../views/places/held.ts';

/** Only some of a share: so many go there, the others stay where they are. */
export function Part({ plan, held, placeId }: { plan: Plan; held: Held; placeId: string }) {
  const dispatch = usePlan((s) => s.dispatch);
  const total = amountOf(held.supply, held.share);
  const place = plan.places[placeId]!;
  const fit = fitOf(holderOf(place), held.supply, total);
  const [count, setCount] = useState(Math.min(total - 1, fit.ok ? Math.ceil(total / 2) : Math.max(1, fit.fits)));
  return (
    <span className="flex items-end gap-1">
      <NumberField
        className="w-16"
        label="only"
        hideLabel
        whole
        min={1}
        max={total - 1}
        value={count}
        onCommit={setCount}
      />
      <Button
        look="quiet"
        onClick={() =>
          dispatch({
            type: 'assignHome',
            supplyId: held.supply.id,
            share: held.share,
            placeId,
            since: today(),
            count,
          })
        }
      >
        only {count} of {total} here
      </Button>
    </span>
  );
}
