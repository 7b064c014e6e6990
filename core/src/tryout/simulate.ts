import { handedIn, natureOfSession, sourceIn, timesIn } from './session.ts';
import { draw, keyOf, rounded } from './draw.ts';
import { type Run } from './run.ts';
import { type Need, type Source } from './setting.ts';
import { NO_TOLL, type Toll, TOLLS } from './toll.ts';

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
  for (let n = 0; n < sessions; n++) {
    row.fill(0);
    const drawn = { seed, session: n, month };
    const fetch = (need: Need, source: Source) => {
      const back = need.consumed ? NO_TOLL : source.back;
      add(source.get, 1);
      add(back, 1);
      byBand[source.band]! += source.get.seconds + back.seconds;
    };
    for (const { setting, steps, then } of run.legs) {
      for (const { band, toll } of setting.brought) {
        add(toll, 1);
        byBand[band]! += toll.seconds;
      }
      if (steps === null) {
        const nature = natureOfSession(setting, drawn);
        for (const need of setting.needs)
          for (let k = timesIn(need, drawn, nature.month, nature.size) - 1; k >= 0; k--)
            fetch(need, sourceIn(need, drawn, k));
        for (const hand of setting.handOns) add(hand.toll, handedIn(hand, drawn));
      } else {
        const before = new Map<Need, number>();
        for (const [i, { items }] of steps.entries())
          for (const { need, count } of items)
            for (let c = rounded(count, draw(seed, n, keyOf(need.supply.id), 2 * i + 1)); c > 0; c--) {
              const k = before.get(need) ?? 0;
              before.set(need, k + 1);
              fetch(need, sourceIn(need, drawn, k));
            }
      }
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
