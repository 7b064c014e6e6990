import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { applied, block, person, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import {
  BY_TAPE,
  apply,
  applyChanges,
  asOne,
  Command,
  emptyPlan,
  keepingEqual,
  newId,
  type Plan,
  planTrouble,
  type Restore,
  roomOf,
  wallsInOrder,
} from './index.ts';

const must = (plan: Plan, command: Command | Restore) => {
  const done = apply(plan, command);
  if (!done.ok) throw new Error(done.reason);
  return done;
};
const reasonOf = (plan: Plan, command: Command) => {
  const done = apply(plan, command);
  return done.ok ? null : done.reason;
};

const furnished = withUnits(tinyRoom(), unit('lowChest', { x: 1000, y: 5700 }), unit('cubeUnit', { x: 3000, y: 5700 }));
const stocked = [
  ...[1, 2, 3].map((n) => ({
    type: 'addSupplies' as const,
    supplies: [block({ id: `s${n}`, name: `Thing ${n}`, working: n, backstock: n - 1 })],
  })),
  { type: 'addUse' as const, use: use('s1', 4) },
  {
    type: 'assignHome' as const,
    supplyId: 's1',
    share: 'working' as const,
    placeId: 'lowChest.0.0',
    since: '2026-01-05',
  },
  {
    type: 'assignHome' as const,
    supplyId: 's2',
    share: 'backstock' as const,
    placeId: 'cubeUnit.0.1',
    since: '2026-01-05',
  },
].reduce((p, c) => must(p, c).plan, furnished);

const ids = {
  units: ['lowChest', 'cubeUnit', 'none'],
  supplies: ['s1', 's2', 's3', 'none'],
  places: ['lowChest.0.0', 'lowChest.3.0', 'cubeUnit.0.1', 'gone.1.1'],
  walls: ['w0', 'w1', 'w2', 'w3'],
};
const share = fc.constantFrom('working' as const, 'backstock' as const);
const anyCommand: fc.Arbitrary<Command> = fc.oneof(
  fc.record({
    type: fc.constant('setPlan' as const),
    set: fc.record({ name: fc.constantFrom('A', 'B', ''), growth: fc.constantFrom(0, 0.25, 9) }),
  }),
  fc.record({
    type: fc.constant('setWall' as const),
    id: fc.constantFrom(...ids.walls),
    set: fc.record({ length: fc.integer({ min: -10, max: 7000 }) }),
  }),
  fc.record({ type: fc.constant('removeWall' as const), id: fc.constantFrom(...ids.walls) }),
  fc
    .integer({ min: 1, max: 4000 })
    .map((n): Command => ({ type: 'addWall', wall: { id: newId('wall'), length: n, turn: 90, name: '' }, at: n % 5 })),
  fc.constant<Command>({ type: 'spreadMisclosure' }),
  fc.constantFrom(...ids.walls).map((wallId): Command => ({
    type: 'addOpening',
    opening: {
      id: newId('opening'),
      wallId,
      kind: 'door',
      left: 100,
      width: 800,
      sill: 0,
      head: 2000,
      hinge: 'left',
      swing: 'in',
      ...BY_TAPE,
    },
  })),
  fc.record({
    type: fc.constant('setUnit' as const),
    id: fc.constantFrom(...ids.units),
    set: fc.oneof(
      fc.record({ x: fc.integer({ min: -500, max: 7000 }) }),
      fc.record({ rows: fc.integer({ min: -1, max: 6 }) }),
      fc.record({ width: fc.integer({ min: -5, max: 2000 }) }),
    ),
  }),
  fc.record({ type: fc.constant('removeUnit' as const), id: fc.constantFrom(...ids.units) }),
  fc.record({
    type: fc.constant('setSupply' as const),
    id: fc.constantFrom(...ids.supplies),
    set: fc.record({ working: fc.integer({ min: -1, max: 3 }) }),
  }),
  fc.record({ type: fc.constant('removeSupply' as const), id: fc.constantFrom(...ids.supplies) }),
  fc.record({
    type: fc.constant('assignHome' as const),
    supplyId: fc.constantFrom(...ids.supplies),
    share,
    placeId: fc.constantFrom(...ids.places),
    since: fc.constant('2026-02-01'),
  }),
  fc.record({ type: fc.constant('leaveHome' as const), supplyId: fc.constantFrom(...ids.supplies), share }),
  fc.record({
    type: fc.constant('pinHome' as const),
    supplyId: fc.constantFrom(...ids.supplies),
    share,
    pinned: fc.boolean(),
  }),
  fc.constantFrom('work', 'none').map((id): Command => ({ type: 'removeActivity', id })),
  fc.constantFrom('maker', 'none').map((id): Command => ({ type: 'removePerson', id })),
);

describe('commands', () => {
  test('any run of commands keeps the plan whole, and the inverses in turn bring it back exactly', () => {
    fc.assert(
      fc.property(fc.array(anyCommand, { maxLength: 14 }), (commands) => {
        let plan = stocked;
        const inverses: Restore[] = [];
        for (const command of commands) {
          const before = structuredClone(plan);
          const done = apply(plan, command);
          expect(plan).toEqual(before);
          if (!done.ok) {
            expect(done.reason.length).toBeGreaterThan(5);
            continue;
          }
          expect(applyChanges(plan, done.changes)).toEqual(done.plan);
          expect(Command.safeParse(JSON.parse(JSON.stringify(done.inverse))).success).toBe(false);
          plan = done.plan;
          inverses.push(done.inverse);
          expect(planTrouble(plan)).toBeNull();
        }
        for (const inverse of inverses.reverse()) plan = must(plan, inverse).plan;
        expect(plan).toEqual(stocked);
      }),
      { numRuns: 300 },
    );
  });

  test('bad values are refused in plain words and nothing changes', () => {
    expect(reasonOf(stocked, { type: 'setWall', id: 'w0', set: { length: 0 } })).toMatch(
      /length must be more than zero/,
    );
    expect(reasonOf(stocked, { type: 'setUnit', id: 'lowChest', set: { width: -3 } })).toMatch(
      /Low chest: width must be more than zero/,
    );
    expect(reasonOf(stocked, { type: 'setSupply', id: 's1', set: { working: 1.5 } })).toMatch(/whole number/);
    expect(reasonOf(stocked, { type: 'setSupply', id: 's1', set: { name: '  ' } })).toMatch(/needs a name/);
    expect(reasonOf(stocked, { type: 'addPerson', person: person({ id: 'x', stature: 30 }) })).toMatch(
      /less than 70 cm/,
    );
    expect(reasonOf(stocked, { type: 'placeUnit', unit: unit('lowChest') })).toMatch(/already/);
    expect(
      reasonOf(stocked, {
        type: 'assignHome',
        supplyId: 's3',
        share: 'working',
        placeId: 'nowhere',
        since: '2026-01-05',
      }),
    ).toMatch(/not in the plan/);
    expect(
      reasonOf(stocked, {
        type: 'assignHome',
        supplyId: 's1',
        share: 'backstock',
        placeId: 'lowChest.0.0',
        since: '2026-01-05',
      }),
    ).toMatch(/nothing in reserve/);
    expect(reasonOf(stocked, { type: 'removePerson', id: 'maker' })).toMatch(/works at Seat/);
  });

  test('taking out a unit leaves its supplies, without a home; fewer rows do the same for what was there', () => {
    const without = must(stocked, { type: 'removeUnit', id: 'lowChest' }).plan;
    expect(without.supplies.s1).toBeDefined();
    expect(without.homes['s1.working']).toBeUndefined();
    const flatter = must(stocked, { type: 'setUnit', id: 'cubeUnit', set: { columns: 1 } }).plan;
    expect(flatter.homes['s2.backstock']).toBeUndefined();
    expect(flatter.places['cubeUnit.0.0']!.width).toBeGreaterThan(600);
  });

  test('a value changed meanwhile in another tab is not overwritten unseen', () => {
    const other = must(stocked, { type: 'setSupply', id: 's1', set: { name: 'Reel' } }).plan;
    expect(reasonOf(other, { type: 'setSupply', id: 's1', set: { name: 'Spool' }, was: { name: 'Thing 1' } })).toMatch(
      /changed meanwhile in another tab.*Reel/,
    );
    expect(
      must(other, { type: 'setSupply', id: 's1', set: { note: 'x' }, was: { note: '' } }).plan.supplies.s1!.name,
    ).toBe('Reel');
  });

  test('several commands are one step, all or nothing', () => {
    const two: Command = {
      type: 'several',
      words: 'move both',
      commands: [
        { type: 'setUnit', id: 'lowChest', set: { x: 1 } },
        { type: 'setUnit', id: 'cubeUnit', set: { x: 2 } },
      ],
    };
    const done = must(stocked, two);
    expect(must(done.plan, done.inverse).plan).toEqual(stocked);
    expect(reasonOf(stocked, { ...two, commands: [...two.commands, { type: 'removeUnit', id: 'none' }] })).toMatch(
      /not in the plan/,
    );
  });

  test('settle keeps pins, moves the rest, takes out what found nothing', () => {
    const pinned = must(stocked, { type: 'pinHome', supplyId: 's1', share: 'working', pinned: true }).plan;
    expect(
      reasonOf(pinned, {
        type: 'settle',
        since: '2026-03-01',
        homes: [{ supplyId: 's1', share: 'working', placeId: 'lowChest.1.0' }],
      }),
    ).toMatch(/pinned/);
    const settled = must(pinned, {
      type: 'settle',
      since: '2026-03-01',
      homes: [
        { supplyId: 's2', share: 'backstock', placeId: null },
        { supplyId: 's3', share: 'working', placeId: 'lowChest.2.0' },
      ],
    });
    expect(Object.keys(settled.plan.homes).sort()).toEqual(['s1.working', 's3.working']);
    expect(must(settled.plan, settled.inverse).plan).toEqual(pinned);
  });

  test('walls stay numbered, and spreading the misclosure closes the room', () => {
    let plan = emptyPlan('p');
    for (const [i, length] of [3200, 4100, 3190, 4080].entries())
      plan = must(plan, { type: 'addWall', wall: { id: `w${i}`, length, turn: 90, name: '' } }).plan;
    expect(roomOf(plan).error).toBeGreaterThan(20);
    plan = must(plan, { type: 'addWall', wall: { id: 'first', length: 10, turn: 0, name: '' }, at: 0 }).plan;
    expect(wallsInOrder(plan).map((w) => w.id)).toEqual(['first', 'w0', 'w1', 'w2', 'w3']);
    const spread = must(plan, { type: 'spreadMisclosure' });
    expect(roomOf(spread.plan).error).toBeLessThan(0.5);
    expect(must(spread.plan, spread.inverse).plan).toEqual(plan);
  });

  test('an answer that says what is there already keeps rows, tables and plan as they are; what differs alone is new', () => {
    const plan = applied(tinyRoom(), { type: 'addSupplies', supplies: [block({ id: 'a' }), block({ id: 'b' })] });
    const copy = JSON.parse(JSON.stringify(plan)) as Plan;
    expect(keepingEqual(plan, copy)).toBe(plan);
    const renamed = { ...copy, supplies: { ...copy.supplies, b: { ...copy.supplies.b!, name: 'Other' } } };
    const kept = keepingEqual(plan, renamed);
    expect(kept).toEqual(renamed);
    expect(kept.walls).toBe(plan.walls);
    expect(kept.head).toBe(plan.head);
    expect(kept.supplies.a).toBe(plan.supplies.a);
    expect(kept.supplies.b).toBe(renamed.supplies.b);
    // a row more, a row fewer, another plan
    const fewer = { a: copy.supplies.a! };
    expect(Object.keys(keepingEqual(plan, { ...copy, supplies: fewer }).supplies)).toEqual(['a']);
    expect(keepingEqual({ ...plan, supplies: fewer }, copy).supplies).toEqual(copy.supplies);
    expect(keepingEqual(plan, { ...copy, id: 'else' }).id).toBe('else');
  });
});

test('several commands as one: what is several already is taken apart, one undo takes all back', () => {
  const set = (name: string) => ({ type: 'setPlan' as const, set: { name } });
  const one = asOne('w'.repeat(200), [set('A'), asOne('inner', [set('B'), set('C')])]);
  expect(Command.parse(one)).toEqual(one);
  const plan = emptyPlan('x');
  const done = apply(plan, one);
  expect(done.ok && done.plan.head.name).toBe('C');
  const back = done.ok && apply(done.plan, done.inverse);
  expect(back && back.ok && back.plan).toEqual(plan);
});
