import { type ScheduleProblem } from './problem.ts';
import { type ScheduleAnswer } from './solve.ts';

const EPS = 1e-4;

/** Every rule an answer breaks, in words, and its value by the definition; shares no code with the engine. */
export function checkSchedule(
  problem: ScheduleProblem,
  answer: Pick<ScheduleAnswer, 'order' | 'late'>,
): { broken: string[]; value: number } {
  const broken: string[] = [];
  const sessions = new Map(problem.sessions.map((s) => [s.date, s]));
  const dates = [...sessions.keys()].sort();
  const days = (date: string) => Math.round((Date.parse(date) - Date.parse(dates[0]!)) / 86_400_000);
  const moment = (date: string, minute: number) => days(date) * 1440 + minute;
  let value = 0;
  const spans = new Map<string, { from: number; to: number; last: string }>();
  for (const job of problem.jobs) {
    const pieces = answer.order
      .filter((p) => p.job === job.id)
      .sort((a, b) => moment(a.session, a.from) - moment(b.session, b.from));
    if (pieces.length === 0) {
      if (!answer.late.includes(job.id)) broken.push(`${job.id} is neither done nor late`);
      continue;
    }
    if (answer.late.includes(job.id)) broken.push(`${job.id} is done and late`);
    if (pieces.length > 1 && !job.splits) broken.push(`${job.id} is parted`);
    const long = pieces.reduce((sum, p) => sum + p.to - p.from, 0);
    if (Math.abs(long - job.minutes) > EPS) broken.push(`${job.id} takes ${long} of ${job.minutes} minutes`);
    if (typeof job.splits === 'number' && pieces.length > 1)
      for (const p of pieces) if (p.to - p.from < job.splits - EPS) broken.push(`a piece of ${job.id} is too small`);
    for (const [k, p] of pieces.entries()) {
      const s = sessions.get(p.session);
      if (!s) broken.push(`${job.id} is on ${p.session}, which is no session`);
      else if (p.from < -EPS || p.to > s.minutes + EPS || p.to <= p.from)
        broken.push(`${job.id} is outside its session`);
      const before = pieces[k - 1];
      if (before && moment(before.session, before.to) > moment(p.session, p.from) + EPS)
        broken.push(`pieces of ${job.id} overlap`);
    }
    const [first, last] = [pieces[0]!, pieces.at(-1)!];
    if (job.from && first.session < job.from) broken.push(`${job.id} begins before ${job.from}`);
    if (job.by && last.session > job.by) broken.push(`${job.id} ends after ${job.by}`);
    spans.set(job.id, {
      from: moment(first.session, first.from),
      to: moment(last.session, last.to),
      last: last.session,
    });
    value += job.saves * days(last.session);
  }
  for (const job of problem.jobs)
    for (const other of job.before) {
      const [a, b] = [spans.get(job.id), spans.get(other)];
      if (a && (!b || b.to > a.from + EPS)) broken.push(`${job.id} begins before ${other} has ended`);
      const lag = problem.jobs.find((j) => j.id === other)!.lag;
      if (a && b && lag > 0 && Math.floor(a.from / 1440) < days(b.last) + lag)
        broken.push(`${job.id} begins before ${lag} days after ${other}`);
    }
  // what is wanted at the beginning of every piece is what is wanted most
  for (const p of answer.order) {
    const now = answer.order.filter((q) => q.session === p.session && q.from <= p.from + EPS && q.to > p.from + EPS);
    const people = now.reduce((sum, q) => sum + problem.jobs.find((j) => j.id === q.job)!.people, 0);
    if (people > (sessions.get(p.session)?.people ?? 0)) broken.push(`${people} people are wanted on ${p.session}`);
    const lifters = now.reduce((sum, q) => sum + problem.jobs.find((j) => j.id === q.job)!.lifters, 0);
    if (lifters > (sessions.get(p.session)?.lifters ?? Infinity))
      broken.push(`${lifters} who lift are wanted on ${p.session}`);
    if (problem.floor === 0) continue;
    const t = moment(p.session, p.from);
    const floor = problem.jobs.reduce((sum, j) => {
      const span = spans.get(j.id);
      return sum + (span && span.from <= t + EPS && span.to > t + EPS ? j.floor : 0);
    }, 0);
    if (floor > problem.floor + EPS) broken.push(`${floor} of ${problem.floor} floor is covered on ${p.session}`);
  }
  for (const { date, evening } of problem.sessions) {
    if (evening === undefined) continue;
    const open = problem.jobs.filter((j) => {
      const span = spans.get(j.id);
      return span && span.from < moment(date, 1440) && span.last > date;
    });
    const floor = open.reduce((sum, j) => sum + j.floor, 0);
    if (floor > evening + EPS) broken.push(`${floor} of ${evening} floor is covered on the evening of ${date}`);
  }
  for (const { month, amount } of problem.money) {
    const spent = problem.jobs.reduce((sum, j) => {
      const pieces = answer.order
        .filter((p) => p.job === j.id)
        .map((p) => p.session)
        .sort();
      return sum + (pieces[0]?.startsWith(month) ? j.money : 0);
    }, 0);
    if (spent > amount + EPS) broken.push(`${spent} of ${amount} is spent in ${month}`);
  }
  return { broken, value };
}
