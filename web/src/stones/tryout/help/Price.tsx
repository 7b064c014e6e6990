import { type Plan } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { MoneyField, moneyShown } from '../../../ui/fields/index.ts';
import { type Help } from '../../../workers/stations.worker.ts';

/** What a change costs by the prices as they are now. */
export const priceIn = (plan: Plan, { price, priceId }: Help): number | null =>
  (priceId === undefined ? undefined : plan.prices[priceId]?.price) ?? price;

/** What one of it costs, kept for the next time. */
export function Price({ change: { price, priceId: id, of } }: { change: Help }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  if (id === undefined)
    return (
      <p className="text-soft">
        {price !== null
          ? `It costs ${moneyShown(price)}.`
          : of.length > 0
            ? 'What each costs is said with it by itself, below.'
            : 'Prices of containers are said at Furniture, what to buy.'}
      </p>
    );
  const known = plan.prices[id];
  return (
    <MoneyField
      className="w-32"
      label="one of it costs"
      amount={known?.price ?? null}
      empty="not said"
      onCommit={(cost) => {
        if (cost === null) return known && dispatch({ type: 'removePrice', id });
        return dispatch(
          known ? { type: 'setPrice', id, set: { price: cost } } : { type: 'addPrice', price: { id, price: cost } },
        );
      }}
    />
  );
}
