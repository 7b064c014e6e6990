import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { type Maker } from './maker.ts';
import { mostAhead, stretchesBetween, unitsAround } from './seen.ts';

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

describe('units round the room', () => {
  test('from left over ahead to right, each once; what has no places or is away is none of them', () => {
    const plan = withUnits(
      tinyRoom(),
      unit('lowChest', { id: 'right', x: 5000, y: 3000, facing: 270 }),
      unit('lowChest', { id: 'left', x: 1000, y: 2900, facing: 90 }),
      unit('bookcase', { id: 'ahead', x: 3000, y: 5500, facing: 180 }),
      unit('chair', { id: 'chair', x: 3000, y: 2600, facing: 0 }),
      unit('away', { id: 'loft' }),
    );
    const maker = { seat: { x: 3000, y: 3000, heading: 0 } } as Maker;
    expect(unitsAround(plan, maker).map((u) => u.id)).toEqual(['left', 'ahead', 'right']);
    const turned = { seat: { x: 3000, y: 3000, heading: 90 } } as Maker;
    expect(unitsAround(plan, turned).map((u) => u.id)).toEqual(['ahead', 'right', 'left']);
    const all = unitsAround(plan, maker);
    expect([0, 90, -90, 20].map((facing) => mostAhead(all, maker, facing)?.id)).toEqual([
      'ahead',
      'right',
      'left',
      'ahead',
    ]);
    expect(mostAhead([], maker, 0)).toBeNull();
  });
});
