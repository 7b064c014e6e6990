import { type Job, type Plan } from '../../record/plan/index.ts';
import { dayAfter } from '../../keeping/upkeep/index.ts';

/** Something to be bought: when it is planned to be ordered, by which day it must be so that what waits for it keeps its day, and when that is. */
export type ToOrder = { job: Job; on: string | null; by: string | null; needed: string | null };

/** What one of what is bought costs by itself, as far as it was said: a unit, a box, as many of a thing as are wanted. @returns null: not known */
export function priceOf(now: Plan, then: Plan, id: string): number | null {
  const [unit, place, supply] = [then.units[id], then.places[id], then.supplies[id]];
  if (unit) return then.prices[unit.kind]?.price ?? now.prices[unit.kind]?.price ?? null;
  const organiser = then.organisers[place?.organiserId ?? ''];
  if (organiser) return organiser.price === null ? null : organiser.price / organiser.packOf;
  if (!supply || supply.price === null) return null;
  return supply.price * Math.max(1, Math.ceil((supply.working + supply.backstock) / supply.packOf));
}

/** What is to be bought on the way, in the order in which it must be ordered; what has no day yet last. */
export function toOrder(plan: Pick<Plan, 'jobs' | 'sittings'>): ToOrder[] {
  const first = (jobId: string): string | null =>
    Object.values(plan.sittings)
      .filter((s) => s.jobId === jobId)
      .map((s) => s.on)
      .sort()[0] ?? null;
  return Object.values(plan.jobs)
    .filter((j) => j.kind === 'buy' && (j.state === 'open' || j.state === 'half'))
    .map((job): ToOrder => {
      const waiting = Object.values(plan.jobs).filter((j) => j.after.includes(job.id));
      const needed = waiting.flatMap((j) => first(j.id) ?? []).sort()[0] ?? null;
      return { job, on: first(job.id), by: needed && dayAfter(needed, -job.delivery), needed };
    })
    .sort((a, b) =>
      (a.by ?? '9') < (b.by ?? '9') ? -1 : (a.by ?? '9') > (b.by ?? '9') ? 1 : a.job.id < b.job.id ? -1 : 1,
    );
}
