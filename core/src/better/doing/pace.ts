import { type Job } from '../../record/plan/index.ts';

/** How far paces of people lie apart before anything is known, and one job’s from the next (standard deviations of their logarithm; own assumptions). */
const BETWEEN_PEOPLE = 0.4;
const BETWEEN_JOBS = 0.5;
/** Two standard deviations hold 95 of 100. */
const TWO = 1.96;

/** How long somebody takes beside what was reckoned: likely, and from to (19 times of 20); from so many jobs. */
export type Pace = { factor: number; low: number; high: number; jobs: number };

/**
 * A maker’s own pace from the jobs that are done: the mean of the logarithms of taken over reckoned, drawn towards one as long as there are few (normal
 * with known variances, the textbook’s posterior).
 */
export function paceOf(jobs: readonly Pick<Job, 'state' | 'spent' | 'likely'>[]): Pace {
  const ratios = jobs
    .filter((j) => j.state === 'done' && j.spent > 0 && j.likely > 0)
    .map((j) => Math.log(j.spent / j.likely));
  const weight = 1 / BETWEEN_PEOPLE ** 2 + ratios.length / BETWEEN_JOBS ** 2;
  const mean = ratios.reduce((a, b) => a + b, 0) / BETWEEN_JOBS ** 2 / weight;
  const sd = Math.sqrt(1 / weight);
  return {
    factor: Math.exp(mean),
    low: Math.exp(mean - TWO * sd),
    high: Math.exp(mean + TWO * sd),
    jobs: ratios.length,
  };
}
