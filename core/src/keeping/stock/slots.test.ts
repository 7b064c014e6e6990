import { describe, expect, test } from '@jest/globals';
import { isInOrder } from '../../things/colour/index.ts';
import { stowageOf } from '../../things/fit/index.ts';
import { apply, type Command, countIn, homesOf, type Plan, type Supply } from '../../record/plan/index.ts';
import { applied, home, sheet, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import {
  insertCommand,
  insertWays,
  inSlot,
  nearestInStock,
  oneWalk,
  planInsert,
  rowCommand,
  rowInOrder,
  rowMass,
  rowNow,
  rowWith,
  slotRowsOf,
} from './index.ts';

const IN = 25.4;
const since = '2026-11-26';
const card = (id: string, colour: string, set: Partial<Supply> = {}): Supply =>
  sheet({
    id,
    name: id,
    colour,
    width: 12 * IN,
    depth: 12 * IN,
    height: null,
    grammage: 216,
    working: 40,
    lies: ['flat', 'edge', 'upright'],
    ...set,
  });
const COLOURS = { navy: '#203060', red: '#b02020', white: '#ffffff', gold: '#e0b020', teal: '#207070' };
/** Eight upright slots of 20 mm and more, five colours in no order. */
const room = (...more: Supply[]): Plan =>
  applied(
    withUnits(
      tinyRoom(),
      unit('paperSlots', { id: 'slots', x: 3000, y: 5800, width: 240, depth: 340, height: 340, columns: 8 }),
    ),
    { type: 'addSupplies', supplies: [...Object.entries(COLOURS).map(([id, c]) => card(id, c)), ...more] },
    ...Object.keys(COLOURS).map((id, i) => home(id, `slots.0.${i}`)),
  );
const rowOf = (plan: Plan) => slotRowsOf(plan).find((r) => r.id === 'slots')!;

describe('paper in slots', () => {
  test('a slot of 20 mm takes 70 sheets of 0.27 mm; 216 g/m² are so thick, and 12 × 12 in of it weigh 20.07 g', () => {
    // check values of the trade: 216 ÷ 800 kg/m³ = 0.27 mm; 20 ÷ (0.27 × 1.05) = 70.5
    const place = { ...Object.values(room().places).find((p) => p.id === 'slots.0.0')!, width: 20 };
    const red = card('red', COLOURS.red);
    expect(inSlot(place, red, 40)).toMatchObject({ most: 70, share: 40 / 70, bows: true });
    expect(inSlot(place, red, 50)).toMatchObject({ bows: false });
    expect(inSlot({ ...place, height: 300 }, red, 50)).toMatchObject({ most: 0 });
    // eight slots full of it, 20.07 g a sheet (check value of the trade)
    const plan = applied(
      room(),
      ...Object.keys(COLOURS).map((id): Command => ({ type: 'setSupply', id, set: { mass: 20.07 } })),
    );
    const { now, full } = rowMass(plan, rowOf(plan));
    expect(now).toBeCloseTo(200 * 20.07, 3);
    expect(full).toBeCloseTo(8 * inSlot(plan.places['slots.0.1']!, plan.supplies.red!, 1)!.most * 20.07, 3);
    // 340 mm deep, the sheet 304.8: 35.2 mm too far
    expect(inSlot({ ...place, depth: 340 }, red, 50)!.stop).toBeCloseTo(35.2, 3);
    expect(inSlot({ ...place, depth: 320 }, red, 50)!.stop).toBe(0);
  });

  test('a row is laid in order with gaps, every colour lives in its slot then, and one undo brings back what was', () => {
    const plan = room();
    const row = rowOf(plan);
    expect(rowNow(plan, row)).toEqual(['navy', 'red', 'white', 'gold', 'teal', null, null, null]);
    const laid = rowInOrder(plan, row, 'rainbow')!;
    expect(laid.slots.filter(Boolean)).toEqual(['white', 'red', 'gold', 'teal', 'navy']);
    const done = apply(plan, rowCommand(plan, row, 'rainbow', laid.slots, since));
    if (!done.ok) throw new Error(done.reason);
    expect(rowNow(done.plan, rowOf(done.plan))).toEqual(laid.slots);
    for (const [i, id] of laid.slots.entries())
      if (id) expect(homesOf(done.plan, id, 'working').map((h) => h.placeId)).toEqual([row.places[i]!.id]);
    const back = apply(done.plan, done.inverse);
    expect(back.ok && back.plan.homes).toEqual(plan.homes);
    expect(
      rowInOrder(
        plan,
        row,
        'rainbow',
        ['a', 'b', 'c', 'd'].map(() => 'navy'),
      )!.slots,
    ).toHaveLength(8);
  });

  test('two colours in one slot are parted when the row is laid', () => {
    const plan = applied(room(card('orange', '#e07020')), home('orange', 'slots.0.1'));
    expect(rowInOrder(plan, rowOf(plan), 'rainbow')!.slots.filter(Boolean)).toHaveLength(6);
  });

  test('a newcomer finds its slot between its neighbours; a row in no order says so', () => {
    const plan = room(card('orange', '#e07020'));
    const { orange } = plan.supplies;
    expect(rowWith(plan, rowOf(plan), 'rainbow', orange!)).toBeNull();
    const laid = applied(
      plan,
      rowCommand(plan, rowOf(plan), 'rainbow', rowInOrder(plan, rowOf(plan), 'rainbow')!.slots, since),
    );
    const placed = rowWith(laid, rowOf(laid), 'rainbow', orange!)!;
    const things = placed.slots.map((id) => (id ? laid.supplies[id]! : null));
    expect(isInOrder(things, 'rainbow')).toBe(true);
    expect(placed.slots.filter(Boolean)).toEqual(['white', 'red', 'orange', 'gold', 'teal', 'navy']);
  });

  test('what goes fast has two slots, its sheets shared between them, and nothing hangs over', () => {
    const plan = applied(room(), { type: 'addUse', use: use('white', 6) });
    const row = rowOf(plan);
    const laid = rowInOrder(plan, row, 'rainbow')!;
    expect(laid.slots.filter((id) => id === 'white')).toHaveLength(2);
    const then = applied(plan, { type: 'setSupply', id: 'white', set: { working: 120 } });
    const full = applied(
      then,
      rowCommand(then, rowOf(then), 'rainbow', rowInOrder(then, rowOf(then), 'rainbow')!.slots, since),
    );
    const counts = homesOf(full, 'white', 'working').map((h) => countIn(full, h, full.supplies.white!));
    expect(counts.reduce((a, b) => a + b, 0)).toBe(120);
    expect(counts).toHaveLength(2);
    for (const place of rowOf(full).places) expect(stowageOf(full, place).things.every((t) => t.over === 0)).toBe(true);
  });

  test('nearest in stock leaves out what is used up; one walk is no longer than a walk for each', () => {
    const plan = applied(room(card('gone', '#b02021', { working: 0 })), {
      type: 'addUse',
      use: use('red', 2),
    });
    expect(nearestInStock(plan, '#b02022').supplies[0]!.thing.id).toBe('red');
    const stations = Object.values(plan.stations);
    const walk = oneWalk(
      plan,
      stations[0]!,
      ['red', 'navy', 'teal'].map((id) => plan.supplies[id]!),
    );
    expect(walk.supplies).toHaveLength(3);
    expect(walk.together).toBeLessThan(walk.each);
    expect(oneWalk(plan, stations[0]!, [plan.supplies.gone!]).missing).toHaveLength(1);
  });
});

describe('an insert for many colours', () => {
  // a cubby of 330 × 330 × 380 mm, as of a cube unit (common practice), four by four of them
  const cubes = (count: number, set: Partial<Supply> = {}): Plan =>
    applied(
      withUnits(
        tinyRoom(),
        unit('cubeUnit', { id: 'cubes', x: 2800, y: 5800, width: 1380, depth: 390, height: 1380, rows: 4, columns: 4 }),
      ),
      {
        type: 'addSupplies',
        supplies: Array.from({ length: count }, (_, i) => card(`c${i}`, '#203060', { working: 20, ...set })),
      },
    );
  const ids = (count: number) => Array.from({ length: count }, (_, i) => `c${i}`);
  const cubbies = (plan: Plan, of: string[]) => insertWays(plan, of).find((w) => w.kind === 'slots')!;

  test('a slot of a twelve-slot insert takes two full packs of card (common practice), so forty colours with a fifth kept free take five cubbies', () => {
    const plan = cubes(40);
    const way = cubbies(plan, ids(40));
    expect(way.places).toHaveLength(16);
    const twelve = planInsert(plan, ids(40), way, 0.2, 12)!;
    // 40 ÷ 0.8 = 50 slots, twelve in each
    expect(twelve).toMatchObject({ each: 12, slots: 50, inserts: 5, free: 20, lacking: 0, several: [] });
    expect(twelve.most).toBeGreaterThanOrEqual(60);
    // as many slots as a hand gets into: fewer cubbies are wanted, and fewer papers bow
    const best = planInsert(plan, ids(40), way, 0.2)!;
    expect(best.size).toBeGreaterThanOrEqual(12);
    expect(best.inserts).toBeLessThan(5);
    expect(best.bows).toBeLessThanOrEqual(twelve.bows);
  });

  test('of a pile too thick for one slot there are several; sheets too large for it, or nothing measured, are planned nowhere', () => {
    const plan = cubes(3, { working: 150 });
    const found = planInsert(plan, ids(3), cubbies(plan, ids(3)), 0, 12)!;
    expect(found.several).toEqual(ids(3).map((id) => ({ id, slots: Math.ceil(150 / found.most) })));
    expect(insertWays(cubes(3, { width: 400 }), ids(3))).toEqual([]);
    expect(insertWays(cubes(3, { width: null }), ids(3))).toEqual([]);
    expect(insertWays(plan, [])).toEqual([]);
  });

  test('the cubbies divided are one row, read from the top left, in which all is laid in order', () => {
    const plan = cubes(20);
    const way = cubbies(plan, ids(20));
    const planned = planInsert(plan, ids(20), way, 0, 12)!;
    const made = applied(plan, insertCommand(plan, way, planned)!);
    const row = slotRowsOf(made).find((r) => r.id === 'cubes')!;
    expect(row.length).toBe(24);
    expect(row.places.slice(0, 13).map((p) => p.inId)).toEqual([
      ...new Array<string>(12).fill(planned.places[0]!.id),
      planned.places[1]!.id,
    ]);
    const laid = rowInOrder(made, row, 'name', ids(20))!;
    const then = applied(made, rowCommand(made, row, 'name', laid.slots, since));
    expect(
      rowNow(
        then,
        slotRowsOf(then).find((r) => r.id === 'cubes')!,
      ).filter(Boolean),
    ).toEqual(ids(20));
  });
});

describe('inserts that are bought', () => {
  test('several of them go into one place; what is to be bought comes in whole packs', () => {
    const plan = applied(
      withUnits(
        tinyRoom(),
        unit('bookcase', { id: 'case', x: 3000, y: 5700, facing: 180, width: 1000, depth: 400, rows: 4 }),
      ),
      {
        type: 'addOrganiser',
        organiser: {
          ...{
            id: 'insert',
            name: 'Insert',
            width: 300,
            depth: 340,
            height: 330,
            innerWidth: 290,
            innerDepth: 330,
            innerHeight: 320,
          },
          ...{
            lid: false,
            lidRise: 0,
            seeThrough: false,
            packOf: 2,
            have: 1,
            nature: 'row',
            pockets: 0,
            divided: 'slots 8',
          },
          ...{ carried: false, mass: null, price: 9 },
        },
      },
      {
        type: 'addSupplies',
        supplies: Array.from({ length: 20 }, (_, i) => card(`c${i}`, '#203060', { working: 20 })),
      },
    );
    const ids = Object.keys(plan.supplies);
    const way = insertWays(plan, ids).find((w) => w.organiser?.id === 'insert')!;
    const planned = planInsert(plan, ids, way, 0)!;
    // twenty colours, eight slots each: three inserts, one is there, the others come in a pack of two
    expect(planned).toMatchObject({ each: 8, inserts: 3, lacking: 0, buy: 2 });
    expect(new Set(planned.places).size).toBeLessThan(3);
    const made = applied(plan, insertCommand(plan, way, planned)!);
    expect(Object.values(made.places).filter((p) => p.organiserId === 'insert')).toHaveLength(3);
    expect(slotRowsOf(made).find((r) => r.places.length === 24)).toBeDefined();
  });
});

describe('files', () => {
  test('hanging files with papers in them are a row of pockets: a paper takes as many as it needs', () => {
    const plan = applied(
      withUnits(tinyRoom(), unit('fileDrawer', { id: 'files', x: 3000, y: 5700 })),
      {
        type: 'addSupplies',
        supplies: Object.entries(COLOURS).map(([id, c]) => card(id, c, { width: 210, depth: 297, working: 10 })),
      },
      ...Object.keys(COLOURS).map((id) => home(id, 'files.0.0')),
    );
    const row = slotRowsOf(plan).find((r) => r.id === 'files.0.0')!;
    // files stand 25 mm apart (common practice)
    expect(row.length).toBe(Math.floor(plan.places['files.0.0']!.depth / 25));
    const laid = rowInOrder(plan, row, 'rainbow')!;
    expect([...new Set(laid.slots.filter(Boolean))]).toEqual(['white', 'red', 'gold', 'teal', 'navy']);
  });
});
