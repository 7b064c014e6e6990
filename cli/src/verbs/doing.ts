import { calendarOf } from '@heronstone/core/calendar';
import {
  CalendarFile,
  jobsBetween,
  mergeJobs,
  planDays,
  problemOf,
  provenWords,
  rowsOfCalendar,
  sittingsOf,
  summaryOf,
  tooMuch,
  yearOf,
} from '@heronstone/core/doing';
import { apply, asOne, type Command, type Plan } from '@heronstone/core/plan';
import { readSchedule, solveSchedule } from '@heronstone/core/schedule';
import { json, jsonOf, now, number, planOf, type Result, Trouble, type Values, whole, write } from '../input.ts';
import { type Verb } from './verb.ts';

export const doingVerb: Verb = {
  usage: [
    'doing FROM.heron.json TO.heron.json --calendar FILE.json [--out PLAN.ics] [--seconds N | --work N]',
    'doing --problem FILE.json [--seconds N | --work N] [--seed N]',
  ],
  flags: ['calendar', 'problem', 'out', 'seconds', 'work', 'seed'],
  // a problem by itself comes with a flag
  files: [0, 2],
  run: doing,
};

/** Which job in which session: of a bare problem, or of the way from one plan to another. */
async function doing(file: string, values: Values, to: string): Promise<Result> {
  if (values.work !== undefined && values.seconds !== undefined)
    throw new Trouble('give --seconds or --work, not both');
  const limit =
    values.work === undefined
      ? { seconds: number(values.seconds, 'seconds', 10, 3600) }
      : { work: number(values.work, 'work', 0, 1e9) };
  const seed = whole(values.seed, 'seed', 1, 2 ** 31 - 1);
  if (values.problem !== undefined) {
    if (file || values.calendar !== undefined || values.out !== undefined)
      throw new Trouble('doing takes --problem FILE.json alone, or two plans');
    const read = readSchedule(jsonOf(values.problem));
    if (!read.ok) throw new Trouble(`${values.problem}: ${read.reason}`);
    return { code: 0, out: json(await solveSchedule(read.problem, { ...limit, seed, now })) };
  }
  if (!file || !to) throw new Trouble('doing needs two plans: as it is, and as it is wanted');
  if (values.calendar === undefined) throw new Trouble('say when there is time with --calendar FILE.json');
  const read = CalendarFile.safeParse(jsonOf(values.calendar));
  if (!read.success) {
    const [issue] = read.error.issues;
    throw new Trouble(`${values.calendar}: ${issue!.path.join('.') || 'the file'} ${issue!.message}`);
  }
  const [from, wanted] = [planOf(file), planOf(to)];
  const rows = rowsOfCalendar(read.data, wanted);
  let plan: Plan = { ...from, ...rows, sittings: {} };
  plan = done(plan, mergeJobs(plan, jobsBetween(plan, wanted)));
  const asked = rows.doings.doing!;
  const problem = problemOf(plan, asked, 'found', asked.begins);
  const answer = await solveSchedule(problem, { ...limit, seed, now });
  const days = sittingsOf(plan, answer);
  plan = done(plan, planDays(plan, asked, 'found', days, asked.begins));
  if (values.out !== undefined) {
    const written = calendarOf(plan, asked.begins);
    if (!written.ok) throw new Trouble(written.reason);
    write(values.out, written.text);
  }
  return {
    code: 0,
    out: json({
      jobs: Object.values(plan.jobs).map(({ about: _about, to: _to, ...job }) => job),
      order: days.map(({ jobId, on, from, to }) => ({ job: jobId, session: on, from, to })),
      value: answer.value,
      bound: answer.bound,
      proven: provenWords(answer.value, answer.bound, problem),
      late: tooMuch(plan, problem, answer.late).map(({ job, words }) => ({ job: job.id, why: words })),
      summary: summaryOf(plan, days),
      secondsAYear: { now: yearOf(from), then: yearOf(wanted) },
    }),
  };
}

function done(plan: Plan, commands: readonly Command[]): Plan {
  if (commands.length === 0) return plan;
  const ran = apply(plan, asOne('plan the days', commands));
  if (!ran.ok) throw new Trouble(ran.reason);
  return ran.plan;
}
