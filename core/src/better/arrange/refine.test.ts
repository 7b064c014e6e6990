import { describe, expect, test } from '@jest/globals';
import { assessHomes, Rehoming, tallyOf } from '../../living/homes/index.ts';
import { type Command, type Plan } from '../../record/plan/index.ts';
import { wallFrames } from '../../space/room/index.ts';
import { Random } from '../../living/slotting/index.ts';
import { applied, block, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { sunGrid } from './cost.ts';
import { energyOf, refine } from './refine.ts';
import { slideGuest, slideSeat } from './slides.ts';
import { movedBetween, standAs } from './stand-as.ts';
import { withHomes } from './worth.ts';

const ids = ['a', 'b', 'c'];
/** A table with a pedestal under it, a seat, a chest with three things; the chest far off. */
const room = applied(
  withUnits(
    tinyRoom({ x: 1500, y: 1500 }),
    unit('worktable', { id: 'table', x: 1500, y: 2100, facing: 180 }),
    unit('lowChest', { id: 'chest', x: 5500, y: 5000, facing: 270 }),
    unit('pedestal', { id: 'drawers', x: 1000, y: 2050, facing: 180, mount: 'under', hostId: 'table' }),
  ),
  { type: 'setStation', id: 'seat', set: { unitId: 'table' } },
  { type: 'addSupplies', supplies: ids.map((id) => block({ id, name: id, family: '' })) },
  ...ids.map((id, i): Command => ({ type: 'addUse', use: use(id, 3 + 3 * i) })),
  ...ids.map((id, i): Command => ({
    type: 'assignHome',
    ...{ supplyId: id, share: 'working', placeId: `chest.${i}.0`, since: '2026-11-24' },
  })),
);
const movedChest = (x: number, y: number): Plan => applied(room, { type: 'setUnit', id: 'chest', set: { x, y } });
const moved = { units: new Set(['chest']), stations: new Set<string>(), between: () => false };
const grid = (plan: Plan) =>
  sunGrid(
    plan,
    wallFrames(plan).map((f) => f.a),
  );

describe('homes that follow the furniture', () => {
  test.each([
    [5500, 3000],
    [3600, 800],
    [2900, 2400],
  ])('a chest at %i, %i costs as much more as all homes worked out anew say', (x, y) => {
    const then = movedChest(x, y);
    const rehoming = new Rehoming(room);
    const more = rehoming.ask(then, moved) - rehoming.total;
    expect(more).toBeCloseTo(assessHomes(then).seconds - assessHomes(room).seconds, 3);
    // asking changes nothing
    expect(rehoming.ask(room, moved)).toBeCloseTo(rehoming.total, 6);
  });

  test('what is kept is what was asked; once homes are found anew they cost no more and all have one', async () => {
    const rehoming = new Rehoming(room);
    const then = movedChest(2900, 2400);
    const asked = rehoming.ask(then, moved);
    expect(await rehoming.keep(then, moved, 1)).toBe(asked);
    await rehoming.settle(then, 1);
    expect(rehoming.total).toBeLessThanOrEqual(asked + 1e-6);
    const homed = rehoming.homed(then, '2026-11-26');
    expect(tallyOf(homed).without).toEqual([]);
    expect(homed.units).toEqual(then.units);
    // what is fetched most has the best drawer: the top one of a low chest, common practice
    const best = Math.min(...ids.map((id) => assessHomes(homed).states.find((s) => s.supply.id === id)!.cost!.each));
    expect(assessHomes(homed).states.find((s) => s.supply.id === 'c')!.cost!.each).toBe(best);
  });
});

describe('sliding along a worktop', () => {
  const seat = (plan: Plan) => plan.stations.seat!;
  test('a seat keeps its distance from the edge and its heading, and stays at the worktop', () => {
    const commands = slideSeat(room, seat(room), 200)!;
    const then = seat(applied(room, ...commands));
    expect(Math.hypot(then.x - 1500, then.y - 1500)).toBeCloseTo(200, 6);
    expect(then.y).toBe(1500);
    expect(then.heading).toBe(seat(room).heading);
    expect(slideSeat(room, seat(room), 5000)).toBeNull();
  });

  test('not before a pedestal, where there would be no room for the knees', () => {
    const over = room.units.drawers!.x - 1500;
    const by = seat(room).heading === 0 ? over : -over;
    expect(slideSeat(room, seat(room), by)).toBeNull();
    expect(slideGuest(room, room.units.drawers!, 500)).toBeNull();
    expect(slideGuest(room, room.units.drawers!, -500)).toBeNull();
  });

  test('not onto the seat of somebody else', () => {
    const two = applied(
      room,
      { type: 'addPerson', person: { ...Object.values(room.people)[0]!, id: 'other', name: 'Other' } } as Command,
      {
        type: 'addStation',
        station: { ...seat(room), id: 'second', name: 'Second', personId: 'other', x: seat(room).x + 520 },
      } as Command,
    );
    const right = seat(two).heading === 0 ? 1 : -1;
    expect(slideSeat(two, seat(two), 100 * right)).toBeNull();
    expect(slideSeat(two, seat(two), -50 * right)).not.toBeNull();
  });
});

describe('a room as another state of it stands', () => {
  test('the commands make it stand so, with all on it; what went along is not called moved', () => {
    const then = applied(
      room,
      { type: 'setUnit', id: 'table', set: { x: 2500, y: 2600, facing: 90 } },
      { type: 'setUnit', id: 'chest', set: { x: 5500, y: 4000 } },
      { type: 'setStation', id: 'seat', set: { x: 3100, y: 2500, heading: 270 } },
    );
    const made = applied(room, ...standAs(room, then));
    for (const id of ['table', 'chest', 'drawers']) {
      expect(made.units[id]!.x).toBeCloseTo(then.units[id]!.x, 1);
      expect(made.units[id]!.y).toBeCloseTo(then.units[id]!.y, 1);
    }
    expect(made.stations.seat).toMatchObject({ x: 3100, y: 2500, heading: 270 });
    const what = movedBetween(room, then);
    expect(what.map((m) => m.unitId ?? m.stationId).sort()).toEqual(['chest', 'seat', 'table']);
    expect(what.find((m) => m.unitId === 'chest')!.by).toBeCloseTo(1000, 6);
    expect(what.find((m) => m.unitId === 'table')!.turned).toBe(true);
    expect(standAs(room, room)).toEqual([]);
    expect(movedBetween(room, room)).toEqual([]);
  });
});

describe('refining', () => {
  test('it never gives more than it began with, brings no finding, and leaves what is pinned', async () => {
    const sun = grid(room);
    const pinned = applied(room, { type: 'setUnit', id: 'table', set: { pinned: true } });
    const now = await withHomes(pinned, sun, [{ work: 20_000, polish: true }]);
    const known = new Set(now.standing.findings.map((f) => f.key));
    for (const seed of [1, 2]) {
      const best = await refine(now, now, sun, new Random(seed), { steps: 60, tidy: true });
      expect(energyOf(best, now)).toBeLessThanOrEqual(energyOf(now, now));
      expect(best.total).toBeLessThan(now.total);
      expect(best.standing.findings.filter((f) => !known.has(f.key))).toEqual([]);
      const { x, y, facing } = best.plan.units.table!;
      expect({ x, y, facing }).toEqual({ x: 1500, y: 2100, facing: 180 });
    }
  });
});
