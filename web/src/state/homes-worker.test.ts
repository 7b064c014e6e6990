import { describe, expect, test } from '@jest/globals';
import { applied, block, tinyRoom, unit, withUnits } from '@heronstone/core/testing';
import { toldAnew } from './homes-worker.ts';

const plan = applied(withUnits(tinyRoom(), unit('lowChest', { x: 3900, y: 3600 })), {
  type: 'addSupplies',
  supplies: [block({ id: 'reel' })],
});

describe('what the worker that holds the plan is told', () => {
  test('the whole of a plan it has not seen, then only the tables that changed; put together they are the plan', () => {
    expect(toldAnew(plan, null)).toEqual(plan);
    const next = applied(plan, {
      type: 'assignHome',
      supplyId: 'reel',
      share: 'working',
      placeId: 'lowChest.0.0',
      since: '2026-11-25',
    });
    const told = toldAnew(next, plan);
    expect(Object.keys(told)).toEqual(['homes']);
    expect({ ...plan, ...told }).toEqual(next);
    expect(toldAnew(next, next)).toEqual({});
  });

  test('of another plan it is told everything, whatever the two share', () => {
    const other = { ...plan, id: 'other' };
    expect(toldAnew(other, plan)).toBe(other);
  });
});
