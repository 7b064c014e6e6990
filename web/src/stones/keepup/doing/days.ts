import { type Job, type Plan, type Sitting } from '@heronstone/core/plan';

/** A job, or a piece of one, on a day. */
export type OnDay = { sitting: Sitting; job: Job; /** this is not its last piece */ goesOn: boolean };
/** A day of doing: its jobs in their order, minutes planned, and how much of it is done, 0 to 1. */
export type Day = { on: string; jobs: OnDay[]; minutes: number; done: number };

/** The days of a plan in their order, with what is done on each. */
export function daysOf(plan: Pick<Plan, 'jobs' | 'sittings'>): Day[] {
  const rows = Object.values(plan.sittings).sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : a.from - b.from));
  const last = new Map(rows.map((r) => [r.jobId, r.id]));
  const days = new Map<string, Day>();
  for (const sitting of rows) {
    const job = plan.jobs[sitting.jobId];
    if (!job || job.state === 'struck') continue;
    const day = days.get(sitting.on) ?? { on: sitting.on, jobs: [], minutes: 0, done: 0 };
    days.set(sitting.on, day);
    day.jobs.push({ sitting, job, goesOn: last.get(job.id) !== sitting.id });
    day.minutes += sitting.to - sitting.from;
  }
  for (const day of days.values()) {
    const long = (j: OnDay) => j.sitting.to - j.sitting.from;
    const done = day.jobs.filter((j) => j.job.state === 'done').reduce((sum, j) => sum + long(j), 0);
    day.done = day.minutes > 0 ? done / day.minutes : 0;
  }
  return [...days.values()];
}

/** The day to be looked at: what was asked for, else today, else the next with something to do, else the last. */
export function dayShown(days: readonly Day[], asked: string | null, today: string): Day | null {
  return (
    days.find((d) => d.on === asked) ??
    days.find((d) => d.on === today) ??
    days.find((d) => d.on > today && d.done < 1) ??
    days.at(-1) ??
    null
  );
}

/** Days that have gone by with something left to do on them. */
export const slipped = (days: readonly Day[], today: string): Day[] => days.filter((d) => d.on < today && d.done < 1);

/** “10:20” of minutes after midnight. */
export const clockWords = (minutes: number): string =>
  `${String(Math.floor(minutes / 60) % 24).padStart(2, '0')}:${String(Math.round(minutes) % 60).padStart(2, '0')}`;
/** “10:20 to 11:05”. @param starts minutes after midnight at which the day’s time begins */
export const timeWords = (starts: number, { from, to }: Pick<Sitting, 'from' | 'to'>): string =>
  `${clockWords(starts + from)} to ${clockWords(starts + to)}`;

const DAY = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' });
const SHORT = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' });
/** “Saturday 3 October”. */
export const dateWords = (day: string): string => DAY.format(new Date(`${day}T00:00:00Z`));
/** “Sat 3 Oct”. */
export const shortDate = (day: string): string => SHORT.format(new Date(`${day}T00:00:00Z`));

/** “45 min”, “2 h 10”. */
export function spanWords(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 90) return `${whole} min`;
  return whole % 60 === 0 ? `${whole / 60} h` : `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, '0')}`;
}

/** Of all that is gained, in hundredths; null where a job gains nothing by itself. */
export function gainOf(job: Job, jobs: Readonly<Record<string, Job>>): number | null {
  const all = Object.values(jobs).reduce((sum, j) => sum + Math.max(0, j.saves), 0);
  return job.saves > 0 && all > 0 ? Math.round((job.saves / all) * 100) : null;
}

/** What is got together before a day begins: a tray to carry on, what was bought for it, paper for notes or labels. */
export function readyWords(plan: Pick<Plan, 'jobs'>, day: Day): string {
  const open = day.jobs.map((j) => j.job).filter((j) => j.state !== 'done');
  const kinds = new Set(open.map((j) => j.kind));
  const bought = open
    .flatMap((j) => (j.kind === 'bring' || j.kind === 'setIn' ? j.after : []))
    .flatMap((id) => (plan.jobs[id]?.kind === 'buy' ? plan.jobs[id].name.replace(/^Buy /, '') : []));
  return [
    ...(kinds.has('carry') ? ['a tray'] : []),
    ...(kinds.has('move') ? ['a cleared table for what comes out'] : []),
    ...(kinds.has('measure') ? ['a ruler'] : []),
    ...(kinds.has('notes') ? ['slips of paper and a pencil'] : []),
    ...(kinds.has('labels') ? ['the labels'] : []),
    ...new Set(bought),
  ].join(', ');
}

/** What it costs that days slipped: “The last day is Sat 12 Dec now, a week later.” Empty: it has stayed. */
export function slipWords(before: string | null, after: string | null): string {
  if (after === null || before === after) return '';
  if (before === null) return `The last day is ${shortDate(after)}.`;
  const days = Math.round((Date.parse(after) - Date.parse(before)) / 86_400_000);
  const much =
    Math.abs(days) === 7
      ? 'a week'
      : Math.abs(days) % 7 === 0
        ? `${Math.abs(days) / 7} weeks`
        : `${Math.abs(days)} days`;
  return `The last day is ${shortDate(after)} now, ${much} ${days > 0 ? 'later' : 'sooner'}.`;
}
