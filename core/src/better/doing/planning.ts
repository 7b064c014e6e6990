import { type Command, type Doing, type DoingWay, type Job, type Plan, type Sitting } from '../../record/plan/index.ts';
import { dayAfter, TRIAL_DAYS } from '../../keeping/upkeep/index.ts';
import { ringOf, type ScheduleAnswer, type ScheduleProblem, type ScheduleSession } from '../schedule/index.ts';
import { LEAST_PIECE } from './minutes.ts';
import { paceOf } from './pace.ts';
import { sessionsFrom } from './times.ts';

/** At a weekend everything else stands still: so many days one after the other, so long each, min (own assumption). */
const WEEKEND = { days: 2, minutes: 480 };

/** A job that is left half done covers so much at least, m². */
const LEAST_FLOOR = 0.01;

/** What is still to be done of a job, in minutes as its maker takes them. */
export function leftOf(job: Job, factor: number): number {
  const own = job.typed ? 1 : factor;
  const left = job.state !== 'half' ? job.likely : (job.left ?? Math.max(job.likely - job.spent / own, job.likely / 5));
  return Math.max(1, Math.round(left * own));
}

/** Jobs that are still to be done. */
export const openJobs = (jobs: Readonly<Record<string, Job>>): Job[] =>
  Object.values(jobs)
    .filter((j) => j.state === 'open' || j.state === 'half')
    .sort((a, b) => (a.id < b.id ? -1 : 1));

/**
 * Jobs that come right before one among those still open: what is done or struck stands in nobody’s way, what comes before it does.
 */
function openBefore(job: Job, jobs: Readonly<Record<string, Job>>): string[] {
  const found = new Set<string>();
  const seen = new Set<string>();
  const look = (id: string): void => {
    if (seen.has(id)) return;
    seen.add(id);
    const other = jobs[id];
    if (!other) return;
    if (other.state === 'open' || other.state === 'half') found.add(id);
    else other.after.forEach(look);
  };
  job.after.forEach(look);
  return [...found];
}

/**
 * The days as a scheduling problem: what is still to be done in which of the times there are. What has been bought waits until it is there; a job wanted by a day is done by then; labels for good
 * wait until notes have been on trial.
 * @param today nothing is planned before
 */
export function problemOf(
  plan: Pick<Plan, 'jobs' | 'freeTimes'>,
  doing: Pick<Doing, 'begins' | 'livable' | 'moneyAMonth'>,
  way: DoingWay,
  today: string,
): ScheduleProblem {
  const from = doing.begins > today ? doing.begins : today;
  const { factor } = paceOf(Object.values(plan.jobs));
  const free = sessionsFrom(plan, from, doing.livable);
  const people = Math.max(1, ...free.map((s) => s.people));
  const lifters = Math.max(1, ...free.map((s) => s.lifters ?? s.people));
  const sessions: ScheduleSession[] =
    way === 'weekend'
      ? Array.from({ length: WEEKEND.days }, (_, i) => ({
          date: dayAfter(weekendFrom(from), i),
          minutes: WEEKEND.minutes,
          people,
          lifters,
        }))
      : free;
  const open = openJobs(plan.jobs).filter((j) => j.kind !== 'labels');
  const longest = Math.max(0, ...sessions.map((s) => s.minutes));
  const jobs = open.map((job): ScheduleProblem['jobs'][number] => {
    const minutes = leftOf(job, factor);
    // what is too long for any session may lie about on the evenings on which something may
    const lies = !job.splits && minutes > longest && sessions.some((s) => s.evening === undefined);
    const splits = job.splits || lies;
    return {
      ...{
        id: job.id,
        minutes,
        people: job.people,
        lifters: job.lifts ? job.people : 0,
        floor: lies ? Math.max(job.floor, LEAST_FLOOR) : 0,
        // what was begun has been paid for
        money: job.state === 'half' ? 0 : (job.money ?? 0),
        saves: Math.max(0, job.saves) / 3600,
        lag: job.delivery,
      },
      before: openBefore(job, plan.jobs).filter((id) => open.some((o) => o.id === id)),
      ...(splits ? { splits: Math.min(LEAST_PIECE, minutes) } : {}),
      ...notBefore(job, plan.jobs),
      // a day that has gone by holds nobody up any more
      ...(job.readyBy && job.readyBy >= from ? { by: job.readyBy } : {}),
    };
  });
  const worth = (r: Job) => (way === 'saves' ? r.saves : r.saves / Math.max(1, r.likely));
  if (way === 'units' || way === 'saves') oneAfterTheOther(jobs, open, worth);
  const months = [...new Set(sessions.map((s) => s.date.slice(0, 7)))];
  const { moneyAMonth } = doing;
  const money =
    moneyAMonth === null
      ? []
      : months.map((month) => ({ month, amount: Math.max(0, moneyAMonth - spentIn(plan.jobs, month)) }));
  return { format: 'heronstone-doing/1', jobs, sessions, floor: 0, money };
}

/** Not before the day that was said, nor before what was ordered for it is there. */
function notBefore(job: Job, jobs: Readonly<Record<string, Job>>): { from?: string } {
  const days = job.after.flatMap((id) => {
    const before = jobs[id];
    return before?.state === 'done' && before.doneOn !== null && before.delivery > 0
      ? [dayAfter(before.doneOn, before.delivery)]
      : [];
  });
  const from = [...days, ...(job.notBefore ? [job.notBefore] : [])].sort().at(-1);
  return from === undefined ? {} : { from };
}

/** What has been spent in a month on jobs that are done. */
const spentIn = (jobs: Readonly<Record<string, Job>>, month: string): number =>
  Object.values(jobs).reduce((sum, j) => sum + (j.doneOn?.startsWith(month) ? (j.money ?? 0) : 0), 0);

const weekendFrom = (day: string): string => {
  for (let i = 0; i < 7; i++) if (new Date(`${dayAfter(day, i)}T00:00:00Z`).getUTCDay() === 6) return dayAfter(day, i);
  return day;
};

/** One unit after the other, the worthiest first, as far as nothing waits in a ring then. */
function oneAfterTheOther(jobs: ScheduleProblem['jobs'], rows: readonly Job[], worth: (row: Job) => number): void {
  const carried = rows.filter((r) => r.kind === 'carry');
  const of = new Map(jobs.map((j) => [j.id, j]));
  const order = [...carried].sort((a, b) => worth(b) - worth(a) || (a.id < b.id ? -1 : 1));
  for (const [i, row] of order.entries()) {
    const before = order[i - 1];
    const job = of.get(row.id);
    if (!before || !job || job.before.includes(before.id)) continue;
    job.before.push(before.id);
    if (ringOf(jobs)) job.before.pop();
  }
}

/** Jobs that no session there is takes whole: too long, or for more people than ever come; with what would have to give. */
export function tooMuch(
  plan: Pick<Plan, 'jobs'>,
  problem: ScheduleProblem,
  late: readonly string[],
): { job: Job; words: string }[] {
  return late.flatMap((id) => {
    const [job, asked] = [plan.jobs[id], problem.jobs.find((j) => j.id === id)];
    if (!job || !asked) return [];
    const waits = asked.before.find((b) => late.includes(b));
    const words = waits
      ? `It waits for “${plan.jobs[waits]?.name ?? waits}”, which has no day.`
      : whyLate(asked, problem);
    return [{ job, words }];
  });
}

function whyLate(job: ScheduleProblem['jobs'][number], { sessions, money }: ScheduleProblem): string {
  const came = sessions.filter((s) => s.people >= job.people);
  const enough = came.filter((s) => (s.lifters ?? s.people) >= job.lifters);
  const longest = Math.max(0, ...enough.map((s) => s.minutes));
  if (sessions.length === 0) return 'There is no time for it: say when you are free.';
  if (came.length > 0 && enough.length === 0)
    return `${job.lifters} lift it at once, and who helps does not lift: say when somebody comes who does.`;
  if (enough.length === 0) return `It wants ${job.people} people at once, and you are alone: say when somebody helps.`;
  if (!job.splits && job.minutes > longest)
    return `It wants ${job.minutes} min in one go so that nothing lies about in the evening; the longest there is has ${longest} min. One such day, or a few evenings with things on the floor.`;
  if (money.length > 0 && job.money > Math.max(...money.map((m) => m.amount)))
    return `It costs ${job.money}, more than a month’s money.`;
  if (job.by) return `Before ${job.by} there is not enough time for it and what comes before it.`;
  return 'There is not enough time for everything: it comes after what is planned.';
}

/** The days an answer gives, as rows; labels for good go on the first days there is time for after their notes have been on trial. */
export function sittingsOf(plan: Pick<Plan, 'jobs' | 'freeTimes' | 'places'>, answer: ScheduleAnswer): Sitting[] {
  // an answer may be older than the last tick
  const order = answer.order.filter((p) => ['open', 'half'].includes(plan.jobs[p.job]?.state ?? ''));
  const rows = order.map((p, i): Sitting => ({
    id: `day-${i}`,
    jobId: p.job,
    on: p.session,
    from: p.from,
    to: p.to,
  }));
  for (const labels of openJobs(plan.jobs).filter((j) => j.kind === 'labels')) labelsLater(plan, labels, rows);
  return rows;
}

/** Lays labels for good on days after their notes have been on trial, beside what is there. */
function labelsLater(plan: Pick<Plan, 'jobs' | 'freeTimes' | 'places'>, labels: Job, rows: Sitting[]): void {
  const noted = notedOn(plan, labels, rows);
  if (noted === null) return;
  let left = Math.max(1, Math.round(labels.likely));
  for (const { date, minutes } of sessionsFrom(plan, dayAfter(noted, TRIAL_DAYS))) {
    if (left <= 0) break;
    const from = Math.max(0, ...rows.flatMap((r) => (r.on === date ? r.to : [])));
    let piece = Math.min(left, minutes - from);
    // nobody comes back for less than a quarter of an hour
    if (left - piece > 0 && left - piece < LEAST_PIECE) piece = left - LEAST_PIECE;
    if (piece < Math.min(left, LEAST_PIECE)) continue;
    rows.push({ id: `day-${rows.length}`, jobId: labels.id, on: date, from, to: from + piece });
    left -= piece;
  }
}

/** The day on which the last of the notes is on: of the jobs that put them on, or where no job did, as the places say. @returns null: some have no day */
function notedOn(
  { jobs, places }: Pick<Plan, 'jobs' | 'places'>,
  labels: Job,
  rows: readonly Sitting[],
): string | null {
  const notes = labels.after.flatMap((id) => (jobs[id]?.kind === 'notes' ? [jobs[id]] : []));
  const days = notes.map((job) => job.doneOn ?? rows.findLast((r) => r.jobId === job.id)?.on ?? null);
  for (const id of labels.about) if (places[id]?.label === 'trial') days.push(places[id].labelSince);
  return days.includes(null) ? null : (days.sort().at(-1) ?? null);
}

/**
 * Planned so: what was planned goes, the new days come, and calendars are told that they are newer. What was done on days before is kept where it was done.
 * @param from the first day that is planned
 */
export function planDays(
  plan: Pick<Plan, 'sittings' | 'jobs'>,
  doing: Doing,
  way: DoingWay,
  rows: readonly Sitting[],
  from: string,
): Command[] {
  const stays = (s: Sitting): boolean => s.on < from && plan.jobs[s.jobId]?.state === 'done';
  return [
    ...Object.values(plan.sittings).flatMap((s): Command[] => (stays(s) ? [] : [{ type: 'removeSitting', id: s.id }])),
    ...rows.map((sitting): Command => ({
      type: 'addSitting',
      sitting: { ...sitting, id: `${sitting.id}-${doing.planned + 1}` },
    })),
    { type: 'setDoing', id: doing.id, set: { way, planned: doing.planned + 1 } },
  ];
}

/** From which day on days are planned anew: a day on which something was done, or that is stopped, is over. */
export const plannedFrom = (plan: Pick<Plan, 'jobs'>, today: string, stopped = false): string =>
  stopped || Object.values(plan.jobs).some((j) => j.doneOn === today) ? dayAfter(today, 1) : today;

/** The way put away: jobs, with the days they lie on, and what is wanted; when there is time is kept. */
export const wayAway = (plan: Pick<Plan, 'jobs' | 'doings'>): Command[] => [
  ...Object.keys(plan.jobs).map((id): Command => ({ type: 'removeJob', id })),
  ...Object.keys(plan.doings).map((id): Command => ({ type: 'removeDoing', id })),
];
