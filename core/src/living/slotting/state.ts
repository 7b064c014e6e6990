import { type Compiled, SLACK } from './compile.ts';
import { fewestNames } from './cover.ts';

/** So many sets of things are known by how many names they take before all are forgotten. */
const MOST_KNOWN = 400_000;

/** Lots moved between two chances to stop. */
const PIECE = 512;

/**
 * Who lives where, with what every place, family and charge holds kept up to date. Always feasible as long as only what {@link fits} is moved.
 * Flat arrays only: it is looked at millions of times a second.
 */
export class State {
  /** option of each lot; its {@link Compiled.noHome} when it has none */
  readonly at: Int32Array;
  /** left in each place with the rounding allowed: room in the first period, load, and what other resources there are */
  private readonly room: Float64Array;
  private readonly carry: Float64Array;
  private readonly more: Float64Array;
  /** lots of place p: member[memberStart[p] … + count[p]], in no order */
  readonly member: Int32Array;
  readonly memberStart: Int32Array;
  readonly count: Int32Array;
  private readonly slot: Int32Array;
  /** members of family f in the row of place p at [f * (places + 1) + rowOf[p]] */
  readonly famCount: Int32Array;
  private readonly famPlaces: Int32Array;
  readonly chargeCount: Int32Array;
  /** lots of sort s in place p at [p * sorts + s]; of each place the sum of the marks of its sorts, and how many names these take */
  private readonly sortCount: Int32Array;
  private readonly sum: Float64Array;
  private readonly names: Int32Array;
  private readonly known = new Map<number, number>();
  /** lots of place p that have a bit of what must be apart at [p * 32 + bit], and the bits there are */
  private readonly bitCount: Int32Array;
  private readonly bits: Int32Array;
  total: number;

  constructor(readonly c: Compiled) {
    const width = c.places + 1;
    this.at = c.noHome.slice();
    this.room = new Float64Array(width);
    this.carry = new Float64Array(width);
    this.more = new Float64Array(c.resources > 2 ? width * c.resources : 0);
    for (let p = 0; p < width; p++) this.empty(p);
    this.memberStart = new Int32Array(width + 1);
    for (const p of c.optPlace) this.memberStart[p + 1]!++;
    for (let p = 0; p < width; p++) this.memberStart[p + 1]! += this.memberStart[p]!;
    this.member = new Int32Array(c.optPlace.length);
    this.count = new Int32Array(width);
    this.slot = new Int32Array(c.lots);
    this.famCount = new Int32Array(c.families * width);
    this.famPlaces = new Int32Array(c.families);
    this.chargeCount = new Int32Array(c.charges);
    this.sortCount = new Int32Array(c.mixes ? width * c.conceptsOf.length : 0);
    this.sum = new Float64Array(c.mixes ? width : 0);
    this.names = new Int32Array(c.mixes ? width : 0);
    this.bitCount = new Int32Array(c.parts ? width * 32 : 0);
    this.bits = new Int32Array(c.parts ? width : 0);
    let total = 0;
    for (let l = 0; l < c.lots; l++) {
      total += c.optCost[c.noHome[l]!]!;
      this.enter(l, c.places);
    }
    this.total = total;
  }

  private empty(p: number): void {
    const { capacity, resources } = this.c;
    this.room[p] = capacity[p * resources]! + SLACK;
    this.carry[p] = capacity[p * resources + 1]! + SLACK;
    for (let r = 2; r < resources; r++) this.more[p * resources + r] = capacity[p * resources + r]! + SLACK;
  }

  /** Takes what option o uses from its place, or (−1) gives it back. */
  private take(o: number, by: number): void {
    const { room, weight, optPlace, resources, optUse } = this.c;
    const p = optPlace[o]!;
    this.room[p]! -= by * room[o]!;
    this.carry[p]! -= by * weight[o]!;
    for (let r = 2; r < resources; r++) this.more[p * resources + r]! -= by * optUse[o * resources + r]!;
  }

  /** Whether option o goes into its place as it is now. */
  fits(o: number): boolean {
    const { c } = this;
    const p = c.optPlace[o]!;
    if (c.room[o]! > this.room[p]! || c.weight[o]! > this.carry[p]!) return false;
    for (let r = 2; r < c.resources; r++)
      if (c.optUse[o * c.resources + r]! > this.more[p * c.resources + r]!) return false;
    return !c.parts || (c.apartFrom[c.optLot[o]!]! & this.bits[p]! & c.apartAt[p]!) === 0;
  }

  /** Whether nothing that stays when a lot has left a place must be apart from what comes into it. */
  private goesWith(o: number, leaving: number): boolean {
    const { c } = this;
    const p = c.optPlace[o]!;
    let against = c.apartFrom[c.optLot[o]!]! & this.bits[p]! & c.apartAt[p]!;
    while (against !== 0) {
      const bit = 31 - Math.clz32(against);
      if (this.bitCount[p * 32 + bit]! > ((c.apartOf[leaving]! >>> bit) & 1)) return false;
      against &= ~(1 << bit);
    }
    return true;
  }

  /** Whether option o goes into its place when option `leaving` has left it. */
  fitsWithout(o: number, leaving: number): boolean {
    const { c } = this;
    const p = c.optPlace[o]!;
    if (c.room[o]! > this.room[p]! + c.room[leaving]! || c.weight[o]! > this.carry[p]! + c.weight[leaving]!)
      return false;
    for (let r = 2; r < c.resources; r++)
      if (c.optUse[o * c.resources + r]! > this.more[p * c.resources + r]! + c.optUse[leaving * c.resources + r]!)
        return false;
    return !c.parts || this.goesWith(o, c.optLot[leaving]!);
  }

  /** How many names the things of a place take, with a sort more or less; −1: none. */
  private namesWith(p: number, more: number, less: number): number {
    const { c } = this;
    let sum = this.sum[p]!;
    if (more >= 0) sum += c.mark[more]!;
    if (less >= 0) sum -= c.mark[less]!;
    if (sum === 0) return 0;
    const known = this.known.get(sum);
    if (known !== undefined) return known;
    const sorts = new Set<number>(more >= 0 ? [more] : []);
    const start = this.memberStart[p]!;
    for (let k = 0; k < this.count[p]!; k++) {
      const sort = c.sortOf[this.member[start + k]!]!;
      if (sort !== less) sorts.add(sort);
    }
    const names = fewestNames([...sorts].map((s) => c.conceptsOf[s]!));
    if (this.known.size >= MOST_KNOWN) this.known.clear();
    this.known.set(sum, names);
    return names;
  }

  /** Change of what names cost if a lot went from one place to another. */
  private mixed(l: number, p: number, q: number): number {
    const { c } = this;
    const sort = c.sortOf[l]!;
    const sorts = c.conceptsOf.length;
    let d = 0;
    const [here, there] = [c.mixCost[p]!, c.mixCost[q]!];
    if (here > 0 && this.sortCount[p * sorts + sort] === 1) {
      const before = this.names[p]!;
      if (before > 1) d += here * (Math.max(1, this.namesWith(p, -1, sort)) - before);
    }
    if (there > 0 && this.sortCount[q * sorts + sort] === 0) {
      const before = this.names[q]!;
      if (before > 0) d += there * (this.namesWith(q, sort, -1) - before);
    }
    return d;
  }

  /** Keeps what names and what must be apart are told by when a lot leaves a place, or (`by` 1) has come into it. */
  private counted(l: number, p: number, by: 1 | -1): void {
    const { c } = this;
    if (p === c.places) return;
    if (c.mixes && c.mixCost[p]! > 0) {
      const sort = c.sortOf[l]!;
      const at = p * c.conceptsOf.length + sort;
      const now = (this.sortCount[at]! += by);
      if (now === (by === 1 ? 1 : 0)) {
        this.sum[p]! += by * c.mark[sort]!;
        this.names[p] = this.namesWith(p, -1, -1);
      }
    }
    if (c.parts)
      for (let left = c.apartOf[l]!; left !== 0;) {
        const bit = 31 - Math.clz32(left);
        left &= ~(1 << bit);
        const now = (this.bitCount[p * 32 + bit]! += by);
        if (now === (by === 1 ? 1 : 0)) this.bits[p]! ^= 1 << bit;
      }
  }

  /** Change of the total if lot l alone went to option o, families, charges and sagging boards included. */
  delta(l: number, o: number): number {
    const { c } = this;
    const from = this.at[l]!;
    let d = c.optCost[o]! - c.optCost[from]!;
    const end = c.lotFamStart[l + 1]!;
    let i = c.lotFamStart[l]!;
    if (i < end) {
      const width = c.places + 1;
      const p = c.rowOf[c.optPlace[from]!]!;
      const q = c.rowOf[c.optPlace[o]!]!;
      if (p !== q)
        for (; i < end; i++) {
          const f = c.lotFam[i]!;
          const base = f * width;
          const before = this.famPlaces[f]!;
          let places = before;
          if (p < c.places && this.famCount[base + p] === 1) places--;
          if (q < c.places && this.famCount[base + q] === 0) places++;
          if (places !== before) d += c.spread[f]! * ((places > 1 ? places - 1 : 0) - (before > 1 ? before - 1 : 0));
        }
    }
    if (c.charges > 0 && from !== o) {
      // charges of an option stand in order: what both are under stays paid
      const [endThere, endHere] = [c.optChargeStart[o + 1]!, c.optChargeStart[from + 1]!];
      let i = c.optChargeStart[o]!;
      let j = c.optChargeStart[from]!;
      while (i < endThere || j < endHere) {
        const there = i < endThere ? c.optCharge[i]! : c.charges;
        const here = j < endHere ? c.optCharge[j]! : c.charges;
        if (there <= here) i++;
        if (here <= there) j++;
        if (there < here && this.chargeCount[there] === 0) d += c.chargeCost[there]!;
        if (here < there && this.chargeCount[here] === 1) d -= c.chargeCost[here]!;
      }
    }
    if (c.mixes && c.optPlace[from] !== c.optPlace[o]) d += this.mixed(l, c.optPlace[from]!, c.optPlace[o]!);
    if (c.sags) {
      const p = c.optPlace[from]!;
      const q = c.optPlace[o]!;
      if (p !== q) {
        const left = this.carry[q]!;
        if (left >= c.sagBelow[q]! && left - c.weight[o]! < c.sagBelow[q]!) d += c.sagCost[q]!;
        const was = this.carry[p]!;
        if (was < c.sagBelow[p]! && was + c.weight[from]! >= c.sagBelow[p]!) d -= c.sagCost[p]!;
      }
    }
    return d;
  }

  private enter(l: number, p: number): void {
    const k = this.count[p]!++;
    this.member[this.memberStart[p]! + k] = l;
    this.slot[l] = k;
  }

  /**
   * Moves lot l to option o without asking whether it fits; keeps all sums.
   * @param change of the total, where it is known already
   */
  move(l: number, o: number, change = this.delta(l, o)): void {
    const { c } = this;
    const from = this.at[l]!;
    if (from === o) return;
    this.total += change;
    const p = c.optPlace[from]!;
    const q = c.optPlace[o]!;
    const base = this.memberStart[p]!;
    const last = --this.count[p]!;
    const gone = this.slot[l]!;
    const other = this.member[base + last]!;
    this.member[base + gone] = other;
    this.slot[other] = gone;
    this.enter(l, q);
    if (p !== q && (c.mixes || c.parts)) {
      this.counted(l, p, -1);
      this.counted(l, q, 1);
    }
    // an empty place is free of the rounding of what came and went
    if (last === 0) this.empty(p);
    else this.take(from, -1);
    this.take(o, 1);
    const width = c.places + 1;
    for (let i = c.lotFamStart[l]!; i < c.lotFamStart[l + 1]!; i++) {
      const f = c.lotFam[i]!;
      if (p < c.places && --this.famCount[f * width + c.rowOf[p]!]! === 0) this.famPlaces[f]!--;
      if (q < c.places && ++this.famCount[f * width + c.rowOf[q]!]! === 1) this.famPlaces[f]!++;
    }
    if (c.charges > 0) {
      for (let k = c.optChargeStart[from]!; k < c.optChargeStart[from + 1]!; k++) this.chargeCount[c.optCharge[k]!]!--;
      for (let k = c.optChargeStart[o]!; k < c.optChargeStart[o + 1]!; k++) this.chargeCount[c.optCharge[k]!]!++;
    }
    this.at[l] = o;
  }

  /** Puts every lot where a feasible assignment has it, in short pieces; left unfinished, lots are without a home. */
  *taking(assignment: Int32Array): Generator<void, void> {
    const { c } = this;
    for (const home of [false, true])
      for (let l = 0; l < c.lots; l++) {
        if (l % PIECE === 0) yield;
        if (this.at[l] !== assignment[l]) this.move(l, home ? assignment[l]! : c.noHome[l]!);
      }
    // sums free of the rounding of what came and went
    for (let p = 0; p <= c.places; p++) this.empty(p);
    let total = 0;
    for (let l = 0; l < c.lots; l++) {
      const o = this.at[l]!;
      total += c.optCost[o]!;
      this.take(o, 1);
    }
    for (let f = 0; f < c.families; f++) total += c.spread[f]! * Math.max(0, this.famPlaces[f]! - 1);
    for (let k = 0; k < c.charges; k++) if (this.chargeCount[k]! > 0) total += c.chargeCost[k]!;
    for (let p = 0; p < c.places; p++) if (this.carry[p]! < c.sagBelow[p]!) total += c.sagCost[p]!;
    if (c.mixes)
      for (let p = 0; p < c.places; p++) if (this.names[p]! > 1) total += c.mixCost[p]! * (this.names[p]! - 1);
    this.total = total;
  }
}
