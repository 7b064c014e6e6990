import { describe, expect, test } from '@jest/globals';
import { person } from '../testing/index.ts';
import { heightOff, worktopWanted } from './index.ts';

describe('height of a worktop (Kroemer & Grandjean, values from memory)', () => {
  const H = 1620;
  const standing = 0.63 * H + 25;
  const sitting = 450 + 0.14 * H;

  test.each([
    ['fine', 50, 100],
    ['light', -150, -100],
    ['heavy', -400, -150],
  ] as const)('%s work: elbow %i to %i mm, standing and sitting', (work, low, high) => {
    for (const [seat, elbow] of [
      [null, standing],
      [450, sitting],
    ] as const) {
      const wanted = worktopWanted(person(), work, seat);
      expect(wanted[0]).toBeCloseTo(elbow + low, 0);
      expect(wanted[1]).toBeCloseTo(elbow + high, 0);
    }
  });

  test('a measured elbow comes first; taller people want higher tops', () => {
    expect(worktopWanted(person({ elbowHeight: 1100 }), 'light', null)).toEqual([950, 1000]);
    expect(worktopWanted(person({ stature: 1860 }), 'heavy', null)[0]).toBeGreaterThan(
      worktopWanted(person(), 'heavy', null)[0],
    );
  });

  test('off by how much: both sides of both limits', () => {
    expect(heightOff(899, [900, 950])).toBe(-1);
    expect(heightOff(900, [900, 950])).toBe(0);
    expect(heightOff(950, [900, 950])).toBe(0);
    expect(heightOff(951, [900, 950])).toBe(1);
  });
});
