import { describe, expect, test } from '@jest/globals';
import { mixed, SetKey } from './index.ts';

const keyOf = (members: readonly number[]): number => {
  const key = new SetKey();
  for (const m of members) key.toggle(m);
  return key.number;
};

describe('numbers for sets', () => {
  test('whatever came in which order and went again, one set has one number', () => {
    expect(keyOf([3, 1, 2])).toBe(keyOf([1, 2, 3]));
    expect(keyOf([1, 7, 2, 7])).toBe(keyOf([1, 2]));
    expect(keyOf([])).toBe(0);
    expect(Number.isSafeInteger(keyOf([5, 9]))).toBe(true);
  });

  test('all sets of up to three of a hundred have numbers of their own', () => {
    const seen = new Set<number>([keyOf([])]);
    let sets = 1;
    for (let a = 0; a < 100; a++)
      for (let b = a; b < 100; b++)
        for (let c = b; c < 100; c++) {
          const set = [...new Set([a, b, c])];
          if (set.length === 2 && b !== c) continue;
          seen.add(keyOf(set));
          sets++;
        }
    expect(seen.size).toBe(sets);
  });

  test('a number from a number is spread over all bits', () => {
    const bits = new Array<number>(32).fill(0);
    for (let i = 0; i < 4000; i++) for (let b = 0; b < 32; b++) bits[b]! += (mixed(i) >>> b) & 1;
    for (const n of bits) expect(Math.abs(n - 2000)).toBeLessThan(200);
  });
});
