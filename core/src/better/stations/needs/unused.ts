import { monthWords } from '../../../record/plan/index.ts';
import { type At, type Need, row } from './need.ts';

/** A station not worked at for so long is asked about, days (own assumption: three months). */
const UNUSED_DAYS = 90;
const DAY = 86_400_000;

/** How long nobody works here: by the activity’s months, and by the day it was last worked at. */
export function unused({ activity, station }: At, today: string | null): Need[] {
  if (activity.sessionsPerMonth === 0 || activity.months.length === 0)
    return row('use', 'now and then', 'never', {
      lacks: `Nothing is made at ${station.name}: its floor and table are free.`,
    });
  const out: Need[] = [];
  if (today !== null && station.lastUsed !== null) {
    const days = Math.round((Date.parse(today) - Date.parse(station.lastUsed)) / DAY);
    if (days >= UNUSED_DAYS)
      out.push(
        ...row('use', 'now and then', `last ${station.lastUsed}`, {
          lacks: `Nobody worked here for ${Math.floor(days / 30.4)} months (since ${station.lastUsed}).`,
        }),
      );
  }
  const idle = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12].filter((m) => !activity.months.includes(m));
  if (idle.length >= 6 && station.housing === 'station')
    out.push(
      ...row('use', 'all the year', monthWords(activity.months), {
        lacks: `It stands idle ${idle.length} months of twelve (${monthWords(idle)}): a kit or a cart would free its floor then.`,
      }),
    );
  return out;
}
