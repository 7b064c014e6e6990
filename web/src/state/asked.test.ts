import { describe, expect, test } from '@jest/globals';
import { answered, answerOf, type Asked } from './asked.ts';

describe('what was asked', () => {
  const [plan, other] = [{ plan: 1 }, { plan: 2 }];

  test('is shown of what it was asked of alone', () => {
    const asked: Asked<string> = { of: [plan, 'glue'], answer: 'top shelf' };
    expect(answerOf(asked, [plan, 'glue'])).toBe('top shelf');
    expect(answerOf(asked, [plan, 'tape'])).toBeNull();
    expect(answerOf(asked, [other, 'glue'])).toBeNull();
    expect(answerOf(asked, [plan])).toBeNull();
    expect(answerOf(null, [plan])).toBeNull();
  });

  test('a late answer does not take the place of what was asked since, of the same thing neither', () => {
    const [first, second] = [
      [plan, 'glue'],
      [plan, 'glue'],
    ];
    const waiting: Asked<string> = { of: second, answer: 'working' };
    expect(answered(first, 'old')(waiting)).toBe(waiting);
    expect(answered(second, 'new')(waiting)).toEqual({ of: second, answer: 'new' });
    expect(answered(first, 'old')(null)).toBeNull();
  });
});
