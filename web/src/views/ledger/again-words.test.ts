import { describe, expect, test } from '@jest/globals';
import { type Command, type Plan } from '@heronstone/core/plan';
import { applied, block, home, tinyRoom, unit, use, withUnits } from '@heronstone/core/testing';
import { againWords } from './again-words.ts';

type Thing = { id: string; family: string; place: string; a?: number };
/** A chest far from the seat; every session wants so much of each thing; so many sessions a month. */
function room(things: readonly Thing[], sessionsPerMonth: number): Plan {
  return applied(
    withUnits(tinyRoom(), unit('lowChest', { id: 'chest', x: 5200, y: 900, facing: 270 })),
    { type: 'setActivity', id: 'work', set: { sessionsPerMonth } },
    ...things.map(({ id, family }): Command => ({
      type: 'addSupplies',
      supplies: [block({ id, name: id, family, width: 40, depth: 40, height: 30 })],
    })),
    ...things.map(({ id, a = 1 }): Command => ({ type: 'addUse', use: use(id, a) })),
    ...things.map(({ id, place }) => home(id, place)),
  );
}
const words = (plan: Plan, id: string) =>
  againWords(plan, Object.values(plan.homes).find((h) => h.supplyId === id)!.id);

describe('whether a home is found again, in words', () => {
  test('what is wanted often is known; what is seldom wanted is found by its name, or not', () => {
    const apart: Thing[] = [
      { id: 'red-card', family: 'Card', place: 'chest.0.0' },
      { id: 'blue-card', family: 'Card', place: 'chest.0.0' },
      { id: 'Zips', family: 'Sewing', place: 'chest.1.0' },
    ];
    expect(words(room(apart, 12), 'Zips')).toMatch(/^Wanted 144 times a year: you know it by heart\.$/);
    const seldom = words(room(apart, 0.1), 'red-card')!;
    expect(seldom).toMatch(/you will not remember where it is/);
    expect(seldom).toMatch(/Its name leads you there at the first look/);
    // a card among sewing things is looked for with the cards
    const strayed = [...apart, { id: 'gold-card', family: 'Card', place: 'chest.1.0' }];
    const lost = words(
      room(
        [
          ...strayed,
          { id: 'Pins', family: 'Sewing', place: 'chest.1.0' },
          { id: 'Hooks', family: 'Sewing', place: 'chest.1.0' },
        ],
        0.1,
      ),
      'gold-card',
    )!;
    expect(lost).toMatch(/You would look in|Several places go by its name/);
  });

  test('nobody fetches it: nothing is said; in view: nothing is to be remembered', () => {
    const plan = room([{ id: 'Zips', family: 'Sewing', place: 'chest.1.0' }], 0.1);
    expect(againWords(plan, 'no such home')).toBeNull();
    const shelf = applied(
      withUnits(tinyRoom(), unit('worktable', { id: 'table', x: 3000, y: 3600 })),
      { type: 'addSupplies', supplies: [block({ id: 'Pen', name: 'Pen', width: 20, depth: 20, height: 20 })] },
      { type: 'addUse', use: use('Pen', 1) },
      home('Pen', 'table.1000.0'),
    );
    expect(words(shelf, 'Pen')).toMatch(/In view of where it is used/);
  });
});
