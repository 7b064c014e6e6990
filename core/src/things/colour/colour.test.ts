import { describe, expect, test } from '@jest/globals';
import { colorsNamed, differenceCiede2000 } from 'culori';
import fc from 'fast-check';
import {
  type Coloured,
  colourDifference,
  compareBy,
  HUE_FAMILIES,
  insertInto,
  isInOrder,
  layRow,
  nearestColours,
  slotsFor,
  toneOf,
} from './index.ts';

const web = (name: string) => `#${(colorsNamed as Record<string, number>)[name]!.toString(16).padStart(6, '0')}`;
const thing = (id: string, colour: string | null, name = id, line = ''): Coloured => ({
  ...{ id, name, colour, line },
  ...{ theme: '', width: null, depth: null },
});

describe('families of colour', () => {
  // names of CSS Color 4: what the web calls a red is one
  test.each([
    ['red', ['red', 'crimson', 'firebrick', 'darkred']],
    ['orange', ['orange', 'darkorange', 'coral']],
    ['yellow', ['yellow', 'gold', 'khaki']],
    ['green', ['green', 'limegreen', 'forestgreen', 'olive', 'seagreen']],
    ['turquoise', ['turquoise', 'teal', 'darkcyan', 'aqua']],
    ['blue', ['blue', 'royalblue', 'navy', 'steelblue', 'skyblue']],
    ['purple', ['purple', 'indigo', 'mediumpurple', 'darkviolet', 'rebeccapurple']],
    ['pink', ['pink', 'hotpink', 'deeppink', 'lightpink']],
    ['brown', ['saddlebrown', 'sienna', 'chocolate', 'peru', 'tan']],
    ['white', ['white', 'snow', 'whitesmoke', 'ivory']],
    ['grey', ['gray', 'silver', 'dimgray']],
    ['black', ['black']],
  ] as const)('%s', (family, names) => {
    expect(names.map((n) => [n, toneOf(web(n)).family])).toEqual(names.map((n) => [n, family]));
  });

  // Sharma, Wu and Dalal 2005, test data of CIEDE2000 (memory): pairs in CIELAB
  test.each([
    [[50, 2.6772, -79.7751], [50, 0, -82.7485], 2.0425],
    [[50, 3.1571, -77.2803], [50, 0, -82.7485], 2.8615],
    [[50, -1.3802, -84.2814], [50, 0, -82.7485], 1.0],
    [[50, 2.5, 0], [73, 25, -18], 27.1492],
    [[2.0776, 0.0795, -1.135], [0.9033, -0.0636, -0.5514], 0.9082],
  ] as const)('the difference of %j and %j is %d', (a, b, expected) => {
    const lab = ([l, a, b]: readonly [number, number, number]) => ({ mode: 'lab65' as const, l, a, b });
    expect(differenceCiede2000()(lab(a), lab(b))).toBeCloseTo(expected, 3);
  });

  test('the same colour is no difference apart, black and white as far as can be; nearest are found first', () => {
    expect(colourDifference('#336699', '#336699')).toBe(0);
    expect(colourDifference('#000000', '#ffffff')).toBeCloseTo(100, 3);
    const stock = [thing('a', '#cc2222'), thing('b', '#22cc22'), thing('c', null), thing('d', '#bb3322')];
    expect(nearestColours(stock, '#cc2020', 2).map((n) => n.thing.id)).toEqual(['a', 'd']);
  });
});

describe('rows', () => {
  const hex = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`);
  const orders = fc.constantFrom('rainbow', 'lightness', 'name', 'line', 'theme', 'size');

  test('the rainbow: neutrals first, then round the wheel from red, light before dark', () => {
    const row = ['navy', 'white', 'pink', 'skyblue', 'red', 'black', 'gold'].map((n) => thing(n, web(n)));
    expect(row.sort(compareBy('rainbow')).map((t) => t.id)).toEqual([
      'white',
      'black',
      'red',
      'gold',
      'skyblue',
      'navy',
      'pink',
    ]);
    expect(HUE_FAMILIES.indexOf('black')).toBeLessThan(HUE_FAMILIES.indexOf('red'));
  });

  test('a laid row is in order, holds everything, and its gaps are spread', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(hex, { minLength: 1, maxLength: 12 }),
        fc.integer({ min: 0, max: 8 }),
        orders,
        (colours, spare, order) => {
          const wanted = colours.map((c, i) => ({ ...thing(`t${i}`, c), slots: 1 + (i % 2) }));
          const taken = wanted.reduce((s, w) => s + w.slots, 0);
          const row = layRow(wanted, order, taken + spare)!;
          const by = new Map(wanted.map((w) => [w.id, w]));
          expect(row).toHaveLength(taken + spare);
          expect(
            isInOrder(
              row.map((id) => (id === null ? null : by.get(id)!)),
              order,
            ),
          ).toBe(true);
          for (const w of wanted) expect(row.filter((id) => id === w.id)).toHaveLength(w.slots);
          // between any two no more than one gap over what is even
          let run = 0;
          for (const id of row) {
            run = id === null ? run + 1 : 0;
            expect(run).toBeLessThanOrEqual(Math.ceil(spare / wanted.length) + 1);
          }
          expect(layRow(wanted, order, taken - 1)).toBeNull();
        },
      ),
    );
  });

  test('a newcomer moves as few as any way of putting it in would: against every way there is', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(hex, { minLength: 2, maxLength: 6 }),
        fc.integer({ min: 1, max: 3 }),
        fc.array(fc.nat(20), { minLength: 3, maxLength: 3 }),
        (colours, gaps, where) => {
          const [newcomer, ...there] = colours.map((c, i) => thing(`t${i}`, c)) as [Coloured, ...Coloured[]];
          const things = new Map(there.map((t) => [t.id, t]));
          const slots: (string | null)[] = [...there].sort(compareBy('rainbow')).map((t) => t.id);
          for (let k = 0; k < gaps; k++) slots.splice(where[k]! % (slots.length + 1), 0, null);
          const placed = insertInto(slots, things, newcomer, 'rainbow')!;
          const all = new Map([...things, [newcomer.id, newcomer] as const]);
          const look = (row: readonly (string | null)[]) => row.map((id) => (id === null ? null : all.get(id)!));
          expect(isInOrder(look(placed.slots), 'rainbow')).toBe(true);
          const moved = there.filter((t) => slots.indexOf(t.id) !== placed.slots.indexOf(t.id));
          expect(moved.map((t) => t.id).sort()).toEqual([...placed.moved].sort());
          // every row in order of the same length
          const sorted = [...there, newcomer].sort(compareBy('rainbow'));
          let fewest = Infinity;
          const go = (row: (string | null)[], next: number) => {
            if (row.length === slots.length) {
              if (next < sorted.length) return;
              fewest = Math.min(fewest, there.filter((t) => row.indexOf(t.id) !== slots.indexOf(t.id)).length);
              return;
            }
            if (next < sorted.length) go([...row, sorted[next]!.id], next + 1);
            if (slots.length - row.length > sorted.length - next) go([...row, null], next);
          };
          go([], 0);
          expect(placed.moved).toHaveLength(fewest);
        },
      ),
      { numRuns: 200 },
    );
    expect(
      insertInto(
        ['a', 'b'],
        new Map([
          ['a', thing('a', '#111111')],
          ['b', thing('b', '#222222')],
        ]),
        thing('c', '#333333'),
        'name',
      ),
    ).toBeNull();
  });

  test('slots by stock, two for what goes fast', () => {
    expect([
      slotsFor(40, 70, false),
      slotsFor(40, 70, true),
      slotsFor(150, 70, false),
      slotsFor(150, 70, true),
    ]).toEqual([1, 2, 3, 3]);
    expect(slotsFor(0, 70, false)).toBe(1);
  });
});
