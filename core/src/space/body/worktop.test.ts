import { describe, expect, test } from '@jest/globals';
import { person } from '../../testing/index.ts';
import { heightOff, worktopWanted } from './index.ts';

describe('height of a worktop (Kroemer & Grandjean, values from memory)', () => {
  const H = 1620;
  const standing = 0.63 * H + 25;
  const sitting = 450 + 0.14 * H;
  const lap = 450 + 0.096 * H + 20 + 30;

  test.each([
    ['fine', 50, 100],
    ['light', -150, -100],
    ['heavy', -400, -150],
  ] as const)('%s work, standing: elbow %i to %i mm', (work, low, high) => {
    const wanted = worktopWanted(person(), work, null, 30);
    expect(wanted.low).toBeCloseTo(standing + low, 6);
    expect(wanted.high).toBeCloseTo(standing + high, 6);
    expect(wanted.lap).toBe(false);
  });

  test('sitting: fine above the elbow, light and writing about it, heavy as low as the thighs allow, never in the lap', () => {
    expect(worktopWanted(person(), 'fine', 450, 30)).toEqual({
      low: expect.closeTo(sitting + 50, 6),
      high: expect.closeTo(sitting + 100, 6),
      lap: false,
    });
    const light = worktopWanted(person(), 'light', 450, 30);
    expect([light.low, light.high, light.lap]).toEqual([expect.closeTo(lap, 6), expect.closeTo(sitting, 6), false]);
    expect(worktopWanted(person(), 'heavy', 450, 30)).toEqual({
      low: expect.closeTo(lap, 6),
      high: expect.closeTo(lap, 6),
      lap: true,
    });
    // 65.6 to 67.7 cm for 162 cm on a 45 cm seat: a table of usual height, not one in the lap
    expect(light.low).toBeGreaterThan(650);
    for (const stature of [1300, 1500, 1700, 1900])
      for (const work of ['fine', 'light', 'heavy'] as const) {
        const seat = 0.26 * stature + 25;
        const at = (thickness: number) => worktopWanted(person({ stature }), work, seat, thickness).low;
        expect(at(30)).toBeGreaterThanOrEqual(seat + 0.096 * stature + 50 - 1e-9);
        expect(at(60)).toBeGreaterThanOrEqual(at(30));
      }
  });

  test('a measured elbow comes first; taller people want higher tops', () => {
    expect(worktopWanted(person({ elbowHeight: 1100 }), 'light', null, 30)).toMatchObject({ low: 950, high: 1000 });
    expect(worktopWanted(person({ stature: 1860 }), 'heavy', null, 30).low).toBeGreaterThan(
      worktopWanted(person(), 'heavy', null, 30).low,
    );
  });

  test('off by how much: both sides of both limits', () => {
    expect(heightOff(899, { low: 900, high: 950 })).toBe(-1);
    expect(heightOff(900, { low: 900, high: 950 })).toBe(0);
    expect(heightOff(950, { low: 900, high: 950 })).toBe(0);
    expect(heightOff(951, { low: 900, high: 950 })).toBe(1);
  });
});
