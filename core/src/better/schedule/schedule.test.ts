import { describe, expect, test } from '@jest/globals';
import { halfAYear, randomSchedule, type ScheduleKind } from '../../testing/index.ts';
import { checkSchedule } from './check.ts';
import { EXACT_JOBS } from './exact.ts';
import { readSchedule, type ScheduleProblem } from './problem.ts';
import { type ScheduleAnswer, solveSchedule } from './solve.ts';

/**
 * The best by going through every beginning (minute by minute) of every job, and through every way to part one: a model of its own, that knows
 * nothing of orders. Minutes are whole numbers.
 */
function byBeginnings(problem: ScheduleProblem): { late: number; value: number } {
  const sessions = [...problem.sessions].sort((a, b) => (a.date < b.date ? -1 : 1));
  const start = Date.parse(sessions[0]!.date);
  const used = sessions.map((s) => new Array<number>(s.minutes).fill(0));
  const lifting = sessions.map((s) => new Array<number>(s.minutes).fill(0));
  const floor = sessions.map((s) => new Array<number>(s.minutes).fill(0));
  const evening = sessions.map(() => 0);
  const spent = new Map<string, number>();
  const slots = sessions.flatMap((s, k) => Array.from({ length: s.minutes }, (_, m) => [k, m] as const));
  const ends = new Map<string, number>();
  let best = { late: Infinity, value: Infinity };
  const left = (i: number, late: number, value: number): void => {
    if (late > best.late || (late === best.late && value >= best.value)) return;
    if (i === problem.jobs.length) {
      best = { late, value };
      return;
    }
    const job = problem.jobs[i]!;
    const after = (b: string): number => {
      const end = ends.get(b) ?? Infinity;
      const { lag } = problem.jobs.find((j) => j.id === b)!;
      if (lag === 0 || end === Infinity) return end;
      // the first minute of the first session so many days after that in which it ended
      const day = Date.parse(sessions[slots[end - 1]![0]]!.date) + lag * 86_400_000;
      const at = slots.findIndex(([k]) => Date.parse(sessions[k]!.date) >= day);
      return at < 0 ? Infinity : at;
    };
    const since = Math.max(0, ...job.before.map(after));
    /** one minute after the other, in one go or, where it may be parted, with one stretch in a session */
    const go = (done: number, first: number, last: number): void => {
      if (done === job.minutes) {
        const [from, to] = [first, last];
        const covered = job.floor > 0 && problem.floor > 0 ? slots.slice(from, to + 1) : [];
        if (covered.some(([k, m]) => floor[k]![m]! + job.floor > problem.floor)) return;
        const over = sessions.flatMap((_, k) => (slots[from]![0] <= k && k < slots[to]![0] ? [k] : []));
        if (over.some((k) => evening[k]! + job.floor > (sessions[k]!.evening ?? Infinity))) return;
        for (const k of over) evening[k]! += job.floor;
        for (const [k, m] of covered) floor[k]![m]! += job.floor;
        ends.set(job.id, to + 1);
        const days = Math.round((Date.parse(sessions[slots[to]![0]]!.date) - start) / 86_400_000);
        left(i + 1, late, value + job.saves * days);
        ends.delete(job.id);
        for (const [k, m] of covered) floor[k]![m]! -= job.floor;
        for (const k of over) evening[k]! -= job.floor;
        return;
      }
      for (let t = done === 0 ? since : last + 1; t < slots.length; t++) {
        const [k, m] = slots[t]!;
        if (done > 0 && t > last + 1) {
          // another piece lies in another session
          if (!job.splits) break;
          if (slots[last]![0] === k) continue;
        }
        if (done > 0 && !job.splits && slots[last]![0] !== k) break;
        if (used[k]![m]! + job.people > sessions[k]!.people) continue;
        if (lifting[k]![m]! + job.lifters > (sessions[k]!.lifters ?? Infinity)) continue;
        const month = sessions[k]!.date.slice(0, 7);
        if (done === 0) {
          const most = problem.money.find((x) => x.month === month)?.amount ?? Infinity;
          if ((spent.get(month) ?? 0) + job.money > most) continue;
          spent.set(month, (spent.get(month) ?? 0) + job.money);
        }
        used[k]![m]! += job.people;
        lifting[k]![m]! += job.lifters;
        go(done + 1, done === 0 ? t : first, t);
        used[k]![m]! -= job.people;
        lifting[k]![m]! -= job.lifters;
        if (done === 0) spent.set(month, spent.get(month)! - job.money);
      }
    };
    if (since < Infinity) go(0, 0, 0);
    left(i + 1, late + 1, value);
  };
  left(0, 0, 0);
  return best;
}

const now = () => performance.now();
const solve = (problem: ScheduleProblem, work = 4000): Promise<ScheduleAnswer> => solveSchedule(problem, { work, now });

describe('which job in which session', () => {
  test('by Smith’s rule where nothing binds: what saves most for its time first (Smith 1956, from memory)', async () => {
    const jobs = Array.from({ length: 12 }, (_, i) => ({
      ...{ id: `j${i}`, minutes: 60, people: 1, floor: 0, money: 0, lag: 0, before: [], lifters: 0 },
      saves: (i * 7) % 12,
    }));
    const sessions = jobs.map((_, i) => ({
      date: `2026-10-${String(i + 1).padStart(2, '0')}`,
      minutes: 60,
      people: 1,
    }));
    const answer = await solve({ format: 'heronstone-doing/1', jobs, sessions, floor: 0, money: [] });
    const saves = answer.order.map((p) => jobs.find((j) => j.id === p.job)!.saves);
    expect(saves).toEqual([...saves].sort((a, b) => b - a));
    expect(answer.bound).toBeCloseTo(answer.value, 3);
  });

  test('as good as going through every beginning of every job: people, evenings, money, precedence, parted jobs, 200 cases', async () => {
    for (let seed = 1; seed <= 200; seed++) {
      const kind: ScheduleKind = {
        ...{ jobs: 3 + (seed % 3), sessions: 2 + (seed % 2), people: 1 + (seed % 2), prec: (seed % 4) * 0.15 },
        ...{ floor: seed % 2 === 0, money: seed % 5 === 0, splits: seed % 3 === 0 },
        // with two who come
        lifters: seed % 4 === 1,
      };
      const problem = randomSchedule(seed, kind);
      const answer = await solve(problem);
      const { broken, value } = checkSchedule(problem, answer);
      expect({ seed, broken }).toEqual({ seed, broken: [] });
      const best = byBeginnings(problem);
      expect({ seed, late: answer.late.length, value }).toEqual({ seed, ...best });
      expect(answer.value).toBeCloseTo(value, 6);
    }
  });

  test('no rule broken and the bound never above, on 1,000 calendars too large for every order', async () => {
    for (let seed = 1; seed <= 1000; seed++) {
      const problem = randomSchedule(seed, {
        ...{
          jobs: EXACT_JOBS + 1 + (seed % 14),
          sessions: 4 + (seed % 9),
          people: 1 + (seed % 3),
          prec: (seed % 4) * 0.08,
        },
        ...{ floor: seed % 2 === 0, money: seed % 5 === 0, splits: seed % 3 === 0 },
        lifters: seed % 4 === 1,
      });
      const answer = await solve(problem, 150);
      const { broken, value } = checkSchedule(problem, answer);
      expect({ seed, broken }).toEqual({ seed, broken: [] });
      expect(answer.value).toBeCloseTo(value, 6);
      expect(answer.bound).toBeLessThanOrEqual(answer.value);
    }
  });

  test('half a year of weekends: settled it is well better than by rules alone, and not far from what is proven', async () => {
    const problem = halfAYear(1);
    let first = 0;
    const answer = await solveSchedule(problem, { work: 2500, now, onProgress: (best) => (first ||= best.value) });
    expect(checkSchedule(problem, answer)).toMatchObject({ broken: [] });
    expect(answer.late).toEqual([]);
    expect(answer.value).toBeLessThan(first * 0.95);
    expect(answer.bound).toBeGreaterThan(answer.value * 0.6);
  });

  test('same work and seed, same answer', async () => {
    const problem = randomSchedule(7, {
      ...{ jobs: 20, sessions: 8, people: 2, prec: 0.1 },
      ...{ floor: true, money: true, splits: true, lifters: true },
    });
    expect(await solve(problem)).toEqual(await solve(problem));
  });

  test.each([
    [{ format: 'x' }, /heronstone-doing\/1/],
    [
      {
        jobs: [
          { id: 'a', minutes: 5 },
          { id: 'a', minutes: 5 },
        ],
      },
      /two jobs “a”/,
    ],
    [{ jobs: [{ id: 'a', minutes: 5, before: ['b'] }] }, /before job “a” comes “b”/],
    [
      {
        jobs: [
          { id: 'a', minutes: 5, before: ['b'] },
          { id: 'b', minutes: 5, before: ['a'] },
        ],
      },
      /“a”, “b” wait for each other/,
    ],
    [{ jobs: [{ id: 'a', minutes: 5, people: 1, lifters: 2 }] }, /more people who lift than people/],
    [{ jobs: [{ id: 'a', minutes: 0 }] }, /more than zero/],
    [{ sessions: [{ date: '2026-02-30', minutes: 5 }] }, /date/],
    [
      {
        sessions: [
          { date: '2026-02-03', minutes: 5 },
          { date: '2026-02-03', minutes: 9 },
        ],
      },
      /two sessions on 2026-02-03/,
    ],
    [{ money: [{ month: '2026-13', amount: 4 }] }, /month/],
  ])('bad input %j is refused with a reason', (part, reason) => {
    const read = readSchedule({ format: 'heronstone-doing/1', jobs: [], sessions: [], ...part });
    expect(read.ok ? '' : read.reason).toMatch(reason);
  });

  test('nothing to do, and nowhere to do it', async () => {
    const empty = { format: 'heronstone-doing/1', jobs: [], sessions: [] };
    const read = readSchedule(empty);
    expect(read.ok && (await solve(read.problem))).toEqual({ order: [], value: 0, bound: 0, late: [] });
    const alone = readSchedule({ ...empty, jobs: [{ id: 'a', minutes: 5 }] });
    expect(alone.ok && (await solve(alone.problem)).late).toEqual(['a']);
  });
});
