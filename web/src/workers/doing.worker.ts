import { expose } from 'comlink';
import { jobsBetween, problemOf, yearOf } from '@heronstone/core/doing';
import { findingsOf } from '@heronstone/core/findings';
import { DOING_WAYS, type Doing, type DoingWay, type Job, type Plan } from '@heronstone/core/plan';
import { type ScheduleAnswer, type ScheduleProblem, solveSchedule } from '@heronstone/core/schedule';

/** What is to be done, and what is promised by it. */
export type Wanted = { jobs: Job[]; promised: number; findingsBefore: number; findingsAfter: number };
/** A way of going about it, worked out. */
export type WorkedWay = { way: DoingWay; problem: ScheduleProblem; answer: ScheduleAnswer };

let stop = false;
/** Share of the time for the way that is asked for; the others beside it need not be settled. */
const FIRST_SHARE = 0.6;
const SECONDS = 6;

const openFindings = (plan: Plan): number => findingsOf(plan).filter((f) => !f.acknowledged).length;

/** What differs between two plans as jobs, and in which session each is done: off the screen’s thread, with progress, cancelled at once. */
const api = {
  wanted(now: Plan, then: Plan): Wanted {
    return {
      jobs: jobsBetween(now, then),
      promised: yearOf(now) - yearOf(then),
      findingsBefore: openFindings(now),
      findingsAfter: openFindings(then),
    };
  },
  /** One way after the other, each told as soon as it is better known. */
  async ways(
    plan: Pick<Plan, 'jobs' | 'freeTimes'>,
    doing: Doing,
    today: string,
    onFound: (worked: WorkedWay) => void,
    onProgress: (share: number) => void,
  ): Promise<WorkedWay[]> {
    stop = false;
    const found: WorkedWay[] = [];
    const others = DOING_WAYS.filter((w) => w !== doing.way);
    for (const way of [doing.way, ...others]) {
      const problem = problemOf(plan, doing, way, today);
      const share = way === doing.way ? FIRST_SHARE : (1 - FIRST_SHARE) / others.length;
      const before = way === doing.way ? 0 : FIRST_SHARE + ((1 - FIRST_SHARE) * others.indexOf(way)) / others.length;
      const answer = await solveSchedule(problem, {
        seconds: SECONDS * share,
        now: () => performance.now(),
        breathe: () => new Promise<void>((resolve) => setTimeout(resolve, 0)),
        cancelled: () => stop,
        onProgress: (best, done) => {
          onFound({ way, problem, answer: best });
          onProgress(before + share * done);
        },
      });
      found.push({ way, problem, answer });
      onFound({ way, problem, answer });
      onProgress(before + share);
    }
    return found;
  },
  cancel(): void {
    stop = true;
  },
};
export type DoingWorker = typeof api;
expose(api);
