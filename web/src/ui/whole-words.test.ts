import { describe, expect, test } from '@jest/globals';
import { titleOf } from './whole-words.ts';

describe('texts that are cut', () => {
  const text = (scrollWidth: number, clientWidth: number, textContent: string) => ({
    ...{ scrollWidth, clientWidth, textContent, title: '' },
  });
  test('say themselves whole, on one line; what has room says nothing twice', () => {
    expect(titleOf(text(240, 120, '  Double-sided tape,\n   6 mm '))).toBe('Double-sided tape, 6 mm');
    expect(titleOf(text(120, 120, 'Tape'))).toBe('');
    expect(titleOf(text(90, 120, 'Tape'))).toBe('');
  });
});
