import { type Command, type Job } from '../../record/plan/index.ts';
import { BUY_THINGS, buysThings } from './adding.ts';
import { isPile } from './piles.ts';
import { leftOf } from './planning.ts';

const isOpen = ({ state }: Job): boolean => state === 'open' || state === 'half';

/** What a job is parted by: places it carries to, things of a pile, minutes that are left of one’s own; null: it is one thing, or done, or struck. */
export function partsOf(job: Job): { by: 'to' | 'about'; ids: readonly string[] } | { by: 'minutes' } | null {
  if (!isOpen(job)) return null;
  if (job.kind === 'own') return leftOf(job, 1) >= 2 ? { by: 'minutes' } : null;
  const by = job.kind === 'carry' ? 'to' : isPile(job) ? 'about' : null;
  return by && job[by].length > 1 ? { by, ids: job[by] } : null;
}

/** Whether two jobs can be made one: both still to be done, of one sort, and of a sort that has parts. */
export const canJoin = (a: Job, b: Job): boolean =>
  a.id !== b.id &&
  a.kind === b.kind &&
  buysThings(a) === buysThings(b) &&
  [a, b].every(isOpen) &&
  (a.kind === 'carry' || a.kind === 'own' || isPile(a));

/** The id of a job made of another, or of two: what is bought is told by it. @param id a new one */
export const idByHand = (of: Job, id: string): string => (buysThings(of) ? `${BUY_THINGS}-${id}` : id);

/** A job that nothing has been done of. */
const BEGUN = { state: 'open', spent: 0, left: null, doneOn: null } as const;

/**
 * A job made two: what was chosen becomes a job of its own, the rest stays. What each takes, saves and waits for follows when it is asked what is to be done
 * ({@link jobsBetween}).
 * @param id of the new one, see {@link idByHand}; @param chosen some of {@link partsOf}, not all, or so many of the minutes that are left of one’s own
 * @param price what one of them costs by itself: money is shared out by that where it is known of all, else evenly
 */
export function partJob(
  job: Job,
  id: string,
  chosen: readonly string[] | number,
  price: (id: string) => number | null = () => null,
): Command[] {
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
  const [rest, part] = [job[by].filter((x) => !own.has(x)), job[by].filter((x) => own.has(x))];
  const money = sharedOut(job.money, rest, part, price);
  return [
    { type: 'setJob', id: job.id, set: { typed: false, money: money[0], [by]: rest } },
    { type: 'addJob', job: { ...job, ...BEGUN, typed: false, byHand: true, money: money[1], id, [by]: part } },
  ];
}

/** What the two parts of something cost, to the hundredth; together what it cost. */
function sharedOut(
  money: number | null,
  rest: readonly string[],
  part: readonly string[],
  price: (id: string) => number | null,
): [number | null, number | null] {
  if (money === null) return [null, null];
  const prices = [...rest, ...part].map(price);
  const sum = (list: readonly string[]) =>
    list.reduce((s, id) => s + (prices.includes(null) || prices.every((p) => p === 0) ? 1 : price(id)!), 0);
  const own = Math.round(((money * sum(part)) / (sum(part) + sum(rest))) * 100) / 100;
  return [Math.round((money - own) * 100) / 100, own];
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
