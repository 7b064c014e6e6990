import { Trash2 } from 'lucide-react';
import { type Activity } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { NumberField, TextField } from '../../ui/fields/index.ts';
import { timesAMonthIn } from '../../ui/often.ts';
import { MonthsField } from '../../ui/months.tsx';

/** One activity: its name, how often and how long, in which months. */
export function ActivityHead({ activity }: { activity: Activity }) {
  const dispatch = usePlan((s) => s.dispatch);
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
        <Button look="quiet" onClick={() => dispatch({ type: 'removeActivity', id: activity.id })}>
          <Trash2 size={15} aria-hidden /> Take out
        </Button>
      </div>
      <MonthsField label="in these months" months={activity.months} onCommit={(months) => set({ months })} />
    </div>
  );
}
