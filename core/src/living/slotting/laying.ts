import { SetKey } from '../../measures/chance/index.ts';
import { type State } from './state.ts';

/**
 * Which of some lots, numbers, cannot be in a place beside the rest; empty when all of them can. Whoever knows the things tells it: what goes in is more than sums of room.
 */
export type Over = (place: number, lots: readonly number[]) => readonly number[];

/** So many sets are remembered before all are forgotten. */
const MOST_KNOWN = 1_000_000;

/** Whether what is in places lies there, asked once of every set of lots. */
export class Laying {
  private readonly known = new Map<number, boolean>();

  constructor(
    private readonly state: State,
    private readonly over: Over,
  ) {}

  /** Whether all that is in a place now lies there. */
  lies(p: number): boolean {
    const { c, memberStart, count, member } = this.state;
    const n = count[p]!;
    if (p === c.places || n === 0) return true;
    const key = new SetKey();
    key.toggle(c.lots + p);
    for (let k = memberStart[p]!; k < memberStart[p]! + n; k++) key.toggle(member[k]!);
    let known = this.known.get(key.number);
    if (known === undefined) {
      if (this.known.size >= MOST_KNOWN) this.known.clear();
      this.known.set(key.number, (known = this.over(p, this.membersOf(p)).length === 0));
    }
    return known;
  }

  /** Sends out of their places, to no home, those lots that cannot be beside the rest there. */
  clear(): void {
    const { c } = this.state;
    for (let p = 0; p < c.places; p++)
      while (!this.lies(p)) for (const l of this.over(p, this.membersOf(p))) this.state.move(l, c.noHome[l]!);
  }

  private membersOf(p: number): number[] {
    const { memberStart, count, member } = this.state;
    return [...member.subarray(memberStart[p], memberStart[p]! + count[p]!)].sort((a, b) => a - b);
  }
}
