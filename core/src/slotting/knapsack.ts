import { SLACK } from './compile.ts';

/**
 * 0/1 knapsack with a second limit, by depth-first branch and bound over the items in order of profit per size.
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
  /** profit per size of the item at which the relaxed sack was full: what a unit of its room is worth; 0 when all went in */
  critical = 0;
  private order: Int32Array;
  private readonly ratio: Float64Array;
  private readonly p: Float64Array;
  private readonly s: Float64Array;
  private readonly m: Float64Array;
  private readonly trail: Uint8Array;

  constructor(most: number) {
    this.profit = new Float64Array(most);
    this.size = new Float64Array(most);
    this.mass = new Float64Array(most);
    this.chosen = new Uint8Array(most);
    this.order = new Int32Array(most);
    this.ratio = new Float64Array(most);
    this.p = new Float64Array(most + 1);
    this.s = new Float64Array(most + 1);
    this.m = new Float64Array(most + 1);
    this.trail = new Uint8Array(most);
  }

  /**
   * Fills `chosen` with the best selection found.
   * @param limit nodes after which the search stops
   * @returns an upper bound of the best profit; the exact optimum when the search ended by itself
   */
  solve(capacity: number, load: number, limit: number): number {
    const n = this.count;
    for (let i = 0; i < n; i++) this.ratio[i] = this.profit[i]! / (this.size[i]! + 1e-12);
    const order = this.order.subarray(0, n);
    for (let i = 0; i < n; i++) order[i] = i;
    order.sort((a, b) => this.ratio[b]! - this.ratio[a]!);
    for (let i = 0; i < n; i++) {
      const k = order[i]!;
      this.p[i] = this.profit[k]!;
      this.s[i] = this.size[k]!;
      this.m[i] = this.mass[k]!;
    }
    this.chosen.fill(0, 0, n);
    const cap = capacity + SLACK;
    const most = load + SLACK;
    this.critical = 0;
    const root = this.fractional(0, cap);
    let best = 0;
    let have = 0;
    let room = cap;
    let carry = most;
    let i = 0;
    let nodes = 0;
    const { p, s, m, trail } = this;
    for (;;) {
      // go down: take what goes in
      while (i < n) {
        if (have + this.fractional(i, room) <= best + 1e-9) break;
        nodes++;
        if (s[i]! <= room && m[i]! <= carry) {
          trail[i] = 1;
          room -= s[i]!;
          carry -= m[i]!;
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
      have -= p[i]!;
      i++;
    }
    this.nodes += nodes + n;
    return best;
  }

  private fractional(from: number, room: number): number {
    const { p, s, count } = this;
    let sum = 0;
    for (let i = from; i < count; i++) {
      if (s[i]! <= room) {
        room -= s[i]!;
        sum += p[i]!;
      } else {
        if (from === 0) this.critical = p[i]! / s[i]!;
        return sum + (p[i]! * room) / s[i]!;
      }
    }
    return sum;
  }
}
