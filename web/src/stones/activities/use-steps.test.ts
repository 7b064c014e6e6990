import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { fromShare, nextUse, toShare } from './use-steps.ts';

describe('the use line by arrow keys', () => {
  test('from every value one comes to another one, more or fewer, and never past the ends', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 100_000 }), (tenths) => {
        const now = tenths / 10;
        const more = nextUse(now, true);
        const fewer = nextUse(now, false);
        if (now < 10_000) expect(more).toBeGreaterThan(now);
        else expect(more).toBe(10_000);
        if (now > 0.1) expect(fewer).toBeLessThan(now);
        else expect(fewer).toBe(0.1);
      }),
    );
  });

  test('pressing one key again and again goes all the way in fewer than sixty presses, and back', () => {
    let [f, presses] = [24, 0];
    for (; f > 0.1; presses++) f = nextUse(f, false);
    expect(presses).toBeLessThan(60);
    for (presses = 0; f < 24; presses++) f = nextUse(f, true);
    expect(presses).toBeLessThan(60);
  });

  test('where a chip lies is how often it is fetched', () => {
    expect([toShare(24), toShare(0.2), toShare(500), toShare(0.01)]).toEqual([0, 1, 0, 1]);
    for (const f of [24, 8, 3, 2, 1, 0.4]) expect(fromShare(toShare(f))).toBe(f);
  });
});
