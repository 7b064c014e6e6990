import { describe, expect, test } from '@jest/globals';
import { assessHomes, bringingPerYear, DUG_OUT } from '../../living/homes/index.ts';
import { type Command, type Plan } from '../../record/plan/index.ts';
import { SECONDS_PER_TMU } from '../../space/reach/index.ts';
import { Random } from '../../living/slotting/index.ts';
import { applied, block, home, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import {
  againAndAgain,
  difference,
  expectedOf,
  inTheWay,
  type Run,
  runAt,
  runOf,
  sessionOf,
  simulate,
  tollOf,
} from './index.ts';

/** A chest, shelves and a wall of hooks about a seat, some small things in them at random, fetched so often and so often used up. */
function randomRoom(seed: number): Plan {
  const random = new Random(seed);
  // two of three have a table, for some or for all of it
  const tables =
    seed % 3 === 0
      ? []
      : [unit('worktable', { id: 'table', x: 3000, y: 3900, width: 900 + (seed % 3) * 200, depth: 600 })];
  const plan = withUnits(
    tinyRoom({ standing: random.next() < 0.5 }),
    ...tables,
    unit('lowChest', { id: 'chest', x: 3900 + random.below(400), y: 3300, facing: 270 }),
    unit('bookcase', { id: 'case', x: 1500 + random.below(1500), y: 5800, facing: 180 }),
    unit('lowChest', { id: 'far', x: 600, y: 900, facing: 90 }),
  );
  const places = Object.keys(plan.places);
  const commands: Command[] = tables.map((t) => ({ type: 'setStation', id: 'seat', set: { unitId: t.id } }));
  for (let i = 0; i < 12; i++) {
    const id = `thing-${i}`;
    const working = 1 + random.below(4);
    const months = random.next() < 0.3 ? [1 + random.below(6), 7 + random.below(6)] : [];
    const size = random.next() < 0.3 ? { width: 400, depth: 300 } : { width: 40, depth: 40 };
    commands.push({
      type: 'addSupplies',
      supplies: [block({ id, name: id, ...size, height: 30, mass: random.next() < 0.1 ? 1500 : 100, working, months })],
    });
    const fetches = Math.round(random.next() * 50) / 10;
    commands.push({ type: 'addUse', use: { ...use(id, fetches), usedUp: random.next() < 0.3 ? fetches : 0 } });
    if (i === 0) continue;
    commands.push(home(id, places[random.below(places.length)]!));
  }
  return applied(plan, ...commands);
}
const seatOf = (plan: Plan) => Object.values(plan.stations)[0]!;
const runIn = (plan: Plan): Run => runAt(plan, seatOf(plan))!;

describe('what a body pays', () => {
  test('paces, bends, climbs and seconds are read off the codes of the motions', () => {
    const motions = [
      'STD',
      'W5P',
      'B',
      'R10B',
      'AB',
      'W5PO',
      'SIT',
      '½B',
      '½AB',
      'KBK',
      'AKBK',
      'W2P G1A W2PO RL1',
    ].map((code) => ({
      code,
      tmu: 10,
      text: '',
    }));
    const toll = tollOf(
      [...motions, { code: 'STEP', tmu: 10, text: 'climb up' }, { code: 'STEP', tmu: 10, text: 'climb down' }],
      2,
      1500,
    );
    expect(toll).toMatchObject({ paces: 14, bends: 2.5, climbs: 1, opened: 2, kilos: 1.5 });
    const wheeled = tollOf(
      [
        { code: 'WH190', tmu: 10, text: '' },
        { code: 'WT90', tmu: 10, text: '' },
      ],
      0,
      0,
    );
    expect(wheeled).toMatchObject({ paces: 0, wheeled: 1.9 });
    // a TMU is 0.036 s (MTM-1, memory)
    expect(toll.seconds).toBeCloseTo(14 * 10 * 0.036, 9);
    expect(SECONDS_PER_TMU).toBe(0.036);
  });
});

describe('many sessions', () => {
  test('the mean as played lies within its interval of the closed form, nineteen times of twenty, in every measure', () => {
    let inside = 0;
    let asked = 0;
    for (let seed = 1; seed <= 40; seed++) {
      const run = runIn(randomRoom(seed));
      const { toll } = expectedOf(run);
      const { mean, half } = simulate(run, { sessions: 600, seed });
      for (const key of ['seconds', 'paces', 'bends', 'opened', 'kilos'] as const) {
        const off = Math.abs(mean[key] - toll[key]);
        // never farther than four standard errors
        expect(off).toBeLessThanOrEqual((4 / 1.96) * half[key] + 1e-9);
        asked++;
        if (off <= half[key] + 1e-9) inside++;
      }
    }
    expect(inside / asked).toBeGreaterThan(0.9);
  });

  test('a month of one’s own: what is out of its season is not fetched', () => {
    const plan = applied(
      randomRoom(3),
      { type: 'addSupplies', supplies: [block({ id: 'snow', working: 1, months: [1] })] },
      { type: 'addUse', use: use('snow', 4) },
      home('snow', 'far.0.0'),
    );
    const run = runIn(plan);
    const of = (month: number | null) =>
      expectedOf(run, month).bySupply.find((s) => s.supply.id === 'snow')?.fetches ?? 0;
    expect([of(1), of(2), of(null)]).toEqual([4, 0, expect.closeTo(4 / 12, 9)]);
    for (const month of [1, 2]) {
      const { mean, half } = simulate(run, { sessions: 800, month });
      expect(Math.abs(mean.seconds - expectedOf(run, month).toll.seconds)).toBeLessThanOrEqual(2 * half.seconds);
    }
  });

  test('a year of sessions costs what the homes are said to cost, with the bringing', () => {
    for (let seed = 1; seed <= 15; seed++) {
      const plan = randomRoom(seed);
      const run = runIn(plan);
      const used = new Set(Object.values(plan.uses).flatMap((u) => (u.fetches > 0 ? [u.supplyId] : [])));
      const assessed = assessHomes(plan);
      const fetching = assessed.states.reduce(
        (sum, s) => sum + (s.share === 'working' && used.has(s.supply.id) && s.cost ? s.cost.fetching : 0),
        0,
      );
      const dug = expectedOf(run).byBand[0]!.seconds;
      expect((expectedOf(run).toll.seconds - dug) * run.yearly!).toBeCloseTo(
        fetching + assessed.reaching + bringingPerYear(plan, seatOf(plan)),
        4,
      );
      // the first thing has no home
      expect(dug).toBeGreaterThanOrEqual(0);
      expect(dug % DUG_OUT === 0 || dug > 0).toBe(true);
    }
  });

  test('the same draws for two plans: their difference is known far better than from draws of their own', () => {
    let better = 0;
    for (let seed = 1; seed <= 10; seed++) {
      const plan = randomRoom(seed);
      const nearer = applied(plan, { type: 'setUnit', id: 'far', set: { x: 2000, y: 2000, facing: 0 } });
      const [a, b] = [simulate(runIn(plan), { seed }), simulate(runIn(nearer), { seed })];
      const same = difference(a, b);
      const own = difference(a, simulate(runIn(nearer), { seed: seed + 1000 }));
      if (same.half < own.half / 3) better++;
      expect(same.half).toBeLessThanOrEqual(own.half);
      expect(
        Math.abs(same.mean - (expectedOf(runIn(plan)).toll.seconds - expectedOf(runIn(nearer)).toll.seconds)),
      ).toBeLessThanOrEqual(2 * same.half + 1e-9);
    }
    expect(better).toBeGreaterThanOrEqual(8);
  });
});

describe('one session, moment by moment', () => {
  test('its moments add up to what was simulated; what is got is put back, but for what is used up; a table fills and empties', () => {
    for (let seed = 1; seed <= 10; seed++) {
      const run = runIn(randomRoom(seed));
      const { seconds } = simulate(run, { sessions: 5, seed });
      for (let session = 0; session < 5; session++) {
        const moments = sessionOf(run, { seed, session, month: null });
        expect(moments.reduce((sum, m) => sum + m.toll.seconds, 0)).toBeCloseTo(seconds[session]!, 6);
        const count = (what: string, id: string) =>
          moments.filter((m) => m.what === what && m.supply?.id === id).length;
        for (const need of run.legs[0]!.setting.needs)
          expect(count('put back', need.supply.id)).toBe(
            need.consumed || need.sources[0]!.band === 0 ? 0 : count('get', need.supply.id),
          );
      }
    }
  });

  test('the table: what is taken out covers it until it is put back', () => {
    const plan = applied(
      withUnits(
        tinyRoom(),
        unit('worktable', { id: 'table', x: 3000, y: 3600, width: 1000, depth: 600 }),
        unit('lowChest', { id: 'chest', x: 3900, y: 3000, facing: 270 }),
      ),
      { type: 'setStation', id: Object.keys(tinyRoom().stations)[0]!, set: { unitId: 'table' } },
      { type: 'addSupplies', supplies: [block({ id: 'board', name: 'Board', width: 500, depth: 300, height: 10 })] },
      { type: 'addUse', use: use('board', 1) },
      home('board', 'chest.0.0'),
    );
    const read = runOf(plan, 'Kite', 'lay it out: board', null);
    if (!read.ok) throw new Error(read.reason);
    const { setting } = read.run.legs[0]!;
    const covered = sessionOf(read.run, { seed: 1, session: 0, month: null }).map((m) => m.covered!);
    expect(covered[0]! - covered.at(-1)!).toBeCloseTo((500 * 300) / setting.table!.area, 9);
    expect(covered.at(-1)!).toBeCloseTo(setting.table!.work / setting.table!.area, 9);
  });
});

describe('recipes', () => {
  const two = () =>
    applied(
      withUnits(tinyRoom(), unit('lowChest', { id: 'chest', x: 3900, y: 3000, facing: 270 })),
      {
        type: 'addActivity',
        activity: { ...Object.values(tinyRoom().activities)[0]!, id: 'press', name: 'Pressing' },
      },
      {
        type: 'addStation',
        station: { ...Object.values(tinyRoom().stations)[0]!, id: 'press', activityId: 'press', x: 1000, y: 1000 },
      },
      {
        type: 'addSupplies',
        supplies: [
          block({ id: 'knife', name: 'Craft knife', working: 1 }),
          block({ id: 'rule', name: 'Steel rule', working: 1 }),
        ],
      },
      { type: 'addUse', use: use('knife', 1) },
      home('knife', 'chest.0.0'),
      home('rule', 'chest.1.0'),
    );

  test('lines are steps; an activity’s name goes to its seat, the work is carried there; what it does not use is fetched all the same', () => {
    const plan = two();
    const first = Object.values(plan.activities).find((a) => a.id !== 'press')!;
    const text = `${first.name}\ncut the spars: craft knife ×3, steel rule\nfold\nPressing:\npress: steel rule`;
    const read = runOf(plan, 'Kite', text);
    if (!read.ok) throw new Error(read.reason);
    const { legs } = read.run;
    expect(legs.map((l) => [l.setting.activity.id, l.steps!.map((s) => s.words), l.then?.to.id ?? null])).toEqual([
      [first.id, ['cut the spars', 'fold'], 'press'],
      ['press', ['press'], null],
    ]);
    const { bySupply } = expectedOf(read.run);
    expect(Object.fromEntries(bySupply.map((s) => [s.supply.id, s.fetches]))).toEqual({ knife: 3, rule: 2 });
    const moments = sessionOf(read.run, { seed: 1, session: 0, month: null });
    expect(moments.filter((m) => m.what === 'get').map((m) => m.step)).toEqual([1, 1, 1, 1, 1]);
    expect(moments.filter((m) => m.what === 'hand on')).toHaveLength(1);
    // a recipe says how often: every run of it is alike
    const { p10, p90, mean } = simulate(read.run, { sessions: 50 });
    expect(p90.seconds - p10.seconds).toBeCloseTo(0, 9);
    expect(mean.seconds).toBeCloseTo(expectedOf(read.run).toll.seconds, 9);
  });

  test('what is not understood is said with its line, and a seat that is missing', () => {
    const plan = two();
    const read = runOf(plan, 'Kite', 'cut: craft knife, unicorn', Object.values(plan.activities)[0]!.id);
    expect(read).toMatchObject({ ok: true, unknown: [{ line: 1, words: 'unicorn' }] });
    expect(runOf(plan, 'Kite', ' \n')).toMatchObject({ ok: false, reason: expect.stringMatching(/Write the steps/) });
    const bare = applied(plan, { type: 'removeStation', id: 'press' });
    expect(runOf(bare, 'Kite', 'Pressing\npress: steel rule')).toMatchObject({
      ok: false,
      reason: expect.stringMatching(/no seat yet/),
    });
  });
});

describe('again and again, and in the way', () => {
  test('what one walks for twice a session is named with its place; who sits on that way at the same time is passed', () => {
    const start = tinyRoom();
    const me = Object.values(start.stations)[0]!;
    const plan = applied(
      withUnits(start, unit('lowChest', { id: 'far', x: 3000, y: 400, facing: 0 })),
      { type: 'addSupplies', supplies: [block({ id: 'reel' })] },
      { type: 'addUse', use: use('reel', 4) },
      home('reel', 'far.0.0'),
      { type: 'setStation', id: me.id, set: { x: 3000, y: 4800, heading: 0, together: 'Saturday' } },
      { type: 'addStation', station: { ...me, id: 'other', x: 3000, y: 2600, together: 'Saturday' } },
      { type: 'addStation', station: { ...me, id: 'aside', x: 600, y: 2600, together: 'Saturday' } },
      { type: 'addStation', station: { ...me, id: 'alone', x: 3000, y: 2000, together: '' } },
    );
    const run = runAt(plan, plan.stations[me.id]!)!;
    expect(againAndAgain(plan, run)).toMatchObject([{ placeId: 'far.0.0', supplies: ['Line reel'] }]);
    const passed = inTheWay(plan, run);
    expect(passed.map((p) => p.of.id)).toEqual(['other']);
    expect(passed[0]!.near).toBeLessThanOrEqual(600);
    // a recipe asks for what the activity itself does not use: that counts too
    const bare = applied(
      plan,
      { type: 'removeUse', id: 'work-reel' },
      ...['other', 'aside', 'alone'].map((id): Command => ({ type: 'removeStation', id })),
    );
    const read = runOf(bare, 'Kite', 'wind it: line reel ×3', 'work');
    if (!read.ok) throw new Error(read.reason);
    expect(againAndAgain(bare, runAt(bare, bare.stations[me.id]!)!)).toEqual([]);
    expect(againAndAgain(bare, read.run)).toMatchObject([{ placeId: 'far.0.0', times: 3 }]);
  });
});
