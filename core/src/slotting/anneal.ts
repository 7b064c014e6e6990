import { type Compiled, tied } from './compile.ts';
import { type Random } from './random.ts';
import { type State } from './state.ts';

/**
 * Simulated annealing over three moves: shift a lot, swap two lots, and put a lot where it does not fit by sending
 * those in its way elsewhere (an ejection chain of one link, each sent to the first good option left). The state stays feasible.
 */
export class Annealer {
  best: Int32Array;
  bestTotal: number;
  readonly c: Compiled;
  private readonly scale: number;
  private readonly movable: Int32Array;

  constructor(
    private readonly state: State,
    private readonly random: Random,
  ) {
    this.c = state.c;
    this.best = state.at.slice();
    this.bestTotal = state.total;
    this.movable = Int32Array.from(
      Array.from({ length: this.c.lots }, (_, l) => l).filter((l) => this.c.optStart[l + 1]! > this.c.optStart[l]!),
    );
    this.scale = this.typicalStep();
  }

  /** Mean loss from a lot's best option to one a few places further: what a move is worth. */
  private typicalStep(): number {
    const { c } = this;
    let sum = 0;
    let n = 0;
    for (const l of this.movable) {
      const first = c.optStart[l]!;
      const other = Math.min(c.optStart[l + 1]! - 1, first + 3);
      sum += (other > first ? c.optCost[other]! : c.leave[l]!) - c.optCost[first]!;
      n++;
    }
    return n > 0 && sum > 0 ? sum / n : 1;
  }

  /** Runs some moves at temperatures falling from `hot` to `cold` (shares of a typical step), the part from `t0` to `t1` of the whole. */
  run(moves: number, hot: number, cold: number, t0: number, t1: number): void {
    const { movable, random, state } = this;
    if (movable.length === 0) return;
    const cool = Math.log(cold / hot);
    for (let i = 0; i < moves; i++) {
      if ((i & 255) === 0 || this.temperature === 0)
        this.temperature = this.scale * hot * Math.exp(cool * (t0 + ((t1 - t0) * i) / moves));
      const l = movable[random.below(movable.length)]!;
      this.step(l);
      if (state.total < this.bestTotal - 1e-7) this.keep();
    }
    this.temperature = 0;
  }
  private temperature = 0;

  private keep(): void {
    this.best.set(this.state.at);
    this.bestTotal = this.state.total;
  }

  /** A loss that a random draw lets pass at this temperature (Metropolis rule, drawn before the move is looked at). */
  private allowance(): number {
    return -Math.log(this.random.next() + 1e-300) * this.temperature;
  }

  private step(l: number): void {
    const { c, state, random } = this;
    const first = c.optStart[l]!;
    const n = c.optStart[l + 1]! - first;
    const r = random.next();
    const o = first + Math.floor(r * r * n);
    const now = state.at[l]!;
    const allowed = this.allowance();
    if (o === now) {
      if (random.next() < 0.02 && state.delta(l, -1) <= allowed) state.move(l, -1);
      return;
    }
    const delta = state.delta(l, o);
    if (state.fits(o)) {
      if (delta <= allowed) state.move(l, o);
      return;
    }
    if (now >= 0 && random.next() < 0.5) this.swap(l, o, delta, allowed);
    else this.eject(l, o, allowed);
  }

  private swap(l: number, o: number, delta: number, allowed: number): void {
    const { c, state, random } = this;
    const list = state.members[c.optPlace[o]!]!;
    const other = list[random.below(list.length)]!;
    const from = state.at[l]!;
    const to = c.optionAt[other * c.places + c.optPlace[from]!]!;
    if (to < 0) return;
    const otherNow = state.at[other]!;
    const kin = tied(c, l, other);
    if (!kin && delta + state.delta(other, to) > allowed) return;
    if (!state.fits(o, otherNow) || !state.fits(to, from)) return;
    const before = state.total;
    state.move(l, -1);
    state.move(other, to);
    state.move(l, o);
    if (!kin || state.total - before <= allowed) return;
    state.move(l, -1);
    state.move(other, otherNow);
    state.move(l, from);
    state.total = before;
  }

  private readonly moved: number[] = [];
  private readonly wasAt: number[] = [];

  /** Takes out members of the wanted place until the lot fits, then homes each of them as well as can be. */
  private eject(l: number, o: number, allowed: number): void {
    const { c, state, random, moved, wasAt } = this;
    const before = state.total;
    const p = c.optPlace[o]!;
    moved.length = wasAt.length = 0;
    const out = (m: number) => {
      moved.push(m);
      wasAt.push(state.at[m]!);
      state.move(m, -1);
    };
    out(l);
    while (!state.fits(o)) {
      const list = state.members[p]!;
      if (list.length === 0 || moved.length > 4) return this.undo(before);
      out(list[random.below(list.length)]!);
    }
    state.move(l, o);
    for (let i = 1; i < moved.length; i++) {
      const m = moved[i]!;
      const end = c.optStart[m + 1]!;
      for (let k = c.optStart[m]!; k < end; k++) {
        if (!state.fits(k) || random.next() < 0.15) continue;
        if (state.delta(m, k) < 0) state.move(m, k);
        break;
      }
    }
    if (state.total - before > allowed) this.undo(before);
  }

  private undo(before: number): void {
    const { state, moved, wasAt } = this;
    for (const m of moved) if (state.at[m]! >= 0) state.move(m, -1);
    for (let i = moved.length - 1; i >= 0; i--) if (wasAt[i]! >= 0) state.move(moved[i]!, wasAt[i]!);
    state.total = before;
  }
}
