import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { UNIT_KINDS } from '../../record/catalogue/index.ts';
import {
  BY_TAPE,
  apply,
  blankFixture,
  type Command,
  FIXTURE_KINDS,
  type Plan,
  type Unit,
} from '../../record/plan/index.ts';
import { applied, block, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { findingsOf } from './index.ts';

const where = fc.integer({ min: -500, max: 6500 });
const months = fc.uniqueArray(fc.integer({ min: 1, max: 12 }), { maxLength: 12 });
const wall = fc.constantFrom('w0', 'w1', 'w2', 'w3');

/** Commands as a maker might give them, sensible or not; what the core refuses is left out. */
const command = (i: number): fc.Arbitrary<Command> =>
  fc.oneof(
    fc
      .record({
        kind: fc.constantFrom(...UNIT_KINDS),
        x: where,
        y: where,
        facing: fc.integer({ min: 0, max: 359 }),
        watts: fc.constantFrom(0, 1500),
        cord: fc.constantFrom(null, 1200),
        feedFront: fc.constantFrom(0, 600),
      })
      .map((u): Command => ({ type: 'placeUnit', unit: unit(u.kind, { ...u, id: `u${i}`, name: `Unit ${i}` }) })),
    fc
      .record({
        kind: fc.constantFrom(...FIXTURE_KINDS),
        wallId: fc.oneof(wall, fc.constant(null)),
        left: fc.integer({ min: 0, max: 7000 }),
        x: where,
        y: where,
      })
      .map((f): Command => ({ type: 'addFixture', fixture: { ...blankFixture(`f${i}`, f.kind), ...f } })),
    fc
      .record({
        wallId: wall,
        kind: fc.constantFrom('door' as const, 'window' as const),
        left: fc.integer({ min: 0, max: 5000 }),
        hinge: fc.constantFrom('left' as const, 'right' as const),
        swing: fc.constantFrom('in' as const, 'out' as const),
      })
      .map((o): Command => ({
        type: 'addOpening',
        opening: { ...BY_TAPE, ...o, id: `o${i}`, width: 900, sill: o.kind === 'door' ? 0 : 900, head: 2000 },
      })),
    fc
      .record({ wallId: wall, knee: fc.integer({ min: 500, max: 2600 }), run: fc.integer({ min: 100, max: 4000 }) })
      .map((s): Command => ({ type: 'addSlope', slope: { id: `s${i}`, ...s } })),
    fc.record({ x: where, y: where, months }).map((f): Command => ({
      type: 'addFloorUse',
      floorUse: { id: `f${i}`, name: 'Use', facing: 30, width: 900, depth: 1900, height: 500, ...f },
    })),
  );
const plans = fc
  .integer({ min: 1, max: 10 })
  .chain((n) => fc.tuple(...Array.from({ length: n }, (_, i) => command(i))))
  .map((commands) =>
    commands.reduce((plan: Plan, c) => {
      const done = apply(plan, c);
      return done.ok ? done.plan : plan;
    }, stocked),
  );
const stocked = applied(tinyRoom(), {
  type: 'addSupplies',
  supplies: [block({ id: 'needles', name: 'Needles', hazards: ['blade'], sensitive: ['sun'], mass: 9000, working: 4 })],
});

describe('whatever is in the room', () => {
  test('findings are told apart by their keys, name what there is, say numbers and never nonsense', () => {
    fc.assert(
      fc.property(plans, (plan) => {
        const findings = findingsOf(plan);
        expect(new Set(findings.map((f) => f.key)).size).toBe(findings.length);
        for (const f of findings) {
          expect(f.words).not.toMatch(/NaN|undefined|Infinity|null|\[object/);
          expect(f.words).toMatch(/\.$/);
          expect(f.words.length).toBeGreaterThan(12);
          for (const id of f.unitIds) expect(plan.units[id]).toBeDefined();
          for (const id of f.placeIds) expect(plan.places[id]).toBeDefined();
          for (const p of f.area ?? []) expect(Number.isFinite(p.x) && Number.isFinite(p.y)).toBe(true);
        }
        expect(findingsOf(structuredClone(plan))).toEqual(findings);
      }),
      { numRuns: 40 },
    );
  });

  test('the walls not closing, findings about units alone are still there', () => {
    fc.assert(
      fc.property(plans, (plan) => {
        const open = { ...plan, walls: { w0: plan.walls.w0! } };
        const tipping = (p: Plan) =>
          findingsOf(p)
            .filter((f) => f.check === 'tipping')
            .map((f) => f.key);
        expect(tipping(open)).toEqual(tipping(plan));
      }),
      { numRuns: 15 },
    );
  });
});

/** Kinds whose fronts are the same from left and right. */
const EVEN = ['worktable', 'lowChest', 'cupboard', 'bookcase', 'bed', 'cubeUnit', 'wallShelves'] as const;
const placed = fc.array(
  fc.record({
    kind: fc.constantFrom(...EVEN),
    x: fc.integer({ min: 300, max: 5700 }),
    y: fc.integer({ min: 300, max: 5700 }),
    facing: fc.constantFrom(0, 90, 180, 270),
  }),
  { minLength: 1, maxLength: 6 },
);

describe('a room and its mirror image', () => {
  const build = (units: { kind: (typeof EVEN)[number]; x: number; y: number; facing: number }[], mirrored: boolean) => {
    const flip = <T extends { x: number; facing: number }>(u: T): T =>
      mirrored ? { ...u, x: 6000 - u.x, facing: (360 - u.facing) % 360 } : u;
    const base = applied(tinyRoom({}, { hand: mirrored ? 'left' : 'right' }), {
      type: 'addOpening',
      opening: {
        id: 'door',
        wallId: 'w3',
        kind: 'door',
        left: mirrored ? 3900 : 1200,
        width: 900,
        sill: 0,
        head: 2000,
        hinge: mirrored ? 'right' : 'left',
        swing: 'in',
        ...BY_TAPE,
      },
    });
    const lamp: Command = {
      type: 'addFixture',
      fixture: { ...blankFixture('lamp', 'lamp'), x: mirrored ? 2500 : 3500, y: 3300, bottom: 1900, lumens: 900 },
    };
    return withUnits(
      applied(base, lamp),
      ...units.map((u, i): Unit => {
        // off the whole millimetres, so that nothing is exactly at a limit: there the last bit of a float would decide
        const off = 0.31 + 0.07 * i;
        return unit(u.kind, flip({ ...u, x: u.x + off, y: u.y + off, id: `u${i}`, name: `Unit ${i}` }));
      }),
    );
  };

  test('have the same findings, a left-handed maker in the mirror', () => {
    fc.assert(
      fc.property(placed, (units) => {
        // ways are measured on a grid that begins in one corner, so their necks may differ by its mesh
        const said = (plan: Plan) =>
          findingsOf(plan)
            .filter((f) => !['passage', 'stand', 'exit'].includes(f.check))
            .map((f) => `${f.check} ${[...f.unitIds].sort().join(' ')} ${f.placeIds.length}`)
            .sort();
        expect(said(build(units, true))).toEqual(said(build(units, false)));
      }),
      { numRuns: 25 },
    );
  });
});
