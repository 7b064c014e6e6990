import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { monthsIn } from './months-said.ts';
import { monthWords } from './months.ts';

describe('months as people say them', () => {
  test.each([
    ['October', [10]],
    ['oct', [10]],
    ['Sept.', [9]],
    ['Oct to Dec', [10, 11, 12]],
    ['only Oct to Dec', [10, 11, 12]],
    ['Oct–Mar', [1, 2, 3, 10, 11, 12]],
    ['from November until March', [1, 2, 3, 11, 12]],
    ['June, July', [6, 7]],
    ['June and July', [6, 7]],
    ['in summer', [6, 7, 8]],
    ['spring and summer', [3, 4, 5, 6, 7, 8]],
    ['spring to autumn', [3, 4, 5, 6, 7, 8, 9, 10, 11]],
    ['only in the winter', [1, 2, 12]],
    ['wintertime', [1, 2, 12]],
    ['late May to early June', [5, 6]],
    ['mid-May to mid-June', [5, 6]],
    ['fall', [9, 10, 11]],
    ['not in August', [1, 2, 3, 4, 5, 6, 7, 9, 10, 11, 12]],
    ['all year except July and August', [1, 2, 3, 4, 5, 6, 9, 10, 11, 12]],
    ['all year', []],
    ['January to December', []],
  ])('%s', (said, months) => expect(monthsIn(said)).toEqual(months));

  test.each([
    '',
    'ju',
    'on Saturdays',
    'spring clamps',
    'maybe',
    'May flowers',
    'June to',
    '2 to 4',
    'not all year',
    'x to y',
  ])('“%s” says no months', (said) => expect(monthsIn(said)).toBeNull());

  // meteorological seasons: summer is December to February on the southern half (fact, from memory)
  test('seasons of the southern half', () => {
    expect(monthsIn('summer', true)).toEqual([1, 2, 12]);
    expect(monthsIn('winter', true)).toEqual([6, 7, 8]);
    expect(monthsIn('October', true)).toEqual([10]);
    expect(monthsIn('spring to summer', true)).toEqual([1, 2, 9, 10, 11, 12]);
  });

  test('what the app says of months is read back', () =>
    fc.assert(
      fc.property(fc.subarray([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12], { minLength: 1 }), (months) => {
        expect(monthsIn(monthWords(months))).toEqual(months.length === 12 ? [] : months);
      }),
    ));
});
