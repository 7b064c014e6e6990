import { type Plan } from '../../record/plan/index.ts';
import { holdingEntries } from './log.ts';

/** A month whose lines were gathered: lines, sessions begun, things taken and pieces used up. */
export type GatheredMonth = { month: string; lines: number; sessions: number; taken: number; usedUp: number };

/** The months that were gathered into sums, newest first. */
export function gatheredMonths(plan: Pick<Plan, 'monthSums'>): GatheredMonth[] {
  const months = new Map<string, GatheredMonth>();
  for (const s of Object.values(plan.monthSums)) {
    const of = months.get(s.month) ?? { month: s.month, lines: 0, sessions: 0, taken: 0, usedUp: 0 };
    of.lines += s.times;
    if (s.what === 'began') of.sessions += s.times;
    if (s.what === 'fetched') of.taken += s.pieces;
    if (s.what === 'usedUp') of.usedUp += s.pieces;
    months.set(s.month, of);
  }
  return [...months.values()].sort((a, b) => (a.month < b.month ? 1 : -1));
}

/** The lines that are older than a year: so many, and the month before which they lie; null when there are none. */
export function olderThanAYear(plan: Pick<Plan, 'diary'>, day: string): { lines: number; before: string } | null {
  const before = `${Number(day.slice(0, 4)) - 1}${day.slice(4, 7)}`;
  const lines = holdingEntries(plan).filter((e) => e.day.slice(0, 7) < before).length;
  return lines === 0 ? null : { lines, before };
}
