import { inPeriod, periodsOf, type SlottingProblem } from './problem.ts';

/** A problem in flat arrays: options of lot l are optStart[l] … optStart[l + 1], cheapest first; only those that fit at all. */
export type Compiled = {
  lots: number;
  places: number;
  families: number;
  optStart: Int32Array;
  optPlace: Int32Array;
  optLot: Int32Array;
  optCost: Float64Array;
  optUse: Float64Array;
  /** option of lot l for place p at [l * places + p], or −1 */
  optionAt: Int32Array;
  weight: Float64Array;
  leave: Float64Array;
  capacity: Float64Array;
  load: Float64Array;
  /** families of lot l: lotFam[lotFamStart[l] … lotFamStart[l + 1]] */
  lotFamStart: Int32Array;
  lotFam: Int32Array;
  spread: Float64Array;
  /** with more than one period: what a place holds at [place * periods + t], what an option uses at [option * periods + t]; `capacity` and `optUse` are then their means */
  periods: number;
  capacityIn: Float64Array;
  useIn: Float64Array;
  /** charges that option o is under: optCharge[optChargeStart[o] … optChargeStart[o + 1]] */
  charges: number;
  optChargeStart: Int32Array;
  optCharge: Int32Array;
  chargeCost: Float64Array;
};

/** Rounding allowed when sums are compared with a capacity. */
export const SLACK = 1e-9;

/** Lots gone through between two chances to stop. */
const PIECE = 128;

/** A problem as flat arrays, in short pieces. */
export function* compiling(problem: SlottingProblem): Generator<void, Compiled> {
  const places = problem.places.length;
  const lots = problem.lots.length;
  const placeIndex = new Map(problem.places.map((p, i) => [p.id, i]));
  const lotIndex = new Map(problem.lots.map((l, i) => [l.id, i]));
  const optStart = new Int32Array(lots + 1);
  const periods = periodsOf(problem);
  const each = (x: number | readonly number[]) => Array.from({ length: periods }, (_, t) => inPeriod(x, t));
  const mean = (x: number | readonly number[]) =>
    typeof x === 'number' ? x : each(x).reduce((a, b) => a + b, 0) / periods;
  const goesIn = (use: number | readonly number[], capacity: number | readonly number[]) =>
    typeof use === 'number' && typeof capacity === 'number'
      ? use <= capacity + SLACK
      : each(use).every((u, t) => u <= inPeriod(capacity, t) + SLACK);
  const fitting = (lot: SlottingProblem['lots'][number]) =>
    lot.options
      .map((o) => ({ place: placeIndex.get(o.place)!, cost: o.cost, use: o.use }))
      .filter((o) => {
        const place = problem.places[o.place]!;
        return goesIn(o.use, place.capacity) && lot.weight <= place.load + SLACK;
      })
      .sort((a, b) => a.cost - b.cost || a.place - b.place);
  const kept: ReturnType<typeof fitting>[] = [];
  for (const [l, lot] of problem.lots.entries()) {
    if (l % PIECE === 0) yield;
    kept.push(fitting(lot));
    optStart[l + 1] = optStart[l]! + kept[l]!.length;
  }
  const n = optStart[lots]!;
  const c: Compiled = {
    lots,
    places,
    families: problem.families.length,
    optStart,
    optPlace: new Int32Array(n),
    optLot: new Int32Array(n),
    optCost: new Float64Array(n),
    optUse: new Float64Array(n),
    optionAt: new Int32Array(lots * places).fill(-1),
    weight: Float64Array.from(problem.lots, (l) => l.weight),
    leave: Float64Array.from(problem.lots, (l) => l.leave),
    capacity: Float64Array.from(problem.places, (p) => mean(p.capacity)),
    load: Float64Array.from(problem.places, (p) => p.load),
    lotFamStart: new Int32Array(lots + 1),
    lotFam: new Int32Array(problem.families.reduce((s, f) => s + f.lots.length, 0)),
    spread: Float64Array.from(problem.families, (f) => f.spread),
    periods,
    capacityIn: periods > 1 ? Float64Array.from(problem.places.flatMap((p) => each(p.capacity))) : new Float64Array(0),
    useIn: new Float64Array(periods > 1 ? n * periods : 0),
    charges: problem.charges.length,
    optChargeStart: new Int32Array(n + 1),
    optCharge: new Int32Array(0),
    chargeCost: Float64Array.from(problem.charges, (charge) => charge.cost),
  };
  for (const [l, options] of kept.entries()) {
    if (l % PIECE === 0) yield;
    for (const [k, o] of options.entries()) {
      const i = optStart[l]! + k;
      c.optPlace[i] = o.place;
      c.optLot[i] = l;
      c.optCost[i] = o.cost;
      c.optUse[i] = mean(o.use);
      if (periods > 1) c.useIn.set(each(o.use), i * periods);
      c.optionAt[l * places + o.place] = i;
    }
  }
  chargeOptions(c, problem, placeIndex, lotIndex);
  const memberOf: number[][] = Array.from({ length: lots }, () => []);
  problem.families.forEach((f, i) => f.lots.forEach((id) => memberOf[lotIndex.get(id)!]!.push(i)));
  let at = 0;
  memberOf.forEach((list, l) => {
    for (const f of list) c.lotFam[at++] = f;
    c.lotFamStart[l + 1] = at;
  });
  return c;
}

/** Notes for every option which charges it is under. */
function chargeOptions(
  c: Compiled,
  problem: SlottingProblem,
  placeIndex: ReadonlyMap<string, number>,
  lotIndex: ReadonlyMap<string, number>,
): void {
  const under: number[][] = [];
  for (const [k, { place, lots }] of problem.charges.entries()) {
    const p = placeIndex.get(place)!;
    for (const id of lots) {
      const o = c.optionAt[lotIndex.get(id)! * c.places + p]!;
      if (o >= 0) (under[o] ??= []).push(k);
    }
  }
  const flat: number[] = [];
  for (let o = 0; o < c.optPlace.length; o++) {
    flat.push(...(under[o] ?? []));
    c.optChargeStart[o + 1] = flat.length;
  }
  c.optCharge = Int32Array.from(flat);
}

/** Whether what two lots cost together is not what they cost one by one: a common family, or a charge that both may be under. */
export function tied(c: Compiled, a: number, b: number): boolean {
  return sharesFamily(c, a, b) || (c.charges > 0 && underCharge(c, a) && underCharge(c, b));
}

function underCharge(c: Compiled, l: number): boolean {
  return c.optChargeStart[c.optStart[l]!]! < c.optChargeStart[c.optStart[l + 1]!]!;
}

/** Whether two lots belong to a common family. */
function sharesFamily({ lotFam, lotFamStart }: Compiled, a: number, b: number): boolean {
  for (let i = lotFamStart[a]!; i < lotFamStart[a + 1]!; i++)
    for (let j = lotFamStart[b]!; j < lotFamStart[b + 1]!; j++) if (lotFam[i] === lotFam[j]) return true;
  return false;
}

/** Puts the options of every lot in order of cost plus what the room and load they take are worth, so that good ones are tried first; lot by lot, in short pieces. */
export function* orderingByWorth(c: Compiled, roomPrice: Float64Array, loadPrice: Float64Array): Generator<void, void> {
  for (let l = 0; l < c.lots; l++) {
    if (l % PIECE === 0) yield;
    const first = c.optStart[l]!;
    const options = Array.from({ length: c.optStart[l + 1]! - first }, (_, k) => {
      const o = first + k;
      const place = c.optPlace[o]!;
      const cost = c.optCost[o]!;
      const use = c.optUse[o]!;
      const useIn = c.useIn.slice(o * c.periods, (o + 1) * c.periods);
      const charges = c.optCharge.slice(c.optChargeStart[o]!, c.optChargeStart[o + 1]!);
      return {
        place,
        cost,
        use,
        useIn,
        charges,
        worth: cost + roomPrice[place]! * use + loadPrice[place]! * c.weight[l]!,
      };
    }).sort((a, b) => a.worth - b.worth || a.place - b.place);
    let charge = c.optChargeStart[first]!;
    options.forEach((option, k) => {
      if (c.periods > 1) c.useIn.set(option.useIn, (first + k) * c.periods);
      c.optCharge.set(option.charges, charge);
      charge += option.charges.length;
      c.optChargeStart[first + k + 1] = charge;
      c.optPlace[first + k] = option.place;
      c.optCost[first + k] = option.cost;
      c.optUse[first + k] = option.use;
      c.optionAt[l * c.places + option.place] = first + k;
    });
  }
}
