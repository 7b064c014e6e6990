import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { randomSlotting, solveWithHighs } from '../../testing/index.ts';

import { Random } from './random.ts';
import { fewestNames } from './cover.ts';
import { Sack } from './sack.ts';
import { checkAnswer, readSlotting, type SlottingProblem, slottingTotal, solveSlotting } from './index.ts';

/** Time stands still: the work alone ends the search, whatever the machine. */
const now = () => 0;
/** A clock that goes on by so much at every look. */
const ticking = (ms: number) => {
  let t = 0;
  return () => (t += ms);
};
const empty: SlottingProblem = { format: 'heronstone-slotting/3', places: [], lots: [], families: [], charges: [] };

/** An answer after little work is the optimum of HiGHS, its total true, its bound not above it, and nothing is over-full. */
async function heldAgainstHighs(problem: SlottingProblem, seed: number): Promise<void> {
  const answer = await solveSlotting(problem, { work: 60_000, seed, now });
  const reference = await solveWithHighs(problem, 60);
  expect(answer.total).toBeCloseTo(reference.total, 1);
  expect(answer.total).toBeCloseTo(slottingTotal(problem, answer.homes), 4);
  expect(answer.bound).toBeLessThanOrEqual(reference.total + 1e-6);
  expect(checkAnswer(problem, answer.homes)).toEqual([]);
}

describe('slotting', () => {
  test.each(Array.from({ length: 12 }, (_, i) => [i + 1, i % 2 === 1, i % 3 === 0 ? 1.1 : 0.8] as const))(
    '12 lots × 6 places, room %i: equal to the optimum of HiGHS (reference MIP solver)',
    async (seed, families, fill) => {
      const problem = randomSlotting(seed, { lots: 12, places: 6, families, fill });
      const answer = await solveSlotting(problem, { work: 190_000, seed, now });
      const reference = await solveWithHighs(problem, 60);
      expect(reference.status).toBe('Optimal');
      expect(answer.total).toBeCloseTo(reference.total, 1);
      expect(answer.bound).toBeLessThanOrEqual(reference.total + 1e-6);
      expect(checkAnswer(problem, answer.homes)).toEqual([]);
    },
  );

  test.each(Array.from({ length: 10 }, (_, i) => [i + 1, i % 2 === 0, i % 3 !== 0] as const))(
    '10 lots × 7 places with charges (%i; families %s, seasons %s): equal to the optimum of HiGHS',
    async (seed, families, seasons) => {
      const problem = randomSlotting(seed + 40, { lots: 10, places: 7, families, seasons, charges: true, fill: 1 });
      expect(readSlotting(problem)).toMatchObject({ ok: true });
      await heldAgainstHighs(problem, seed);
    },
  );

  test.each(Array.from({ length: 12 }, (_, i) => [i + 1, i % 2 === 0, i % 3 === 0] as const))(
    '10 lots × 8 places in units that are visited (%i; families %s, carried containers %s): equal to the optimum of HiGHS',
    async (seed, families, charges) => {
      const problem = randomSlotting(seed + 160, { lots: 10, places: 8, families, charges, visits: true, fill: 0.9 });
      expect(readSlotting(problem)).toEqual({ ok: true, problem });
      await heldAgainstHighs(problem, seed);
    },
  );

  test.each([1, 2, 3, 4, 5, 6, 7, 8])(
    '10 lots × 7 places whose boards sag (%i): equal to the optimum of HiGHS',
    async (seed) => {
      const problem = randomSlotting(seed + 80, {
        ...{ lots: 10, places: 7, families: seed % 2 === 0, charges: seed % 3 === 0 },
        ...{ sagging: true, loaded: 0.5 + 0.1 * (seed % 4), fill: 0.8 },
      });
      expect(readSlotting(problem)).toEqual({ ok: true, problem });
      await heldAgainstHighs(problem, seed);
    },
  );

  test.each([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12])(
    '10 lots × 6 places where names cost, some of them apart (%i): equal to the optimum of HiGHS',
    async (seed) => {
      const problem = randomSlotting(seed + 300, {
        ...{
          lots: 10,
          places: 6,
          families: seed % 2 === 0,
          charges: seed % 3 === 0,
          visits: seed % 4 === 0,
          fill: 0.9,
        },
        ...{ mixing: true, apart: seed % 3 !== 1, seasons: seed % 5 === 0 },
      });
      expect(readSlotting(problem)).toEqual({ ok: true, problem });
      await heldAgainstHighs(problem, seed);
    },
  );

  test.each([1, 2, 3, 4, 5, 6, 7, 8])(
    '10 lots × 8 places, three of four in a row that is one place to a family (%i): equal to the optimum of HiGHS',
    async (seed) => {
      const shape = { lots: 10, places: 8, families: true, charges: seed % 3 === 0, mixing: seed % 4 === 0, fill: 0.9 };
      const problem = randomSlotting(seed + 500, { ...shape, rows: true });
      expect(readSlotting(problem)).toEqual({ ok: true, problem });
      await heldAgainstHighs(problem, seed);
    },
  );

  test('a family in two slots of a row pays nothing, in a row and beside it once; rows that are wrong are said', () => {
    const places = ['a', 'b', 'c'];
    const room: SlottingProblem = {
      ...empty,
      places: places.map((id) => ({ id, capacity: 1, load: 9 })),
      lots: places.map((id) => ({
        ...{ id: `l${id}`, weight: 1, leave: 900 },
        options: [{ place: id, cost: 1, use: 1 }],
      })),
      families: [{ id: 'f', lots: places.map((id) => `l${id}`), spread: 100 }],
      rows: [['a', 'b']],
    };
    const homes = places.map((place) => ({ lot: `l${place}`, place }));
    expect(slottingTotal(room, homes.slice(0, 2))).toBe(2 + 900);
    expect(slottingTotal(room, homes)).toBe(3 + 100);
    expect(readSlotting({ ...room, rows: [['a', 'z']] })).toMatchObject({
      ok: false,
      reason: expect.stringMatching(/not there: z/),
    });
    expect(readSlotting({ ...room, rows: [['a'], ['b', 'a']] })).toMatchObject({
      ok: false,
      reason: expect.stringMatching(/two rows/),
    });
  });

  test('the fewest names of a place: as few as there are among all sets of concepts', () => {
    const things = fc.array(fc.uniqueArray(fc.integer({ min: 0, max: 6 }), { maxLength: 4 }), { maxLength: 9 });
    fc.assert(
      fc.property(things, (list) => {
        const alone = list.filter((t) => t.length === 0).length;
        let least = Infinity;
        for (let set = 0; set < 1 << 7; set++) {
          const covers = list.every((t) => t.length === 0 || t.some((c) => (set >> c) & 1));
          if (covers) least = Math.min(least, [0, 1, 2, 3, 4, 5, 6].filter((c) => (set >> c) & 1).length);
        }
        expect(fewestNames(list)).toBe(least + alone);
      }),
      { numRuns: 400 },
    );
  });

  test('names beyond the first are paid where they lie, what is apart is not put together, and what is wrong with either is said', () => {
    const lot = (id: string) => ({
      ...{ id, weight: 1, leave: 900 },
      options: ['p', 'q'].map((place) => ({ place, cost: place === 'p' ? 1 : 50, use: 1 })),
    });
    const room: SlottingProblem = {
      ...empty,
      places: ['p', 'q'].map((id) => ({ id, capacity: 9, load: 9 })),
      lots: ['red', 'blue', 'knife'].map(lot),
      mixing: { concepts: [{ id: 'card', lots: ['red', 'blue'] }], cost: 30, at: { q: 0 } },
    };
    const all = (place: string) => room.lots.map(({ id }) => ({ lot: id, place }));
    expect(slottingTotal(room, all('p'))).toBe(3 + 30);
    expect(slottingTotal(room, all('q'))).toBe(150);
    const apart = [{ lots: ['knife'], from: ['red', 'blue'] }];
    expect(checkAnswer({ ...room, apart }, all('p'))).toHaveLength(2);
    expect(checkAnswer({ ...room, apart: [{ ...apart[0]!, places: ['q'] }] }, all('p'))).toEqual([]);
    const wrong = (more: object) => readSlotting({ ...room, ...more });
    expect(wrong({ mixing: { concepts: [{ id: 'c', lots: ['x'] }], cost: 1 } })).toMatchObject({ ok: false });
    expect(wrong({ mixing: { concepts: [], cost: 1, at: { z: 1 } } })).toMatchObject({ ok: false });
    expect(wrong({ apart: [{ lots: ['red'], from: ['red'] }] })).toMatchObject({
      ok: false,
      reason: expect.stringContaining('apart from itself'),
    });
  });

  test('tiny rooms with families, charges and periods: the best of every assignment there is, tried one by one; the bound never above it', async () => {
    for (let seed = 1; seed <= 24; seed++) {
      const shape = {
        lots: 6,
        places: 3,
        families: true,
        charges: true,
        seasons: seed % 2 === 0,
        fill: 1.1,
        reachable: 1,
        mixing: seed % 3 === 0,
        apart: seed % 4 === 0,
        rows: seed % 5 === 0,
      };
      const problem = randomSlotting(seed, shape);
      let best = Infinity;
      const homes: { lot: string; place: string }[] = [];
      const go = (l: number) => {
        if (l === problem.lots.length) {
          if (checkAnswer(problem, homes).length === 0) best = Math.min(best, slottingTotal(problem, homes));
          return;
        }
        go(l + 1);
        for (const { place } of problem.lots[l]!.options) {
          homes.push({ lot: problem.lots[l]!.id, place });
          go(l + 1);
          homes.pop();
        }
      };
      go(0);
      const answer = await solveSlotting(problem, { work: 15_000, seed, now });
      expect(answer.total).toBeCloseTo(best, 4);
      expect(answer.bound).toBeLessThanOrEqual(best + 1e-6);
    }
  });

  test('the first and the second version of the format are read for ever', () => {
    const lots = [{ id: 'l', weight: 1, leave: 9, options: [{ place: 'p', cost: 1, use: 2 }] }];
    const first = { format: 'heronstone-slotting/1', places: [{ id: 'p', capacity: 3, load: 4 }], lots, families: [] };
    expect(readSlotting(first)).toEqual({
      ok: true,
      problem: { ...first, format: 'heronstone-slotting/3', charges: [] },
    });
    const second = { ...first, format: 'heronstone-slotting/2', charges: [{ place: 'p', lots: ['l'], cost: 2 }] };
    const charges = [{ places: ['p'], lots: ['l'], cost: 2 }];
    expect(readSlotting(second)).toEqual({
      ok: true,
      problem: { ...second, format: 'heronstone-slotting/3', charges },
    });
    // the third as it was first written, too
    const third = { ...second, format: 'heronstone-slotting/3' };
    expect(readSlotting(third)).toEqual({ ok: true, problem: { ...third, charges } });
  });

  test.each([
    [60, 25, false, 0.7],
    [120, 40, true, 0.9],
    [120, 40, false, 1.3],
  ] as const)(
    '%i lots × %i places (families: %s, filled to %f): feasible, totals true, above its own bound, better than the LP bound allows',
    async (lots, places, families, fill) => {
      const problem = randomSlotting(3, { lots, places, families, fill });
      const answer = await solveSlotting(problem, { work: 270_000, now });
      expect(checkAnswer(problem, answer.homes)).toEqual([]);
      expect(answer.total).toBeCloseTo(slottingTotal(problem, answer.homes), 4);
      expect(answer.homes.length + answer.unplaced.length).toBe(lots);
      expect(answer.bound).toBeGreaterThan(0);
      expect(answer.bound).toBeLessThanOrEqual(answer.total);
      const relaxed = await solveWithHighs(problem, 60, true);
      expect(answer.total).toBeGreaterThanOrEqual(relaxed.total - 1e-6);
      if (fill > 1) expect(answer.unplaced.length).toBeGreaterThan(0);
    },
  );

  test('same seed, same answer; another seed may differ but stays feasible', async () => {
    const problem = randomSlotting(5, { lots: 60, places: 20, families: true });
    const run = (seed: number) => solveSlotting(problem, { work: 110_000, seed, now });
    expect((await run(4)).homes).toEqual((await run(4)).homes);
    expect(checkAnswer(problem, (await run(9)).homes)).toEqual([]);
  });

  test('whatever the room, the answer is feasible and its total true', async () => {
    const amount = fc.integer({ min: 0, max: 50 });
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.record({ capacity: amount, load: amount }), { maxLength: 5 }),
        fc.array(
          fc.record({
            weight: amount,
            leave: amount,
            options: fc.array(fc.record({ to: fc.nat(4), cost: amount, use: amount }), { maxLength: 5 }),
          }),
          { maxLength: 10 },
        ),
        fc.array(fc.record({ lots: fc.uniqueArray(fc.nat(9), { maxLength: 6 }), spread: amount }), { maxLength: 3 }),
        async (places, lots, families) => {
          const problem: SlottingProblem = {
            ...empty,
            places: places.map((p, i) => ({ id: `p${i}`, ...p })),
            lots: lots.map((l, i) => ({
              id: `l${i}`,
              weight: l.weight,
              leave: l.leave,
              options: [
                ...new Map(
                  l.options
                    .filter((o) => o.to < places.length)
                    .map((o) => [o.to, { place: `p${o.to}`, cost: o.cost, use: o.use }]),
                ).values(),
              ],
            })),
            families: families.map((f, i) => ({
              id: `f${i}`,
              spread: f.spread,
              lots: f.lots.filter((l) => l < lots.length).map((l) => `l${l}`),
            })),
          };
          const answer = await solveSlotting(problem, { work: 4000, now });
          expect(checkAnswer(problem, answer.homes)).toEqual([]);
          expect(answer.total).toBeCloseTo(slottingTotal(problem, answer.homes), 6);
          expect(answer.bound).toBeLessThanOrEqual(answer.total + 1e-9);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('lots that fit nowhere are named; an empty problem costs nothing; cancel ends with what there is', async () => {
    const lonely: SlottingProblem = {
      ...empty,
      places: [{ id: 'p', capacity: 5, load: 5 }],
      lots: [{ id: 'big', weight: 1, leave: 70, options: [{ place: 'p', cost: 1, use: 9 }] }],
    };
    expect(await solveSlotting(lonely, { work: 1000, now })).toMatchObject({
      total: 70,
      bound: 70,
      gap: 0,
      homes: [],
      unplaced: ['big'],
    });
    expect(await solveSlotting(empty, { work: 1000, now })).toMatchObject({ total: 0, bound: 0, gap: 0 });
    let rounds = 0;
    const problem = randomSlotting(1, { lots: 80, places: 30 });
    const stopped = await solveSlotting(problem, {
      work: 1_000_000,
      now: ticking(50),
      onProgress: () => rounds++,
      cancelled: () => rounds >= 3,
    });
    expect(rounds).toBe(4);
    expect(checkAnswer(problem, stopped.homes)).toEqual([]);
  });

  test('the same work gives the same answer on any machine', async () => {
    for (const families of [false, true]) {
      const problem = randomSlotting(8, { lots: 70, places: 30, families });
      const once = await solveSlotting(problem, { work: 100_000, now });
      const again = await solveSlotting(problem, { work: 100_000, now: ticking(1) });
      expect(again.homes).toEqual(once.homes);
      expect(again.work).toBe(once.work);
    }
  });

  test('limited by the clock, a machine eight times slower cools down all the same: less than 10 % lost on average, 15 % at worst', async () => {
    const lost: number[] = [];
    for (const seed of [1, 2]) {
      for (const families of [false, true]) {
        const problem = randomSlotting(seed, { lots: 160, places: 60, families });
        const [fast, slow] = [
          await solveSlotting(problem, { seconds: 2, now: ticking(2) }),
          await solveSlotting(problem, { seconds: 2, now: ticking(16) }),
        ];
        lost.push(slow.total / fast.total - 1);
      }
    }
    expect(lost.reduce((a, b) => a + b, 0) / lost.length).toBeLessThan(0.1);
    expect(Math.max(...lost)).toBeLessThan(0.15);
  });

  test('an assignment to start from is never made worse, and what of it does not fit is left out', async () => {
    const problem = randomSlotting(6, { lots: 80, places: 25, fill: 1.05 });
    const good = await solveSlotting(problem, { work: 300_000, now });
    const hurried = await solveSlotting(problem, { work: 1, now, start: good.homes });
    expect(hurried.total).toBeLessThanOrEqual(good.total);
    const crowded = problem.lots.map((lot) => ({ lot: lot.id, place: lot.options[0]!.place }));
    const eased = await solveSlotting(problem, { work: 1, now, start: [...crowded, { lot: 'nobody', place: 'p0' }] });
    expect(checkAnswer(problem, eased.homes)).toEqual([]);
  });

  test.each([
    ['by room', { fill: 0.95 }],
    ['by weight', { fill: 0.3, loaded: 1.5 }],
    ['by both', { fill: 0.95, loaded: 1.05 }],
  ])(
    'rooms limited %s: the bound is near the linear relaxation, worked out by HiGHS, and never above an answer',
    async (_, shape) => {
      const problem = randomSlotting(1, { lots: 120, places: 30, ...shape });
      const relaxed = (await solveWithHighs(problem, 30, true)).total;
      const answer = await solveSlotting(problem, { work: 900_000, now });
      expect(checkAnswer(problem, answer.homes)).toEqual([]);
      // with both limits binding in every place the prices have farther to go
      expect(answer.bound).toBeGreaterThan(relaxed * (shape.fill > 0.5 && 'loaded' in shape ? 0.95 : 0.99));
      expect(answer.bound).toBeLessThanOrEqual(answer.total);
    },
  );

  test('the best a place can take in, with things tied in bundles that cost once: as every selection tried one by one', () => {
    const random = new Random(3);
    for (let round = 0; round < 300; round++) {
      const n = 1 + random.below(10);
      const sack = new Sack(12, 2);
      sack.count = n;
      sack.bundles = 1 + random.below(n);
      sack.tops = 1 + random.below(3);
      for (let t = 0; t < sack.tops; t++) sack.topCharge[t] = random.next() < 0.5 ? 0 : 60 * random.next();
      for (let b = 0; b < sack.bundles; b++) {
        sack.top[b] = random.below(sack.tops);
        sack.charge[b] = random.next() < 0.4 ? 0 : 40 * random.next();
      }
      for (let i = 0; i < n; i++) {
        sack.profit[i] = 50 * random.next();
        sack.size.set([1 + 30 * random.next(), 20 * random.next()], 2 * i);
        sack.bundle[i] = random.below(sack.bundles);
      }
      const limits = Float64Array.from([10 + 80 * random.next(), 5 + 60 * random.next()]);
      const worth = (chosen: (i: number) => boolean): number => {
        const items = Array.from({ length: n }, (_, i) => i).filter(chosen);
        const sum = (of: (i: number) => number) => items.reduce((s, i) => s + of(i), 0);
        if (sum((i) => sack.size[2 * i]!) > limits[0]! || sum((i) => sack.size[2 * i + 1]!) > limits[1]!)
          return -Infinity;
        const bundles = [...new Set(items.map((i) => sack.bundle[i]!))];
        const tops = [...new Set(bundles.map((b) => sack.top[b]!))];
        const paid =
          bundles.reduce((s, b) => s + sack.charge[b]!, 0) + tops.reduce((s, t) => s + sack.topCharge[t]!, 0);
        return sum((i) => sack.profit[i]!) - paid;
      };
      let best = 0;
      for (let mask = 0; mask < 1 << n; mask++)
        best = Math.max(
          best,
          worth((i) => ((mask >> i) & 1) === 1),
        );
      expect(sack.solve(limits, Float64Array.from([random.next(), 0]), 1e6)).toBeCloseTo(best, 6);
      expect(worth((i) => sack.chosen[i] === 1)).toBeCloseTo(best, 6);
      // stopped at once it still bounds
      expect(sack.solve(limits, new Float64Array(2), 0)).toBeGreaterThanOrEqual(best - 1e-6);
    }
  });

  test('a family stays together when that is worth it', async () => {
    const place = (id: string) => ({ id, capacity: 100, load: 100 });
    const lot = (id: string, a: number, b: number) => ({
      id,
      weight: 1,
      leave: 1000,
      options: [
        { place: 'a', cost: a, use: 40 },
        { place: 'b', cost: b, use: 40 },
      ],
    });
    const problem: SlottingProblem = {
      ...empty,
      places: [place('a'), place('b')],
      lots: [lot('x', 10, 12), lot('y', 12, 10)],
      families: [{ id: 'f', lots: ['x', 'y'], spread: 50 }],
    };
    expect((await solveSlotting(problem, { work: 40_000, now })).total).toBe(22);
    expect((await solveSlotting({ ...problem, families: [] }, { work: 40_000, now })).total).toBe(20);
  });

  test.each([
    [{}, /format/],
    [{ ...empty, format: 'other' }, /heronstone-slotting\/3/],
    [{ ...empty, charges: [{ place: 'p', lots: ['l'], cost: 1 }] }, /charge 1 names a place that is not there/],
    [
      {
        ...empty,
        places: [
          { id: 'p', capacity: [1, 2], load: 1 },
          { id: 'q', capacity: [1, 2, 3], load: 1 },
        ],
      },
      /another number of periods/,
    ],
    [{ ...empty, places: [{ id: 'p', capacity: -1, load: 1 }] }, /cannot be negative/],
    [{ ...empty, places: [{ id: 'p', capacity: 'x', load: 1 }] }, /must be a number/],
    [
      { ...empty, lots: [{ id: 'l', weight: 1, leave: 1, options: [{ place: 'nowhere', cost: 1, use: 1 }] }] },
      /not there: nowhere/,
    ],
    [
      {
        ...empty,
        places: [
          { id: 'p', capacity: 1, load: 1 },
          { id: 'p', capacity: 1, load: 1 },
        ],
      },
      /twice/,
    ],
    [{ ...empty, families: [{ id: 'f', lots: ['l'], spread: 1 }] }, /not there: l/],
    [null, /./],
  ])('bad problem %# is refused with a reason', (value, why) => {
    const read = readSlotting(value);
    expect(read.ok).toBe(false);
    expect(!read.ok && read.reason).toMatch(why);
  });

  test('“enough” is heard in every phase: between two chances to hear it never more than a few pieces of work; the answer is feasible', async () => {
    const problem = randomSlotting(3, { lots: 700, places: 120, fill: 0.9, families: true });
    // a clock by which every look at it takes 41 ms, so that every chance is used
    let time = 0;
    const clock = () => (time += 41);
    let chances = 0;
    const full = await solveSlotting(problem, { work: 1000, now: clock, breathe: async () => void chances++ });
    expect(chances).toBeGreaterThan(30);
    for (const enough of [0, 1, 5, 9, 14, Math.floor(chances / 2)]) {
      let heard = 0;
      time = 0;
      const answer = await solveSlotting(problem, {
        work: 1000,
        now: clock,
        breathe: async () => void heard++,
        cancelled: () => heard > enough,
      });
      // a phase cut short is followed by none that is longer than one piece
      expect(heard).toBeLessThanOrEqual(enough + 4);
      expect(checkAnswer(problem, answer.homes)).toEqual([]);
      expect(answer.bound).toBeLessThanOrEqual(full.total + 1e-6);
    }
  });
});
