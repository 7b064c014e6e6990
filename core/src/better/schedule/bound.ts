import { type Compiled } from './compile.ts';

/**
 * Less than this no timetable is worth. Every job may end in each session in parts (the time-indexed relaxation of scheduling; Dyer and Wolsey 1990, from
 * memory), and these are priced instead of held (Lagrange): that a session’s people have no more minutes than there are; that jobs which take more than half of
 * them do not go on at once; that a month has so much money; that at every session no more of a job has ended than of what comes before it. Prices follow
 * a subgradient with Polyak’s step towards the best timetable known.
 */
export class ScheduleBound {
  bound = 0;
  steps = 0;
  private readonly minutes: Float64Array;
  private readonly crowd: Float64Array;
  private readonly ended: Float64Array;
  private readonly purse: Float64Array;
  private readonly chain: Float64Array[];
  private readonly edges: [number, number][];
  /** first session a job can end in, whatever the others do */
  private readonly soonest: number[];
  private readonly parted: boolean;
  private readonly room: number[];
  private theta = 1;
  private waited = 0;

  /** work and money are counted in what a typical job takes of them, so that all prices move alike */
  private readonly c: Compiled;

  constructor(given: Compiled) {
    const c = (this.c = inTypical(given));
    const S = c.sessions.length;
    this.minutes = new Float64Array(S);
    this.crowd = new Float64Array(S);
    this.ended = new Float64Array(S);
    this.purse = new Float64Array(c.purse.length);
    this.edges = c.jobs.flatMap((j, i) => (j.never ? [] : j.before.map((b): [number, number] => [b, i])));
    this.chain = this.edges.map(() => new Float64Array(S));
    this.parted = c.jobs.some((j) => j.piece > 0);
    this.room = c.sessions.map((s) => s.minutes * s.people);
    this.soonest = soonestEnds(c);
  }

  /** One step towards a timetable that is worth so much, of which so many jobs may be left out. */
  step(target: number, leftOut: number): void {
    const { c, edges, chain, room } = this;
    const S = c.sessions.length;
    this.steps++;
    if (S === 0) return;
    const price = c.jobs.map(() => new Float64Array(S));
    for (const [e, [b, a]] of edges.entries()) {
      let sum = 0;
      for (let s = S - 1; s >= 0; s--) {
        sum += chain[e]![s]!;
        price[a]![s]! += sum;
        price[b]![s]! -= sum;
      }
    }
    const since = new Float64Array(S);
    for (let s = S - 1, sum = 0; s >= 0; s--) since[s] = sum += this.ended[s]!;
    // what each job pays at these prices, and where it ends
    const at = new Int32Array(c.jobs.length).fill(-1);
    const pays: number[] = [];
    for (const [i, j] of c.jobs.entries()) {
      if (j.never) continue;
      const work = j.minutes * j.people;
      let best = Infinity;
      for (let s = this.soonest[i]!; s <= j.last; s++) {
        const { day, people, minutes, month } = c.sessions[s]!;
        if (people < j.people || (j.piece === 0 && minutes < j.minutes)) continue;
        let cost = j.saves * day + price[i]![s]! + since[s]! * work;
        if (j.piece === 0) {
          cost += this.minutes[s]! * work;
          if (2 * j.people > people) cost += this.crowd[s]! * j.minutes;
          if (c.purse[month]! < Infinity) cost += this.purse[month]! * j.money;
        }
        if (cost < best) {
          best = cost;
          at[i] = s;
        }
      }
      // it must be left out, then
      if (at[i]! >= 0) pays.push(best);
    }
    let value = pays.reduce((a, b) => a + b, 0);
    pays.sort((a, b) => b - a);
    for (let k = 0; k < leftOut; k++) value -= Math.max(0, pays[k] ?? 0);
    let all = 0;
    for (let s = 0; s < S; s++) {
      all += room[s]!;
      value -= this.minutes[s]! * room[s]! + this.crowd[s]! * c.sessions[s]!.minutes + this.ended[s]! * all;
    }
    for (const [m, amount] of c.purse.entries()) if (amount < Infinity) value -= this.purse[m]! * amount;
    if (value > this.bound + 1e-9 * Math.abs(this.bound)) {
      this.bound = value;
      this.waited = 0;
    } else if (++this.waited > 15) {
      this.theta *= 0.7;
      this.waited = 0;
    }
    this.follow(at, Math.max(target, this.bound) - value);
  }

  /** The prices one step on: up where more was taken than there is. */
  private follow(at: Int32Array, short: number): void {
    const { c, edges, chain, room } = this;
    const S = c.sessions.length;
    const minutes = Float64Array.from(room, (r) => -r);
    const crowd = Float64Array.from(c.sessions, (s) => -s.minutes);
    const ended = new Float64Array(S);
    const purse = Float64Array.from(c.purse, (p) => (p < Infinity ? -p : 0));
    for (const [i, s] of at.entries()) {
      if (s < 0) continue;
      const j = c.jobs[i]!;
      const { people, month } = c.sessions[s]!;
      ended[s]! += j.minutes * j.people;
      if (j.piece > 0) continue;
      minutes[s]! += j.minutes * j.people;
      if (2 * j.people > people) crowd[s]! += j.minutes;
      if (c.purse[month]! < Infinity) purse[month]! += j.money;
    }
    for (let s = 0, sum = 0; s < S; s++) {
      sum += ended[s]! - room[s]!;
      ended[s] = this.parted ? sum : 0;
    }
    const slopes = edges
      .map(([b, a]) => ({ b: at[b]!, a: at[a]! }))
      .map(({ a, b }) => (a >= 0 && b > a ? { a, b } : null));
    let norm = 0;
    const live: [Float64Array, Float64Array][] = [
      [this.minutes, minutes],
      [this.crowd, crowd],
      [this.ended, ended],
      [this.purse, purse],
    ];
    for (const [at, by] of live)
      for (let s = 0; s < by.length; s++) if (at[s]! > 0 || by[s]! > 0) norm += by[s]! * by[s]!;
    const back = edges.map(([b, a]) =>
      at[a]! >= 0 && at[b]! >= 0 && at[b]! < at[a]! ? { from: at[b]!, to: at[a]! } : null,
    );
    for (const [e, slope] of slopes.entries()) {
      if (slope) norm += slope.b - slope.a;
      const down = back[e];
      if (down) for (let s = down.from; s < down.to; s++) if (chain[e]![s]! > 0) norm++;
    }
    if (norm === 0) return;
    // where nothing is short of the target any more a small step still tells more
    const step = (this.theta * Math.max(short, 1e-9)) / norm;
    for (const [at, by] of live) for (let s = 0; s < by.length; s++) at[s] = Math.max(0, at[s]! + step * by[s]!);
    for (const [e, slope] of slopes.entries()) {
      if (slope) for (let s = slope.a; s < slope.b; s++) chain[e]![s]! += step;
      const down = back[e];
      if (down) for (let s = down.from; s < down.to; s++) chain[e]![s] = Math.max(0, chain[e]![s]! - step);
    }
  }
}

/** A problem counted in the minutes and the money of a typical job. */
function inTypical(c: Compiled): Compiled {
  const mean = (list: number[]): number => (list.length > 0 ? list.reduce((a, b) => a + b, 0) / list.length : 1);
  const work = mean(c.jobs.map((j) => j.minutes * j.people));
  const money = mean(c.jobs.flatMap((j) => (j.money > 0 ? [j.money] : [])));
  return {
    ...c,
    jobs: c.jobs.map((j) => ({ ...j, minutes: j.minutes / work, piece: j.piece / work, money: j.money / money })),
    sessions: c.sessions.map((s) => ({ ...s, minutes: s.minutes / work })),
    purse: c.purse.map((p) => p / money),
  };
}

/** The first session each job can end in: after what comes before it, and with the minutes of all that it waits for. */
function soonestEnds(c: Compiled): number[] {
  const ends: { session: number; minute: number }[] = [];
  const needed = c.jobs.map(() => new Set<number>());
  for (const i of c.order) {
    const j = c.jobs[i]!;
    needed[i]!.add(i);
    let [s, t] = [j.first, 0];
    for (const b of j.before) {
      for (const k of needed[b]!) needed[i]!.add(k);
      const e = ends[b]!;
      if (e.session > s || (e.session === s && e.minute > t)) [s, t] = [e.session, e.minute];
    }
    let left = j.minutes;
    let work = [...needed[i]!].reduce((sum, k) => sum + c.jobs[k]!.minutes * c.jobs[k]!.people, 0);
    let earliest = 0;
    while (
      earliest < c.sessions.length &&
      (work -= c.sessions[earliest]!.minutes * c.sessions[earliest]!.people) > 1e-6
    )
      earliest++;
    for (; s < c.sessions.length; s++, t = 0) {
      const { minutes, people } = c.sessions[s]!;
      if (people < j.people) continue;
      if (t + left <= minutes + 1e-6) break;
      if (j.piece > 0) left -= minutes - t;
    }
    ends[i] = earliest > s ? { session: earliest, minute: 0 } : { session: s, minute: t + left };
  }
  return ends.map((e) => e.session);
}
