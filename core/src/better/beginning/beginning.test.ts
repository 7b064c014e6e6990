import { describe, expect, test } from '@jest/globals';
import { UNIT_KINDS } from '../../record/catalogue/index.ts';
import { findHomes } from '../../living/homes/index.ts';
import {
  blankFixture,
  blankOpening,
  blankUnit,
  emptyPlan,
  FIXTURE_KINDS,
  homesOf,
  type Plan,
  roomOf,
} from '../../record/plan/index.ts';
import { fetchFrom, makerOf, PLAIN, sceneOf } from '../../space/reach/index.ts';
import { bestSeatAt, seatsAt, sitAtCommand } from '../../space/room/index.ts';
import { applied, block, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { beginCupboard, beginRoom, CUPBOARDS, nextStepAt, nextSteps } from './index.ts';

const head = { name: 'Tonight', measure: 'metric' } as const;
const ids = { station: 'seat', person: 'me', activity: 'making' };

describe('one cupboard, tonight', () => {
  test.each(CUPBOARDS)(
    '%s: somebody stands before it and gets at its places; homes are found without a wall',
    async (kind) => {
      const plan = beginCupboard(kind, head);
      expect(Object.keys(plan.walls)).toEqual([]);
      const scene = sceneOf(plan);
      const maker = makerOf(plan, plan.stations.seat!)!;
      const got = [...scene.spots.values()].map((spot) => fetchFrom(scene, maker, spot, PLAIN).ok);
      expect(got.filter(Boolean).length / got.length).toBeGreaterThan(0.7);
      const filled = applied(
        plan,
        {
          type: 'addSupplies',
          supplies: ['a', 'b', 'c'].map((id) => block({ id, name: id, width: 80, depth: 60, height: 40 })),
        },
        { type: 'addUse', use: use('a', 9, 'making') },
      );
      const found = (await findHomes(filled, { work: 20_000, now: () => 0, since: '2026-11-30' }))!;
      for (const id of ['a', 'b', 'c']) expect(homesOf(found.plan, id, 'working')).toHaveLength(1);
    },
  );

  test('in inches it has inches’ sizes', () => {
    const { width, height } = beginCupboard('cupboard', { ...head, measure: 'imperial' }).units.unit!;
    for (const mm of [width, height])
      expect(Math.abs((mm / 25.4) * 2 - Math.round((mm / 25.4) * 2))).toBeLessThan(1e-6);
  });
});

describe('in inches', () => {
  test('a door is 30 by 80, a ceiling 96, a worktop 29 (common practice); fixtures and units are whole inches', () => {
    const inches = (mm: number) => Number((mm / 25.4).toFixed(3));
    const plan = emptyPlan('p', { measure: 'imperial' });
    expect(inches(plan.head.ceiling)).toBe(96);
    expect(emptyPlan('p', { measure: 'imperial', ceiling: 2300 }).head.ceiling).toBe(2300);
    const door = blankOpening('d', 'door', { id: 'w', length: 4000 }, 'imperial');
    expect([inches(door.width), inches(door.head)]).toEqual([30, 80]);
    expect(inches(blankUnit('t', 'worktable', 'imperial').height)).toBe(29);
    for (const kind of FIXTURE_KINDS) {
      const { width, height, bottom } = blankFixture('f', kind, null, 0, 'imperial');
      for (const mm of [width, height, bottom]) expect([kind, inches(mm)]).toEqual([kind, Math.round(inches(mm))]);
    }
    // no wider than its wall
    expect(blankOpening('d', 'window', { id: 'w', length: 500 }, 'metric')).toMatchObject({ width: 500, left: 0 });
  });
});

describe('my room', () => {
  test('four walls in four numbers: the room closes, or says by how much not', () => {
    expect(roomOf(beginRoom([4000, 3000, 4000, 3000], head))).toMatchObject({ closes: true });
    expect(roomOf(beginRoom([4000, 3000, 4000, 3000], head)).error).toBeLessThan(1e-6);
    expect(roomOf(beginRoom([4000, 3000, 4020, 3000], head)).error).toBeGreaterThan(5);
  });
});

describe('sitting down', () => {
  const room = withUnits(tinyRoom(), unit('worktable', { id: 'table', x: 3000, y: 5650, facing: 180 }));
  test('a table at the wall is sat at from its front and its ends, not from within the wall', () => {
    const free = seatsAt(room, room.units.table!)
      .filter((s) => s.free)
      .map((s) => s.side);
    expect(free).toEqual(['front', 'left', 'right']);
    const beside = withUnits(room, unit('lowChest', { id: 'chest', x: 1900, y: 5700 }));
    const sides = seatsAt(beside, beside.units.table!)
      .filter((s) => s.free)
      .map((s) => s.side);
    expect(sides).toHaveLength(2);
    expect(sides).toContain('front');
  });
  test('whoever sits looks at the table, half a metre and less from its edge', () => {
    for (const s of seatsAt(room, room.units.table!)) {
      const rad = (s.heading * Math.PI) / 180;
      const ahead = { x: s.x + Math.sin(rad) * 400, y: s.y + Math.cos(rad) * 400 };
      const { x, y, width, depth } = room.units.table!;
      expect([s.side, Math.abs(ahead.x - x) <= width / 2 && Math.abs(ahead.y - y) <= depth / 2]).toEqual([
        s.side,
        true,
      ]);
    }
  });
  test('in one act with somebody and something to do where there is none, and one undo for all of it', () => {
    const empty = withUnits(
      { ...tinyRoom(), stations: {}, activities: {}, people: {} } as Plan,
      unit('worktable', { id: 'table', x: 3000, y: 4000 }),
    );
    const table = empty.units.table!;
    const sat = applied(empty, sitAtCommand(empty, table, bestSeatAt(empty, table), ids));
    expect(sat.stations.seat).toMatchObject({ unitId: 'table', personId: 'me', activityId: 'making', standing: false });
    // the next one is for who is there already
    const again = applied(
      sat,
      sitAtCommand(sat, table, bestSeatAt(sat, table), { station: 'two', person: 'x', activity: 'y' }),
    );
    expect(again.stations.two).toMatchObject({ personId: 'me', activityId: 'making' });
    expect(Object.keys(again.people)).toEqual(['me']);
    // a high top and a cupboard are stood at
    const high = withUnits(
      empty,
      unit('standingTable', { id: 'high', x: 1500, y: 1500 }),
      unit('cupboard', { id: 'cup', x: 5000, y: 1000 }),
    );
    for (const id of ['high', 'cup'])
      expect(
        applied(high, sitAtCommand(high, high.units[id]!, bestSeatAt(high, high.units[id]!), ids)).stations.seat!
          .standing,
      ).toBe(true);
  });
});

describe('the next thing', () => {
  const ids = (plan: Plan) => nextSteps(plan).map((s) => s.id);
  test('goes from an empty page to homes, each step there until it is done', async () => {
    let plan: Plan = emptyPlan('p', head);
    expect(ids(plan)).toEqual(['walls', 'unit', 'things']);
    plan = applied(plan, { type: 'addWall', wall: { id: 'w', length: 4000, turn: 90, name: '' } });
    expect(nextStepAt(plan, 'room')!.id).toBe('close');
    plan = beginRoom([6000, 6000, 6000, 6000], head);
    expect(nextStepAt(plan, 'room')).toMatchObject({
      id: 'unit',
      stone: 'furniture',
      milestone: 'The walls close: now it can be furnished.',
    });
    plan = applied(plan, { type: 'placeUnit', unit: { ...blankUnit('desk', 'desk'), x: 3000, y: 3000 } });
    expect(nextStepAt(plan, 'furniture')).toMatchObject({ id: 'seat', unitId: 'desk' });
    const desk = plan.units.desk!;
    plan = applied(
      plan,
      sitAtCommand(plan, desk, bestSeatAt(plan, desk), { station: 's', person: 'p', activity: 'a' }),
    );
    expect(ids(plan)).toEqual(['things']);
    plan = applied(plan, {
      type: 'addSupplies',
      supplies: [
        block({ id: 'x', name: 'X', width: 80, depth: 60, height: 20 }),
        block({ id: 'y', name: 'Y', width: null }),
      ],
    });
    // of one piece of furniture everything is at hand: what is reached for how often can wait
    expect(ids(plan)).toEqual(['sizes', 'find']);
    const two = withUnits(plan, unit('lowChest', { id: 'chest', x: 225, y: 1000, facing: 90 }));
    expect(ids(two)).toEqual(['sizes', 'uses', 'find']);
    expect(nextStepAt(plan, 'supplies')!.words).toBe('one thing of 2 without a size: say about how large.');
    expect(nextStepAt(plan, 'homes')).toMatchObject({
      words: 'Find homes for one thing.',
      milestone: 'Now near and far are known.',
    });
    plan = applied(plan, {
      type: 'assignHome',
      supplyId: 'x',
      share: 'working',
      placeId: 'desk.0.0',
      since: '2026-11-30',
    });
    expect(ids(plan)).toEqual(['map', 'uses']);
    plan = applied(plan, { type: 'addUse', use: use('x', 3, 'a') });
    expect(ids(plan)).toEqual(['map']);
    // one is still without a home, and that is what is said
    expect(nextStepAt(plan, 'homes')!.milestone).toBe('All but one thing has its place.');
    plan = applied(plan, { type: 'setPlace', id: 'desk.0.0', set: { label: 'trial' } });
    expect(ids(plan)).toEqual([]);
  });

  test('is said of any kind of unit there is, and never of what is not there', () => {
    for (const kind of UNIT_KINDS) {
      const plan = applied(emptyPlan('p', head), { type: 'placeUnit', unit: blankUnit('it', kind) });
      const step = nextStepAt(plan, 'furniture');
      expect([kind, step?.id]).toEqual([kind, plan.units.it!.mount === 'away' ? 'things' : 'seat']);
    }
  });
});
