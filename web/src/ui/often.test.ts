import { describe, expect, test } from '@jest/globals';
import { timesAMonthIn } from './often.ts';

describe('how often in a month, as people say it', () => {
  // fifty-two weeks, twelve months, 365 days a year
  test.each([
    ['4', 4],
    ['2,5', 2.5],
    ['once a month', 1],
    ['monthly', 1],
    ['twice a week', 8.67],
    ['three times a week', 13],
    ['3x a week', 13],
    ['3 × per month', 3],
    ['2 / week', 8.67],
    ['weekly', 4.33],
    ['every week', 4.33],
    ['every other week', 2.17],
    ['every two weeks', 2.17],
    ['fortnightly', 2.17],
    ['every other Saturday', 2.17],
    ['every third Sunday', 1.44],
    ['Saturdays', 4.33],
    ['on Saturdays', 4.33],
    ['Tuesdays and Fridays', 8.67],
    ['Monday, Wednesday and Friday', 13],
    ['every evening', 30.42],
    ['daily', 30.42],
    ['every 3 days', 10.14],
    ['at weekends', null],
    ['every weekend', 4.33],
    ['the first Sunday of the month', 1],
    ['last Friday in each month', 1],
    ['every other month', 0.5],
    ['quarterly', 0.33],
    ['twice a year', 0.17],
    ['once a year', 0.08],
  ] as const)('%s', (text, times) => expect(timesAMonthIn(text)).toBe(times));

  test.each([
    '',
    'often',
    'once',
    'every',
    'every so often',
    'a day',
    'twice a moon',
    'someday',
    '3 sessions',
    '-2',
    'every 0 days',
  ])('“%s” is nothing that could be counted', (text) => expect(timesAMonthIn(text)).toBeNull());
});
