import { describe, expect, test } from '@jest/globals';
import {
  circuitRating,
  FASTEN_FROM,
  liftLimit,
  liftMultipliers,
  LOAD_CONSTANT,
  shelfCarries,
  shelfSag,
  tipping,
} from './index.ts';

describe('shelf sag', () => {
  const shelf = { board: 'particleboard', thickness: 16, depth: 300, span: 800 } as const;

  // the beam formula 5wL⁴/384EI with E of the Wood Handbook (memory); value of docs/computation.md 8.1
  test('particleboard 16 × 300 × 800 mm with 20 kg sags 5.3 mm before creep', () => {
    expect(shelfSag(shelf, 20_000).first).toBeCloseTo(5.3, 1);
    expect(shelfSag(shelf, 20_000).lasting).toBeCloseTo(10.6, 1);
  });

  test('the limit is a six-hundredth of the span: 0.02 inch in a foot (common practice)', () => {
    expect(shelfSag({ ...shelf, span: 304.8 }, 1).limit).toBeCloseTo(0.02 * 25.4, 3);
    const most = shelfCarries(shelf);
    expect(shelfSag(shelf, most * 0.999).lasting).toBeLessThan(shelfSag(shelf, most).limit);
    expect(shelfSag(shelf, most * 1.001).lasting).toBeGreaterThan(shelfSag(shelf, most).limit);
  });

  test('as beams do: twice the span sags eight times as much for the same load, twice the thickness an eighth', () => {
    const sag = (over: object) => shelfSag({ ...shelf, ...over }, 10_000).first;
    expect(sag({ span: 1600 }) / sag({})).toBeCloseTo(8, 9);
    expect(sag({ thickness: 32 }) / sag({})).toBeCloseTo(1 / 8, 9);
    expect(sag({ board: 'plywood' })).toBeLessThan(sag({ board: 'mdf' }));
  });
});

describe('tipping', () => {
  const chest = { depth: 450, mass: 30_000, inside: 0, drawers: [], leaf: 0 };

  // worked by hand: moments about the front edge (statics; the child of 27 kg after ASTM F2057-23, memory)
  test('worked example: three drawers of 8 kg, pulled 360 of 400 mm', () => {
    const drawers = Array.from({ length: 3 }, () => ({ mass: 8000, pull: 360, depth: 400 }));
    const { restoring, overturning, safety } = tipping({ ...chest, drawers });
    expect(restoring).toBeCloseTo(30 * 0.225 * 9.80665, 6);
    expect(overturning).toBeCloseTo((3 * 8 * 0.16 + 27 * 0.36) * 9.80665, 6);
    expect(safety).toBeCloseTo(6.75 / 13.56, 6);
  });

  test('both sides of the edge: the mass at which it just stands', () => {
    const drawers = [{ mass: 5000, pull: 300, depth: 400 }];
    const need = (5 * 0.1 + 27 * 0.3) / 0.225;
    expect(tipping({ ...chest, mass: need * 1000 + 1, drawers }).safety).toBeGreaterThan(1);
    expect(tipping({ ...chest, mass: need * 1000 - 1, drawers }).safety).toBeLessThan(1);
  });

  test('nothing that opens does not overturn; 27 inches is the height from which one fastens', () => {
    expect(tipping(chest).safety).toBe(Infinity);
    expect(FASTEN_FROM).toBe(Math.round(27 * 25.4));
  });
});

describe('mains', () => {
  // memory: US 15 A × 120 V, 80 % when it lasts three hours; UK 13 A, EU 16 A, AU 10 A at 230 V
  test.each([
    ['us', 60, 1800],
    ['us', 180, 1440],
    ['us', 179, 1800],
    ['uk', 300, 2990],
    ['eu', 60, 3680],
    ['au', 60, 2300],
  ] as const)('%s for %i minutes: %i W', (region, minutes, watts) =>
    expect(circuitRating(region, minutes)).toBeCloseTo(watts, 6),
  );
});

describe('lifting (revised NIOSH equation 1991; Applications Manual 94-110, from memory)', () => {
  const INCH = 25.4;
  const LB = 0.45359237;
  // the manual’s punch press: H 23 in, V 15 → 63 in, D 48 in, no twist, fair coupling, multipliers rounded to two places there
  const press = (vertical: number) => ({
    horizontal: 23 * INCH,
    vertical: vertical * INCH,
    travel: 48 * INCH,
    twist: 0,
    coupling: 'fair' as const,
  });

  test('punch-press example: 16.3 lb at the origin, 14.5 lb at the destination', () => {
    // the manual takes 51 lb and 10 in and rounds every multiplier up to two places; the metric form takes 23 kg and 25 cm: within 5 %
    expect(Math.abs(liftLimit(press(15)) / LB / 16.3 - 1)).toBeLessThan(0.05);
    expect(Math.abs(liftLimit(press(63)) / LB / 14.5 - 1)).toBeLessThan(0.05);
    // its multipliers: HM 0.44, VM 0.89 and 0.75, DM 0.86, CM 0.95 and 1
    const [origin, end] = [liftMultipliers(press(15)), liftMultipliers(press(63))];
    for (const [got, wanted] of [
      [origin.hm, 0.44],
      [origin.vm, 0.89],
      [end.vm, 0.75],
      [origin.dm, 0.86],
      [origin.cm, 0.95],
      [end.cm, 1],
    ] as const)
      expect(Math.abs(got - wanted)).toBeLessThan(0.0125);
  });

  test('at its best the whole 23 kg; nothing beyond its reach; never more by lifting farther away, twisting or gripping badly', () => {
    const best = { horizontal: 250, vertical: 750, travel: 250, twist: 0, coupling: 'good' as const };
    expect(liftLimit(best)).toBeCloseTo(LOAD_CONSTANT, 6);
    expect(liftLimit({ ...best, horizontal: 640 })).toBe(0);
    expect(liftLimit({ ...best, vertical: 1760 })).toBe(0);
    expect(liftLimit({ ...best, twist: 136 })).toBe(0);
    for (const worse of [
      { horizontal: 400 },
      { vertical: 1400 },
      { travel: 900 },
      { twist: 45 },
      { coupling: 'poor' as const },
    ])
      expect(liftLimit({ ...best, ...worse })).toBeLessThan(LOAD_CONSTANT);
  });
});
