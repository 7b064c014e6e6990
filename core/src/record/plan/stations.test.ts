import { describe, expect, test } from '@jest/globals';
import { applied, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { apply, blankActivity, broughtUpToDate, type Command, keepFromAt, type Plan, statureAt } from './index.ts';

const base = applied(
  withUnits(
    tinyRoom(),
    unit('cupboard', { id: 'cupboard', x: 1000, y: 5000, facing: 180 }),
    unit('carryBox', { id: 'box', x: 3000, y: 1000, bottom: 0 }),
    unit('machine', { id: 'press', x: 2000, y: 2000 }),
  ),
  { type: 'addActivity', activity: blankActivity('more', 'More') },
);
/** Applied, then taken back: the plan as it was. */
function thereAndBack(plan: Plan, command: Command): Plan {
  const done = apply(plan, command);
  if (!done.ok) throw new Error(done.reason);
  const back = apply(done.plan, done.inverse);
  expect(back.ok && back.plan).toEqual(plan);
  return done.plan;
}
const reason = (plan: Plan, command: Command) => {
  const done = apply(plan, command);
  return done.ok ? null : done.reason;
};

describe('flows, machines, kits and carts as commands', () => {
  test('work is handed on to another activity, not to the same; an activity that goes takes its flows and machines', () => {
    const flow: Command = { type: 'addFlow', flow: { id: 'f', fromId: 'work', toId: 'more', times: 2 } };
    const machine: Command = { type: 'addMachineUse', machineUse: { id: 'm', activityId: 'more', unitId: 'press' } };
    const plan = thereAndBack(thereAndBack(base, flow), machine);
    expect(reason(base, { type: 'addFlow', flow: { id: 'g', fromId: 'work', toId: 'work', times: 1 } })).toMatch(
      /another activity/,
    );
    expect(reason(plan, { type: 'setFlow', id: 'f', set: { toId: 'work' } })).toMatch(/another activity/);
    expect(reason(plan, { type: 'setFlow', id: 'f', set: { times: -1 } })).toMatch(/cannot be negative/);
    expect(reason(base, { type: 'addFlow', flow: { id: 'h', fromId: 'work', toId: 'gone', times: 1 } })).toMatch(
      /not in the plan/,
    );
    const without = thereAndBack(plan, { type: 'removeActivity', id: 'more' });
    expect([without.flows, without.machineUses]).toEqual([{}, {}]);
    expect(thereAndBack(plan, { type: 'removeUnit', id: 'press' }).machineUses).toEqual({});
  });

  test('a box put away stands in its place and moves with the cupboard; not in itself; taken out when the place goes', () => {
    const away = thereAndBack(base, { type: 'setUnit', id: 'box', set: { keptInId: 'cupboard.2.0' } });
    expect(away.units.box!.hostId).toBe('cupboard');
    expect(Math.hypot(away.units.box!.x - 1000, away.units.box!.y - 5000)).toBeLessThan(30);
    const moved = thereAndBack(away, { type: 'setUnit', id: 'cupboard', set: { x: 2000 } });
    expect(moved.units.box!.x).toBeCloseTo(away.units.box!.x + 1000, 3);
    expect(reason(base, { type: 'setUnit', id: 'box', set: { keptInId: 'box.0.0' } })).toMatch(/in itself/);
    expect(reason(base, { type: 'setUnit', id: 'box', set: { keptInId: 'nowhere' } })).toMatch(/not in the plan/);
    const fewer = thereAndBack(away, { type: 'setUnit', id: 'cupboard', set: { rows: 2 } });
    expect(fewer.units.box).toMatchObject({ keptInId: null, hostId: null });
  });

  test('a cart that is taken out leaves its station a fixed one without it; a parking spot likewise', () => {
    const parked = applied(
      base,
      { type: 'addParking', parking: { id: 'p', unitId: 'press', name: 'here', x: 1, y: 1, facing: 0 } },
      { type: 'setStation', id: 'seat', set: { housing: 'cart', travellerId: 'press', parkingId: 'p' } },
    );
    expect(thereAndBack(parked, { type: 'removeParking', id: 'p' }).stations.seat!.parkingId).toBeNull();
    expect(thereAndBack(parked, { type: 'removeUnit', id: 'press' }).stations.seat).toMatchObject({
      travellerId: null,
      parkingId: null,
    });
    expect(reason(base, { type: 'setStation', id: 'seat', set: { lastUsed: 'yesterday' } })).toMatch(/not a date/);
    expect(reason(base, { type: 'setPerson', id: 'maker', set: { age: 40 } })).toMatch(/grown up/);
  });

  test('children: kept from small parts under three (16 CFR 1501, memory), from what harms under fourteen', () => {
    expect(keepFromAt(2)).toContain('small');
    expect(keepFromAt(3)).not.toContain('small');
    expect(keepFromAt(13)).toContain('blade');
    expect(keepFromAt(14)).toEqual(['toxic']);
    expect(keepFromAt(null)).toContain('blade');
    // WHO medians, from memory: 8 years about 127 cm, 12 years about 150 cm
    expect(Math.abs(statureAt(8) - 1270)).toBeLessThan(20);
    expect(Math.abs(statureAt(12) - 1500)).toBeLessThan(20);
    for (let age = 2; age < 17; age++) expect(statureAt(age + 1)).toBeGreaterThanOrEqual(statureAt(age));
  });

  test('rows from before all this are filled in: children were kept from everything harmful', () => {
    expect(broughtUpToDate('people', { id: 'a', child: true })).toMatchObject({
      age: null,
      keepFrom: expect.arrayContaining(['small', 'blade']),
    });
    expect(broughtUpToDate('people', { id: 'a', child: false })).toMatchObject({ keepFrom: [] });
    expect(broughtUpToDate('stations', { id: 's' })).toMatchObject({
      housing: 'station',
      together: '',
      lastUsed: null,
    });
    expect(broughtUpToDate('activities', { id: 'a' })).toMatchObject({ posture: 'either', work: 'light', lux: 500 });
    expect(broughtUpToDate('stations', { id: 's', together: 'x' })).toMatchObject({ together: 'x' });
  });
});
