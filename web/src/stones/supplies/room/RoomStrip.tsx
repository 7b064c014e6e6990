import { useDeferredValue, useMemo } from 'react';
import { type Plan } from '@heronstone/core/plan';
import { budgetOf, roomWordsOf, sumOfTapes } from '@heronstone/core/stock';
import { useSelection } from '../../../state/selection.ts';
import { TAPE_NAMES } from './names.ts';

/** The room needed so far, in small, while things come in and go: a tape each, what hangs over its end in red. */
export function RoomStrip({ plan }: { plan: Plan }) {
  const { select } = useSelection();
  const seen = useDeferredValue(plan);
  const { tapes, nowhere } = useMemo(() => budgetOf(seen), [seen]);
  const all = useMemo(() => sumOfTapes(tapes).filter((t) => t.demand.likely > 0), [tapes]);
  if (all.length === 0) return null;
  return (
    <section aria-label="Room needed so far" className="mt-3 text-[13.5px]">
      <h3 className="flex items-baseline justify-between text-[15px] font-semibold">
        Room needed so far
        <button
          type="button"
          className="text-[13.5px] font-normal text-heron underline"
          onClick={() => select({ view: 'room' })}
        >
          all of it
        </button>
      </h3>
      <ul>
        {all.map((t) => {
          const longest = Math.max(t.offer, t.demand.likely);
          const short = t.demand.likely > t.offer + 1e-6;
          const share = (amount: number) => `${(100 * amount) / longest}%`;
          return (
            <li key={t.tape} className="py-0.5">
              <span className="flex justify-between gap-2">
                <span>{TAPE_NAMES[t.tape]}</span>
                <span className={short ? 'text-clash' : 'text-soft'}>
                  {roomWordsOf(t.tape, Math.abs(t.demand.likely - t.offer), plan.head)} {short ? 'short' : 'to spare'}
                </span>
              </span>
              <span className="relative block h-2.5 rounded-sm bg-paper" aria-hidden>
                <span className="absolute inset-y-0 left-0 border border-edge" style={{ width: share(t.offer) }} />
                <span
                  className="absolute inset-y-0 left-0 bg-[var(--turn)]"
                  style={{ width: share(Math.min(t.offer, t.demand.likely)) }}
                />
                {short && (
                  <span
                    className="absolute inset-y-0 bg-clash"
                    style={{ left: share(t.offer), width: share(t.demand.likely - t.offer) }}
                  />
                )}
              </span>
            </li>
          );
        })}
      </ul>
      {nowhere.length > 0 && (
        <p className="text-clash">
          {nowhere.length === 1 ? 'One thing goes' : `${nowhere.length} things go`} into no place there is.
        </p>
      )}
    </section>
  );
}
