import { expect, test } from '@jest/globals';
import { applied, block, home, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { comeAndGone } from './index.ts';

test('what came to a place, what left it and what stayed; a place that nobody lived or lives in is not among them', () => {
  const before = applied(
    withUnits(tinyRoom(), unit('lowChest', { id: 'chest', x: 3900, y: 3300, facing: 270, rows: 3, height: 600 })),
    { type: 'addSupplies', supplies: ['b', 'a', 'c'].map((id) => block({ id, name: id.toUpperCase(), backstock: 1 })) },
    home('a', 'chest.0.0'),
    home('b', 'chest.0.0'),
    home('c', 'chest.1.0'),
  );
  const after = applied(before, home('b', 'chest.1.0'), home('c', 'chest.0.0'), {
    ...home('c', 'chest.1.0'),
    share: 'backstock',
  } as never);
  const names = [...comeAndGone(before, after)].map(([place, { came, went, stayed }]) => [
    place,
    ...[came, went, stayed].map((list) => list.map((s) => s.name).join()),
  ]);
  expect(names).toEqual([
    ['chest.0.0', 'C', 'B', 'A'],
    // its reserve lives there still: to the eye it has stayed
    ['chest.1.0', 'B', '', 'C'],
  ]);
  expect(comeAndGone(before, before).get('chest.0.0')).toMatchObject({ came: [], went: [] });
});
