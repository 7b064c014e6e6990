import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { stowageOf } from '../../things/fit/index.ts';
import { apply, type Command, countIn, homesOf, type Move, type Plan, SHARES } from '../../record/plan/index.ts';
import { applied, block, home, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { crossingTo, type Job, orderJobs } from './index.ts';

/** Places that hold so much each, jobs that take so much. */
type Small = { capacity: number[]; jobs: { from: number | null; to: number; size: number }[]; stays: number[] };
const small = fc
  .record({
    stays: fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 3, maxLength: 4 }),
    jobs: fc.array(
      fc.record({
        from: fc.option(fc.integer({ min: 0, max: 2 }), { freq: 6 }),
        to: fc.integer({ min: 0, max: 2 }),
        size: fc.integer({ min: 1, max: 3 }),
      }),
      { minLength: 1, maxLength: 5 },
    ),
    spare: fc.integer({ min: 0, max: 1 }),
  })
  .map(({ stays, jobs, spare }): Small => {
    const real = jobs.filter((j) => j.from !== j.to);
    const sum = (of: (j: (typeof real)[number]) => boolean) => real.filter(of).reduce((s, j) => s + j.size, 0);
    // as large as what is in it today or in the end asks for, hardly more
    const capacity = stays.map(
      (own, p) =>
        own +
        Math.max(
          sum((j) => j.from === p),
          sum((j) => j.to === p),
        ) +
        spare,
    );
    return { capacity, jobs: real, stays };
  });

const jobsOf = ({ jobs }: Small): Job[] =>
  jobs.map((j) => ({ from: j.from === null ? null : `p${j.from}`, to: `p${j.to}`, size: 1 }));
const filled = ({ stays, jobs }: Small, p: number, gone: ReadonlySet<number>, come: ReadonlySet<number>) =>
  stays[p]! +
  jobs.reduce(
    (s, j, i) => s + (j.from === p && !gone.has(i) ? j.size : 0) + (j.to === p && come.has(i) ? j.size : 0),
    0,
  );
const takes = (room: Small) => (place: string, gone: ReadonlySet<number>, come: ReadonlySet<number>, job: number) => {
  const p = Number(place.slice(1));
  return filled(room, p, gone, come) + room.jobs[job]!.size <= room.capacity[p]!;
};

/** The fewest lifts into the tray over every order there is, tried one after the other. */
function fewest(room: Small, tray: number): number {
  const n = room.jobs.length;
  let best = Infinity;
  const go = (gone: Set<number>, come: Set<number>, held: Set<number>, lifts: number) => {
    if (lifts >= best) return;
    if (come.size === n) {
      best = lifts;
      return;
    }
    for (let j = 0; j < n; j++) {
      if (come.has(j)) continue;
      if (takes(room)(`p${room.jobs[j]!.to}`, gone, come, j))
        go(new Set([...gone, j]), new Set([...come, j]), new Set([...held].filter((x) => x !== j)), lifts);
      if (!held.has(j) && room.jobs[j]!.from !== null && held.size < tray)
        go(new Set([...gone, j]), come, new Set([...held, j]), lifts + 1);
    }
  };
  go(new Set(), new Set(), new Set(), 0);
  return best;
}

describe('an order of moves', () => {
  test('never over-fills a place, ends as planned, and lifts as little into the tray as any order does (tried one by one)', () => {
    fc.assert(
      fc.property(small, fc.integer({ min: 1, max: 3 }), (room, tray) => {
        const { steps, stuck } = orderJobs(jobsOf(room), { takes: takes(room), tray });
        const best = fewest(room, tray);
        expect(stuck.length === 0).toBe(best < Infinity);
        if (best === Infinity) return;
        const gone = new Set<number>();
        const come = new Set<number>();
        let held = 0;
        for (const { job, into, outOf } of steps) {
          if (outOf === 'tray') held--;
          gone.add(job);
          if (into === 'tray') held++;
          else {
            come.add(job);
            const p = room.jobs[job]!.to;
            expect(filled(room, p, gone, come)).toBeLessThanOrEqual(room.capacity[p]!);
          }
          expect(held).toBeLessThanOrEqual(tray);
        }
        expect(come.size).toBe(room.jobs.length);
        expect(steps.filter((s) => s.into === 'tray')).toHaveLength(best);
      }),
      { numRuns: 300 },
    );
  });

  test('two full places change what they hold through the tray once', () => {
    const room: Small = {
      capacity: [2, 2],
      stays: [0, 0],
      jobs: [
        { from: 0, to: 1, size: 2 },
        { from: 1, to: 0, size: 2 },
      ],
    };
    const { steps } = orderJobs(jobsOf(room), { takes: takes(room), tray: 1 });
    expect(steps.map((s) => `${s.outOf} ${s.into}`)).toEqual(['place tray', 'place place', 'tray place']);
  });

  test('twelve in a ring, more than are tried one by one, need the tray once', () => {
    const n = 12;
    const room: Small = {
      capacity: Array.from({ length: n }, () => 1),
      stays: Array.from({ length: n }, () => 0),
      jobs: Array.from({ length: n }, (_, i) => ({ from: i, to: (i + 1) % n, size: 1 })),
    };
    const { steps, stuck } = orderJobs(jobsOf(room), { takes: takes(room), tray: 1 });
    expect(stuck).toEqual([]);
    expect(steps.filter((s) => s.into === 'tray')).toHaveLength(1);
  });
});

describe('the crossing of a plan', () => {
  const since = '2026-02-02';
  const chest = (): Plan => withUnits(tinyRoom(), unit('lowChest', { x: 900, y: 5700, rows: 4 }));
  const things = Array.from({ length: 8 }, (_, i) =>
    block({ id: `t${i}`, name: `Thing ${i}`, width: 200 + 20 * (i % 3), depth: 300, height: 60, working: 2 }),
  );
  const held = (plan: Plan) =>
    Object.values(plan.supplies).flatMap((s) =>
      SHARES.flatMap((share) =>
        homesOf(plan, s.id, share).map((h) => `${s.id} ${share} ${h.placeId} ${countIn(plan, h, s)}`),
      ),
    );

  const made = (plan: Plan, moves: Move[]) =>
    applied(plan, { type: 'planMoves', moves }, ...moves.map(({ id }): Command => ({ type: 'makeMove', id, since })));

  test('played step by step it never fills a place beyond what it holds, and ends as planned', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 8, maxLength: 8 }),
        fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 8, maxLength: 8 }),
        (from, to) => {
          const base = applied(chest(), { type: 'addSupplies', supplies: things });
          const at = (rows: number[]) => applied(base, ...things.map((t, i) => home(t.id, `lowChest.${rows[i]}.0`)));
          const [now, then] = [at(from), at(to)];
          const overIn = (plan: Plan) =>
            Object.values(plan.places).map((p) => stowageOf(plan, p).things.reduce((s, t) => s + t.over, 0));
          // only what can be laid is ever planned
          fc.pre(overIn(then).every((o) => o === 0));
          const { moves, stuck } = crossingTo(now, then, (n) => `m${n}`);
          expect(stuck).toEqual([]);
          let plan = applied(now, { type: 'planMoves', moves });
          for (const { id } of moves) {
            const before = overIn(plan);
            const done = apply(plan, { type: 'makeMove', id, since });
            if (!done.ok) throw new Error(done.reason);
            plan = done.plan;
            for (const [i, over] of overIn(plan).entries()) expect(over).toBeLessThanOrEqual(before[i]!);
          }
          expect(held(plan).sort()).toEqual(held(then).sort());
          expect(Object.values(plan.moves).every((m) => m.doneOn === since)).toBe(true);
        },
      ),
      { numRuns: 40 },
    );
  });

  test('shares split over several places, and what had no home, arrive in full', () => {
    const base = applied(chest(), { type: 'addSupplies', supplies: things });
    const now = applied(base, home('t0', 'lowChest.0.0'), {
      type: 'settle',
      since,
      homes: [1, 2].map((r) => ({ supplyId: 't1', share: 'working', placeId: `lowChest.${r}.0`, count: 1 })),
    });
    const then = applied(now, {
      type: 'settle',
      since,
      homes: [
        { supplyId: 't0', share: 'working', placeId: 'lowChest.0.0' },
        { supplyId: 't0', share: 'working', placeId: 'lowChest.3.0', count: 1 },
        { supplyId: 't1', share: 'working', placeId: 'lowChest.2.0' },
        { supplyId: 't2', share: 'working', placeId: 'lowChest.1.0' },
      ],
    });
    const { moves, seconds } = crossingTo(now, then, (n) => `m${n}`);
    expect(seconds).toBeGreaterThan(0);
    expect(held(made(now, moves)).sort()).toEqual(held(then).sort());
  });

  test('a move is made once; a thing that lives elsewhere by now is not moved; pins stay', () => {
    const base = applied(chest(), { type: 'addSupplies', supplies: things });
    const now = applied(base, home('t0', 'lowChest.0.0'));
    const { moves } = crossingTo(now, applied(now, home('t0', 'lowChest.1.0')), (n) => `m${n}`);
    const planned = applied(now, { type: 'planMoves', moves });
    const make = (plan: Plan) => apply(plan, { type: 'makeMove', id: 'm0', since });
    const once = make(planned);
    expect(once.ok && make(once.plan)).toMatchObject({ ok: false, reason: expect.stringMatching(/made already/) });
    expect(make(applied(planned, home('t0', 'lowChest.2.0')))).toMatchObject({
      ok: false,
      reason: expect.stringMatching(/does not live there/),
    });
    const pinned = applied(planned, { type: 'pinHome', supplyId: 't0', share: 'working', pinned: true });
    expect(make(pinned)).toMatchObject({ ok: false, reason: expect.stringMatching(/pinned/) });
  });
});
