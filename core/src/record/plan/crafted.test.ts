import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { applied, block, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { apply, Command, cutText, Id, isStorable, type Plan, planTrouble, unstorableAt } from './index.ts';

const plan = applied(
  withUnits(
    tinyRoom(),
    unit('lowChest', { x: 900, y: 5700 }),
    unit('cubeUnit', { x: 3000, y: 5700 }),
    unit('carryBox', { x: 3000, y: 3000 }),
  ),
  { type: 'addSupplies', supplies: [block({ id: 's', backstock: 1 })] },
  { type: 'assignHome', supplyId: 's', share: 'working', placeId: 'lowChest.0.0', since: '2026-02-02' },
);
const reasonOf = (command: unknown, on: Plan = plan) => {
  const read = Command.safeParse(command);
  if (!read.success) return read.error.issues[0]!.message;
  const done = apply(on, read.data);
  return done.ok ? null : done.reason;
};
/** A plan with one row put in by hand, as a file may have it. */
const withRow = (table: 'places' | 'homes' | 'units' | 'flows' | 'walls', row: { id: string }): Plan => ({
  ...plan,
  [table]: { ...plan[table], [row.id]: row },
});

describe('texts', () => {
  test('what PostgreSQL cannot hold is refused with a word: a zero character, half a surrogate pair', () => {
    for (const name of ['Reel\0', 'Reel \ud83d', '\ude00 reel'])
      expect(reasonOf({ type: 'setSupply', id: 's', set: { name } })).toMatch(/cannot be kept/);
    expect(reasonOf({ type: 'setSupply', id: 's', set: { name: 'Reel 😀' } })).toBeNull();
    expect(unstorableAt({ a: [{ note: 'x\0' }] })).toMatch(/^a\.0\.note has a character/);
    expect(unstorableAt({ 'a\ud800': 1 })).toMatch(/a name in it/);
    expect(unstorableAt({ a: 'whole 😀', b: [1, null] })).toBeNull();
  });

  test('the same letters are kept as the same code points', () => {
    const done = apply(plan, { type: 'setSupply', id: 's', set: { name: 'Tu\u0308ll' } });
    expect(done.ok && done.plan.supplies.s!.name).toBe('T\u00fcll');
  });

  test('a text is cut between characters as a reader counts them', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 40 }), fc.nat(40), (text, max) => {
        const cut = cutText(text, max);
        expect(cut.length).toBeLessThanOrEqual(max);
        expect(text.startsWith(cut)).toBe(true);
        expect(isStorable(cut)).toBe(true);
        const next = [...new Intl.Segmenter().segment(text)].find((s) => s.index === cut.length);
        if (cut !== text) expect(cut.length + next!.segment.length).toBeGreaterThan(max);
      }),
    );
  });
});

describe('crafted commands', () => {
  test('what every object answers to by itself is no id', () => {
    for (const id of ['__proto__', 'constructor', 'toString', 'hasOwnProperty', 'valueOf'])
      expect(Id.safeParse(id).success).toBe(false);
    const acknowledgement = { id: '__proto__', reason: 'because', since: '2026-01-01' };
    expect(reasonOf({ type: 'acknowledge', acknowledgement })).toMatch(/not the key of a finding/);
  });

  test('nobody can ask for rows to be put back: only the log does', () => {
    const changes = [{ table: 'places', id: 'x', before: null, after: plan.places['lowChest.0.0'] }];
    expect(reasonOf({ type: 'restore', of: 'x', changes })).not.toBeNull();
    expect(reasonOf({ type: 'several', words: 'x', commands: [{ type: 'restore', of: 'x', changes }] })).not.toBeNull();
  });

  test.each([
    ['a unit on itself', { type: 'setUnit', id: 'lowChest', set: { hostId: 'lowChest' } }, /stand on itself/],
    ['a new unit on itself', { type: 'placeUnit', unit: { ...unit('bookcase'), hostId: 'bookcase' } }, /on itself/],
    ['a box in itself', { type: 'setUnit', id: 'carryBox', set: { keptInId: 'carryBox.0.0' } }, /kept in itself/],
    [
      'a new box in a place of one unit, said to stand on another',
      {
        type: 'placeUnit',
        unit: { ...unit('carryBox', { id: 'other' }), keptInId: 'cubeUnit.0.0', hostId: 'lowChest' },
      },
      /kept in one unit and said to stand on another/,
    ],
    ['the number of a wall', { type: 'setWall', id: 'w0', set: { seq: 3 } }, /seq/],
    [
      'work handed on to itself',
      { type: 'addFlow', flow: { id: 'f', fromId: 'work', toId: 'work', times: 1 } },
      /same/,
    ],
  ])('%s is refused with a reason', (_, command, why) => {
    expect(reasonOf(command)).toMatch(why);
  });

  test('units in a circle are refused however it comes about', () => {
    const stacked = applied(plan, { type: 'setUnit', id: 'lowChest', set: { hostId: 'cubeUnit' } });
    expect(reasonOf({ type: 'setUnit', id: 'cubeUnit', set: { hostId: 'lowChest' } }, stacked)).toMatch(/on itself/);
    const boxed = applied(plan, { type: 'setUnit', id: 'carryBox', set: { keptInId: 'cubeUnit.0.0' } });
    expect(reasonOf({ type: 'setUnit', id: 'cubeUnit', set: { hostId: 'carryBox' } }, boxed)).toMatch(/on itself/);
  });

  test('a file with two things in one cell, an invented place, a wrong home, a circle is refused with a reason', () => {
    const place = plan.places['lowChest.0.0']!;
    const home = plan.homes['s.working']!;
    const chest = plan.units.lowChest!;
    const wrong: [Plan, RegExp][] = [
      [withRow('places', { ...place, id: 'second' } as never), /not named for its cell/],
      [withRow('places', { ...place, throughId: 'cubeUnit.0.0' } as never), /through/],
      [withRow('homes', { ...home, id: 'other' } as never), /are in one place/],
      [withRow('homes', { ...home, id: 'other', placeId: 'lowChest.1.0' } as never), /both take the rest/],
      [withRow('places', { ...place, id: 'box', inId: 'box' } as never), /stand in itself/],
      [withRow('places', { ...place, id: 'box', inId: 'cubeUnit.0.0' } as never), /of another unit/],
      [withRow('units', { ...chest, hostId: 'lowChest' } as never), /on itself/],
      [withRow('flows', { id: 'f', fromId: 'work', toId: 'work', times: 1 } as never), /same one/],
      [withRow('walls', { ...plan.walls.w0!, seq: 70_000 } as never), /seq/],
    ];
    expect(planTrouble(plan)).toBeNull();
    for (const [bad, why] of wrong) expect(planTrouble(bad)).toMatch(why);
  });
});

describe('big commands', () => {
  const many = applied(plan, {
    type: 'addSupplies',
    supplies: Array.from({ length: 20_000 }, (_, i) => block({ id: `m${i}`, name: `Thing ${i}` })),
  });

  test('thousands of removals find what refers to each by index, not by looking through everything', () => {
    let looked = 0;
    const uses = Object.fromEntries(
      Array.from({ length: 20_000 }, (_, i) => [`work-m${i}`, Object.freeze(use(`m${i}`, 1))]),
    );
    const counted = new Proxy(uses, {
      ownKeys: (rows) => {
        looked++;
        return Reflect.ownKeys(rows);
      },
    });
    const commands = Array.from({ length: 800 }, (_, i) => ({ type: 'removeSupply' as const, id: `m${i}` }));
    const done = apply({ ...many, uses: counted }, { type: 'several', words: 'take out 800', commands });
    expect(done.ok && Object.keys(done.plan.uses).length).toBe(19_200);
    // once for the index, once for the count, once for the copy: not 800 times
    expect(looked).toBeLessThan(6);
  });

  test('more than a plan holds, or more than can be done at once, is refused', () => {
    const more = (from: number) => ({
      type: 'addSupplies' as const,
      supplies: Array.from({ length: 20_000 }, (_, i) => block({ id: `${from}-${i}`, name: 'More' })),
    });
    expect(reasonOf({ type: 'several', words: 'x', commands: [more(1), more(2)] }, many)).toMatch(/at most 50,000/);
    // the same twenty thousand things moved to and fro
    const homes = (placeId: string) => ({
      type: 'settle' as const,
      since: '2026-02-02',
      homes: Array.from({ length: 20_000 }, (_, n) => ({ supplyId: `m${n}`, share: 'working' as const, placeId })),
    });
    const flip = [0, 1, 2, 3].map((n) => homes(`lowChest.${n % 2}.0`));
    expect(reasonOf({ type: 'several', words: 'x', commands: flip }, many)).toMatch(/more than can be done at once/);
  });
});
