import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { path, turner } from './turn.ts';

const c = fc.integer({ min: -9000, max: 9000 });

describe('Floor', () => {
  test('measured as it lies, up the plan is up the screen', () => {
    expect(turner(0)({ x: 100, y: 250 })).toEqual({ x: 100, y: -250 });
  });

  test('turned with the seat, what it looks at is up', () => {
    // a seat that looks east: what lies east of it comes to the top, north of it to the left
    const turn = turner(90);
    expect(turn({ x: 1000, y: 0 }).x).toBeCloseTo(0, 6);
    expect(turn({ x: 1000, y: 0 }).y).toBeCloseTo(-1000, 6);
    expect(turn({ x: 0, y: 1000 }).x).toBeCloseTo(-1000, 6);
  });

  test('lengths stay, and a drag on the screen leads back to the plan', () => {
    fc.assert(
      fc.property(c, c, fc.integer({ min: -360, max: 360 }), (x, y, up) => {
        const seen = turner(up)({ x, y });
        expect(Math.hypot(seen.x, seen.y)).toBeCloseTo(Math.hypot(x, y), 4);
        const back = turner(-up)({ x: seen.x, y: -seen.y }, true);
        expect(back.x).toBeCloseTo(x, 4);
        expect(back.y).toBeCloseTo(y, 4);
      }),
    );
  });

  test('a path goes through its points in order', () => {
    expect(
      path([
        { x: 0, y: 1 },
        { x: 2.04, y: 3 },
      ]),
    ).toBe('M0.0 1.0L2.0 3.0');
  });
});
