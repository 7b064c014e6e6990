import { describe, expect, test } from '@jest/globals';
import { ownJob } from '@heronstone/core/doing';
import { type Job, type Sitting } from '@heronstone/core/plan';
import { dayShown, daysOf, gainOf, readyWords, shortDate, slipped, slipWords, spanWords, timeWords } from './days.ts';
import { frontsWith } from './fronts-with.ts';
import { curveOf, namedEvery, stonesOf, stretchOf } from './river.ts';

const WIDE = stretchOf(1248);
const NARROW = stretchOf(358);
import { tinyRoom, unit, withUnits } from '@heronstone/core/testing';

const job = (id: string, over: Partial<Job> = {}): Job => ({ ...ownJob(id, `Job ${id}`, 30), ...over });
const plan = (jobs: Job[], rows: [job: string, on: string, from: number, to: number][]) => ({
  jobs: Object.fromEntries(jobs.map((j) => [j.id, j])),
  sittings: Object.fromEntries(
    rows.map(([jobId, on, from, to], i): [string, Sitting] => [`s${i}`, { id: `s${i}`, jobId, on, from, to }]),
  ),
});

describe('days across the river', () => {
  const p = plan(
    [job('a', { state: 'done' }), job('b'), job('c', { state: 'struck' })],
    [
      ['b', '2026-10-10', 0, 30],
      ['b', '2026-10-03', 30, 60],
      ['a', '2026-10-03', 0, 30],
      ['c', '2026-10-03', 60, 90],
    ],
  );
  const days = daysOf(p);

  test('in the order of time, struck jobs left out, how much is done, what goes on another day', () => {
    expect(days.map((d) => [d.on, d.minutes, d.done])).toEqual([
      ['2026-10-03', 60, 0.5],
      ['2026-10-10', 30, 0],
    ]);
    expect(days[0]!.jobs.map((j) => [j.job.id, j.goesOn])).toEqual([
      ['a', false],
      ['b', true],
    ]);
  });

  test('the day that is shown: the one asked for, today, the next with something to do, the last', () => {
    expect(dayShown(days, '2026-10-10', '2026-10-03')!.on).toBe('2026-10-10');
    expect(dayShown(days, null, '2026-10-03')!.on).toBe('2026-10-03');
    expect(dayShown(days, null, '2026-10-05')!.on).toBe('2026-10-10');
    expect(dayShown(days, 'no day', '2027-01-01')!.on).toBe('2026-10-10');
    expect(dayShown([], null, '2026-10-03')).toBeNull();
    expect(slipped(days, '2026-10-10').map((d) => d.on)).toEqual(['2026-10-03']);
  });

  test('in words', () => {
    expect(timeWords(600, { from: 20, to: 65 })).toBe('10:20 to 11:05');
    expect([45, 89, 90, 120, 130].map(spanWords)).toEqual(['45 min', '89 min', '1 h 30', '2 h', '2 h 10']);
    expect(shortDate('2026-10-03')).toBe('Sat 3 Oct');
    const jobs = { a: job('a', { saves: 30 }), b: job('b', { saves: 90 }), c: job('c', { saves: -40 }) };
    expect(['a', 'b', 'c'].map((id) => gainOf(jobs[id as 'a'], jobs))).toEqual([25, 75, null]);
  });

  test('what is got together before, and what it costs that days slipped', () => {
    const jobs = [
      job('buy', { kind: 'buy', name: 'Buy 3 × Shoe box' }),
      job('set', { kind: 'setIn', after: ['buy'] }),
      job('go', { kind: 'carry' }),
    ];
    const bought = plan(jobs, [
      ['set', '2026-10-03', 0, 10],
      ['go', '2026-10-03', 10, 40],
    ]);
    expect(readyWords(bought, daysOf(bought)[0]!)).toBe('a tray, 3 × Shoe box');
    expect(readyWords(p, days[0]!)).toBe('');
    expect(slipWords('2026-12-05', '2026-12-12')).toBe('The last day is Sat 12 Dec now, a week later.');
    expect(slipWords('2026-12-12', '2026-11-28')).toBe('The last day is Sat 28 Nov now, 2 weeks sooner.');
    expect(slipWords('2026-12-12', '2026-12-15')).toBe('The last day is Tue 15 Dec now, 3 days later.');
    expect([slipWords('2026-12-12', '2026-12-12'), slipWords('2026-12-12', null)]).toEqual(['', '']);
  });

  test('stones lie beside each other in the water, and the line over them ends with all that is gained', () => {
    for (const stretch of [WIDE, NARROW])
      for (const count of [1, 3, 12, 40]) {
        const many = Array.from({ length: count }, (_, i) => ({
          ...days[0]!,
          on: `2026-10-${i}`,
          minutes: 20 + i * 9,
        }));
        const stones = stonesOf(many, stretch);
        for (const [i, s] of stones.entries()) {
          expect(s.x - s.rx).toBeGreaterThanOrEqual(stretch.bank);
          expect(s.x + s.rx).toBeLessThanOrEqual(stretch.width - stretch.bank);
          if (i > 0) expect(s.x - s.rx).toBeGreaterThanOrEqual(stones[i - 1]!.x + stones[i - 1]!.rx);
        }
        // names beside each other have room
        const named = Math.ceil(count / namedEvery(count, stretch));
        expect((stretch.width - 2 * stretch.bank) / named).toBeGreaterThanOrEqual(count === 1 ? 0 : 50);
      }
    const curve = [
      { on: '2026-10-03', minutes: 60, saves: 50 },
      { on: '2026-10-10', minutes: 90, saves: 100 },
    ];
    const line = curveOf(stonesOf(days, WIDE), curve, WIDE);
    expect(line.map((l) => l.share)).toEqual([0, 0.5, 1, 1]);
    expect(curveOf(stonesOf(days, WIDE), [], WIDE)).toEqual([]);
  });

  test('the unit most is carried into comes first, what stands in what is marked too, a loft is not drawn', () => {
    const room = withUnits(
      tinyRoom(),
      unit('lowChest', { id: 'chest', name: 'Chest' }),
      unit('bookcase', { id: 'case', name: 'Case' }),
      unit('away', { id: 'loft', name: 'Loft', mount: 'away' }),
    );
    const fronts = frontsWith(room, ['case.0.0', 'chest.0.0', 'chest.1.0', 'loft.0.0', 'gone.0.0'], 'came', 2);
    expect(fronts.map((f) => [f.unit.id, [...f.marks.keys()]])).toEqual([
      ['chest', ['chest.0.0', 'chest.1.0']],
      ['case', ['case.0.0']],
    ]);
  });
});
