import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  CATALOGUE,
  defaultsOf,
  frontTrouble,
  leafOf,
  MOUNTS,
  placesOf,
  type PlaceShape,
  readInsert,
  solidsOf,
  UNIT_KINDS,
  writeInsert,
} from './index.ts';

describe('catalogue', () => {
  test('offers at least thirty kinds for every way of being in a room', () => {
    expect(UNIT_KINDS.length).toBeGreaterThanOrEqual(30);
    expect(new Set(UNIT_KINDS.map((k) => CATALOGUE[k].mount))).toEqual(new Set(MOUNTS));
    expect(new Set(UNIT_KINDS.map((k) => CATALOGUE[k].name)).size).toBe(UNIT_KINDS.length);
  });

  test('in an inch plan the usual sizes are whole inches, within half an inch of the metric ones', () => {
    for (const kind of UNIT_KINDS) {
      const metric = defaultsOf(kind, 'metric');
      const inch = defaultsOf(kind, 'imperial');
      for (const key of ['width', 'depth', 'height'] as const) {
        const whole = inch[key] / 25.4;
        expect(whole).toBeCloseTo(Math.round(whole), 9);
        expect(Math.abs(inch[key] - metric[key])).toBeLessThanOrEqual(12.71);
      }
    }
  });

  test('drawers of 70, 70, 110 and 110 mm are that high inside; what is left over stays below', () => {
    const shape = { width: 500, depth: 450, height: 600, rows: 4, columns: 1, rowSizes: [70, 70, 110, 110] };
    expect(frontTrouble('lowChest', shape)).toBeNull();
    const places = placesOf('lowChest', shape);
    expect(places.map((p) => p.height)).toEqual([70, 70, 110, 110]);
    expect(places.at(-1)!.bottom).toBeCloseTo(600 - 16 - 4 * (13 + 16) - 360 + 16, 6);
    expect(frontTrouble('lowChest', { ...shape, height: 480 })).toMatch(/need 12 mm more height/);
    expect(frontTrouble('lowChest', { ...shape, height: 492 })).toBeNull();
    expect(frontTrouble('lowChest', { ...shape, rows: 3 })).toMatch(/4 heights for 3 rows/);
    expect(frontTrouble('worktable', { ...shape, rows: 0, rowSizes: [70] })).toMatch(/no places/);
  });

  test('inserts: a door shuts a cubby, drawers, slots and shelves share it without overlap', () => {
    const shape = {
      ...CATALOGUE.cubeUnit.defaults,
      inserts: ['0.0 door 1', '0.1 drawers 2', '1.0 slots 12', '1.1 shelves 3'],
    };
    const places = placesOf('cubeUnit', shape);
    expect(places).toHaveLength(8 - 3 + 2 + 12 + 3);
    expect(places[0]).toMatchObject({ covers: ['door'], seen: false, part: 0 });
    const slots = places.filter((p) => p.kind === 'slot');
    const cubby = placesOf('cubeUnit', CATALOGUE.cubeUnit.defaults).find((p) => p.row === 1 && p.column === 0)!;
    expect(slots.reduce((sum, p) => sum + p.width, 0) + 11 * 6).toBeCloseTo(cubby.width, 0);
    // common practice: a slot of a 12-slot insert in such a cubby takes two full packs of card; 20 mm take 70 sheets of 0.27 mm
    expect(slots[0]!.width).toBeGreaterThan(20);
    expect(
      places.filter((p) => p.kind === 'drawer').every((p) => p.covers.includes('drawer') && p.depth < cubby.depth),
    ).toBe(true);
    expect(frontTrouble('cubeUnit', { ...shape, inserts: ['9.0 door 1'] })).toMatch(/no cell 10-1/);
    expect(readInsert('1.0 curtain 2')).toBeNull();
    expect(writeInsert(readInsert('1.0 drawers 3')!)).toBe('1.0 drawers 3');
  });

  test('the deep end of a corner cabinet is reached through its door alone', () => {
    const places = placesOf('cornerCabinet', CATALOGUE.cornerCabinet.defaults);
    const [front, deep] = places as [PlaceShape, PlaceShape];
    expect(front.through).toBeNull();
    expect(deep).toMatchObject({ through: 0, name: 'deep end 1' });
    expect(deep.left + deep.width).toBeLessThanOrEqual(front.left + 0.1);
  });

  test('doors wider than 600 mm have two leaves', () => {
    expect(leafOf('cupboard', { ...CATALOGUE.cupboard.defaults, width: 600 })).toBe(600);
    expect(leafOf('cupboard', CATALOGUE.cupboard.defaults)).toBe(400);
    expect(leafOf('bookcase', CATALOGUE.bookcase.defaults)).toBe(0);
  });

  test('the default cube unit has cubbies of about 330 × 330 × 380 mm or deeper (common practice)', () => {
    const cubby = placesOf('cubeUnit', CATALOGUE.cubeUnit.defaults)[0]!;
    expect(cubby.width).toBeCloseTo(330, 0);
    expect(cubby.height).toBeCloseTo(330, 0);
    expect(cubby.depth).toBeGreaterThanOrEqual(380);
  });

  test('places of any size of any kind stay inside the unit and never overlap', () => {
    const size = fc.integer({ min: 100, max: 3000 });
    const grid = fc.integer({ min: 1, max: 8 });
    fc.assert(
      fc.property(
        fc.constantFrom(...UNIT_KINDS),
        size,
        size,
        size,
        grid,
        grid,
        (kind, width, depth, height, rows, columns) => {
          fc.pre(width / columns > 200 && height / rows > 200 && kind !== 'cornerCabinet');
          const places = placesOf(kind, { width, depth, height, rows, columns });
          expect(places.length).toBe(CATALOGUE[kind].places ? rows * columns : 0);
          for (const p of places) {
            expect(p.left).toBeGreaterThanOrEqual(0);
            expect(p.left + p.width).toBeLessThanOrEqual(width + 0.1);
            expect(p.bottom).toBeGreaterThanOrEqual(-1e-9);
            expect(p.bottom + p.height).toBeLessThanOrEqual(height + 0.1);
            expect(p.depth).toBeLessThanOrEqual(depth);
          }
          for (const a of places)
            for (const b of places)
              if (a !== b) {
                const apart =
                  a.left + a.width <= b.left + 0.2 ||
                  b.left + b.width <= a.left + 0.2 ||
                  a.bottom + a.height <= b.bottom + 0.2 ||
                  b.bottom + b.height <= a.bottom + 0.2;
                expect(apart).toBe(true);
              }
        },
      ),
    );
  });

  test('parts of a board are called by where they are, as one stands before it; beyond nine they are numbered', () => {
    const names = (rows: number, columns: number) =>
      placesOf('wallBoard', {
        ...defaultsOf('wallBoard', 'metric'),
        rows,
        columns,
        rowSizes: [],
        columnSizes: [],
        inserts: [],
      }).map((p) => p.name);
    expect(names(1, 1)).toEqual(['field']);
    expect(names(2, 1)).toEqual(['upper field', 'lower field']);
    expect(names(1, 3)).toEqual(['left field', 'middle field', 'right field']);
    expect(names(2, 2)).toEqual(['upper left field', 'upper right field', 'lower left field', 'lower right field']);
    expect(names(4, 1)).toEqual(['field 1', 'field 2', 'field 3', 'field 4']);
    expect(new Set(names(3, 3)).size).toBe(9);
  });

  test('a table stops an arm only at its top', () => {
    const [top] = solidsOf('worktable', CATALOGUE.worktable.defaults);
    expect(top!.bottom).toBe(710);
    expect(solidsOf('away', CATALOGUE.away.defaults)).toEqual([]);
  });
});
