import { useMemo } from 'react';
import { formatVolume } from '@heronstone/core/lengths';
import { type Plan, type Supply } from '@heronstone/core/plan';
import { compareStorage, setMany, type StorageOption } from '@heronstone/core/stock';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { Sheet } from '../../../ui/sheet.tsx';
import { countWords } from '../../../ui/words.ts';

/** The same things kept another way: what room each way takes, what it costs at every fetch, and what is to be bought. */
export function StorageSheet({
  plan,
  supplies,
  onClose,
}: {
  plan: Plan;
  supplies: readonly Supply[];
  onClose: () => void;
}) {
  const dispatch = usePlan((s) => s.dispatch);
  const options = useMemo(() => compareStorage(plan, supplies), [plan, supplies]);
  const most = Math.max(...options.map((o) => o.litres), 1e-9);
  const pieces = supplies.reduce((sum, s) => sum + s.working + s.backstock, 0);
  const name = supplies.length === 1 ? supplies[0]!.name : `these ${supplies.length}`;
  const keep = (option: StorageOption) => {
    const command = setMany(
      supplies.map((s) => s.id),
      { storage: option.form },
      `keep ${name} ${option.name}`,
    );
    if (command && dispatch(command)) onClose();
  };
  return (
    <Sheet title={`How to keep ${name}`} onClose={onClose} wide>
      <p className="text-soft">
        {countWords(pieces, 'piece', 'pieces')}. Room and seconds are worked out from sizes and motions; the bars are
        litres at one scale.
      </p>
      <ul className="mt-3 space-y-3">
        {options.map((o) => {
          const now = o.now.length === supplies.length;
          return (
            <li
              key={o.form}
              className="grid grid-cols-[10.5rem_1fr_auto] items-center gap-x-3 max-sm:grid-cols-[1fr_auto]"
            >
              <span className="font-semibold">{o.name}</span>
              <div className="max-sm:col-span-2 max-sm:row-start-2">
                <div className="flex items-center gap-2">
                  <div
                    className="h-4 rounded-r bg-[var(--turn)]"
                    style={{ width: `${Math.max(0.5, (70 * o.litres) / most)}%` }}
                    aria-hidden
                  />
                  <span>{formatVolume(o.litres, plan.head, 1)}</span>
                </div>
                <p className="text-[14px] text-soft">
                  {o.room.map((r) => r.words).join(' and ') || 'goes into nothing ordinary'}
                  {' · '}
                  {Math.abs(o.seconds) < 0.05 ? 'no more at a fetch' : `${o.seconds.toFixed(1)} s more at every fetch`}
                  {o.hoursAYear > 0.05 && `, ${o.hoursAYear.toFixed(1)} h a year`}
                  {o.buy && ` · to buy: ${o.buy}`}
                </p>
              </div>
              {now ? <span className="text-soft">so now</span> : <Button onClick={() => keep(o)}>Keep them so</Button>}
            </li>
          );
        })}
      </ul>
      {options.length === 1 && <p className="mt-2 text-soft">Nothing else suits all of them.</p>}
    </Sheet>
  );
}
