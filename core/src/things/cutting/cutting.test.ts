import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type Scrap } from '../../record/plan/index.ts';
import { maximalPatterns } from './maximal.ts';
import {
  aheadSaves,
  countsOf,
  type Cut,
  cutListOf,
  cutTogether,
  drawnOf,
  envelopeBlank,
  Guillotine,
  holds,
  offRoll,
  outOfScraps,
  type Piece,
  restsOf,
  scrapsFor,
  type Sheet,
  tooSmall,
  usualPieces,
  worthFiling,
  yieldOf,
} from './index.ts';

const IN = 25.4;
const sheet = (width: number, depth: number, grain: Sheet['grain'] = null): Sheet => ({ width, depth, grain });
const piece = (width: number, depth: number, grain: Piece['grain'] = 'any', id = 'p'): Piece => ({
  id,
  width,
  depth,
  grain,
});
const inches = (w: number, d: number): readonly [number, number] => [w * IN, d * IN];

/** Every guillotine cut at every whole millimetre, tried: what a sheet can be worth at most. Knows nothing of normal positions. */
function exhaustive(w: number, d: number, pieces: readonly Piece[], values: readonly number[]): number {
  const known = new Map<number, number>();
  const go = (w: number, d: number): number => {
    const key = w * 1000 + d;
    let best = known.get(key);
    if (best !== undefined) return best;
    best = 0;
    for (const [i, p] of pieces.entries())
      if ((p.width <= w && p.depth <= d) || (p.depth <= w && p.width <= d)) best = Math.max(best, values[i]!);
    for (let x = 1; x <= w / 2; x++) best = Math.max(best, go(x, d) + go(w - x, d));
    for (let y = 1; y <= d / 2; y++) best = Math.max(best, go(w, y) + go(w, d - y));
    known.set(key, best);
    return best;
  };
  return go(w, d);
}

/** Every set of counts that one sheet can be cut into, and from these the fewest sheets for what is wanted. */
function fewestSheets(w: number, d: number, pieces: readonly Piece[], wanted: readonly number[]): number {
  const known = new Map<number, Set<string>>();
  const cap = (v: number[]) => v.map((n, i) => Math.min(n, wanted[i]!));
  const go = (w: number, d: number): Set<string> => {
    const key = w * 1000 + d;
    let all = known.get(key);
    if (all) return all;
    known.set(key, (all = new Set([wanted.map(() => 0).join()])));
    for (const [i, p] of pieces.entries())
      if ((p.width <= w && p.depth <= d) || (p.depth <= w && p.width <= d))
        all.add(cap(wanted.map((_, k) => +(k === i))).join());
    const both = (a: Set<string>, b: Set<string>) => {
      for (const x of a)
        for (const y of b) {
          const v = y.split(',').map(Number);
          all!.add(cap(x.split(',').map((n, i) => Number(n) + v[i]!)).join());
        }
    };
    for (let x = 1; x <= w / 2; x++) both(go(x, d), go(w - x, d));
    for (let y = 1; y <= d / 2; y++) both(go(w, y), go(w, d - y));
    return all;
  };
  const patterns = [...go(w, d)].map((k) => k.split(',').map(Number));
  let now = new Set([wanted.map(() => 0).join()]);
  for (let sheets = 0; ; sheets++) {
    if (now.has(wanted.join())) return sheets;
    const next = new Set<string>();
    for (const state of now)
      for (const p of patterns) next.add(cap(state.split(',').map((n, i) => Number(n) + p[i]!)).join());
    now = next;
  }
}

/** What is wrong with a way of cutting: nothing overlaps, nothing sticks out, every stroke goes from edge to edge of what it cuts. */
function wrongWith(cut: Cut, of: Sheet, pieces: readonly Piece[], kerf = 0): string[] {
  const { laid, left, strokes } = drawnOf(cut, kerf);
  const wrong: string[] = [];
  const all = [...laid, ...left];
  for (const [i, a] of all.entries()) {
    if (a.x < -1e-6 || a.y < -1e-6 || a.x + a.width > of.width + 1e-6 || a.y + a.depth > of.depth + 1e-6)
      wrong.push('sticks out');
    for (const b of all.slice(i + 1))
      if (
        a.x + a.width > b.x + 1e-6 &&
        b.x + b.width > a.x + 1e-6 &&
        a.y + a.depth > b.y + 1e-6 &&
        b.y + b.depth > a.y + 1e-6
      )
        wrong.push('overlaps');
  }
  for (const l of laid) {
    const p = pieces[l.piece]!;
    const [w, d] = l.turned ? [p.depth, p.width] : [p.width, p.depth];
    if (Math.abs(w - l.width) > 0.01 || Math.abs(d - l.depth) > 0.01) wrong.push('another size');
    if (p.grain !== 'any' && of.grain !== null && (p.grain === of.grain) === l.turned) wrong.push('against the grain');
  }
  // made one after the other, the strokes leave just these
  let parts = [{ x: 0, y: 0, width: of.width, depth: of.depth }];
  const same = (a: number, b: number) => Math.abs(a - b) < 0.02;
  for (const s of strokes) {
    const part = parts.find(
      (p) => same(p.x, s.x) && same(p.y, s.y) && same(p.width, s.width) && same(p.depth, s.depth),
    );
    if (!part) {
      wrong.push('a stroke not from edge to edge');
      continue;
    }
    parts = parts.filter((p) => p !== part);
    if (s.across === 'width')
      parts.push(
        { ...part, width: s.at },
        { ...part, x: part.x + s.at + kerf, width: Math.max(0, part.width - s.at - kerf) },
      );
    else
      parts.push(
        { ...part, depth: s.at },
        { ...part, y: part.y + s.at + kerf, depth: Math.max(0, part.depth - s.at - kerf) },
      );
  }
  const real = parts.filter((p) => p.width > 0.005 && p.depth > 0.005);
  if (real.length !== all.length) wrong.push(`${real.length} parts, ${all.length} drawn`);
  return wrong;
}

describe('yields', () => {
  // what halving and quartering gives: ISO 216 (memory) and the sheets of ANSI Y14.1 cut into card bases, common practice
  test.each([
    ['letter into card bases 4 1/4 × 11', inches(8.5, 11), inches(4.25, 11), 2],
    ['letter into card bases 5 1/2 × 8 1/2', inches(8.5, 11), inches(5.5, 8.5), 2],
    ['letter into quarters', inches(8.5, 11), inches(4.25, 5.5), 4],
    ['A4 into A5', [210, 297] as const, [148, 210] as const, 2],
    ['A3 into A6', [297, 420] as const, [105, 148] as const, 8],
    ['12 × 12 into 6 × 6', inches(12, 12), inches(6, 6), 4],
    ['12 × 12 into 3 × 4', inches(12, 12), inches(3, 4), 12],
    ['12 × 12 into 4 × 6', inches(12, 12), inches(4, 6), 6],
    ['a sheet smaller than the piece', inches(4, 4), inches(5, 3), 0],
  ] as [string, readonly [number, number], readonly [number, number], number][])('%s', (_, s, p, count) => {
    const found = yieldOf(sheet(...s), piece(...p));
    expect(found.count).toBe(count);
    expect(wrongWith(found.cut, sheet(...s), [piece(...p)])).toEqual([]);
  });

  test('as good as trying every cut at every millimetre, and the pieces lie as they are said to', () => {
    const side = fc.integer({ min: 3, max: 14 });
    fc.assert(
      fc.property(
        fc.integer({ min: 6, max: 26 }),
        fc.integer({ min: 6, max: 26 }),
        fc.array(fc.record({ w: side, d: side, v: fc.integer({ min: 1, max: 50 }) }), { minLength: 1, maxLength: 3 }),
        (w, d, list) => {
          const pieces = list.map((p, i) => piece(p.w, p.d, 'any', `p${i}`));
          const values = list.map((p) => p.v);
          const { value, cut } = new Guillotine(sheet(w, d), pieces).best(values);
          expect(value).toBe(exhaustive(w, d, pieces, values));
          expect(wrongWith(cut, sheet(w, d), pieces)).toEqual([]);
          const worth = drawnOf(cut).laid.reduce((sum, l) => sum + values[l.piece]!, 0);
          expect(worth).toBe(value);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('the grain is kept: a base whose fold runs with it is not turned', () => {
    const base = (grain: Piece['grain']) => piece(100, 60, grain);
    // two rows of one and, turned, three of … : only free of the grain as many
    const free = yieldOf(sheet(100, 200), base('any')).count;
    expect(free).toBe(3);
    expect(yieldOf(sheet(100, 200, 'depth'), base('width')).count).toBe(2);
    const kept = yieldOf(sheet(100, 200, 'depth'), base('width'));
    expect(wrongWith(kept.cut, sheet(100, 200, 'depth'), [base('width')])).toEqual([]);
  });

  test('a saw takes its width at every cut', () => {
    expect(yieldOf(sheet(100, 50), piece(50, 50), 0).count).toBe(2);
    expect(yieldOf(sheet(100, 50), piece(50, 50), 3).count).toBe(1);
    expect(yieldOf(sheet(103, 50), piece(50, 50), 3).count).toBe(2);
    const { cut } = yieldOf(sheet(330, 220), piece(50, 40), 3);
    expect(wrongWith(cut, sheet(330, 220), [piece(50, 40)], 3)).toEqual([]);
  });
});

describe('cut lists', () => {
  test('as few sheets as can be, and said to be: against every set of patterns', () => {
    const side = fc.integer({ min: 4, max: 10 });
    fc.assert(
      fc.property(
        fc.array(fc.record({ w: side, d: side, n: fc.integer({ min: 1, max: 4 }) }), { minLength: 1, maxLength: 3 }),
        (list) => {
          const pieces = list.map((p, i) => piece(p.w, p.d, 'any', `p${i}`));
          const wanted = list.map((p) => p.n);
          const found = cutListOf(sheet(12, 14), pieces, wanted);
          const fewest = fewestSheets(12, 14, pieces, wanted);
          expect([found.sheets, found.bound]).toEqual([fewest, fewest]);
          for (const p of found.patterns) expect(wrongWith(p.cut, sheet(12, 14), pieces)).toEqual([]);
          const made = wanted.map((_, i) => found.patterns.reduce((s, p) => s + p.counts[i]! * p.sheets, 0));
          for (const [i, n] of wanted.entries()) expect(made[i]).toBeGreaterThanOrEqual(n);
        },
      ),
      { numRuns: 60 },
    );
  });

  // worked by hand, each drawn on paper: no fewer sheets hold the area, or the sizes do not go beside each other
  test.each([
    [
      'quarters and small tags out of letter',
      [8.5, 11],
      [
        [4.25, 5.5, 9],
        [2, 2.75, 7],
      ],
      3,
    ],
    [
      'squares and photographs out of 12 × 12',
      [12, 12],
      [
        [6, 6, 3],
        [3, 5, 10],
      ],
      2,
    ],
    [
      'bases, mats and sentiment strips out of 12 × 12',
      [12, 12],
      [
        [5.5, 8.5, 4],
        [4, 5.25, 4],
        [1, 4, 8],
      ],
      3,
    ],
    [
      'bases and panels out of letter',
      [8.5, 11],
      [
        [4.25, 11, 4],
        [4, 5.25, 8],
      ],
      4,
    ],
  ] as [string, [number, number], [number, number, number][], number][])('%s', (_, of, list, sheets) => {
    const pieces = list.map(([w, d], i) => piece(w * IN, d * IN, 'any', `p${i}`));
    const on = sheet(of[0] * IN, of[1] * IN);
    const found = cutListOf(
      on,
      pieces,
      list.map(([, , n]) => n),
    );
    expect([found.sheets, found.bound]).toEqual([sheets, sheets]);
    for (const p of found.patterns) expect(wrongWith(p.cut, on, pieces)).toEqual([]);
  });

  test('pieces of one size and several names fill sheets together, and each comes out as often as it is wanted', () => {
    // fifteen quarters, six strips and seven photographs: four sheets of 12 × 12 (by area three and a half), whatever the quarters are called
    const sizes: [number, number, number][] = [
      [4.25, 5.5, 5],
      [1.5, 5, 6],
      [4.25, 5.5, 10],
      [3, 5, 7],
    ];
    const pieces = sizes.map(([w, d], i) => piece(w * IN, d * IN, 'any', `p${i}`));
    const wanted = sizes.map(([, , n]) => n);
    const on = sheet(12 * IN, 12 * IN);
    const list = cutListOf(on, pieces, wanted);
    expect([list.sheets, list.bound]).toEqual([4, 4]);
    for (const p of list.patterns) expect(wrongWith(p.cut, on, pieces)).toEqual([]);
    const made = wanted.map((_, i) => list.patterns.reduce((sum, p) => sum + p.counts[i]! * p.sheets, 0));
    for (const [i, n] of wanted.entries()) expect(made[i]).toBeGreaterThanOrEqual(n);
    // of the two that are alike no more is cut than there is room for in four sheets, and none of what nobody wants
    const none = cutListOf(on, pieces, [0, 6, 15, 7]);
    expect(none.sheets).toBe(4);
    expect(none.patterns.every((p) => p.counts[0] === 0)).toBe(true);
  });

  test('thousands of pieces, and more kinds than a number can tell apart, end and say no more than is proven', () => {
    const two = [piece(4 * IN, 5 * IN, 'any', 'a'), piece(3 * IN, 7 * IN, 'any', 'b')];
    const many = cutListOf(sheet(12 * IN, 12 * IN), two, [40_000, 17_003]);
    expect(many.sheets).toBeGreaterThanOrEqual(many.bound);
    const ten = Array.from({ length: 10 }, (_, i) => piece(40 + 7 * i, 60 + 5 * i, 'any', `p${i}`));
    const list = cutListOf(
      sheet(305, 305),
      ten,
      ten.map(() => 60),
    );
    const area = ten.reduce((sum, p) => sum + 60 * p.width * p.depth, 0) / 305 ** 2;
    expect(list.bound).toBeGreaterThanOrEqual(Math.ceil(area) - 1);
    expect(list.sheets).toBeGreaterThanOrEqual(list.bound);
    // where a search for sets would keep too few ways of each rectangle to find anything, it is not begun, and says so
    const guillotine = new Guillotine(sheet(305, 305), ten);
    expect(guillotine.trials).toBeGreaterThan(3e6 / 4 ** 2);
    const worth = ten.map((p) => p.width * p.depth);
    expect(
      maximalPatterns(
        guillotine,
        ten.map(() => 60),
        worth,
        3e6,
      ),
    ).toEqual({ patterns: [], all: false });
  });

  test('a square is turned where its grain asks for it', () => {
    const square = piece(40, 40, 'width');
    const found = cutListOf(sheet(100, 100, 'depth'), [square], [4]);
    expect([found.sheets, found.tooLarge]).toEqual([1, []]);
    expect(wrongWith(found.patterns[0]!.cut, sheet(100, 100, 'depth'), [square])).toEqual([]);
  });

  test('what is too large for the sheet is said, the rest is cut all the same', () => {
    const list = cutListOf(sheet(210, 297), [piece(105, 148), piece(300, 300)], [8, 2]);
    expect(list.tooLarge).toEqual([1]);
    expect([list.sheets, list.bound, list.waste]).toEqual([2, 2, 2 * 210 * 297 - 8 * 105 * 148]);
    expect(cutListOf(sheet(210, 297), [piece(105, 148)], [0])).toMatchObject({ sheets: 0, patterns: [], waste: 0 });
  });

  test('several colours lie on each other as high as the cutter takes', () => {
    const bases = [piece(4.25 * IN, 11 * IN)];
    const jobs = ['red', 'blue', 'green'].map((id) => ({
      id,
      sheet: sheet(...inches(8.5, 11)),
      caliper: 0.27,
      wanted: [10],
    }));
    const { lists, runs } = cutTogether(jobs, bases, 0, 1);
    expect([...lists.values()].map((l) => l.sheets)).toEqual([5, 5, 5]);
    // 15 sheets of 0.27 mm are 4.05 mm: five stacks of 1 mm, one cut each
    expect(runs).toMatchObject([{ stacks: 5, strokes: 5, sheets: [{ count: 5 }, { count: 5 }, { count: 5 }] }]);
  });

  test('cutting ahead saves the set-up of all but one in a batch', () => {
    expect(aheadSaves(80, 8, 20)).toBe(70 * 80);
    expect(aheadSaves(80, 1, 20)).toBe(0);
  });
});

describe('rolls', () => {
  test('pieces off a roll: none overlaps, all are counted, never shorter than can be, never much longer', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 300, max: 1500 }),
        fc.array(
          fc.record({
            w: fc.integer({ min: 40, max: 600 }),
            d: fc.integer({ min: 40, max: 600 }),
            n: fc.integer({ min: 1, max: 8 }),
            grain: fc.constantFrom('any', 'width', 'depth'),
          }),
          { minLength: 1, maxLength: 4 },
        ),
        (width, list) => {
          const pieces = list.map((p, i) => piece(p.w, p.d, p.grain, `p${i}`));
          const off = offRoll(
            width,
            1e6,
            pieces,
            list.map((p) => p.n),
          );
          for (const [i, p] of list.entries()) {
            const goes = (p.grain !== 'width' && p.w <= width) || (p.grain !== 'depth' && p.d <= width);
            expect(off.counts[i]).toBe(goes ? p.n : 0);
          }
          if (!off.cut) return;
          expect(off.cut.depth).toBeCloseTo(off.used, 6);
          expect(wrongWith(off.cut, { width, depth: off.used, grain: 'depth' }, pieces)).toEqual([]);
          expect(off.used).toBeGreaterThanOrEqual(off.bound - 1e-6);
          // no longer than next fit by decreasing height: twice the area over the width, and the longest piece (Coffman and others 1980, memory)
          const longest = Math.max(...list.map((p) => Math.max(p.w, p.d)));
          expect(off.used).toBeLessThanOrEqual(2 * off.bound + longest + 1e-6);
        },
      ),
    );
  });

  test('of a length that is not enough as many come out as go in', () => {
    const off = offRoll(1000, 350, [piece(500, 100)], [9]);
    expect([off.counts, off.used]).toEqual([[6], 300]);
    expect(offRoll(1000, 50, [piece(500, 100)], [1])).toMatchObject({ cut: null, used: 0, counts: [0] });
  });
});

describe('scraps', () => {
  const scrap = (id: string, width: number, depth: number, colour: string | null = '#b03028', count = 1): Scrap => ({
    id,
    supplyId: null,
    colour,
    width,
    depth,
    count,
    placeId: null,
  });
  const box = [
    scrap('large', 200, 150),
    scrap('fits', 95, 70),
    scrap('small', 60, 60),
    scrap('blue', 92, 66, '#2050a0'),
    scrap('gone', 91, 66, '#b03028', 0),
    scrap('bare', 91, 66, null),
  ];

  test('the smallest that holds it, turned if need be, of the colour asked for', () => {
    const ids = (s: Parameters<typeof scrapsFor>[1]) => scrapsFor(box, s).map((x) => x.id);
    expect(ids({ width: 65, depth: 90, warm: true })).toEqual(['fits', 'large']);
    expect(ids({ width: 65, depth: 90, family: 'blue' })).toEqual(['blue']);
    expect(ids({ width: 65, depth: 90, colour: '#b02f2c' })).toEqual(['fits', 'large']);
    expect(ids({ width: 65, depth: 90 })).toEqual(['bare', 'blue', 'fits', 'large']);
    expect(ids({ width: 65, depth: 300 })).toEqual([]);
  });

  test('before a sheet is cut: one piece a scrap of the same paper, no scrap twice, the largest pieces first', () => {
    const red = [scrap('a', 100, 80), scrap('b', 70, 95), scrap('c', 50, 60, '#b03028', 2)].map((s) => ({
      ...s,
      supplyId: 'red',
    }));
    const wanted = [
      { piece: { id: 'tag', supplyId: 'red', width: 45, depth: 55 }, count: 4 },
      { piece: { id: 'mat', supplyId: 'red', width: 78, depth: 98 }, count: 1 },
      { piece: { id: 'blue', supplyId: 'blue', width: 10, depth: 10 }, count: 1 },
    ];
    const out = outOfScraps(red, wanted).map((o) => [o.piece.id, o.scrap.id, o.count]);
    expect(out).toEqual([
      ['mat', 'a', 1],
      ['tag', 'c', 2],
      ['tag', 'b', 1],
    ]);
  });

  test('what nothing can be cut from is found by trying every piece', () => {
    expect(tooSmall(box, [{ width: 64, depth: 64 }]).map((s) => s.id)).toEqual(['small']);
    expect(tooSmall(box, [])).toEqual([]);
    expect(holds({ width: 70, depth: 95 }, { width: 95, depth: 70 })).toBe(true);
  });
});

describe('what is wanted of one paper only', () => {
  test('is not cut out of another: of each paper nothing but what was asked for of it, whatever the patterns share', () => {
    const pieces = [piece(105, 148, 'any', 'base'), piece(90, 50, 'any', 'tag'), piece(197, 197, 'any', 'blank')];
    const red = [4, 7, 0];
    const jobs = [
      { id: 'red', sheet: sheet(305, 305), caliper: 0.3, wanted: red },
      { id: 'black', sheet: sheet(305, 305), caliper: 0.3, wanted: [8, 0, 8] },
    ];
    const { lists, runs } = cutTogether(jobs, pieces, 0, 1);
    for (const { id, wanted } of jobs)
      for (const [i, n] of wanted.entries()) {
        const made = lists.get(id)!.patterns.reduce((sum, p) => sum + p.counts[i]! * p.sheets, 0);
        if (n === 0) expect(made).toBe(0);
        else expect(made).toBeGreaterThanOrEqual(n);
      }
    for (const run of runs) expect(countsOf(run.cut, 3)).toEqual(run.counts);
  });
});

describe('usual pieces and rests', () => {
  test('letter gives bases of 4 1/4 × 11 and 8 1/2 × 5 1/2, quarters of 4 1/4 × 5 1/2 in; A4 gives A5 and A6 (ANSI Y14.1, ISO 216, memory)', () => {
    const of = (width: number, depth: number, name: string) =>
      usualPieces({ width, depth }).find((p) => p.name === name)!;
    const letter = [8.5 * IN, 11 * IN] as const;
    expect(of(...letter, 'tall card base')).toMatchObject({
      width: expect.closeTo(4.25 * IN, 2),
      depth: expect.closeTo(11 * IN, 2),
    });
    expect(of(...letter, 'card base')).toMatchObject({
      width: expect.closeTo(8.5 * IN, 2),
      depth: expect.closeTo(5.5 * IN, 2),
    });
    expect(of(...letter, 'quarter sheet').depth).toBeCloseTo(5.5 * IN, 2);
    expect(of(210, 297, 'card base')).toMatchObject({ width: 210, depth: 148.5 });
    // two bases or four quarters come out of a sheet
    for (const [name, count] of [
      ['card base', 2],
      ['tall card base', 2],
      ['quarter sheet', 4],
    ] as const)
      expect(
        yieldOf({ width: letter[0], depth: letter[1], grain: null }, { id: 'x', grain: 'any', ...of(...letter, name) })
          .count,
      ).toBe(count);
  });

  test('an envelope’s blank: its corners lie on the sides of the square, its flaps meet over the whole of it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 50, max: 200 }), fc.integer({ min: 50, max: 200 }), (w, d) => {
        const side = envelopeBlank(w, d);
        // laid out by hand: the square turned by 45°, half its diagonal from the middle to a corner; the card in the middle
        const half = side / Math.SQRT2;
        const corner = w / 2 + d / 2;
        // the corner of the card is inside the square, and the flaps over both its halves overlap
        expect(corner).toBeLessThan(half);
        const flaps = [half - w / 2, half - d / 2];
        expect(Math.max(...flaps) * 2).toBeGreaterThan(Math.min(w, d));
        expect(side).toBeLessThan((w + d) / Math.SQRT2 + 25);
      }),
    );
  });

  test('what is left of a scrap is outside the piece and inside the scrap, and together they are the whole of it', () => {
    const side = fc.integer({ min: 10, max: 200 });
    fc.assert(
      fc.property(side, side, side, side, (width, depth, w, d) => {
        const rests = restsOf({ width, depth }, { width: w, depth: d });
        const fits = (w <= width && d <= depth) || (d <= width && w <= depth);
        const area = rests.reduce((sum, r) => sum + r.width * r.depth, 0);
        expect(area).toBe(fits ? width * depth - w * d : 0);
        for (const r of rests) expect(r.width <= width && r.depth <= depth).toBe(true);
      }),
    );
    expect(worthFiling({ width: 40, depth: 300 }, [])).toBe(false);
    expect(worthFiling({ width: 40, depth: 300 }, [{ width: 200, depth: 30 }])).toBe(true);
  });
});
