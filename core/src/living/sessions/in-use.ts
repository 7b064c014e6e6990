import { pieceOf } from '../../things/fit/index.ts';
import { groupedBy, isElsewhere, type Plan, type Station, type Supply, type Use } from '../../record/plan/index.ts';
import { hasHolder, tableRoom } from './table.ts';

/** What a session asks for so surely that it is got together at the beginning: in so many sessions of one (own assumption). */
export const SURE = 0.8;
/** What two hands, a tray or a box carry at once: g and mm³ (own assumption: 2 kg, 8 l). */
export const LOAD = { mass: 2000, volume: 8e6 };
/** What is not measured covers so much of a table, mm² (own assumption). */
const UNKNOWN_AREA = 100 * 60;

/** Why something does not lie out between two reaches. */
export type WhyBack = 'seldom' | 'at once' | 'no holder' | 'no room';

/** One thing as a session at a station uses it. */
export type InUse = {
  supplyId: string;
  /** how often the hand goes to it in a session of its months, as its maker says */
  reaches: number;
  /** sessions a year at this station in which it is wanted */
  sessions: number;
  /** each reach takes at least one piece that is then used up */
  consumed: boolean;
  /** null: it lies out from the first reach to the last; else it goes back each time, and why (what is used up is brought in one go even so) */
  back: WhyBack | null;
  /** walks to its home in a session: one where it lies out (more where what is used up is more than a load), else one a reach */
  walks: number;
  /** of these the one that is made for all that is got together at the beginning; what is too much for one load is not */
  gathered: number;
  /** what it covers of a table, mm² */
  area: number;
};

/** Whether a thing lies by the hand between two reaches: on the table, or, while it is being used up, beside it. */
export const liesOut = ({ back, consumed }: Pick<InUse, 'back' | 'consumed'>): boolean =>
  back === null || (consumed && back === 'no room');

/** Each reach takes at least one piece that is then used up, so nothing is put back. */
export function consumedPerFetch(use: { fetches: number; usedUp: number }): boolean {
  return use.usedUp >= use.fetches && use.fetches > 0;
}

const usesByActivity = groupedBy<Use>((u) => u.activityId);
const stationsByActivity = groupedBy<Station>((s) => s.activityId);

/**
 * Sessions a year at one station: those of its activity are shared evenly among its stations; who comes to what others do comes as often as is said of her,
 * beside theirs. In these months only, where any are given.
 */
export function sessionsAt(plan: Plan, station: Station, months: readonly number[] = []): number {
  const activity = plan.activities[station.activityId];
  if (!activity) return 0;
  const done = months.length === 0 ? activity.months : activity.months.filter((m) => months.includes(m));
  if (station.comes !== null) return station.comes * done.length;
  const sharing = stationsByActivity(plan.stations, activity.id).filter((s) => s.comes === null);
  return (activity.sessionsPerMonth * done.length) / Math.max(1, sharing.length);
}

/** Sessions a year of an activity, of all who do it, in this room or elsewhere; as its maker says while it has no seat. In these months only, where any are given. */
export function sessionsOf(plan: Plan, activityId: string, months: readonly number[] = []): number {
  const seats = stationsByActivity(plan.stations, activityId);
  if (seats.some((s) => s.comes !== null)) return seats.reduce((sum, s) => sum + sessionsAt(plan, s, months), 0);
  const activity = plan.activities[activityId];
  if (!activity) return 0;
  const done = months.length === 0 ? activity.months : activity.months.filter((m) => months.includes(m));
  return activity.sessionsPerMonth * done.length;
}

/**
 * The months of a station’s activity parted by what is wanted in them: sessions a year of each part, and what it asks for.
 * @param things each with its months; none: wanted in all of them
 */
export function inMonths<T extends { months: readonly number[] }>(
  plan: Plan,
  station: Station,
  things: readonly T[],
): { sessions: number; wanted: T[] }[] {
  if (things.every((t) => t.months.length === 0)) return [{ sessions: sessionsAt(plan, station), wanted: [...things] }];
  const parts = new Map<string, { sessions: number; wanted: T[] }>();
  for (const month of plan.activities[station.activityId]?.months ?? []) {
    const wanted = things.filter((t) => t.months.length === 0 || t.months.includes(month));
    const key = things.map((t) => (wanted.includes(t) ? 1 : 0)).join('');
    const part = parts.get(key) ?? { sessions: 0, wanted };
    part.sessions += sessionsAt(plan, station, [month]);
    parts.set(key, part);
  }
  return [...parts.values()];
}

/** What a thing covers of a table, mm²: one of it as it lies, or its pile. */
export function areaInUse(supply: Supply): number {
  const piece = pieceOf(supply);
  return piece ? piece.width * piece.depth : UNKNOWN_AREA;
}

/** Of one piece, mm³; of what is not measured: none. */
export function volumeOf(supply: Supply): number {
  const piece = pieceOf(supply);
  return piece ? piece.width * piece.depth * piece.height : 0;
}

/** How many loads so many pieces are. */
export function loadsOf(supply: Supply, pieces: number): number {
  const volume = volumeOf(supply);
  return Math.max(1, Math.ceil(Math.max((pieces * supply.mass) / LOAD.mass, (pieces * volume) / LOAD.volume) - 1e-9));
}

type Known = {
  of: Pick<Plan, 'uses' | 'supplies' | 'activities' | 'stations'>;
  leaving: string;
  room: number;
  holder: boolean;
  uses: InUses;
};
const known = new WeakMap<Station, Known>();

/** What a session at a station uses, by supply. */
export type InUses = ReadonlyMap<string, Readonly<InUse>>;

const sameUses = (a: InUses, b: InUses): boolean =>
  a.size === b.size &&
  [...a].every(([id, one]) => {
    const other = b.get(id);
    return other !== undefined && (Object.keys(one) as (keyof InUse)[]).every((k) => one[k] === other[k]);
  });

const ofPlans = new WeakMap<object, ReadonlyMap<string, InUses>>();

/** The same for every station, by its id; the same value as long as nothing of it changes. */
export function inUseIn(plan: Plan): ReadonlyMap<string, InUses> {
  let all = ofPlans.get(plan);
  if (all) return all;
  const before = ofPlans.get(plan.stations);
  all = new Map(Object.values(plan.stations).map((s) => [s.id, inUseAt(plan, s)]));
  if (before && before.size === all.size && [...all].every(([id, uses]) => before.get(id) === uses)) all = before;
  ofPlans.set(plan, all);
  ofPlans.set(plan.stations, all);
  return all;
}

/** Whether what is got out lies by the hand until done, at a station; what is carried out of the room does. */
export const leavesOut = (plan: Plan, station: Station): boolean =>
  isElsewhere(plan, station) || (plan.activities[station.activityId]?.leaving ?? plan.head.leaving) === 'untilDone';

/**
 * What a session at a station uses, by supply: what lies out from the beginning to the end, and what goes back each time. What saves most for the room
 * it covers lies out first: the most reaches on the least of the table, up to the first there is no room for, so that more room never lays out less. It
 * does not depend on where things live.
 */
function inUseAt(plan: Plan, station: Station): InUses {
  const uses = usesByActivity(plan.uses, station.activityId);
  const leaving = leavesOut(plan, station) ? 'untilDone' : 'atOnce';
  // there is room elsewhere, or there is not: this room does not know
  const elsewhere = isElsewhere(plan, station);
  const room = elsewhere ? Infinity : leaving === 'untilDone' ? tableRoom(plan, station).room : 0;
  const sharp = !elsewhere && leaving === 'untilDone' && uses.some((u) => wantsHolder(plan.supplies[u.supplyId]));
  const holder = elsewhere || (sharp && hasHolder(plan, station));
  const last = known.get(station);
  if (
    last?.of.uses === plan.uses &&
    last.of.supplies === plan.supplies &&
    last.of.activities === plan.activities &&
    last.of.stations === plan.stations &&
    last.leaving === leaving &&
    last.room === room &&
    last.holder === holder
  )
    return last.uses;
  const out = usesWith(plan, station, room, holder);
  const same = last && sameUses(last.uses, out) ? last.uses : out;
  known.set(station, { of: plan, leaving, room, holder, uses: same });
  return same;
}

/** The same with so much room on the table, mm². */
function usesWith(plan: Plan, station: Station, room: number, holder: boolean): InUses {
  const uses = usesByActivity(plan.uses, station.activityId);
  const leaving = leavesOut(plan, station);
  const out = new Map<string, InUse>();
  const asking: { one: InUse; supply: Supply }[] = [];
  for (const use of uses) {
    const supply = plan.supplies[use.supplyId];
    // what is retired waits behind what is in use: nothing fetches it any more
    if (!supply || supply.life === 'retired') continue;
    const one: InUse = {
      ...{
        supplyId: supply.id,
        reaches: use.fetches,
        sessions: sessionsAt(plan, station, supply.months),
        walks: use.fetches,
      },
      ...{ consumed: consumedPerFetch(use), gathered: 0, area: areaInUse(supply), back: null },
    };
    out.set(supply.id, one);
    one.back =
      use.fetches < SURE ? 'seldom' : !leaving ? 'at once' : wantsHolder(supply) && !holder ? 'no holder' : null;
    if (one.back === null) asking.push({ one, supply });
  }
  // half a reach is what getting it out costs (own assumption)
  const worth = (u: InUse) => (u.reaches - 0.5) / u.area;
  asking.sort((a, b) => worth(b.one) - worth(a.one) || (a.supply.id < b.supply.id ? -1 : 1));
  let left = room;
  // flat things lie on each other: their pile covers what the largest of them does
  let pile = 0;
  for (const { one, supply } of asking) {
    const more = LIE_IN_PILE.includes(supply.form) ? Math.max(0, one.area - pile) : one.area;
    if (more > left) {
      // what is larger than all the room there is keeps nothing else from it
      if (more <= room) left = 0;
      one.back = 'no room';
      // what is used up comes in one go all the same
      if (!one.consumed) continue;
    } else left -= more;
    if (one.back === null && LIE_IN_PILE.includes(supply.form)) pile = Math.max(pile, one.area);
    const pieces = one.consumed ? one.reaches : 1;
    const loads = loadsOf(supply, pieces);
    one.walks = one.consumed ? Math.max(1, Math.min(one.reaches, loads)) : 1;
    one.gathered = loads === 1 ? 1 : 0;
  }
  return out;
}

/** How many walks a year a thing costs by standing on a worktop all the time: what it takes of the room for what else would lie out there. */
export function walksForStanding(plan: Plan, supply: Supply, unitId: string): number {
  const area = areaInUse(supply);
  let more = 0;
  for (const station of Object.values(plan.stations)) {
    if (station.unitId !== unitId || !leavesOut(plan, station)) continue;
    const { room } = tableRoom(plan, station);
    const now = inUseIn(plan).get(station.id)!;
    const holder = [...now.values()].every((u) => u.back !== 'no holder');
    // where it is used it would lie there in any case
    const own = now.get(supply.id)?.back === null ? area : 0;
    const then = usesWith(plan, station, Math.max(0, room - area + own), holder);
    for (const [id, use] of then) {
      if (id !== supply.id) more += use.sessions * (use.walks - now.get(id)!.walks);
    }
  }
  return Math.max(0, more);
}

/** Flat and soft things are laid on each other (own assumption). */
export const LIE_IN_PILE: readonly Supply['form'][] = ['sheet', 'pocket', 'soft'];
/** Blades of these forms are bare; in a box or a card they are not (own assumption). */
const BARE: readonly Supply['form'][] = ['stick', 'long', 'machine'];

/** Bare blades and hot things do not lie about on a table: they want something that holds them. */
const wantsHolder = (supply: Supply | undefined): boolean =>
  supply !== undefined &&
  (supply.hazards.includes('hot') || (supply.hazards.includes('blade') && BARE.includes(supply.form)));
