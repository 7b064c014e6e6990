import { expect, test } from '@jest/globals';
import { fitted } from './seen.ts';

test('a wide drawing fills the width and stands in the middle of the height, a high one the other way round', () => {
  const wide = fitted({ x: -100, y: 0, w: 2000, h: 500 }, { width: 400, height: 300 });
  expect(wide.scale).toBe(5);
  expect(wide.at({ x: -100, y: 0 })).toEqual({ x: 0, y: 100 });
  expect(wide.at({ x: 1900, y: 500 })).toEqual({ x: 400, y: 200 });
  const high = fitted({ x: 0, y: 0, w: 100, h: 1000 }, { width: 400, height: 200 });
  expect(high.at({ x: 50, y: 500 })).toEqual({ x: 200, y: 100 });
  expect(high.at({ x: 0, y: 1000 })).toEqual({ x: 190, y: 200 });
  // before its size is known nothing is divided by nothing
  expect(Number.isFinite(fitted({ x: 0, y: 0, w: 10, h: 10 }, { width: 0, height: 0 }).at({ x: 5, y: 5 }).x)).toBe(
    true,
  );
});
