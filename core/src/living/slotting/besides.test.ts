import { describe, expect, test } from '@jest/globals';
import { randomSlotting } from '../../testing/index.ts';
import { type Besides, checkAnswer, Random, type SlottingProblem, slottingTotal, solveSlotting } from './index.ts';

const now = () => 0;
const LOTS = 6;
const PLACES = 4;

/** What is counted besides in these tests: a price for each two lots in one place, told from all that is where it is. */
function pairsOf(seed: number, problem: SlottingProblem) {
  const random = new Random(seed);
  const n = problem.lots.length;
  const price = Array.from({ length: n }, () =>
    Array.from({ length: n }, () => Math.floor(400 * (random.next() - 0.5))),
  );
  const costs = (at: readonly number[]) => {
    let sum = 0;
    for (let a = 0; a < n; a++) for (let b = 0; b < a; b++) if (at[a]! >= 0 && at[a] === at[b]) sum += price[a]![b]!;
    return sum;
  };
  const at = new Array<number>(n).fill(-1);
  const besides: Besides = {
    move: (l, p) => (at[l] = p < problem.places.length ? p : -1),
    total: () => costs(at),
    mayGain: () => 1000,
  };
  const placeOf = new Map(problem.places.map((p, i) => [p.id, i]));
  const ofHomes = (homes: readonly { lot: string; place: string }[]) => {
    const there = new Map(homes.map((h) => [h.lot, placeOf.get(h.place)!]));
    return costs(problem.lots.map((lot) => there.get(lot.id) ?? -1));
  };
  return { besides, ofHomes };
}

/** Not together: a rule no sum of room can say, the same for every place. */
const notThese = (lots: readonly string[]): boolean =>
  lots.length > 1 && lots.reduce((sum, id) => sum + Number(/\d+/.exec(id)![0]), 0) % 3 === 1;

/** Every assignment there is, one by one. */
function* everyAssignment(problem: SlottingProblem): Generator<{ lot: string; place: string }[]> {
  const ways = problem.lots.map((lot) => [null, ...lot.options.map((o) => o.place)]);
  const go = function* (l: number, homes: { lot: string; place: string }[]): Generator<typeof homes> {
    if (l === ways.length) {
      if (checkAnswer(problem, homes).length === 0) yield homes;
      return;
    }
    for (const place of ways[l]!)
      yield* go(l + 1, place === null ? homes : [...homes, { lot: problem.lots[l]!.id, place }]);
  };
  yield* go(0, []);
}

const inPlaces = (homes: readonly { lot: string; place: string }[]): string[][] => [
  ...homes
    .reduce((map, h) => map.set(h.place, [...(map.get(h.place) ?? []), h.lot]), new Map<string, string[]>())
    .values(),
];

describe('more than sums', () => {
  test.each([1, 2, 3, 4, 5, 6])(
    'what is counted besides, and what cannot be together: the best of every assignment there is, tried one by one (room %i)',
    async (seed) => {
      const problem = randomSlotting(seed + 700, {
        ...{ lots: LOTS, places: PLACES, fill: 0.8, families: seed % 2 === 0, mixing: seed % 3 === 0 },
      });
      const { besides, ofHomes } = pairsOf(seed, problem);
      const lies = (homes: readonly { lot: string; place: string }[]) => !inPlaces(homes).some(notThese);
      let best = Infinity;
      for (const homes of everyAssignment(problem))
        if (lies(homes)) best = Math.min(best, slottingTotal(problem, homes) + ofHomes(homes));
      const answer = await solveSlotting(problem, {
        ...{ work: 200_000, seed, now, besides },
        over: (_, lots) => (notThese(lots) ? [lots[0]!] : []),
      });
      expect(checkAnswer(problem, answer.homes)).toEqual([]);
      expect(lies(answer.homes)).toBe(true);
      expect(answer.total).toBeCloseTo(slottingTotal(problem, answer.homes) + ofHomes(answer.homes), 4);
      expect(answer.total).toBeCloseTo(best, 4);
    },
  );

  test('a larger room with names, families and carried boxes: what is found lies, its total is true, and no worse than what it started from', async () => {
    const problem = randomSlotting(31, { lots: 60, places: 24, families: true, mixing: true, charges: true });
    const plain = await solveSlotting(problem, { work: 60_000, seed: 1, now });
    const lying = plain.homes.filter(
      (h) => !inPlaces(plain.homes).some((lots) => notThese(lots) && lots.includes(h.lot)),
    );
    const { besides, ofHomes } = pairsOf(9, problem);
    const answer = await solveSlotting(problem, {
      ...{ work: 120_000, seed: 2, now, besides, start: lying },
      over: (_, lots) => (notThese(lots) ? [lots[0]!] : []),
    });
    expect(checkAnswer(problem, answer.homes)).toEqual([]);
    expect(inPlaces(answer.homes).filter(notThese)).toEqual([]);
    expect(answer.total).toBeCloseTo(slottingTotal(problem, answer.homes) + ofHomes(answer.homes), 3);
    expect(answer.total).toBeLessThanOrEqual(slottingTotal(problem, lying) + ofHomes(lying) + 1e-6);
  });

  test('only bettering, and asked whether things lie: what does not is sent out of what it starts from', async () => {
    const problem = randomSlotting(12, { lots: 30, places: 12 });
    const start = (await solveSlotting(problem, { work: 30_000, seed: 1, now })).homes;
    expect(inPlaces(start).some(notThese)).toBe(true);
    const answer = await solveSlotting(problem, {
      ...{ work: 20_000, seed: 1, now, polish: true, start },
      over: (_, lots) => (notThese(lots) ? [lots[0]!] : []),
    });
    expect(inPlaces(answer.homes).filter(notThese)).toEqual([]);
  });
});
