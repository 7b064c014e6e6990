import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { stowagesOf } from '../../things/fit/index.ts';
import { crossingTo } from '../moves/index.ts';
import {
  apply,
  blankActivity,
  bySeason,
  type Command,
  homesIn,
  homesOf,
  inMonth,
  monthsOf,
  type Plan,
  restingMonths,
  type Supply,
  wantedMonths,
} from '../../record/plan/index.ts';
import { checkAnswer, solveSlotting } from '../slotting/index.ts';
import { applied, block, home, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { assessHomes, backTo, findHomes, placeFilling, slottingOf, tallyOf, yearlyUses } from './index.ts';

const since = '2026-07-15';
const SUMMER = [4, 5, 6, 7, 8, 9];
const WINTER = [10, 11, 12, 1, 2, 3];
const find = async (plan: Plan, work = 20_000) => (await findHomes(plan, { work, now: () => 0, since }))!;
/** One small chest with a drawer at each height, near the seat. */
const room = (...supplies: Supply[]) =>
  applied(withUnits(tinyRoom(), unit('lowChest', { x: 3900, y: 3600 })), { type: 'addSupplies', supplies });
const thing = (id: string, set: Partial<Supply> = {}) =>
  block({ id, name: id, width: 300, depth: 300, height: 60, lies: ['flat'], ...set });
const over = (plan: Plan) =>
  Object.values(plan.places).flatMap((p) => stowagesOf(plan, p).flatMap((s) => s.things.filter((t) => t.over > 0)));

describe('seasons', () => {
  test('a thing is wanted when what uses it is made, or in its own months; used no oftener for that', () => {
    const plan = applied(
      room(thing('a'), thing('b', { months: [12] }), thing('c')),
      { type: 'addActivity', activity: { ...blankActivity('cards', 'Cards'), sessionsPerMonth: 2, months: WINTER } },
      { type: 'addUse', use: { id: 'u', activityId: 'cards', supplyId: 'a', fetches: 3, usedUp: 0 } },
      { type: 'addUse', use: { id: 'v', activityId: 'cards', supplyId: 'b', fetches: 3, usedUp: 0 } },
    );
    const of = (id: string) => wantedMonths(plan, plan.supplies[id]!);
    expect(of('a')).toEqual([1, 2, 3, 10, 11, 12]);
    expect(of('b')).toEqual([12]);
    expect(of('c')).toHaveLength(12);
    expect(restingMonths(plan, plan.supplies.c!)).toEqual([]);
    const station = { id: 's', activityId: 'cards' };
    const seated = applied(plan, { type: 'addStation', station: { ...plan.stations.seat!, ...station } } as Command);
    const fetches = (id: string) =>
      yearlyUses(seated, seated.supplies[id]!, 'working').reduce((sum, u) => sum + u.fetches, 0);
    expect(fetches('a')).toBe(3 * 2 * 6);
    expect(fetches('b')).toBe(3 * 2 * 1);
  });

  test('what is wanted in summer and what is wanted in winter share the best drawer, each resting elsewhere meanwhile', async () => {
    // each fills a drawer by itself
    const [summer, winter] = [
      thing('summer', { months: SUMMER, working: 1, width: 600, depth: 400 }),
      thing('winter', { months: WINTER, working: 1, width: 600, depth: 400 }),
    ];
    const plan = applied(
      room(summer, winter),
      { type: 'addUse', use: use('summer', 6) },
      { type: 'addUse', use: use('winter', 6) },
    );
    const found = await find(plan);
    const at = (id: string, share: 'working' | 'resting') => homesOf(found.plan, id, share).map((h) => h.placeId);
    expect(at('summer', 'working')).toEqual(at('winter', 'working'));
    expect(at('summer', 'resting')).toHaveLength(1);
    expect(at('winter', 'resting')).toHaveLength(1);
    expect(over(found.plan)).toEqual([]);
    const shared = found.plan.places[at('summer', 'working')[0]!]!;
    expect(placeFilling(found.plan, shared).faults).toEqual([]);
    expect(bySeason(found.plan, homesIn(found.plan, shared.id)).map((l) => l.length)).toEqual([1, 1]);
    expect(found.after.without).toEqual([]);
    // all the year one of them would have to lie in a worse drawer: that is what changing over must save
    const allYear = await find(
      applied(plan, ...['summer', 'winter'].map((id): Command => ({ type: 'setSupply', id, set: { months: [] } }))),
    );
    expect(found.after.without.length).toBeLessThanOrEqual(allYear.after.without.length);
    expect(found.answer.total).toBeLessThan(allYear.answer.total);
  });

  test('where there is room for all, nothing is carried to and fro: it rests where it lives', async () => {
    const plan = applied(room(thing('a', { months: SUMMER })), { type: 'addUse', use: use('a', 6) });
    const found = await find(plan);
    expect(homesOf(found.plan, 'a', 'working')).toHaveLength(1);
    expect(homesOf(found.plan, 'a', 'resting')).toEqual([]);
    expect(monthsOf(found.plan, homesOf(found.plan, 'a', 'working')[0]!)).toBeNull();
  });

  test('found homes lie in every month without a thing over, periods of the problem are sound, and no more than four', async () => {
    const month = fc.integer({ min: 1, max: 12 });
    await fc.assert(
      fc.asyncProperty(
        fc.array(
          fc.record({ months: fc.uniqueArray(month, { maxLength: 11 }), width: fc.integer({ min: 150, max: 500 }) }),
          { minLength: 3, maxLength: 9 },
        ),
        async (list) => {
          const supplies = list.map(({ months, width }, i) =>
            thing(`t${i}`, { width, months: [...months].sort((a, b) => a - b) }),
          );
          const plan = room(...supplies);
          const problem = slottingOf(plan);
          const periods = problem.lots.flatMap((l) => l.options.map((o) => (Array.isArray(o.use) ? o.use.length : 1)));
          expect(Math.max(...periods)).toBeLessThanOrEqual(4);
          const answer = await solveSlotting(problem, { work: 4000, now: () => 0 });
          expect(checkAnswer(problem, answer.homes)).toEqual([]);
          expect(answer.bound).toBeLessThanOrEqual(answer.total + 1e-6);
          const { plan: then } = await find(plan, 4000);
          for (let m = 1; m <= 12; m++) {
            const now = inMonth(then, m);
            expect(over(now)).toEqual([]);
            // nothing is in two places at once
            for (const s of supplies)
              expect(homesOf(now, s.id, 'working').length + homesOf(now, s.id, 'resting').length).toBeLessThanOrEqual(
                1,
              );
          }
        },
      ),
      { numRuns: 15 },
    );
  });

  test('a home for the months out of its season is given, pinned, changed and taken back like any other', () => {
    const plan = applied(room(thing('a', { months: SUMMER })), home('a', 'lowChest.0.0'));
    const rest: Command = { type: 'assignHome', supplyId: 'a', share: 'resting', placeId: 'lowChest.2.0', since };
    const done = apply(plan, rest);
    if (!done.ok) throw new Error(done.reason);
    const [inSeason] = homesOf(done.plan, 'a', 'working');
    const [out] = homesOf(done.plan, 'a', 'resting');
    expect(monthsOf(done.plan, inSeason!)).toEqual(SUMMER);
    expect(monthsOf(done.plan, out!)).toEqual([1, 2, 3, 10, 11, 12]);
    const gone = apply(done.plan, { type: 'leaveHome', supplyId: 'a', share: 'resting' });
    expect(gone.ok && gone.plan.homes).toEqual(plan.homes);
    const back = apply(done.plan, done.inverse);
    expect(back.ok && back.plan.homes).toEqual(plan.homes);
    // what costs changing over is counted
    const before = tallyOf(plan, assessHomes(plan));
    const after = tallyOf(done.plan, assessHomes(done.plan));
    expect(after.apart - before.apart).toBe(120);
  });

  test('moves: only what lies elsewhere this month is carried, and every tick leaves the plan true', () => {
    const [summer, winter] = [thing('summer', { months: SUMMER }), thing('winter', { months: WINTER })];
    const before = applied(room(summer, winter), home('summer', 'lowChest.2.0'), home('winter', 'lowChest.0.0'));
    const to = (supplyId: string, share: 'working' | 'resting', placeId: string): Command => ({
      type: 'assignHome',
      supplyId,
      share,
      placeId,
      since,
    });
    const now = applied(
      before,
      to('summer', 'working', 'lowChest.0.0'),
      to('summer', 'resting', 'lowChest.1.0'),
      to('winter', 'resting', 'lowChest.1.0'),
    );
    // July: the summer thing goes up from the bottom drawer, the winter thing out of the top one to rest
    let plan = applied(now, backTo(before, now, since));
    expect(homesOf(inMonth(plan, 7), 'summer', 'working')[0]!.placeId).toBe('lowChest.2.0');
    expect(homesOf(inMonth(plan, 7), 'winter', 'resting')[0]!.placeId).toBe('lowChest.0.0');
    const { moves, stuck } = crossingTo(inMonth(plan, 7), inMonth(now, 7), (n) => `m${n}`);
    expect(stuck).toEqual([]);
    expect(moves.map((m) => [m.supplyId, m.share, m.fromId, m.toId]).sort()).toEqual([
      ['summer', 'working', 'lowChest.2.0', 'lowChest.0.0'],
      ['winter', 'resting', 'lowChest.0.0', 'lowChest.1.0'],
    ]);
    plan = applied(plan, { type: 'planMoves', moves });
    for (const { id } of moves) {
      plan = applied(plan, { type: 'makeMove', id, since });
      expect(over(inMonth(plan, 7))).toEqual([]);
    }
    const where = (p: Plan) =>
      Object.values(p.homes)
        .map((h) => `${h.share} ${h.supplyId} ${h.placeId}`)
        .sort();
    expect(where(plan)).toEqual(where(now));
  });
});
