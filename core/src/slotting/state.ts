import { type Compiled, SLACK } from './compile.ts';

/** Lots moved between two chances to stop. */
const PIECE = 256;

/** Who lives where, with what every place and family holds kept up to date. Always feasible. */
export class State {
  /** option of each lot, −1: without a home */
  readonly at: Int32Array;
  readonly used: Float64Array;
  readonly loaded: Float64Array;
  /** lots of each place, and where in that list a lot is */
  readonly members: number[][];
  private readonly slot: Int32Array;
  private readonly famCount: Int32Array;
  private readonly famPlaces: Int32Array;
  private readonly chargeCount: Int32Array;
  /** what each place holds in each period, where there are several */
  private readonly usedIn: Float64Array;
  total: number;

  constructor(readonly c: Compiled) {
    this.at = new Int32Array(c.lots).fill(-1);
    this.used = new Float64Array(c.places);
    this.loaded = new Float64Array(c.places);
    this.members = Array.from({ length: c.places }, () => []);
    this.slot = new Int32Array(c.lots);
    this.famCount = new Int32Array(c.families * c.places);
    this.famPlaces = new Int32Array(c.families);
    this.chargeCount = new Int32Array(c.charges);
    this.usedIn = new Float64Array(c.periods > 1 ? c.places * c.periods : 0);
    this.total = c.leave.reduce((s, x) => s + x, 0);
  }

  /** Whether option o goes into its place as it is now, the lot at option `leaving` being about to leave it. */
  fits(o: number, leaving = -1): boolean {
    const { c } = this;
    const p = c.optPlace[o]!;
    const freedUse = leaving < 0 ? 0 : c.optUse[leaving]!;
    const freedLoad = leaving < 0 ? 0 : c.weight[c.optLot[leaving]!]!;
    return (
      this.used[p]! - freedUse + c.optUse[o]! <= c.capacity[p]! + SLACK &&
      this.loaded[p]! - freedLoad + c.weight[c.optLot[o]!]! <= c.load[p]! + SLACK &&
      (c.periods === 1 || this.fitsAlways(o, p, leaving))
    );
  }

  private fitsAlways(o: number, p: number, leaving: number): boolean {
    const { periods, useIn, capacityIn } = this.c;
    for (let t = 0; t < periods; t++) {
      const freed = leaving < 0 ? 0 : useIn[leaving * periods + t]!;
      if (this.usedIn[p * periods + t]! - freed + useIn[o * periods + t]! > capacityIn[p * periods + t]! + SLACK)
        return false;
    }
    return true;
  }

  /** Change of the total if lot l alone went from its option to option o (−1: no home), families and charges included. */
  delta(l: number, o: number): number {
    const { c } = this;
    const from = this.at[l]!;
    let d = (o < 0 ? c.leave[l]! : c.optCost[o]!) - (from < 0 ? c.leave[l]! : c.optCost[from]!);
    const end = c.lotFamStart[l + 1]!;
    for (let i = c.lotFamStart[l]!; i < end; i++)
      d += c.spread[c.lotFam[i]!]! * this.spreadChange(c.lotFam[i]!, from, o);
    if (c.charges > 0 && from !== o) d += this.chargesOf(o, 0) - this.chargesOf(from, 1);
    return d;
  }

  /** Charges of an option that so many lots are under now. */
  private chargesOf(o: number, count: 0 | 1): number {
    if (o < 0) return 0;
    const { c } = this;
    let sum = 0;
    for (let i = c.optChargeStart[o]!; i < c.optChargeStart[o + 1]!; i++)
      if (this.chargeCount[c.optCharge[i]!] === count) sum += c.chargeCost[c.optCharge[i]!]!;
    return sum;
  }

  private count(o: number, by: 1 | -1): void {
    const { c } = this;
    for (let i = c.optChargeStart[o]!; i < c.optChargeStart[o + 1]!; i++) this.chargeCount[c.optCharge[i]!]! += by;
    const { periods } = c;
    if (periods === 1) return;
    const p = c.optPlace[o]!;
    for (let t = 0; t < periods; t++) this.usedIn[p * periods + t]! += by * c.useIn[o * periods + t]!;
  }

  private spreadChange(f: number, from: number, to: number): number {
    const { c } = this;
    const base = f * c.places;
    const p = from < 0 ? -1 : c.optPlace[from]!;
    const q = to < 0 ? -1 : c.optPlace[to]!;
    if (p === q) return 0;
    let places = this.famPlaces[f]!;
    const before = Math.max(0, places - 1);
    if (p >= 0 && this.famCount[base + p] === 1) places--;
    if (q >= 0 && this.famCount[base + q] === 0) places++;
    return Math.max(0, places - 1) - before;
  }

  /** Moves lot l to option o (−1: no home) without asking whether it fits; keeps all sums. */
  move(l: number, o: number): void {
    const { c } = this;
    this.total += this.delta(l, o);
    const from = this.at[l]!;
    if (from >= 0) {
      const p = c.optPlace[from]!;
      const list = this.members[p]!;
      const last = list.pop()!;
      if (last !== l) {
        list[this.slot[l]!] = last;
        this.slot[last] = this.slot[l]!;
      }
      this.used[p] = list.length === 0 ? 0 : this.used[p]! - c.optUse[from]!;
      this.loaded[p] = list.length === 0 ? 0 : this.loaded[p]! - c.weight[l]!;
      this.countFamilies(l, p, -1);
      if (c.charges > 0 || c.periods > 1) this.count(from, -1);
    }
    if (o >= 0) {
      const q = c.optPlace[o]!;
      const list = this.members[q]!;
      this.slot[l] = list.length;
      list.push(l);
      this.used[q]! += c.optUse[o]!;
      this.loaded[q]! += c.weight[l]!;
      this.countFamilies(l, q, 1);
      if (c.charges > 0 || c.periods > 1) this.count(o, 1);
    }
    this.at[l] = o;
  }

  private countFamilies(l: number, p: number, by: 1 | -1): void {
    const { c } = this;
    const end = c.lotFamStart[l + 1]!;
    for (let i = c.lotFamStart[l]!; i < end; i++) {
      const f = c.lotFam[i]!;
      const k = f * c.places + p;
      const now = (this.famCount[k]! += by);
      if (by === 1 && now === 1) this.famPlaces[f]!++;
      if (by === -1 && now === 0) this.famPlaces[f]!--;
    }
  }

  /** Puts every lot where another assignment has it. */
  take(assignment: Int32Array): void {
    for (const pieces = this.taking(assignment); !pieces.next().done;);
  }

  /** {@link take} in short pieces; left unfinished, lots are without a home. */
  *taking(assignment: Int32Array): Generator<void, void> {
    for (const to of [null, assignment])
      for (let l = 0; l < this.c.lots; l++) {
        if (l % PIECE === 0) yield;
        if (this.at[l] !== assignment[l]) this.move(l, to ? to[l]! : -1);
      }
  }
}
