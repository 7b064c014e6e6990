import { type Compiled } from './compile.ts';
import { Knapsack } from './knapsack.ts';

/**
 * Lower bound by Lagrangian relaxation of “one home per lot”: with a price on each lot, every place solves its own
 * exact knapsack (Fisher 1981, from memory). Prices follow a deflected subgradient with Polyak steps. Family spread and
 * charges are at least zero and left out, and of several periods the mean must hold, so the bound holds for such rooms too.
 */
export class LagrangeBound {
  bound = -Infinity;
  /** nodes of work done so far */
  work = 0;
  steps = 0;
  /** true when no prices can raise the bound */
  ended = false;
  private readonly price: Float64Array;
  private readonly bestPrice: Float64Array;
  /** what a unit of room in each place is worth at the best prices so far */
  readonly roomPrice: Float64Array;
  private readonly roomNow: Float64Array;
  /** the same of load */
  readonly loadPrice: Float64Array;
  private readonly loadNow: Float64Array;
  /** share of room in the one limit of each place's knapsack, from the last step */
  private readonly share: Float64Array;
  private readonly way: Float64Array;
  private readonly sack: Knapsack;
  private readonly byPlace: Int32Array[];
  private readonly counts: Int32Array;
  private readonly slack: Float64Array;
  /** nodes a knapsack may take; small while prices are still far off, a stopped search still bounds */
  private limit = 100;
  private theta = 1;
  private waited = 0;

  /** @param at a first assignment; prices start between each lot's cheapest option and what it pays there */
  constructor(
    private readonly c: Compiled,
    at: Int32Array,
  ) {
    this.counts = new Int32Array(c.places);
    for (const p of c.optPlace) this.counts[p]!++;
    this.byPlace = Array.from(this.counts, (n) => new Int32Array(n));
    this.reordered();
    this.sack = new Knapsack(Math.max(1, ...this.byPlace.map((b) => b.length)));
    this.price = new Float64Array(c.lots);
    for (let l = 0; l < c.lots; l++) {
      const first = c.optStart[l]!;
      const cheapest = first === c.optStart[l + 1]! ? c.leave[l]! : Math.min(c.leave[l]!, c.optCost[first]!);
      const pays = at[l]! < 0 ? c.leave[l]! : c.optCost[at[l]!]!;
      this.price[l] = 0.4 * cheapest + 0.6 * pays;
    }
    this.bestPrice = this.price.slice();
    this.roomPrice = new Float64Array(c.places);
    this.roomNow = new Float64Array(c.places);
    this.loadPrice = new Float64Array(c.places);
    this.loadNow = new Float64Array(c.places);
    this.share = new Float64Array(c.places).fill(1);
    this.way = new Float64Array(c.lots);
    this.slack = new Float64Array(c.lots);
  }

  /** To be called when the options of the compiled problem have been put in another order. */
  reordered(): void {
    this.counts.fill(0);
    this.c.optPlace.forEach((p, o) => (this.byPlace[p]![this.counts[p]!++] = o));
  }

  /**
   * One round of knapsacks and one step of the prices toward a known total, in short pieces; left unfinished it has changed neither bound nor
   * prices.
   */
  *stepping(target: number): Generator<void, void> {
    const { c, price, slack, sack, way } = this;
    this.steps++;
    this.work += 10 + c.lots;
    let value = 0;
    for (let l = 0; l < c.lots; l++) {
      value += Math.min(price[l]!, c.leave[l]!);
      slack[l] = c.leave[l]! < price[l]! ? 0 : 1;
    }
    for (let p = 0; p < c.places; p++) {
      const options = this.byPlace[p]!;
      yield;
      let n = 0;
      for (const o of options) {
        const l = c.optLot[o]!;
        const gain = price[l]! - c.optCost[o]!;
        if (gain <= 1e-12) continue;
        this.picked[n] = l;
        sack.profit[n] = gain;
        sack.size[n] = c.optUse[o]!;
        sack.mass[n] = c.weight[l]!;
        n++;
      }
      sack.count = n;
      this.work += options.length;
      this.roomNow[p] = this.loadNow[p] = 0;
      if (n === 0) continue;
      const before = sack.nodes;
      value -= sack.solve(c.capacity[p]!, c.load[p]!, this.limit, this.share[p]);
      this.share[p] = sack.share;
      this.roomNow[p] = sack.roomPrice;
      this.loadNow[p] = sack.loadPrice;
      this.work += 6 * (sack.nodes - before) + 4 * n;
      for (let i = 0; i < n; i++) if (sack.chosen[i]) slack[this.picked[i]!]!--;
    }
    if (value > this.bound) {
      const rise = value - this.bound;
      this.bound = value;
      this.bestPrice.set(price);
      this.roomPrice.set(this.roomNow);
      this.loadPrice.set(this.loadNow);
      if (rise > 1e-5 * Math.abs(value)) this.waited = 0;
      else this.waited++;
    } else this.waited++;
    if (this.waited > 12) {
      this.waited = 0;
      this.theta *= 0.6;
      this.limit = Math.min(3000, this.limit * 2);
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
  private readonly picked = new Int32Array(100_000);
}
