import { goesIn } from './compile.ts';
import { type SlottingTable } from './table.ts';

/** Rounds at most, and options looked at in all, so that large rooms are not priced for seconds. */
const ROUNDS = 300;
const LOOKS = 24_000_000;

export type Prices = {
  /** what a unit of each resource is worth in each place, seconds a year: worth[p * resources + r] */
  worth: Float64Array;
  /** what each lot pays at these prices in its best place, room included */
  pays: Float64Array;
  /** proven: no assignment costs less, families and charges left out */
  bound: number;
};

/**
 * Prices of room by a plain subgradient on the rows “no place holds more than it can” (Held, Wolfe and Crowder 1974, from memory): every lot takes its
 * best place at the prices, crowded places become dearer, empty ones cheaper. In short pieces; left unfinished nothing is priced.
 * @param target a total that can be had, for the length of the steps
 */
export function* pricing(t: SlottingTable, target: number): Generator<void, Prices> {
  const { resources } = t;
  const lots = t.lots.length;
  const rows = t.capacity.length;
  // only what goes in at all; what it takes as a share of the place, so that places of any size and measure move alike
  const start = new Int32Array(lots + 1);
  const place = new Int32Array(t.optPlace.length);
  const cost = new Float64Array(t.optPlace.length);
  const part = new Float64Array(t.optUse.length);
  let n = 0;
  for (let l = 0; l < lots; l++) {
    if (l % 128 === 0) yield;
    for (let o = t.optStart[l]!; o < t.optStart[l + 1]!; o++) {
      if (!goesIn(t, o)) continue;
      place[n] = t.optPlace[o]! * resources;
      cost[n] = t.optCost[o]!;
      for (let r = 0; r < resources; r++) {
        const capacity = t.capacity[place[n]! + r]!;
        part[n * resources + r] = capacity > 0 ? t.optUse[o * resources + r]! / capacity : 0;
      }
      n++;
    }
    start[l + 1] = n;
  }
  const price = new Float64Array(rows);
  const best: Prices = { worth: new Float64Array(rows), pays: new Float64Array(lots), bound: -Infinity };
  const pays = new Float64Array(lots);
  const over = new Float64Array(rows);
  const rounds = Math.max(30, Math.min(ROUNDS, Math.floor(LOOKS / Math.max(1, n))));
  let theta = 1;
  let waited = 0;
  const bestPrice = new Float64Array(rows);
  for (let round = 0; round < rounds; round++) {
    let value = 0;
    over.fill(-1);
    for (let i = 0; i < rows; i++) value -= price[i]!;
    for (let l = 0; l < lots; l++) {
      if (l % 512 === 0) yield;
      const leave = t.leave[l]!;
      const pick =
        resources === 2
          ? cheapestOfTwo(start[l]!, start[l + 1]!, leave, cost, place, part, price)
          : cheapest(start[l]!, start[l + 1]!, leave, cost, place, part, price, resources);
      let least = leave;
      if (pick >= 0) {
        least = cost[pick]!;
        for (let r = 0; r < resources; r++) {
          least += price[place[pick]! + r]! * part[pick * resources + r]!;
          over[place[pick]! + r]! += part[pick * resources + r]!;
        }
      }
      value += least;
      pays[l] = least;
    }
    if (value > best.bound) {
      if (value - best.bound > 1e-4 * Math.abs(value)) waited = 0;
      best.bound = value;
      best.pays.set(pays);
      bestPrice.set(price);
    }
    if (++waited > 8) {
      waited = 0;
      theta *= 0.6;
      price.set(bestPrice);
    }
    let norm = 0;
    for (let i = 0; i < rows; i++) if (over[i]! > 0 || price[i]! > 0) norm += over[i]! * over[i]!;
    if (norm < 1e-12 || theta < 1e-3) break;
    const step = (theta * Math.max(target - value, 1e-4 * Math.abs(target))) / norm;
    for (let i = 0; i < rows; i++) price[i] = Math.max(0, price[i]! + step * over[i]!);
  }
  for (let i = 0; i < rows; i++) best.worth[i] = t.capacity[i]! > 0 ? bestPrice[i]! / t.capacity[i]! : 0;
  return best;
}

/** The option of a lot that is cheapest at the prices of room and load; −1: none is cheaper than staying without a home. */
function cheapestOfTwo(
  from: number,
  to: number,
  leave: number,
  cost: Float64Array,
  place: Int32Array,
  part: Float64Array,
  price: Float64Array,
): number {
  let pick = -1;
  let least = leave;
  for (let o = from; o < to; o++) {
    const p = place[o]!;
    const v = cost[o]! + price[p]! * part[2 * o]! + price[p + 1]! * part[2 * o + 1]!;
    if (v < least) {
      least = v;
      pick = o;
    }
  }
  return pick;
}

function cheapest(
  from: number,
  to: number,
  leave: number,
  cost: Float64Array,
  place: Int32Array,
  part: Float64Array,
  price: Float64Array,
  resources: number,
): number {
  let pick = -1;
  let least = leave;
  for (let o = from; o < to; o++) {
    let v = cost[o]!;
    for (let r = 0; r < resources; r++) v += price[place[o]! + r]! * part[o * resources + r]!;
    if (v < least) {
      least = v;
      pick = o;
    }
  }
  return pick;
}
