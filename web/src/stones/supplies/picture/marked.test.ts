import { describe, expect, test } from '@jest/globals';
import { blankUnit, emptyPlan, type Picture, type Plan } from '@heronstone/core/plan';
import { CODED, type FoundSheet, KNOWN } from '@heronstone/core/picture';
import { frameOf, fromWall } from '@heronstone/core/room';
import { applied, tinyRoom, unit, withUnits } from '@heronstone/core/testing';
import { flatList, knownSize, markedFor, type Marking, markingOf, middling, quarter, sizeOf } from './marked.ts';
import { doubtOf, frontMeasured } from './front-measured.ts';
import { nextFrom } from './OfPlace.tsx';
import { wallCommands } from './on-wall.ts';

const image = { width: 1600, height: 1200 };
const sheet: FoundSheet = {
  ...{ paper: 'letter', codes: 4, bowed: 0.1, lifted: 0 },
  corners: middling(image),
  marks: [{ on: { x: 1, y: 2 }, at: { x: 3, y: 4 } }],
};
const marking = (more: Partial<Marking> = {}): Marking => ({
  ...{ image, known: 'a4', own: { width: 120, height: 80 }, sheet: null, corners: middling(image) },
  ...{ frame: null, straight: [], lens: null },
  ...more,
});
const room = (): Plan => withUnits(tinyRoom({ standing: true }), unit('lowChest', { id: 'chest', x: 3000, y: 4200 }));

describe('what is known in a picture', () => {
  test('the sheet by its codes, the thing itself, a sheet of paper, a size that was typed', () => {
    const itself = { width: 400, height: 300 };
    expect(knownSize(marking(), null)).toEqual(KNOWN.a4);
    expect(knownSize(marking({ known: 'own' }), null)).toEqual({ width: 120, height: 80 });
    expect(knownSize(marking({ known: 'itself' }), itself)).toBe(itself);
    expect(knownSize(marking({ known: 'itself' }), null)).toBeNull();
    expect(knownSize(marking({ known: 'sheet', sheet }), null)).toEqual(KNOWN.letter);
    expect(markedFor(marking({ known: 'itself' }), null)).toBeNull();
    // found by its codes it is known by all their marks, to a fraction of a point
    expect(markedFor(marking({ known: 'sheet', sheet }), null)).toMatchObject({ marks: sheet.marks, pointing: CODED });
    expect(markedFor(marking({ sheet }), null)).not.toHaveProperty('marks');
  });

  test('a lens known from before holds until an edge is marked', () => {
    expect(markedFor(marking({ lens: -0.05 }), null)).toMatchObject({ lens: -0.05 });
    const edge = [
      { x: 1, y: 1 },
      { x: 2, y: 2 },
      { x: 3, y: 3 },
    ];
    expect(markedFor(marking({ lens: -0.05, straight: [edge] }), null)).not.toHaveProperty('lens');
  });

  test('a place from above is as wide as deep, a front as wide as tall, a wall up to the ceiling', () => {
    const plan = room();
    const place = plan.places['chest.0.0']!;
    expect(sizeOf(plan, { what: 'place', id: place.id }, 2600)).toEqual({ width: place.width, height: place.depth });
    const { width, height } = plan.units.chest!;
    expect(sizeOf(plan, { what: 'front', id: 'chest' }, 2600)).toEqual({ width, height });
    const wall = Object.values(plan.walls)[0]!;
    expect(sizeOf(plan, { what: 'wall', id: wall.id }, 2600)).toEqual({ width: wall.length, height: 2600 });
    for (const what of ['place', 'front', 'wall', 'thing'] as const)
      expect(sizeOf(plan, { what, id: 'gone' }, 2600)).toBeNull();
  });

  test('a kept picture is marked as it was, at the size it has now', () => {
    const kept: Picture = {
      ...{ id: 'p', placeId: null, unitId: null, wallId: null, photo: 'a'.repeat(64), width: 800, height: 600 },
      ...{ focal35: null, knownWidth: 210, knownDepth: 297, lens: -0.02, drawn: [], takenOn: '2026-11-30' },
      corners: [10, 20, 100, 20, 100, 90, 10, 90],
      frame: [],
    };
    const again = markingOf(kept, image);
    expect(again).toMatchObject({ known: 'own', own: { width: 210, height: 297 }, frame: null, lens: -0.02 });
    expect(again.corners[0]).toEqual({ x: 20, y: 40 });
    expect(flatList(again.corners)).toEqual(kept.corners.map((n) => 2 * n));
    expect(markingOf({ ...kept, frame: kept.corners }, image).frame![2]).toEqual({ x: 200, y: 180 });
  });

  test('a quarter turned four times is as before', () => {
    const corners = middling(image);
    expect(quarter(quarter(quarter(quarter(corners))))).toEqual(corners);
    expect(quarter(corners)[0]).toEqual(corners[1]);
  });
});

describe('what comes of it', () => {
  test('the next place is the one after it that was not looked into, and none that hangs', () => {
    const plan = room();
    expect(nextFrom(plan, 'chest.0.0')).toBe('chest.1.0');
    const seen = applied(plan, { type: 'setPlace', id: 'chest.1.0', set: { touredOn: '2026-11-30' } });
    expect(nextFrom(seen, 'chest.0.0')).not.toBe('chest.1.0');
    expect(nextFrom(emptyPlan('x'), 'gone')).toBeNull();
    expect(blankUnit('b', 'wallBoard').kind).toBe('wallBoard');
    const boards = withUnits(tinyRoom({ standing: true }), unit('wallBoard', { id: 'board', x: 500, y: 500 }));
    expect(nextFrom(boards, 'none')).toBeNull();
  });

  test('what was drawn on a wall comes onto it at its height and distance, in whole millimetres', () => {
    const plan = room();
    const wall = Object.values(plan.walls)[0]!;
    const [socket, window, door] = wallCommands(plan, wall.id, [
      { kind: 'socket', left: 812.4, bottom: 301.7, width: 81.2, height: 80.6, plusMinus: 3.27 },
      { kind: 'window', left: 1200, bottom: 905, width: 1000, height: 1100.4, plusMinus: 6 },
      { kind: 'door', left: -3, bottom: 12, width: 840, height: 2010, plusMinus: 8 },
    ]);
    expect(socket).toMatchObject({
      type: 'addFixture',
      fixture: { wallId: wall.id, left: 812, bottom: 302, width: 81, height: 81, sizeBy: 'picture', plusMinus: 3.3 },
    });
    expect(window).toMatchObject({
      type: 'addOpening',
      opening: { kind: 'window', left: 1200, sill: 905, head: 2005, width: 1000, sizeBy: 'picture', plusMinus: 6 },
    });
    expect(door).toMatchObject({ type: 'addOpening', opening: { kind: 'door', left: 0, sill: 0, head: 2022 } });
    // a board hangs where it is drawn: from the wall's left end, over the floor, its back at the wall
    const [hung] = wallCommands(plan, wall.id, [
      { kind: 'wallBoard', left: 2000, bottom: 1105, width: 812, height: 604, plusMinus: 4 },
    ]);
    const board = Object.values(applied(plan, hung!).units).find((u) => u.kind === 'wallBoard')!;
    expect(board).toMatchObject({ bottom: 1105, width: 812, height: 604, pictured: ['width', 'height'], plusMinus: 4 });
    const frame = frameOf(plan, wall.id)!;
    expect(fromWall(frame, board)).toEqual({
      left: expect.closeTo(2406, 6),
      out: expect.closeTo(board.depth / 2, 6),
    });
    expect(board.facing).toBe(frame.facing);
    const after = applied(plan, ...[socket!, window!]);
    expect(Object.values(after.fixtures)).toHaveLength(Object.values(plan.fixtures).length + 1);
  });

  test('a front measured by its own width leaves what is known of it as it was; by another thing its sides are by picture', () => {
    const plan = withUnits(room(), unit('lowChest', { id: 'usual', x: 1500, usual: ['width', 'depth'] }));
    const { width, height } = plan.units.usual!;
    const shape = { width, height, rows: 2, columns: 1 };
    const found = { rowSizes: [300, 300], columnSizes: [width] };
    const itself = applied(plan, { type: 'setUnit', id: 'usual', set: frontMeasured(shape, found, null) }).units.usual!;
    expect(itself).toMatchObject({ rows: 2, columnSizes: [], usual: ['width', 'depth'], pictured: [] });
    const set = frontMeasured({ ...shape, width: 803 }, found, { plusMinus: 5 });
    const seen = applied(plan, { type: 'setUnit', id: 'usual', set }).units.usual!;
    expect(seen).toMatchObject({ width: 803, usual: ['depth'], pictured: ['width', 'height'], plusMinus: 5 });
    expect(doubtOf({ length: 800, plusMinus: 4.26 }, { length: 900, plusMinus: 3 })).toBe(4.3);
  });
});
