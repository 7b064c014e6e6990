import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { caliperOf, fitBlocks, fitSheets, fitSupply, sheetMass } from './index.ts';
import { block, sheet } from '../testing/index.ts';

const cubby = { width: 330, height: 330, depth: 380 };

describe('fit', () => {
  test.each([
    [160, 2],
    [105, 3],
    [78, 4],
  ])('a cubby of 330 × 330 × 380 mm takes bins of %i mm across: %i side by side (common practice)', (across, bins) => {
    const fit = fitBlocks(cubby, { width: across, depth: 370, height: 320 }, 99, ['flat', 'edge', 'upright'], 1)!;
    expect(fit.fits).toBe(bins);
  });

  test('12 × 12 in paper lies in the cubby (common practice)', () => {
    expect(fitSheets(cubby, 304.8, 304.8, 0.27, 10)).not.toBeNull();
    expect(fitSheets({ ...cubby, width: 300 }, 304.8, 304.8, 0.27, 10)).toBeNull();
  });

  test('a 20 mm slot takes 70 sheets of 0.27 mm; 216 g/m² card is 0.27 mm and 20.07 g a 12 × 12 in sheet', () => {
    expect(caliperOf(216)).toBeCloseTo(0.27, 9);
    expect(sheetMass(304.8, 304.8, 216)).toBeCloseTo(20.07, 2);
    expect(fitSheets({ width: 330, depth: 380, height: 20 }, 304.8, 304.8, 0.27, 70)!.fits).toBe(70);
  });

  test('the fit holds what it says: rows × columns × layers stay inside, and one more column would not', () => {
    const side = fc.integer({ min: 20, max: 400 });
    fc.assert(
      fc.property(side, side, side, side, side, side, fc.integer({ min: 1, max: 60 }), (w, d, h, a, b, c, n) => {
        const cavity = { width: w * 2, depth: d, height: h };
        const fit = fitBlocks(cavity, { width: a, depth: b, height: c }, n, ['flat', 'edge', 'upright'], null);
        if (!fit) return;
        const t = fit.turned;
        expect(fit.columns * (t.width + 4)).toBeLessThanOrEqual(cavity.width);
        expect((fit.columns + 1) * (t.width + 4)).toBeGreaterThan(cavity.width);
        expect(fit.rows * (t.depth + 4)).toBeLessThanOrEqual(cavity.depth);
        expect(fit.layers * (t.height + 4)).toBeLessThanOrEqual(cavity.height);
        expect(fit.frontage).toBeLessThanOrEqual(cavity.width);
        expect([t.width, t.depth, t.height].sort()).toEqual([a, b, c].sort());
      }),
    );
  });

  test('says by how much it does not go in, and that it is not measured', () => {
    const place = { kind: 'cubby' as const, ...cubby };
    expect(fitSupply(place, block({ width: 400, depth: 372, height: 50 }), 1)).toEqual({
      ok: false,
      reason: 'needs 46 mm more',
    });
    expect(fitSupply(place, block({ width: null }), 1)).toEqual({ ok: false, reason: 'not measured yet' });
    expect(fitSupply(place, block({ width: 100, depth: 300, height: 300 }), 9)).toEqual({
      ok: false,
      reason: 'only 3 of 9 go in',
    });
  });

  test('paper that may stand is filed by its thickness', () => {
    const slot = { kind: 'slot' as const, width: 60, depth: 330, height: 340 };
    const fit = fitSupply(slot, sheet({ width: 305, depth: 305, grammage: 216, lies: ['upright'] }), 100);
    expect(fit.ok && fit.frontage).toBeCloseTo(100 * 0.27 * 1.05 + 4, 6);
  });

  test('pegs: 25.4 mm pitch and 15 mm finger room', () => {
    const board = { kind: 'board' as const, width: 500, depth: 100, height: 400 };
    const fit = fitSupply(board, block({ width: 60, depth: 20, height: 200, lies: ['hanging'] }), 4);
    expect(fit.ok && fit.frontage).toBeCloseTo(4 * 76.2, 6);
    expect(fitSupply(board, block({ lies: ['flat'] }), 1)).toEqual({ ok: false, reason: 'it does not hang' });
  });
});
