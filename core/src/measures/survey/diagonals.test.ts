import { describe, expect, test } from '@jest/globals';
import { diagonalError, outOfSquare, rightAngled, surveyWalls, turnFromDiagonal } from './index.ts';

describe('diagonals', () => {
  // 3–4–5 (Pythagoras): the carpenter’s way to a right angle, common practice
  test('3–4–5 is square; shorter across turns more, longer less', () => {
    expect(turnFromDiagonal(3000, 4000, 5000)).toBeCloseTo(90, 9);
    expect(turnFromDiagonal(3000, 4000, 4900)!).toBeGreaterThan(90);
    expect(turnFromDiagonal(3000, 4000, 5100)!).toBeLessThan(90);
    expect(turnFromDiagonal(3000, 4000, 5000, false)).toBeCloseTo(-90, 9);
    expect(turnFromDiagonal(1000, 1000, 1000)).toBeCloseTo(120, 9);
  });

  test('no triangle, no turn', () => {
    expect(turnFromDiagonal(1000, 1000, 2000)).toBeNull();
    expect(turnFromDiagonal(3000, 1000, 1900)).toBeNull();
    expect(outOfSquare(1000, 1000, 2100)).toBeNull();
  });

  test('how far out of square, and a diagonal against the walked room', () => {
    expect(outOfSquare(3000, 4000, 5000)!.perMetre).toBeCloseTo(0, 9);
    expect(outOfSquare(1000, 1000, Math.hypot(1000, 1000) + 10)!.degrees).toBeGreaterThan(0.7);
    const { outline } = surveyWalls(rightAngled(4000, 3000));
    expect(diagonalError(outline, 0, 2, 5012)).toBeCloseTo(12, 6);
    expect(diagonalError(outline, 0, 0, 5)).toBeNull();
    expect(diagonalError(outline, 0, 9, 5)).toBeNull();
  });
});
