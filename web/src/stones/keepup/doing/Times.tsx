import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { weekdayOf } from '@heronstone/core/doing';
import { type FreeTime, newId } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { CheckField, NumberField, TextField } from '../../../ui/fields.tsx';
import { today } from '../../../ui/words.ts';
import { clockWords, shortDate } from './days.ts';
import { doingOf } from './use-doing.ts';

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
const WHOLE = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;
/** A weekday that is chosen begins so: at ten, two hours, alone. */
const USUAL = { starts: 600, minutes: 120, lies: false, helpers: 0, note: '' };

const DAY = /^[12]\d{3}-\d\d-\d\d$/;

/** Minutes after midnight of “10:00”; null: that is no time. */
const minutesOfClock = (text: string): number | null => {
  const m = /^(\d{1,2})[:.]?(\d{2})?$/.exec(text.trim());
  const n = m ? Number(m[1]) * 60 + Number(m[2] ?? 0) : NaN;
  return Number.isInteger(n) && n < 1440 && Number(m?.[2] ?? 0) < 60 ? n : null;
};

/** When there is time: weekdays pressed on and off, days of their own, and what must hold meanwhile. */
export function Times({ onChanged }: { onChanged: () => void }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const doing = doingOf(plan)!;
  const [day, setDay] = useState('');
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
    if (!DAY.test(day)) return;
    const usual = ofWeekday(weekdayOf(day)) ?? USUAL;
    did(
      dispatch({
        type: 'addFreeTime',
        freeTime: {
          ...USUAL,
          ...{ starts: usual.starts, helpers: usual.helpers },
          id: newId('free'),
          weekday: null,
          on: day,
          minutes,
        },
      }),
    );
    setDay('');
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
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <label className="text-[14px] text-soft">
          One day{' '}
          <input
            type="date"
            value={day}
            min={today()}
            onChange={(e) => setDay(e.target.value)}
            className="rounded-md border border-edge bg-paper px-2 py-1 text-ink"
          />
        </label>
        <Button disabled={day === ''} onClick={() => addDay(USUAL.minutes)}>
          <Plus size={14} aria-hidden /> Time
        </Button>
        <Button disabled={day === ''} onClick={() => addDay(0)}>
          Not at all
        </Button>
      </div>
      <div className="mt-2 flex flex-wrap items-end gap-x-4 gap-y-1">
        <label className="text-[13px] text-soft">
          <span className="block">Not before</span>
          <input
            type="date"
            required
            value={doing.begins}
            onChange={(e) => {
              const begins = e.target.value;
              // a day that is only half typed is none
              if (DAY.test(begins)) did(dispatch({ type: 'setDoing', id: doing.id, set: { begins } }));
            }}
            className="rounded-md border border-edge bg-paper px-2 py-1 text-[15px] text-ink"
          />
        </label>
        <CheckField
          label="Livable every evening"
          checked={doing.livable}
          onCommit={(livable) => did(dispatch({ type: 'setDoing', id: doing.id, set: { livable } }))}
        />
        <TextField
          label="Money a month"
          className="w-28"
          value={doing.moneyAMonth === null ? '' : String(doing.moneyAMonth)}
          placeholder="not limited"
          onCommit={(text) => {
            const n = text.trim() === '' ? null : Number(text.replace(',', '.'));
            if (n !== null && !(n >= 0)) return false;
            did(dispatch({ type: 'setDoing', id: doing.id, set: { moneyAMonth: n } }));
          }}
        />
      </div>
    </section>
  );
}

function TimeLine({ row, name, onChanged }: { row: FreeTime; name: string; onChanged: () => void }) {
  const livable = usePlan((s) => doingOf(s.plan)?.livable ?? false);
  const dispatch = usePlan((s) => s.dispatch);
  const set = (part: Partial<FreeTime>) => {
    const done = dispatch({ type: 'setFreeTime', id: row.id, set: part });
    if (done) onChanged();
    return done;
  };
  return (
    <li>
      <div className="flex items-center gap-x-2">
        <span className="grow font-semibold">{name}</span>
        {livable && (
          <button
            type="button"
            aria-pressed={row.lies}
            title="Things may lie about on the evening after"
            className={`min-h-8 shrink-0 rounded-full border px-2 text-[13px] ${row.lies ? 'border-ink bg-ink text-ground' : 'border-edge hover:border-heron'}`}
            onClick={() => set({ lies: !row.lies })}
          >
            may lie<span className="sr-only"> about: {name}</span>
          </button>
        )}
        <Gone id={row.id} name={name} onChanged={onChanged} />
      </div>
      <div className="flex items-end gap-x-2">
        <TextField
          label={`${name} from`}
          hideLabel
          className="w-16"
          value={clockWords(row.starts)}
          onCommit={(text) => {
            const starts = minutesOfClock(text);
            return starts === null ? false : set({ starts });
          }}
        />
        <NumberField
          label={`${name}, minutes`}
          hideLabel
          unit="min"
          whole
          min={1}
          max={1440}
          value={row.minutes}
          onCommit={(minutes) => set({ minutes })}
          className="w-20"
        />
        <NumberField
          label={`${name}, helpers`}
          hideLabel
          unit={row.helpers === 1 ? 'helper' : 'helpers'}
          whole
          max={20}
          value={row.helpers}
          onCommit={(helpers) => set({ helpers })}
          className="w-24"
        />
      </div>
    </li>
  );
}

function Gone({ id, name, onChanged }: { id: string; name: string; onChanged: () => void }) {
  const dispatch = usePlan((s) => s.dispatch);
  return (
    <Button
      look="quiet"
      className="!px-1.5"
      aria-label={`No time of its own: ${name}`}
      onClick={() => dispatch({ type: 'removeFreeTime', id }) && onChanged()}
    >
      <X size={15} aria-hidden />
    </Button>
  );
}
