import { describe, expect, test } from '@jest/globals';
import { foundAgainOf } from '../../living/homes/index.ts';
import { type Command } from '../../record/plan/index.ts';
import { applied, block, home, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { isThere, livingWhereLooked, questionsFor } from './index.ts';

const things = [
  { id: 'acid', name: 'Citric acid', family: 'Chemistry' },
  { id: 'paper', name: 'Print paper', family: 'Paper' },
  { id: 'zips', name: 'Zips', family: 'Sewing' },
];
const plan = applied(
  withUnits(tinyRoom(), unit('lowChest', { id: 'chest', x: 5200, y: 900, facing: 270 })),
  ...things.map((of): Command => ({
    type: 'addSupplies',
    supplies: [block({ width: 40, depth: 40, height: 40, working: 1, ...of })],
  })),
  ...things.map(({ id }, i): Command => ({ type: 'addUse', use: use(id, 1 + i) })),
  ...things.map(({ id }, i) => home(id, `chest.${i}.0`)),
);
const since = '2026-05-01';

describe('the look test', () => {
  test('each thing is asked for once, what was answered last comes last; so few as there are', () => {
    const asked = questionsFor(plan).map((s) => s.id);
    expect([...asked].sort()).toEqual(['acid', 'paper', 'zips']);
    expect(questionsFor(plan, 2)).toHaveLength(2);
    const answered = applied(plan, {
      type: 'addLook',
      look: { id: 'l', supplyId: asked[0]!, placeId: null, personId: null, lookedOn: since, found: 'not' },
    });
    expect(questionsFor(answered).at(-1)!.id).toBe(asked[0]);
  });

  test('a miss may live where it was looked for, at its price; never beside what it must be apart from', () => {
    expect(isThere(plan, 'zips', 'chest.2.0')).toBe(true);
    expect(isThere(plan, 'zips', 'chest.1.0')).toBe(false);
    const refit = livingWhereLooked(plan, plan.supplies.zips!, 'chest.1.0', since)!;
    expect(isThere(applied(plan, refit.command), 'zips', 'chest.1.0')).toBe(true);
    expect(livingWhereLooked(plan, plan.supplies.zips!, 'chest.2.0', since)).toBeNull();
    expect(livingWhereLooked(plan, plan.supplies.acid!, 'chest.1.0', since)).toBeNull();
    expect(livingWhereLooked(plan, plan.supplies.paper!, 'chest.0.0', since)).toBeNull();
  });

  test('where she said she would look counts in the measure, and goes with its place', () => {
    const strayed = applied(plan, home('paper', 'chest.2.0'));
    const id = Object.values(strayed.homes).find((h) => h.supplyId === 'paper')!.id;
    const said = applied(strayed, {
      type: 'addLook',
      look: { id: 'l', supplyId: 'paper', placeId: 'chest.2.0', personId: null, lookedOn: since, found: 'first' },
    });
    expect(foundAgainOf(said, id)!.again.match).toBeLessThanOrEqual(foundAgainOf(strayed, id)!.again.match);
    expect(applied(said, { type: 'removeSupply', id: 'paper' }).looks).toEqual({});
    expect(applied(said, { type: 'removeUnit', id: 'chest' }).looks).toEqual({});
  });
});
