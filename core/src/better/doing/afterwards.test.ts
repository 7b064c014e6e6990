import { describe, expect, test } from '@jest/globals';
import { jotting } from '../../keeping/upkeep/index.ts';
import { type Command, type Look, type Plan } from '../../record/plan/index.ts';
import { applied, block, tinyRoom } from '../../testing/index.ts';
import { afterwardsOf, ownJob } from './index.ts';

/** All was done on the third of October; sessions on so many days after that. Eight evenings a month are reckoned with. */
function done(days: readonly number[], looks: Look['found'][] = [], promised = 52 * 3600): Plan {
  const on = (n: number) => new Date(Date.UTC(2026, 9, 3 + n)).toISOString().slice(0, 10);
  const plan = applied(
    tinyRoom(),
    { type: 'addSupplies', supplies: [block({ id: 'x' })] } as Command,
    ...looks.map((found, i): Command => ({
      type: 'addLook',
      look: { id: `l${i}`, supplyId: 'x', placeId: null, personId: null, lookedOn: on(5 + i), found },
    })),
    {
      type: 'jot',
      entries: days.map((n, i) => jotting(`e${i}`, `${on(n)}T19:00:00Z`, on(n), 'began', { stationId: 'seat' })),
    },
  );
  const doing = {
    ...{ id: 'doing', toPlanId: 'other', toName: 'Spring', begins: '2026-09-01', livable: true, way: 'found' },
    ...{ moneyAMonth: null, planned: 1, promised, findingsBefore: 4, findingsAfter: 1 },
  } as const;
  const jobs = {
    early: { ...ownJob('early', 'Early', 30), state: 'done', doneOn: '2026-09-12' },
    last: { ...ownJob('last', 'Last', 30), state: 'done', doneOn: '2026-10-03' },
  } as const;
  return { ...plan, doings: { doing }, jobs } as Plan;
}

describe('what was promised, against what has come true', () => {
  test('counted from the day of the last job: four weeks and twelve, each by its own sessions', () => {
    // five before the end of the fourth week, one on the day itself and one before it was done: they do not count
    const plan = done([-3, 0, 2, 9, 16, 23, 28, 40, 60, 90]);
    const early = afterwardsOf(plan, '2026-10-20');
    // labels for good come eight weeks after their notes: all was there before
    const labels = { ...ownJob('labels', 'Labels', 30), kind: 'labels', state: 'done', doneOn: '2026-10-19' } as const;
    expect(afterwardsOf({ ...plan, jobs: { ...plan.jobs, labels } }, '2026-10-20')).toEqual(early);
    expect(early).toMatchObject({ since: '2026-10-03', days: 17, sessions: 3, cameTrue: [], next: '2026-10-31' });
    const later = afterwardsOf(plan, '2026-11-15');
    expect(later.cameTrue.map((c) => [c.weeks, c.on, c.sessions])).toEqual([[4, '2026-10-31', 5]]);
    // 96 evenings a year are 7.4 in four weeks; an hour a week was promised: of four hours as much as there were evenings
    expect(later.cameTrue[0]!.expected).toBeCloseTo((96 * 4) / 52, 9);
    expect(later.cameTrue[0]!.saved).toBeCloseTo((4 * 3600 * 5) / ((96 * 4) / 52), 6);
    expect(later.next).toBe('2026-12-26');
    const last = afterwardsOf(plan, '2027-03-01');
    expect(last.cameTrue.map((c) => [c.weeks, c.sessions])).toEqual([
      [4, 5],
      [12, 7],
    ]);
    expect([last.sessions, last.next]).toEqual([8, null]);
    // what was struck is no session
    const struck = applied(plan, {
      type: 'jot',
      entries: [jotting('no', '2026-10-06T19:00:00Z', '2026-10-06', 'struck', { strikesId: 'e2' })],
    });
    expect(afterwardsOf(struck, '2026-11-15').cameTrue[0]!.sessions).toBe(4);
  });

  test('looks asked for since then, beside the share that was reckoned with; none asked is none', () => {
    const plan = done([], ['first', 'first', 'second', 'not']);
    expect(afterwardsOf(plan, '2026-11-15').looks).toMatchObject({ asked: 4, atFirst: 2 });
    expect(afterwardsOf(plan, '2026-10-08').looks).toMatchObject({ asked: 1, atFirst: 1 });
    const { looks } = afterwardsOf(done([]), '2026-11-15');
    expect([looks.asked, looks.atFirst]).toEqual([0, 0]);
    expect(looks.reckoned).toBeGreaterThanOrEqual(0);
    expect(looks.reckoned).toBeLessThanOrEqual(1);
  });

  test('where no time was promised none is said to be saved; with nothing done it begins today', () => {
    expect(afterwardsOf(done([2, 9], [], 0), '2026-11-15').cameTrue.map((c) => c.saved)).toEqual([null]);
    const nothing = { ...done([]), jobs: {} };
    expect(afterwardsOf(nothing, '2026-11-15')).toMatchObject({ since: '2026-11-15', days: 0, cameTrue: [] });
  });
});
