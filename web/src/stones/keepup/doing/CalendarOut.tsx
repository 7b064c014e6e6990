import { CalendarDays } from 'lucide-react';
import { toast } from 'sonner';
import { type Plan } from '@heronstone/core/plan';
import { doing, fetched } from '../../../parts/fetched.ts';
import { type Reminder, REMINDERS, useReminder } from '../../../state/reminder.ts';
import { Button } from '../../../ui/button.tsx';
import { saveFile } from '../../../ui/save-file.ts';
import { today } from '../../../ui/words.ts';

/** The days as a file for the calendar one keeps, and how that is to remind of them. */
export function CalendarOut({ plan, disabled }: { plan: Plan; disabled: boolean }) {
  const reminder = useReminder((s) => s.reminder);
  const write = async () => {
    const { calendarOf } = await fetched(() => import('@heronstone/core/calendar'));
    const written = calendarOf(plan, today(), REMINDERS[reminder][1]);
    if (!written.ok) return void toast(written.reason);
    saveFile(`${plan.head.name.replace(/[^\w-]+/g, '-')}.ics`, 'text/calendar', written.text);
    toast('A calendar file: open it with the calendar you keep. Taken again later, it changes the same days.');
  };
  return (
    <div className="flex items-center gap-1">
      <Button look="quiet" onClick={() => doing(write)} disabled={disabled}>
        <CalendarDays size={15} aria-hidden /> Calendar file
      </Button>
      <select
        aria-label="Reminds of a day"
        className="min-h-8 rounded-md border border-edge bg-paper px-1.5 text-[14px]"
        value={reminder}
        onChange={(e) => useReminder.setState({ reminder: e.target.value as Reminder })}
      >
        {Object.entries(REMINDERS).map(([id, [words]]) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </select>
    </div>
  );
}
