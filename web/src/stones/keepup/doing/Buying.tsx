import { useMemo } from 'react';
import { toOrder } from '@heronstone/core/doing';
import { usePlan } from '../../../state/plan-store.ts';
import { NumberField, MoneyField } from '../../../ui/fields/index.ts';
import { shortDate } from './days.ts';

/** What is to be bought on the way: by which day it must be ordered, what it costs, how long it is on its way. Nothing where nothing is. */
export function Buying({ onChanged }: { onChanged: () => void }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const rows = useMemo(() => toOrder(plan), [plan]);
  if (rows.length === 0) return null;
  const unsaid = rows.filter((r) => r.job.money === null).length;
  const sum = rows.reduce((all, r) => all + (r.job.money ?? 0), 0);
  return (
    <section aria-label="To buy on the way">
      <h2 className="font-semibold">To buy on the way</h2>
      <ul className="divide-y divide-line">
        {rows.map(({ job, on, by, needed }) => (
          <li key={job.id} className="py-1">
            <p>{job.name}</p>
            <p className="text-[14px] text-soft">
              {by && needed
                ? `Order by ${shortDate(by)}: it is needed on ${shortDate(needed)}${on ? `; planned for ${shortDate(on)}` : ''}.`
                : 'What waits for it has no day yet.'}
            </p>
            <div className="flex gap-2">
              <MoneyField
                label="Costs"
                className="w-24"
                amount={job.money}
                empty="not said"
                onCommit={(money) => dispatch({ type: 'setJob', id: job.id, set: { money } })}
              />
              <NumberField
                label="On its way"
                unit="days"
                whole
                max={365}
                className="w-28"
                value={job.delivery}
                onCommit={(delivery) => {
                  const done = dispatch({ type: 'setJob', id: job.id, set: { delivery } });
                  if (done) onChanged();
                  return done;
                }}
              />
            </div>
          </li>
        ))}
      </ul>
      <p className="text-[14px] text-soft">
        {sum} in all{unsaid > 0 && `, and ${unsaid} without a price yet`}.
      </p>
    </section>
  );
}
