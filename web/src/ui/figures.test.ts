import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type Counted } from '../workers/homes.worker.ts';
import { partsOf } from './figures.ts';

const seconds = fc.integer({ min: 0, max: 400_000 });
const tally = fc
  .record({
    ...{ walks: seconds, visits: seconds, bringing: seconds, overTable: seconds, withoutSeconds: seconds },
    ...{ looking: seconds, names: seconds, heaped: seconds, again: fc.integer({ min: -9000, max: 9000 }) },
    ...{ places: seconds, apart: seconds, counted: fc.integer({ min: -9000, max: 9000 }), without: fc.nat(9) },
  })
  .map((t): Counted => {
    const year = t.walks + t.visits + t.bringing + t.overTable + t.looking;
    const against = t.places + t.apart + t.names + t.again + t.heaped;
    return { ...t, inVain: 0, unlabelled: 0, year, against, total: year + t.withoutSeconds + against + t.counted };
  });

describe('the figures a plan is told by', () => {
  test('each adds up from its parts, and all of them to the last', () => {
    fc.assert(
      fc.property(tally, (t) => {
        const told = partsOf(t);
        const sum = (list: readonly [string, number][]) => list.reduce((s, [, x]) => s + x, 0);
        for (const { figure, seconds, parts } of told)
          // what is less than a second is not told
          if (figure !== 'all') expect(Math.abs(seconds - sum(parts))).toBeLessThan(4);
        const [year, without, against, all] = told;
        expect(all!.seconds - year!.seconds - without!.seconds - against!.seconds).toBeCloseTo(t.counted, 6);
        expect(told.map((x) => x.figure)).toEqual(['year', 'without', 'against', 'all']);
      }),
    );
  });
});
