import { describe, expect, test } from '@jest/globals';
import { DOMParser } from '@xmldom/xmldom';
import DxfParser from 'dxf-parser';
import fc from 'fast-check';
import { UNIT_KINDS } from '../../record/catalogue/index.ts';
import { wallFrames, wallFront } from '../../space/room/index.ts';
import { applied, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { drawAll, drawWall, extent, LAYERS, toDxf, toSvg } from './index.ts';

const rooms = fc
  .array(
    fc.record({
      kind: fc.constantFrom(...UNIT_KINDS),
      x: fc.integer({ min: 0, max: 6000 }),
      y: fc.integer({ min: 0, max: 6000 }),
      facing: fc.constantFrom(0, 45, 90, 180, 270),
      name: fc.string({ minLength: 1, maxLength: 12 }).filter((s) => s.trim() !== ''),
    }),
    { maxLength: 5 },
  )
  .map((units) => withUnits(tinyRoom(), ...units.map((u, i) => unit(u.kind, { ...u, id: `u${i}` }))));

describe('SVG and DXF of the same drawing', () => {
  test('have the same strokes and texts, whatever stands in the room and whatever it is called', () => {
    fc.assert(
      fc.property(rooms, (plan) => {
        for (const sheet of drawAll(plan)) {
          const faults: string[] = [];
          const svg = new DOMParser({
            onError: (level, message) => faults.push(`${level}: ${message}`),
          }).parseFromString(toSvg(sheet), 'image/svg+xml');
          expect(faults).toEqual([]);
          const dxf = new DxfParser().parseSync(toDxf(sheet))!.entities;
          const paths = sheet.marks.filter((m) => m.kind === 'path').length;
          const texts = sheet.marks.length - paths;
          const count = (tag: string) => svg.getElementsByTagName(tag).length;
          expect(count('polygon') + count('polyline')).toBe(paths);
          expect(count('text')).toBe(texts);
          expect(dxf.filter((e) => e.type === 'LWPOLYLINE')).toHaveLength(paths);
          expect(dxf.filter((e) => e.type === 'TEXT')).toHaveLength(texts);
          for (const e of dxf) expect(LAYERS).toContain(e.layer);
          const box = extent(sheet);
          expect(box.right - box.left).toBeGreaterThan(5999);
        }
      }),
      { numRuns: 25 },
    );
  });
});

describe('a wall as one elevation', () => {
  const plan = applied(
    withUnits(
      tinyRoom(),
      unit('lowChest', { id: 'near', x: 1000, y: 5775, facing: 180 }),
      unit('worktable', { id: 'table', x: 3000, y: 5650, facing: 180 }),
      unit('paperSlots', { id: 'slots', x: 3000, y: 5600, facing: 180, bottom: 740, hostId: 'table' }),
      unit('lowChest', { id: 'far', x: 3000, y: 3000, facing: 180 }),
      unit('bookcase', { id: 'side', x: 150, y: 5000, facing: 90 }),
      unit('away', { id: 'loft' }),
    ),
    { type: 'addSlope', slope: { id: 's', wallId: 'w0', knee: 1200, run: 2000 } },
  );
  const north = wallFront(plan, wallFrames(plan)[1]!);

  test('shows what hangs on it and stands before it, with what stands on that; not what is far away or outside', () => {
    expect(north.units.map((u) => u.unit.id).sort()).toEqual(['near', 'slots', 'table']);
  });

  test('counts from the left end as one stands before it, and up from the floor', () => {
    const near = north.units.find((u) => u.unit.id === 'near')!;
    expect(near).toMatchObject({ left: 550, bottom: 0, width: 900, height: 780, facing: true });
    expect(near.places[0]).toMatchObject({ left: expect.closeTo(550 + near.places[0]!.place.left, 6) });
    expect(north.units.find((u) => u.unit.id === 'slots')!.bottom).toBe(740);
  });

  test('what turns its side to the wall shows no places on that wall, and on its own it does', () => {
    const west = wallFront(plan, wallFrames(plan)[0]!);
    const side = west.units.find((u) => u.unit.id === 'side')!;
    expect(side.places.length).toBeGreaterThan(0);
    const moved = applied(plan, { type: 'setUnit', id: 'side', set: { x: 4000, y: 5600 } });
    const seen = wallFront(moved, wallFrames(moved)[1]!).units.find((u) => u.unit.id === 'side')!;
    expect([seen.facing, seen.places]).toEqual([false, []]);
    expect(seen.width).toBe(300);
  });

  test('the slope of the next wall cuts its left corner down to the knee', () => {
    const corners = north.outline.map((p) => [Math.round(p.x), Math.round(p.y)]);
    expect(corners).toContainEqual([0, 1200]);
    expect(corners).toContainEqual([2000, 2600]);
    expect(corners).toContainEqual([6000, 2600]);
    expect([
      north.sloped,
      wallFront(plan, wallFrames(plan)[0]!).sloped,
      wallFront(plan, wallFrames(plan)[2]!).sloped,
    ]).toEqual([true, false, false]);
    const outline = drawWall(plan, 'w1')!.marks.find((m) => m.kind === 'path' && m.layer === 'walls');
    expect(outline?.kind === 'path' && outline.points).toHaveLength(north.outline.length);
  });
});
