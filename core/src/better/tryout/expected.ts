import { type Plan, type Supply } from '../../record/plan/index.ts';
import { loadShares } from '../../living/sessions/index.ts';
import { gatherings, handledIn, type Handled, isWanted, returns, walksIn } from './handled.ts';
import { type Leg, type Run } from './run.ts';
import { type Band, type Need } from './setting.ts';
import { NO_TOLL, plus, type Toll } from './toll.ts';

/** What a run asks for in the mean, worked out without playing it. */
export type Expected = {
  toll: Toll;
  /** walks to homes and their seconds by band, 0 to 7; with what is brought */
  byBand: { fetches: number; seconds: number }[];
  /** reaches over the table for what lies out */
  over: { reaches: number; seconds: number };
  /** the dearest first */
  bySupply: { supply: Supply; fetches: number; reaches: number; seconds: number; band: Band }[];
  /** how often a hand goes to a place */
  visits: ReadonlyMap<string, number>;
};

/** The months a leg is played in, parted by what is wanted in them, each with its share of the sessions. */
function partsOf(leg: Leg, handled: readonly Handled[], month: number | null): { share: number; wanted: Handled[] }[] {
  const { months } = leg.setting.activity;
  const all =
    leg.steps !== null || (month === null && months.length === 0) ? [null] : month === null ? months : [month];
  const parts = new Map<string, { share: number; wanted: Handled[] }>();
  for (const m of all) {
    const wanted = handled.filter((h) => isWanted(h, leg, m));
    const key = handled.map((h) => (wanted.includes(h) ? 1 : 0)).join('');
    const part = parts.get(key) ?? { share: 0, wanted };
    part.share += 1 / all.length;
    parts.set(key, part);
  }
  return [...parts.values()];
}

/**
 * The mean of a run: what is brought, what is got together and brought back, every other walk as often as it is made and from where, every reach over the
 * table, what is handed on.
 * @param month the session is in; null: over all months in which it is done
 */
export function expectedOf(run: Run, month: number | null = null): Expected {
  let toll = NO_TOLL;
  const byBand = Array.from({ length: 8 }, () => ({ fetches: 0, seconds: 0 }));
  const over = { reaches: 0, seconds: 0 };
  const supplies = new Map<string, Expected['bySupply'][number]>();
  const visits = new Map<string, number>();
  const visit = (placeId: string, times: number) => visits.set(placeId, (visits.get(placeId) ?? 0) + times);
  const pay = (need: Need, band: Band, of: Toll, times: number) => {
    toll = plus(toll, of, times);
    const known = supplies.get(need.supply.id) ?? { supply: need.supply, fetches: 0, reaches: 0, seconds: 0, band };
    known.seconds += times * of.seconds;
    if (band > known.band) known.band = band;
    supplies.set(need.supply.id, known);
    return known;
  };
  const fetches = ({ need, gathered, walks }: Handled, share: number) => {
    for (const source of need.sources) {
      const n = share * source.part * (gathered ? 1 : walks);
      const alone = source.band === 0 || !gathered;
      const get = alone ? source.get : plus(source.get, source.way, -1);
      const back =
        need.consumed || source.band === 0 ? NO_TOLL : alone ? source.back : plus(source.back, source.way, -1);
      const both = plus(get, back);
      pay(need, source.band, both, n).fetches += n;
      byBand[source.band]!.fetches += n;
      byBand[source.band]!.seconds += n * both.seconds;
      if (source.place) visit(source.place.id, n);
    }
  };
  const gather = (handled: readonly Handled[], share: number) => {
    for (const load of [...gatherings(handled), ...returns(handled)]) {
      let none = share;
      for (const { source, part } of load) {
        toll = plus(toll, source.way, part * none);
        byBand[source.band]!.seconds += part * none * source.way.seconds;
        none *= 1 - part;
      }
      for (const [{ need }, seconds] of loadShares(load)) supplies.get(need.supply.id)!.seconds += share * seconds;
    }
  };
  for (const leg of run.legs) {
    const { setting, then } = leg;
    for (const { band, toll: of, place } of setting.brought) {
      toll = plus(toll, of);
      byBand[band]!.fetches++;
      byBand[band]!.seconds += of.seconds;
      if (place) visit(place.id, 1);
    }
    for (const { share, wanted } of partsOf(leg, handledIn(leg), month)) {
      for (const one of wanted) {
        fetches(one, share);
        if (!one.out || setting.elsewhere) continue;
        const n = share * one.reaches;
        pay(one.need, one.need.sources[0]!.band, one.need.over, n).reaches += n;
        over.reaches += n;
        over.seconds += n * one.need.over.seconds;
      }
      gather(wanted, share);
    }
    if (!leg.steps) for (const hand of setting.handOns) toll = plus(toll, hand.toll, hand.times);
    if (then) toll = plus(toll, then.toll);
  }
  return {
    ...{ toll, byBand, over, visits },
    bySupply: [...supplies.values()].sort((a, b) => b.seconds - a.seconds || (a.supply.id < b.supply.id ? -1 : 1)),
  };
}

/** What is walked to again and again from farther than a turn: the places, what of it, and what that comes to, the dearest first. */
export function againAndAgain(
  plan: Plan,
  run: Run,
): { placeId: string; times: number; seconds: number; supplies: string[] }[] {
  const places = new Map<string, { placeId: string; times: number; seconds: number; supplies: string[] }>();
  for (const leg of run.legs)
    for (const { handled, source, times } of walksIn(plan, leg)) {
      if (!source.place || source.band < 4) continue;
      const { need } = handled;
      const id = source.place.id;
      const known = places.get(id) ?? { placeId: id, times: 0, seconds: 0, supplies: [] };
      known.times += times;
      known.seconds += times * (source.get.seconds + (need.consumed ? 0 : source.back.seconds));
      if (times > 0) known.supplies.push(need.supply.name);
      places.set(id, known);
    }
  return [...places.values()]
    .filter((p) => p.times >= AGAIN && plan.places[p.placeId])
    .sort((a, b) => b.seconds - a.seconds || (a.placeId < b.placeId ? -1 : 1));
}

/** So often in one session is again and again (own assumption). */
const AGAIN = 2;
