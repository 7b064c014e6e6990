import { type Person, type Station } from '../../record/plan/index.ts';
import { rememberedWith } from '../recall/index.ts';
import { type YearlyUse } from './uses.ts';

/** What of a share somebody has to look for, and from where. */
export type Need = {
  /** fetches a year, by everybody */
  fetches: number;
  /** how likely whoever fetches it remembers where it lives, weighed by fetches, 0 to 1 */
  remembered: number;
  /** looks a year that are not known: fetches that are not remembered, and what is put back counts once more */
  weight: number;
  /** the station that fetches it most */
  station: Station | null;
};

/** How often a share is looked for without being remembered, by who fetches how much of it. */
export function needOf(uses: readonly YearlyUse[], part = 1): Need {
  const byPerson = new Map<Person['id'], number>();
  for (const { station, fetches } of uses)
    byPerson.set(station.personId, (byPerson.get(station.personId) ?? 0) + fetches * part);
  let [fetches, known, weight, most] = [0, 0, 0, -1];
  let station: Station | null = null;
  for (const use of uses) {
    const times = use.fetches * part;
    const remembered = rememberedWith(byPerson.get(use.station.personId)!);
    fetches += times;
    known += times * remembered;
    weight += times * (1 - remembered) * (use.consumed ? 1 : 2);
    if (times > most) [most, station] = [times, use.station];
  }
  return { fetches, remembered: fetches > 0 ? known / fetches : 0, weight, station };
}
