import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { KINDS } from '../../things/kinds/index.ts';
import { blankSupply, type Command, type Plan, type Supply } from '../../record/plan/index.ts';
import { applied, block, home, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import {
  aisleFor,
  aisleOfKind,
  apartIn,
  familiesIn,
  isOddsAndEnds,
  isOneName,
  nameOfPlace,
  namesWanted,
  namingOf,
  ownerOf,
  livesSaid,
  placeSaid,
  SAYING,
  sayingsIn,
  shelvedAs,
  type Shelved,
  togetherThatMustBeApart,
  withoutAisle,
} from './index.ts';

type Thing = Partial<Supply> & { id: string };
const LEVELS = ['thing', 'kind', 'family', 'own', 'aisle'] as const;

/** A chest and a bookcase with these things in these places. */
function room(things: readonly (readonly [Thing, string?])[], more: Command[] = []): Plan {
  return applied(
    withUnits(
      tinyRoom(),
      unit('lowChest', { id: 'chest', x: 4300, y: 2600, facing: 270 }),
      unit('bookcase', { id: 'case', x: 1800, y: 5800, facing: 180 }),
    ),
    ...things.map(([of]): Command => ({
      type: 'addSupplies',
      supplies: [block({ name: of.id, family: '', width: 60, depth: 40, height: 20, mass: 30, ...of })],
    })),
    ...things.flatMap(([of, place]) => (place ? [home(of.id, place)] : [])),
    ...more,
  );
}

describe('what things are called by', () => {
  test('every family of the catalogue stands under an aisle, and so does every kind', () => {
    expect(withoutAisle()).toEqual([]);
    expect(KINDS.filter((kind) => aisleOfKind(kind.id) === null).map((kind) => kind.id)).toEqual([]);
  });

  // common practice, no source: where a maker would look in a shop
  test.each([
    ['washi-tape', 'adhesives'],
    ['ruler', 'measuring'],
    ['cutting-mat', 'cutting'],
    ['gloves', 'protection'],
    ['coin-cell', 'light'],
    ['developer-bottle', 'chemistry'],
    ['needle-pack', 'thread'],
    ['dowel', 'long'],
    ['lye', 'chemistry'],
  ])('the kind %s stands under %s', (kind, aisle) => expect(aisleOfKind(kind)).toBe(aisle));

  test.each([
    ['Sun-print chemistry', 'chemistry'],
    ['Lantern paper', 'paper'],
    ['Wet tools', 'wet'],
    ['Kite line', 'ribbon'],
    ['Odd jobs', null],
  ])('a family of one’s own tells its aisle by its name: %s → %s', (family, aisle) => {
    const plan = room([[{ id: 'a', family, name: 'Qwx' }]]);
    expect(aisleFor(plan, family)).toBe(aisle);
  });

  test('a family whose name tells nothing goes by most of its things, and its maker has the last word', () => {
    const things: [Thing][] = [
      [{ id: 'a', family: 'Odd jobs', kind: 'washi-tape' }],
      [{ id: 'b', family: 'Odd jobs', kind: 'masking-tape' }],
      [{ id: 'c', family: 'Odd jobs', kind: 'hammer' }],
    ];
    const plan = room(things);
    expect(aisleFor(plan, 'Odd jobs')).toBe('adhesives');
    // what is of another kind than the rest stands where its kind does
    expect(shelvedAs(plan, 'c')!.aisle!.id).toBe('tools');
    const moved = applied(plan, {
      type: 'addFamilyAisle',
      familyAisle: { id: 'f', family: 'Odd jobs', aisle: 'packing' },
    });
    expect(familiesIn(moved).get('Odd jobs')).toMatchObject({ aisle: 'packing', moved: true });
    expect(shelvedAs(moved, 'c')!.aisle!.id).toBe('packing');
    const nonsense = applied(moved, { type: 'setFamilyAisle', id: 'f', set: { aisle: 'no such aisle' } });
    expect(aisleFor(nonsense, 'Odd jobs')).toBe('adhesives');
  });

  test('what one activity fetches seven times of ten is its own', () => {
    const other: Command[] = [
      { type: 'addActivity', activity: { ...tinyRoom().activities.work!, id: 'kites', name: 'Kites' } },
      { type: 'addUse', use: use('a', 7, 'kites') },
      { type: 'addUse', use: use('a', 3) },
      { type: 'addUse', use: use('b', 6, 'kites') },
      { type: 'addUse', use: use('b', 4) },
    ];
    const plan = room([[{ id: 'a' }], [{ id: 'b' }], [{ id: 'c' }]], other);
    expect(['a', 'b', 'c'].map((id) => ownerOf(plan, id))).toEqual(['kites', null, null]);
    expect(shelvedAs(plan, 'a')!.own!.words).toBe('for kites');
  });
});

describe('what a place is called', () => {
  test('two of one name in a unit say which they are; what holds nothing but reserves says so', () => {
    const card = (id: string, at: string, more: Partial<Supply> = {}): [Thing, string] => [
      { id, name: `Card, ${id}`, kind: 'card', family: 'Card', ...more },
      at,
    ];
    const plan = room(
      [
        card('red', 'chest.0.0'),
        card('blue', 'chest.0.0'),
        card('white', 'chest.1.0', { backstock: 5 }),
        card('black', 'chest.1.0', { name: 'Black card' }),
        card('kraft', 'case.0.0'),
        card('grey', 'case.0.0'),
      ],
      [{ type: 'assignHome', supplyId: 'white', share: 'backstock', placeId: 'chest.2.0', since: '2026-05-01' }],
    );
    const words = (id: string) => nameOfPlace(plan, id)!.words;
    expect([words('chest.0.0'), words('chest.1.0')]).toEqual(['Card: blue and red', 'Card: black card and white']);
    // in another unit it is no other drawer beside
    expect(words('case.0.0')).toBe('Card');
    expect(words('chest.2.0')).toBe('Card, white, reserve');
    // what is nowhere but there is what one is looking for
    const alone = applied(plan, { type: 'leaveHome', supplyId: 'white', share: 'working' });
    expect(nameOfPlace(alone, 'chest.2.0')!.words).toBe('Card, white');
    // a name its maker has written stays
    const typed = applied(plan, { type: 'setPlace', id: 'chest.0.0', set: { labelWords: 'Card' } });
    expect(nameOfPlace(typed, 'chest.0.0')!.words).toBe('Card');
    const many = ['a', 'b', 'c', 'd'].map((id) => card(id, 'chest.0.0'));
    expect(nameOfPlace(room([...many, card('red', 'chest.1.0'), card('blue', 'chest.1.0')]), 'chest.0.0')!.words).toBe(
      'Card: a, b and more',
    );
  });

  test('the shortest saying: a thing, a family, two names; what nothing covers is odds and ends; a name that is written stays', () => {
    const card = (id: string): [Thing, string] => [
      { id, name: `${id} card`, kind: 'card', family: 'Card' },
      'chest.0.0',
    ];
    const plan = room([
      card('red'),
      card('blue'),
      [{ id: 'rule', name: 'Steel rule', kind: 'ruler', family: 'Tools' }, 'chest.1.0'],
      [{ id: 'thread', name: 'Thread', kind: 'thread-spool', family: 'Thread' }, 'chest.2.0'],
      [{ id: 'zip', name: 'Zips', kind: 'zip', family: 'Sewing' }, 'chest.2.0'],
      ...['x', 'y', 'z', 'w', 'v'].map((id): [Thing, string] => [{ id, name: `Qw ${id}` }, 'case.0.0']),
    ]);
    expect(nameOfPlace(plan, 'chest.0.0')).toMatchObject({ words: 'Card', uncovered: [], price: 0 });
    expect(nameOfPlace(plan, 'chest.1.0')!.words).toBe('Steel rule');
    expect(nameOfPlace(plan, 'chest.2.0')!.words).toBe('Thread and needles');
    const odd = nameOfPlace(plan, 'case.0.0')!;
    expect(isOddsAndEnds(odd)).toBe(true);
    expect(odd.words).toMatch(/odds and ends$/);
    expect(nameOfPlace(plan, 'chest.3.0')).toBeNull();
    expect(placeSaid(plan, plan.places['chest.0.0']!)).toBe('Low chest › drawer 1 · Card');
    const lives = (id: string) => livesSaid(plan, plan.supplies[id]!, 5);
    expect(lives('red')).toBe('Card · Low chest › drawer 1');
    // called as the thing itself: that says nothing
    expect(lives('rule')).toBe('Low chest › drawer 2');
    expect(lives('x')).toMatch(/odds and ends · /);
    expect(sayingsIn(plan)).toEqual({ places: 3, oneName: 2, oddsAndEnds: 1 });
    const typed = applied(plan, { type: 'setPlace', id: 'case.0.0', set: { labelWords: 'Treasures' } });
    expect(nameOfPlace(typed, 'case.0.0')).toMatchObject({ words: 'Treasures', uncovered: [], typed: true });
    // a name that says what the program knows covers that and no more
    const half = applied(plan, { type: 'setPlace', id: 'chest.2.0', set: { labelWords: 'My thread' } });
    expect(nameOfPlace(half, 'chest.2.0')).toMatchObject({ words: 'My thread', uncovered: ['zip'] });
  });

  test('how many names things take, and how many places there are to be named', () => {
    const plan = room([
      [{ id: 'a', family: 'Card', kind: 'card' }],
      [{ id: 'b', family: 'Paper', kind: 'printer-paper' }],
      [{ id: 'c', family: 'Thread', kind: 'thread-spool' }],
      [{ id: 'd', name: 'Qwx' }],
    ]);
    const places = Object.values(plan.places).filter((p) => p.kind !== 'top').length;
    expect(namesWanted(plan)).toEqual({ aisles: 3, families: 4, places });
    const out = applied(plan, { type: 'setPlace', id: 'chest.0.0', set: { keptOut: 'the radio' } });
    expect(namesWanted(out).places).toBe(places - 1);
  });

  test('no saying is cheaper: held against every set of up to three names', () => {
    const thing = fc.record({
      kind: fc.option(fc.integer({ min: 0, max: 5 }), { nil: null, freq: 4 }),
      family: fc.option(fc.integer({ min: 0, max: 3 }), { nil: null, freq: 4 }),
      own: fc.option(fc.integer({ min: 0, max: 2 }), { nil: null, freq: 1 }),
      aisle: fc.option(fc.integer({ min: 0, max: 2 }), { nil: null, freq: 4 }),
    });
    fc.assert(
      fc.property(fc.array(thing, { minLength: 1, maxLength: 7 }), (list) => {
        const things: Shelved[] = list.map((t, i) => ({
          thing: { level: 'thing', id: `t${i}`, words: `t${i}` },
          kind: t.kind === null ? null : { level: 'kind', id: `k${t.kind}`, words: `k${t.kind}` },
          family: t.family === null ? null : { level: 'family', id: `f${t.family}`, words: `f${t.family}` },
          own: t.own === null ? null : { level: 'own', id: `o${t.own}`, words: `o${t.own}` },
          aisle: t.aisle === null ? null : { level: 'aisle', id: `a${t.aisle}`, words: `a${t.aisle}` },
        }));
        const all = [...new Set(things.flatMap((t) => LEVELS.flatMap((l) => (t[l] ? [`${l} ${t[l].id}`] : []))))];
        const price = (names: readonly string[]) => {
          const bare = things.filter((t) => !LEVELS.some((l) => t[l] && names.includes(`${l} ${t[l].id}`))).length;
          const wide = names.filter((n) => n.startsWith('aisle')).length;
          return SAYING.names[names.length]! + SAYING.uncovered * bare + SAYING.aisle * wide;
        };
        let least = Infinity;
        for (const [i, a] of all.entries()) {
          least = Math.min(least, price([a]));
          for (const [j, b] of all.entries()) {
            if (j <= i) continue;
            least = Math.min(least, price([a, b]));
            for (const c of all.slice(j + 1)) least = Math.min(least, price([a, b, c]));
          }
        }
        const naming = namingOf(things);
        expect(naming.price).toBeCloseTo(least, 9);
        expect(naming.price).toBeCloseTo(price(naming.names.map((n) => `${n.level} ${n.id}`)), 9);
        expect(isOneName(naming)).toBe(naming.names.length === 1 && naming.uncovered.length === 0);
      }),
      { numRuns: 300 },
    );
  });
});

/** Everything the demo's homes broke before there were rules for it, and what lies together by right (common practice: labels and safety sheets come first). */
describe('what must be apart', () => {
  const knife: Thing = { id: 'knife', name: 'Craft knife', kind: 'craft-knife', hazards: ['blade'] };
  const cells: Thing = { id: 'cells', name: 'Button cells', family: 'Light' };
  const peroxide: Thing = {
    id: 'peroxide',
    name: 'Hydrogen peroxide, 3 %',
    family: 'Sun-print chemistry',
    form: 'bottle',
  };
  const needles: Thing = {
    id: 'needles',
    name: 'Felting needles',
    kind: 'felting-needle',
    hazards: ['blade', 'small'],
  };
  const glueGun: Thing = { id: 'gun', name: 'Hot glue gun', kind: 'hot-glue-gun', hazards: ['hot'] };
  const rule = (a: Thing, b: Thing, place = 'chest.0.0') => {
    const plan = room([
      [a, place],
      [b, place],
    ]);
    const found = apartIn(plan, plan.places[place]!, plan.supplies[a.id]!, plan.supplies[b.id]!);
    // said first is what forbids it first; another rule may too
    expect(togetherThatMustBeApart(plan)[0]?.rule.id).toBe(found?.id);
    return found?.id ?? null;
  };
  const thing = (name: string, kind: string, more: Partial<Supply> = {}): Thing => ({ id: kind, name, kind, ...more });
  const ink = thing('Ink', 'drawing-ink', { form: 'bottle' });
  test.each([
    { what: 'a craft knife between erasers', a: knife, b: thing('Erasers', 'eraser'), apart: 'sharp' },
    { what: 'a craft knife with button cells', a: knife, b: cells, apart: 'sharp' },
    { what: 'button cells with a steel rule', a: cells, b: thing('Steel rule', 'ruler'), apart: 'cells' },
    { what: 'peroxide with print paper', a: peroxide, b: thing('Print paper', 'photo-paper'), apart: 'chemistry' },
    { what: 'peroxide with felting needles', a: peroxide, b: needles, apart: 'chemistry' },
    { what: 'felting needles with wool', a: needles, b: thing('Wool tops', 'wool-tops'), apart: 'sharp' },
    { what: 'a glue gun on tissue', a: glueGun, b: thing('Tissue', 'tissue-paper'), apart: 'hot' },
    {
      what: 'peroxide with spirit',
      a: peroxide,
      b: thing('White spirit', 'white-spirit', { hazards: ['flammable', 'toxic'] }),
      apart: 'oxidiser',
    },
    { what: 'ink over card on an open shelf', a: ink, b: thing('Card', 'card'), apart: 'liquids', place: 'case.0.0' },
    { what: 'ink beside card in a drawer', a: ink, b: thing('Card', 'card'), apart: null },
    { what: 'peroxide with gloves', a: peroxide, b: thing('Nitrile gloves', 'gloves'), apart: null },
    { what: 'a knife with blades', a: knife, b: thing('Blades', 'knife-blade', { hazards: ['blade'] }), apart: null },
    { what: 'needles with pins', a: needles, b: thing('Pins', 'box-of-pins', { hazards: ['blade'] }), apart: null },
    { what: 'a glue gun with its sticks', a: glueGun, b: thing('Sticks', 'glue-stick-for-gun'), apart: null },
    {
      what: 'a pencil sharpener with pencils',
      a: thing('Sharpener', 'pencil-sharpener', { hazards: ['blade'] }),
      b: thing('Pencils', 'pencil'),
      apart: null,
    },
  ])('$what', ({ a, b, apart, place }) => expect(rule(a, b, place)).toBe(apart));

  test('a supply of no kind is told by its name', () => {
    expect(blankSupply('x', 'Craft knife').kind).toBe('');
    expect(rule({ ...knife, kind: '' }, { id: 'e', name: 'Erasers' })).toBe('sharp');
  });
});
