import { type Place, type Plan, type Station, type Supply, type Unit } from '../../record/plan/index.ts';
import { gatherings, handledIn, isWanted, returns } from './handled.ts';
import { runAt } from './run.ts';
import { type Band } from './setting.ts';

/** One unit of a gathering walk: what is got there together, and what that takes, s. */
export type ReadyStop = {
  unit: Unit;
  seconds: number;
  things: { supply: Supply; place: Place; band: Band; pieces: number }[];
};

/** What is got together for a session at a station, in the order in which it is walked. */
export type Ready = {
  /** boxes and carts that come to the seat with all that is in them, and what bringing them and taking them away takes, s */
  brought: { id: string; name: string; place: Place | null; seconds: number }[];
  stops: ReadyStop[];
  /** got by itself: too much for one load with others */
  alone: { supply: Supply; place: Place; band: Band; pieces: number }[];
  /** surely wanted, and has no home */
  homeless: Supply[];
  /** of all that is got, s, without what is brought */
  seconds: number;
  /** things brought back at the end, and what that takes, s */
  back: { things: number; seconds: number };
};

/**
 * What a session at a station surely wants, got together at its beginning: unit by unit, those nearest first; in each the farthest in first.
 * @param month of the session, 1 to 12
 * @returns null while nobody works there
 */
export function readyFor(plan: Plan, station: Station, month: number): Ready | null {
  const run = runAt(plan, station);
  const [leg] = run?.legs ?? [];
  if (!leg) return null;
  const brought = leg.setting.brought.map(({ name, place, toll }) => ({
    id: place?.id ?? station.travellerId ?? name,
    name,
    place,
    seconds: toll.seconds,
  }));
  const comes = new Set(brought.map((b) => b.id));
  /** what is in a box or cart that is brought comes with it */
  const withIt = (place: Place | null): boolean => {
    for (let p = place ?? undefined; p; p = p.inId === null ? undefined : plan.places[p.inId])
      if (comes.has(p.id) || comes.has(p.unitId)) return true;
    return false;
  };
  const wanted = handledIn(leg).filter((h) => h.out && isWanted(h, leg, month) && !withIt(mainSource(h.need).place));
  const stops = new Map<string, ReadyStop>();
  let seconds = 0;
  const taken = new Set<string>();
  for (const load of gatherings(wanted)) {
    // of several homes of one thing the one most of it is fetched from
    const mine = load.filter((one) => mainSource(one.need) === one.source);
    for (const [i, { need, source, pieces }] of mine.entries()) {
      const place = source.place!;
      const stop = stops.get(place.unitId) ?? { unit: plan.units[place.unitId]!, seconds: 0, things: [] };
      stops.set(place.unitId, stop);
      const own = source.get.seconds - (i === 0 ? 0 : source.way.seconds);
      stop.seconds += own;
      seconds += own;
      stop.things.push({ supply: need.supply, place, band: source.band, pieces });
      taken.add(need.supply.id);
    }
  }
  const alone: Ready['alone'] = [];
  const homeless: Supply[] = [];
  for (const { need, walks } of wanted) {
    if (taken.has(need.supply.id)) continue;
    const source = mainSource(need);
    if (!source.place || source.band === 0) {
      homeless.push(need.supply);
      continue;
    }
    const { supply } = need;
    seconds += source.get.seconds * walks;
    alone.push({
      supply,
      place: source.place,
      band: source.band,
      pieces: need.consumed ? Math.ceil(need.inSeason) : 1,
    });
  }
  let backSeconds = 0;
  let backThings = 0;
  for (const load of returns(wanted)) {
    const mine = load.filter((one) => mainSource(one.need) === one.source);
    for (const [i, { source }] of mine.entries())
      backSeconds += source.back.seconds - (i === 0 ? 0 : source.way.seconds);
    backThings += mine.length;
  }
  return {
    brought,
    stops: [...stops.values()],
    alone,
    homeless,
    seconds,
    back: { things: backThings, seconds: backSeconds },
  };
}

const mainSource = ({ sources }: { sources: readonly { part: number }[] }) =>
  sources.reduce((a, b) => (b.part > a.part ? b : a)) as ReturnType<typeof gatherings>[number][number]['source'];
