import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type Use } from '@heronstone/core/plan';
import { layChips } from './chips.ts';

const use = (id: string, fetches: number): Use => ({ id, activityId: 'a', supplyId: id, fetches, usedUp: 0 });

describe('chips on the use line', () => {
  test('forty uses, on a phone and on a table: none lies over another, none ends beyond the line', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.double({ min: 0.05, max: 40, noNaN: true }), fc.integer({ min: 1, max: 40 })), {
          minLength: 40,
          maxLength: 40,
        }),
        fc.constantFrom(340, 358, 690, 820),
        (drawn, line) => {
          const names = new Map(drawn.map(([, long], i) => [`u${i}`, 'x'.repeat(long)]));
          const chips = layChips(
            drawn.map(([fetches], i) => use(`u${i}`, fetches)),
            (u) => names.get(u.id)!,
            line,
          );
          expect(chips.length).toBe(40);
          chips.forEach((a, i) => {
            expect(a.left).toBeGreaterThanOrEqual(0);
            expect(a.left + a.width).toBeLessThanOrEqual(line);
            for (const b of chips.slice(i + 1))
              if (a.lane === b.lane) expect(a.left + a.width <= b.left || b.left + b.width <= a.left).toBe(true);
          });
        },
      ),
    );
  });

  test('the one that is fetched more often lies farther left; those that do not meet share a lane', () => {
    const [often, seldom] = layChips([use('seldom', 0.3), use('often', 12)], (u) => u.id, 690);
    expect(often!.use.id).toBe('often');
    expect(often!.left).toBeLessThan(seldom!.left);
    expect([often!.lane, seldom!.lane]).toEqual([0, 0]);
  });
});
