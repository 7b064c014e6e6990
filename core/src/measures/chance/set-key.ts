import { mixed } from './mixed.ts';

/**
 * A number for a set of whole numbers from 0, kept up to date while members come and go: each has two words drawn by chance, and those of all members are taken
 * together bit by bit (Zobrist 1970, memory). Of a million sets two have the same number once in some ten thousand times.
 */
export class SetKey {
  private high = 0;
  private low = 0;

  /** A member comes, or one goes. */
  toggle(member: number): void {
    this.high ^= mixed(2 * member + 0x9e3779b1);
    this.low ^= mixed(2 * member + 0x9e3779b2);
  }

  get number(): number {
    return (this.high >>> 11) * 0x1_0000_0000 + (this.low >>> 0);
  }
}
