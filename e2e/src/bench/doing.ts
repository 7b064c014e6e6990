import { checkSchedule, solveSchedule } from '@heronstone/core/schedule';
import { jobsBetween } from '@heronstone/core/doing';
import { type Plan } from '@heronstone/core/plan';
import { halfAYear } from '@heronstone/core/testing';

/** Sixty jobs over forty sessions: the first answer, how good it is settled, how long the thread is held. */
export async function doingRows(say: (row: string) => void, now: Plan, then: Plan): Promise<void> {
  const firsts: number[] = [];
  const gaps: string[] = [];
  let held = 0;
  for (let seed = 1; seed <= 3; seed++) {
    const problem = halfAYear(seed);
    const started = performance.now();
    let first = 0;
    let breathed = started;
    const answer = await solveSchedule(problem, {
      seconds: 10,
      now: () => performance.now(),
      breathe: async () => {
        held = Math.max(held, performance.now() - breathed);
        await new Promise((done) => setImmediate(done));
        breathed = performance.now();
      },
      onProgress: () => (first ||= performance.now() - started),
    });
    if (checkSchedule(problem, answer).broken.length > 0) throw new Error('a rule is broken');
    firsts.push(first);
    gaps.push(
      `${((answer.value / answer.bound - 1) * 100).toFixed(0)} %${answer.late.length > 0 ? ` (${answer.late.length} late)` : ''}`,
    );
  }
  say(
    `| which day what, 60 jobs × 40 sessions (people, money, precedence, parted jobs): first answer | ${Math.max(...firsts).toFixed(0)} ms | 1 s |`,
  );
  say(`| the same, three seeds after 10 s: above what is proven | ${gaps.join(', ')} | – |`);
  say(`| the same: its thread hears *Enough* after at most | ${held.toFixed(0)} ms | 50 ms |`);
  const started = performance.now();
  jobsBetween(now, then);
  say(
    `| jobs from pump house to Spring, everything worked out anew | ${(performance.now() - started).toFixed(0)} ms | – |`,
  );
}
