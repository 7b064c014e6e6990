import { SLACK } from './compile.ts';

/**
 * 0/1 knapsack limited by room and by load, by depth-first branch and bound. Both limits are one for its bounds: a share `a` of
 * size/capacity and 1 − a of mass/load (surrogate constraint; Glover 1968, from memory), with the share that bounds closest.
 * With that share the relaxed sack is worth what the linear relaxation with both limits is.
 * Reused between calls: fill `profit`, `size`, `mass` and `count`, then `solve`.
 */
export class Knapsack {
  readonly profit: Float64Array;
  readonly size: Float64Array;
  readonly mass: Float64Array;
  /** after solve: 1 for chosen items (by the caller's index) */
  readonly chosen: Uint8Array;
  count = 0;
  nodes = 0;
  /** after solve: what a unit of room and of load is worth in the relaxed sack; 0 when all went in */
  roomPrice = 0;
  loadPrice = 0;
  /** share of room in the limit that was used; a good guess when the same sack is solved again */
  share = 1;
  private readonly order: Int32Array;
  private readonly ratio: Float64Array;
  private readonly p: Float64Array;
  private readonly s: Float64Array;
  private readonly m: Float64Array;
  private readonly w: Float64Array;
  private readonly trail: Uint8Array;

  constructor(most: number) {
    this.profit = new Float64Array(most);
    this.size = new Float64Array(most);
    this.mass = new Float64Array(most);
    this.chosen = new Uint8Array(most);
    this.order = new Int32Array(most);
    this.ratio = new Float64Array(most);
    this.p = new Float64Array(most);
    this.s = new Float64Array(most);
    this.m = new Float64Array(most);
    this.w = new Float64Array(most);
    this.trail = new Uint8Array(most);
  }

  /**
   * Fills `chosen` with the best selection found.
   * @param limit nodes after which the search stops
   * @param guess share of room in the one limit to begin with, 0 to 1
   * @returns an upper bound of the best profit; the exact optimum when the search ended by itself
   */
  solve(capacity: number, load: number, limit: number, guess = 1): number {
    const n = this.count;
    const cap = capacity + SLACK;
    const most = load + SLACK;
    const root = this.relaxClosest(cap, most, guess, limit > 400 ? 14 : 4);
    this.nodes += n;
    const { order, p, s, m, w, trail } = this;
    for (let i = 0; i < n; i++) {
      const k = order[i]!;
      p[i] = this.profit[k]!;
      s[i] = this.size[k]!;
      m[i] = this.mass[k]!;
      w[i] = this.weigh(k, cap, most);
    }
    this.chosen.fill(0, 0, n);
    let best = 0;
    let have = 0;
    let room = cap;
    let carry = most;
    // rounding of the sums may not cost a selection that just goes in
    let left = 1 + 1e-12;
    let i = 0;
    let nodes = 0;
    for (;;) {
      // go down: take what goes in
      while (i < n) {
        if (have + this.fractional(i, left) <= best + 1e-9) break;
        nodes++;
        if (s[i]! <= room && m[i]! <= carry) {
          trail[i] = 1;
          room -= s[i]!;
          carry -= m[i]!;
          left -= w[i]!;
          have += p[i]!;
        } else trail[i] = 0;
        i++;
      }
      if (i === n && have > best) {
        best = have;
        for (let k = 0; k < n; k++) this.chosen[order[k]!] = trail[k]!;
      }
      if (nodes > limit) {
        this.nodes += nodes;
        return root;
      }
      // back up to the last item taken and leave it out
      i--;
      while (i >= 0 && trail[i] === 0) i--;
      if (i < 0) break;
      trail[i] = 0;
      room += s[i]!;
      carry += m[i]!;
      left += w[i]!;
      have -= p[i]!;
      i++;
    }
    this.nodes += nodes;
    return Math.min(root, best);
  }

  private weigh(k: number, cap: number, most: number): number {
    const { share } = this;
    return (share > 0 ? (share * this.size[k]!) / cap : 0) + (share < 1 ? ((1 - share) * this.mass[k]!) / most : 0);
  }

  /**
   * Looks for the share of room whose relaxed sack is worth least: where that sack keeps both limits, or the lowest point between
   * a share that breaks the load and one that breaks the room. Leaves `order`, `share` and the prices as they are for it.
   */
  private relaxClosest(cap: number, most: number, guess: number, rounds: number): number {
    let low = 0;
    let high = 1;
    let best = Infinity;
    let bestShare = guess;
    let share = guess;
    let stride = 0.02;
    for (let round = 0; round < rounds; round++) {
      const value = this.relax(share, cap, most);
      if (value < best) {
        best = value;
        bestShare = share;
      }
      const tooMuch = this.takenSize > cap * (1 + 1e-9);
      const tooHeavy = this.takenMass > most * (1 + 1e-9);
      // more of the limit that is broken; with both kept this is the optimum of the relaxation
      if (tooMuch === tooHeavy) break;
      if (tooMuch) low = share;
      else high = share;
      if (high - low < 1e-3) break;
      // away from the guess in longer and longer strides until it lies between two ends, then by halves
      if (tooMuch && high === 1) share = Math.min(1, share + stride);
      else if (tooHeavy && low === 0) share = Math.max(0, share - stride);
      else share = (low + high) / 2;
      stride *= 4;
    }
    if (this.share !== bestShare) this.relax(bestShare, cap, most);
    return best;
  }

  private takenSize = 0;
  private takenMass = 0;

  /** The relaxed sack at a share of room: items in order of profit per weight, the last one in part. */
  private relax(share: number, cap: number, most: number): number {
    const n = this.count;
    this.share = share;
    const order = this.order.subarray(0, n);
    for (let k = 0; k < n; k++) {
      this.ratio[k] = this.profit[k]! / (this.weigh(k, cap, most) + 1e-15);
      order[k] = k;
    }
    order.sort((a, b) => this.ratio[b]! - this.ratio[a]!);
    this.roomPrice = this.loadPrice = 0;
    let left = 1;
    let sum = 0;
    let size = 0;
    let mass = 0;
    for (let i = 0; i < n; i++) {
      const k = order[i]!;
      const w = this.weigh(k, cap, most);
      const part = w <= left ? 1 : left / w;
      sum += part * this.profit[k]!;
      size += part * this.size[k]!;
      mass += part * this.mass[k]!;
      left -= part * w;
      if (part < 1) {
        this.roomPrice = (this.ratio[k]! * share) / cap;
        this.loadPrice = (this.ratio[k]! * (1 - share)) / most;
        break;
      }
    }
    this.takenSize = size;
    this.takenMass = mass;
    return sum;
  }

  private fractional(from: number, left: number): number {
    const { p, w, count } = this;
    let sum = 0;
    for (let i = from; i < count; i++) {
      if (w[i]! > left) return left > 0 ? sum + (p[i]! * left) / w[i]! : sum;
      left -= w[i]!;
      sum += p[i]!;
    }
    return sum;
  }
}
