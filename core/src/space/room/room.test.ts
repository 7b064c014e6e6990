import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { distance, insidePolygon, prismFootprint } from '../../measures/geometry/index.ts';
import { BY_TAPE, blankFixture, emptyPlan, roomOf } from '../../record/plan/index.ts';
import { applied, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import {
  ceilingAt,
  chairOf,
  clearanceAt,
  doorSweep,
  fixturePrism,
  frameOf,
  freeFloor,
  fromWall,
  insideDoor,
  moveSeat,
  type Neck,
  neckOnTheWay,
  onWall,
  slopeReaches,
  snapUnit,
  wallFrames,
  wallFront,
  tapesFrom,
  unitPrism,
  wallGaps,
  widestWays,
} from './index.ts';

const door = {
  id: 'door',
  wallId: 'w3',
  kind: 'door' as const,
  left: 1000,
  width: 900,
  sill: 0,
  head: 2000,
  hinge: 'left' as const,
  swing: 'in' as const,
  ...BY_TAPE,
};
/** 6 × 6 m, walls w0 west, w1 north, w2 east, w3 south; a door in the south wall. */
const room = () => applied(tinyRoom(), { type: 'addOpening', opening: door });

describe('walls as frames', () => {
  test('along and inward are square, the room lies inward, and a point goes there and back', () => {
    for (const f of wallFrames(room())) {
      expect(f.along.x * f.inward.x + f.along.y * f.inward.y).toBeCloseTo(0, 9);
      const p = onWall(f, 700, 250);
      expect(
        insidePolygon(
          p,
          wallFrames(room()).map((w) => w.a),
        ),
      ).toBe(true);
      expect(fromWall(f, p)).toMatchObject({ left: expect.closeTo(700, 6), out: expect.closeTo(250, 6) });
    }
  });

  test('nothing has a frame while the walls do not close', () => {
    expect(wallFrames(applied(room(), { type: 'removeWall', id: 'w2' }))).toEqual([]);
  });

  test('a door sweeps a quarter as wide as its leaf, into the room or out of it', () => {
    const plan = room();
    const sweep = doorSweep(plan, door)!;
    expect(Math.max(...sweep.map((p) => p.y))).toBeCloseTo(900, 6);
    const out = doorSweep(plan, { ...door, swing: 'out' })!;
    expect(Math.min(...out.map((p) => p.y))).toBeCloseTo(-900, 6);
    expect(doorSweep(plan, { ...door, kind: 'window' })).toBeNull();
  });

  test('a fixture stands on its wall at its height', () => {
    const prism = fixturePrism(room(), { ...blankFixture('s', 'socket', 'w1', 500), bottom: 300 })!;
    expect(prism).toMatchObject({ bottom: 300, top: 386 });
    expect(prism.x).toBeCloseTo(573, 6);
    expect(prism.y).toBeCloseTo(5995, 6);
  });
});

describe('slopes', () => {
  const slope = { id: 's', wallId: 'w1', knee: 1400, run: 2000 };
  const plan = applied(room(), { type: 'addSlope', slope });

  test('knee height at the wall, the flat ceiling from its run on, even between', () => {
    expect(ceilingAt(plan, { x: 3000, y: 6000 })).toBeCloseTo(1400, 6);
    expect(ceilingAt(plan, { x: 3000, y: 5000 })).toBeCloseTo(2000, 6);
    expect(ceilingAt(plan, { x: 3000, y: 4000 })).toBeCloseTo(2600, 6);
    expect(ceilingAt(plan, { x: 3000, y: 100 })).toBe(2600);
    expect(slopeReaches(slope, 2600, 2000)).toBeCloseTo(1000, 6);
    expect(slopeReaches(slope, 2600, 1300)).toBe(0);
  });

  test('the neighbour’s front is cut by the slope, the slope’s own is as low as its knee', () => {
    const east = wallFront(plan, frameOf(plan, 'w2')!).outline;
    expect(east.map((p) => [Math.round(p.x), Math.round(p.y)])).toEqual([
      [0, 0],
      [6000, 0],
      [6000, 2600],
      [2000, 2600],
      [0, 1400],
    ]);
    expect(Math.max(...wallFront(plan, frameOf(plan, 'w1')!).outline.map((p) => p.y))).toBe(1400);
  });
});

describe('snapping', () => {
  const chest = unit('lowChest', { id: 'chest', facing: 180, x: 3000, y: 3000 });

  test('goes flush to a wall within 70 mm and stays beyond that', () => {
    const plan = withUnits(room(), chest);
    const near = snapUnit(plan, chest, { x: 3000, y: 6000 - 225 - 60 });
    expect(near).toMatchObject({ y: 5775, x: 3000, to: ['wall 2'] });
    expect(snapUnit(plan, chest, { x: 3000, y: 6000 - 225 - 80 }).y).toBe(5695);
  });

  test('goes flush to a neighbour’s side and lines up with its front', () => {
    const plan = withUnits(room(), chest, unit('lowChest', { id: 'b', facing: 180, x: 1000, y: 1000 }));
    const beside = snapUnit(plan, plan.units.b!, { x: 3000 - 900 - 40, y: 3030 });
    expect(beside).toMatchObject({ x: 2100, y: 3000 });
  });

  test('what hangs on a wall slides along the nearest and looks into the room; what stands on a table takes its height', () => {
    const plan = withUnits(room(), unit('worktable', { id: 't', x: 3000, y: 3000 }));
    const board = unit('wallBoard', { id: 'b' });
    expect(snapUnit(plan, board, { x: 300, y: 2500 })).toMatchObject({ x: 60, y: 2500, facing: 90 });
    const block = unit('smallDrawers', { id: 'x' });
    expect(snapUnit(plan, block, { x: 3000, y: 3100 })).toMatchObject({ hostId: 't', bottom: 740 });
    expect(snapUnit(plan, block, { x: 500, y: 1000 }).hostId).toBeNull();
  });

  test('a snapped unit is never farther off than the snap, and letting go twice changes nothing', () => {
    const plan = withUnits(room(), chest);
    const where = fc.integer({ min: 300, max: 5700 });
    fc.assert(
      fc.property(where, where, (x, y) => {
        const one = snapUnit(plan, chest, { x, y });
        expect(Math.abs(one.x - x)).toBeLessThanOrEqual(70.1);
        expect(Math.abs(one.y - y)).toBeLessThanOrEqual(70.1);
        expect(snapUnit(plan, chest, one)).toMatchObject({ x: one.x, y: one.y });
      }),
    );
  });

  test('a wall that is not opposite has no gap: the other leg of an L is left out', () => {
    // an L: 6 × 6 m without its north-east quarter, walked round to the right from the south-west corner
    const turns = [90, 90, -90, 90, 90, 90];
    const lengths = [6000, 3000, 3000, 3000, 3000, 6000];
    let L = emptyPlan('l');
    for (const [i, length] of lengths.entries())
      L = applied(L, { type: 'addWall', wall: { id: `w${i}`, name: '', length, turn: turns[i]! } });
    expect(roomOf(L).closes).toBe(true);
    const gaps = (x: number, y: number) =>
      Object.fromEntries(wallGaps(L, { ...chest, x, y, facing: 0 }).map((g) => [g.wallId, Math.round(g.gap)]));
    // in the north leg: west, north, its own east wall and the south wall, not the two walls of the other leg
    expect(gaps(1500, 5000)).toEqual({ w0: 1050, w1: 775, w2: 1050, w5: 4775 });
    expect(gaps(4500, 1500)).toEqual({ w0: 4050, w3: 1275, w4: 1050, w5: 1275 });
  });

  test('a chair goes with its seat: as far, and turned as much; it belongs to the nearest', () => {
    const chair = unit('chair', { id: 'chair', x: 3000, y: 2800, facing: 10 });
    const plan = withUnits(room(), chair);
    const seat = plan.stations.seat!;
    expect(chairOf(plan, seat)?.id).toBe('chair');
    expect(chairOf(withUnits(room(), { ...chair, y: 2500 }), seat)).toBeNull();
    expect(chairOf(plan, { ...seat, standing: true })).toBeNull();
    const moved = applied(plan, moveSeat(plan, seat, { x: 1000, y: 1000, heading: 90 }));
    expect(moved.stations.seat).toMatchObject({ x: 1000, y: 1000, heading: 90 });
    // it stood 200 mm behind a seat that looked north; now it stands 200 mm west of one that looks east
    expect(moved.units.chair).toMatchObject({ x: 800, y: 1000, facing: 100 });
    const without = withUnits(room());
    expect(moveSeat(without, seat, { x: 1000 })).toMatchObject({ type: 'setStation', set: { x: 1000 } });
  });

  test('a tape goes square from what is nearest to the wall, in the middle of what is opposite it', () => {
    const [west] = wallGaps(room(), { ...chest, x: 3000, y: 3000 });
    expect(west!.from.x - west!.to.x).toBeCloseTo(2550, 6);
    expect(west!.to).toEqual({ x: expect.closeTo(0, 6), y: expect.closeTo(3000, 6) });
    // turned, it begins at a corner
    const [turned] = wallGaps(room(), { ...chest, x: 3000, y: 3000, facing: 30 });
    const corners = prismFootprint(unitPrism({ ...chest, x: 3000, y: 3000, facing: 30 }));
    const nearest = corners.reduce((a, b) => (a.x < b.x ? a : b));
    expect(turned!.from.x).toBeCloseTo(nearest.x, 6);
    expect(turned!.from.y).toBeCloseTo(nearest.y, 6);
    // from one point it is the distance of that point, and half outside only what is inside counts
    expect(tapesFrom(room(), [{ x: 1000, y: 2000 }]).map((t) => Math.round(t.gap))).toEqual([1000, 4000, 5000, 2000]);
    const half = wallGaps(room(), { ...chest, x: 0, y: 3000 }).find((t) => Math.abs(t.to.y) < 1)!;
    expect(half.to.x).toBeCloseTo(chest.width / 4, 0);
  });

  test('gaps to the walls are those of the nearest corner', () => {
    const gaps = wallGaps(room(), { ...chest, x: 3000, y: 3000 });
    expect(gaps.map((g) => Math.round(g.gap))).toEqual([2550, 2775, 2550, 2775]);
  });
});

describe('free floor', () => {
  /** Two cupboards leave a gap of some width between them, right across the room. */
  const gapRoom = (gap: number) =>
    withUnits(
      room(),
      unit('cupboard', { id: 'a', x: (3000 - gap / 2) / 2, y: 3000, width: 3000 - gap / 2, depth: 400 }),
      unit('cupboard', { id: 'b', x: 6000 - (3000 - gap / 2) / 2, y: 3000, width: 3000 - gap / 2, depth: 400 }),
    );
  const neck = (gap: number) => {
    const plan = gapRoom(gap);
    const floor = freeFloor(plan)!;
    return neckOnTheWay(widestWays(floor, [insideDoor(plan, 'door')!]), { x: 3000, y: 5000 }, 500);
  };

  test.each([500, 760, 915, 1400])('a gap of %i mm is found and measured', (gap) => {
    const found = neck(gap) as Neck;
    expect(found.width).toBeCloseTo(gap, 3);
    expect(found.between.map((b) => b.id).sort()).toEqual(['a', 'b']);
    // drawn right across the gap
    expect(distance(...found.ends)).toBeCloseTo(gap, 3);
  });

  test('no gap, no way', () => expect(neck(0)).toBeNull());

  test('clearance agrees with a slow search over points of walls and things', () => {
    const plan = gapRoom(900);
    const floor = freeFloor(plan)!;
    const rim: { x: number; y: number }[] = [];
    for (let d = 0; d <= 6000; d += 20) rim.push({ x: 0, y: d }, { x: 6000, y: d }, { x: d, y: 0 }, { x: d, y: 6000 });
    for (let x = 0; x <= 6000; x += 20)
      if (x <= 2550 || x >= 3450) for (let y = 2800; y <= 3200; y += 20) rim.push({ x, y });
    const where = fc.integer({ min: 10, max: 5990 });
    fc.assert(
      fc.property(where, where, (x, y) => {
        const got = clearanceAt(floor, { x, y });
        if (got < 0) return;
        const slow = Math.min(...rim.map((p) => Math.hypot(p.x - x, p.y - y)));
        expect(Math.abs(got - slow)).toBeLessThan(15);
      }),
    );
  });
});

test('what hangs on a door leaf is where the door is, wherever it is let go', () => {
  const door = {
    id: 'door',
    wallId: 'w1',
    kind: 'door',
    left: 1000,
    width: 800,
    sill: 0,
    head: 2000,
    hinge: 'left',
    swing: 'in',
    ...BY_TAPE,
  } as const;
  const plan = applied(tinyRoom(), { type: 'addOpening', opening: door });
  const rack = unit('doorRack', { doorId: 'door', depth: 130 });
  expect(snapUnit(plan, rack, { x: 3000, y: 3000 })).toMatchObject({ x: 1400, y: 6000 - 65, facing: 180 });
});
