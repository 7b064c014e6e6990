import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { assessHomes, visitsOf, yearlyUses } from '../homes/index.ts';
import { type Command, type Plan, type Supply, type Unit } from '../../record/plan/index.ts';
import { applied, block, home, sheet, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { inUseIn, leavesOut, loadsIn, type Taken, tableRoom, visitSeconds, visitShares } from './index.ts';

const TABLE: Partial<Unit> = { id: 'table', x: 3000, y: 3900, width: 1200, depth: 600 };

/** A seat at a table (or without one) and a chest a few paces away, these things in its top drawer, each used so often an evening. */
function room(
  things: [Partial<Supply> & { id: string }, number, number?][],
  table: Partial<Unit> | null = TABLE,
): Plan {
  return applied(
    withUnits(
      tinyRoom(),
      ...(table ? [unit('worktable', { ...TABLE, ...table } as Partial<Unit> & { id: string })] : []),
      unit('lowChest', { id: 'far', x: 600, y: 900, facing: 90 }),
    ),
    ...(table ? [{ type: 'setStation', id: 'seat', set: { unitId: 'table' } } as Command] : []),
    ...things.flatMap(([of, reaches, usedUp = 0]): Command[] => [
      { type: 'addSupplies', supplies: [block({ name: of.id, width: 60, depth: 50, height: 30, mass: 100, ...of })] },
      { type: 'addUse', use: { ...use(of.id, reaches), usedUp } },
      home(of.id, 'far.0.0'),
    ]),
  );
}
const inUse = (plan: Plan, id: string) => inUseIn(plan).get('seat')!.get(id)!;
const seconds = (plan: Plan) => assessHomes(plan).seconds;

describe('what lies out', () => {
  test('the room on a table: what is free less the work, of the rest 0.7; a cart adds its own; no table, no room', () => {
    const plan = room([]);
    const seat = plan.stations.seat!;
    // 1200 × 600 less 600 × 400 that the work lies on where nothing is said
    expect(tableRoom(plan, seat)).toEqual({ free: 720_000, work: 240_000, room: expect.closeTo(0.7 * 480_000, 6) });
    const said = applied(plan, { type: 'setActivity', id: 'work', set: { surfaceWidth: 1200, surfaceDepth: 500 } });
    expect(tableRoom(said, seat).room).toBeCloseTo(0.7 * 120_000, 6);
    const cart = applied(
      withUnits(plan, unit('rollingCart', { id: 'cart', x: 1000, y: 4000, width: 400, depth: 300 })),
      { type: 'setStation', id: 'seat', set: { housing: 'cart', travellerId: 'cart' } },
    );
    expect(tableRoom(cart, cart.stations.seat!).room).toBeCloseTo(0.7 * (480_000 + 120_000), 6);
    expect(tableRoom(room([], null), seat)).toEqual({ free: 0, work: 0, room: 0 });
  });

  test('a knife that is reached for ten times comes out once; with room for nothing every reach is a walk', () => {
    const things: Parameters<typeof room>[0] = [[{ id: 'rule' }, 10]];
    const out = room(things);
    expect(inUse(out, 'rule')).toMatchObject({ back: null, reaches: 10, walks: 1, gathered: 1 });
    const [mine] = yearlyUses(out, out.supplies.rule!, 'working');
    // eight evenings a month
    expect(mine).toMatchObject({ fetches: 96, gathered: 96, reaches: 960 });
    const none = room(things, null);
    expect(inUse(none, 'rule')).toMatchObject({ back: 'no room', walks: 10, gathered: 0 });
    expect(yearlyUses(none, none.supplies.rule!, 'working')[0]).toMatchObject({ fetches: 960, reaches: 0 });
    expect(seconds(none) / seconds(out)).toBeGreaterThan(3);
  });

  test('out until done or back at once, by plan and by activity: at once it costs as it does without a table', () => {
    const plan = room([
      [{ id: 'rule' }, 10],
      [{ id: 'pens' }, 3],
    ]);
    const atOnce = applied(plan, { type: 'setPlan', set: { leaving: 'atOnce' } });
    expect(leavesOut(atOnce, atOnce.stations.seat!)).toBe(false);
    expect(inUse(atOnce, 'rule')).toMatchObject({ back: 'at once', walks: 10 });
    const own = applied(atOnce, { type: 'setActivity', id: 'work', set: { leaving: 'untilDone' } });
    expect(seconds(own)).toBeCloseTo(seconds(plan), 6);
    const small = applied(plan, { type: 'setActivity', id: 'work', set: { surfaceWidth: 1200, surfaceDepth: 600 } });
    expect(seconds(atOnce)).toBeCloseTo(seconds(small), 6);
  });

  test('what has most reaches for the room it covers lies out first; what is seldom wanted does not; blades want a holder', () => {
    const crowded = { width: 800, depth: 400 };
    const plan = room(
      [
        [{ id: 'often' }, 5],
        [{ id: 'large', width: 300, depth: 150 }, 5],
        [{ id: 'rare' }, 0.5],
        [{ id: 'knife', form: 'stick', hazards: ['blade'] }, 6],
        [{ id: 'pins', form: 'loose', hazards: ['blade'] }, 2],
      ],
      crowded,
    );
    // 800 × 400 less 600 × 400, 0.7 of it: 56,000 mm²
    const back = (id: string) => inUse(plan, id).back;
    expect(['often', 'large', 'rare', 'knife', 'pins'].map(back)).toEqual([null, null, 'seldom', 'no holder', null]);
    const more = applied(plan, { type: 'setSupply', id: 'large', set: { width: 400 } });
    expect(inUse(more, 'large').back).toBe('no room');
    const hung = withUnits(
      plan,
      unit('wallBoard', { id: 'board', x: 3500, y: 3200, facing: 270, width: 500, bottom: 700, depth: 40 }),
    );
    expect(inUse(hung, 'knife').back).toBe(null);
  });

  test('sheets lie on each other; what is used up comes in one go, in loads of two kilos or eight litres', () => {
    const flat = (id: string) => sheet({ id, name: id, width: 400, depth: 300, grammage: 200, working: 40, mass: 24 });
    const plan = room([
      [flat('red'), 2],
      [flat('blue'), 2],
      [flat('green'), 2],
      [{ id: 'clay', mass: 1500, working: 9 }, 3, 3],
      [{ id: 'card', mass: 20, working: 50 }, 12, 12],
    ]);
    for (const id of ['red', 'blue', 'green']) expect(inUse(plan, id).back).toBe(null);
    expect(inUse(plan, 'card')).toMatchObject({ walks: 1, gathered: 1, consumed: true });
    // three of a kilo and a half: three loads, each by itself
    expect(inUse(plan, 'clay')).toMatchObject({ walks: 3, gathered: 0 });
  });

  test('more table never costs more', () => {
    const thing = fc.record({ reaches: fc.integer({ min: 1, max: 9 }), width: fc.integer({ min: 20, max: 300 }) });
    fc.assert(
      fc.property(
        fc.array(thing, { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 900, max: 1700 }),
        (list, wide) => {
          const things = list.map(({ reaches, width }, i): [Partial<Supply> & { id: string }, number] => [
            { id: `t${i}`, width, depth: 50 },
            reaches,
          ]);
          const at = (width: number) => applied(room(things), { type: 'setUnit', id: 'table', set: { width } });
          expect(seconds(at(wide + 100))).toBeLessThanOrEqual(seconds(at(wide)) + 1e-6);
        },
      ),
      { numRuns: 25 },
    );
  });
});

describe('visits', () => {
  const taken = fc.record({
    way: fc.integer({ min: 0, max: 40 }),
    part: fc.constantFrom(1, 1, 1, 0.5, 0.25),
    consumed: fc.boolean(),
    mass: fc.integer({ min: 10, max: 2500 }),
    volume: fc.integer({ min: 1000, max: 9_000_000 }),
  });
  const light = taken.map((t): Taken => ({ ...t, mass: 10, volume: 1000 }));

  test('the mean of the farthest is that over all sets of what is wanted, tried one by one', () => {
    fc.assert(
      fc.property(fc.array(light, { maxLength: 6 }), (list) => {
        let mean = 0;
        for (let set = 0; set < 1 << list.length; set++) {
          let chance = 1;
          const farthest = (of: (t: Taken) => boolean) =>
            list.reduce((far, t, i) => ((set >> i) & 1 && of(t) ? Math.max(far, t.way) : far), 0);
          for (const [i, t] of list.entries()) chance *= (set >> i) & 1 ? t.part : 1 - t.part;
          mean += chance * (farthest(() => true) + farthest((t) => !t.consumed));
        }
        expect(visitSeconds(list)).toBeCloseTo(mean, 6);
      }),
    );
  });

  test('its shares add up to it, none is less than nothing; no load is more than two kilos or eight litres but a single thing', () => {
    fc.assert(
      fc.property(fc.array(taken, { maxLength: 9 }), (list) => {
        const shares = [...visitShares(list).values()];
        expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(visitSeconds(list), 6);
        for (const share of shares) expect(share).toBeGreaterThanOrEqual(0);
        for (const load of loadsIn(list)) {
          const sum = (of: (t: Taken) => number) => load.reduce((s, t) => s + of(t), 0);
          expect(load.length === 1 || (sum((t) => t.mass) <= 2000 && sum((t) => t.volume) <= 8e6)).toBe(true);
        }
      }),
    );
  });

  test('together is never more than apart: what is gathered from one unit costs at most what it does from two', () => {
    fc.assert(
      fc.property(fc.array(light, { maxLength: 5 }), fc.array(light, { maxLength: 5 }), (a, b) => {
        expect(visitSeconds([...a, ...b])).toBeLessThanOrEqual(visitSeconds(a) + visitSeconds(b) + 1e-9);
      }),
    );
  });

  test('in a plan: seven things out of one chest are walked to once an evening; the homes add up to the whole', () => {
    const things = Array.from({ length: 7 }, (_, i): [{ id: string }, number] => [{ id: `t${i}` }, 2]);
    const plan = room(things);
    const [visit] = [...visitsOf(plan).visits.values()];
    expect(visit!.taken).toHaveLength(7);
    const { states, seconds: all, reaching, bringing } = assessHomes(plan);
    const own = states.reduce((sum, s) => sum + (s.cost?.seconds ?? 0), 0);
    expect(own + reaching + bringing).toBeCloseTo(all, 6);
    expect(states.reduce((sum, s) => sum + s.cost!.visiting, 0)).toBeCloseTo(visit!.seconds, 6);
    // one of them alone pays the way by itself
    const alone = room(things.slice(0, 1));
    expect([...visitsOf(alone).visits.values()][0]!.seconds).toBeCloseTo(visit!.seconds, 6);
    expect(all).toBeLessThan(7 * seconds(alone));
  });

  test('a loft is walked to once an evening for what fits one load, though the table has no room for it', () => {
    const plan = applied(
      withUnits(room([[{ id: 'cloth', width: 900, depth: 700 }, 4]]), unit('away', { id: 'loft', awayMinutes: 2 })),
      home('cloth', 'loft.0.0'),
    );
    const state = assessHomes(plan).states.find((s) => s.supply.id === 'cloth')!;
    expect(inUse(plan, 'cloth').back).toBe('no room');
    expect(state.cost!.fetches).toBe(96);
    // two minutes there and back to get it, and to bring it back
    expect(state.cost!.seconds).toBeGreaterThan(96 * 240);
    expect(state.cost!.seconds).toBeLessThan(96 * 250);
  });
});
