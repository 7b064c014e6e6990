import { type Edit, type Ran, reject } from './edit.ts';
import { type TableName } from './tables.ts';
import { type DiaryEntry, type MonthSum } from './rows/index.ts';

/** What happened and what that came to: undo and taking another plan over leave it alone. */
export const LOG_TABLES: ReadonlySet<TableName | 'head'> = new Set<TableName>(['diary', 'monthSums']);

/** A log of more lines has its oldest months gathered until so many are left: short of what a plan can hold, and seldom (own assumption). */
export const LONG_LOG = 45_000;
const LEFT = 35_000;

const monthOf = (e: DiaryEntry): string => e.day.slice(0, 7);
/** Lines of other days, written by a broken clock, stay lines. */
const ON_A_CALENDAR = /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/;
/** What tells the same in one month. */
const keyOf = (s: Pick<MonthSum, 'what' | 'activityId' | 'supplyId' | 'placeId'>): string =>
  [s.what, s.activityId ?? '', s.supplyId ?? '', s.placeId ?? ''].join(' ');

/**
 * Gathers the lines of all months before one into sums. Lines that were struck are dropped with what struck them; a strike that came in a later month stays
 * until its own month is gathered.
 * @param before `2026-03`: this month and later ones stay as they are
 */
export function gatherMonths(edit: Edit, before: string): Ran {
  const lines = edit.all('diary');
  const going = lines.filter((e) => monthOf(e) < before && ON_A_CALENDAR.test(e.day));
  if (going.length === 0) return reject('The log has no line from before that month.');
  const goes = new Set(going.map((e) => e.id));
  const struck = new Set(lines.flatMap((e) => (e.what === 'struck' ? (e.strikesId ?? []) : [])));
  const sums = new Map<string, Map<string, MonthSum>>();
  const known = (month: string): Map<string, MonthSum> => {
    let of = sums.get(month);
    if (!of) {
      of = new Map(edit.having('monthSums', 'month', month).map((s) => [keyOf(s), s]));
      sums.set(month, of);
    }
    return of;
  };
  const numbers = new Map<string, number>();
  // one that no other has: a plan file may bring any
  const newId = (month: string): string => {
    let n = numbers.get(month) ?? 0;
    do n++;
    while (edit.get('monthSums', `${month}.${n}`));
    numbers.set(month, n);
    return `${month}.${n}`;
  };
  for (const e of going) {
    // by a clock that ran backwards: without it the line would hold again
    if (e.what === 'struck' && e.strikesId !== null && !goes.has(e.strikesId) && edit.get('diary', e.strikesId))
      continue;
    const month = monthOf(e);
    edit.remove('diary', e.id);
    if (e.what === 'struck' || struck.has(e.id)) continue;
    const of = known(month);
    const placeId = e.what === 'stray' || e.what === 'moved' ? e.placeId : null;
    const key = keyOf({ ...e, placeId });
    const sum = of.get(key);
    const day = Number(e.day.slice(8));
    of.set(key, {
      ...{ id: sum?.id ?? newId(month), month, what: e.what },
      ...{ activityId: e.activityId, supplyId: e.supplyId, placeId },
      times: (sum?.times ?? 0) + 1,
      pieces: (sum?.pieces ?? 0) + (e.count ?? 1),
      days: [...new Set([...(sum?.days ?? []), day])].sort((a, b) => a - b),
      last: sum !== undefined && sum.last > e.at ? sum.last : e.at,
    });
  }
  for (const of of sums.values())
    for (const sum of of.values()) {
      const trouble = edit.put('monthSums', sum);
      if (trouble) return trouble;
    }
  return null;
}

/** Gathers the oldest months of a log that has grown long; the newest month stays as it is. */
export function gatherWhenLong(edit: Edit): Ran {
  const lines = edit.all('diary');
  if (lines.length <= LONG_LOG) return null;
  const months = new Map<string, number>();
  for (const e of lines) if (ON_A_CALENDAR.test(e.day)) months.set(monthOf(e), (months.get(monthOf(e)) ?? 0) + 1);
  const order = [...months.keys()].sort();
  let left = lines.length;
  let before = order[0];
  for (const [i, month] of order.entries()) {
    if (left <= LEFT || i === order.length - 1) break;
    left -= months.get(month)!;
    before = order[i + 1]!;
  }
  return before === undefined || before === order[0] ? null : gatherMonths(edit, before);
}
