import { placeSaid } from '@heronstone/core/concepts';
import { type DiaryEntry, type DiaryKind, type Plan } from '@heronstone/core/plan';
import { type GatheredMonth } from '@heronstone/core/upkeep';

const DID: Record<DiaryKind, string> = {
  ...{
    began: 'began at',
    ended: 'ended at',
    fetched: 'took',
    putBack: 'put back',
    usedUp: 'used up',
    opened: 'opened the spare of',
  },
  ...{
    bought: 'bought',
    moved: 'moved',
    decided: 'decided on',
    stray: 'found astray',
    season: 'season change:',
    labelled: 'labelled',
    struck: 'struck',
  },
};

/** “214 lines: 12 sessions, 180 taken, 9 used up”. */
export function gatheredWords({ lines, sessions, taken, usedUp }: GatheredMonth): string {
  const parts = [
    sessions > 0 && `${sessions} ${sessions === 1 ? 'session' : 'sessions'}`,
    taken > 0 && `${taken} taken`,
    usedUp > 0 && `${usedUp} used up`,
  ].filter((part) => part !== false);
  return `${lines} ${lines === 1 ? 'line' : 'lines'}${parts.length > 0 ? `: ${parts.join(', ')}` : ''}`;
}

/** One line of the log as a sentence without its beginning: “took 2 × Ripstop (Wall shelf), Comet”. */
export function lineWords(plan: Plan, e: DiaryEntry): string {
  const supply = e.supplyId === null ? '' : (plan.supplies[e.supplyId]?.name ?? 'something that is gone');
  const station = e.stationId === null ? '' : (plan.stations[e.stationId]?.name ?? 'a seat that is gone');
  const place = e.placeId === null ? undefined : plan.places[e.placeId];
  const many = (e.count ?? 1) > 1 ? `${e.count} × ` : '';
  const where = place && e.what !== 'putBack' ? ` (${placeSaid(plan, place)})` : '';
  const what =
    supply ||
    (e.what === 'labelled' && place ? placeSaid(plan, place) : '') ||
    (e.what === 'began' || e.what === 'ended' ? station : '');
  return `${DID[e.what]} ${many}${what}${supply ? where : ''}${e.words ? `, ${e.words}` : ''}`;
}
