import { describe, expect, test } from '@jest/globals';
import { heightScale } from './geometry.ts';

describe('Round', () => {
  test('heights rise up the ribbon and the air above is squeezed', () => {
    const y = heightScale(300, 2000, 2600);
    expect(y(0)).toBe(300);
    expect(y(2000)).toBeCloseTo(30);
    expect(y(2600)).toBeCloseTo(0);
    expect(y(2300)).toBeGreaterThan(y(2600));
  });
});
