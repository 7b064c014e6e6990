import { type Command, type Job, type Plan } from '../../record/plan/index.ts';
import { some } from './adding.ts';
import { leftOf } from './planning.ts';

/** What is a pile of things, gone through one by one: which of them today is its maker’s to say. */
const PILES = ['sort', 'measure', 'passOn'] as const satisfies readonly Job['kind'][];
type Pile = (typeof PILES)[number];
const isPile = (kind: Job['kind']): kind is Pile => (PILES as readonly Job['kind'][]).includes(kind);

/** What a pile of so many things is called. */
export function pileName(kind: Pile, n: number): string {
  if (kind === 'sort') return `Decide on ${some(n, 'thing', 'things')}`;
  if (kind === 'measure') return `Measure ${some(n, 'thing that is', 'things that are')} only guessed`;
  return `Pass on or throw ${some(n, 'thing', 'things')}`;
}

const isOpen = ({ state }: Job): boolean => state === 'open' || state === 'half';

/** What a job is parted by: places it carries to, things of a pile, minutes that are left of one’s own; null: it is one thing, or done, or struck. */
export function partsOf(job: Job): { by: 'to' | 'about'; ids: readonly string[] } | { by: 'minutes' } | null {
  if (!isOpen(job)) return null;
  if (job.kind === 'own') return leftOf(job, 1) >= 2 ? { by: 'minutes' } : null;
  const by = job.kind === 'carry' ? 'to' : isPile(job.kind) ? 'about' : null;
  return by && job[by].length > 1 ? { by, ids: job[by] } : null;
}

/** Whether two jobs can be made one: both still to be done, of one sort, and of a sort that has parts. */
export const canJoin = (a: Job, b: Job): boolean =>
  a.id !== b.id &&
  a.kind === b.kind &&
  [a, b].every(isOpen) &&
  (a.kind === 'carry' || a.kind === 'own' || isPile(a.kind));

/** A job that nothing has been done of. */
const BEGUN = { state: 'open', spent: 0, left: null, doneOn: null } as const;

/**
 * A job made two: what was chosen becomes a job of its own, the rest stays. What each takes, saves and waits for follows when it is asked what is to be done
 * ({@link jobsBetween}).
 * @param id of the new one; @param chosen some of {@link partsOf}, not all, or so many of the minutes that are left of one’s own
 */
export function partJob(job: Job, id: string, chosen: readonly string[] | number): Command[] {
  if (typeof chosen === 'number') {
    const left = leftOf(job, 1);
    const part = Math.max(1, Math.min(chosen, left - 1));
    const likely = Math.max(1, job.likely - part);
    const minutes = (n: number) => ({ low: n, likely: n, high: n, typed: true });
    // it is paid for once
    const money = job.money === null ? {} : { money: null };
    return [
      {
        type: 'setJob',
        id: job.id,
        set: { ...minutes(likely), ...(job.state === 'half' ? { left: left - part } : {}) },
      },
      { type: 'addJob', job: { ...job, ...BEGUN, ...minutes(part), ...money, id } },
    ];
  }
  const by = job.kind === 'carry' ? 'to' : 'about';
  const own = new Set(chosen);
  return [
    { type: 'setJob', id: job.id, set: { typed: false, [by]: job[by].filter((x) => !own.has(x)) } },
    {
      type: 'addJob',
      job: { ...job, ...BEGUN, typed: false, byHand: true, id, [by]: job[by].filter((x) => own.has(x)) },
    },
  ];
}

/** Two jobs made one, with what was done of both; see {@link canJoin}. @param id of the one there is then */
export function joinJobs(a: Job, b: Job, id: string): Command[] {
  const all = (x: readonly string[], y: readonly string[]) => [...new Set([...x, ...y])];
  const later =
    [a.notBefore, b.notBefore]
      .filter((d) => d !== null)
      .sort()
      .at(-1) ?? null;
  const sooner = [a.readyBy, b.readyBy].filter((d) => d !== null).sort()[0] ?? null;
  const own = a.kind === 'own';
  const half = a.state === 'half' || b.state === 'half';
  const joined: Job = {
    ...{
      ...a,
      id,
      byHand: !own,
      typed: own,
      about: all(a.about, b.about),
      to: all(a.to, b.to),
      after: all(a.after, b.after),
    },
    ...{ low: a.low + b.low, likely: a.likely + b.likely, high: a.high + b.high, floor: Math.max(a.floor, b.floor) },
    ...{ people: Math.max(a.people, b.people), lifts: a.lifts || b.lifts, saves: a.saves + b.saves },
    ...{ money: a.money === null && b.money === null ? null : (a.money ?? 0) + (b.money ?? 0) },
    ...{ splits: a.splits && b.splits, delivery: Math.max(a.delivery, b.delivery), notBefore: later, readyBy: sooner },
    ...(half
      ? { state: 'half', spent: a.spent + b.spent, left: leftOf(a, 1) + leftOf(b, 1), doneOn: a.doneOn ?? b.doneOn }
      : BEGUN),
    name: own ? `${a.name}; ${b.name}`.slice(0, 120) : a.name,
  };
  joined.after = joined.after.filter((x) => x !== a.id && x !== b.id);
  return [
    { type: 'removeJob', id: a.id },
    { type: 'removeJob', id: b.id },
    { type: 'addJob', job: joined },
  ];
}

/** Jobs of a kind that were parted or joined by hand and are not done: what they hold is theirs. */
const byHand = (jobs: Plan['jobs'], kind: Job['kind']): Job[] =>
  Object.values(jobs)
    .filter((j) => j.byHand && j.kind === kind && j.state !== 'done')
    .sort((a, b) => (a.id < b.id ? -1 : 1));

/** By place: the job of its maker’s own making that what is carried there belongs to. */
export const placesByHand = (jobs: Plan['jobs']): ReadonlyMap<string, string> =>
  new Map(byHand(jobs, 'carry').flatMap((j) => j.to.map((place) => [place, j.id] as const)));

/** Piles with what was parted from them as jobs of their own; what waited for the whole pile waits for all of it. */
export function pilesParted(derived: readonly Job[], now: Plan['jobs']): Job[] {
  const instead = new Map<string, string[]>();
  const jobs = derived.flatMap((job): Job[] => {
    const { kind } = job;
    if (!isPile(kind)) return [job];
    const rest = new Set(job.about);
    const piles = byHand(now, kind).flatMap((hand) => {
      const own = hand.about.filter((id) => rest.delete(id));
      return own.length > 0 ? [pile(job, kind, own, { id: hand.id, byHand: true })] : [];
    });
    if (piles.length === 0) return [job];
    const all = rest.size > 0 ? [pile(job, kind, [...rest], {}), ...piles] : piles;
    instead.set(
      job.id,
      all.map((j) => j.id),
    );
    return all;
  });
  if (instead.size === 0) return jobs;
  return jobs.map((job) => ({ ...job, after: job.after.flatMap((id) => instead.get(id) ?? [id]) }));
}

/** So much of a pile, with its share of the minutes. */
function pile(job: Job, kind: Pile, about: string[], set: Partial<Job>): Job {
  const share = about.length / job.about.length;
  const tidy = (n: number): number => Math.round(n * share * 10) / 10;
  return {
    ...{ ...job, ...set, about, name: pileName(kind, about.length) },
    ...{ low: tidy(job.low), likely: tidy(job.likely), high: tidy(job.high), saves: job.saves * share },
  };
}
