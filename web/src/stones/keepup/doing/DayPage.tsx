import { Check } from 'lucide-react';
import { useMemo } from 'react';
import { freeOn } from '@heronstone/core/doing';
import { type Plan } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { Button } from '../../../ui/button.tsx';
import { countWords, today } from '../../../ui/words.ts';
import { clockWords, type Day, dateWords, readyWords, spanWords, timeWords } from './days.ts';
import { OpenJob } from './OpenJob.tsx';

/** One day: its jobs in their order, the one in hand opened with its moves and its picture; ticked as they are done. */
export function DayPage({ day, wanted, onStop }: { day: Day; wanted: Plan | null; onStop: () => void }) {
  const plan = usePlan((s) => s.plan);
  const { get, select } = useSelection();
  const starts = freeOn(plan, day.on)?.starts ?? 600;
  const { helpers = 0, hands = 0 } = freeOn(plan, day.on) ?? {};
  const ends = Math.max(...day.jobs.map((j) => j.sitting.to));
  const ready = readyWords(plan, day);
  const inHand = day.jobs.find((j) => j.job.id === get('job')) ?? day.jobs.find((j) => j.job.state !== 'done');
  const lifts = useMemo(() => day.jobs.some((j) => j.job.people > 1), [day]);
  return (
    <section aria-label={dateWords(day.on)}>
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 className="font-display text-xl font-semibold">{dateWords(day.on)}</h2>
        <p className="grow text-soft">
          {countWords(day.jobs.length, 'job', 'jobs')}, {spanWords(ends)}, until {clockWords(starts + ends)}
          {helpers + hands > 0 && `, with ${countWords(helpers + hands, 'helper', 'helpers')}`}
          {lifts && helpers > 0 && ' (two lift)'}
          {hands > 0 && ` (${helpers === 0 && hands === 1 ? 'who does not lift' : `${hands} of them not lifting`})`}
          {day.done >= 1 && ', all done'}
        </p>
        {day.done < 1 && day.on <= today() && (
          <Button look="quiet" onClick={onStop} title="What is left goes onto later days">
            {day.on === today() ? 'Stop for today' : 'It did not happen'}
          </Button>
        )}
      </div>
      {day.done < 1 && ready !== '' && <p className="text-[14px] text-soft">Have ready: {ready}.</p>}
      <ol className="mt-1 divide-y divide-line">
        {day.jobs.map(({ sitting, job, goesOn }) => (
          <li key={sitting.id} className="py-2">
            <div className="flex flex-wrap items-baseline gap-x-3">
              <span className="w-28 shrink-0 tabular-nums text-[14px] text-soft">{timeWords(starts, sitting)}</span>
              <button
                type="button"
                aria-expanded={inHand?.sitting.id === sitting.id}
                className={`grow text-left ${job.state === 'done' ? 'text-soft line-through' : 'font-semibold hover:text-heron'}`}
                onClick={() => select({ job: job.id, day: day.on })}
              >
                {job.name}
              </button>
              {job.state === 'done' && <Check size={17} className="text-heron" aria-label="done" />}
              <span className="text-[14px] text-soft">
                {spanWords(sitting.to - sitting.from)}
                {goesOn && ', goes on another day'}
              </span>
            </div>
            {inHand?.sitting.id === sitting.id && job.state !== 'done' && (
              <OpenJob key={job.id} job={job} wanted={wanted} minutes={sitting.to - sitting.from} />
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
