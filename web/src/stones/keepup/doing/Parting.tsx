import { useState } from 'react';
import { placeSaid } from '@heronstone/core/concepts';
import { canJoin, joinJobs, leftOf, partJob, partsOf } from '@heronstone/core/doing';
import { type Job, newId, type Plan } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { CheckField, SelectField } from '../../../ui/fields/index.ts';
import { type ChangeJobs } from './use-doing.ts';

/** A job made two, by where things go or which they are, or made one with another. */
export function Parting({ job, wanted, change }: { job: Job; wanted: Plan | null; change: ChangeJobs }) {
  const plan = usePlan((s) => s.plan);
  const [open, setOpen] = useState(false);
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const parts = partsOf(job);
  const others = Object.values(plan.jobs).filter((j) => canJoin(job, j));
  if (!parts && others.length === 0) return null;
  const ids = parts && parts.by !== 'minutes' ? parts.ids : [];
  const nameOf = (id: string): string => {
    const place = wanted?.places[id];
    return place ? placeSaid(wanted!, place) : (plan.supplies[id]?.name ?? 'what is gone');
  };
  const part = (by: readonly string[] | number) => {
    const id = newId('job');
    void change(`part “${job.name}”`, partJob(job, id, by), id);
  };
  const join = (other: string) => {
    const id = newId('job');
    void change(`join “${job.name}” with another`, joinJobs(job, plan.jobs[other]!, id), id);
  };
  return (
    <div>
      <div className="flex flex-wrap items-end gap-2">
        {parts?.by === 'minutes' && (
          <Button onClick={() => part(Math.floor(leftOf(job, 1) / 2))}>Part it in two</Button>
        )}
        {ids.length > 1 && (
          <Button aria-expanded={open} disabled={wanted === null} onClick={() => setOpen(!open)}>
            Part it
          </Button>
        )}
        {others.length > 0 && (
          <SelectField
            label="Make it one with"
            className="w-64 max-w-full"
            value=""
            options={[['', 'choose another'], ...others.map((j) => [j.id, j.name] as const)]}
            onCommit={(id) => id !== '' && join(id)}
          />
        )}
      </div>
      {open && ids.length > 1 && (
        <fieldset className="mt-2">
          <legend className="text-soft">What is to be a job of its own?</legend>
          <div className="max-h-64 overflow-y-auto sm:columns-2">
            {ids.map((id) => (
              <CheckField
                key={id}
                label={nameOf(id)}
                checked={chosen.includes(id)}
                onCommit={(on) => setChosen(on ? [...chosen, id] : chosen.filter((x) => x !== id))}
              />
            ))}
          </div>
          <Button
            className="mt-1"
            disabled={chosen.length === 0 || chosen.length === ids.length}
            onClick={() => part(chosen)}
          >
            Make two jobs of it
          </Button>
        </fieldset>
      )}
    </div>
  );
}
