import { describe, expect, test } from '@jest/globals';
import { assessHomes, yearlyUses } from '../../living/homes/index.ts';
import { BY_TAPE, type Command, DONE_AT, type Plan } from '../../record/plan/index.ts';
import { expectedOf, runAt, sessionOf, simulate } from './index.ts';
import { findingsOf } from '../findings/index.ts';
import { needsOf } from '../stations/index.ts';
import { applied, block, home, person, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { inUseIn, sessionsAt, sessionsOf } from '../../living/sessions/index.ts';

/** A seat in the middle of a room without a table, a chest a few paces away, these things in its top drawer, each used so often an evening. */
function room(things: readonly [id: string, reaches: number, usedUp?: number][]): Plan {
  return applied(
    withUnits(tinyRoom(), unit('lowChest', { id: 'far', x: 600, y: 900, facing: 90 })),
    ...things.flatMap(([id, reaches, usedUp = 0]): Command[] => [
      {
        type: 'addSupplies',
        supplies: [block({ id, name: id, width: 60, depth: 50, height: 30, mass: 100, working: 40 })],
      },
      { type: 'addUse', use: { ...use(id, reaches), usedUp } },
      home(id, 'far.0.0'),
    ]),
  );
}
const things = [
  ['rule', 10],
  ['card', 6, 6],
  ['seldom', 0.4],
] as const;
const all = () => room(things as never);
const done = (plan: Plan, doneAt: (typeof DONE_AT)[number]) =>
  applied(plan, { type: 'setActivity', id: 'work', set: { doneAt } });

describe('what is done out of the room', () => {
  test.each(DONE_AT.filter((at) => at !== 'here'))(
    '%s: what is surely wanted goes out once; what is not is come back for',
    (at) => {
      const uses = inUseIn(done(all(), at)).get('seat')!;
      expect(uses.get('rule')).toMatchObject({ back: null, walks: 1, gathered: 1 });
      expect(uses.get('card')).toMatchObject({ back: null, walks: 1, gathered: 1, consumed: true });
      expect(uses.get('seldom')).toMatchObject({ back: 'seldom', walks: 0.4 });
    },
  );

  test('whatever table it has and however calm the room is to be: neither counts elsewhere', () => {
    const plan = done(all(), 'outside');
    const calm = applied(
      withUnits(plan, unit('worktable', { id: 'table', x: 3000, y: 3900, width: 500, depth: 300 })),
      { type: 'setPlan', set: { leaving: 'atOnce' } },
      { type: 'setStation', id: 'seat', set: { unitId: 'table' } },
    );
    expect([...inUseIn(calm).get('seat')!.values()]).toEqual([...inUseIn(plan).get('seat')!.values()]);
  });

  test('nothing is reached for over a table of this room, in a year, in the mean and in an evening played', () => {
    const here = withUnits(all(), unit('worktable', { id: 'table', x: 3000, y: 3900, width: 1400, depth: 700 }));
    const atTable = applied(here, { type: 'setStation', id: 'seat', set: { unitId: 'table' } });
    expect(assessHomes(atTable).reaching).toBeGreaterThan(0);
    const plan = done(atTable, 'otherRoom');
    expect(assessHomes(plan).reaching).toBe(0);
    const run = runAt(plan, plan.stations.seat!)!;
    expect(expectedOf(run).over).toEqual({ reaches: 0, seconds: 0 });
    const moments = sessionOf(run, { seed: 1, session: 0, month: null });
    expect(moments.filter((m) => m.what === 'reach')).toEqual([]);
    expect(moments.filter((m) => m.what === 'get' && m.supply?.id === 'rule')).toHaveLength(1);
    // the mean lies in the interval of the evenings as they are played
    const { mean, half } = simulate(run, { sessions: 2000, seed: 3 });
    expect(Math.abs(expectedOf(run).toll.seconds - mean.seconds)).toBeLessThanOrEqual(2 * half.seconds + 1e-6);
  });

  test('it costs what the same evening costs at a table with room for all, less the reaching over it', () => {
    const table = unit('worktable', { id: 'table', x: 3000, y: 4600, width: 2000, depth: 1000 });
    const here = applied(withUnits(all(), table), { type: 'setStation', id: 'seat', set: { unitId: 'table' } });
    const there = done(here, 'away');
    const fetching = (plan: Plan) => assessHomes(plan).seconds - assessHomes(plan).reaching;
    expect(fetching(there)).toBeCloseTo(fetching(here), 6);
    expect(assessHomes(there).seconds).toBeLessThan(assessHomes(here).seconds);
  });

  test('no light, table, chair or elbow room of this room is asked for', () => {
    const lamp: Command = {
      type: 'addFixture',
      fixture: {
        ...{ id: 'lamp', kind: 'lamp', name: 'Lamp', wallId: null, left: 0, x: 500, y: 500, facing: 0, bottom: 2200 },
        ...{
          width: 200,
          depth: 200,
          height: 100,
          circuit: '',
          lumens: 50,
          beam: 120,
          watts: 5,
          heat: 'portable',
          ...BY_TAPE,
        },
      },
    };
    const dark = applied(all(), lamp, { type: 'setActivity', id: 'work', set: { surfaceWidth: 900, lux: 750 } });
    const seat = dark.stations.seat!;
    expect(findingsOf(dark).map((f) => f.check)).toContain('light');
    expect(needsOf(dark, seat).some((n) => n.lacks !== null)).toBe(true);
    const out = done(dark, 'outside');
    expect(findingsOf(out).filter((f) => ['light', 'chair', 'knees', 'together'].includes(f.check))).toEqual([]);
    expect(needsOf(out, seat)).toEqual([]);
  });
});

describe('what is done out of the room beside the room', () => {
  test('the cart that goes out with it is not told to stand in anything at the door', () => {
    const kit = applied(
      withUnits(
        tinyRoom({ x: 300, y: 300 }),
        unit('rollingCart', { id: 'box', x: 4000, y: 4000 }),
        unit('lowChest', { id: 'chest', x: 500, y: 300 }),
      ),
      { type: 'setStation', id: 'seat', set: { housing: 'cart', travellerId: 'box' } },
    );
    const travels = (plan: Plan) => findingsOf(plan).filter((f) => f.check === 'travels').length;
    expect(travels(kit)).toBeGreaterThan(0);
    expect(travels(done(kit, 'away'))).toBe(0);
  });
});

describe('who comes to what others do', () => {
  const withGuest = (comes: number | null) => {
    const plan = all();
    return applied(
      plan,
      { type: 'addPerson', person: person({ id: 'guest', name: 'Guest' }) },
      {
        type: 'addStation',
        station: { ...plan.stations.seat!, id: 'beside', name: 'Beside', personId: 'guest', x: 3800, comes },
      },
    );
  };

  test('without a number the sessions are shared; with one hers come beside those of the others', () => {
    const shared = withGuest(null);
    const [seat, beside] = [shared.stations.seat!, shared.stations.beside!];
    // eight evenings a month
    expect([sessionsAt(shared, seat), sessionsAt(shared, beside), sessionsOf(shared, 'work')]).toEqual([48, 48, 96]);
    const monthly = withGuest(1);
    expect(sessionsAt(monthly, monthly.stations.seat!)).toBe(96);
    expect(sessionsAt(monthly, monthly.stations.beside!)).toBe(12);
    expect(sessionsAt(monthly, monthly.stations.beside!, [12])).toBe(1);
    expect(sessionsOf(monthly, 'work')).toBe(108);
    expect(sessionsOf(monthly, 'nothing')).toBe(0);
  });

  test('she fetches as often as she comes, and what she uses up is used up', () => {
    const monthly = withGuest(1);
    const uses = yearlyUses(monthly, monthly.supplies.rule!, 'working');
    expect(uses.map((u) => [u.station.id, Math.round(u.fetches)])).toEqual([
      ['beside', 120],
      ['seat', 960],
    ]);
    const refills = (plan: Plan) => yearlyUses(plan, plan.supplies.card!, 'backstock')[0]!.fetches;
    expect(refills(monthly) / refills(withGuest(null))).toBeCloseTo(108 / 96, 9);
  });

  test('who never comes costs nothing', () => {
    const never = withGuest(0);
    expect(yearlyUses(never, never.supplies.rule!, 'working').map((u) => u.station.id)).toEqual(['seat']);
    expect(assessHomes(never).seconds).toBeCloseTo(assessHomes(all()).seconds, 6);
  });
});
