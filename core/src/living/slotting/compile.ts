import { Random } from './random.ts';
import { groups, LOAD, type SlottingTable } from './table.ts';

/**
 * What the search works on: options of each lot that fit at all, in the order of what they are worth, *no home* among them as an option of the place
 * beyond the last, which holds everything; which families and charges touch what.
 */
export type Compiled = {
  lots: number;
  /** without the place beyond the last */
  places: number;
  resources: number;
  families: number;
  charges: number;
  capacity: Float64Array;
  optStart: Int32Array;
  optPlace: Int32Array;
  optLot: Int32Array;
  optCost: Float64Array;
  optUse: Float64Array;
  /** of each option: the room it takes in the first period, and its load */
  room: Float64Array;
  weight: Float64Array;
  /** option of lot l for place p at [l * (places + 1) + p], or −1 */
  optionAt: Int32Array;
  /** the option of each lot that is no home */
  noHome: Int32Array;
  lotFamStart: Int32Array;
  lotFam: Int32Array;
  famStart: Int32Array;
  famLot: Int32Array;
  spread: Float64Array;
  /** of each place, the first of its row, and how many are in it */
  rowOf: Int32Array;
  inRow: Int32Array;
  /** charges that option o is under: optCharge[optChargeStart[o] … optChargeStart[o + 1]] */
  optChargeStart: Int32Array;
  optCharge: Int32Array;
  chargeStart: Int32Array;
  chargeLot: Int32Array;
  chargePlaceStart: Int32Array;
  chargePlace: Int32Array;
  chargeCost: Float64Array;
  /** whether any board sags; of each place: what it costs, and the load left below which it does (without the rounding allowed) */
  sags: boolean;
  sagCost: Float64Array;
  sagBelow: Float64Array;
  /** whether names cost anything anywhere; of each place: what every name beyond the first costs */
  mixes: boolean;
  mixCost: Float64Array;
  /** of each lot its sort: lots of the same concepts are of one; of each sort its concepts */
  sortOf: Int32Array;
  conceptsOf: readonly (readonly number[])[];
  /** of each concept its lots: which are mates */
  conceptStart: Int32Array;
  conceptLot: Int32Array;
  lotConceptStart: Int32Array;
  lotConcept: Int32Array;
  /** of each sort a random number: their sum tells which sorts a place has */
  mark: Float64Array;
  /** whether anything must be apart; of each lot: its bits, and those it cannot be with; of each place: the bits that count */
  parts: boolean;
  apartOf: Int32Array;
  apartFrom: Int32Array;
  apartAt: Int32Array;
};

/** Rounding allowed when sums are compared with a capacity. */
export const SLACK = 1e-9;

/** A board does not sag by so much more, g: the rounding of sums. */
const SAG_SLACK = 1e-6;

/** Lots gone through between two chances to stop. */
const PIECE = 64;

/** Whether an option goes into its place when that is empty. */
export function goesIn(t: SlottingTable, o: number): boolean {
  const { resources, capacity, optUse } = t;
  const p = t.optPlace[o]!;
  for (let r = 0; r < resources; r++)
    if (optUse[o * resources + r]! > capacity[p * resources + r]! + SLACK) return false;
  return true;
}

/**
 * Compiles a table, in short pieces.
 * @param worth what room is worth in each place, per resource: options come in order of cost plus the room they take
 */
export function* compiling(t: SlottingTable, worth: Float64Array): Generator<void, Compiled> {
  const { resources } = t;
  const lots = t.lots.length;
  const places = t.places.length;
  const width = places + 1;
  const most = t.optPlace.length + lots;
  const optStart = new Int32Array(lots + 1);
  const optPlace = new Int32Array(most);
  const optLot = new Int32Array(most);
  const optCost = new Float64Array(most);
  const optUse = new Float64Array(most * resources);
  const optionAt = new Int32Array(lots * width).fill(-1);
  const noHome = new Int32Array(lots);
  const value = new Float64Array(t.optPlace.length);
  const order: number[] = [];
  let at = 0;
  for (let l = 0; l < lots; l++) {
    if (l % PIECE === 0) yield;
    order.length = 0;
    for (let o = t.optStart[l]!; o < t.optStart[l + 1]!; o++) {
      if (!goesIn(t, o)) continue;
      let v = t.optCost[o]!;
      const p = t.optPlace[o]!;
      for (let r = 0; r < resources; r++) v += worth[p * resources + r]! * t.optUse[o * resources + r]!;
      value[o] = v;
      order.push(o);
    }
    order.sort((a, b) => value[a]! - value[b]! || t.optPlace[a]! - t.optPlace[b]!);
    const leave = t.leave[l]!;
    let left = false;
    for (let k = 0; k <= order.length; k++) {
      const o = order[k];
      if (!left && (o === undefined || value[o]! > leave)) {
        left = true;
        optPlace[at] = places;
        optLot[at] = l;
        optCost[at] = leave;
        optionAt[l * width + places] = noHome[l] = at++;
      }
      if (o === undefined) break;
      optPlace[at] = t.optPlace[o]!;
      optLot[at] = l;
      optCost[at] = t.optCost[o]!;
      for (let r = 0; r < resources; r++) optUse[at * resources + r] = t.optUse[o * resources + r]!;
      optionAt[l * width + t.optPlace[o]!] = at++;
    }
    optStart[l + 1] = at;
  }
  const memberOf: number[][] = Array.from({ length: lots }, () => []);
  const families = t.spread.length;
  for (let f = 0; f < families; f++)
    for (let i = t.famStart[f]!; i < t.famStart[f + 1]!; i++) memberOf[t.famLot[i]!]!.push(f);
  const lotFam = groups(memberOf);
  const optChargeStart = new Int32Array(at + 1);
  /** goes through all options under charges, in the order of the charges */
  const underCharges = (visit: (option: number, charge: number) => void) => {
    for (let k = 0; k < t.chargeCost.length; k++)
      for (let i = t.chargeStart[k]!; i < t.chargeStart[k + 1]!; i++)
        for (let j = t.chargePlaceStart[k]!; j < t.chargePlaceStart[k + 1]!; j++) {
          const o = optionAt[t.chargeLot[i]! * width + t.chargePlace[j]!]!;
          if (o >= 0) visit(o, k);
        }
  };
  underCharges((o) => optChargeStart[o + 1]!++);
  for (let o = 0; o < at; o++) optChargeStart[o + 1]! += optChargeStart[o]!;
  const optCharge = new Int32Array(optChargeStart[at]!);
  const filledTo = optChargeStart.slice(0, at);
  underCharges((o, k) => {
    optCharge[filledTo[o]!++] = k;
  });
  return {
    lots,
    places,
    resources,
    families,
    charges: t.chargeCost.length,
    capacity: filled(width * resources, (i) => t.capacity[i] ?? Infinity),
    optStart,
    optPlace: optPlace.slice(0, at),
    optLot: optLot.slice(0, at),
    optCost: optCost.slice(0, at),
    optUse: optUse.slice(0, at * resources),
    room: filled(at, (o) => optUse[o * resources]!),
    weight: filled(at, (o) => optUse[o * resources + LOAD]!),
    optionAt,
    noHome,
    lotFamStart: lotFam.start,
    lotFam: lotFam.flat,
    famStart: t.famStart,
    famLot: t.famLot,
    spread: t.spread,
    rowOf: Int32Array.from({ length: width }, (_, p) => t.rowOf[p] ?? p),
    inRow: Int32Array.from({ length: width }, (_, p) =>
      p < places ? t.rowOf.filter((q) => q === t.rowOf[p]).length : 1,
    ),
    optChargeStart,
    optCharge,
    chargeStart: t.chargeStart,
    chargeLot: t.chargeLot,
    chargePlaceStart: t.chargePlaceStart,
    chargePlace: t.chargePlace,
    chargeCost: t.chargeCost,
    sags: t.sagCost.some((cost) => cost > 0),
    sagCost: filled(width, (p) => t.sagCost[p] ?? 0),
    sagBelow: filled(width, (p) =>
      t.sagCost[p] ? t.capacity[p * resources + LOAD]! - t.sagFrom[p]! - SAG_SLACK : -Infinity,
    ),
    ...sortsOf(t, width),
    parts: t.apartOf.some((bits) => bits !== 0) && t.apartAt.some((bits) => bits !== 0),
    apartOf: t.apartOf,
    apartFrom: t.apartOf.map((bits) => ((bits & 0x55555555) << 1) | ((bits >>> 1) & 0x55555555)),
    apartAt: Int32Array.from({ length: width }, (_, p) => t.apartAt[p] ?? 0),
  };
}

/** Lots by the concepts they have; a concept whose lots all have another one too is never needed for the fewest names. */
function sortsOf(
  t: SlottingTable,
  width: number,
): Pick<
  Compiled,
  | 'mixes'
  | 'mixCost'
  | 'sortOf'
  | 'conceptsOf'
  | 'conceptStart'
  | 'conceptLot'
  | 'lotConceptStart'
  | 'lotConcept'
  | 'mark'
> {
  const lots = t.lots.length;
  const concepts = t.conceptStart.length - 1;
  const of: number[][] = Array.from({ length: lots }, () => []);
  const members = Array.from({ length: concepts }, (_, c) =>
    t.conceptLot.subarray(t.conceptStart[c]!, t.conceptStart[c + 1]!),
  );
  for (let c = 0; c < concepts; c++) for (const l of members[c]!) of[l]!.push(c);
  const all = groups(of);
  const within = members.map((mine, c) => {
    const [first] = mine;
    if (first === undefined) return true;
    return of[first]!.some(
      (d) =>
        d !== c &&
        members[d]!.length >= mine.length &&
        (members[d]!.length > mine.length || d < c) &&
        mine.every((l) => of[l]!.includes(d)),
    );
  });
  const sorts = new Map<string, number>();
  const conceptsOf: number[][] = [];
  const sortOf = Int32Array.from({ length: lots }, (_, l) => {
    const mine = of[l]!.filter((c) => !within[c]);
    const key = mine.length > 0 ? mine.join() : `alone ${l}`;
    let sort = sorts.get(key);
    if (sort === undefined) {
      sorts.set(key, (sort = conceptsOf.length));
      conceptsOf.push(mine);
    }
    return sort;
  });
  const random = new Random(1);
  return {
    mixes: t.mixCost.some((cost) => cost > 0) && lots > 0,
    mixCost: filled(width, (p) => t.mixCost[p] ?? 0),
    sortOf,
    conceptsOf,
    conceptStart: t.conceptStart,
    conceptLot: t.conceptLot,
    lotConceptStart: all.start,
    lotConcept: all.flat,
    // integers below 2^40: sums of thousands of them are exact
    mark: filled(conceptsOf.length, () => Math.floor(random.next() * 2 ** 40)),
  };
}

/** Many times quicker than `Float64Array.from`. */
function filled(length: number, of: (i: number) => number): Float64Array {
  const out = new Float64Array(length);
  for (let i = 0; i < length; i++) out[i] = of(i);
  return out;
}
