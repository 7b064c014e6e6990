import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { block, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { apply, type Command, countIn, homesOf, type Plan, planTrouble, OWN_SHARES, withoutHome } from './index.ts';

const run = (plan: Plan, command: Command): Plan => {
  const done = apply(plan, command);
  if (!done.ok) throw new Error(done.reason);
  return done.plan;
};
const room = withUnits(tinyRoom(), unit('lowChest', { x: 900, y: 5700 }));
const places = Object.keys(room.places);
const since = '2026-04-04';

describe('what is measured and what is guessed', () => {
  const plan = run(room, {
    type: 'addSupplies',
    supplies: [block({ id: 'a', usual: ['width', 'mass'], unsure: ['working'] })],
  });
  test('a size that is said is known from then on; others stay guesses; what is emptied was not measured', () => {
    expect(run(plan, { type: 'setSupply', id: 'a', set: { width: 100 } }).supplies.a).toMatchObject({
      usual: ['mass'],
      unsure: ['working'],
    });
    expect(run(plan, { type: 'setSupply', id: 'a', set: { working: 9 } }).supplies.a).toMatchObject({
      usual: ['width', 'mass'],
      unsure: [],
    });
    expect(run(plan, { type: 'setSupply', id: 'a', set: { note: 'x' } }).supplies.a).toMatchObject({
      usual: ['width', 'mass'],
      unsure: ['working'],
    });
    expect(run(plan, { type: 'setSupply', id: 'a', set: { width: null } }).supplies.a!.usual).toContain('width');
    expect(run(plan, { type: 'setSupply', id: 'a', set: { width: 90, usual: ['width'] } }).supplies.a).toMatchObject({
      width: 90,
      usual: ['width'],
    });
  });
  test('undo makes it a guess again', () => {
    const done = apply(plan, { type: 'setSupply', id: 'a', set: { width: 100 } });
    if (!done.ok) throw new Error(done.reason);
    expect(run(done.plan, done.inverse as never).supplies.a).toEqual(plan.supplies.a);
  });
});

test('what leaves the house asks for no home', () => {
  const plan = run(room, {
    type: 'addSupplies',
    supplies: [block({ id: 'a' }), block({ id: 'b', decision: 'throw' })],
  });
  expect([withoutHome(plan, plan.supplies.a!, 'working'), withoutHome(plan, plan.supplies.b!, 'working')]).toEqual([
    1, 0,
  ]);
});

describe('entries of one thing put together', () => {
  const counts = fc.record({
    working: fc.nat(40),
    backstock: fc.nat(40),
    homes: fc.array(
      fc.record({
        place: fc.nat(places.length - 1),
        count: fc.integer({ min: 1, max: 9 }),
        share: fc.constantFrom(...OWN_SHARES),
      }),
      { maxLength: 4 },
    ),
    uses: fc.boolean(),
  });

  test('nothing counted, homed or used is lost, and undo parts them again', () => {
    fc.assert(
      fc.property(fc.array(counts, { minLength: 2, maxLength: 4 }), (entries) => {
        let plan = run(room, {
          type: 'addSupplies',
          supplies: entries.map(({ working, backstock }, i) => block({ id: `s${i}`, working, backstock })),
        });
        for (const [i, { homes, uses }] of entries.entries()) {
          for (const { place, count, share } of homes) {
            const done = apply(plan, {
              type: 'assignHome',
              supplyId: `s${i}`,
              share,
              placeId: places[place]!,
              since,
              count,
            });
            if (done.ok) plan = done.plan;
          }
          if (uses) plan = run(plan, { type: 'addUse', use: { ...use(`s${i}`, i + 1), id: `use${i}` } });
        }
        const inPlace = (p: Plan, ids: readonly string[], share: (typeof OWN_SHARES)[number], placeId: string) =>
          ids.reduce(
            (sum, id) =>
              sum +
              homesOf(p, id, share)
                .filter((h) => h.placeId === placeId)
                .reduce((n, h) => n + countIn(p, h, p.supplies[id]!), 0),
            0,
          );
        const ids = entries.map((_, i) => `s${i}`);
        const done = apply(plan, { type: 'mergeSupplies', id: 's0', others: ids.slice(1) });
        if (!done.ok) throw new Error(done.reason);
        const merged = done.plan;
        expect(planTrouble(merged)).toBeNull();
        expect(Object.keys(merged.supplies)).toEqual(['s0']);
        for (const share of OWN_SHARES) {
          expect(merged.supplies.s0![share]).toBe(entries.reduce((sum, e) => sum + e[share], 0));
          for (const placeId of places)
            expect(inPlace(merged, ['s0'], share, placeId)).toBe(inPlace(plan, ids, share, placeId));
        }
        const fetches = entries.flatMap((e, i) => (e.uses ? [i + 1] : []));
        expect(Object.values(merged.uses).map((u) => u.fetches)).toEqual(
          fetches.length > 0 ? [Math.max(...fetches)] : [],
        );
        expect(run(merged, done.inverse as never)).toEqual(plan);
      }),
      { numRuns: 60 },
    );
  });
  test('what is cut of it, its scraps, the length left and where it is named among colours come along; undo parts them again', () => {
    const plan = run(
      run(room, {
        type: 'addSupplies',
        supplies: [
          block({ id: 'a', openWidth: 1500, openLength: 2000 }),
          block({ id: 'b', openWidth: 1500, openLength: 700 }),
        ],
      }),
      {
        type: 'several',
        words: 'paper',
        commands: [
          {
            type: 'addCutPiece',
            cutPiece: {
              id: 'p',
              supplyId: 'b',
              placeId: null,
              name: 'Mat',
              width: 90,
              depth: 60,
              grain: 'any',
              have: 4,
              keep: 8,
              below: 3,
            },
          },
          {
            type: 'addScrap',
            scrap: { id: 's', supplyId: 'b', colour: null, width: 50, depth: 60, count: 2, placeId: null },
          },
          { type: 'addPalette', palette: { id: 'c', name: 'Both', supplyIds: ['a', 'b'] } },
          {
            type: 'addColourRow',
            colourRow: { id: 'r', name: 'Row', order: 'name', placeIds: [places[0]!], slots: ['', 'b'] },
          },
        ],
      },
    );
    const done = apply(plan, { type: 'mergeSupplies', id: 'a', others: ['b'] });
    if (!done.ok) throw new Error(done.reason);
    expect(planTrouble(done.plan)).toBeNull();
    expect(done.plan.cutPieces.p).toMatchObject({ supplyId: 'a', have: 4 });
    expect(done.plan.scraps.s).toMatchObject({ supplyId: 'a', count: 2 });
    expect(done.plan.palettes.c!.supplyIds).toEqual(['a']);
    expect(done.plan.colourRows.r!.slots).toEqual(['', 'a']);
    expect(done.plan.supplies.a).toMatchObject({ openWidth: 1500, openLength: 2700 });
    expect(run(done.plan, done.inverse as never)).toEqual(plan);
  });
  test('a thing cannot be put together with itself, nor with what is not there', () => {
    const plan = run(room, { type: 'addSupplies', supplies: [block({ id: 'a' }), block({ id: 'b' })] });
    for (const others of [['a'], ['b', 'b'], ['nobody']])
      expect(apply(plan, { type: 'mergeSupplies', id: 'a', others }).ok).toBe(false);
  });
});

test('views of the list and lists of one’s own come, change and go like anything else', () => {
  const view = {
    id: 'v',
    name: 'Inks',
    columns: ['name', 'size'],
    sortBy: 'size',
    descending: true,
    groupBy: '',
    filter: 'ink',
  };
  const list = {
    id: 'l',
    name: 'Her list',
    headings: ['Item', 'Dims'],
    meanings: ['name', 'size'],
    measure: 'imperial' as const,
  };
  let plan = run(run(room, { type: 'addListView', listView: view }), { type: 'addOwnList', ownList: list });
  plan = run(plan, { type: 'setListView', id: 'v', set: { descending: false } });
  expect([plan.listViews.v!.descending, plan.ownLists.l!.headings]).toEqual([false, ['Item', 'Dims']]);
  expect(Object.keys(run(plan, { type: 'removeListView', id: 'v' }).listViews)).toEqual([]);
});
