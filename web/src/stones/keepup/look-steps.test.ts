import { describe, expect, test } from '@jest/globals';
import { type Command } from '@heronstone/core/plan';
import { applied, block, home, tinyRoom, unit, withUnits } from '@heronstone/core/testing';
import { askedNow, begun, look, scoreOf } from './look-steps.ts';

const ids = ['pen', 'tape', 'wool'];
const plan = applied(
  withUnits(tinyRoom(), unit('lowChest', { id: 'chest', x: 4300, y: 2600, facing: 270 })),
  ...ids.map((id): Command => ({ type: 'addSupplies', supplies: [block({ id, name: id, width: 40, depth: 40 })] })),
  ...ids.map((id, i) => home(id, `chest.${i}.0`)),
);

describe('a look test, tap by tap', () => {
  test('found at the first look, at the second, not: each question is asked until it is answered', () => {
    let answers = begun(ids);
    expect(askedNow(answers)).toBe(0);
    answers = look(plan, answers, 'chest.0.0');
    expect(answers[0]).toMatchObject({ found: 'first', looked: ['chest.0.0'] });
    answers = look(plan, answers, 'chest.0.0');
    expect(askedNow(answers)).toBe(1);
    // the same place twice is one look
    expect(look(plan, answers, 'chest.0.0')).toEqual(answers);
    answers = look(plan, answers, 'chest.1.0');
    expect(answers[1]!.found).toBe('second');
    answers = look(plan, answers, 'chest.0.0');
    answers = look(plan, answers, 'chest.1.0');
    expect(answers[2]).toMatchObject({ found: 'not', looked: ['chest.0.0', 'chest.1.0'] });
    expect(askedNow(answers)).toBeNull();
    expect(look(plan, answers, 'chest.2.0')).toEqual(answers);
    expect(scoreOf(answers)).toEqual({ first: 1, second: 1, not: 1 });
  });

  test('who does not know is told at once, at the first look or after one', () => {
    const at = look(plan, begun(ids), null);
    expect(at[0]).toMatchObject({ found: 'not', looked: [] });
    const after = look(plan, look(plan, begun(ids), 'chest.2.0'), null);
    expect(after[0]).toMatchObject({ found: 'not', looked: ['chest.2.0'] });
  });

  test('what lives in a box is found by the drawer the box stands in', () => {
    const boxed = {
      ...plan,
      places: { ...plan.places, box: { ...plan.places['chest.0.0']!, id: 'box', inId: 'chest.3.0' } },
      homes: { 'pen.working': { ...plan.homes['pen.working']!, placeId: 'box' } },
    };
    expect(look(boxed, begun(['pen']), 'chest.3.0')[0]!.found).toBe('first');
  });
});
