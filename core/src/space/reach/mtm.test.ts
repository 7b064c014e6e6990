import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  coverMotions,
  findTmu,
  moveB,
  PACE,
  reachB,
  reachC,
  SECONDS_PER_TMU,
  sideStep,
  TMU,
  turnTmu,
} from './index.ts';

const inch = 25.4;

describe('motion times after MTM-1 (published tables, values from memory)', () => {
  test.each([
    [1, 2.5],
    [4, 6.4],
    [10, 11.5],
    [12, 12.9],
    [20, 18.6],
    [30, 25.8],
  ])('reach case B over %i in is %f TMU', (inches, tmu) => expect(reachB(inches * inch)).toBeCloseTo(tmu, 9));

  test.each([
    [10, 12.9],
    [20, 19.8],
    [30, 26.7],
  ])('reach case C over %i in is %f TMU', (inches, tmu) => expect(reachC(inches * inch)).toBeCloseTo(tmu, 9));

  test.each([
    [1, 2.9],
    [10, 12.2],
    [20, 18.2],
    [30, 24.3],
  ])('move case B over %i in is %f TMU', (inches, tmu) => expect(moveB(inches * inch)).toBeCloseTo(tmu, 9));

  test('beyond 30 in the last step goes on: 32 in reach 27.2, move 25.5', () => {
    expect(reachB(32 * inch)).toBeCloseTo(25.8 + 1.4, 9);
    expect(moveB(32 * inch)).toBeCloseTo(24.3 + 1.2, 9);
  });

  test('stand and sit 78.1; ten paces 150 TMU = 5.4 s; pace 34 in; side step of 20 in', () => {
    expect(TMU.stand + TMU.sit).toBeCloseTo(78.1, 9);
    expect(10 * TMU.pace * SECONDS_PER_TMU).toBeCloseTo(5.4, 9);
    expect(PACE).toBe(864);
    expect(sideStep(20 * inch)).toBeCloseTo(17 + 8 * 0.6, 9);
  });

  test('a cover at 12 in of reach: drawer pulled 16 in 48.5, door handle travelling 20 in 66.2, lid 76.8 TMU', () => {
    const both = (c: ReturnType<typeof coverMotions>) => c.open.tmu + c.shut.tmu;
    expect(both(coverMotions('drawer', 12 * inch, 16 * inch))).toBeCloseTo(48.5, 6);
    expect(both(coverMotions('door', 12 * inch, 20 * inch))).toBeCloseTo(66.2, 6);
    expect(both(coverMotions('lid', 12 * inch, 12 * inch))).toBeCloseTo(76.8, 6);
  });

  test('turning: nothing, one foot 18.6, both feet 37.2; finding among 7 kinds takes three looks', () => {
    expect([5, 60, -90, 120].map(turnTmu)).toEqual([0, 18.6, 18.6, 37.2]);
    expect(findTmu(1)).toBeCloseTo(7.3, 9);
    expect(findTmu(7)).toBeCloseTo(3 * 7.3, 9);
  });

  test('farther is never cheaper', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 2000, noNaN: true }),
        fc.double({ min: 0, max: 500, noNaN: true }),
        (d, more) => {
          for (const f of [reachB, reachC, moveB]) expect(f(d + more)).toBeGreaterThanOrEqual(f(d) - 1e-9);
        },
      ),
    );
  });
});
