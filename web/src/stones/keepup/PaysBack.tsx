import { useState } from 'react';
import { toast } from 'sonner';
import { placeSaid } from '@heronstone/core/concepts';
import { REPAID_MONTHS, type Reslotting } from '@heronstone/core/upkeep';
import { jot } from '../../state/jot.ts';
import { useLongWork } from '../../state/long-work.ts';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { countWords, today, yearWords } from '../../ui/words.ts';
import { Working } from '../../ui/working.tsx';

const minutes = (s: number) => (s < 90 ? `${Math.round(s)} s` : `${Math.round(s / 60)} min`);

/** What would better live elsewhere by now, only where carrying it is soon repaid. */
export function PaysBack() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const work = useLongWork();
  const [told, setTold] = useState<{ of: typeof plan; found: Reslotting } | null>(null);
  const look = async () => {
    const of = usePlan.getState().plan;
    const found = await work.run((api, tell) => api.reslot(of, today(), tell));
    if (found) setTold({ of, found });
  };
  const found = told?.found;
  const take = () => {
    if (!found?.command || !dispatch(found.command)) return;
    jot(...found.moves.map((m) => ({ what: 'moved' as const, supplyId: m.supply.id, placeId: m.from })));
    toast(`${countWords(found.moves.length, 'thing lives', 'things live')} elsewhere now: carry them over.`);
    setTold(null);
  };
  return (
    <section aria-label="Moves that pay back">
      <h2 className="font-display text-lg font-semibold">Moves that pay back</h2>
      <p className="text-[14px] text-soft">
        Homes drift. Here is only what saves, within {REPAID_MONTHS} months, the time it takes to carry it over.
      </p>
      <div className="mt-1">
        {work.share === null ? (
          <Button onClick={() => void look()}>Look what is worth moving</Button>
        ) : (
          <Working work={work} words="finding homes anew, then weighing each move" />
        )}
      </div>
      {found && (
        <>
          {found.moves.length === 0 ? (
            <p className="mt-2">Nothing is worth moving now.</p>
          ) : (
            <ul className="mt-2 divide-y divide-line text-[14px]">
              {found.moves.map((m) => (
                <li key={`${m.supply.id} ${m.share}`} className="py-1">
                  <strong className="font-semibold">{m.supply.name}</strong> to {placeSaid(plan, plan.places[m.to]!)}:{' '}
                  <span className="text-soft">
                    saves {yearWords(m.saves)}, takes {minutes(m.takes)}
                  </span>
                </li>
              ))}
            </ul>
          )}
          {found.leftAlone > 0 && (
            <p className="mt-1 text-[13px] text-soft">
              {countWords(found.leftAlone, 'other thing', 'other things')} left alone: moving them does not pay back in{' '}
              {REPAID_MONTHS} months, or only together
              {found.leftAloneSaves > 60 && ` (all found anew would save ${yearWords(found.leftAloneSaves)} more)`}.
            </p>
          )}
          {found.command && (
            <Button look="main" className="mt-2" disabled={told.of !== plan} onClick={take}>
              Move {countWords(found.moves.length, 'thing', 'things')}: {yearWords(found.saves)} less, for{' '}
              {minutes(found.takes)}
            </Button>
          )}
          {told.of !== plan && found.command && (
            <p className="text-[13px] text-soft">The plan has changed since: look again.</p>
          )}
        </>
      )}
    </section>
  );
}
