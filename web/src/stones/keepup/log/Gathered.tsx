import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { type Plan } from '@heronstone/core/plan';
import { gatheredMonths, monthOfYear, olderThanAYear } from '@heronstone/core/upkeep';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { today } from '../../../ui/words.ts';
import { gatheredWords } from './line-words.ts';

/** Months whose lines were gathered, and a way to gather those of more than a year ago. */
export function Gathered({ plan }: { plan: Plan }) {
  const dispatch = usePlan((s) => s.dispatch);
  const [sure, setSure] = useState(false);
  const months = useMemo(() => gatheredMonths(plan), [plan]);
  const older = useMemo(() => olderThanAYear(plan, today()), [plan]);
  return (
    <>
      {months.length > 0 && (
        <details className="mt-4">
          <summary className="cursor-pointer text-soft">
            Gathered: {months.length} {months.length === 1 ? 'month' : 'months'} up to {monthOfYear(months[0]!.month)}
          </summary>
          <ul aria-label="Gathered months" className="divide-y divide-line">
            {months.map((m) => (
              <li key={m.month} className="flex gap-3 py-1">
                <span className="w-36 shrink-0 text-soft">{monthOfYear(m.month)}</span>
                <span>{gatheredWords(m)}</span>
              </li>
            ))}
          </ul>
        </details>
      )}
      {older && (
        <div className="mt-4">
          <p className="text-soft">
            {older.lines === 1 ? 'One line is' : `${older.lines} lines are`} more than a year old. Gathered, each month
            keeps how often what was done with which thing, and on which days; notes and hours go, and it cannot be
            undone. A log of 45,000 lines gathers its oldest months by itself.
          </p>
          {sure ? (
            <div className="mt-1 flex gap-2">
              <Button
                look="main"
                onClick={() => {
                  setSure(false);
                  if (dispatch({ type: 'gather', before: older.before }))
                    toast(`The log before ${monthOfYear(older.before)} is gathered by month.`);
                }}
              >
                Gather what is before {monthOfYear(older.before)}
              </Button>
              <Button onClick={() => setSure(false)}>Leave the lines</Button>
            </div>
          ) : (
            <Button look="quiet" onClick={() => setSure(true)}>
              Gather old months …
            </Button>
          )}
        </div>
      )}
    </>
  );
}
