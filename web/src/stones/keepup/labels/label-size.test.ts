import { expect, test } from '@jest/globals';
import { sizeFor } from './label-size.ts';

test('a short name is as large as may be; a long one as large as it goes into its lines, never below five points', () => {
  expect(sizeFor('Wood', 40, 16, 6)).toBeCloseTo(6);
  const long = 'Marbling combs, Patterned paper pads and Price tags';
  const size = sizeFor(long, 46, 16, 6);
  expect(size).toBeLessThan(6);
  // fifty-one letters at that size, in lines of 46 mm, are no higher than 16 mm: counted letter by letter
  const rows = Math.ceil((long.length * 0.56 * size) / 46);
  expect(rows * size * 1.15).toBeLessThanOrEqual(16);
  // wider or higher it is larger
  expect(sizeFor(long, 80, 16, 6)).toBeGreaterThan(size);
  expect(sizeFor(long, 46, 24, 6)).toBeGreaterThan(size);
  // a word that is wider than the label makes it smaller; what never fits stays readable
  expect(sizeFor('Thermoplastics', 20, 16, 6)).toBeLessThan(3);
  expect(sizeFor(long.repeat(20), 20, 5, 6)).toBeCloseTo((5 * 25.4) / 72);
});
