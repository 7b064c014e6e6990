import { Plus } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { ownJob, tickJob, wayAway } from '@heronstone/core/doing';
import { asOne, type Job, newId, type Plan } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { DayField, NumberField, MoneyField } from '../../../ui/fields/index.ts';
import { minutesIn } from '../../../ui/fields/minutes.ts';
import { countWords, today } from '../../../ui/words.ts';
import { gainOf, shortDate, spanWords } from './days.ts';

const STATES: Record<Job['state'], string> = { open: 'to do', half: 'half done', done: 'done', struck: 'struck' };

/** Every job: why, minutes, people, money, days it must keep to; struck, taken back, done already; and those of one's own. */
export function AllJobs({ wanted }: { wanted: Plan | null }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const jobs = Object.values(plan.jobs).sort(
    (a, b) => RANK[a.state] - RANK[b.state] || b.saves - a.saves || (a.id < b.id ? -1 : 1),
  );
  const leave = () => {
    const words = 'leave the way to the other plan';
    if (dispatch(asOne(words, wayAway(plan))))
      toast('What is done stays done; the rest is left. Undo brings the way back.');
  };
  return (
    <section aria-label="All jobs" className="print:hidden">
      <h2 className="font-semibold">All jobs</h2>
      <OwnLine />
      <ul className="divide-y divide-line">
        {jobs.map((job) => (
          <JobLine key={job.id} job={job} wanted={wanted} />
        ))}
      </ul>
      <Button look="quiet" className="mt-2" onClick={leave}>
        Leave this way
      </Button>
    </section>
  );
}

const RANK: Record<Job['state'], number> = { half: 0, open: 1, done: 2, struck: 3 };

/** One's own job in a line: “paint the north wall, 3 h”. */
function OwnLine() {
  const dispatch = usePlan((s) => s.dispatch);
  const [text, setText] = useState('');
  const add = () => {
    const said = /^(.*?)[,;]?\s+((?:\d+[.,]?\d*\s*(?:h|hours?|min|minutes?)\s*)+(?:\d+)?)$/i.exec(text.trim());
    const name = (said?.[1] ?? text).trim();
    if (name === '') return;
    const minutes = said ? minutesIn(said[2]!.trim()) : null;
    if (dispatch({ type: 'addJob', job: ownJob(newId('job'), name.slice(0, 120), minutes ?? 60) })) setText('');
    if (minutes === null) toast(`${name}: an hour, until you say otherwise.`);
  };
  return (
    <form
      className="my-1 flex gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        add();
      }}
    >
      <input
        aria-label="A job of your own"
        placeholder="A job of your own: paint the north wall, 3 h"
        className="min-h-[34px] grow rounded-md border border-edge bg-paper px-2 py-1"
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      <Button type="submit" disabled={text.trim() === ''}>
        <Plus size={15} aria-hidden /> Add
      </Button>
    </form>
  );
}

function JobLine({ job, wanted }: { job: Job; wanted: Plan | null }) {
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
        </div>
      )}
    </li>
  );
}
