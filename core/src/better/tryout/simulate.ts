import { draw, keyOf, rounded } from './draw.ts';
import { type Gathering, gatherings, type Handled, handledIn, isWanted, returns } from './handled.ts';
import { type Run } from './run.ts';
import { handedIn, isTaken, natureOfSession, sourceIn, timesIn } from './session.ts';
import { type Band, type Need } from './setting.ts';
import { NO_TOLL, type Toll, TOLLS } from './toll.ts';

/** What is wanted in a month, and the loads in which it is got and brought back. */
type Play = { wanted: Handled[]; got: Gathering[][]; returned: Gathering[][] };

/** Many sessions: the mean and its 95 % interval, and between what nine of ten lie above and nine of ten below. */
export type Spread = { mean: Toll; half: Toll; p10: Toll; p90: Toll };
export type Simulated = Spread & {
  sessions: number;
  /** seconds of each session, as they were drawn */
  seconds: Float64Array;
  /** seconds of fetching and bringing by band, mean */
  byBand: number[];
};

/** How many sessions are played, from which draw, in which month (null: as they come). */
export type Playing = { sessions?: number; seed?: number; month?: number | null };

/** Half of a 95 % interval, in standard errors of a mean. */
const Z = 1.959964;

/** Plays many sessions of a run. Same seed, same draws; another plan with the same seed draws the same for what is the same. */
export function simulate(run: Run, { sessions = 400, seed = 1, month = null }: Playing = {}): Simulated {
  const columns = TOLLS.map(() => new Float64Array(sessions));
  const byBand = new Array<number>(8).fill(0);
  const row = new Float64Array(TOLLS.length);
  const add = (toll: Toll, times: number) => {
    for (let i = 0; i < TOLLS.length; i++) row[i]! += toll[TOLLS[i]!] * times;
  };
  const pay = (toll: Toll, band: Band | null, times = 1) => {
    add(toll, times);
    if (band !== null) byBand[band]! += times * toll.seconds;
  };
  const plays = run.legs.map((leg) => ({ leg, handled: handledIn(leg), known: new Map<number, Play>() }));
  for (let n = 0; n < sessions; n++) {
    row.fill(0);
    const drawn = { seed, session: n, month };
    const alone = (need: Need, k: number) => {
      const source = sourceIn(need, drawn, k);
      pay(source.get, source.band);
      if (!need.consumed) pay(source.back, source.band);
    };
    const together = (loads: readonly Gathering[][], which: 'get' | 'back') => {
      for (const load of loads) {
        let first = true;
        for (const one of load) {
          if (!isTaken(one, drawn)) continue;
          const { source } = one;
          pay(source[which], source.band);
          if (!first) pay(source.way, source.band, -1);
          first = false;
        }
      }
    };
    for (const { leg, handled, known } of plays) {
      const { setting, steps, then } = leg;
      for (const { band, toll } of setting.brought) pay(toll, band);
      const nature = natureOfSession(setting, drawn);
      // a recipe is as long as it is
      const size = steps === null ? nature.size : 1;
      let play = known.get(nature.month);
      if (!play) {
        const wanted = handled.filter((h) => isWanted(h, leg, nature.month));
        known.set(nature.month, (play = { wanted, got: gatherings(wanted), returned: returns(wanted) }));
      }
      together(play.got, 'get');
      together(play.returned, 'back');
      for (const one of play.wanted) {
        const { need, gathered, out } = one;
        if (gathered) {
          // what has no home is dug out by itself
          if (sourceIn(need, drawn, 0).band === 0) alone(need, 0);
        } else if (steps === null || out) for (let k = timesIn(one, drawn, size).gets - 1; k >= 0; k--) alone(need, k);
        if (steps === null && out) add(need.over, timesIn(one, drawn, size).hand);
      }
      if (steps !== null) {
        const of = new Map(play.wanted.map((h) => [h.need, h]));
        const before = new Map<Need, number>();
        for (const [i, { items }] of steps.entries())
          for (const { need, count } of items)
            for (let c = rounded(count, draw(seed, n, keyOf(need.supply.id), 2 * i + 1)); c > 0; c--) {
              const k = before.get(need) ?? 0;
              before.set(need, k + 1);
              if (of.get(need)!.out) add(need.over, 1);
              else alone(need, k);
            }
      } else for (const hand of setting.handOns) add(hand.toll, handedIn(hand, drawn));
      if (then) add(then.toll, 1);
    }
    for (let i = 0; i < TOLLS.length; i++) columns[i]![n] = row[i]!;
  }
  return { ...spreadOf(columns), sessions, seconds: columns[0]!, byBand: byBand.map((s) => s / sessions) };
}

function spreadOf(columns: readonly Float64Array[]): Spread {
  const out = { mean: { ...NO_TOLL }, half: { ...NO_TOLL }, p10: { ...NO_TOLL }, p90: { ...NO_TOLL } };
  for (const [i, key] of TOLLS.entries()) {
    const { mean, half } = meanOf(columns[i]!);
    out.mean[key] = mean;
    out.half[key] = half;
    const sorted = columns[i]!.slice().sort();
    out.p10[key] = sorted[Math.floor(0.1 * (sorted.length - 1))] ?? 0;
    out.p90[key] = sorted[Math.ceil(0.9 * (sorted.length - 1))] ?? 0;
  }
  return out;
}

/** Mean of some numbers with half its 95 % interval. */
function meanOf(list: Float64Array): { mean: number; half: number } {
  const n = list.length;
  let sum = 0;
  for (const x of list) sum += x;
  const mean = n > 0 ? sum / n : 0;
  let squares = 0;
  for (const x of list) squares += (x - mean) ** 2;
  return { mean, half: n > 1 ? Z * Math.sqrt(squares / (n - 1) / n) : 0 };
}

/** One run against another, session by session with the same draws: the mean difference of seconds (first less second) with half its 95 % interval. */
export function difference(a: Simulated, b: Simulated): { mean: number; half: number } {
  const n = Math.min(a.seconds.length, b.seconds.length);
  return meanOf(Float64Array.from({ length: n }, (_, i) => a.seconds[i]! - b.seconds[i]!));
}
