import { type Effort } from '@heronstone/core/tryout';
import { usePlan } from '../../../state/plan-store.ts';
import { countWords, yearWords } from '../../../ui/words.ts';
import { type Help } from '../../../workers/stations.worker.ts';
import { moneyShown } from '../../../ui/fields/index.ts';
import { priceIn } from './Price.tsx';

export const CLASSES: Record<Effort, string> = { free: 'Costs nothing', work: 'An hour’s work', buy: 'To be bought' };

/** More of one class are not shown at once. */
export const SHOWN = 8;

export function List({
  changes,
  longest,
  chosen,
  onChoose,
}: {
  changes: readonly Help[];
  /** what the longest bar of the page stands for, s a year */
  longest: number;
  chosen: string | null;
  onChoose: (id: string) => void;
}) {
  const plan = usePlan((s) => s.plan);
  return (
    <ul>
      {changes.map((c) => (
        <li key={c.id} className="border-t border-line">
          <button
            type="button"
            aria-pressed={c.id === chosen}
            onClick={() => onChoose(c.id)}
            className={`grid w-full grid-cols-[minmax(0,1fr)_7rem_7rem] items-center gap-3 py-1.5 text-left hover:text-heron ${c.id === chosen ? 'bg-stone' : ''}`}
          >
            <span className="min-w-0">
              {c.words}
              <span className="block text-[13px] text-soft">
                {c.minutes < 90 ? `${Math.round(c.minutes)} min` : `${(c.minutes / 60).toFixed(1)} h`}
                {c.effort === 'buy' && `, ${moneyShown(priceIn(plan, c)) || 'price not said'}`}
                {c.homed > 0 && `, ${countWords(c.homed, 'thing more has', 'things more have')} a home`}
                {c.mended.length > 0 && `, mends ${c.mended.length}`}
                {c.brought.length > 0 && `, brings ${countWords(c.brought.length, 'finding', 'findings')}`}
              </span>
            </span>
            <span
              aria-hidden
              className="h-3 rounded-sm"
              style={{ background: 'var(--hand)', width: `${Math.max(3, (100 * c.saves) / longest)}%` }}
            />
            <span className="text-right">{yearWords(c.saves)}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}
