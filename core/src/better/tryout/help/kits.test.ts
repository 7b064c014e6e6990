import { describe, expect, test } from '@jest/globals';
import { bringingPerYear } from '../../../living/homes/index.ts';
import { apply, type Command, homesIn, type Plan, type Unit } from '../../../record/plan/index.ts';
import { applied, block, home, tinyRoom, unit, use, withUnits } from '../../../testing/index.ts';
import { helpMost } from './help-most.ts';
import { kits } from './kits.ts';

const since = '2026-11-26';
/** Small things used all the time, in a bookcase across the room; a shelf near the seat takes a box. */
const furnished = (near: Unit[], ...more: Command[]): Plan =>
  applied(
    withUnits(tinyRoom({ standing: false }), unit('bookcase', { id: 'far', x: 700, y: 5700, depth: 420 }), ...near),
    {
      type: 'addSupplies',
      supplies: Array.from({ length: 5 }, (_, i) =>
        block({ id: `s${i}`, name: `Tool ${i}`, family: '', width: 60, depth: 60, height: 60 }),
      ),
    },
    ...Array.from({ length: 5 }, (_, i): Command => ({ type: 'addUse', use: use(`s${i}`, 4 + i) })),
    ...Array.from({ length: 5 }, (_, i) => home(`s${i}`, 'far.1.0')),
    ...more,
  );

const room = (...more: Command[]): Plan =>
  furnished([unit('bookcase', { id: 'near', x: 4600, y: 3000, facing: 270, depth: 420 })], ...more);

describe('a kit for an activity', () => {
  test('a box is bought, kept in the nearest place that takes it, packed with what is fetched most, and brought', () => {
    const plan = applied(room(), { type: 'addPrice', price: { id: 'carryBox', price: 18 } });
    const [kit, ...others] = kits(plan, since);
    expect(others).toEqual([]);
    expect(kit).toMatchObject({ kind: 'kit', effort: 'buy', price: 18, subject: 'seat', unitIds: ['near'] });
    expect(kit!.words).toMatch(/^A kit for .*: a carry box with 5 things, kept in Bookcase/);
    const done = apply(plan, kit!.command);
    if (!done.ok) throw new Error(done.reason);
    const station = done.plan.stations.seat!;
    expect(station).toMatchObject({ housing: 'kit' });
    const box = done.plan.units[station.travellerId!]!;
    expect(box.kind).toBe('carryBox');
    expect(done.plan.places[box.keptInId!]!.unitId).toBe('near');
    const inside = Object.values(done.plan.places).flatMap((p) =>
      p.unitId === box.id ? homesIn(done.plan, p.id).map((h) => h.supplyId) : [],
    );
    expect(inside.sort()).toEqual(['s0', 's1', 's2', 's3', 's4']);
    expect(bringingPerYear(done.plan, station)).toBeGreaterThan(0);
  });

  test('a box that nothing is in is used before one is bought; one that travels already is not', () => {
    const box: Command = {
      type: 'placeUnit',
      unit: unit('carryBox', { id: 'box', name: 'Blue box', x: 3000, y: 500 }),
    };
    expect(kits(room(box), since)[0]).toMatchObject({
      effort: 'free',
      price: 0,
      words: expect.stringMatching(/Blue box/),
    });
    const packed = room(box, { type: 'setStation', id: 'seat', set: { housing: 'kit', travellerId: 'box' } });
    expect(kits(packed, since)).toEqual([]);
  });

  test('it is not kept in what one sits at', () => {
    const at = (unitId: string | null) => kits(room({ type: 'setStation', id: 'seat', set: { unitId } }), since)[0]!;
    expect(at(null).unitIds).toEqual(['near']);
    expect(at('near').unitIds).toEqual(['far']);
  });

  test('two things are no kit, and what is pinned stays where it is', () => {
    const pinned = room(
      ...[0, 1, 2].map((i): Command => ({ type: 'pinHome', supplyId: `s${i}`, share: 'working', pinned: true })),
    );
    expect(kits(pinned, since)).toEqual([]);
  });

  test('among what would help most it saves what it says, bringing counted', async () => {
    let clock = 0;
    const plan = furnished([]);
    const got = (await helpMost(plan, { now: () => (clock += 1), since, seconds: 1e9 }))!;
    const kit = got.changes.find((c) => c.kind === 'kit');
    expect(kit).toBeDefined();
    const done = apply(plan, kit!.take);
    if (!done.ok) throw new Error(done.reason);
    expect(done.plan.stations.seat!.housing).toBe('kit');
    expect(kit!.saves).toBeGreaterThan(600);
  });
});
