import type { Random } from '../../living/slotting/index.ts';
import { type Compiled } from './compile.ts';
import { firstOrders } from './rules.ts';
import { Timetable } from './timetable.ts';

/** Temperatures as shares of what the first answer is worth a job. */
const HOT = 0.5;
const COLD = 0.002;

/** So often a job is put elsewhere with all it waits for, or that waits for it. */
const WITH_OTHERS = 0.4;

/** Betters the order in which a timetable is filled: one job at a time is put elsewhere among those it may stand between, annealed. */
export class ScheduleSearch {
  best: Timetable;
  tried = 0;
  private order: Int32Array;
  private at: Int32Array;
  private value: number;
  private readonly before: Int32Array;
  private readonly trial: Timetable;
  private readonly scale: number;

  constructor(
    private readonly c: Compiled,
    private readonly random: Random,
    begin: Int32Array | null = null,
  ) {
    this.trial = new Timetable(c);
    const orders = begin ? [begin, ...firstOrders(c)] : firstOrders(c);
    const filled = orders.map((order) => {
      const t = new Timetable(c);
      t.fill(order);
      return { order, t };
    });
    const first = filled.reduce((a, b) => (b.t.value < a.t.value ? b : a));
    this.best = first.t;
    this.order = Int32Array.from(first.order);
    this.value = first.t.value;
    this.before = Int32Array.from(this.order);
    this.at = new Int32Array(c.jobs.length);
    this.number();
    this.scale = (first.t.value - first.t.late * c.late) / Math.max(1, c.jobs.length);
  }

  /** So many proposals at the temperature of this share of the whole. */
  run(proposals: number, done: number): void {
    const { random } = this;
    if (this.c.jobs.length < 2) return;
    const heat = this.scale * HOT * (COLD / HOT) ** Math.min(1, done);
    for (let k = 0; k < proposals; k++) {
      this.tried++;
      this.before.set(this.order);
      if (!(random.next() < WITH_OTHERS ? this.shiftWithOthers() : this.shift())) continue;
      const most = this.value + heat * -Math.log(1 - random.next());
      const value = this.trial.fill(this.order, most);
      if (value > most) {
        this.order.set(this.before);
        this.number();
      } else {
        this.value = value;
        if (value < this.best.value - 1e-9) this.best = this.trial.copy();
      }
    }
  }

  /** One job elsewhere between what comes before it and what comes after. */
  private shift(): boolean {
    const { c, order, at, random } = this;
    const job = order[random.below(order.length)]!;
    let [low, high] = [0, order.length - 1];
    for (const b of c.jobs[job]!.before) low = Math.max(low, at[b]! + 1);
    for (const a of c.jobs[job]!.after) high = Math.min(high, at[a]! - 1);
    if (high <= low) return false;
    const from = at[job]!;
    let to = low + random.below(high - low);
    if (to >= from) to++;
    if (to > from) order.copyWithin(from, from + 1, to + 1);
    else order.copyWithin(to + 1, to, from);
    order[to] = job;
    this.number();
    return true;
  }

  /** A job to an earlier turn with all it waits for, or to a later one with all that waits for it. */
  private shiftWithOthers(): boolean {
    const { c, order, at, before, random } = this;
    const n = order.length;
    const job = before[random.below(n)]!;
    const to = random.below(n);
    const sooner = to < at[job]!;
    const [first, last] = sooner ? [to, at[job]!] : [at[job]!, to];
    if (first === last) return false;
    const along = new Set([job]);
    // what lies between in its order, those that go along found on the way
    for (let i = sooner ? last : first; i >= first && i <= last; i += sooner ? -1 : 1) {
      const k = before[i]!;
      if (along.has(k)) for (const o of sooner ? c.jobs[k]!.before : c.jobs[k]!.after) along.add(o);
    }
    let [one, other] = [first, last];
    for (let i = first; i <= last; i++) if (along.has(before[i]!) === sooner) order[one++] = before[i]!;
    for (let i = last; i >= first; i--) if (along.has(before[i]!) !== sooner) order[other--] = before[i]!;
    this.number();
    return true;
  }

  private number(): void {
    for (let i = 0; i < this.order.length; i++) this.at[this.order[i]!] = i;
  }
}
