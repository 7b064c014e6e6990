import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** So many hours before a day of doing a calendar reminds of it: its words; the evening before for who begins at ten. */
export const REMINDERS = {
  none: ['not reminded', null],
  hour: ['reminded an hour before', 1],
  evening: ['reminded the evening before', 14],
  day: ['reminded a day before', 24],
} as const;
export type Reminder = keyof typeof REMINDERS;

/** What was chosen last, if it is one of them. */
export const reminderOf = (kept: unknown): Reminder => {
  const chosen = (kept as { reminder?: unknown } | null | undefined)?.reminder;
  return typeof chosen === 'string' && Object.hasOwn(REMINDERS, chosen) ? (chosen as Reminder) : 'evening';
};

/** How calendar files remind, in this browser. */
export const useReminder = create<{ reminder: Reminder }>()(
  persist((): { reminder: Reminder } => ({ reminder: 'evening' }), {
    name: 'heronstone.reminder',
    merge: (kept) => ({ reminder: reminderOf(kept) }),
  }),
);
