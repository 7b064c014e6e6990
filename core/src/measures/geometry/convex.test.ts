import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  clipByConvex,
  convexDistance,
  convexOverlap,
  insidePolygon,
  type Point,
  polygonArea,
  prism,
  prismFootprint,
} from './index.ts';

const c = fc.integer({ min: -500, max: 500 });
const size = fc.integer({ min: 20, max: 800 });
/** A rectangle anywhere, turned by any angle. */
const box = fc
  .tuple(c, c, fc.integer({ min: 0, max: 359 }), size, size)
  .map(([x, y, facing, width, depth]) => prismFootprint(prism({ x, y }, facing, width, depth, 0, 100)));

const middle = (p: readonly Point[]): Point => ({
  x: p.reduce((s, q) => s + q.x, 0) / p.length,
  y: p.reduce((s, q) => s + q.y, 0) / p.length,
});

/** Whether a fine grid over both finds a point in both: slow, and shares nothing with the separating axis. */
function gridMeets(a: readonly Point[], b: readonly Point[]): boolean {
  const xs = a.map((p) => p.x);
  const ys = a.map((p) => p.y);
  const steps = 60;
  for (let i = 0; i <= steps; i++)
    for (let j = 0; j <= steps; j++) {
      const p = {
        x: Math.min(...xs) + ((Math.max(...xs) - Math.min(...xs)) * i) / steps,
        y: Math.min(...ys) + ((Math.max(...ys) - Math.min(...ys)) * j) / steps,
      };
      if (insidePolygon(p, a) && insidePolygon(p, b)) return true;
    }
  return false;
}

describe('convex shapes in each other', () => {
  test('squares side by side: by hand', () => {
    const square = (x: number) => prismFootprint(prism({ x, y: 0 }, 0, 100, 100, 0, 1));
    expect(convexOverlap(square(0), square(100))).toBe(0);
    expect(convexOverlap(square(0), square(99))).toBeCloseTo(1, 9);
    expect(convexOverlap(square(0), square(30))).toBeCloseTo(70, 9);
    expect(convexOverlap(square(0), square(0))).toBeCloseTo(100, 9);
  });

  test('a square on its corner reaches half its diagonal', () => {
    const upright = prismFootprint(prism({ x: 0, y: 0 }, 0, 100, 100, 0, 1));
    const tilted = (x: number) => prismFootprint(prism({ x, y: 0 }, 45, 100, 100, 0, 1));
    expect(convexOverlap(upright, tilted(50 + 50 * Math.SQRT2 + 0.01))).toBe(0);
    expect(convexOverlap(upright, tilted(50 + 50 * Math.SQRT2 - 1))).toBeCloseTo(1, 6);
  });

  test('agrees with a fine grid, both ways round', () => {
    fc.assert(
      fc.property(box, box, (a, b) => {
        const deep = convexOverlap(a, b);
        expect(convexOverlap(b, a)).toBeCloseTo(deep, 6);
        if (gridMeets(a, b)) expect(deep).toBeGreaterThan(0);
        // what goes in deeper than the grid is wide is found by the grid
        else expect(deep).toBeLessThan(60);
      }),
      { numRuns: 80 },
    );
  });

  test('moved apart by its depth along the line of the middles, or by more, it is never deeper', () => {
    fc.assert(
      fc.property(box, box, (a, b) => {
        const from = middle(a);
        const to = middle(b);
        const long = Math.hypot(to.x - from.x, to.y - from.y);
        fc.pre(long > 1);
        const away = b.map((p) => ({
          x: p.x + ((to.x - from.x) / long) * 3000,
          y: p.y + ((to.y - from.y) / long) * 3000,
        }));
        expect(convexOverlap(a, away)).toBe(0);
        const bit = b.map((p) => ({ x: p.x + (to.x - from.x) / long, y: p.y + (to.y - from.y) / long }));
        expect(convexOverlap(a, bit)).toBeLessThanOrEqual(convexOverlap(a, b) + 1 + 1e-6);
      }),
    );
  });
});

describe('clipping', () => {
  test('a square’s quarter, by hand', () => {
    const big = prismFootprint(prism({ x: 0, y: 0 }, 0, 200, 200, 0, 1));
    const corner = prismFootprint(prism({ x: 100, y: 100 }, 0, 200, 200, 0, 1));
    expect(Math.abs(polygonArea(clipByConvex(big, corner)))).toBeCloseTo(100 * 100, 6);
  });

  test('what is left lies in both, is no larger than either, and is the same whichever is clipped', () => {
    fc.assert(
      fc.property(box, box, (a, b) => {
        const both = clipByConvex(a, b);
        const area = (p: readonly Point[]) => (p.length < 3 ? 0 : Math.abs(polygonArea(p)));
        expect(area(both)).toBeLessThanOrEqual(Math.min(area(a), area(b)) + 1e-3);
        expect(area(clipByConvex(b, a))).toBeCloseTo(area(both), 2);
        // seen from the middle, a hair inside, every corner is in both
        const m = middle(both);
        if (area(both) > 10)
          for (const p of both) {
            const q = { x: p.x + (m.x - p.x) * 0.01, y: p.y + (m.y - p.y) * 0.01 };
            expect(insidePolygon(q, a)).toBe(true);
            expect(insidePolygon(q, b)).toBe(true);
          }
        if (convexOverlap(a, b) === 0) expect(area(both)).toBeLessThan(1e-3);
      }),
    );
  });
});

describe('how far two convex shapes are apart', () => {
  const square = (x: number, y: number): Point[] => [
    { x, y },
    { x: x + 100, y },
    { x: x + 100, y: y + 100 },
    { x, y: y + 100 },
  ];
  test('side to side, corner to corner (3–4–5), touching and in each other', () => {
    expect(convexDistance(square(0, 0), square(250, 30))).toBe(150);
    expect(convexDistance(square(0, 0), square(130, 140))).toBe(50);
    expect(convexDistance(square(0, 0), square(100, 0))).toBe(0);
    expect(convexDistance(square(0, 0), square(50, 50))).toBe(0);
  });
  test('the same from both sides', () => {
    fc.assert(
      fc.property(fc.integer({ min: -400, max: 400 }), fc.integer({ min: -400, max: 400 }), (x, y) => {
        expect(convexDistance(square(0, 0), square(x, y))).toBe(convexDistance(square(x, y), square(0, 0)));
      }),
    );
  });
});
