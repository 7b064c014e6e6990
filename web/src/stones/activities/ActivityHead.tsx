import { Trash2 } from 'lucide-react';
import { type Activity, DONE_AT, DONE_AT_WORDS, newId } from '@heronstone/core/plan';
import { doneAtCommand } from '@heronstone/core/room';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { NumberField, SelectField, TextField } from '../../ui/fields/index.ts';
import { timesAMonthIn } from '../../ui/often.ts';
import { MonthsField } from '../../ui/months.tsx';

/** One activity: its name, how often and how long, in which months, and whether it is done in this room. */
export function ActivityHead({ activity }: { activity: Activity }) {
  const dispatch = usePlan((s) => s.dispatch);
  const plan = usePlan((s) => s.plan);
  const set = (part: Partial<Activity>) => dispatch({ type: 'setActivity', id: activity.id, set: part });
  return (
    <div className="space-y-2 pt-2">
      <div className="flex flex-wrap items-end gap-3">
        <TextField className="w-56" label="What is made" value={activity.name} onCommit={(name) => set({ name })} />
        <NumberField
          className="w-28"
          label="sessions a month"
          value={activity.sessionsPerMonth}
          read={timesAMonthIn}
          onCommit={(sessionsPerMonth) => set({ sessionsPerMonth })}
        />
        <NumberField
          className="w-28"
          label="each lasting"
          unit="min"
          min={1}
          max={1440}
          value={activity.minutes}
          onCommit={(minutes) => set({ minutes })}
        />
        <SelectField
          className="w-40"
          label="done"
          value={activity.doneAt}
          options={DONE_AT.map((at) => [at, DONE_AT_WORDS[at]] as const)}
          onCommit={(doneAt) => dispatch(doneAtCommand(plan, activity, doneAt, { station: newId('station') }))}
        />
        <Button look="quiet" onClick={() => dispatch({ type: 'removeActivity', id: activity.id })}>
          <Trash2 size={15} aria-hidden /> Take out
        </Button>
      </div>
      <MonthsField label="in these months" months={activity.months} onCommit={(months) => set({ months })} />
    </div>
  );
}
