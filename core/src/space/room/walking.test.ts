import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { distance, footprintDistance, type Point, prismFootprint } from '../../measures/geometry/index.ts';
import { applied, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { BY_TAPE } from '../../record/plan/index.ts';
import {
  arrivalAt,
  clearanceAt,
  type FreeFloor,
  freeFloor,
  getsTo,
  obstaclesOf,
  walkingFrom,
  walkLength,
  walkTo,
} from './index.ts';

const HALF = 230;

/** Outline of everything within `half` mm of a rectangle: its corners rounded by chords (`inner`) or by tangents of the circle. */
function inflated(corners: readonly Point[], half: number, inner: boolean): Point[] {
  const STEPS = 6;
  const middle = { x: (corners[0]!.x + corners[2]!.x) / 2, y: (corners[0]!.y + corners[2]!.y) / 2 };
  return corners.flatMap((c, i) => {
    const before = corners[(i + 3) % 4]!;
    const after = corners[(i + 1) % 4]!;
    const outward = (p: Point, q: Point) => {
      const normal = Math.atan2(p.x - q.x, q.y - p.y);
      const away = Math.cos(normal) * (p.x - middle.x) + Math.sin(normal) * (p.y - middle.y) > 0;
      return away ? normal : normal + Math.PI;
    };
    const from = outward(before, c);
    let turn = outward(c, after) - from;
    turn -= 2 * Math.PI * Math.round(turn / (2 * Math.PI));
    const at = (t: number, r: number) => ({
      x: c.x + r * Math.cos(from + turn * t),
      y: c.y + r * Math.sin(from + turn * t),
    });
    return inner
      ? Array.from({ length: STEPS + 1 }, (_, k) => at(k / STEPS, half))
      : Array.from({ length: STEPS }, (_, k) => at((k + 0.5) / STEPS, half / Math.cos(turn / STEPS / 2)));
  });
}

/** Whether a line goes through the inside of a convex outline (clipped by every side). */
function through(a: Point, b: Point, outline: readonly Point[]): boolean {
  let [low, high] = [0, 1];
  const middle = { x: outline.reduce((s, p) => s + p.x, 0), y: outline.reduce((s, p) => s + p.y, 0) };
  [middle.x, middle.y] = [middle.x / outline.length, middle.y / outline.length];
  for (const [i, p] of outline.entries()) {
    const q = outline[(i + 1) % outline.length]!;
    let normal = { x: q.y - p.y, y: p.x - q.x };
    if (normal.x * (middle.x - p.x) + normal.y * (middle.y - p.y) > 0) normal = { x: -normal.x, y: -normal.y };
    const long = Math.hypot(normal.x, normal.y);
    const out = (c: Point) => (normal.x * (c.x - p.x) + normal.y * (c.y - p.y)) / long + 1e-6;
    const [u, v] = [out(a), out(b)];
    if (u >= 0 && v >= 0) return false;
    if (u >= 0) low = Math.max(low, u / (u - v));
    else if (v >= 0) high = Math.min(high, u / (u - v));
  }
  return high - low > 1e-9;
}

/**
 * Shortest way of a disc of some radius in a square room of 6 m, by another method altogether: the visibility graph of the things’ outlines
 * grown by the radius (Lozano-Pérez and Wesley 1979, from memory), a little too small (`inner`, so never too long) or a little too big.
 */
function visibility(
  things: readonly (readonly Point[])[],
  from: Point,
  to: Point,
  half: number,
  inner: boolean,
): number {
  const outlines = things.map((t) => inflated(t, half, inner));
  const inRoom = (p: Point) => Math.min(p.x, p.y, 6000 - p.x, 6000 - p.y) >= half - 1e-6;
  const nodes = [from, to, ...outlines.flat().filter(inRoom)];
  const far = nodes.map((_, i) => (i === 0 ? 0 : Infinity));
  const shut = new Set<number>();
  for (;;) {
    const next = far.reduce((best, d, i) => (!shut.has(i) && d < (far[best] ?? Infinity) ? i : best), -1);
    if (next < 0) return Infinity;
    if (next === 1) return far[1]!;
    shut.add(next);
    for (const [i, p] of nodes.entries()) {
      const by = far[next]! + distance(nodes[next]!, p);
      if (!shut.has(i) && by < far[i]! && !outlines.some((o) => through(nodes[next]!, p, o))) far[i] = by;
    }
  }
}

const spot = { x: fc.integer({ min: 400, max: 5600 }), y: fc.integer({ min: 400, max: 5600 }) };
const rooms = fc.record({
  units: fc.array(
    fc.record({ ...spot, width: fc.integer({ min: 300, max: 2600 }), facing: fc.constantFrom(0, 30, 90, 135) }),
    {
      minLength: 2,
      maxLength: 7,
    },
  ),
  from: fc.record(spot),
  to: fc.record(spot),
});

describe('shortest ways over the free floor', () => {
  const plain = (units: { x: number; y: number; width: number; facing: number }[]) =>
    withUnits(tinyRoom(), ...units.map((u, i) => unit('lowChest', { id: `u${i}`, ...u, depth: 350 })));
  const footprints = (floor: FreeFloor) => floor.obstacles.map((o) => prismFootprint(o.prism));

  test('agree with the visibility graph in random rooms within 2 %, and are there exactly when a body gets through', () => {
    let [compared, none] = [0, 0];
    fc.assert(
      fc.property(rooms, ({ units }) => {
        const [from, to] = [
          { x: 1000, y: 1000 },
          { x: 5000, y: 5200 },
        ];
        // room enough at both ends that nothing is squeezed past
        const floor = freeFloor(
          plain(
            units.filter((u) => {
              const { prism } = obstaclesOf(plain([u]))[0]!;
              return footprintDistance(prism, from.x, from.y) > 940 && footprintDistance(prism, to.x, to.y) > 690;
            }),
          ),
        )!;
        const length = walkLength(walkingFrom(floor, from, HALF), arrivalAt(floor, to, HALF));
        const least = visibility(footprints(floor), from, to, HALF, true);
        const most = visibility(footprints(floor), from, to, HALF + 0.3, false);
        if (most < Infinity) expect(length).toBeLessThanOrEqual(most * 1.02 + 1);
        if (least < Infinity) expect(length).toBeGreaterThanOrEqual(least * 0.98 - 1);
        else expect(length).toBe(Infinity);
        expect(getsTo(floor, [from], HALF)(to)).toBe(Number.isFinite(length));
        if (least === Infinity) none++;
        else if (least > distance(from, to) + 5) compared++;
      }),
      { numRuns: 60 },
    );
    expect(compared).toBeGreaterThan(5);
    expect(none + compared).toBeGreaterThan(5);
  });

  test('with things near both ends: never longer than a body must, never shorter than a point could', () => {
    fc.assert(
      fc.property(rooms, ({ units, from, to }) => {
        const floor = freeFloor(plain(units))!;
        fc.pre(clearanceAt(floor, from) > HALF + 60 && clearanceAt(floor, to) > HALF + 60);
        const length = walkLength(walkingFrom(floor, from, HALF), arrivalAt(floor, to, HALF));
        const most = visibility(footprints(floor), from, to, HALF + 0.3, false);
        if (most < Infinity) expect(length).toBeLessThanOrEqual(most * 1.02 + 1);
        expect(length).toBeGreaterThanOrEqual(visibility(footprints(floor), from, to, 1, true) * 0.98 - 1);
      }),
      { numRuns: 40 },
    );
  });

  test('a passage 10 mm wider than a body is walked at every position and angle, one 10 mm narrower at none', () => {
    for (let i = 0; i < 60; i++) {
      const turn = i % 3 === 0 ? 0 : (i * 37) % 90;
      const shift = i * 2.7;
      const [dx, dy] = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
      const pair = (gap: number) => {
        const off = gap / 2 + 1500;
        const side = (k: number) =>
          unit('lowChest', {
            id: `u${k}`,
            x: 3000 + shift + k * off * dx,
            y: 3000 + shift / 2 + k * off * dy,
            width: 3000,
            depth: 350,
            facing: -turn,
          });
        const floor = freeFloor(withUnits(tinyRoom(), side(1), side(-1)))!;
        const a = { x: 3000 + shift - dy * 1100, y: 3000 + shift / 2 + dx * 1100 };
        const b = { x: 3000 + shift + dy * 1100, y: 3000 + shift / 2 - dx * 1100 };
        return walkLength(walkingFrom(floor, a, HALF), arrivalAt(floor, b, HALF));
      };
      expect([i, pair(470) < 2600]).toEqual([i, true]);
      if (i % 3 === 0) expect([i, pair(450) > 2600]).toEqual([i, true]);
    }
  });

  test('round one corner: the two legs of the triangle, within a body’s room', () => {
    // a wall of chests from the left wall to x = 3000 at y = 3000: from (1000, 2000) to (1000, 4000) one goes round its end
    const plan = withUnits(tinyRoom(), unit('lowChest', { x: 1500, y: 3000, width: 3000, depth: 200 }));
    const floor = freeFloor(plan)!;
    const walking = walkingFrom(floor, { x: 1000, y: 2000 }, HALF);
    const walk = walkTo(walking, { x: 1000, y: 4000 })!;
    const least = 2 * Math.hypot(2000, 900) + 200;
    const most = 2 * Math.hypot(2000 + HALF, 900) + 200 + 2 * HALF;
    expect(walk.length).toBeGreaterThan(least - 1);
    expect(walk.length).toBeLessThan(most + 50);
    const drawn = walk.points.slice(1).reduce((sum, p, i) => sum + distance(walk.points[i]!, p), 0);
    // the arc is drawn by its two chords
    expect(drawn).toBeGreaterThan(walk.length - 20);
    expect(drawn).toBeLessThan(walk.length + 1e-6);
    expect(walk.points.length).toBeGreaterThan(2);
  });

  test('a gap narrower than a body is no way; a wheelchair needs more than a walker', () => {
    const gap = (wide: number) =>
      withUnits(
        tinyRoom(),
        unit('lowChest', { id: 'a', x: 1500 - wide / 2, y: 3000, width: 3000 }),
        unit('lowChest', { id: 'b', x: 4500 + wide / 2, y: 3000, width: 3000 }),
      );
    const reaches = (wide: number, half: number) => {
      const floor = freeFloor(gap(wide))!;
      return Number.isFinite(
        walkLength(walkingFrom(floor, { x: 3000, y: 1500 }, half), arrivalAt(floor, { x: 3000, y: 4500 }, half)),
      );
    };
    expect(reaches(400, HALF)).toBe(false);
    expect(reaches(560, HALF)).toBe(true);
    expect(reaches(700, 380)).toBe(false);
    expect(reaches(860, 380)).toBe(true);
  });

  test('an open door leaf is walked round, a chair and a box on the table are not', () => {
    const door = {
      id: 'door',
      wallId: 'w3',
      kind: 'door',
      left: 2000,
      width: 900,
      sill: 0,
      head: 2000,
      hinge: 'left',
      swing: 'in',
      ...BY_TAPE,
    } as const;
    const plan = applied(tinyRoom(), { type: 'addOpening', opening: door });
    expect(freeFloor(plan)!.obstacles).toEqual([]);
    const [leaf] = freeFloor(plan, true)!.obstacles;
    // hung on its left as one stands before it from inside: w3 runs from x = 6000 to 0, so that is at x = 4000
    expect(leaf!.prism.x).toBeCloseTo(4000, 6);
    expect(leaf!.prism.y).toBeCloseTo(450, 6);
    const seated = withUnits(plan, unit('chair', { x: 1000, y: 1000 }), unit('smallDrawers', { x: 2000, y: 4000 }));
    expect(freeFloor(seated)!.obstacles).toEqual([]);
  });
});
