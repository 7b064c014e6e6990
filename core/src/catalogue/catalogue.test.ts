import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CATALOGUE, UNIT_KINDS, placesOf, solidsOf } from './index.ts';

describe('catalogue', () => {
  test('offers at least ten kinds, floor-standing, raised and away', () => {
    expect(UNIT_KINDS.length).toBeGreaterThanOrEqual(10);
    expect(new Set(UNIT_KINDS.map((k) => CATALOGUE[k].mount))).toEqual(new Set(['floor', 'raised', 'away']));
  });

  test('the default cube unit has cubbies of about 330 × 330 × 380 mm or deeper (common practice)', () => {
    const cubby = placesOf('cubeUnit', CATALOGUE.cubeUnit.defaults)[0]!;
    expect(cubby.width).toBeCloseTo(330, 0);
    expect(cubby.height).toBeCloseTo(330, 0);
    expect(cubby.depth).toBeGreaterThanOrEqual(380);
  });

  test('places of any size of any kind stay inside the unit and never overlap', () => {
    const size = fc.integer({ min: 100, max: 3000 });
    const grid = fc.integer({ min: 1, max: 8 });
    fc.assert(
      fc.property(
        fc.constantFrom(...UNIT_KINDS),
        size,
        size,
        size,
        grid,
        grid,
        (kind, width, depth, height, rows, columns) => {
          fc.pre(width / columns > 60 && height / rows > 60);
          const places = placesOf(kind, { width, depth, height, rows, columns });
          expect(places.length).toBe(CATALOGUE[kind].places ? rows * columns : 0);
          for (const p of places) {
            expect(p.left).toBeGreaterThanOrEqual(0);
            expect(p.left + p.width).toBeLessThanOrEqual(width + 0.1);
            expect(p.bottom).toBeGreaterThanOrEqual(-1e-9);
            expect(p.bottom + p.height).toBeLessThanOrEqual(height + 0.1);
            expect(p.depth).toBeLessThanOrEqual(depth);
          }
          for (const a of places)
            for (const b of places)
              if (a !== b) {
                const apart =
                  a.left + a.width <= b.left + 0.2 ||
                  b.left + b.width <= a.left + 0.2 ||
                  a.bottom + a.height <= b.bottom + 0.2 ||
                  b.bottom + b.height <= a.bottom + 0.2;
                expect(apart).toBe(true);
              }
        },
      ),
    );
  });

  test('a table stops an arm only at its top', () => {
    const [top] = solidsOf('worktable', CATALOGUE.worktable.defaults);
    expect(top!.bottom).toBe(710);
    expect(solidsOf('away', CATALOGUE.away.defaults)).toEqual([]);
  });
});
