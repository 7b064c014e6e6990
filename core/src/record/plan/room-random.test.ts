import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { placesOf, topPlace, UNIT_KINDS } from '../catalogue/index.ts';
import { exportPlan, importPlan } from '../../paper/formats/index.ts';
import { block, tinyRoom, unit } from '../../testing/index.ts';
import {
  apply,
  applyChanges,
  blankFixture,
  blankOrganiser,
  type Command,
  FIXTURE_KINDS,
  homesOf,
  type Plan,
  type RowChange,
  unitShape,
} from './index.ts';

const id = (prefix: string) => fc.integer({ min: 0, max: 5 }).map((n) => `${prefix}${n}`);
const mm = fc.integer({ min: -50, max: 4000 });
const wallId = fc.constantFrom('w0', 'w1', 'w2', 'w3', 'w9');
const organiser = (of: string, width: number) => ({
  ...blankOrganiser(of, `Bin ${of}`, Math.max(10, width), 100, 100),
  divided: of === 'o2' ? 'slots 4' : '',
});

/** Every command that came with room and furniture, on ids that are often not there. */
const command: fc.Arbitrary<Command> = fc.oneof(
  fc
    .tuple(id('u'), fc.constantFrom(...UNIT_KINDS), mm, mm)
    .map(([u, kind, x, y]): Command => ({ type: 'placeUnit', unit: unit(kind, { id: u, x, y }) })),
  fc
    .tuple(id('u'), id('u'), mm)
    .map(([u, hostId, x]): Command => ({ type: 'setUnit', id: u, set: { hostId, x, mount: 'on' } })),
  fc
    .tuple(id('u'), mm, fc.integer({ min: 0, max: 360 }))
    .map(([u, x, facing]): Command => ({ type: 'setUnit', id: u, set: { x, facing } })),
  fc.tuple(id('u'), fc.array(fc.integer({ min: 20, max: 400 }), { maxLength: 5 })).map(([u, rowSizes]): Command => ({
    type: 'setUnit',
    id: u,
    set: { rowSizes, rows: Math.max(1, rowSizes.length) },
  })),
  fc
    .tuple(id('u'), fc.constantFrom('0.0 drawers 2', '0.0 door 1', '9.9 slots 3', '0.0 nothing 1'))
    .map(([u, insert]): Command => ({ type: 'setUnit', id: u, set: { inserts: [insert] } })),
  id('u').map((u): Command => ({ type: 'removeUnit', id: u })),
  fc.tuple(id('f'), fc.constantFrom(...FIXTURE_KINDS), wallId, mm).map(([f, kind, wall, left]): Command => ({
    type: 'addFixture',
    fixture: { ...blankFixture(f, kind, wall), left },
  })),
  id('f').map((f): Command => ({ type: 'removeFixture', id: f })),
  fc
    .tuple(id('s'), wallId, mm)
    .map(([s, wall, knee]): Command => ({ type: 'addSlope', slope: { id: s, wallId: wall, knee, run: 900 } })),
  fc.tuple(id('d'), wallId, wallId).map(([d, fromWallId, toWallId]): Command => ({
    type: 'addDiagonal',
    diagonal: { id: d, fromWallId, toWallId, length: 7000 },
  })),
  fc.tuple(id('x'), mm, mm, mm).map(([x, left, width, depth]): Command => ({
    type: 'shapeWall',
    id: 'w1',
    ids: [1, 2, 3, 4].map((n) => `${x}-${n}`),
    left,
    width,
    depth,
  })),
  fc
    .tuple(id('c'), wallId, mm, mm)
    .map(([c, wall, along, next]): Command => ({ type: 'cutCorner', id: wall, newId: c, along, next })),
  wallId.map((w): Command => ({ type: 'removeWall', id: w })),
  fc.tuple(id('p'), id('u')).map(([p, unitId]): Command => ({
    type: 'addParking',
    parking: { id: p, unitId, name: 'Spot', x: 1, y: 2, facing: 3 },
  })),
  fc.tuple(id('o'), mm).map(([o, width]): Command => ({ type: 'addOrganiser', organiser: organiser(o, width) })),
  fc.tuple(id('os'), id('o'), id('u'), mm).map(([os, organiserId, u, left]): Command => ({
    type: 'standIn',
    id: os,
    organiserId,
    name: os,
    inId: `${u}.0.0`,
    left,
    front: 0,
    bottom: 0,
    turned: false,
  })),
  fc.tuple(id('os'), id('os'), fc.boolean()).map(([os, other, turned]): Command => ({
    type: 'standIn',
    id: os,
    organiserId: 'o1',
    name: os,
    inId: other,
    left: 1,
    front: 2,
    bottom: 3,
    turned,
  })),
  fc
    .tuple(
      id('os'),
      fc.oneof(
        id('os'),
        id('u').map((u) => `${u}.0.0`),
      ),
      fc.boolean(),
    )
    .map(([os, inId, turned]): Command => ({
      type: 'moveContainer',
      id: os,
      inId,
      left: 0,
      front: 0,
      bottom: 0,
      turned,
    })),
  id('os').map((os): Command => ({ type: 'takeOut', id: os })),
  fc
    .tuple(
      fc.oneof(
        id('os'),
        id('u').map((u) => `${u}.0.0`),
      ),
      fc.constantFrom('', 'lanes 70,rest', 'lanes rest,rest,rest', 'rows 100,rest', 'slots 5', 'trays 3'),
    )
    .map(([place, into]): Command => ({ type: 'divide', id: place, into })),
  id('o').map((o): Command => ({ type: 'removeOrganiser', id: o })),
  fc.tuple(id('z'), fc.constantFrom('only' as const, 'first' as const), fc.nat(14)).map(([z, rule, mark]): Command => ({
    type: 'addZone',
    zone: { id: z, name: z, rule, mark },
  })),
  id('z').map((z): Command => ({ type: 'removeZone', id: z })),
  fc.tuple(id('u'), id('z')).map(([u, zoneId]): Command => ({ type: 'setUnit', id: u, set: { zoneId } })),
  fc
    .tuple(
      fc.oneof(
        id('os'),
        id('u').map((u) => `${u}.0.0`),
      ),
      id('z'),
      fc.constantFrom(null, 'bulk' as const, 'pile' as const),
    )
    .map(([place, zoneId, nature]): Command => ({
      type: 'setPlace',
      id: place,
      set: { zoneId, nature, keptOut: nature ?? '' },
    })),
  fc.tuple(id('s'), fc.nat(9), fc.nat(9)).map(([s, working, backstock]): Command => ({
    type: 'addSupplies',
    supplies: [block({ id: s, name: s, working, backstock })],
  })),
  fc.tuple(id('s'), fc.nat(9)).map(([s, working]): Command => ({ type: 'setSupply', id: s, set: { working } })),
  id('s').map((s): Command => ({ type: 'removeSupply', id: s })),
  fc
    .tuple(
      id('b'),
      id('s'),
      fc.option(id('u'), { nil: null }),
      fc.option(fc.integer({ min: 1, max: 2000 }), { nil: null }),
    )
    .map(([b, supplyId, unitId, above]): Command => ({
      type: 'addBan',
      ban: { id: b, supplyId, unitId, above, below: null },
    })),
  fc
    .tuple(
      id('s'),
      fc.constantFrom('working' as const, 'backstock' as const),
      fc.oneof(
        id('os'),
        id('u').map((u) => `${u}.0.0`),
      ),
      fc.option(fc.integer({ min: 1, max: 6 }), { nil: undefined }),
    )
    .map(([supplyId, share, placeId, count]): Command => ({
      type: 'assignHome',
      supplyId,
      share,
      placeId,
      since: '2026-11-25',
      ...(count === undefined ? {} : { count }),
    })),
  id('k').map((k): Command => ({
    type: 'acknowledge',
    acknowledgement: { id: k, reason: 'so it is', since: '2026-11-24' },
  })),
  id('k').map((k): Command => ({ type: 'reopen', id: k })),
);

/** Every reference leads somewhere, and every unit has exactly the places of its front. */
function whole(plan: Plan): void {
  for (const table of ['openings', 'fixtures', 'slopes'] as const)
    for (const row of Object.values(plan[table])) if (row.wallId !== null) expect(plan.walls[row.wallId]).toBeDefined();
  for (const d of Object.values(plan.diagonals))
    expect(plan.walls[d.fromWallId] && plan.walls[d.toWallId]).toBeDefined();
  for (const p of Object.values(plan.parkings)) expect(plan.units[p.unitId]).toBeDefined();
  for (const ban of Object.values(plan.bans)) expect(plan.supplies[ban.supplyId]).toBeDefined();
  for (const supply of Object.values(plan.supplies))
    for (const share of ['working', 'backstock'] as const) {
      const homes = homesOf(plan, supply.id, share);
      // one home in a place, at most one that takes the rest, none of nothing
      expect(new Set(homes.map((h) => h.placeId)).size).toBe(homes.length);
      expect(homes.filter((h) => h.count === null).length).toBeLessThanOrEqual(1);
      if (supply[share] === 0) expect(homes).toEqual([]);
      for (const h of homes) expect(plan.places[h.placeId]).toBeDefined();
    }
  for (const p of Object.values(plan.places)) {
    if (p.zoneId !== null) expect(plan.zones[p.zoneId]).toBeDefined();
    if (p.inId === null) continue;
    expect(plan.places[p.inId]?.unitId).toBe(p.unitId);
    if (p.organiserId !== null) expect(plan.organisers[p.organiserId]).toBeDefined();
  }
  expect(
    Object.values(plan.walls)
      .map((w) => w.seq)
      .sort((a, b) => a - b),
  ).toEqual(Object.keys(plan.walls).map((_, i) => i));
  for (const u of Object.values(plan.units)) {
    if (u.hostId !== null) expect(plan.units[u.hostId]).toBeDefined();
    const places = Object.values(plan.places).filter((p) => p.unitId === u.id && p.inId === null);
    const top = topPlace(u.kind, u.mount, unitShape(u)) ? 1 : 0;
    expect(places).toHaveLength(placesOf(u.kind, unitShape(u)).length + top);
    let above = u.hostId;
    for (let steps = 0; above !== null; steps++) {
      expect(steps).toBeLessThan(10);
      above = plan.units[above]!.hostId;
    }
  }
}

describe('any run of commands about room and furniture', () => {
  test('keeps the plan whole; undone one by one it is again what it was; its file says all of it', () => {
    fc.assert(
      fc.property(fc.array(command, { minLength: 1, maxLength: 30 }), (commands) => {
        let plan = tinyRoom();
        const steps: { before: Plan; changes: RowChange[] }[] = [];
        for (const one of commands) {
          const done = apply(plan, one);
          if (!done.ok) {
            expect(done.reason.length).toBeGreaterThan(8);
            continue;
          }
          steps.push({ before: plan, changes: done.changes });
          expect(applyChanges(plan, done.changes)).toEqual(done.plan);
          plan = done.plan;
        }
        whole(plan);
        const text = exportPlan(plan);
        const read = importPlan(text, plan.id);
        expect(read.ok && exportPlan(read.plan)).toBe(text);
        for (const { before, changes } of steps.reverse()) {
          const back = changes.map((c) => ({ ...c, before: c.after, after: c.before })).reverse();
          plan = applyChanges(plan, back);
          expect(plan).toEqual(before);
        }
      }),
      { numRuns: 600 },
    );
  });
});
