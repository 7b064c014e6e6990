import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { stretchesBetween } from './seen.ts';

const seat = { x: 0, y: 0 };

describe('seen from the seat', () => {
  test('ahead is in the middle, left is negative', () => {
    const { stretches, front } = stretchesBetween(seat, 0, { x: -500, y: 1000 }, { x: 500, y: 1000 });
    expect(front).toBe(true);
    expect(stretches).toHaveLength(1);
    expect(stretches[0]!.from).toBeCloseTo(-26.565, 3);
    expect(stretches[0]!.to).toBeCloseTo(26.565, 3);
  });

  test('what stands behind is cut at both ends of the ribbon', () => {
    const { stretches } = stretchesBetween(seat, 0, { x: 500, y: -1000 }, { x: -500, y: -1000 });
    expect(stretches.map((s) => [Math.round(s.from), Math.round(s.to)]).sort((a, b) => a[0]! - b[0]!)).toEqual([
      [-180, -153],
      [153, 180],
    ]);
  });

  test('seen from its back a front is marked so', () => {
    expect(stretchesBetween(seat, 0, { x: 500, y: 1000 }, { x: -500, y: 1000 }).front).toBe(false);
  });

  test('every stretch lies on the ribbon, and turning the seat only moves it', () => {
    const c = fc.integer({ min: -3000, max: 3000 });
    fc.assert(
      fc.property(c, c, c, c, fc.integer({ min: -720, max: 720 }), (x, y, x2, y2, facing) => {
        fc.pre(Math.hypot(x, y) > 10 && Math.hypot(x2, y2) > 10);
        const at = (f: number) => stretchesBetween(seat, f, { x, y }, { x: x2, y: y2 }).stretches;
        const width = (list: { from: number; to: number }[]) => list.reduce((s, r) => s + r.to - r.from, 0);
        for (const r of at(facing)) {
          expect(r.from).toBeGreaterThanOrEqual(-180 - 1e-9);
          expect(r.to).toBeLessThanOrEqual(180 + 1e-9);
          expect(r.to).toBeGreaterThanOrEqual(r.from);
        }
        expect(width(at(facing))).toBeCloseTo(width(at(0)), 6);
      }),
    );
  });
});
