import { describe, expect, test } from '@jest/globals';
import { reminderOf, REMINDERS } from './reminder.ts';

describe('how a calendar reminds', () => {
  test.each(Object.keys(REMINDERS))('%s is kept', (reminder) => expect(reminderOf({ reminder })).toBe(reminder));

  test.each([undefined, null, {}, { reminder: 14 }, { reminder: 'toString' }, { reminder: 'hours' }, 'day'])(
    'what is none of them, %j, is the evening before',
    (kept) => expect(reminderOf(kept)).toBe('evening'),
  );

  test('hours before a day, more for what is said earlier; one of them is none', () => {
    expect(Object.values(REMINDERS).map(([, hours]) => hours)).toEqual([null, 1, 14, 24]);
  });
});
