import { describe, expect, test } from '@jest/globals';
import { applied, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { apply, blankFixture, blankOpening, type Unit } from './index.ts';

describe('how a size is known', () => {
  const chest = unit('lowChest', { id: 'chest', usual: ['width', 'depth'], unsure: ['height'], pictured: [] });
  const sides = ({ usual, unsure, pictured, plusMinus }: Unit) => ({ usual, unsure, pictured, plusMinus });

  test('a side of a unit that is said is measured from then on; moving it, turning it, parting it says nothing of its size', () => {
    const plan = withUnits(tinyRoom(), chest);
    const moved = applied(plan, { type: 'setUnit', id: 'chest', set: { x: 2000, facing: 90, rows: 3 } });
    expect(sides(moved.units.chest!)).toEqual(sides(chest));
    const said = applied(plan, { type: 'setUnit', id: 'chest', set: { width: 910 } });
    expect(sides(said.units.chest!)).toEqual({ usual: ['depth'], unsure: ['height'], pictured: [], plusMinus: 0 });
    const all = applied(said, { type: 'setUnit', id: 'chest', set: { depth: 400, height: 700 } });
    expect(sides(all.units.chest!)).toEqual({ usual: [], unsure: [], pictured: [], plusMinus: 0 });
  });

  test('a change may say itself how the side is known, and undo brings back what was known before', () => {
    const plan = withUnits(tinyRoom(), chest);
    const seen = apply(plan, {
      type: 'setUnit',
      id: 'chest',
      set: { width: 903, height: 722, pictured: ['width', 'height'], plusMinus: 4 },
    });
    if (!seen.ok) throw new Error(seen.reason);
    expect(sides(seen.plan.units.chest!)).toEqual({
      usual: ['depth'],
      unsure: [],
      pictured: ['width', 'height'],
      plusMinus: 4,
    });
    expect(apply(seen.plan, seen.inverse)).toMatchObject({ ok: true, plan });
    // typed after that it is by tape, whatever the picture said
    const typed = applied(seen.plan, { type: 'setUnit', id: 'chest', set: { width: 905 } });
    expect(typed.units.chest!.pictured).toEqual(['height']);
  });

  test('what is on a wall is by tape as soon as a length of it is typed, and stays as it was when anything else is', () => {
    const wall = tinyRoom().walls.w1!;
    const plan = applied(
      tinyRoom(),
      { type: 'addOpening', opening: { ...blankOpening('door', 'door', wall, 'metric'), sizeBy: 'usual' } },
      {
        type: 'addFixture',
        fixture: { ...blankFixture('socket', 'socket', 'w1', 500), sizeBy: 'picture', plusMinus: 5 },
      },
    );
    const turned = applied(plan, { type: 'setOpening', id: 'door', set: { hinge: 'right' } });
    expect(turned.openings.door!.sizeBy).toBe('usual');
    const typed = applied(plan, { type: 'setOpening', id: 'door', set: { left: 700 } });
    expect(typed.openings.door).toMatchObject({ sizeBy: 'tape', plusMinus: 0 });
    const named = applied(plan, { type: 'setFixture', id: 'socket', set: { name: 'By the door' } });
    expect(named.fixtures.socket).toMatchObject({ sizeBy: 'picture', plusMinus: 5 });
    const higher = applied(plan, { type: 'setFixture', id: 'socket', set: { bottom: 350 } });
    expect(higher.fixtures.socket).toMatchObject({ sizeBy: 'tape', plusMinus: 0 });
    const byHand = applied(plan, { type: 'setFixture', id: 'socket', set: { left: 900, sizeBy: 'guess' } });
    expect(byHand.fixtures.socket!.sizeBy).toBe('guess');
  });
});
