import { useState } from 'react';
import { toast } from 'sonner';
import { tickJob } from '@heronstone/core/doing';
import { type Job, type Plan } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { CheckField, DayField, MoneyField, NumberField } from '../../../ui/fields/index.ts';
import { countWords, today } from '../../../ui/words.ts';
import { gainOf, shortDate, spanWords } from './days.ts';
import { Parting } from './Parting.tsx';
import { type ChangeJobs } from './use-doing.ts';

const STATES: Record<Job['state'], string> = { open: 'to do', half: 'half done', done: 'done', struck: 'struck' };

/** One job in a line; opened with why, how long, by how many, and what may be done with it. */
export function JobLine({ job, wanted, change }: { job: Job; wanted: Plan | null; change: ChangeJobs }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const [open, setOpen] = useState(false);
  const gain = gainOf(job, plan.jobs);
  const days = Object.values(plan.sittings)
    .filter((s) => s.jobId === job.id)
    .map((s) => s.on)
    .sort();
  const set = (part: Partial<Job>) => dispatch({ type: 'setJob', id: job.id, set: part });
  const already = () => {
    const done = tickJob(plan, wanted, job, today(), 0);
    if (!done.ok) toast.error(done.reason);
    else dispatch(done.command);
  };
  return (
    <li className="py-1.5">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <button
          type="button"
          aria-expanded={open}
          className={`min-w-48 grow text-left hover:text-heron ${job.state === 'struck' || job.state === 'done' ? 'text-soft line-through' : ''}`}
          onClick={() => setOpen(!open)}
        >
          {job.name}
        </button>
        <span className="text-[14px] text-soft">
          {STATES[job.state]}
          {days[0] && job.state !== 'done' && job.state !== 'struck' ? `, ${shortDate(days[0])}` : ''}
          {gain !== null && `, ${gain} % of the gain`}
        </span>
        <span
          className="w-24 text-right text-[14px] tabular-nums"
          title={`${spanWords(job.low)} to ${spanWords(job.high)}`}
        >
          {spanWords(job.likely)}
        </span>
      </div>
      {open && (
        <div className="mt-1 space-y-2 rounded-lg bg-stone/50 p-2 text-[14px]">
          <p>
            {job.why} {spanWords(job.low)} if all goes well, {spanWords(job.high)} if not.
            {job.lifts &&
              job.kind !== 'own' &&
              ' Something of it is heavier than 5 kg: whoever does it must be able to lift.'}
            {job.after.length > 0 &&
              ` After: ${job.after
                .flatMap((id) => plan.jobs[id]?.name ?? [])
                .slice(0, 3)
                .join(
                  '; ',
                )}${job.after.length > 3 ? ` and ${countWords(job.after.length - 3, 'other', 'others')}` : ''}.`}
          </p>
          <div className="flex flex-wrap items-end gap-2">
            <NumberField
              label="Minutes"
              unit="min"
              min={1}
              max={10_000}
              value={Math.round(job.likely)}
              onCommit={(n) => set({ low: Math.min(job.low, n), likely: n, high: Math.max(job.high, n), typed: true })}
              className="w-28"
            />
            <NumberField
              label="People"
              whole
              min={1}
              max={20}
              value={job.people}
              onCommit={(people) => set({ people })}
              className="w-20"
            />
            {job.kind === 'own' && (
              <CheckField label="Lifted" checked={job.lifts} onCommit={(lifts) => set({ lifts })} />
            )}
            <MoneyField
              label="Costs"
              amount={job.money}
              empty="not said"
              className="w-24"
              onCommit={(money) => set({ money })}
            />
            <DayField
              className="w-40"
              label="Not before"
              value={job.notBefore}
              onCommit={(notBefore) => set({ notBefore })}
            />
            <DayField className="w-40" label="Ready by" value={job.readyBy} onCommit={(readyBy) => set({ readyBy })} />
            {(job.state === 'open' || job.state === 'half') && (
              <>
                <Button onClick={already}>Done already</Button>
                <Button look="quiet" onClick={() => set({ state: 'struck' })}>
                  Strike it
                </Button>
              </>
            )}
            {job.state === 'struck' && <Button onClick={() => set({ state: 'open' })}>Take it back</Button>}
            {job.kind === 'own' && (
              <Button look="quiet" onClick={() => dispatch({ type: 'removeJob', id: job.id })}>
                Remove
              </Button>
            )}
          </div>
          <Parting key={job.to.length + job.about.length} job={job} wanted={wanted} change={change} />
        </div>
      )}
    </li>
  );
}
