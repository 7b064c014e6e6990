import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { findingsOf } from '../findings/index.ts';
import { BY_TAPE, blankFixture, type Command, type Plan } from '../../record/plan/index.ts';
import { Random } from '../../living/slotting/index.ts';
import { applied, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { HARD } from './cost.ts';
import { piecesOf, placed, within } from './pieces.ts';
import { breaksBetween, type Taking } from './rules.ts';
import { Search } from './search.ts';
import { Ways } from './ways.ts';

const NO_SUN = { x: 0, y: 0, step: 6000, columns: 1, rows: 1, hours: new Float32Array(1) };
const brokenBy = (plan: Plan) => new Search(plan, NO_SUN, new Random(1)).broken();

const opening = (id: string, kind: 'door' | 'window', wallId: string, left: number): Command => ({
  type: 'addOpening',
  opening: {
    id,
    wallId,
    kind,
    left,
    width: 900,
    sill: kind === 'door' ? 0 : 900,
    head: 2000,
    hinge: 'left',
    swing: 'in',
    ...BY_TAPE,
  },
});
const fixture = (kind: 'heater' | 'fuseBoard' | 'socket', wallId: string, left: number): Command => ({
  type: 'addFixture',
  fixture: blankFixture(kind, kind, wallId, left),
});
/** w0 west, w1 north, w2 east, w3 south; 6 × 6 m. */
const room = applied(
  tinyRoom({ x: 3000, y: 2400 }),
  opening('door', 'door', 'w3', 2500),
  opening('window', 'window', 'w1', 2500),
  fixture('heater', 'w0', 4000),
  fixture('fuseBoard', 'w2', 500),
  fixture('socket', 'w0', 1500),
);

/** What the quick rules look at; ways are measured on another mesh and tested by themselves. */
const QUICK = [...HARD].filter((c) => !['passage', 'stand', 'exit', 'mount', 'turning', 'travels'].includes(c));

describe('the search’s quick rules and the findings', () => {
  test('agree on random rooms: what the search takes for whole has no finding, what has one is broken to it', () => {
    let clean = 0;
    let dirty = 0;
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            kind: fc.constantFrom('lowChest' as const, 'bookcase' as const, 'cupboard' as const),
            x: fc.integer({ min: 350, max: 5650 }),
            y: fc.integer({ min: 350, max: 5650 }),
            facing: fc.constantFrom(0, 90, 180, 270),
          }),
          { minLength: 1, maxLength: 3 },
        ),
        (units) => {
          const plan = withUnits(
            room,
            ...units.map((u, i) =>
              unit(u.kind, { ...u, id: `u${i}`, name: `Unit ${i}`, x: u.x + 0.31 * (i + 1), fixed: true }),
            ),
          );
          const broken = brokenBy(plan);
          const found = findingsOf(plan).filter((f) => QUICK.includes(f.check));
          if (broken === 0) {
            clean++;
            expect(found.map((f) => f.words)).toEqual([]);
          }
          if (found.length > 0) {
            dirty++;
            expect(broken).toBeGreaterThan(0);
          }
        },
      ),
      { numRuns: 40, seed: 11, endOnFailure: true },
    );
    expect([clean > 0, dirty > 0]).toEqual([true, true]);
  });

  test.each([
    ['before the door', { x: 3050, y: 350, facing: 0 }, 'exit'],
    ['before the window, higher than its sill', { x: 3000, y: 5850, facing: 180, kind: 'bookcase' }, 'window'],
    ['by the heater', { x: 700, y: 4300, facing: 90 }, 'heater'],
    ['before the fuse board', { x: 5700, y: 5300, facing: 270 }, 'fuseBoard'],
    ['over the socket', { x: 230, y: 1600, facing: 90, kind: 'cupboard' }, 'socket'],
  ] as const)('%s: both say so; moved into the open, neither', (_, where, check) => {
    const { kind, ...pose } = { kind: 'lowChest' as const, ...where };
    const at = (p: object) => withUnits(room, unit(kind, { id: 'it', fixed: true, ...p }));
    expect(findingsOf(at(pose)).map((f) => f.check)).toContain(check);
    expect(brokenBy(at(pose))).toBeGreaterThan(0);
    const open = at({ x: 3000, y: 3900, facing: 180 });
    expect(brokenBy(open)).toBe(0);
    expect(findingsOf(open).filter((f) => QUICK.includes(f.check))).toEqual([]);
  });

  test('a kiln is not moved; what burns keeps off it: both say so, and neither when it is away from it', () => {
    const hot = withUnits(room, unit('kiln', { id: 'kiln', x: 4400, y: 4900 }));
    const at = (x: number, board: 'pine' | 'metal' = 'pine') =>
      withUnits(hot, unit('lowChest', { id: 'it', fixed: true, x, y: 4900, facing: 180, board }));
    expect(piecesOf(hot).map((p) => p.movable)).toEqual([false]);
    expect(findingsOf(at(3500)).map((f) => f.check)).toContain('kiln');
    expect(brokenBy(at(3500))).toBeGreaterThan(0);
    for (const plan of [at(3100), at(3500, 'metal')]) {
      expect(brokenBy(plan)).toBe(0);
      expect(findingsOf(plan).filter((f) => QUICK.includes(f.check))).toEqual([]);
    }
  });

  test('a piece is its unit with all on it and the seats at it; turned there and back it is where it was', () => {
    const plan = applied(
      withUnits(
        room,
        unit('worktable', { id: 'table', x: 3000, y: 3100, facing: 180 }),
        unit('smallDrawers', { id: 'block', x: 3400, y: 3200, bottom: 740, hostId: 'table', facing: 180 }),
        unit('chair', { id: 'chair', x: 3000, y: 2500 }),
      ),
      { type: 'setStation', id: 'seat', set: { unitId: 'table' } },
    );
    const [table, ...rest] = piecesOf(plan);
    expect(rest).toEqual([]);
    expect(table!.members.map((m) => m.id).sort()).toEqual(['block', 'table']);
    expect(table!.seats.map((s) => s.station.id)).toEqual(['seat']);
    const pose = { x: 1234, y: -50, facing: 33 };
    for (const shape of [...table!.solids, ...table!.zones]) {
      const back = placed(shape, pose).corners.map((c) => within(c, pose));
      back.forEach((c, i) => {
        expect(c.x).toBeCloseTo(shape.corners[i]!.x, 6);
        expect(c.y).toBeCloseTo(shape.corners[i]!.y, 6);
      });
    }
  });

  test('ways: a gap of 760 mm is a passage, one of 600 mm narrow, one of 300 mm none', () => {
    const behind = { x: 3000, y: 5000, near: 300 };
    const gap = (wide: number) => {
      const plan = withUnits(
        room,
        unit('lowChest', { id: 'a', x: (3000 - wide / 2) / 2, y: 3000, width: 3000 - wide / 2 }),
        unit('lowChest', { id: 'b', x: 4500 + wide / 4, y: 3000, width: 3000 - wide / 2 }),
      );
      const blocks = piecesOf(plan).flatMap((p) => p.blocks.map((s) => placed(s, p.unit)));
      return new Ways(plan).broken(blocks, [behind]);
    };
    expect(gap(860)).toBe(0);
    expect(gap(600)).toBeGreaterThan(0);
    expect(gap(300)).toBeGreaterThan(gap(600));
  });

  test('pieces whose circles are apart break nothing between them: a quick look gives what a long one gives', () => {
    const plan = applied(
      withUnits(
        room,
        unit('worktable', { id: 'table', x: 3000, y: 3000 }),
        unit('lowChest', { id: 'chest', x: 1000, y: 5000 }),
        unit('cupboard', { id: 'cupboard', x: 5000, y: 5000 }),
      ),
      { type: 'setStation', id: 'seat', set: { unitId: 'table' } },
    );
    const pieces = piecesOf(plan);
    const random = new Random(4);
    const drawn = (): Taking => {
      const piece = pieces[random.below(pieces.length)]!;
      const pose = { x: 6000 * random.next(), y: 6000 * random.next(), facing: 360 * random.next() };
      const at = (shapes: typeof piece.solids) => shapes.map((s) => placed(s, pose));
      return { x: pose.x, y: pose.y, radius: piece.radius, solids: at(piece.solids), zones: at(piece.zones) };
    };
    let touching = 0;
    for (let k = 0; k < 600; k++) {
      const [a, b] = [drawn(), drawn()];
      const quick = breaksBetween(a, b);
      expect(quick).toBe(breaksBetween({ ...a, radius: 1e6 }, b));
      if (quick > 0) touching++;
    }
    expect(touching).toBeGreaterThan(50);
    expect(touching).toBeLessThan(550);
  });
});
