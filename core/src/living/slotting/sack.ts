import { SLACK } from './compile.ts';

/** How far the price of a limit is looked for at once. */
const STRIDES = 8;
const HALVES = 3;
/** A position of the search is bounded at the best prices and at these multiples of them: with little room left, room is dearer. */
const FACTORS = [0.3, 0.5, 0.7, 0.85, 1, 1.2, 1.5, 2, 3, 5, 9];
const PLAIN_PRICE = 4;

/**
 * The best a place can take in, where things are tied: a 0/1 knapsack with several limits and fixed charges (Akinc 2006 and others, from memory).
 * Things belong to bundles, bundles to tops: the first thing taken of a bundle pays the bundle’s fixed charge, the first of a top the top’s.
 *
 * A price on every limit makes it fall apart into bundles; the lowest worth over all prices bounds it from above. With these prices what cannot be part
 * of anything better than a first answer is left out, and the rest is gone through depth first, whole bundles bounded by what they would bring.
 *
 * Filled and reused by the caller: `profit`, `size`, `bundle` of each thing; `top` and `charge` of each bundle; `topCharge`.
 */
export class Sack {
  readonly profit: Float64Array;
  readonly size: Float64Array;
  readonly bundle: Int32Array;
  readonly top: Int32Array;
  readonly charge: Float64Array;
  readonly topCharge: Float64Array;
  count = 0;
  bundles = 0;
  tops = 0;
  /** after solve: 1 for chosen things */
  readonly chosen: Uint8Array;
  nodes = 0;

  private readonly reduced: Float64Array;
  private readonly order: Int32Array;
  private readonly bundleValue: Float64Array;
  private readonly bundleSize: Float64Array;
  private readonly topValue: Float64Array;
  private readonly sum: Float64Array;
  private readonly room: Float64Array;
  // in the order of the search
  private readonly item: Int32Array;
  private readonly rest: Float64Array[];
  private readonly restBundle: Float64Array[];
  private readonly restTop: Float64Array[];
  /** of what comes from a position on: the least size per resource, the largest profit */
  private readonly least: Float64Array;
  private readonly mostProfit: Float64Array;
  private readonly opensBundle: Uint8Array;
  private readonly opensTop: Uint8Array;
  private readonly taken: Uint8Array;
  private readonly bundleOpen: Uint8Array;
  private readonly topOpen: Uint8Array;

  constructor(
    most: number,
    readonly resources: number,
  ) {
    const floats = () => new Float64Array(most);
    const bytes = () => new Uint8Array(most + 1);
    this.profit = floats();
    this.size = new Float64Array(most * resources);
    this.bundle = new Int32Array(most);
    this.top = new Int32Array(most);
    this.charge = floats();
    this.topCharge = floats();
    this.chosen = bytes();
    this.reduced = floats();
    this.order = new Int32Array(most);
    this.bundleValue = floats();
    this.bundleSize = new Float64Array(most * resources);
    this.topValue = floats();
    this.sum = new Float64Array(resources);
    this.room = new Float64Array(resources);
    this.item = new Int32Array(most);
    this.rest = FACTORS.map(floats);
    this.restBundle = FACTORS.map(floats);
    this.restTop = FACTORS.map(floats);
    this.least = new Float64Array(most * resources);
    this.mostProfit = floats();
    this.opensBundle = bytes();
    this.opensTop = bytes();
    this.taken = bytes();
    this.bundleOpen = bytes();
    this.topOpen = bytes();
  }

  /** Worth of the sack at some prices of its limits; leaves in `sum` what is used then. */
  private priced(limits: Float64Array, price: Float64Array): number {
    const { count, resources, bundleValue, bundleSize, topValue, sum, reduced, size, bundle } = this;
    bundleValue.fill(0, 0, this.bundles);
    bundleSize.fill(0, 0, this.bundles * resources);
    topValue.fill(0, 0, this.tops);
    sum.fill(0);
    let value = 0;
    for (let r = 0; r < resources; r++) value += price[r]! * limits[r]!;
    for (let i = 0; i < count; i++) {
      let v = this.profit[i]!;
      const k = i * resources;
      for (let r = 0; r < resources; r++) v -= price[r]! * size[k + r]!;
      reduced[i] = v;
      if (v <= 0) continue;
      const b = bundle[i]!;
      bundleValue[b]! += v;
      for (let r = 0; r < resources; r++) bundleSize[b * resources + r]! += size[k + r]!;
    }
    for (let b = 0; b < this.bundles; b++) {
      const v = (bundleValue[b]! -= this.charge[b]!);
      if (v > 0) topValue[this.top[b]!]! += v;
    }
    for (let t = 0; t < this.tops; t++) {
      const v = (topValue[t]! -= this.topCharge[t]!);
      if (v > 0) value += v;
    }
    for (let b = 0; b < this.bundles; b++)
      if (bundleValue[b]! > 0 && topValue[this.top[b]!]! > 0)
        for (let r = 0; r < resources; r++) sum[r]! += bundleSize[b * resources + r]!;
    return value;
  }

  /**
   * Looks for the prices at which the sack is worth least: limit after limit, away from the price it had last time in longer and longer strides until
   * one that is too dear and one that is too cheap are known, then by halves. Leaves the best in `price`.
   */
  private closest(limits: Float64Array, price: Float64Array): number {
    const { resources, sum } = this;
    let best = this.priced(limits, price);
    // two limits that both bind are looked for in turn
    for (let turn = 0; turn < 2 * resources; turn++) {
      const r = turn % resources;
      if (turn === resources && !this.bindsTwice(price)) break;
      const was = price[r]!;
      const dear = sum[r]! <= limits[r]!;
      if (dear && was === 0) continue;
      let low = 0;
      let high = Infinity;
      let at = was;
      let step = was > 0 ? 0.04 * was : this.dearest(r);
      if (dear) high = was;
      else low = was;
      let tries = 0;
      for (let next = was; tries < STRIDES && (dear ? low === 0 : high === Infinity); tries++) {
        next = dear ? Math.max(0, next - step) : next + step;
        step *= 2.5;
        price[r] = next;
        const value = this.priced(limits, price);
        if (value < best) {
          best = value;
          at = next;
        }
        if (sum[r]! <= limits[r]!) high = next;
        else low = next;
        if (next === 0) break;
      }
      for (let k = 0; k < HALVES && high < Infinity; k++) {
        const middle = (low + high) / 2;
        price[r] = middle;
        const value = this.priced(limits, price);
        if (value < best) {
          best = value;
          at = middle;
        }
        if (sum[r]! <= limits[r]!) high = middle;
        else low = middle;
      }
      price[r] = at;
      this.priced(limits, price);
    }
    return best;
  }

  private bindsTwice(price: Float64Array): boolean {
    let binding = 0;
    for (let r = 0; r < this.resources; r++) if (price[r]! > 0) binding++;
    return binding > 1;
  }

  private dearest(r: number): number {
    let most = 0;
    for (let i = 0; i < this.count; i++) {
      const s = this.size[i * this.resources + r]!;
      if (s > 0) most = Math.max(most, this.profit[i]! / s);
    }
    return Math.max(most / 32, 1e-9);
  }

  /**
   * Fills `chosen` with the best selection found.
   * @param limits of each resource
   * @param price of each resource to begin with; changed to the best ones found
   * @param nodes after which the search stops
   * @returns an upper bound of the best worth; the optimum itself when the search ended by itself
   */
  solve(limits: Float64Array, price: Float64Array, nodes: number): number {
    const { count, resources, chosen, reduced, order, bundleValue, topValue, room } = this;
    chosen.fill(0, 0, count);
    this.nodes += count;
    if (count === 0) return 0;
    let fitsAll = true;
    for (let r = 0; r < resources && fitsAll; r++) {
      let sum = 0;
      for (let i = 0; i < count; i++) sum += this.size[i * resources + r]!;
      if (sum > limits[r]!) fitsAll = false;
    }
    if (fitsAll) price.fill(0);
    const root = this.closest(limits, price);
    this.priced(limits, price);
    for (let i = 0; i < count; i++) order[i] = i;
    // tops by worth, bundles by worth, things by worth
    order.subarray(0, count).sort((a, b) => {
      const [x, y] = [this.bundle[a]!, this.bundle[b]!];
      if (x === y) return reduced[b]! - reduced[a]!;
      const [t, u] = [this.top[x]!, this.top[y]!];
      if (t !== u) return topValue[u]! - topValue[t]! || t - u;
      return bundleValue[y]! - bundleValue[x]! || x - y;
    });
    for (let r = 0; r < resources; r++) room[r] = limits[r]! + SLACK;
    let best = this.first();
    const slack = root - best;
    if (slack <= 1e-9 * Math.abs(root) + 1e-9) return root;
    // what costs more than the slack when it is taken is not part of anything better
    let n = 0;
    for (let k = 0; k < count; k++) {
      const i = order[k]!;
      const b = this.bundle[i]!;
      const t = this.top[b]!;
      const r = reduced[i]!;
      const loss = Math.max(0, -r) + this.deficit(b, t);
      if (loss > slack + 1e-9) continue;
      this.item[n++] = i;
    }
    for (let k = 0; k < FACTORS.length; k++) this.boundsOf(n, k, price);
    for (let k = n - 1; k >= 0; k--) {
      const x = this.item[k]!;
      this.mostProfit[k] = Math.max(this.profit[x]!, k + 1 < n ? this.mostProfit[k + 1]! : 0);
      for (let r = 0; r < resources; r++)
        this.least[k * resources + r] = Math.min(
          this.size[x * resources + r]!,
          k + 1 < n ? this.least[(k + 1) * resources + r]! : Infinity,
        );
    }
    for (let r = 0; r < resources; r++) room[r] = limits[r]! + SLACK;
    let have = 0;
    let factor = PLAIN_PRICE;
    let visited = 0;
    let i = 0;
    const { taken, bundleOpen, topOpen, opensBundle, opensTop } = this;
    for (;;) {
      while (i < n) {
        const x = this.item[i]!;
        const b = this.bundle[x]!;
        const t = this.top[b]!;
        topOpen[i] = opensTop[i]! === 1 ? (this.topCharge[t] === 0 ? 1 : 0) : topOpen[i - 1]! | taken[i - 1]!;
        bundleOpen[i] = opensBundle[i]! === 1 ? (this.charge[b] === 0 ? 1 : 0) : bundleOpen[i - 1]! | taken[i - 1]!;
        const toOpen = bundleOpen[i] === 1 ? 0 : this.charge[b]!;
        const topToOpen = topOpen[i] === 1 ? 0 : this.topCharge[t]!;
        let worth = 0;
        for (let r = 0; r < resources; r++) worth += price[r]! * room[r]!;
        // so many more go in at most, none brings more than the best of them
        let more = n - i;
        for (let r = 0; r < resources; r++)
          if (this.least[i * resources + r]! > 0)
            more = Math.min(more, Math.floor(room[r]! / this.least[i * resources + r]!));
        if (more === 0 && have > best) {
          best = have;
          chosen.fill(0, 0, count);
          for (let k = 0; k < i; k++) if (taken[k] === 1) chosen[this.item[k]!] = 1;
        }
        let hopeless = have + more * this.mostProfit[i]! <= best + 1e-9;
        // at the price that fits the room left: downhill from the one that fitted last
        let bound = Infinity;
        for (let step = 0, way = 1; !hopeless; step++) {
          let bring = this.rest[factor]![i]! - toOpen;
          if (bring < 0) bring = 0;
          bring += this.restBundle[factor]![i]! - topToOpen;
          if (bring < 0) bring = 0;
          const here = have + FACTORS[factor]! * worth + bring + this.restTop[factor]![i]!;
          if (here <= best + 1e-9) hopeless = true;
          else if (here < bound && factor + way >= 0 && factor + way < FACTORS.length) {
            bound = here;
            factor += way;
          } else if (step === 1) {
            // uphill: the other way
            way = -way;
            factor = Math.max(0, Math.min(FACTORS.length - 1, factor + 2 * way));
          } else break;
        }
        if (hopeless) break;
        visited++;
        let goes = true;
        for (let r = 0; r < resources; r++) if (this.size[x * resources + r]! > room[r]!) goes = false;
        if (goes) {
          taken[i] = 1;
          const fixed = (bundleOpen[i] === 1 ? 0 : this.charge[b]!) + (topOpen[i] === 1 ? 0 : this.topCharge[t]!);
          have += this.profit[x]! - fixed;
          for (let r = 0; r < resources; r++) room[r]! -= this.size[x * resources + r]!;
        } else taken[i] = 0;
        i++;
      }
      if (i === n && have > best) {
        best = have;
        chosen.fill(0, 0, count);
        for (let k = 0; k < n; k++) if (taken[k] === 1) chosen[this.item[k]!] = 1;
      }
      if (visited > nodes) {
        this.nodes += visited;
        return root;
      }
      i--;
      while (i >= 0 && taken[i] === 0) i--;
      if (i < 0) break;
      const x = this.item[i]!;
      const b = this.bundle[x]!;
      const t = this.top[b]!;
      taken[i] = 0;
      const fixed = (bundleOpen[i] === 1 ? 0 : this.charge[b]!) + (topOpen[i] === 1 ? 0 : this.topCharge[t]!);
      have -= this.profit[x]! - fixed;
      for (let r = 0; r < resources; r++) room[r]! += this.size[x * resources + r]!;
      i++;
    }
    this.nodes += visited;
    return Math.min(root, best);
  }

  /** What taking a thing of a bundle that does not pay, or of a top that does not, costs at least. */
  private deficit(b: number, t: number): number {
    const ofBundle = Math.min(0, this.bundleValue[b]!);
    // a bundle that does not pay brings its deficit into its top; a top that does not pay has it whole
    const ofTop = this.topValue[t]! + ofBundle;
    return this.topValue[t]! > 0 ? -ofBundle : -Math.min(0, ofTop);
  }

  /** A first selection, whole bundles that pay in their order as far as they go in. */
  private first(): number {
    const { count, resources, order, reduced, room, chosen } = this;
    let have = 0;
    let bundle = -1;
    let paid = 0;
    const tops = this.opensTop;
    tops.fill(0, 0, this.tops);
    let begun = 0;
    /** takes back a bundle that did not pay in the end */
    const close = (end: number) => {
      if (bundle < 0) return;
      const t = this.top[bundle]!;
      const fixed = this.charge[bundle]! + (tops[t] === 1 ? 0 : this.topCharge[t]!);
      if (paid > fixed) {
        have += paid - fixed;
        tops[t] = 1;
      } else
        for (let k = begun; k < end; k++) {
          const i = order[k]!;
          if (chosen[i] === 0) continue;
          chosen[i] = 0;
          for (let r = 0; r < resources; r++) room[r]! += this.size[i * resources + r]!;
        }
    };
    for (let k = 0; k < count; k++) {
      const i = order[k]!;
      if (this.bundle[i] !== bundle) {
        close(k);
        bundle = this.bundle[i]!;
        paid = 0;
        begun = k;
      }
      if (reduced[i]! <= 0 && this.bundleValue[bundle]! <= 0) continue;
      let goes = true;
      for (let r = 0; r < resources; r++) if (this.size[i * resources + r]! > room[r]!) goes = false;
      if (!goes) continue;
      chosen[i] = 1;
      paid += this.profit[i]!;
      for (let r = 0; r < resources; r++) room[r]! -= this.size[i * resources + r]!;
    }
    close(count);
    return have;
  }

  /** What everything from a position on would bring if room were had at its price. */
  private boundsOf(n: number, factor: number, price: Float64Array): void {
    const [rest, restBundle, restTop] = [this.rest[factor]!, this.restBundle[factor]!, this.restTop[factor]!];
    let bundleRest = 0;
    let topRest = 0;
    let inBundle = 0;
    for (let k = n - 1; k >= 0; k--) {
      const b = this.bundle[this.item[k]!]!;
      const t = this.top[b]!;
      const after = k + 1 < n ? this.bundle[this.item[k + 1]!]! : -1;
      if (after !== b) {
        if (after >= 0) {
          const brings = Math.max(0, inBundle - this.charge[after]!);
          if (this.top[after] === t) bundleRest += brings;
          else {
            topRest += Math.max(0, bundleRest + brings - this.topCharge[this.top[after]!]!);
            bundleRest = 0;
          }
        }
        inBundle = 0;
      }
      const x = this.item[k]!;
      let v = this.profit[x]!;
      for (let r = 0; r < this.resources; r++) v -= FACTORS[factor]! * price[r]! * this.size[x * this.resources + r]!;
      inBundle += Math.max(0, v);
      rest[k] = inBundle;
      restBundle[k] = bundleRest;
      restTop[k] = topRest;
    }
    for (let k = 0; k < n; k++) {
      const b = this.bundle[this.item[k]!]!;
      const before = k > 0 ? this.bundle[this.item[k - 1]!]! : -1;
      this.opensBundle[k] = before === b ? 0 : 1;
      this.opensTop[k] = before >= 0 && this.top[before] === this.top[b] ? 0 : 1;
    }
  }
}
