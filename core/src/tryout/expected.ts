import { type Plan, type Supply } from '../plan/index.ts';
import { needsOf, type Run } from './run.ts';
import { type Band, type Need } from './setting.ts';
import { NO_TOLL, plus, type Toll } from './toll.ts';

/** What a run asks for in the mean, worked out without playing it. */
export type Expected = {
  toll: Toll;
  /** fetches and seconds by band, 0 to 7; of fetching and bringing alone */
  byBand: { fetches: number; seconds: number }[];
  /** the dearest first */
  bySupply: { supply: Supply; fetches: number; seconds: number; band: Band }[];
  /** how often a hand goes to a place */
  visits: ReadonlyMap<string, number>;
};

/**
 * The mean of a run: what is brought, every fetch as often as it is made and from where, what is handed on.
 * @param month the session is in; null: over all months in which it is done
 */
export function expectedOf(run: Run, month: number | null = null): Expected {
  let toll = NO_TOLL;
  const byBand = Array.from({ length: 8 }, () => ({ fetches: 0, seconds: 0 }));
  const supplies = new Map<string, Expected['bySupply'][number]>();
  const visits = new Map<string, number>();
  const visit = (placeId: string, times: number) => visits.set(placeId, (visits.get(placeId) ?? 0) + times);
  const fetch = (need: Need, times: number) => {
    for (const source of need.sources) {
      const n = times * source.part;
      const both = plus(source.get, need.consumed ? NO_TOLL : source.back);
      toll = plus(toll, both, n);
      byBand[source.band]!.fetches += n;
      byBand[source.band]!.seconds += n * both.seconds;
      if (source.place) visit(source.place.id, n);
      const known = supplies.get(need.supply.id) ?? { supply: need.supply, fetches: 0, seconds: 0, band: source.band };
      known.fetches += n;
      known.seconds += n * both.seconds;
      if (source.band > known.band) known.band = source.band;
      supplies.set(need.supply.id, known);
    }
  };
  for (const { setting, steps, then } of run.legs) {
    for (const { band, toll: of, place } of setting.brought) {
      toll = plus(toll, of);
      byBand[band]!.fetches++;
      byBand[band]!.seconds += of.seconds;
      if (place) visit(place.id, 1);
    }
    if (steps) for (const { items } of steps) for (const { need, count } of items) fetch(need, count);
    else {
      for (const need of setting.needs) {
        const inMonth = need.months.length === 0 || (month !== null && need.months.includes(month));
        fetch(need, month === null ? need.times : inMonth ? need.inSeason : 0);
      }
      for (const hand of setting.handOns) toll = plus(toll, hand.toll, hand.times);
    }
    if (then) toll = plus(toll, then.toll);
  }
  return {
    toll,
    byBand,
    bySupply: [...supplies.values()].sort((a, b) => b.seconds - a.seconds || (a.supply.id < b.supply.id ? -1 : 1)),
    visits,
  };
}

/** What is fetched again and again from farther than a turn: the places, what of it, and what that comes to, the dearest first. */
export function againAndAgain(
  plan: Plan,
  run: Run,
): { placeId: string; times: number; seconds: number; supplies: string[] }[] {
  const places = new Map<string, { placeId: string; times: number; seconds: number; supplies: string[] }>();
  for (const leg of run.legs)
    for (const { need, times } of needsOf(leg))
      for (const source of need.sources) {
        if (!source.place || source.band < 4) continue;
        const id = source.place.id;
        const known = places.get(id) ?? { placeId: id, times: 0, seconds: 0, supplies: [] };
        known.times += times * source.part;
        known.seconds += times * source.part * (source.get.seconds + (need.consumed ? 0 : source.back.seconds));
        if (times > 0) known.supplies.push(need.supply.name);
        places.set(id, known);
      }
  return [...places.values()]
    .filter((p) => p.times >= AGAIN && plan.places[p.placeId])
    .sort((a, b) => b.seconds - a.seconds || (a.placeId < b.placeId ? -1 : 1));
}

/** So often in one session is again and again (own assumption). */
const AGAIN = 2;
