import { type FreeTime, type Plan } from '../../record/plan/index.ts';
import { dayAfter } from '../../keeping/upkeep/index.ts';
import { type ScheduleSession } from '../schedule/index.ts';

/** So many sessions are looked ahead, and so many days at most. */
const MOST_SESSIONS = 60;
const MOST_DAYS = 400;

/** 1 Monday to 7 Sunday. */
export const weekdayOf = (day: string): number => ((new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7) + 1;

/** The time there is on a day: what is said of the day itself, else of its weekday; null: none. */
export function freeOn(plan: Pick<Plan, 'freeTimes'>, day: string): FreeTime | null {
  const rows = Object.values(plan.freeTimes).sort((a, b) => (a.id < b.id ? -1 : 1));
  const own = rows.find((f) => f.on === day) ?? rows.find((f) => f.on === null && f.weekday === weekdayOf(day));
  return own && own.minutes > 0 ? own : null;
}

/** The days on which there is time, from a day on: the maker, who helps her, and who of them lifts. @param livable nothing lies about on the evenings after, but where it is said */
export function sessionsFrom(plan: Pick<Plan, 'freeTimes'>, from: string, livable = false): ScheduleSession[] {
  const sessions: ScheduleSession[] = [];
  if (Object.keys(plan.freeTimes).length === 0) return sessions;
  for (let i = 0; i < MOST_DAYS && sessions.length < MOST_SESSIONS; i++) {
    const date = dayAfter(from, i);
    const free = freeOn(plan, date);
    if (free)
      sessions.push({
        ...{ date, minutes: free.minutes, people: 1 + free.helpers + free.hands },
        // the maker lifts herself
        ...(free.hands > 0 ? { lifters: 1 + free.helpers } : {}),
        ...(livable && !free.lies ? { evening: 0 } : {}),
      });
  }
  return sessions;
}
