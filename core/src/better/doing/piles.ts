import { type Job, placesDownTo, type Plan } from '../../record/plan/index.ts';
import { buysThings } from './adding.ts';

/** What is done one by one, of things, units, boxes or places: which of them today is its maker’s to say. */
const PILES = [
  'sort',
  'measure',
  'passOn',
  'buy',
  'setIn',
  'takeAway',
  'notes',
  'labels',
] as const satisfies readonly Job['kind'][];
/** Whether a job is done one by one. */
export const isPile = ({ kind }: Pick<Job, 'kind'>): boolean => (PILES as readonly Job['kind'][]).includes(kind);
/** What waits for some of these waits for that part of the pile alone which it is about; of the others it waits for all. */
const FOR_ITSELF: readonly Job['kind'][] = ['buy', 'setIn', 'notes', 'labels'];
/** What nothing in the room tells once it is done: that it was is only said. */
const SAID_DONE: readonly Job['kind'][] = ['buy', 'passOn'];

/** By job: what so much of it is called. */
export type Names = Map<string, (about: readonly string[]) => string>;

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
    ...{ people: Math.max(a.people, b.people), lifts: a.lifts || b.lifts, floor: Math.max(a.floor, b.floor) },
    splits: a.splits && b.splits,
    name: `${a.name}; ${b.name.slice(0, 1).toLowerCase()}${b.name.slice(1)}`.slice(0, 120),
  };
}
