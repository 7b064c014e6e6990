import { describe, expect, test } from '@jest/globals';
import { applied, block, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { apply, asOne, asSeenIn, type Command, type Plan } from './index.ts';

const plan = applied(withUnits(tinyRoom(), unit('lowChest', { id: 'chest', x: 3900, y: 3600 })), {
  type: 'addSupplies',
  supplies: [block({ working: 3, backstock: 2, unsure: ['working'] })],
});
const row = (p: Plan) => p.supplies.block!;

describe('what was seen', () => {
  test.each([
    [{ type: 'setPlan', set: { name: 'Attic' } }, { name: plan.head.name }],
    [{ type: 'setWall', id: 'w0', set: { length: 1 } }, { length: plan.walls.w0!.length }],
    [
      { type: 'setUnit', id: 'chest', set: { x: 1, y: 2 } },
      { x: 3900, y: 3600 },
    ],
    [{ type: 'setPlace', id: 'chest.0.0', set: { keptOut: 'hats' } }, { keptOut: '' }],
    [{ type: 'setSupply', id: 'block', set: { working: 9 } }, { working: 3 }],
    [{ type: 'setPerson', id: 'maker', set: { hand: 'left' } }, { hand: 'right' }],
    [{ type: 'setStation', id: 'seat', set: { x: 7 } }, { x: plan.stations.seat!.x }],
  ] as [Command, object][])('%j carries it', (command, was) => {
    expect(asSeenIn(plan, command)).toEqual({ ...command, was });
    expect(asSeenIn(plan, asOne('both', [command, { type: 'removeUnit', id: 'chest' }]))).toMatchObject({
      commands: [
        { ...command, was },
        { type: 'removeUnit', id: 'chest' },
      ],
    });
  });

  test('what says it itself, and what changes nothing that is there, stays as it is', () => {
    const said: Command = { type: 'setSupply', id: 'block', set: { name: 'x' }, was: { name: 'y' } };
    expect(asSeenIn(plan, said)).toBe(said);
    const gone: Command = { type: 'setSupply', id: 'nobody', set: { name: 'x' } };
    expect(asSeenIn(plan, gone)).toBe(gone);
    const other: Command = { type: 'removeSupply', id: 'block' };
    expect(asSeenIn(plan, other)).toBe(other);
  });
});

describe('counting pieces', () => {
  test('whoever counts first, both are counted; what is not sure stays so; undo takes back its own', () => {
    const one = applied(plan, { type: 'countSupply', id: 'block', by: { working: -1 } });
    const two = applied(one, { type: 'countSupply', id: 'block', by: { working: -1, backstock: 4 } });
    expect([row(two).working, row(two).backstock, row(two).unsure]).toEqual([1, 6, ['working']]);
    const done = apply(plan, { type: 'countSupply', id: 'block', by: { working: -1 } });
    if (!done.ok) throw new Error(done.reason);
    const undone = apply(done.plan, done.inverse!);
    expect(undone.ok && row(undone.plan)).toEqual(row(plan));
  });

  test('of what there is none left none goes, and what is used up has no home', () => {
    const homed = applied(plan, {
      ...{ type: 'assignHome', supplyId: 'block', share: 'working', placeId: 'chest.0.0', since: '2026-11-29' },
    } as Command);
    const none = applied(homed, { type: 'countSupply', id: 'block', by: { working: -9 } });
    expect([row(none).working, Object.keys(none.homes)]).toEqual([0, []]);
    expect(apply(plan, { type: 'countSupply', id: 'nobody', by: { working: 1 } }).ok).toBe(false);
  });
});
