import { useState } from 'react';
import { placeSaid } from '@heronstone/core/concepts';
import { canJoin, idByHand, joinJobs, leftOf, partJob, partsOf, priceOf } from '@heronstone/core/doing';
import { type Job, newId, type Plan } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { CheckField, SelectField } from '../../../ui/fields/index.ts';
import { type ChangeJobs } from './use-doing.ts';

/** A job made two, by where things go, which they are or what is bought, or made one with another. */
export function Parting({ job, wanted, change }: { job: Job; wanted: Plan | null; change: ChangeJobs }) {
  const plan = usePlan((s) => s.plan);
  const [open, setOpen] = useState(false);
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const parts = partsOf(job);
  const others = Object.values(plan.jobs).filter((j) => canJoin(job, j));
  if (!parts && others.length === 0) return null;
  const ids = parts && parts.by !== 'minutes' ? parts.ids : [];
  const nameOf = (id: string): string => {
    // what goes is in the room as it is alone
    for (const here of [wanted, plan]) {
      const place = here?.places[id];
      if (place) return placeSaid(here, place);
      const one = here?.units[id] ?? here?.supplies[id];
      if (one) return one.name;
    }
    return 'what is gone';
  };
  const choose = (some: readonly string[], on: boolean) =>
    setChosen([...chosen.filter((x) => !some.includes(x)), ...(on ? some : [])]);
  const part = (by: readonly string[] | number) => {
    const id = idByHand(job, newId('job'));
    const price = (one: string) => (wanted ? priceOf(plan, wanted, one) : null);
    void change(`part “${job.name}”`, partJob(job, id, by, price), id);
  };
  const join = (other: string) => {
    const id = idByHand(job, newId('job'));
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
            {unitsOf(wanted, ids).map(([unit, own]) => (
              <div key={unit}>
                {unit !== '' && (
                  <CheckField
                    label={`${unit}, all of it`}
                    checked={own.every((id) => chosen.includes(id))}
                    onCommit={(on) => choose(own, on)}
                  />
                )}
                <div className={unit === '' ? '' : 'pl-4'}>
                  {own.map((id) => (
                    <CheckField
                      key={id}
                      label={nameOf(id)}
                      checked={chosen.includes(id)}
                      onCommit={(on) => choose([id], on)}
                    />
                  ))}
                </div>
              </div>
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

/** What can be chosen by the units it stands in, where these are several; under no name else. */
function unitsOf(wanted: Plan | null, ids: readonly string[]): [unit: string, ids: string[]][] {
  const units = new Map<string, string[]>();
  for (const id of ids) {
    const unit = wanted?.units[wanted.places[id]?.unitId ?? '']?.name ?? '';
    units.set(unit, [...(units.get(unit) ?? []), id]);
  }
  return units.size > 1 && !units.has('') ? [...units] : [['', [...ids]]];
}
