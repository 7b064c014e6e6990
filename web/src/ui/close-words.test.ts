import { describe, expect, test } from '@jest/globals';
import { closeWords } from './close-words.ts';

describe('what goes in only just', () => {
  test('by picture in the plan’s measure, guessed as a share, never more than there is', () => {
    expect(closeWords({ mm: 4 }, 'metric')).toBe('0.4 cm larger than seen');
    expect(closeWords({ mm: 6.35 }, 'imperial')).toBe('1/4" larger than seen');
    expect(closeWords({ share: 0.1199 }, 'metric')).toBe('11 % larger than guessed');
    expect(closeWords({ mm: 4 }, 'metric', 'smaller')).toBe('0.4 cm smaller than seen');
  });
});
