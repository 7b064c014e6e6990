import { describe, expect, test } from '@jest/globals';
import { shadeLimits } from './shades.ts';

describe('shades of a map', () => {
  test('a fifth of the spots has each shade, whatever a few dear corners cost', () => {
    const seconds = Float64Array.from([...Array.from({ length: 99 }, (_, i) => i), 1e9]);
    const limits = shadeLimits(seconds);
    expect(limits).toEqual([20, 40, 60, 80]);
    const shade = (s: number) => limits.filter((l) => s >= l).length;
    expect([shade(0), shade(19), shade(20), shade(1e9)]).toEqual([0, 0, 1, 4]);
  });

  test('spots where nobody can be do not count; an empty map has one shade', () => {
    expect(shadeLimits(Float64Array.from([NaN, 1, NaN, 2, 3, 4, 5]))).toEqual([2, 3, 4, 5]);
    expect(shadeLimits(Float64Array.from([NaN, NaN]))).toEqual([Infinity, Infinity, Infinity, Infinity]);
  });
});
