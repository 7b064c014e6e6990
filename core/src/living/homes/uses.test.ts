import { describe, expect, test } from '@jest/globals';
import { emptyPlan, type Plan } from '../../record/plan/index.ts';
import { applied, block, tinyRoom, use } from '../../testing/index.ts';
import { consumedPerFetch } from '../sessions/index.ts';
import { yearlyUses } from './index.ts';

const supply = block({ working: 20, backstock: 5 });
const base = applied(tinyRoom(), { type: 'addSupplies', supplies: [supply] });
const total = (plan: Plan, share: 'working' | 'backstock') =>
  yearlyUses(plan, supply, share).reduce((s, u) => s + u.fetches, 0);

describe('who fetches what how often', () => {
  test('fetches a session × sessions a month × months, shared evenly among the seats of an activity', () => {
    const one = applied(base, { type: 'addUse', use: use('block', 3) });
    expect(total(one, 'working')).toBe(3 * 8 * 12);
    const summer = applied(one, { type: 'setActivity', id: 'work', set: { months: [6, 7] } });
    expect(total(summer, 'working')).toBe(3 * 8 * 2);
    const two = applied(one, { type: 'addStation', station: { ...one.stations.seat!, id: 'second', name: 'Second' } });
    expect(yearlyUses(two, supply, 'working').map((u) => u.fetches)).toEqual([144, 144]);
  });

  test('what no activity names is still handled a little; without a seat nothing is near or far', () => {
    expect(total(base, 'working')).toBeGreaterThan(0);
    expect(yearlyUses(applied(base, { type: 'removeStation', id: 'seat' }), supply, 'working')).toEqual([]);
    expect(yearlyUses(emptyPlan('x'), supply, 'working')).toEqual([]);
  });

  test('what is retired is fetched no more than what nobody uses', () => {
    const used = applied(base, { type: 'addUse', use: use('block', 3) });
    const retired = applied(used, { type: 'setSupply', id: 'block', set: { life: 'retired' } });
    const fetches = yearlyUses(retired, retired.supplies.block!, 'working').reduce((s, u) => s + u.fetches, 0);
    expect(fetches).toBe(total(base, 'working'));
    expect(fetches).toBeLessThan(total(used, 'working'));
  });

  test('a reserve is opened as often as what is at hand runs out, at least once and at most weekly', () => {
    const using = (usedUp: number) => applied(base, { type: 'addUse', use: { ...use('block', 3), usedUp } });
    expect(total(using(2), 'backstock')).toBeCloseTo((2 * 96) / 20, 6);
    expect(total(using(0.1), 'backstock')).toBe(1);
    expect(total(using(90), 'backstock')).toBe(52);
    expect(yearlyUses(using(2), supply, 'backstock').every((u) => u.consumed)).toBe(true);
  });

  test('used up with every fetch: nothing to put back; now and then: put back', () => {
    expect(consumedPerFetch({ fetches: 3, usedUp: 3 })).toBe(true);
    expect(consumedPerFetch({ fetches: 3, usedUp: 1 })).toBe(false);
    expect(consumedPerFetch({ fetches: 0, usedUp: 0 })).toBe(false);
  });
});
