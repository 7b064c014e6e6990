import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  angleBetween,
  direction,
  footprintDistance,
  heading,
  insidePolygon,
  isSimplePolygon,
  polygonArea,
  prism,
  prismFootprint,
  segmentHitsPrism,
} from './index.ts';

const coord = fc.integer({ min: -3000, max: 3000 });

describe('geometry', () => {
  test('area and inside of an L-shaped outline', () => {
    const l = [
      { x: 0, y: 0 },
      { x: 0, y: 3000 },
      { x: 2000, y: 3000 },
      { x: 2000, y: 1000 },
      { x: 4000, y: 1000 },
      { x: 4000, y: 0 },
    ];
    expect(Math.abs(polygonArea(l))).toBe(8_000_000);
    expect(insidePolygon({ x: 1000, y: 2500 }, l)).toBe(true);
    expect(insidePolygon({ x: 3000, y: 2500 }, l)).toBe(false);
    expect(isSimplePolygon(l)).toBe(true);
    expect(isSimplePolygon([l[0]!, l[2]!, l[1]!, l[5]!])).toBe(false);
  });

  test('headings run clockwise from +y and turns to the right are positive', () => {
    expect(heading({ x: 0, y: 0 }, { x: 1, y: 0 })).toBeCloseTo(90);
    expect(angleBetween(350, 20)).toBeCloseTo(30);
    expect(angleBetween(20, 350)).toBeCloseTo(-30);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 359 }), (d) =>
        expect(angleBetween(d, heading({ x: 0, y: 0 }, direction(d)))).toBeCloseTo(0, 6),
      ),
    );
  });

  test('a unit against the upper wall looks down the page and its left is the viewer’s left', () => {
    const [frontLeft, frontRight] = prismFootprint(prism({ x: 0, y: 0 }, 180, 1000, 400, 0, 700));
    expect(frontLeft.x).toBeCloseTo(-500);
    expect(frontLeft.y).toBeCloseTo(-200);
    expect(frontRight.x).toBeCloseTo(500);
  });

  test('a line is stopped exactly when a dense walk along it enters the box', () => {
    const box = prism({ x: 200, y: -300 }, 37, 900, 500, 200, 1100);
    fc.assert(
      fc.property(
        coord,
        coord,
        fc.integer({ min: 0, max: 2000 }),
        coord,
        coord,
        fc.integer({ min: 0, max: 2000 }),
        (x, y, z, x2, y2, z2) => {
          const inside = (t: number, shrink: number) => {
            const px = x + (x2 - x) * t;
            const py = y + (y2 - y) * t;
            const pz = z + (z2 - z) * t;
            const u = Math.abs((px - box.x) * box.rightX + (py - box.y) * box.rightY);
            const v = Math.abs((px - box.x) * box.frontX + (py - box.y) * box.frontY);
            return (
              u < box.halfWidth - shrink &&
              v < box.halfDepth - shrink &&
              pz > box.bottom + shrink &&
              pz < box.top - shrink
            );
          };
          const steps = Array.from({ length: 2001 }, (_, i) => i / 2000);
          const hit = segmentHitsPrism({ x, y, z }, { x: x2, y: y2, z: z2 }, box);
          if (steps.some((t) => inside(t, 1))) expect(hit).toBe(true);
          if (hit) expect(steps.some((t) => inside(t, -8))).toBe(true);
        },
      ),
      { numRuns: 200 },
    );
  });

  test('distance to a footprint is zero inside and straight outside', () => {
    const box = prism({ x: 0, y: 0 }, 90, 1000, 400, 0, 700);
    expect(footprintDistance(box, 0, 0)).toBe(0);
    expect(footprintDistance(box, 300, 0)).toBeCloseTo(100);
    expect(footprintDistance(box, 0, 900)).toBeCloseTo(400);
  });
});
