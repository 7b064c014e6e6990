import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type Supply } from '../../record/plan/index.ts';
import { block, sheet } from '../../testing/index.ts';
import {
  type Area,
  caliperOf,
  capacityOf,
  circlesIn,
  type Holder,
  layOnFloor,
  sheetMass,
  type Stowage,
  stow,
  fitOf,
  widthForCircles,
} from './index.ts';

const holder = (
  nature: Holder['nature'],
  width: number,
  depth: number,
  height: number,
  over: Partial<Holder> = {},
): Holder => ({
  kind: 'cubby',
  nature,
  width,
  depth,
  height,
  pockets: 0,
  ...over,
});
const cubby = holder('row', 330, 380, 330);
const thing = (supply: Supply, count = supply.working) => ({ id: supply.id, supply, count });
const stowed = (place: Holder, ...supplies: Supply[]): Stowage =>
  stow(place, { things: supplies.map((s) => thing(s)), standing: [], boxes: [] });

/** Checks a layout by itself: nothing outside, nothing in another at the same height, every piece counted once. */
function checkLaid(place: Holder, laid: Stowage, face = { width: place.width, depth: place.depth }) {
  const wrong: string[] = [];
  for (const s of laid.stacks)
    if (s.x < -1e-6 || s.y < -1e-6 || s.x + s.width > face.width + 1e-3 || s.y + s.depth > face.depth + 1e-3)
      wrong.push(`${s.id} outside`);
  for (const [i, a] of laid.stacks.entries())
    for (const b of laid.stacks.slice(i + 1)) {
      const apart =
        a.x + a.width <= b.x + 1e-3 ||
        b.x + b.width <= a.x + 1e-3 ||
        a.y + a.depth <= b.y + 1e-3 ||
        b.y + b.depth <= a.y + 1e-3 ||
        a.on + a.height <= b.on + 1e-3 ||
        b.on + b.height <= a.on + 1e-3;
      // staggered circles: their squares may cut each other’s corners, the circles not
      const between = Math.hypot(a.x + a.width / 2 - b.x - b.width / 2, a.y + a.depth / 2 - b.y - b.depth / 2);
      if (!apart && !(a.id === b.id && a.width === a.depth && between >= a.width - 1e-3))
        wrong.push(`${a.id} in ${b.id}`);
    }
  for (const t of laid.things) {
    const pieces = laid.stacks.filter((s) => s.id === t.id).reduce((sum, s) => sum + s.pieces, 0);
    if (t.alone.ok && t.alone.set && pieces + t.over !== t.count) wrong.push(`${t.id} not counted once`);
  }
  expect(wrong).toEqual([]);
}

describe('a row', () => {
  test.each([
    [160, 2],
    [105, 3],
    [78, 4],
  ])('a cubby of 330 × 330 × 380 mm takes things of %i mm across: %i side by side (common practice)', (across, n) => {
    const supply = block({ width: across, depth: 370, height: 320, lies: ['upright', 'edge', 'flat'], stackLimit: 1 });
    expect(fitOf(cubby, supply, n).ok).toBe(true);
    expect(fitOf(cubby, supply, n + 1)).toMatchObject({ ok: false, fits: n });
  });

  test('12 × 12 in paper lies in the cubby (common practice)', () => {
    const paper = sheet({ width: 304.8, depth: 304.8, lies: ['flat'] });
    expect(fitOf(cubby, paper, 10).ok).toBe(true);
    expect(fitOf({ ...cubby, width: 300 }, paper, 10).ok).toBe(false);
  });

  test('two millimetres a side beside each other, nothing between the layers of a stack', () => {
    const one = block({ width: 96, depth: 96, height: 50, lies: ['flat'] });
    expect(fitOf(holder('row', 100, 100, 100), one, 2)).toMatchObject({ ok: true, fits: 2, hidden: 1 });
    expect(fitOf(holder('row', 99, 100, 100), one, 1).ok).toBe(false);
    expect(fitOf(holder('row', 100, 100, 99), one, 2)).toMatchObject({ ok: false, fits: 1 });
  });

  test('blocks against an exhaustive count of every turn, with a stack limit', () => {
    const side = fc.integer({ min: 20, max: 300 });
    fc.assert(
      fc.property(
        side,
        side,
        side,
        side,
        side,
        side,
        fc.integer({ min: 1, max: 30 }),
        fc.option(fc.integer({ min: 1, max: 4 }), { nil: null }),
        (w, d, h, a, b, c, n, limit) => {
          const supply = block({ width: a, depth: b, height: c, stackLimit: limit, lies: ['flat', 'edge', 'upright'] });
          let frontage = Infinity;
          for (const [x, y, z] of [
            [a, b, c],
            [a, c, b],
            [b, a, c],
            [b, c, a],
            [c, a, b],
            [c, b, a],
          ] as const)
            for (let columns = 1; columns * (x + 4) <= 2 * w; columns++) {
              let holds = 0;
              for (let i = 1; i * (y + 4) <= d; i++)
                for (let k = 1; k * z <= h && k <= (limit ?? Infinity); k++) holds += columns;
              if (holds >= n) frontage = Math.min(frontage, columns * (x + 4));
            }
          const use = fitOf(holder('row', 2 * w, d, h), supply, n);
          expect(use.ok ? use.use : Infinity).toBeCloseTo(frontage, 6);
        },
      ),
    );
  });

  test('says by how much it does not go in, and that it is not measured', () => {
    expect(fitOf(cubby, block({ width: 400, depth: 372, height: 50 }), 1)).toMatchObject({
      ok: false,
      reason: 'needs 46 mm more',
    });
    expect(fitOf(cubby, block({ width: null }), 1)).toMatchObject({ ok: false, reason: 'not measured yet' });
    expect(fitOf(cubby, block({ width: 100, depth: 300, height: 300 }), 9)).toMatchObject({
      ok: false,
      reason: 'only 3 of 9 go in',
    });
  });

  test('upright is the supply’s own: a jar wider than it is high stands on its feet', () => {
    const jar = block({ form: 'bottle', width: 95, depth: 95, height: 60, lies: ['upright'] });
    expect(fitOf(holder('row', 100, 100, 62), jar, 1).ok).toBe(true);
    expect(fitOf(holder('row', 100, 66, 100), jar, 1).ok).toBe(false);
    // what is no jar stands on its smallest face
    expect(
      fitOf(holder('row', 100, 100, 62), block({ width: 95, depth: 95, height: 60, lies: ['upright'] }), 1).ok,
    ).toBe(false);
  });

  test('paper that may stand is filed by its thickness; a rod takes rolls alone', () => {
    const filed = fitOf(cubby, sheet({ width: 305, depth: 305, grammage: 216, lies: ['upright'] }), 100);
    expect(filed.ok && filed.use).toBeCloseTo(100 * 0.27 * 1.05 + 4, 6);
    const rod = holder('row', 500, 160, 150, { kind: 'dowel' });
    expect(fitOf(rod, block({ form: 'spool', width: 110, depth: 110, height: 20 }), 4)).toMatchObject({
      ok: true,
      use: 96,
      fits: 20,
    });
    expect(fitOf(rod, block(), 1)).toMatchObject({ ok: false, reason: 'it does not go on a rod' });
  });

  test('what is longer than the place lies from corner to corner where it may: √(w² + d²) less its thickness', () => {
    const spar = block({ form: 'long', width: 480, depth: 10, height: 10, lies: ['flat', 'diagonal'] });
    const drawer = holder('area', 300, 400, 60, { kind: 'drawer' });
    expect(fitOf(drawer, spar, 1)).toMatchObject({ ok: true, words: 'lies across from corner to corner' });
    expect(fitOf(drawer, { ...spar, width: 491 }, 1).ok).toBe(false);
    expect(fitOf(drawer, { ...spar, lies: ['flat'] }, 1).ok).toBe(false);
  });
});

describe('round things', () => {
  // closed forms: π/4 and π/(2√3) of the area in the limit
  test('the share of the area tends to 0.9069 staggered; 0.785 in straight rows', () => {
    const share = (circlesIn(4000, 4000, 10) * Math.PI * 25) / 4000 ** 2;
    expect(share).toBeGreaterThan(0.9);
    expect(share).toBeLessThan(Math.PI / (2 * Math.sqrt(3)));
    expect((circlesIn(40, 40, 10) * Math.PI * 25) / 1600).toBeCloseTo(Math.PI / 4, 6);
  });

  test('circles never cut each other or the wall, and the width said is the least in which they stand', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 10, max: 60 }),
        fc.integer({ min: 60, max: 300 }),
        fc.integer({ min: 60, max: 300 }),
        (d, w, depth) => {
          const n = circlesIn(w, depth, d);
          const supply = block({
            form: 'bottle',
            width: d - 4,
            depth: d - 4,
            height: 50,
            lies: ['upright'],
            stackLimit: 1,
            working: n,
          });
          const place = holder('row', w, depth, 60);
          const laid = stowed(place, supply);
          expect(laid.stacks).toHaveLength(n);
          expect(laid.faults).toEqual([]);
          checkLaid(place, laid);
          const least = widthForCircles(n, w, depth, d);
          expect(circlesIn(least - 1e-3, depth, d)).toBeLessThan(n);
          // a room holds as many whichever of its sides is called its width
          expect(circlesIn(depth, w, d)).toBe(n);
          expect(stowed(place, { ...supply, working: n + 1 }).things[0]!.alone.ok).toBe(false);
        },
      ),
    );
  });
});

describe('several of one thing', () => {
  test('lie some this way and some that where only so they all go in; what is said, what is laid and what goes in are one', () => {
    // drawn by hand: two across the drawer one behind the other, the third along its side
    const drawer = holder('area', 308, 255, 106, { kind: 'drawer' });
    const tin = block({ width: 154, depth: 107, height: 58, lies: ['flat'], stackLimit: 1, working: 3 });
    expect(fitOf(drawer, tin, 3)).toMatchObject({ ok: true, fits: 3 });
    expect(stowed(drawer, tin)).toMatchObject({ faults: [], things: [{ over: 0 }] });
    checkLaid(drawer, stowed(drawer, tin));
    expect(fitOf(drawer, tin, 4)).toMatchObject({ ok: false, fits: 3 });
    const side = fc.integer({ min: 40, max: 200 });
    fc.assert(
      fc.property(side, side, fc.integer({ min: 1, max: 12 }), (width, depth, working) => {
        const box = { ...tin, width, depth, working };
        const fit = fitOf(drawer, box, working);
        const laid = stowed(drawer, box);
        expect(laid.faults.length === 0).toBe(fit.ok);
        // as many things each by itself lie there too
        const each = Array.from({ length: working }, (_, i) => ({ ...box, id: `b${i}`, name: `Box ${i}`, working: 1 }));
        if (stowed(drawer, ...each).faults.length === 0) expect(fit.ok).toBe(true);
      }),
    );
  });
});

describe('a floor', () => {
  const drawer = holder('area', 400, 450, 60, { kind: 'drawer' });
  const pad = (i: number, over: Partial<Supply> = {}) =>
    block({ id: `pad-${i}`, name: `Pad ${i}`, width: 62, depth: 46, height: 40, working: 1, lies: ['flat'], ...over });

  test('a drawer of 400 × 450 mm takes 54 different pads of 62 × 46 mm: 6 × 9 (closed form)', () => {
    const pads = Array.from({ length: 54 }, (_, i) => pad(i));
    expect(stowed(drawer, ...pads)).toMatchObject({ faults: [] });
    expect(stowed(drawer, ...pads).stacks).toHaveLength(54);
    checkLaid(drawer, stowed(drawer, ...pads));
    const over = stowed(drawer, ...pads, ...Array.from({ length: 6 }, (_, i) => pad(60 + i)));
    expect(over.faults.join()).toMatch(/over-full: no room for Pad/);
    checkLaid(drawer, over);
  });

  test('the layers that the height allows, at most as many as may lie on each other', () => {
    expect(fitOf(holder('area', 66, 50, 120), pad(1), 3)).toMatchObject({ ok: true, fits: 3, hidden: 2 });
    expect(fitOf(holder('area', 66, 50, 120), pad(1, { stackLimit: 2 }), 3)).toMatchObject({ ok: false, fits: 2 });
  });

  test('flat things under others where the maker allows it, at the cost of lifting off', () => {
    const mat = block({ id: 'mat', width: 390, depth: 440, height: 3, working: 1, lies: ['flat'], bears: true });
    const on = stowed(drawer, mat, pad(1), pad(2));
    expect(on.faults).toEqual([]);
    expect(on.things[0]!.under).toBe(2);
    checkLaid(drawer, on);
    expect(stowed(drawer, { ...mat, bears: false }, pad(1)).faults).toHaveLength(1);
  });

  test('containers keep their floor, the rest is for things; one that sticks out or stands in another is said', () => {
    const box = { id: 'box', name: 'Box', left: 0, front: 0, bottom: 0, width: 200, depth: 450, height: 50 };
    const things = [thing(block({ width: 190, depth: 440, height: 10, lies: ['flat'] }))];
    const half = stow(drawer, { things, standing: [box], boxes: [] });
    expect(half).toMatchObject({ faults: [], used: 200 * 450 + 194 * 444 });
    expect(half.stacks[0]!.x).toBeGreaterThanOrEqual(200);
    const twice = stow(drawer, {
      things: [],
      standing: [box, { ...box, id: 'b', name: 'Other', left: 150 }],
      boxes: [],
    });
    expect(twice.faults).toEqual(['Box and Other stand 50 mm in each other']);
    expect(stow(drawer, { things: [], standing: [{ ...box, left: 210 }], boxes: [] }).faults).toEqual([
      'Box is 10 mm too big for where it stands',
    ]);
  });

  test('a board hangs in rows below each other: 25.4 mm pitch, 15 mm finger room (common practice)', () => {
    const board = holder('area', 508, 100, 400, { kind: 'board' });
    const pliers = block({ width: 60, depth: 20, height: 150, lies: ['hanging'], working: 12 });
    expect(fitOf(board, pliers, 12)).toMatchObject({ ok: true, fits: 12 });
    expect(fitOf(board, pliers, 13)).toMatchObject({ ok: false, fits: 12 });
    const laid = stowed(board, pliers);
    expect(new Set(laid.stacks.map((s) => Math.round(s.y))).size).toBe(2);
    checkLaid(board, laid, { width: 508, depth: 400 });
    expect(fitOf(board, block({ lies: ['flat'] }), 1)).toMatchObject({ ok: false, reason: 'it does not hang' });
  });

  test('everything laid is inside, apart, and counted once', () => {
    const side = fc.integer({ min: 15, max: 180 });
    const supplies = fc.array(
      fc.record({
        width: side,
        depth: side,
        height: fc.integer({ min: 5, max: 70 }),
        working: fc.integer({ min: 1, max: 60 }),
        form: fc.constantFrom('block' as const, 'bottle' as const, 'spool' as const, 'sheet' as const),
        bears: fc.boolean(),
        lies: fc.subarray(['flat', 'edge', 'upright'] as const, { minLength: 1 }).map((l) => [...l]),
      }),
      { minLength: 1, maxLength: 14 },
    );
    fc.assert(
      fc.property(supplies, fc.constantFrom('area' as const, 'row' as const, 'pile' as const), (list, nature) => {
        const place = holder(nature, 420, 380, 90, { kind: nature === 'area' ? 'drawer' : 'cubby' });
        const made = list.map((over, i) => block({ ...over, id: `s${i}`, name: `Thing ${i}` }));
        const standing = [
          { id: 'box', name: 'Box', left: 100, front: 0, bottom: 0, width: 90, depth: 200, height: 60 },
        ];
        const laid = stow(place, { things: made.map((s) => thing(s)), standing, boxes: [] });
        const box = {
          id: '',
          pieces: 1,
          layers: 1,
          x: 100,
          y: 0,
          width: 90,
          depth: nature === 'row' ? 380 : 200,
          height: 60,
          on: 0,
        };
        checkLaid(place, { ...laid, stacks: [...laid.stacks, box] });
        const over = laid.things.some((t) => t.over > 0) || laid.things.some((t) => !t.alone.ok);
        expect(laid.faults.length > 0).toBe(over);
      }),
      { numRuns: 150 },
    );
  });

  test('ten realistic drawers hold at least 85 % of what the packer alone puts on their floors', () => {
    let seed = 7;
    const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
    let alone = 0;
    let held = 0;
    for (let n = 0; n < 10; n++) {
      const [width, depth] = [300 + 300 * random(), 300 + 200 * random()];
      const place = holder('area', width, depth, 60, { kind: 'drawer' });
      const kinds = Array.from({ length: 60 }, (_, i) =>
        block({
          id: `k${i}`,
          name: `Kind ${i}`,
          width: 30 + 120 * random(),
          depth: 25 + 80 * random(),
          height: 15 + 35 * random(),
          working: 1,
          lies: ['flat'],
        }),
      );
      const packed = layOnFloor(
        width,
        depth,
        [] as Area[],
        kinds.map((k) => ({
          width: Math.max(k.width!, k.depth!, k.height!) + 4,
          depth: [k.width!, k.depth!, k.height!].sort((a, b) => a - b)[1]! + 4,
          of: k,
        })),
      );
      alone += packed.laid.length;
      held += stowed(place, ...kinds).things.filter((t) => t.over === 0).length;
    }
    expect(held / alone).toBeGreaterThanOrEqual(0.85);
  });
});

describe('bulk, piles and pockets', () => {
  test('bulk: the inner volume × 0.85; loose small things fill 0.60 of it (random loose packing of balls: Scott 1960, from memory)', () => {
    const bin = holder('bulk', 100, 100, 100);
    expect(capacityOf(bin)).toBeCloseTo(0.85, 9);
    const beads = block({ form: 'loose', width: 10, depth: 10, height: 10 });
    expect(fitOf(bin, beads, 510)).toMatchObject({ ok: true, fits: 510 });
    expect(fitOf(bin, beads, 511)).toMatchObject({ ok: false, fits: 510 });
    expect(fitOf(bin, block({ width: 101, depth: 20, height: 20 }), 1)).toMatchObject({
      ok: false,
      reason: 'needs 1 mm more',
    });
    const two = stowed(bin, { ...beads, id: 'a', working: 300 }, { ...beads, id: 'b', working: 300 });
    expect(two.faults).toEqual(['over-full by 0.2 l']);
  });

  test('a 20 mm slot takes 70 sheets of 0.27 mm; 216 g/m² card is 0.27 mm and 20.07 g a 12 × 12 in sheet', () => {
    expect(caliperOf(216)).toBeCloseTo(0.27, 9);
    expect(sheetMass(304.8, 304.8, 216)).toBeCloseTo(20.07, 2);
    const slot = holder('pile', 20, 380, 330, { kind: 'slot' });
    const card = sheet({ width: 304.8, depth: 304.8, height: null, grammage: 216, lies: ['upright'] });
    expect(fitOf(slot, card, 70)).toMatchObject({ ok: true, fits: 70 });
    expect(fitOf(slot, card, 71)).toMatchObject({ ok: false, fits: 70 });
    expect(fitOf(slot, { ...card, lies: ['flat'] }, 1)).toMatchObject({ ok: false, reason: 'it does not stand' });
  });

  test('unlike sheets pile on each other, the larger below, at the cost of lifting off', () => {
    const tray = holder('pile', 310, 430, 20);
    const a3 = sheet({ id: 'a3', width: 297, depth: 420, grammage: 80, working: 50, lies: ['flat'] });
    const a4 = sheet({ id: 'a4', width: 210, depth: 297, grammage: 80, working: 50, lies: ['flat'] });
    const laid = stowed(tray, a4, a3);
    expect(laid.faults).toEqual([]);
    expect(laid.things.map((t) => t.under)).toEqual([0, 1]);
    checkLaid(tray, laid);
    expect(stowed(tray, a4, { ...a3, working: 150 }).faults).toHaveLength(1);
  });

  test('pockets: so many pieces each, as thick as a pocket is', () => {
    const binder = holder('pockets', 230, 40, 300, { pockets: 10 });
    const die = block({ width: 150, depth: 100, height: 3, working: 1 });
    expect(fitOf(binder, die, 5)).toMatchObject({ ok: true, use: 3, fits: 20 });
    expect(fitOf(binder, { ...die, height: 8 }, 1)).toMatchObject({ ok: false, reason: '2 mm too thick for a pocket' });
    expect(stowed(binder, { ...die, id: 'x', working: 12 }, { ...die, id: 'y', working: 12 }).faults).toEqual([
      'needs 2 more pockets',
    ]);
  });
});
