import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { exportPlan, importPlan } from '../../paper/formats/index.ts';
import { applied, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { apply, applyChanges, blankFixture, type Command, type Plan, roomOf, wallsInOrder } from './index.ts';
import { LATER_TABLES } from './later.ts';
import { TABLE_NAMES, TABLES } from './tables.ts';

const room = tinyRoom();
const ids = ['p1', 'p2', 'p3', 'p4'];
const lengths = (plan: Plan) => wallsInOrder(plan).map((w) => Math.round(w.length * 10) / 10);
const refused = (plan: Plan, command: Command) => {
  const done = apply(plan, command);
  return done.ok ? null : done.reason;
};
const socket = (left: number): Command => ({
  type: 'addFixture',
  fixture: { ...blankFixture(`s${left}`, 'socket', 'w1'), left },
});

describe('shaping walls', () => {
  test('a chimney breast and an alcove: the room still closes, what hung on the wall keeps its spot', () => {
    for (const depth of [400, -400]) {
      const plan = applied(room, socket(500), socket(2500), socket(5000), {
        type: 'shapeWall',
        id: 'w1',
        ids,
        left: 2000,
        width: 1500,
        depth,
      });
      expect(lengths(plan)).toEqual([6000, 2000, 400, 1500, 400, 2500, 6000, 6000]);
      expect(roomOf(plan)).toMatchObject({ closes: true });
      expect(roomOf(plan).error).toBeLessThan(0.01);
      expect(Object.values(plan.fixtures).map((f) => [f.wallId, f.left])).toEqual([
        ['w1', 500],
        ['p2', 500],
        ['p4', 1500],
      ]);
    }
  });

  test('what makes no sense is refused and changes nothing', () => {
    const shape = { type: 'shapeWall', id: 'w1', ids, left: 2000, width: 1500, depth: 400 } as const;
    expect(refused(room, { ...shape, width: 4000 })).toMatch(/begin and end on the wall/);
    expect(refused(room, { ...shape, left: 0 })).toMatch(/begin and end on the wall/);
    expect(refused(room, { ...shape, depth: 0 })).toMatch(/How deep/);
    expect(refused(room, { ...shape, ids: ['p1', 'p2', 'p3', 'w2'] })).toMatch(/in the plan already/);
    expect(refused(room, { type: 'cutCorner', id: 'w1', newId: 'w2', along: 60, next: 100 })).toMatch(
      /in the plan already/,
    );
    expect(refused(room, { type: 'cutCorner', id: 'w1', newId: 'c', along: 0, next: 100 })).toMatch(/more than zero/);
    expect(refused(room, { type: 'cutCorner', id: 'w1', newId: 'c', along: 6000, next: 100 })).toMatch(
      /longer than one/,
    );
  });

  test('a cut corner closes for any two lengths; at the first wall everything moves along with the room', () => {
    const cut = fc.integer({ min: 50, max: 2900 });
    fc.assert(
      fc.property(cut, cut, fc.constantFrom('w0', 'w1', 'w2', 'w3'), (along, next, id) => {
        const stocked = withUnits(room, unit('lowChest', { x: 3000, y: 3000 }));
        const plan = applied(stocked, { type: 'cutCorner', id, newId: 'c', along, next });
        expect(roomOf(plan).error).toBeLessThan(0.1);
        expect(plan.walls.c!.length).toBeCloseTo(Math.hypot(along, next), 1);
        expect(plan.units.lowChest!.y).toBeCloseTo(id === 'w3' ? 3000 - next : 3000, 3);
      }),
      { numRuns: 60 },
    );
  });

  test('a wall taken out takes along what is on it; undo brings all of it back', () => {
    const plan = applied(
      room,
      socket(500),
      { type: 'addSlope', slope: { id: 's', wallId: 'w1', knee: 1000, run: 1000 } },
      { type: 'addDiagonal', diagonal: { id: 'd', fromWallId: 'w1', toWallId: 'w3', length: 8000 } },
    );
    const done = apply(plan, { type: 'removeWall', id: 'w1' });
    if (!done.ok) throw new Error(done.reason);
    expect([done.plan.fixtures, done.plan.slopes, done.plan.diagonals]).toEqual([{}, {}, {}]);
    const back = done.changes.map((c) => ({ ...c, before: c.after, after: c.before })).reverse();
    expect(applyChanges(done.plan, back)).toEqual(plan);
  });
});

describe('units on units', () => {
  const table = unit('worktable', { id: 'table', x: 1000, y: 1000 });
  const rack = unit('paperSlots', { id: 'rack', x: 1200, y: 1100, bottom: 740, hostId: 'table' });
  const plan = withUnits(room, table, rack);

  test('what stands on a unit goes where that goes, and turns with it', () => {
    const moved = applied(plan, { type: 'setUnit', id: 'table', set: { x: 2000, y: 1500 } });
    expect(moved.units.rack).toMatchObject({ x: 2200, y: 1600 });
    // a quarter to the right: from right-up of the middle to right-down
    const turned = applied(plan, { type: 'setUnit', id: 'table', set: { facing: table.facing + 90 } });
    expect(turned.units.rack!.x).toBeCloseTo(1100, 3);
    expect(turned.units.rack!.y).toBeCloseTo(800, 3);
    const raised = applied(plan, { type: 'setUnit', id: 'table', set: { height: 900 } });
    expect(raised.units.rack!.bottom).toBe(900);
  });

  test('nothing stands on itself, not even in a circle', () => {
    expect(refused(plan, { type: 'setUnit', id: 'table', set: { hostId: 'table' } })).toMatch(/./);
    expect(refused(plan, { type: 'setUnit', id: 'table', set: { hostId: 'rack' } })).toMatch(/./);
  });
});

describe('files of before', () => {
  test('a plan file without the newer tables and fields is read as what it meant then', () => {
    const plan = withUnits(room, unit('wallShelves', { x: 3000, y: 5890 }), unit('lowChest', { x: 3000, y: 300 }));
    const file = JSON.parse(exportPlan(plan)) as Record<string, Record<string, unknown>[]> & { plan?: unknown };
    for (const table of LATER_TABLES) delete file[table];
    for (const table of TABLE_NAMES)
      for (const row of file[table] ?? []) for (const key of Object.keys(TABLES[table].later(row))) delete row[key];
    // tops of units were no places then
    file.places = file.places!.filter((row) => row.kind !== 'top');
    const got = importPlan(JSON.stringify({ ...file, format: 'heronstone-plan/1' }), 'again');
    expect(got.ok || got.reason).toBe(true);
    expect(got.ok && { ...got.plan, id: plan.id }).toEqual(plan);
  });
});
