import { type Compiled } from './compile.ts';
import { Timetable } from './timetable.ts';

/** Up to so many jobs every order is gone through. */
export const EXACT_JOBS = 8;

/**
 * The best timetable, by filling it in every order that there is; an order is left as soon as what is still to come could not make it better than the
 * best so far. In pieces between which the caller may breathe.
 */
export function* everyOrder(c: Compiled): Generator<void, Timetable> {
  const soonest = c.jobs.map((j) => (j.never ? 0 : j.saves * (c.sessions[j.first]?.day ?? 0)));
  const certain = c.jobs.filter((j) => j.never).length * c.late;
  let best: Timetable | null = null;
  let tried = 0;
  function* go(t: Timetable, left: readonly number[], least: number): Generator<void> {
    if (left.length === 0) {
      if (!best || t.value < best.value) best = t;
      return;
    }
    if (++tried % 500 === 0) yield;
    for (const job of left) {
      if (c.jobs[job]!.before.some((b) => left.includes(b))) continue;
      const rest = least - soonest[job]! - (c.jobs[job]!.never ? c.late : 0);
      const others = left.filter((i) => i !== job);
      const ways = t.waysFor(job);
      for (const way of ways.length > 0 ? ways : [null]) {
        const next = t.copy();
        next.put(job, way);
        if (!best || next.value + rest < best.value) yield* go(next, others, rest);
      }
    }
  }
  yield* go(new Timetable(c), c.order, soonest.reduce((a, b) => a + b, 0) + certain);
  return best!;
}
