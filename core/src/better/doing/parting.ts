import { type Command, type Job, placesDownTo, type Plan } from '../../record/plan/index.ts';
import { BUY_THINGS, buysThings, some } from './adding.ts';
import { leftOf } from './planning.ts';

/** What is done one by one, of things, units, boxes or places: which of them today is its maker’s to say. */
const PILES = [
  'sort',
  'measure',
  'passOn',
  'buy',
  'setIn',
  'notes',
  'labels',
] as const satisfies readonly Job['kind'][];
const isPile = ({ kind }: Pick<Job, 'kind'>): boolean => (PILES as readonly Job['kind'][]).includes(kind);
/** What waits for some of these waits for that part of the pile alone which it is about; of the others it waits for all. */
const FOR_ITSELF: readonly Job['kind'][] = ['buy', 'setIn', 'notes', 'labels'];
/** What nothing in the room tells once it is done: that it was is only said. */
const SAID_DONE: readonly Job['kind'][] = ['buy', 'passOn'];

/** By job: what so much of it is called. */
export type Names = Map<string, (about: readonly string[]) => string>;

/** What a pile of so many things is called. */
export function pileName(kind: 'sort' | 'measure' | 'passOn', n: number): string {
  if (kind === 'sort') return `Decide on ${some(n, 'thing', 'things')}`;
  if (kind === 'measure') return `Measure ${some(n, 'thing that is', 'things that are')} only guessed`;
  return `Pass on or throw ${some(n, 'thing', 'things')}`;
}

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

/** Jobs of a kind that were parted or joined by hand: what they hold is theirs, also once it is done where nothing else tells that it is. */
const byHand = (jobs: Plan['jobs'], kind: Job['kind']): Job[] =>
  Object.values(jobs)
    .filter((j) => j.byHand && j.kind === kind && (j.state !== 'done' || SAID_DONE.includes(kind)))
    .sort((a, b) => (a.id < b.id ? -1 : 1));

/** By place: the job of its maker’s own making that what is carried there belongs to. */
export const placesByHand = (jobs: Plan['jobs']): ReadonlyMap<string, string> =>
  new Map(byHand(jobs, 'carry').flatMap((j) => j.to.map((place) => [place, j.id] as const)));

/**
 * Piles with what was parted from them as jobs of their own, and with what was joined as one. What waited for the whole waits for the parts it is about; a part
 * waits for what it is about itself.
 */
export function pilesParted(derived: readonly Job[], now: Plan['jobs'], then: Plan, names: Names): Job[] {
  const instead = new Map<string, string[]>();
  const hands = new Map<string, Job>();
  const rests: Job[] = [];
  for (const job of derived) {
    const rest = new Set(job.about);
    const own = (isPile(job) ? byHand(now, job.kind) : []).flatMap((hand) => {
      const about = buysThings(hand) === buysThings(job) ? hand.about.filter((id) => rest.delete(id)) : [];
      return about.length > 0 ? [{ id: hand.id, part: pile(job, about, names) }] : [];
    });
    if (own.length === 0) {
      rests.push(job);
      continue;
    }
    for (const { id, part } of own) {
      const other = hands.get(id);
      hands.set(id, { ...(other ? together(other, part) : part), id, byHand: true });
    }
    if (rest.size > 0) rests.push(pile(job, [...rest], names));
    instead.set(job.id, [...(rest.size > 0 ? [job.id] : []), ...own.map((o) => o.id)]);
  }
  if (instead.size === 0) return rests;
  const all = [...rests, ...hands.values()];
  const of = new Map(all.map((job) => [job.id, job]));
  const whole = new Map(derived.map((job) => [job.id, job]));
  return all.map((job) => {
    const parted = hands.has(job.id) || instead.has(job.id);
    const after = job.after.flatMap((id) => {
      // what only comes before another part of the pile stands in nobody’s way
      if (parted && !comesBefore(whole.get(id), job)) return [];
      const parts = instead.get(id);
      if (!parts) return [id];
      const concerned = parts.filter((p) => FOR_ITSELF.includes(of.get(p)!.kind) && concerns(of.get(p)!, job, then));
      return concerned.length > 0 ? concerned : parts;
    });
    return { ...job, after: [...new Set(after)] };
  });
}

/** Whether a part of a pile waits for a job that its whole waits for: what is set in for what is bought of it, notes for what is carried to their places. */
function comesBefore(before: Job | undefined, part: Job): boolean {
  const own = new Set(part.about);
  if (before?.kind === 'buy' && part.kind === 'setIn') return before.about.some((id) => own.has(id));
  if (before?.kind === 'carry' && part.kind === 'notes') return before.to.some((id) => own.has(id));
  return true;
}

/** Whether a job is about what a part of a pile is about, or carries into it. */
function concerns(part: Job, job: Job, then: Plan): boolean {
  const own = new Set(part.about);
  return (
    job.about.some((id) => own.has(id)) ||
    job.to.some((id) => then.places[id] && placesDownTo(then, then.places[id]).some((p) => own.has(p.id)))
  );
}

const tidy = (n: number): number => Math.round(n * 10) / 10;

/** So much of a pile, with its share of the minutes and of the money. */
function pile(job: Job, about: string[], names: Names): Job {
  const share = about.length / job.about.length;
  return {
    ...{ ...job, about, name: names.get(job.id)?.(about) ?? job.name, saves: job.saves * share },
    ...{ low: tidy(job.low * share), likely: tidy(job.likely * share), high: tidy(job.high * share) },
    money: job.money === null ? null : Math.round(job.money * share * 100) / 100,
  };
}

/** Parts of several piles as one. */
function together(a: Job, b: Job): Job {
  return {
    ...{ ...a, about: [...a.about, ...b.about], after: [...a.after, ...b.after], saves: a.saves + b.saves },
    ...{ low: tidy(a.low + b.low), likely: tidy(a.likely + b.likely), high: tidy(a.high + b.high) },
    money: a.money === null && b.money === null ? null : (a.money ?? 0) + (b.money ?? 0),
    name: `${a.name}; ${b.name.slice(0, 1).toLowerCase()}${b.name.slice(1)}`.slice(0, 120),
  };
}
