import { inPeriod, periodsOf, type SlottingProblem } from './problem.ts';

/**
 * A slotting problem in flat arrays, as the engine takes it and as rooms are translated to it: a problem of ten thousand lots has millions of options,
 * too many for an object each. What a place holds and what an option uses are figures per *resource*: its room in the first period, its load, its room in
 * the other periods.
 */
export type SlottingTable = {
  lots: readonly string[];
  places: readonly string[];
  resources: number;
  /** of place p: capacity[p * resources + r] */
  capacity: Float64Array;
  /** cost of staying without a home */
  leave: Float64Array;
  /** options of lot l: optStart[l] … optStart[l + 1] */
  optStart: Int32Array;
  optPlace: Int32Array;
  optCost: Float64Array;
  optUse: Float64Array;
  /** lots of family f: famLot[famStart[f] … famStart[f + 1]] */
  famStart: Int32Array;
  famLot: Int32Array;
  spread: Float64Array;
  /** of each place, the first of its row: places of one row are one to a family */
  rowOf: Int32Array;
  /** lots under charge k: chargeLot[chargeStart[k] … chargeStart[k + 1]] */
  chargeStart: Int32Array;
  chargeLot: Int32Array;
  /** places of charge k: chargePlace[chargePlaceStart[k] … chargePlaceStart[k + 1]] */
  chargePlaceStart: Int32Array;
  chargePlace: Int32Array;
  chargeCost: Float64Array;
  /** of each place: beyond such a load its board is seen to sag, and what that costs; Infinity and 0 where none does */
  sagFrom: Float64Array;
  sagCost: Float64Array;
  /** lots of concept c: conceptLot[conceptStart[c] … conceptStart[c + 1]] */
  conceptStart: Int32Array;
  conceptLot: Int32Array;
  /** of each place: what every name beyond the first costs there */
  mixCost: Float64Array;
  /** of each lot: a bit for every list it is on of what must be apart, two bits a pair of lists */
  apartOf: Int32Array;
  /** of each place: the bits that count there */
  apartAt: Int32Array;
};

/** Which resource the load is, and which the room in a period. */
export const LOAD = 1;
export const resourceOf = (period: number): number => (period === 0 ? 0 : period + 1);

/** Lots gone through between two chances to stop. */
const PIECE = 128;

/** The flat form of a problem, in short pieces. */
export function* tabling(problem: SlottingProblem): Generator<void, SlottingTable> {
  const placeIndex = new Map(problem.places.map((p, i) => [p.id, i]));
  const lotIndex = new Map(problem.lots.map((l, i) => [l.id, i]));
  const periods = periodsOf(problem);
  const resources = periods + 1;
  const capacity = new Float64Array(problem.places.length * resources);
  for (const [p, place] of problem.places.entries()) {
    for (let t = 0; t < periods; t++) capacity[p * resources + resourceOf(t)] = inPeriod(place.capacity, t);
    capacity[p * resources + LOAD] = place.load;
  }
  const optStart = new Int32Array(problem.lots.length + 1);
  for (const [l, lot] of problem.lots.entries()) optStart[l + 1] = optStart[l]! + lot.options.length;
  const n = optStart[problem.lots.length]!;
  const optPlace = new Int32Array(n);
  const optCost = new Float64Array(n);
  const optUse = new Float64Array(n * resources);
  for (const [l, lot] of problem.lots.entries()) {
    if (l % PIECE === 0) yield;
    for (const [k, o] of lot.options.entries()) {
      const i = optStart[l]! + k;
      optPlace[i] = placeIndex.get(o.place)!;
      optCost[i] = o.cost;
      for (let t = 0; t < periods; t++) optUse[i * resources + resourceOf(t)] = inPeriod(o.use, t);
      optUse[i * resources + LOAD] = lot.weight;
    }
  }
  const families = groups(problem.families.map((f) => f.lots.map((id) => lotIndex.get(id)!)));
  const over = groups(problem.charges.map((c) => c.places.map((id) => placeIndex.get(id)!)));
  const charges = groups(problem.charges.map((c) => c.lots.map((id) => lotIndex.get(id)!)));
  return {
    lots: problem.lots.map((l) => l.id),
    places: problem.places.map((p) => p.id),
    resources,
    capacity,
    leave: Float64Array.from(problem.lots, (l) => l.leave),
    optStart,
    optPlace,
    optCost,
    optUse,
    famStart: families.start,
    famLot: families.flat,
    spread: Float64Array.from(problem.families, (f) => f.spread),
    rowOf: rowsOf(
      (problem.rows ?? []).map((row) => row.map((id) => placeIndex.get(id)!)),
      problem.places.length,
    ),
    chargeStart: charges.start,
    chargeLot: charges.flat,
    chargePlaceStart: over.start,
    chargePlace: over.flat,
    chargeCost: Float64Array.from(problem.charges, (c) => c.cost),
    sagFrom: Float64Array.from(problem.places, (p) => p.sag?.from ?? Infinity),
    sagCost: Float64Array.from(problem.places, (p) => p.sag?.cost ?? 0),
    ...mixingOf(
      problem.mixing?.concepts.map((c) => c.lots.map((id) => lotIndex.get(id)!)) ?? [],
      Float64Array.from(problem.places, (p) => problem.mixing?.at?.[p.id] ?? problem.mixing?.cost ?? 0),
    ),
    ...apartOf(
      (problem.apart ?? []).map(({ lots, from, places }) => ({
        lots: lots.map((id) => lotIndex.get(id)!),
        from: from.map((id) => lotIndex.get(id)!),
        ...(places ? { places: places.map((id) => placeIndex.get(id)!) } : {}),
      })),
      problem.lots.length,
      problem.places.length,
    ),
  };
}

/** Of each place the first of its row; itself where it is in none. */
export function rowsOf(rows: readonly (readonly number[])[], places: number): Int32Array {
  const of = Int32Array.from({ length: places }, (_, p) => p);
  for (const row of rows) for (const p of row) of[p] = row[0]!;
  return of;
}

/** The part of a table that says what names cost. */
export function mixingOf(
  concepts: readonly (readonly number[])[],
  mixCost: Float64Array,
): Pick<SlottingTable, 'conceptStart' | 'conceptLot' | 'mixCost'> {
  const { start, flat } = groups(concepts);
  return { conceptStart: start, conceptLot: flat, mixCost };
}

/** The part of a table that says what must be apart, from lists of numbers. */
export function apartOf(
  pairs: readonly { lots: readonly number[]; from: readonly number[]; places?: readonly number[] }[],
  lots: number,
  places: number,
): Pick<SlottingTable, 'apartOf' | 'apartAt'> {
  const of = new Int32Array(lots);
  const at = new Int32Array(places);
  for (const [i, pair] of pairs.entries()) {
    for (const l of pair.lots) of[l]! |= 1 << (2 * i);
    for (const l of pair.from) of[l]! |= 2 << (2 * i);
    for (const p of pair.places ?? at.keys()) at[p]! |= 3 << (2 * i);
  }
  return { apartOf: of, apartAt: at };
}

/** Lists of numbers one after the other, with where each begins. */
export function groups(lists: readonly (readonly number[])[]): { start: Int32Array; flat: Int32Array } {
  const start = new Int32Array(lists.length + 1);
  for (const [i, list] of lists.entries()) start[i + 1] = start[i]! + list.length;
  const flat = new Int32Array(start[lists.length]!);
  for (const [i, list] of lists.entries()) flat.set(list, start[i]!);
  return { start, flat };
}
