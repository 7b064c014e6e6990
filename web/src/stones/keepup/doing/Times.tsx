import { Gone } from './Gone.tsx';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { weekdayOf } from '@heronstone/core/doing';
import { type FreeTime, newId } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { CheckField, DayField, MoneyField } from '../../../ui/fields/index.ts';
import { today } from '../../../ui/words.ts';
import { shortDate } from './days.ts';
import { doingOf } from './use-doing.ts';
import { WHOLE, TimeLine } from './TimeLine.tsx';

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

/** A weekday that is chosen begins so: at ten, two hours, alone. */
const USUAL = { starts: 600, minutes: 120, lies: false, helpers: 0, hands: 0, note: '' };

/** When there is time: weekdays pressed on and off, days of their own, and what must hold meanwhile. */
export function Times({ onChanged }: { onChanged: () => void }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const doing = doingOf(plan)!;
  const [day, setDay] = useState<string | null>(null);
  const rows = Object.values(plan.freeTimes);
  const ofWeekday = (n: number) => rows.find((f) => f.on === null && f.weekday === n);
  const own = rows.filter((f): f is FreeTime & { on: string } => f.on !== null).sort((a, b) => (a.on < b.on ? -1 : 1));
  const did = (done: boolean) => {
    if (done) onChanged();
  };
  const press = (n: number) => {
    const row = ofWeekday(n);
    did(
      row
        ? dispatch({ type: 'removeFreeTime', id: row.id })
        : dispatch({ type: 'addFreeTime', freeTime: { ...USUAL, id: newId('free'), weekday: n, on: null } }),
    );
  };
  const addDay = (minutes: number) => {
    if (day === null) return;
    const usual = ofWeekday(weekdayOf(day)) ?? USUAL;
    did(
      dispatch({
        type: 'addFreeTime',
        freeTime: {
          ...USUAL,
          ...{ starts: usual.starts, helpers: usual.helpers, hands: usual.hands },
          id: newId('free'),
          weekday: null,
          on: day,
          minutes,
        },
      }),
    );
    setDay(null);
  };
  return (
    <section aria-label="When there is time">
      <h2 className="font-semibold">When there is time</h2>
      <div className="my-1 flex flex-wrap gap-1" role="group" aria-label="Weekdays">
        {WEEKDAYS.map((name, i) => (
          <button
            key={name}
            type="button"
            aria-pressed={ofWeekday(i + 1) !== undefined}
            title={WHOLE[i]}
            className={`min-h-8 rounded-full border px-2.5 ${ofWeekday(i + 1) ? 'border-ink bg-ink text-ground' : 'border-edge hover:border-heron'}`}
            onClick={() => press(i + 1)}
          >
            {name}
          </button>
        ))}
      </div>
      <ul className="space-y-1">
        {WEEKDAYS.map((_, i) => ofWeekday(i + 1))
          .filter((f) => f !== undefined)
          .map((f) => (
            <TimeLine key={f.id} row={f} name={WHOLE[f.weekday! - 1]!} onChanged={onChanged} />
          ))}
        {own.map((f) =>
          f.minutes === 0 ? (
            <li key={f.id} className="flex items-center gap-2">
              <span className="w-24 shrink-0 font-semibold">{shortDate(f.on)}</span>
              <span className="grow text-soft">not at all</span>
              <Gone id={f.id} name={shortDate(f.on)} onChanged={onChanged} />
            </li>
          ) : (
            <TimeLine key={f.id} row={f} name={shortDate(f.on)} onChanged={onChanged} />
          ),
        )}
      </ul>
      <div className="mt-2 flex flex-wrap items-end gap-2">
        <DayField label="One day" className="w-40" min={today()} value={day} onCommit={setDay} />
        <Button disabled={day === null} onClick={() => addDay(USUAL.minutes)}>
          <Plus size={14} aria-hidden /> Time
        </Button>
        <Button disabled={day === null} onClick={() => addDay(0)}>
          Not at all
        </Button>
      </div>
      <div className="mt-2 flex flex-wrap items-end gap-x-4 gap-y-1">
        <DayField
          label="Not before"
          className="w-40"
          required
          value={doing.begins}
          onCommit={(begins) => begins !== null && did(dispatch({ type: 'setDoing', id: doing.id, set: { begins } }))}
        />
        <CheckField
          label="Livable every evening"
          checked={doing.livable}
          onCommit={(livable) => did(dispatch({ type: 'setDoing', id: doing.id, set: { livable } }))}
        />
        <MoneyField
          label="Money a month"
          className="w-28"
          amount={doing.moneyAMonth}
          empty="not limited"
          onCommit={(moneyAMonth) => did(dispatch({ type: 'setDoing', id: doing.id, set: { moneyAMonth } }))}
        />
      </div>
    </section>
  );
}
