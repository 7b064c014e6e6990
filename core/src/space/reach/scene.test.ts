import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, PULL_SHARE } from '../../record/catalogue/index.ts';
import { distance } from '../../measures/geometry/index.ts';
import { type Command, type Plan, type Unit } from '../../record/plan/index.ts';
import { applied, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import {
  fetchFrom,
  floorIsFree,
  LEANING_HALF,
  makerOf,
  PLAIN,
  sceneOf,
  standingSpot,
  standingSpots,
  wayPrice,
} from './index.ts';

const scene = (...units: Unit[]) => sceneOf(withUnits(tinyRoom(), ...units));
const facingDown = { x: 3000, y: 5000, facing: 180 };

describe('grip points (docs/computation.md 2.2)', () => {
  test('front opening: in its middle, inset by half its depth but at most 150 mm', () => {
    const deep = scene(unit('bookcase', { ...facingDown, depth: 600, rows: 4 })).spots.get('bookcase.1.0')!;
    expect(deep.grip.x).toBeCloseTo(3000);
    expect(deep.grip.y).toBeCloseTo(5000 - 300 + 150);
    expect(deep.grip.z).toBeCloseTo((deep.low + deep.high) / 2);
    const shallow = scene(unit('bookcase', { ...facingDown, depth: 206, rows: 4 })).spots.get('bookcase.1.0')!;
    expect(shallow.grip.y).toBeCloseTo(5000 - 103 + shallow.place.depth / 2);
  });

  test('drawer: middle of the pulled-out part, at its rim', () => {
    const s = scene(unit('lowChest', facingDown)).spots.get('lowChest.2.0')!;
    expect(s.pull).toBeCloseTo(s.place.depth * PULL_SHARE);
    expect(s.grip.y).toBeCloseTo(5000 - 225 - s.pull / 2);
    expect(s.grip.z).toBe(s.high);
  });

  test('top opening: middle of the rim', () => {
    const s = scene(unit('lidBox', facingDown)).spots.get('lidBox.0.0')!;
    expect(s.grip.y).toBeCloseTo(5000, -1);
    // the rim is the top of the box, a board above its inside
    expect(s.grip.z).toBe(450);
    expect(s.high).toBe(450 - 16);
  });

  test('a unit turned by 90° has its places turned with it', () => {
    const s = scene(unit('bookcase', { x: 400, y: 3000, facing: 90 })).spots.get('bookcase.0.0')!;
    expect(s.normal.x).toBeCloseTo(1);
    expect(s.grip.x).toBeGreaterThan(400);
    expect(s.left.y).toBeLessThan(s.right.y);
  });
});

describe('standing spots', () => {
  test('350 mm before the front, or before the pulled-out drawer', () => {
    const shelf = scene(unit('bookcase', facingDown));
    const a = standingSpot(shelf, shelf.spots.get('bookcase.2.0')!, LEANING_HALF)!;
    expect([a.at.x, a.at.y]).toEqual([expect.closeTo(3000, 6), expect.closeTo(5000 - 150 - 350, 6)]);
    expect([a.forced, a.nearest]).toEqual([false, 250]);
    const chest = scene(unit('lowChest', facingDown));
    const spot = chest.spots.get('lowChest.0.0')!;
    expect(standingSpot(chest, spot, LEANING_HALF)!.at.y).toBeCloseTo(5000 - 225 - spot.pull - 350, 6);
  });

  test('a worktop in front pushes the body back to its edge, and says how far the arm has to go over it', () => {
    const room = scene(
      unit('worktable', { x: 3000, y: 4700, depth: 700 }),
      unit('wallShelves', { x: 3000, y: 4940, depth: 220 }),
    );
    const stand = standingSpot(room, room.spots.get('wallShelves.0.0')!, LEANING_HALF)!;
    expect(stand.forced).toBe(true);
    expect(stand.at.y).toBeLessThanOrEqual(4700 - 350 - LEANING_HALF + 1);
    expect(stand.nearest).toBeGreaterThan(4940 - 110 - (4700 - 350));
  });

  test('where another unit stands before it one stands beside the pulled-out drawer, however narrow the gap', () => {
    for (const gap of [240, 349, 500, 700]) {
      const plan = withUnits(
        tinyRoom({ standing: true }),
        unit('lowChest', { id: 'a', x: 3000, y: 5600, facing: 180 }),
        unit('lowChest', { id: 'b', x: 3000, y: 5600 - 450 - gap, facing: 180 }),
      );
      const room = sceneOf(plan);
      const maker = makerOf(plan, plan.stations.seat!)!;
      for (const row of [0, 1, 2, 3]) {
        const spot = room.spots.get(`a.${row}.0`)!;
        expect([gap, row, fetchFrom(room, maker, spot, PLAIN).ok]).toEqual([gap, row, true]);
        // a body there is clear of all that stands and of the drawer
        for (const { at } of standingSpots(room, spot, LEANING_HALF)) {
          expect(floorIsFree(room, at, LEANING_HALF)).toBe(true);
          const beside = Math.max(0, Math.abs(at.x - 3000) - distance(spot.left, spot.right) / 2);
          const before = Math.max(0, 5600 - 225 - spot.pull - at.y);
          expect(Math.hypot(beside, before)).toBeGreaterThanOrEqual(LEANING_HALF - 1e-6);
        }
      }
    }
  });

  test('free floor: inside the walls, clear of what stands, never mind what hangs', () => {
    const room = scene(unit('lowChest', facingDown), unit('wallCabinet', { x: 1000, y: 3000 }));
    expect(floorIsFree(room, { x: 3000, y: 5000 - 225 - 200 }, 230)).toBe(false);
    expect(floorIsFree(room, { x: 3000, y: 5000 - 225 - 240 }, 230)).toBe(true);
    expect(floorIsFree(room, { x: 1000, y: 3000 }, 230)).toBe(true);
    expect(floorIsFree(room, { x: -50, y: 3000 }, 230)).toBe(false);
    expect(floorIsFree(room, { x: 60, y: 3000 }, 230)).toBe(false);
  });

  test('hemmed in on all sides: nobody can stand there', () => {
    const big = (id: string, x: number, y: number) => unit('lowChest', { id, x, y, width: 2600, depth: 2600, rows: 1 });
    const room = scene(
      unit('bookcase', { x: 3000, y: 3000 }),
      big('a', 3000, 1400),
      big('b', 1200, 3000),
      big('c', 4800, 3000),
    );
    expect(standingSpot(room, room.spots.get('bookcase.0.0')!, LEANING_HALF)).toBeNull();
  });

  test('every default kind standing free can be used from the floor', () => {
    for (const kind of Object.keys(CATALOGUE) as (keyof typeof CATALOGUE)[]) {
      const room = scene(unit(kind, { x: 3000, y: 4000 }));
      for (const spot of room.spots.values())
        if (!spot.away) expect(standingSpot(room, spot, LEANING_HALF)).not.toBeNull();
    }
  });
});

describe('scenes in which everything stands alike', () => {
  const room = withUnits(
    tinyRoom({ x: 1500, y: 1500 }),
    unit('worktable', { id: 'table', x: 1500, y: 2100, facing: 180 }),
    unit('cubeUnit', { id: 'cubes', x: 3000, y: 2600, facing: 180 }),
    unit('lowChest', { id: 'chest', x: 600, y: 1200, facing: 90 }),
  );
  /** Every way as it is priced in a plan and, worked out anew, in a copy of it. */
  const prices = (plan: Plan) => {
    const station = plan.stations.seat!;
    const scene = sceneOf(plan);
    return [...scene.spots].map(([id, spot]) => [id, wayPrice(scene, makerOf(plan, station)!, spot)]);
  };
  const anew = (plan: Plan) => prices(structuredClone(plan));

  test.each<[string, Command]>([
    ['a place named', { type: 'setPlace', id: 'chest.0.0', set: { name: 'Blades' } }],
    ['a place that can be locked', { type: 'setPlace', id: 'cubes.0.0', set: { lockable: true } }],
    ['labels on everything', { type: 'setPlan', set: { labels: 'outside' } }],
  ])('%s: ways that are known are as they would be worked out anew, the others are', (_, command) => {
    const before = prices(room);
    const then = applied(room, command);
    expect(prices(then)).toEqual(anew(then));
    expect(prices(room)).toEqual(before);
    // what was not touched is the very same, so that nothing of it is worked out again
    const same = [...sceneOf(then).spots].filter(([id, spot]) => sceneOf(room).spots.get(id) === spot);
    expect(same.length).toBeGreaterThan(3);
    expect(sceneOf(then).ground).toBe(sceneOf(room).ground);
  });

  test('furniture moved is another ground', () => {
    const then = applied(room, { type: 'setUnit', id: 'chest', set: { y: 3000 } });
    expect(sceneOf(then).ground).not.toBe(sceneOf(room).ground);
    expect(prices(then)).toEqual(anew(then));
  });
});
