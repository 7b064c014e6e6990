import { isElsewhere, type Plan, type Share, type Station, type Supply, usesOf } from '../../record/plan/index.ts';
import { handlingOf, overTable } from '../../space/reach/index.ts';
import { consumedPerFetch, inUseIn, liesOut, sessionsAt, sessionsOf } from '../sessions/index.ts';

/** How one station uses a share of a supply in a year. */
export type YearlyUse = {
  station: Station;
  /** walks to its home */
  fetches: number;
  /** of these on the way that is made once a session for all that is got together */
  gathered: number;
  /** reaches for it over the table, where it lies out */
  reaches: number;
  /** sessions in which it is surely wanted, where it goes back each time only for want of room on the table: from outside the room it is brought once */
  onceFromAway: number;
  consumed: boolean;
};

/** Walks a year to a home, and how many of them are made together with others: what is kept outside the room is brought once a session, and stays. */
export function walksTo(
  { fetches, gathered, onceFromAway }: YearlyUse,
  band: number | null,
): { fetches: number; gathered: number } {
  const once = band === AWAY && onceFromAway > 0;
  return once ? { fetches: onceFromAway, gathered: onceFromAway } : { fetches, gathered };
}
const AWAY = 7;

/** Pieces that are taken on a walk: of what is used up all that a session wants. */
export const piecesAtOnce = ({ consumed, reaches, fetches }: YearlyUse): number =>
  consumed && reaches > fetches && fetches > 0 ? reaches / fetches : 1;

/** A thing no activity names is still handled so often a year: dusted, looked for, lent (own assumption). */
export const IDLE_FETCHES = 2;
/** What rests out of its season is put away and got out so often a year. */
const CHANGES = 1;
/** A reserve is opened so often a year unless what is used up tells more (own assumption). */
export const RESERVE_FETCHES = 3;

/**
 * How often a year the hand goes to something in an activity: so often a session × sessions a month × months it is done in.
 * @param months in which the thing is wanted; none: in all of them
 */
export function fetchesPerYear(
  plan: Plan,
  activityId: string,
  fetches: number,
  months: readonly number[] = [],
): number {
  return fetches * sessionsOf(plan, activityId, months);
}

const sorted = new WeakMap<object, Station[]>();
/** The stations of a plan in order of id; computed once per set of stations. */
function stationsOf(plan: Pick<Plan, 'stations'>): readonly Station[] {
  let list = sorted.get(plan.stations);
  if (!list) {
    list = Object.values(plan.stations).sort((a, b) => (a.id < b.id ? -1 : 1));
    sorted.set(plan.stations, list);
  }
  return list;
}

/** Walks that no session makes. */
const alone = (station: Station, fetches: number, consumed: boolean): YearlyUse => ({
  ...{ station, fetches, consumed, gathered: 0, reaches: 0, onceFromAway: 0 },
});

/** How often a year a hand goes to something, over the table or to its home. */
const hands = ({ fetches, reaches }: YearlyUse): number => Math.max(fetches, reaches);

/**
 * Who uses a share of a supply and how often a year it is walked to, by station in order of id. An activity with several stations is shared evenly among them; what
 * rests and what is in reserve is fetched by who uses the thing most. Empty while the plan has no station.
 */
export function yearlyUses(plan: Plan, supply: Supply, share: Share): YearlyUse[] {
  const stations = stationsOf(plan);
  if (stations.length === 0) return [];
  const out: YearlyUse[] = [];
  let usedUp = 0;
  for (const use of supply.life === 'retired' ? [] : usesOf(plan, supply.id)) {
    usedUp += fetchesPerYear(plan, use.activityId, use.usedUp, supply.months);
    for (const station of stations) {
      if (station.activityId !== use.activityId) continue;
      const inUse = inUseIn(plan).get(station.id)?.get(supply.id);
      // a copy of a plan may be asked about a supply it has otherwise
      const sessions = inUse?.sessions ?? sessionsAt(plan, station, supply.months);
      if (sessions * use.fetches <= 0) continue;
      out.push({
        station,
        fetches: sessions * (inUse?.walks ?? use.fetches),
        gathered: sessions * (inUse?.gathered ?? 0),
        reaches: inUse && liesOut(inUse) ? sessions * use.fetches : 0,
        onceFromAway: inUse?.back === 'no room' && !liesOut(inUse) ? sessions : 0,
        consumed: consumedPerFetch(use),
      });
    }
  }
  // in an order that does not depend on the one in which uses were told
  out.sort((a, b) => (a.station.id < b.station.id ? -1 : 1));
  const most = out.reduce<YearlyUse | null>((a, b) => (a === null || hands(b) > hands(a) ? b : a), null);
  const whose = most?.station ?? stations[0]!;
  if (share === 'resting') return [alone(whose, CHANGES, false)];
  if (share === 'backstock') {
    const refills = usedUp > 0 && supply.working > 0 ? Math.max(1, usedUp / supply.working) : RESERVE_FETCHES;
    return [alone(whose, Math.min(refills, 52), true)];
  }
  return out.length > 0 ? out : [alone(stations[0]!, IDLE_FETCHES, false)];
}

/** How often a year a hand goes to a share, wherever it then lies: over the table or to its home. */
export const handsPerYear = (uses: readonly YearlyUse[]): number => uses.reduce((sum, u) => sum + hands(u), 0);

/** Reaching over the tables of this room for what lies out, s a year: the same wherever things live. */
export function reachingPerYear(plan: Plan): number {
  let sum = 0;
  for (const [id, uses] of inUseIn(plan)) {
    const station = plan.stations[id];
    if (station && isElsewhere(plan, station)) continue;
    for (const use of uses.values())
      if (liesOut(use))
        sum += use.sessions * use.reaches * overTable(handlingOf(plan.supplies[use.supplyId]!, 1, use.consumed));
  }
  return sum;
}

/** Of things thrown together so many are moved aside at most before one has the right one (own assumption). */
const MOST_RUMMAGED = 3;

/** How many of the others are moved aside on the whole where things are thrown together: half of them. */
export const rummagedAmong = (jumble: boolean, kinds: number): number =>
  jumble ? Math.min(MOST_RUMMAGED, Math.floor(kinds / 2)) : 0;
