import { describe, expect, test } from '@jest/globals';
import { minutesIn } from './minutes.ts';

describe('minutes as people say them', () => {
  test.each([
    ['90', 90],
    ['90 min', 90],
    ['2 h', 120],
    ['2h', 120],
    ['1.5 hours', 90],
    ['1,5 h', 90],
    ['1 h 30', 90],
    ['1 h 30 min', 90],
    ['1:30', 90],
    ['half an hour', 30],
    ['An hour and a half', 90],
    ['1½ hours', 90],
    ['1 ½ h', 90],
    ['½ h', 30],
    ['2¼ h', 135],
    ['0 min', 0],
  ])('%s', (text, minutes) => expect(minutesIn(text)).toBe(minutes));

  test.each(['', 'long', '2 days', '1:75', 'h', '-5', '3 x 20 min', '2 h 3 h'])('not understood: %s', (text) =>
    expect(minutesIn(text)).toBeNull(),
  );
});
