import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { exportPlan, importPlan, planFileName } from '@heronstone/core/formats';
import { sayingsIn, togetherThatMustBeApart } from '@heronstone/core/concepts';
import { findingsOf } from '@heronstone/core/findings';
import { assessHomes, findHomes, foundAgainSum, isWorse, tallyOf } from '@heronstone/core/homes';
import { capacityOf, fitOf, holderOf } from '@heronstone/core/fit';
import { homesIn, homesOf, type Plan, roomOf } from '@heronstone/core/plan';
import { runAt, sessionOf } from '@heronstone/core/tryout';
import { reslot } from '@heronstone/core/upkeep';
import { cupboardAndTable } from './cupboard-and-table.ts';
import { photosWith } from './pictures.ts';
import { pumpHouse } from './pump-house.ts';
import { withDaysToSpring } from './days-to-spring.ts';
import { spring } from './spring.ts';

/** Spring as it is on disk: found once, when it was written. */
function importedSpring(): Plan {
  const read = importPlan(readFileSync(new URL('../plans/spring.heron.json', import.meta.url), 'utf8'), 'spring');
  if (!read.ok) throw new Error(read.reason);
  return read.plan;
}

describe('demo plans', () => {
  test.each([
    ['The pump house', async () => withDaysToSpring(pumpHouse(), importedSpring())],
    ['Spring', spring],
    ['One cupboard and a table', async () => cupboardAndTable()],
  ])('%s: the file on disk is what the source says (npm run demo:write) and reads back', async (_, source) => {
    const plan = await source();
    const text = readFileSync(new URL(`../plans/${planFileName(plan)}`, import.meta.url), 'utf8');
    expect(text).toBe(exportPlan(plan, photosWith(plan)));
    expect(importPlan(text, plan.id)).toMatchObject({ ok: true, plan });
    expect(roomOf(plan).closes).toBe(true);
  });

  test('the way to Spring lies over October’s Saturdays, one job half done; no rule of its days is broken', async () => {
    const plan = await withDaysToSpring(pumpHouse(), importedSpring());
    const days = [...new Set(Object.values(plan.sittings).map((s) => s.on))].sort();
    const october = days.filter((d) => d.startsWith('2026-10'));
    expect(october.length).toBeGreaterThanOrEqual(3);
    expect(october).not.toContain('2026-10-24');
    for (const day of days) expect([day, new Date(day).getUTCDay()]).toEqual([day, 6]);
    expect(Object.values(plan.jobs).filter((j) => j.state === 'half')).toHaveLength(1);
    for (const s of Object.values(plan.sittings)) {
      expect(s.to).toBeLessThanOrEqual(s.on === '2026-10-17' ? 120 : 75);
      // what comes before it has ended by then
      for (const id of plan.jobs[s.jobId]!.after) {
        const before = Object.values(plan.sittings).filter((x) => x.jobId === id);
        for (const b of before) expect(b.on < s.on || (b.on === s.on && b.to <= s.from + 1e-6)).toBe(true);
      }
    }
  });

  test('the pump house has what its page promises for room and furniture', () => {
    const plan = pumpHouse();
    const count = (t: 'supplies' | 'units' | 'places' | 'activities') => Object.keys(plan[t]).length;
    expect(count('supplies')).toBeGreaterThanOrEqual(60);
    // the 14 units with 67 places (the wall board is one field), and the box that the felting travels in
    expect(count('units')).toBe(14 + 1);
    const compartments = Object.values(plan.places).filter((p) => p.inId === null && p.kind !== 'top');
    expect(compartments).toHaveLength(67 + 1);
    expect(Object.values(plan.places).filter((p) => plan.units[p.unitId]!.mount === 'away')).toHaveLength(2);
    expect(Object.values(plan.places).filter((p) => p.organiserId !== null)).toHaveLength(25);
    expect(Object.keys(plan.zones)).toHaveLength(6);
    expect(
      Object.values(plan.places)
        .filter((p) => p.keptOut !== '')
        .map((p) => p.keptOut),
    ).toEqual(['the radio']);
    expect(Object.values(plan.fixtures).filter((f) => f.kind === 'socket')).toHaveLength(5);
    expect(new Set(Object.values(plan.fixtures).flatMap((f) => f.circuit || []))).toEqual(new Set(['A', 'B']));
    expect(count('activities')).toBe(6);
    expect(assessHomes(plan).homeless.length).toBeGreaterThan(5);
  });

  test('the faults that its page promises are found', () => {
    const found = findingsOf(pumpHouse());
    const says = (check: string, words: RegExp) =>
      expect(found.filter((f) => f.check === check).map((f) => f.words)).toContainEqual(expect.stringMatching(words));
    says('child', /needles/i);
    says('sun', /Sensitiser A, brown bottle.*Cube unit/);
    says('load', /Tall cupboard, shelf 2, holds 2\d\.\d kg/);
    says('socket', /Wall board covers Socket behind the board/);
    says('floorUse', /Rolling cart .* two bicycles .* November to March/);
    says('mains', /Wet bench draws 3200 W .* circuit B/);
    expect(assessHomes(pumpHouse()).unreachable.length).toBeGreaterThan(0);
  });

  test('a kite evening: some 51 things are got out, at most 110 moments besides reaches over the table, the loft walked to once', () => {
    for (const plan of [pumpHouse(), importedSpring()]) {
      const run = runAt(plan, plan.stations['kite-seat']!)!;
      const moments = sessionOf(run, { seed: 1, session: 0, month: null });
      const besides = moments.filter((m) => m.what !== 'reach');
      expect(besides.length).toBeLessThanOrEqual(110);
      expect(new Set(besides.flatMap((m) => (m.what === 'get' ? [m.supply!.id] : []))).size).toBeGreaterThanOrEqual(47);
      const away = moments.filter((m) => m.what === 'get' && m.band === 7 && m.toll.seconds > 60);
      expect(away.length).toBeLessThanOrEqual(1);
      // a session's moments are its walks to get and to bring back, what is brought, its reaches, and what is handed on
      const count = (what: string) => moments.filter((m) => m.what === what).length;
      expect(moments.length).toBe(['get', 'put back', 'bring', 'reach', 'hand on'].reduce((n, w) => n + count(w), 0));
      expect(count('reach')).toBeGreaterThan(60);
    }
  });

  test('a second search moves at most one home in ten, a third none; two seeds agree; nothing is left that would pay back', async () => {
    const start = pumpHouse();
    const find = async (plan: Plan, seed = 1) =>
      (await findHomes(plan, { work: 1_000_000, seed, now: () => 0, since: '2026-05-01' }))!;
    const placesIn = (plan: Plan, by: (id: string) => string) =>
      new Map(
        Object.values(plan.supplies).map((s) => [
          s.id,
          homesOf(plan, s.id, 'working')
            .map((h) => by(h.placeId))
            .sort()
            .join(),
        ]),
      );
    const differ = (a: Plan, b: Plan, by: (id: string) => string = (id) => id) => {
      const [x, y] = [placesIn(a, by), placesIn(b, by)];
      return [...x].filter(([id, places]) => y.get(id) !== places).length / x.size;
    };
    const first = await find(start);
    const second = await find(first.plan);
    const third = await find(second.plan);
    expect(differ(first.plan, second.plan)).toBeLessThanOrEqual(0.1);
    expect(differ(second.plan, third.plan)).toBe(0);
    const other = await find(start, 2);
    // an equal neighbour in one unit counts as one; 6 to 30 % by pair of seeds, 22 on average: 20 is what is wanted
    expect(differ(first.plan, other.plan, (id) => first.plan.places[id]!.unitId)).toBeLessThanOrEqual(0.3);
    // 1 to 4.5 % by seed: 2 is what is wanted
    expect(Math.abs(other.after.total / first.after.total - 1)).toBeLessThan(0.05);
    const pays = (await reslot(third.plan, { since: '2026-05-01' }))!;
    expect(pays.moves.map((m) => m.supply.name)).toEqual([]);
  }, 120_000);

  test('Spring is found again: what lies together goes by a name, nothing is together that must be apart, and finding it costs little way', async () => {
    const plan = importedSpring();
    const { places, oneName, oddsAndEnds } = sayingsIn(plan);
    expect(places).toBeGreaterThanOrEqual(25);
    expect(oneName / places).toBeGreaterThanOrEqual(0.85);
    expect(oddsAndEnds / places).toBeLessThanOrEqual(0.02);
    expect(togetherThatMustBeApart(plan)).toEqual([]);
    const { meanLooks } = foundAgainSum(plan);
    expect(meanLooks).toBeLessThanOrEqual(1.5);
    const fetching = (of: Plan) => tallyOf(of).year - tallyOf(of).looking;
    const bare = pumpHouse();
    const without = (await findHomes(
      { ...bare, head: { ...bare.head, weighAgain: 'none' } },
      { work: 1_000_000, seed: 1, now: () => 0, since: '2026-05-01' },
    ))!.plan;
    // 4 to 11 % by seed: 8 is what is wanted
    expect(fetching(plan)).toBeLessThan(1.12 * fetching(without));
    // without it nobody can say what is where
    const then = sayingsIn(without);
    expect(then.oneName / then.places).toBeLessThan(0.6);
    expect(foundAgainSum(without).meanLooks).toBeGreaterThan(1.25 * meanLooks);
  }, 120_000);

  test('colours of card stand in slots, each in one of its own, while slots are free', () => {
    const plan = importedSpring();
    const slots = Object.values(plan.places).filter((p) => p.kind === 'slot');
    const inOne = slots.map((p) => homesIn(plan, p.id));
    expect(Math.max(...inOne.map((homes) => homes.length))).toBe(1);
    const cards = Object.values(plan.supplies).filter(
      (s) => s.kind === 'card' && s.working > 0 && slots.some((p) => fitOf(holderOf(p), s, s.working).ok),
    );
    expect(cards.length).toBeGreaterThanOrEqual(8);
    const standing = cards.filter((s) => inOne.flat().some((h) => h.supplyId === s.id));
    if (inOne.some((homes) => homes.length === 0)) expect(standing).toHaveLength(cards.length);
    else expect(standing.length).toBeGreaterThanOrEqual(0.9 * cards.length);
  });

  test('what hangs and goes onto the board hangs there, blades kept from the child left out', () => {
    const plan = importedSpring();
    const board = plan.places['board.0.0']!;
    // what takes more than a third of it by itself is left out too: four frames fill it
    const capacity = capacityOf(holderOf(board));
    const hangs = Object.values(plan.supplies).filter((s) => {
      const fit = fitOf(holderOf(board), s, s.working);
      const safe = !s.hazards.includes('blade') && !s.hazards.includes('hot');
      return s.lies.includes('hanging') && safe && fit.ok && fit.use < capacity / 3;
    });
    const there = hangs.filter((s) => homesOf(plan, s.id, 'working').some((h) => h.placeId === board.id));
    expect(there.length / hangs.length).toBeGreaterThanOrEqual(0.7);
  });

  test('find homes makes it much better', async () => {
    const plan = pumpHouse();
    const found = (await findHomes(plan, { work: 230_000, now: () => 0, since: '2026-11-01' }))!;
    const before = found.assessedBefore;
    const after = found.assessed;
    expect(isWorse(found)).toBe(false);
    expect(found.after.total).toBeLessThan(found.before.total / 2);
    expect(after.homeless.length).toBeLessThan(before.homeless.length / 3);
    expect(after.unreachable).toEqual([]);
    expect(before.unreachable.length).toBeGreaterThan(0);
  });

  test('what each home costs, and every figure of a plan, is the same in whatever order it was read', () => {
    const plan = importedSpring();
    const turned = <T>(rows: Readonly<Record<string, T>>) => Object.fromEntries(Object.entries(rows).reverse());
    const tables = ['homes', 'supplies', 'places', 'uses', 'stations', 'activities', 'units', 'organisers'] as const;
    const other: Plan = { ...plan, ...Object.fromEntries(tables.map((table) => [table, turned<object>(plan[table])])) };
    const costs = (p: Plan) =>
      new Map(assessHomes(p).states.map((s) => [`${s.supply.id} ${s.share} ${s.home?.id}`, s.cost?.seconds ?? null]));
    const [a, b] = [costs(plan), costs(other)];
    expect(b.size).toBe(a.size);
    for (const [key, seconds] of a) {
      if (seconds === null) expect(b.get(key)).toBeNull();
      else expect(Math.abs(b.get(key)! - seconds)).toBeLessThan(1e-6);
    }
    const [now, then] = [tallyOf(plan), tallyOf(other)];
    for (const [figure, seconds] of Object.entries(now))
      if (typeof seconds === 'number')
        expect([figure, then[figure as 'total']]).toEqual([figure, expect.closeTo(seconds, 4)]);
  });
});
