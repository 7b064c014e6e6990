import { describe, expect, test } from '@jest/globals';
import { blankOrganiser, type Organiser } from '../../record/plan/index.ts';
import { applied, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { goesIn, goesInBeside, seatsFor, shoppingList, stowageOf } from './index.ts';

const cubby = { width: 330, height: 330, depth: 380, covers: [] as string[] };
const organiser = (over: Partial<Organiser> = {}): Organiser => ({
  ...blankOrganiser('bin', 'Bin', 160, 340, 200),
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
    for (const [i, inId] of ['cubes.0.0', 'cubes.0.0', 'cubes.0.1', 'cubes.0.1', 'cubes.0.1', 'cubes.0.1'].entries())
      plan = applied(plan, {
        type: 'standIn',
        id: `bin-${i}`,
        organiserId: 'bin',
        name: 'Bin',
        inId,
        left: 0,
        front: 0,
        bottom: 0,
        turned: false,
      });
    expect(shoppingList(plan)).toMatchObject([{ need: 6, packs: 2, buy: 8, spare: 3 }]);
    expect(shoppingList(applied(plan, { type: 'setOrganiser', id: 'bin', set: { have: 6 } }))).toMatchObject([
      { packs: 0, buy: 0, spare: 0 },
    ]);
  });
});

describe('seats for containers', () => {
  const standing = (count: number, over: Partial<Organiser> = {}) => {
    const box = organiser({ width: 105, depth: 180, height: 100, ...over });
    let plan = applied(withUnits(tinyRoom(), unit('cubeUnit', { id: 'cubes', x: 1000, y: 1000 })), {
      type: 'addOrganiser',
      organiser: box,
    });
    const seats = seatsFor(plan, plan.places['cubes.0.0']!, box, count);
    for (const [i, seat] of seats.entries())
      plan = applied(plan, {
        type: 'standIn',
        id: `b${i}`,
        organiserId: 'bin',
        name: `Box ${i + 1}`,
        inId: 'cubes.0.0',
        ...seat,
      });
    return { plan, seats, box };
  };

  // common practice: three bins of 105 mm side by side in a cubby of 330 × 330 × 380 mm; two deep, three high of these
  test('side by side, one behind another, on each other: as many as the sizes allow, and none stands in another', () => {
    const { plan, seats } = standing(99);
    expect(seats).toHaveLength(18);
    expect(stowageOf(plan, plan.places['cubes.0.0']!).faults).toEqual([]);
    expect(new Set(seats.map((s) => s.bottom))).toEqual(new Set([0, 100, 200]));
  });

  test('a lid that rises keeps its room above; what is there already keeps its seat', () => {
    expect(standing(99, { lid: true, lidRise: 90 }).seats).toHaveLength(6);
    const { plan, box } = standing(2);
    const [next] = seatsFor(plan, plan.places['cubes.0.0']!, box, 1);
    expect(next).toMatchObject({ left: 108, front: 0, bottom: 0 });
    expect(seatsFor(plan, plan.places['cubes.0.0']!, { ...box, height: 400 }, 1)).toEqual([]);
  });

  test('beside what stands there: as many more as are missing to a full one, none into a full one, all into an empty one', () => {
    for (const there of [0, 1, 7, 18]) {
      const { plan, box } = standing(there);
      const cubby = plan.places['cubes.0.0']!;
      expect(goesIn(cubby, box)).toMatchObject({ ok: true, fits: 18 });
      expect(goesInBeside(plan, cubby, box)).toBe(18 - there);
      // so it is where they are set in for real
      expect(seatsFor(plan, cubby, box, 99)).toHaveLength(18 - there);
    }
    // a crumb in a place where something stands: not looked for one by one without end
    const crumbs = standing(1);
    expect(goesInBeside(crumbs.plan, crumbs.plan.places['cubes.0.0']!, { width: 5, depth: 5, height: 5 })).toBe(60);
    // what may lie on its side finds the room that is left above what stands there
    const { plan } = standing(6);
    const cubby = plan.places['cubes.0.0']!;
    expect(goesInBeside(plan, cubby, { width: 100, depth: 100, height: 400 }, true)).toBe(0);
    expect(goesInBeside(plan, cubby, { width: 1000, depth: 10, height: 10 }, true)).toBe(0);
  });
});
