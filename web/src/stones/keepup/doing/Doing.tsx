import { RefreshCw } from 'lucide-react';
import { useEffect, useMemo, useRef } from 'react';
import { toast } from 'sonner';
import { differenceOf, paceOf, summaryOf } from '@heronstone/core/doing';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { Button } from '../../../ui/button.tsx';
import { countWords, today } from '../../../ui/words.ts';
import { Working } from '../../../ui/working.tsx';
import { Afterwards } from './Afterwards.tsx';
import { AllJobs } from './AllJobs.tsx';
import { Begin } from './Begin.tsx';
import { Buying } from './Buying.tsx';
import { CalendarOut } from './CalendarOut.tsx';
import { dayShown, daysOf, slipped, slipWords, spanWords } from './days.ts';
import { DayPage } from './DayPage.tsx';
import { River } from './River.tsx';
import { Times } from './Times.tsx';
import { type ChangeJobs, doingOf, useDoing, useWantedPlan } from './use-doing.ts';
import { WaysBeside } from './WaysBeside.tsx';

/** From the room as it is to the one that is wanted, day by day: a river with a stone for each day, the day opened below it, and beside it when there is time and how one goes about it. */
export default function DoingView() {
  const plan = usePlan((s) => s.plan);
  const doing = doingOf(plan);
  return doing ? <UnderWay /> : <Begin />;
}

/** The last day of what is planned besides labels for good, which wait for their notes anyway. */
function lastDay(): string | null {
  const { sittings, jobs } = usePlan.getState().plan;
  const rows = Object.values(sittings).filter((s) => jobs[s.jobId]?.kind !== 'labels');
  return (
    rows
      .map((s) => s.on)
      .sort()
      .at(-1) ?? null
  );
}

function UnderWay() {
  const plan = usePlan((s) => s.plan);
  const doing = doingOf(plan)!;
  const { get, select } = useSelection();
  const wanted = useWantedPlan(doing);
  const work = useDoing();
  const now = today();
  const days = useMemo(() => daysOf(plan), [plan]);
  const shown = dayShown(days, get('day'), now);
  const late = slipped(days, now);
  const summary = useMemo(() => summaryOf(plan, Object.values(plan.sittings)), [plan]);
  const pace = useMemo(() => paceOf(Object.values(plan.jobs)), [plan.jobs]);
  const walls = useMemo(() => wanted.plan !== null && differenceOf(plan, wanted.plan).room, [plan, wanted.plan]);
  const open = Object.values(plan.jobs).filter((j) => j.state === 'open' || j.state === 'half');
  const done = Object.values(plan.jobs).filter((j) => j.state === 'done').length;
  // labels for good wait weeks for their notes: the room is as it was wanted before
  const there = done > 0 && open.every((j) => j.kind === 'labels');
  const again = async (stopped = false) => {
    if (wanted.plan && !(await work.lookAgain(wanted.plan))) return;
    const before = lastDay();
    if (!(await work.planAnew(stopped))) return;
    const words = slipWords(before, lastDay());
    if (words !== '') toast(words);
  };
  const change: ChangeJobs = async (...what) => {
    const changed = await work.changeJobs(wanted.plan, ...what);
    if (changed) await work.planAnew();
    return changed;
  };
  // days are planned as soon as there is time for the first job and none is planned yet
  const first = useRef(true);
  useEffect(() => {
    if (!first.current || !wanted.plan || days.length > 0 || Object.keys(plan.freeTimes).length === 0) return;
    if (open.length === 0) return;
    first.current = false;
    void work.planAnew();
  });
  return (
    <div>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 print:hidden">
        <p className="min-w-48 grow" role="status">
          <strong>{plan.head.name}</strong> <span className="text-soft">to</span> <strong>{doing.toName}</strong>
          <span className="text-soft">
            {' · '}
            {there
              ? `all done${open.length > 0 ? ', but for labels for good' : ''}`
              : `${done} of ${countWords(done + open.length, 'job', 'jobs')} done, ${spanWords(summary.minutes)} planned`}
          </span>
        </p>
        {work.share === null ? (
          <Button onClick={() => void again()} disabled={wanted.plan === null}>
            <RefreshCw size={15} aria-hidden /> Plan the days anew
          </Button>
        ) : (
          <Working work={work} words="Looking which day what" />
        )}
        <CalendarOut plan={plan} disabled={days.length === 0} />
      </div>
      {wanted.trouble !== null && (
        <p role="alert" className="py-1 text-clash">
          {doing.toName} is not here: {wanted.trouble} What is left cannot be carried until it is back; your own jobs go
          on.
        </p>
      )}
      {walls && (
        <p className="py-1 text-[14px] text-soft">
          Walls, doors, windows or sockets differ too: what is done to the room itself is a job of your own.
        </p>
      )}
      {late.length > 0 && (
        <p role="alert" className="my-1 rounded-lg bg-stone px-3 py-1.5">
          {countWords(late.length, 'day has', 'days have')} gone by with something left to do.{' '}
          <button type="button" className="font-semibold text-heron underline" onClick={() => void again()}>
            Plan it anew from today
          </button>
        </p>
      )}
      {days.length > 0 && (
        <River
          days={days}
          curve={summary.curve}
          today={now}
          chosen={shown?.on ?? null}
          onChoose={(on) => select({ day: on, job: null })}
          from={plan.head.name}
          to={doing.toName}
        />
      )}
      <div className="grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_25rem]">
        <div className="min-w-0 space-y-5">
          {there && <Afterwards />}
          {shown ? (
            <DayPage key={shown.on} day={shown} wanted={wanted.plan} onStop={() => void again(shown.on === now)} />
          ) : (
            <p className="py-4 text-lg">
              {Object.keys(plan.freeTimes).length === 0
                ? 'Say beside this when you have time; then the days are laid like stones across the river.'
                : open.length === 0
                  ? 'Nothing differs between the two: there is nothing to do.'
                  : 'No day is planned yet.'}
            </p>
          )}
          <AllJobs wanted={wanted.plan} change={change} />
        </div>
        <div className="min-w-0 space-y-5 print:hidden">
          <Times onChanged={() => void work.planAnew()} />
          <WaysBeside work={work} />
          <Buying onChanged={() => void work.planAnew()} />
          {pace.jobs > 0 && (
            <p className="text-[14px] text-soft">
              You take {pace.factor.toFixed(1)} × what was reckoned ({pace.low.toFixed(1)} to {pace.high.toFixed(1)},
              from {countWords(pace.jobs, 'job', 'jobs')}): the days are planned with that.
            </p>
          )}
        </div>
      </div>
    </div>
  );
}
