import {
  type DiaryEntry,
  type DiaryKind,
  groupedBy,
  MONTH_NAMES,
  type MonthSum,
  type Plan,
} from '../../record/plan/index.ts';

/** A line for the log about something, all else left out. */
export function jotting(
  id: string,
  at: string,
  day: string,
  what: DiaryKind,
  about: Partial<Omit<DiaryEntry, 'id' | 'at' | 'day' | 'what'>> = {},
): DiaryEntry {
  const nothing = { stationId: null, activityId: null, supplyId: null, placeId: null, count: null, strikesId: null };
  return { id, at, day, what, ...nothing, words: '', ...about };
}

const lists = new WeakMap<object, readonly DiaryEntry[]>();

/** The lines that hold, oldest first: what was struck, and what strikes it, is not among them. Worked out once per log. */
export function holdingEntries(plan: Pick<Plan, 'diary'>): readonly DiaryEntry[] {
  let list = lists.get(plan.diary);
  if (!list) {
    const all = Object.values(plan.diary);
    const struck = new Set(all.flatMap((e) => (e.what === 'struck' ? (e.strikesId ?? []) : [])));
    list = all
      .filter((e) => e.what !== 'struck' && !struck.has(e.id))
      .sort((a, b) => (a.at === b.at ? (a.id < b.id ? -1 : 1) : a.at < b.at ? -1 : 1));
    lists.set(plan.diary, list);
  }
  return list;
}

const bySupply = new WeakMap<object, ReadonlyMap<string, readonly DiaryEntry[]>>();
const NONE: readonly DiaryEntry[] = [];

/** The lines about one supply that hold, oldest first; gathered once per log. */
export function entriesOf(plan: Pick<Plan, 'diary'>, supplyId: string): readonly DiaryEntry[] {
  let groups = bySupply.get(plan.diary);
  if (!groups) {
    const made = new Map<string, DiaryEntry[]>();
    for (const e of holdingEntries(plan)) {
      if (e.supplyId === null) continue;
      const known = made.get(e.supplyId);
      if (known) known.push(e);
      else made.set(e.supplyId, [e]);
    }
    bySupply.set(plan.diary, (groups = made));
  }
  return groups.get(supplyId) ?? NONE;
}

const sumsBySupply = groupedBy(
  (sum: MonthSum) => sum.supplyId,
  (a, b) => (a.last < b.last ? -1 : 1),
);

/** What the gathered months say of one supply, oldest first. */
export const sumsOf = (plan: Pick<Plan, 'monthSums'>, supplyId: string): readonly MonthSum[] =>
  sumsBySupply(plan.monthSums, supplyId);

/** The days of a sum, in full. */
export const daysOf = (sum: Pick<MonthSum, 'month' | 'days'>): string[] =>
  sum.days.map((d) => `${sum.month}-${String(d).padStart(2, '0')}`);

/** The days on which something was done with a supply, lines and gathered months together, ascending. */
export function daysWhen(
  plan: Pick<Plan, 'diary' | 'monthSums'>,
  supplyId: string,
  what: (kind: DiaryKind) => boolean,
): string[] {
  const gathered = sumsOf(plan, supplyId).flatMap((s) => (what(s.what) ? daysOf(s) : []));
  const lines = entriesOf(plan, supplyId).flatMap((e) => (what(e.what) ? [e.day] : []));
  return [...new Set([...gathered, ...lines])].sort();
}

/** A session longer than this has been forgotten, hours (own assumption). */
const FORGOTTEN_AFTER = 14;

/** The session that is going on at a station: its beginning; null when none is, or it was begun so long ago that its end was forgotten. */
export function sessionGoingOn(plan: Pick<Plan, 'diary'>, stationId: string, now: string): DiaryEntry | null {
  const last = holdingEntries(plan)
    .filter((e) => e.stationId === stationId && (e.what === 'began' || e.what === 'ended'))
    .at(-1);
  if (last?.what !== 'began') return null;
  return Date.parse(now) - Date.parse(last.at) < FORGOTTEN_AFTER * 3_600_000 ? last : null;
}

/** The day on which a supply was last used, as far as the maker or the log says; null: nobody knows. */
export function lastUsed(plan: Pick<Plan, 'diary' | 'monthSums' | 'supplies'>, supplyId: string): string | null {
  const said = plan.supplies[supplyId]?.usedOn ?? null;
  const logged = daysWhen(plan, supplyId, isUse).at(-1) ?? null;
  return said !== null && (logged === null || said > logged) ? said : logged;
}

/** How often a supply was used since a day. */
export const timesUsed = (plan: Pick<Plan, 'diary' | 'monthSums'>, supplyId: string, since: string | null): number =>
  daysWhen(plan, supplyId, isUse).filter((day) => since === null || day >= since).length;

const isUse = (what: DiaryKind): boolean => what === 'fetched' || what === 'usedUp';

/** A day as it is said: “14 June 2025”. */
export const dayWords = (day: string): string =>
  `${Number(day.slice(8, 10))} ${MONTH_NAMES[Number(day.slice(5, 7)) - 1] ?? ''} ${day.slice(0, 4)}`;

/** A month as it is said: “June 2025”. */
export const monthOfYear = (month: string): string =>
  `${MONTH_NAMES[Number(month.slice(5, 7)) - 1] ?? ''} ${month.slice(0, 4)}`;

/** Days from one day to another. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / 86_400_000);
/** A day so many days later. */
export const dayAfter = (day: string, days: number): string =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);
