import { describe, expect, test } from '@jest/globals';
import { type Command, type Plan, type Supply } from '../../record/plan/index.ts';
import { applied, block, home, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { readyFor, runAt, sessionOf } from './index.ts';

/** A table, a chest near it and one far away; these things, each in its place, used so often an evening. */
function room(things: [Partial<Supply> & { id: string }, number, string | null, number?][]): Plan {
  return applied(
    withUnits(
      tinyRoom(),
      unit('worktable', { id: 'table', x: 3000, y: 3900 }),
      unit('lowChest', { id: 'near', x: 4300, y: 2600, facing: 270 }),
      unit('lowChest', { id: 'far', x: 600, y: 900, facing: 90 }),
    ),
    { type: 'setStation', id: 'seat', set: { unitId: 'table' } },
    ...things.flatMap(([of, often, place, usedUp = 0]): Command[] => [
      { type: 'addSupplies', supplies: [block({ name: of.id, width: 60, depth: 50, height: 30, mass: 100, ...of })] },
      { type: 'addUse', use: { ...use(of.id, often), usedUp } },
      ...(place ? [home(of.id, place)] : []),
    ]),
  );
}
const ready = (plan: Plan, month = 5) => readyFor(plan, plan.stations.seat!, month)!;

describe('getting ready for a session', () => {
  test('what is surely wanted, unit by unit, the nearest first; what is seldom wanted or has no home is not among it', () => {
    const plan = room([
      [{ id: 'rule' }, 4, 'far.0.0'],
      [{ id: 'pens' }, 2, 'near.0.0'],
      [{ id: 'knob' }, 2, 'near.1.0'],
      [{ id: 'rare' }, 0.3, 'near.0.0'],
      [{ id: 'lost' }, 3, null],
      [{ id: 'winter', months: [12] }, 2, 'near.0.0'],
    ]);
    const { stops, homeless, alone, seconds, back } = ready(plan);
    expect(stops.map((s) => [s.unit.id, s.things.map((t) => t.supply.id).sort()])).toEqual([
      ['near', ['knob', 'pens']],
      ['far', ['rule']],
    ]);
    expect(homeless.map((s) => s.id)).toEqual(['lost']);
    expect(alone).toEqual([]);
    expect(seconds).toBeCloseTo(
      stops.reduce((sum, s) => sum + s.seconds, 0),
      9,
    );
    expect(back.things).toBe(3);
    expect(ready(plan, 12).stops[0]!.things.map((t) => t.supply.id)).toContain('winter');
  });

  test('it takes what the try-out plays at the beginning and at the end', () => {
    const plan = room([
      [{ id: 'rule' }, 4, 'far.0.0'],
      [{ id: 'pens' }, 2, 'far.1.0'],
      [{ id: 'card', working: 40 }, 6, 'near.0.0', 6],
    ]);
    const moments = sessionOf(runAt(plan, plan.stations.seat!)!, { seed: 3, session: 0, month: 5 });
    const sum = (what: string) => moments.reduce((s, m) => s + (m.what === what ? m.toll.seconds : 0), 0);
    const { seconds, back, stops } = ready(plan);
    expect(seconds).toBeCloseTo(sum('get'), 6);
    expect(back.seconds).toBeCloseTo(sum('put back'), 6);
    expect(stops.flatMap((s) => s.things).find((t) => t.supply.id === 'card')!.pieces).toBe(6);
  });

  test('several loads of one thing go by themselves; a room without a table gets nothing ready', () => {
    const heavy = room([[{ id: 'clay', mass: 1500, working: 9 }, 3, 'far.0.0', 3]]);
    expect(ready(heavy)).toMatchObject({ stops: [], alone: [{ pieces: 3 }] });
    const bare = applied(heavy, { type: 'setPlan', set: { leaving: 'atOnce' } });
    expect(ready(bare)).toMatchObject({ stops: [], alone: [], seconds: 0 });
  });

  test('a box that is carried to the seat is brought first, with what bringing it and taking it away takes; what is in it is not got', () => {
    const plan = applied(
      room([
        [{ id: 'pens' }, 2, 'near.0.0'],
        [{ id: 'glue' }, 2, null],
      ]),
      {
        type: 'placeUnit',
        unit: unit('carryBox', {
          id: 'box',
          name: 'Glue box',
          x: 600,
          y: 900,
          keptInId: null,
          bottom: 780,
          hostId: 'far',
        }),
      },
      { type: 'setStation', id: 'seat', set: { housing: 'kit', travellerId: 'box' } },
      home('glue', 'box.0.0'),
    );
    const { brought, stops, alone } = ready(plan);
    expect(brought.map((b) => [b.id, b.name])).toEqual([['box', 'Glue box']]);
    const bringing = sessionOf(runAt(plan, plan.stations.seat!)!, { seed: 3, session: 0, month: 5 }).filter(
      (m) => m.what === 'bring',
    );
    expect(brought[0]!.seconds).toBeCloseTo(bringing[0]!.toll.seconds, 9);
    expect([...stops.flatMap((s) => s.things), ...alone].map((t) => t.supply.id)).toEqual(['pens']);
  });
});
