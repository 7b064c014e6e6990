/** A small seeded generator (xorshift32): same seed, same numbers. Not for secrets. */
export class Random {
  private s: number;
  constructor(seed: number) {
    this.s = (Math.imul(seed | 0, 0x9e3779b1) ^ 0x5bd1e995) | 0 || 1;
    for (let i = 0; i < 8; i++) this.next();
  }
  /** In [0, 1). */
  next(): number {
    let s = this.s;
    s ^= s << 13;
    s ^= s >>> 17;
    s ^= s << 5;
    this.s = s;
    return (s >>> 0) / 4294967296;
  }
  /** Whole number in [0, n). */
  below(n: number): number {
    return Math.floor(this.next() * n);
  }
}
