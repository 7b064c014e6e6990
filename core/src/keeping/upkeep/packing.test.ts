import { describe, expect, test } from '@jest/globals';
import { type Command, type Out, type Plan } from '../../record/plan/index.ts';
import { applied, block, home, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { packedWords, packingList } from './index.ts';

const out = (id: string, supplyId: string, over: Partial<Out> = {}): Command => ({
  type: 'addOut',
  out: {
    ...{
      id,
      supplyId,
      projectId: 'fair',
      count: 1,
      state: 'wanted',
      double: false,
      placeId: null,
      since: '2026-11-29',
    },
    ...over,
  },
});
const trip = (id: string, state: 'planned' | 'going' | 'done' = 'planned'): Command => ({
  type: 'addProject',
  project: {
    id,
    name: id,
    kind: 'trip',
    state,
    activityId: null,
    since: '2026-11-29',
    forDay: null,
    trayId: null,
    note: '',
  },
});
const plan: Plan = applied(
  withUnits(tinyRoom(), unit('lowChest', { id: 'chest', x: 3900, y: 3600 })),
  {
    type: 'addSupplies',
    supplies: [
      block({ id: 'card', name: 'Card', working: 40, kit: 'Starter set' }),
      block({ id: 'glue', name: 'Glue', working: 2, backstock: 1 }),
      block({ id: 'knife', name: 'Knife', working: 3, kit: 'Starter set' }),
      block({ id: 'none', name: 'Used up', working: 0 }),
      block({ id: 'other', name: 'Other', working: 9 }),
    ],
  },
  { type: 'addUse', use: { ...use('card', 4), usedUp: 4 } },
  { type: 'addUse', use: { ...use('glue', 2), usedUp: 0.5 } },
  { type: 'addUse', use: use('knife', 3) },
  { type: 'addUse', use: { ...use('none', 3), usedUp: 3 } },
  home('card', 'chest.0.0'),
  home('other', 'chest.0.0'),
  home('knife', 'chest.1.0'),
);
const list = (...[from, people]: [Parameters<typeof packingList>[1], number?]) =>
  packingList(plan, from, people).map((p) => [p.supplyId, p.count]);

describe('what goes along', () => {
  test('to an activity: what is used up for each, tools one for each, never more than there are, nothing that is gone', () => {
    expect(list({ what: 'activity', id: 'work' })).toEqual([
      ['card', 4],
      ['glue', 1],
      ['knife', 1],
    ]);
    expect(list({ what: 'activity', id: 'work' }, 6)).toEqual([
      ['card', 24],
      ['glue', 3],
      ['knife', 3],
    ]);
    expect(list({ what: 'activity', id: 'nobody' }, 6)).toEqual([]);
  });

  test('a set as it was bought, what lives in a box', () => {
    expect(list({ what: 'kit', id: 'Starter set' })).toEqual([
      ['card', 40],
      ['knife', 3],
    ]);
    expect(list({ what: 'box', id: 'chest.0.0' })).toEqual([
      ['card', 40],
      ['other', 9],
    ]);
    expect(list({ what: 'box', id: 'nowhere' })).toEqual([]);
  });

  test('what went along another time, as it was, doubles too', () => {
    const then = applied(
      plan,
      trip('fair', 'done'),
      out('o1', 'card', { count: 12, state: 'back' }),
      out('o2', 'knife', { double: true }),
    );
    expect(packingList(then, { what: 'trip', id: 'fair' })).toEqual([
      { supplyId: 'card', count: 12, double: false },
      { supplyId: 'knife', count: 1, double: true },
    ]);
  });

  test('a trip that is out says what is not packed', () => {
    const going = applied(plan, trip('fair', 'going'));
    expect(packedWords(going, 'fair')).toBe('nothing is packed');
    const two = applied(going, out('o1', 'card'), out('o2', 'knife'), out('o3', 'glue', { state: 'out' }));
    expect(packedWords(two, 'fair')).toBe('2 things are not packed');
    expect(packedWords(applied(two, { type: 'setOut', id: 'o1', set: { state: 'out' } }), 'fair')).toBe(
      'one thing is not packed',
    );
    const all = applied(two, ...['o1', 'o2'].map((id): Command => ({ type: 'setOut', id, set: { state: 'out' } })));
    expect([packedWords(all, 'fair'), packedWords(applied(plan, trip('fair')), 'fair')]).toEqual(['', '']);
  });
});
