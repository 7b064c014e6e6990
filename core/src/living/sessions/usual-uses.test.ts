import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { applied, block, tinyRoom } from '../../testing/index.ts';
import { type Command, type Plan } from '../../record/plan/index.ts';
import { familyUses, fetchesOfEach, fetchesOfSession, ofFamily, familyCommands } from './index.ts';

const several = (plan: Plan, commands: Command[]) =>
  applied(plan, { type: 'several', words: 'uses', commands } as Command);
const room = () => {
  const bare = tinyRoom();
  const things = Array.from({ length: 9 }, (_, i) => block({ id: `card-${i}`, name: `Card ${i}`, family: 'Card' }));
  return applied(bare, { type: 'addSupplies', supplies: [...things, block({ id: 'odd', name: 'Odd', family: '' })] });
};
const activity = Object.keys(tinyRoom().activities)[0]!;
const family = (plan: Plan, name: string) => familyUses(plan, activity).find((f) => f.family === name)!;

describe('uses by family', () => {
  test('of a family so many a session are fetched, any as likely as another', () => {
    expect([1, 2, 4, 9, 40].map(ofFamily)).toEqual([1, 1, 2, 3, 6]);
    expect(fetchesOfEach(1, 9)).toBeCloseTo(3 / 9, 2);
    expect(fetchesOfEach(4, 2, 2)).toBe(4);
    // no more than there are, and never nothing
    expect(fetchesOfEach(1, 3, 50)).toBe(1);
    expect(fetchesOfEach(0.1, 500, 1)).toBe(0.001);
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 1, max: 60 }), (things, wanted) => {
        const all = things * fetchesOfEach(1, things, wanted);
        expect(Math.abs(all - Math.min(things, wanted))).toBeLessThanOrEqual(0.05);
      }),
    );
  });

  test('used at once, so many of it; what that comes to is what is said of it; off again', () => {
    let plan = room();
    expect(familyUses(plan, activity).at(-1)!.family).toBe('');
    expect(family(plan, 'Card')).toMatchObject({ used: 0, wanted: 0 });
    plan = several(plan, familyCommands(activity, family(plan, 'Card'), 3));
    expect(family(plan, 'Card')).toMatchObject({ used: 9, wanted: 3 });
    plan = several(plan, familyCommands(activity, family(plan, 'Card'), 6));
    expect(family(plan, 'Card').wanted).toBe(6);
    // one of them is not: the others stay so many together where it is said again, and it stays out
    const [first] = family(plan, 'Card').things;
    plan = applied(plan, { type: 'removeUse', id: first!.use!.id });
    plan = several(plan, familyCommands(activity, family(plan, 'Card'), 4));
    expect(family(plan, 'Card')).toMatchObject({ used: 8, wanted: 4 });
    expect(family(plan, 'Card').things[0]!.use).toBeNull();
    plan = several(plan, familyCommands(activity, family(plan, 'Card'), 0));
    expect(family(plan, 'Card').used).toBe(0);
  });

  test('a session that gets out something every other minute is asked about; reaching often for what lies there is not', () => {
    let plan = room();
    plan = applied(plan, { type: 'setActivity', id: activity, set: { minutes: 90 } });
    const before = fetchesOfSession(plan, activity);
    plan = several(plan, familyCommands(activity, family(plan, 'Card'), 9));
    expect(fetchesOfSession(plan, activity)).toEqual({
      things: before.things + 9,
      fetches: before.fetches + 9,
      minutes: 90,
      many: false,
    });
    plan = several(
      plan,
      Object.values(plan.uses).map((u): Command => ({ type: 'setUse', id: u.id, set: { fetches: 9 } })),
    );
    expect(fetchesOfSession(plan, activity).many).toBe(false);
    plan = applied(plan, { type: 'setActivity', id: activity, set: { minutes: 10 } });
    expect(fetchesOfSession(plan, activity).many).toBe(true);
  });
});
