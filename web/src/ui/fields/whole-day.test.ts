import { describe, expect, test } from '@jest/globals';
import { wholeDay } from './whole-day.ts';

describe('what a date field says', () => {
  test.each([
    ['2026-05-01', '2026-05-01'],
    ['1998-12-31', '1998-12-31'],
    ['', null],
    // typing the year 2026 passes through these
    ['0002-05-01', undefined],
    ['0020-05-01', undefined],
    ['0202-05-01', undefined],
    ['20266-05-01', undefined],
    ['tomorrow', undefined],
  ])('%s', (typed, day) => expect(wholeDay(typed)).toBe(day));
});
