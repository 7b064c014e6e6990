import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type Organiser, type Plan } from '../plan/index.ts';
import { applied, block, tinyRoom, unit, withUnits } from '../testing/index.ts';
import { goesIn, packPlace, PLAY, shoppingList } from './index.ts';

const cubby = { width: 330, height: 330, depth: 380, covers: [] as string[] };
const organiser = (over: Partial<Organiser> = {}): Organiser => ({
  id: 'bin',
  name: 'Bin',
  width: 160,
  depth: 340,
  height: 200,
  innerWidth: 156,
  innerDepth: 336,
  innerHeight: 198,
  lid: false,
  lidRise: 0,
  seeThrough: false,
  packOf: 1,
  have: 0,
  ...over,
});

describe('organisers in a place', () => {
  // common practice: a 330 × 330 × 380 cubby takes 2 large, 3 medium or 4 small bins side by side
  test.each([
    [160, 2],
    [105, 3],
    [78, 4],
  ])('bins %i mm wide: %i across', (width, across) => {
    expect(goesIn(cubby, organiser({ width }))).toMatchObject({ ok: true, across, deep: 1, stacked: 1 });
  });

  test('both sides of the edge: three millimetres of play, and by how much not', () => {
    expect(goesIn(cubby, organiser({ width: 327, depth: 377 })).ok).toBe(true);
    expect(goesIn(cubby, organiser({ width: 328, depth: 378 }))).toMatchObject({
      ok: false,
      words: expect.stringMatching(/needs 1 mm more/),
    });
    expect(goesIn(cubby, organiser({ width: 350, depth: 340 })).ok).toBe(false);
    expect(goesIn(cubby, organiser({ width: 370, depth: 320 }))).toMatchObject({ ok: true, turned: true });
  });

  test('a lid must open: on a shelf it needs its rise, in a drawer it does not', () => {
    const box = organiser({ height: 250, lid: true, lidRise: 90 });
    expect(goesIn(cubby, box)).toMatchObject({ ok: false, words: 'needs 13 mm more height for its lid to open' });
    expect(goesIn(cubby, { ...box, lidRise: 77 })).toMatchObject({ ok: true, stacked: 1 });
    expect(goesIn({ ...cubby, covers: ['drawer'] }, box).ok).toBe(true);
  });

  test('a thing may be laid on its side, an organiser not', () => {
    const tall = { width: 100, depth: 100, height: 340 };
    expect(goesIn(cubby, tall).ok).toBe(false);
    expect(goesIn(cubby, tall, true).ok).toBe(true);
  });

  test('shopping list: counts rounded up to packs, spares left', () => {
    let plan = withUnits(tinyRoom(), unit('cubeUnit', { id: 'cubes', x: 1000, y: 1000 }));
    plan = applied(plan, { type: 'addOrganiser', organiser: organiser({ packOf: 4, have: 1 }) });
    plan = applied(
      plan,
      { type: 'addOrganiserSet', organiserSet: { id: 'a', organiserId: 'bin', placeId: 'cubes.0.0', count: 2 } },
      { type: 'addOrganiserSet', organiserSet: { id: 'b', organiserId: 'bin', placeId: 'cubes.0.1', count: 4 } },
    );
    expect(shoppingList(plan)).toMatchObject([{ need: 6, packs: 2, buy: 8, spare: 3 }]);
    expect(shoppingList(applied(plan, { type: 'setOrganiser', id: 'bin', set: { have: 6 } }))).toMatchObject([
      { packs: 0, buy: 0, spare: 0 },
    ]);
  });
});

describe('the inside of a drawer', () => {
  const filled = (things: { width: number; depth: number; height: number; working: number }[]): Plan => {
    let plan = withUnits(tinyRoom(), unit('lowChest', { id: 'chest', x: 1000, y: 1000 }));
    for (const [i, thing] of things.entries())
      plan = applied(
        plan,
        { type: 'addSupplies', supplies: [block({ id: `s${i}`, name: `Thing ${i}`, ...thing })] },
        { type: 'assignHome', supplyId: `s${i}`, share: 'working', placeId: 'chest.0.0', since: '2026-11-01' },
      );
    return plan;
  };
  const size = fc.integer({ min: 10, max: 400 });
  const thing = fc.record({ width: size, depth: size, height: size, working: fc.integer({ min: 1, max: 60 }) });

  test('stacks never overlap, never leave the drawer, and nothing is lost', () => {
    fc.assert(
      fc.property(fc.array(thing, { minLength: 1, maxLength: 8 }), (things) => {
        const plan = filled(things);
        const place = plan.places['chest.0.0']!;
        const { stacks, left } = packPlace(plan, place);
        for (const s of stacks) {
          expect(s.x).toBeGreaterThanOrEqual(0);
          expect(s.y).toBeGreaterThanOrEqual(0);
          expect(s.x + s.width).toBeLessThanOrEqual(place.width + 1e-6);
          expect(s.y + s.depth).toBeLessThanOrEqual(place.depth + 1e-6);
        }
        for (const [i, a] of stacks.entries())
          for (const b of stacks.slice(i + 1))
            expect(
              a.x + a.width <= b.x + 1e-6 ||
                b.x + b.width <= a.x + 1e-6 ||
                a.y + a.depth <= b.y + 1e-6 ||
                b.y + b.depth <= a.y + 1e-6,
            ).toBe(true);
        const pieces = [...stacks, ...left].reduce((sum, s) => sum + s.pieces, 0);
        expect(pieces).toBe(things.reduce((sum, t) => sum + t.working, 0));
      }),
      { numRuns: 60 },
    );
  });

  test('organisers take their room too', () => {
    let plan = filled([{ width: 100, depth: 100, height: 30, working: 1 }]);
    plan = applied(
      plan,
      { type: 'addOrganiser', organiser: organiser({ height: 60 }) },
      { type: 'addOrganiserSet', organiserSet: { id: 'a', organiserId: 'bin', placeId: 'chest.0.0', count: 2 } },
    );
    const { stacks } = packPlace(plan, plan.places['chest.0.0']!);
    const bins = stacks.filter((s) => s.kind === 'organiser');
    expect(bins.reduce((sum, s) => sum + s.pieces, 0)).toBe(2);
    expect(bins[0]!.width === 160 + PLAY || bins[0]!.depth === 160 + PLAY).toBe(true);
  });
});
