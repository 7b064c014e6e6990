import { describe, expect, test } from '@jest/globals';
import { notHeldWords } from './tray-words.ts';

describe('things whose home does not hold them', () => {
  test('are told beside those that have none, as many as the figures count more', () => {
    expect(notHeldWords(0, 800)).toMatch(/^800 have a home that does not hold them: .* them others\.$/);
    expect(notHeldWords(2, 3)).toMatch(/^1 has a home that does not hold it: .* it another\.$/);
  });

  test('nothing is said where there are none, or while nothing is counted', () => {
    expect(notHeldWords(1, 1)).toBeNull();
    expect(notHeldWords(0, null)).toBeNull();
    // a figure of a moment ago is no reason to take anything back
    expect(notHeldWords(4, 2)).toBeNull();
  });
});
