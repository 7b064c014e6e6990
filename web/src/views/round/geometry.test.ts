import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { cut } from '@heronstone/core/reach';
import { heightScale, nextPlace, pieceBeyond, roundsTo, unrolled, wrap, x } from './geometry.ts';

describe('Round', () => {
  test('heights rise up the ribbon and the air above is squeezed', () => {
    const y = heightScale(300, 2000, 2600);
    expect(y(0)).toBe(300);
    expect(y(2000)).toBeCloseTo(30);
    expect(y(2600)).toBeCloseTo(0);
    expect(y(2300)).toBeGreaterThan(y(2600));
  });

  test('bearings go once round: behind is at either end', () => {
    expect([x(-180), x(0), x(90)]).toEqual([0, 640, 960]);
    expect([wrap(180), wrap(-190), wrap(540), wrap(45)]).toEqual([-180, 170, -180, 45]);
  });

  test('an arrow goes to what is straight on before what is nearer but aside, and to nothing where nothing is', () => {
    const here = { id: 'here', x: 0, z: 1000 };
    const straight = { id: 'straight', x: 30, z: 1000 };
    const aside = { id: 'aside', x: 12, z: 1400 };
    const below = { id: 'below', x: 2, z: 600 };
    const all = [here, straight, aside, below];
    expect(nextPlace(all, here, [1, 0])?.id).toBe('straight');
    expect(nextPlace(all, here, [0, -1])?.id).toBe('below');
    expect(nextPlace(all, here, [0, 1])?.id).toBe('aside');
    expect(nextPlace(all, here, [-1, 0])).toBeNull();
  });

  const seenOf = (stretches: { from: number; to: number }[]) => ({ stretches, low: 0, high: 1, away: 1, front: true });
  const middles = fc.integer({ min: -180, max: 179 });
  const widths = fc.integer({ min: 1, max: 350 });
  const turns = fc.integer({ min: -180, max: 179 });

  test('what was cut at “behind” is in one piece again, as wide as it was; anything else stays as it is', () => {
    fc.assert(
      fc.property(middles, widths, (middle, width) => {
        const { stretches } = unrolled(seenOf(cut(middle - width / 2, middle + width / 2)));
        expect(stretches).toHaveLength(1);
        expect(stretches[0]!.to - stretches[0]!.from).toBeCloseTo(width);
        expect(wrap((stretches[0]!.from + stretches[0]!.to) / 2)).toBeCloseTo(wrap(middle));
      }),
    );
    expect(unrolled(seenOf([])).stretches).toEqual([]);
    const apart = [
      { from: -90, to: -80 },
      { from: 170, to: 175 },
    ];
    expect(unrolled(seenOf(apart)).stretches).toEqual(apart);
  });

  test('turned any way, the middle of everything is in sight, and what goes over an edge comes in at the other', () => {
    fc.assert(
      fc.property(middles, widths, turns, (middle, width, turn) => {
        const { from, to } = unrolled(seenOf(cut(middle - width / 2, middle + width / 2))).stretches[0]!;
        const rounds = roundsTo((from + to) / 2, turn);
        const [left, right] = [from + rounds * 360 - turn, to + rounds * 360 - turn];
        expect((left + right) / 2).toBeGreaterThanOrEqual(-180);
        expect((left + right) / 2).toBeLessThanOrEqual(180);
        const beyond = pieceBeyond({ from: from + rounds * 360, to: to + rounds * 360 }, turn);
        // every degree of it is in sight once
        const pieces = [[left, right], ...(beyond === 0 ? [] : [[left + beyond * 360, right + beyond * 360]])].map(
          ([a, b]) => Math.max(0, Math.min(180, b!) - Math.max(-180, a!)),
        );
        expect(pieces.reduce((sum, n) => sum + n, 0)).toBeCloseTo(width);
      }),
    );
  });
});
