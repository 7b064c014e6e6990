import { type Command, type Job, type Plan, sameRow } from '../../record/plan/index.ts';
import { changes } from './ticks.ts';

/** What of a job is its maker’s word once it is said, whatever follows from the plans. */
const HERS = ['people', 'readyBy', 'notBefore', 'delivery', 'state', 'spent', 'doneOn'] as const;

/**
 * Jobs as they follow from the two plans now, beside those there are: new ones come, those still open follow what differs, and what has no reason any
 * more goes. What is done, begun or struck stays, and the maker’s own stay as they are.
 */
export function mergeJobs(plan: Pick<Plan, 'jobs'>, follow: readonly Job[]): Command[] {
  const commands: Command[] = [];
  const derived = underTheirIds(plan, follow);
  const wanted = new Map(derived.map((j) => [j.id, j]));
  for (const job of Object.values(plan.jobs)) {
    if (job.kind === 'own' || job.state === 'done' || job.state === 'struck') continue;
    const next = wanted.get(job.id);
    if (!next) {
      // what was begun and has nothing left to do is done
      if (job.state === 'half')
        commands.push({ type: 'setJob', id: job.id, set: { state: 'done', doneOn: job.doneOn } });
      else commands.push({ type: 'removeJob', id: job.id });
      continue;
    }
    const kept: Job = { ...next, ...pick(job, HERS) };
    if (job.typed) Object.assign(kept, pick(job, ['low', 'likely', 'high', 'typed']));
    if (job.money !== null) kept.money = job.money;
    // of a job that was begun what it was reckoned at stays: its maker’s pace is told by that; what is left is reckoned anew
    if (job.state === 'half' && !job.typed)
      Object.assign(kept, { ...pick(job, ['low', 'likely', 'high']), left: next.likely });
    const { id, ...set } = kept;
    if (!sameRow(job, kept)) commands.push({ type: 'setJob', id, set });
  }
  for (const job of derived) if (!plan.jobs[job.id]) commands.push({ type: 'addJob', job });
  return commands;
}

/** What was done before and has come again (something was carried away, the wanted plan is another) is a job of its own, with a number behind its id. */
function underTheirIds(plan: Pick<Plan, 'jobs'>, follow: readonly Job[]): Job[] {
  const ids = new Map(
    follow.map((job) => {
      let id = job.id;
      for (let n = 2; comesAgain(job) && plan.jobs[id]?.state === 'done'; n++) id = `${job.id.slice(0, 70)}.${n}`;
      return [job.id, id] as const;
    }),
  );
  return follow.map((job) => ({ ...job, id: ids.get(job.id)!, after: job.after.map((a) => ids.get(a) ?? a) }));
}

/** Of what changes the room it is seen whether there is anything left to do; what leaves it is only said. */
const comesAgain = (job: Job): boolean => changes(job) && job.kind !== 'passOn';

const pick = <K extends keyof Job>(job: Job, keys: readonly K[]): Pick<Job, K> =>
  Object.fromEntries(keys.map((k) => [k, job[k]])) as Pick<Job, K>;
