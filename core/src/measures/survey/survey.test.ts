import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { polygonArea } from '../geometry/index.ts';
import { rightAngled, surveyWalls } from './index.ts';

describe('walk-round', () => {
  test('a rectangle closes and lies to the right of the first wall', () => {
    const s = surveyWalls(rightAngled(4100, 3200));
    expect(s.error).toBeCloseTo(0, 6);
    expect(s.closes).toBe(true);
    expect(s.words).toBe('The walls close.');
    expect(Math.abs(polygonArea(s.outline))).toBeCloseTo(4100 * 3200, 3);
    expect(Math.max(...s.outline.map((p) => p.x))).toBeCloseTo(4100, 6);
    expect(Math.min(...s.outline.map((p) => p.x))).toBeCloseTo(0, 6);
  });

  test('3–4–5: three walls with the turns of the right triangle close (Euclid, Elements I.47)', () => {
    const turn = (inner: number) => 180 - inner;
    const s = surveyWalls([
      { length: 3000, turn: turn(90) },
      { length: 4000, turn: turn((Math.atan2(3, 4) * 180) / Math.PI) },
      { length: 5000, turn: turn((Math.atan2(4, 3) * 180) / Math.PI) },
    ]);
    expect(s.error).toBeLessThan(1e-6);
  });

  test('the compass rule moves each corner by its share of the walked length (Bowditch; hand-worked square)', () => {
    // 1000 mm square with the third wall measured 40 mm short: misclosure 40 mm down the page over 3960 mm
    const s = surveyWalls([1000, 1000, 960, 1000].map((length) => ({ length, turn: 90 })));
    expect(s.misclosure.y).toBeCloseTo(-40, 6);
    expect(s.ratio).toBeCloseTo(99, 6);
    expect(s.outline[1]!.y).toBeCloseTo(1000 - (40 * 1000) / 3960, 6);
    expect(s.outline[3]!.y).toBeCloseTo(40 - (40 * 2960) / 3960, 6);
  });

  test('the wrong wall is among those named, in 200 random traverses', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 500, max: 6000 }), fc.integer({ min: -60, max: 100 })), {
          minLength: 3,
          maxLength: 9,
        }),
        fc.nat(8),
        fc.integer({ min: 150, max: 900 }),
        fc.boolean(),
        (legs, at, off, longer) => {
          // any walk, and the two walls that close it
          const walls = legs.map(([length, turn]) => ({ length, turn }));
          const open = surveyWalls(walls);
          const end = open.walked.at(-1)!;
          const facing = walls.reduce((sum, w) => sum + w.turn, 0);
          const back = (Math.atan2(-end.x, -end.y) * 180) / Math.PI;
          const length = Math.hypot(end.x, end.y);
          fc.pre(length > 1000);
          const closed = [
            ...walls.slice(0, -1),
            { ...walls.at(-1)!, turn: walls.at(-1)!.turn + back - facing },
            { length, turn: 360 - back },
          ];
          const wrong = at % closed.length;
          const measured = closed.map((w, i) =>
            i === wrong ? { ...w, length: w.length + (longer ? off : -Math.min(off, w.length / 2)) } : w,
          );
          const survey = surveyWalls(measured);
          fc.pre(survey.ratio < 300);
          expect(survey.suspects.map((s) => s.wall)).toContain(wrong);
        },
      ),
      { numRuns: 200, seed: 20261125 },
    );
  });

  test('says what is wrong: too few walls, a gap, a crossing, turns that do not make a circle', () => {
    expect(surveyWalls([]).words).toMatch(/No walls yet/);
    expect(surveyWalls([{ length: 1000, turn: 90 }]).words).toMatch(/at least three/);
    const gap = surveyWalls([3200, 4100, 2800, 4100].map((length) => ({ length, turn: 90 })));
    expect(gap.closes).toBe(false);
    expect(gap.words).toMatch(/do not close: the end misses the start by 400 mm/);
    // both of the two parallel walls fit, and both are named
    expect(gap.suspects.map((s) => s.wall)).toEqual([0, 2]);
    for (const { by } of gap.suspects) expect(Math.abs(by)).toBeCloseTo(400, 6);
    // a room that closes at 1 : 200 may still name one, one at 1 : 1000 does not
    const near = (off: number) => surveyWalls([3000 + off, 2000, 3000, 2000].map((length) => ({ length, turn: 90 })));
    expect(near(50).closes).toBe(true);
    expect(near(50).suspects.map((s) => s.wall)).toEqual([0, 2]);
    expect(near(10).suspects).toEqual([]);
    // and that is said, with the limit
    expect(near(10).words).toMatch(/1 : \d+; from 1 : 400 on that is as good as a tape/);
    // as long as there are walls to come none of them is wrong
    expect(surveyWalls(rightAngled(4100, 3200).slice(0, 3)).suspects).toEqual([]);
    const turns = surveyWalls([3000, 3000, 3000, 3000].map((length, i) => ({ length, turn: i === 1 ? 60 : 90 })));
    expect(turns.words).toMatch(/330°/);
    const crossed = surveyWalls([
      { length: 2000, turn: 135 },
      { length: 2828.43, turn: -135 },
      { length: 2000, turn: -135 },
      { length: 2828.43, turn: 90 },
    ]);
    expect(crossed.words).toMatch(/cross/);
  });

  test('however badly walls are measured, the corrected outline is closed and keeps its first corner', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ length: fc.integer({ min: 100, max: 9000 }), turn: fc.integer({ min: -90, max: 120 }) }), {
          minLength: 3,
          maxLength: 9,
        }),
        (walls) => {
          const s = surveyWalls(walls);
          expect(s.outline[0]).toEqual({ x: 0, y: 0 });
          const last = s.walked[s.walked.length - 1]!;
          expect(Math.hypot(last.x + s.misclosure.x, last.y + s.misclosure.y)).toBeLessThan(1e-6);
        },
      ),
    );
  });
});

describe('a traverse as surveying textbooks close it (memory)', () => {
  // bearings and lengths of a five-sided loop as exercises give them; latitudes and departures by hand: Σ L cos θ and Σ L sin θ
  const legs = [
    [0, 3200],
    [90, 4110],
    [180, 2690],
    [225, 707.1],
    [270, 3600],
  ] as const;
  const latitude = legs.reduce((sum, [b, l]) => sum + l * Math.cos((b * Math.PI) / 180), 0);
  const departure = legs.reduce((sum, [b, l]) => sum + l * Math.sin((b * Math.PI) / 180), 0);
  const walls = legs.map(([bearing, length], i) => ({
    length,
    turn: (((legs[(i + 1) % 5]![0] - bearing + 540) % 360) - 180) as number,
  }));
  const survey = surveyWalls(walls);

  test('linear misclosure √(ΣL² + ΣD²) and its precision 1 : perimeter / misclosure', () => {
    const linear = Math.hypot(latitude, departure);
    expect(survey.error).toBeCloseTo(linear, 6);
    const perimeter = legs.reduce((sum, [, l]) => sum + l, 0);
    expect(survey.words).toContain(
      `1 : ${Math.round(perimeter / linear)
        .toLocaleString('en')
        .replace(',', '')}`,
    );
  });

  test('compass rule: each leg is corrected by the misclosure times its share of the perimeter', () => {
    const perimeter = legs.reduce((sum, [, l]) => sum + l, 0);
    let x = 0;
    let y = 0;
    for (const [i, [bearing, length]] of legs.entries()) {
      expect(survey.outline[i]!.x).toBeCloseTo(x, 6);
      expect(survey.outline[i]!.y).toBeCloseTo(y, 6);
      x += length * Math.sin((bearing * Math.PI) / 180) - (departure * length) / perimeter;
      y += length * Math.cos((bearing * Math.PI) / 180) - (latitude * length) / perimeter;
    }
  });
});
