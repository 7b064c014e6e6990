import { Plus } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { ownJob, wayAway } from '@heronstone/core/doing';
import { asOne, type Job, newId, type Plan } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { minutesIn } from '../../../ui/fields/minutes.ts';
import { JobLine } from './JobLine.tsx';
import { type ChangeJobs } from './use-doing.ts';

/** Every job: why, minutes, people, money, days it must keep to; parted, joined, struck, taken back, done already; and those of one's own. */
export function AllJobs({ wanted, change }: { wanted: Plan | null; change: ChangeJobs }) {
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
          <JobLine key={job.id} job={job} wanted={wanted} change={change} />
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
