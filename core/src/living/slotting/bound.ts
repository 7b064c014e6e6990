import { type Compiled } from './compile.ts';
import { Sack } from './sack.ts';

/** Fewest and most nodes one sack may take: few while prices are still far off, a stopped search still bounds. */
const FEW = 60;
const MANY = 4000;

/**
 * Lower bound by Lagrangian relaxation of “one home per lot” (Fisher 1981, from memory): with a price on each lot, every place takes in what pays best,
 * see {@link Sack}. A family pays its spread once in every place that takes any of it, and has one place free (of a row each place its part: together they are not more than once); a charge is paid in its place, and one over
 * several places in parts, which together are not more than it. Prices follow a deflected subgradient with Polyak steps.
 *
 * Where a lot is in several families, the one with the largest spread counts; where it is under several charges of a place, the dearest. The others
 * cost at least nothing, so that the bound holds.
 */
export class LagrangeBound {
  bound = -Infinity;
  /** measure of the work done so far */
  work = 0;
  steps = 0;
  /** true when no prices can raise the bound */
  ended = false;
  readonly price: Float64Array;
  private readonly bestPrice: Float64Array;
  private readonly way: Float64Array;
  private readonly slack: Float64Array;
  private readonly optsOf: Int32Array[];
  /** the family that counts for each lot, or −1 */
  private readonly familyOf: Int32Array;
  /** the charge that counts for each option, or −1; what of it is paid in its place */
  private readonly chargeOf: Int32Array;
  private readonly charged: Float64Array;
  private readonly free: number;
  private readonly sack: Sack;
  private readonly limits: Float64Array[];
  private readonly roomPrice: Float64Array[];
  private readonly picked: Int32Array;
  private readonly bundleNo: Int32Array;
  private readonly topNo: Int32Array;
  private nodes = FEW;
  private theta = 1.5;
  private waited = 0;

  /**
   * @param pays what each lot pays at the prices of room alone: where the prices begin
   * @param worth what room is worth in each place
   * @param at a first answer: what its families and charges cost is shared among those that pay it
   */
  constructor(
    private readonly c: Compiled,
    pays: Float64Array,
    worth: Float64Array,
    at: Int32Array,
  ) {
    const lists: number[][] = Array.from({ length: c.places }, () => []);
    for (let o = 0; o < c.optPlace.length; o++) if (c.optPlace[o]! < c.places) lists[c.optPlace[o]!]!.push(o);
    this.optsOf = lists.map((list) => Int32Array.from(list));
    this.familyOf = new Int32Array(c.lots).fill(-1);
    const members = new Int32Array(c.families);
    for (let l = 0; l < c.lots; l++)
      for (let i = c.lotFamStart[l]!; i < c.lotFamStart[l + 1]!; i++) {
        const f = c.lotFam[i]!;
        if (this.familyOf[l]! < 0 || c.spread[f]! > c.spread[this.familyOf[l]!]!) this.familyOf[l] = f;
      }
    for (const f of this.familyOf) if (f >= 0) members[f]!++;
    let free = 0;
    for (let f = 0; f < c.families; f++) if (members[f]! > 1) free += c.spread[f]!;
    this.free = free;
    for (let l = 0; l < c.lots; l++) {
      const f = this.familyOf[l]!;
      if (f >= 0 && members[f]! < 2) this.familyOf[l] = -1;
    }
    this.chargeOf = new Int32Array(c.optPlace.length).fill(-1);
    this.charged = new Float64Array(c.optPlace.length);
    const paid = partsPaid(c, at);
    for (let o = 0; o < c.optPlace.length; o++)
      for (let i = c.optChargeStart[o]!; i < c.optChargeStart[o + 1]!; i++) {
        const k = c.optCharge[i]!;
        const part = paid(k, c.optPlace[o]!);
        if (this.chargeOf[o]! >= 0 && part <= this.charged[o]!) continue;
        this.chargeOf[o] = k;
        this.charged[o] = part;
      }
    this.price = new Float64Array(c.lots);
    this.shareTies(at);
    // between what room alone says and what is paid today: from there the prices move
    for (let l = 0; l < c.lots; l++) {
      let cheapest = c.optCost[c.noHome[l]!]!;
      for (let o = c.optStart[l]!; o < c.optStart[l + 1]!; o++) cheapest = Math.min(cheapest, c.optCost[o]!);
      const paid = 0.4 * cheapest + 0.6 * c.optCost[at[l]!]!;
      this.price[l] = 0.3 * paid + 0.7 * (pays[l]! + this.price[l]!);
    }
    const most = Math.max(1, ...this.optsOf.map((list) => list.length));
    this.sack = new Sack(most, c.resources);
    this.picked = new Int32Array(most);
    this.limits = this.optsOf.map((_, p) => c.capacity.slice(p * c.resources, (p + 1) * c.resources));
    this.roomPrice = this.optsOf.map((_, p) => worth.slice(p * c.resources, (p + 1) * c.resources));
    this.bundleNo = new Int32Array(c.families).fill(-1);
    this.topNo = new Int32Array(c.charges).fill(-1);
    this.bestPrice = this.price.slice();
    this.way = new Float64Array(c.lots);
    this.slack = new Float64Array(c.lots);
  }

  /** Adds to the price of each lot its part of what the ties of an answer cost. */
  private shareTies(at: Int32Array): void {
    const { c } = this;
    const width = c.places + 1;
    const together = new Map<number, number>();
    const charged = new Map<number, number>();
    const count = (map: Map<number, number>, key: number) => map.set(key, (map.get(key) ?? 0) + 1);
    for (let l = 0; l < c.lots; l++) {
      const o = at[l]!;
      if (this.familyOf[l]! >= 0) count(together, this.familyOf[l]! * width + c.rowOf[c.optPlace[o]!]!);
      if (this.chargeOf[o]! >= 0) count(charged, this.chargeOf[o]!);
    }
    for (let l = 0; l < c.lots; l++) {
      const o = at[l]!;
      const f = this.familyOf[l]!;
      const k = this.chargeOf[o]!;
      if (f >= 0) this.price[l]! += c.spread[f]! / together.get(f * width + c.rowOf[c.optPlace[o]!]!)!;
      if (k >= 0) this.price[l]! += c.chargeCost[k]! / charged.get(k)!;
    }
  }

  /** Fills the sack with what would gain by living in a place. */
  private fill(p: number): void {
    const { c, sack, price, bundleNo, topNo } = this;
    let n = 0;
    let bundles = 0;
    let tops = 1;
    sack.topCharge[0] = 0;
    for (const o of this.optsOf[p]!) {
      const l = c.optLot[o]!;
      const gain = price[l]! - c.optCost[o]!;
      if (gain <= 1e-9) continue;
      this.picked[n] = l;
      sack.profit[n] = gain;
      for (let r = 0; r < c.resources; r++) sack.size[n * c.resources + r] = c.optUse[o * c.resources + r]!;
      const k = this.chargeOf[o]!;
      let top = 0;
      if (k >= 0) {
        if (topNo[k]! < 0) {
          sack.topCharge[tops] = this.charged[o]!;
          topNo[k] = tops++;
        }
        top = topNo[k]!;
      }
      const f = this.familyOf[l]!;
      if (f < 0) {
        sack.top[bundles] = top;
        sack.charge[bundles] = 0;
        sack.bundle[n] = bundles++;
      } else {
        const known = bundleNo[f]!;
        if (known >= 0 && sack.top[known] === top) sack.bundle[n] = known;
        else {
          // what of a family is under another charge of the same place does not pay its spread again
          sack.top[bundles] = top;
          sack.charge[bundles] = known < 0 ? c.spread[f]! / c.inRow[p]! : 0;
          if (known < 0) bundleNo[f] = bundles;
          sack.bundle[n] = bundles++;
        }
      }
      n++;
    }
    sack.count = n;
    sack.bundles = bundles;
    sack.tops = tops;
    for (let i = 0; i < n; i++) {
      const f = this.familyOf[this.picked[i]!]!;
      if (f >= 0) bundleNo[f] = -1;
    }
    for (const o of this.optsOf[p]!) if (this.chargeOf[o]! >= 0) topNo[this.chargeOf[o]!] = -1;
  }

  /**
   * One round of sacks and one step of the prices toward a known total, in short pieces; left unfinished it has changed neither bound nor prices.
   */
  *stepping(target: number): Generator<void, void> {
    const { c, price, slack, sack, way } = this;
    this.steps++;
    let value = -this.free;
    for (let l = 0; l < c.lots; l++) {
      const leave = c.optCost[c.noHome[l]!]!;
      value += Math.min(price[l]!, leave);
      slack[l] = leave < price[l]! ? 0 : 1;
    }
    for (let p = 0; p < c.places; p++) {
      if (p % 8 === 0) yield;
      this.work += this.optsOf[p]!.length;
      this.fill(p);
      if (sack.count === 0) continue;
      const before = sack.nodes;
      value -= sack.solve(this.limits[p]!, this.roomPrice[p]!, this.nodes);
      this.work += 40 * sack.count + 2 * (sack.nodes - before);
      for (let i = 0; i < sack.count; i++) if (sack.chosen[i] === 1) slack[this.picked[i]!]!--;
    }
    if (value > this.bound) {
      const rise = value - this.bound;
      this.bound = value;
      this.bestPrice.set(price);
      if (rise > 2e-5 * Math.abs(value)) this.waited = 0;
      else this.waited++;
    } else this.waited++;
    if (this.waited > 12) {
      this.waited = 0;
      this.theta *= 0.7;
      this.nodes = Math.min(MANY, this.nodes * 2);
      price.set(this.bestPrice);
      way.fill(0);
      if (this.theta < 1e-4) this.theta = 0.3;
      return;
    }
    let dot = 0;
    let ways = 0;
    for (let l = 0; l < c.lots; l++) {
      dot += slack[l]! * way[l]!;
      ways += way[l]! * way[l]!;
    }
    const keep = ways > 0 ? Math.max(0, (-1.5 * dot) / ways) : 0;
    let norm = 0;
    for (let l = 0; l < c.lots; l++) {
      way[l] = slack[l]! + keep * way[l]!;
      norm += way[l]! * way[l]!;
    }
    this.ended = norm === 0 || this.bound >= target - 1e-9 * Math.abs(target);
    if (this.ended) return;
    const stepSize = (this.theta * Math.max(target - value, 1e-6 * Math.abs(target))) / norm;
    for (let l = 0; l < c.lots; l++) price[l]! += stepSize * way[l]!;
  }
}

/** Of a charge over several places so much is paid in those that a first answer uses, the rest in all alike (own choice). */
const IN_USED = 0.7;

/** What of each charge is paid in each of its places; together not more than it. */
function partsPaid(c: Compiled, at: Int32Array): (charge: number, place: number) => number {
  const used = new Map<number, Set<number>>();
  for (const o of at)
    for (let i = c.optChargeStart[o]!; i < c.optChargeStart[o + 1]!; i++) {
      const k = c.optCharge[i]!;
      const places = used.get(k);
      if (places) places.add(c.optPlace[o]!);
      else used.set(k, new Set([c.optPlace[o]!]));
    }
  return (k, p) => {
    const among = c.chargePlaceStart[k + 1]! - c.chargePlaceStart[k]!;
    const cost = c.chargeCost[k]!;
    const places = used.get(k);
    if (among === 1) return cost;
    if (!places) return cost / among;
    return (cost * (1 - IN_USED)) / among + (places.has(p) ? (cost * IN_USED) / places.size : 0);
  };
}
