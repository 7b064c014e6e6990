import { describe, expect, test } from '@jest/globals';
import { applied, oneCupboard, sewingCorner } from '../../testing/index.ts';
import { Random } from '../slotting/index.ts';
import { findingAgainOver } from './again-over.ts';
import { foundAgainSum } from './again.ts';
import { heapsPerYear } from './heaps.ts';
import { settleCommand } from './settle.ts';
import { translated } from './translating.ts';

describe('finding again while things move', () => {
  test.each([oneCupboard, sewingCorner])(
    'what it comes to after any moves is what the plan with these homes is told, looks among what looks alike and heaps counted in: $name',
    (of) => {
      const { plan } = of();
      const translation = translated(plan);
      const again = findingAgainOver(plan, translation, []);
      const random = new Random(5);
      // parts of a share that come to lie together are one home to the plan, which is known better than its parts
      const lots = translation.lots.filter((lot, i) => lot.options.length > 0 && translation.ledger[i]!.part === 1);
      const at = new Map<string, string>();
      const settled = () => {
        const homes = [...at].map(([lot, place]) => ({ lot, place }));
        const answer = {
          homes,
          unplaced: [],
          total: 0,
          bound: 0,
          gap: 0,
          seconds: 0,
          work: 0,
          proposals: 0,
          prices: null,
        };
        return applied(plan, settleCommand(plan, translation, answer, '2026-05-01'));
      };
      // a first home for everything, then some of it elsewhere and back again
      for (const { id, options } of lots) {
        const place = options[random.below(options.length)]!.place;
        at.set(id, place);
        again.move(id, place);
      }
      for (let round = 0; round < 4; round++) {
        const plan = settled();
        const { year, unlabelled } = foundAgainSum(plan);
        expect(again.total()).toBeCloseTo(year + heapsPerYear(plan), 3);
        expect(unlabelled).toBeGreaterThan(0);
        for (let k = 0; k < 15; k++) {
          const { id, options } = lots[random.below(lots.length)]!;
          const was = at.get(id)!;
          const to = options[random.below(options.length)]!.place;
          const before = again.total();
          again.move(id, to);
          const tried = again.total();
          again.move(id, was);
          expect(again.total()).toBeCloseTo(before, 6);
          again.move(id, to);
          expect(again.total()).toBeCloseTo(tried, 6);
          at.set(id, to);
        }
      }
    },
  );
});
