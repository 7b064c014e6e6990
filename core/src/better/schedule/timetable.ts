import { type Compiled } from './compile.ts';

/** Minutes are compared so exactly. */
const EPS = 1e-6;

/** A job, or a piece of one, in a session, from and to in its minutes. */
export type Piece = { job: number; session: number; from: number; to: number };

/** Who a job wants: people, and of them those who lift. */
type Crew = { people: number; lifters: number };

/** What is taken up of people or of the floor, from and to in minutes of a session; `stays`: over the evening after it. */
type Taken = { from: number; to: number; much: number; stays: boolean };

/**
 * A timetable that is filled job by job: each goes where it ends soonest beside what is there already, as far as people, floor and money allow and what
 * comes before it has ended (the serial schedule generation of resource-constrained scheduling: among the orders of filling there is one that gives a
 * best timetable; Kolisch 1996, from memory). A job that may be parted takes what is free of one session after the other; the floor it covers stays covered until it ends.
 */
export class Timetable {
  readonly pieces: Piece[] = [];
  /** session and minute at which each job ends; −1: not there */
  readonly endsIn: Int32Array;
  readonly endsAt: Float64Array;
  /** value so far, jobs without a session counted as late */
  value = 0;
  late = 0;
  private people: Taken[][];
  /** of people, those who lift; only where not everybody can */
  private lifting: Taken[][];
  private floor: Taken[][];
  /** minutes of people that are taken, a session */
  private used: Float64Array;
  private spent: Float64Array;

  constructor(private readonly c: Compiled) {
    this.endsIn = new Int32Array(c.jobs.length).fill(-1);
    this.endsAt = new Float64Array(c.jobs.length);
    this.people = c.sessions.map(() => []);
    this.lifting = c.sessions.map(() => []);
    this.floor = c.sessions.map(() => []);
    this.used = new Float64Array(c.sessions.length);
    this.spent = new Float64Array(c.purse.length);
  }

  /** Empty again. */
  clear(): void {
    this.pieces.length = 0;
    this.endsIn.fill(-1);
    this.value = 0;
    this.late = 0;
    for (const list of this.people) list.length = 0;
    for (const list of this.lifting) list.length = 0;
    for (const list of this.floor) list.length = 0;
    this.used.fill(0);
    this.spent.fill(0);
  }

  /** One beside it that is filled as far. */
  copy(): Timetable {
    const other = new Timetable(this.c);
    other.pieces.push(...this.pieces);
    other.endsIn.set(this.endsIn);
    other.endsAt.set(this.endsAt);
    other.value = this.value;
    other.late = this.late;
    other.people = this.people.map((list) => [...list]);
    other.lifting = this.lifting.map((list) => [...list]);
    other.floor = this.floor.map((list) => [...list]);
    other.used.set(this.used);
    other.spent.set(this.spent);
    return other;
  }

  /** Fills it anew in this order, until it is worth more than `most`: then it is given up. */
  fill(order: ArrayLike<number>, most = Infinity): number {
    this.clear();
    for (let i = 0; i < order.length && this.value <= most; i++) this.put(order[i]!);
    return this.value;
  }

  /** The next job; what comes before it must have been put. `way`: one of `waysFor`, else where it ends soonest. */
  put(job: number, way?: readonly Piece[] | null): void {
    const ways = way === undefined ? this.waysFor(job) : null;
    const found = ways ? (ways.length > 0 ? ways.reduce(sooner) : null) : way;
    if (!found) {
      this.late++;
      this.value += this.c.late;
      return;
    }
    this.take(job, found);
    this.value += this.c.jobs[job]!.saves * this.c.sessions[this.endsIn[job]!]!.day;
  }

  private take(job: number, found: readonly Piece[]): void {
    const { people, lifters, floor, money } = this.c.jobs[job]!;
    const last = found.at(-1)!;
    for (const p of found) {
      this.pieces.push(p);
      this.people[p.session]!.push({ from: p.from, to: p.to, much: people, stays: false });
      if (this.lifts(p.session, lifters))
        this.lifting[p.session]!.push({ from: p.from, to: p.to, much: lifters, stays: false });
      this.used[p.session]! += (p.to - p.from) * people;
    }
    if (floor > 0)
      for (let s = found[0]!.session; s <= last.session; s++)
        this.floor[s]!.push({
          from: s === found[0]!.session ? found[0]!.from : 0,
          to: s === last.session ? last.to : this.c.sessions[s]!.minutes,
          much: floor,
          stays: s < last.session,
        });
    this.spent[this.c.sessions[found[0]!.session]!.month]! += money;
    this.endsIn[job] = last.session;
    this.endsAt[job] = last.to;
  }

  /** Where a job could go: a whole one where it ends soonest; one that is parted from each session in which it could begin and ends before it would begun later. */
  waysFor(job: number): (readonly Piece[])[] {
    const { c } = this;
    const j = c.jobs[job]!;
    const ways: (readonly Piece[])[] = [];
    if (j.never) return ways;
    let [s0, t0] = [j.first, 0];
    for (const b of j.before) {
      const s = this.endsIn[b]!;
      if (s < 0) return ways;
      const { lag } = c.jobs[b]!;
      if (lag > 0) {
        const day = c.sessions[s]!.day + lag;
        let next = s + 1;
        while (next < c.sessions.length && c.sessions[next]!.day < day) next++;
        if (next > s0) [s0, t0] = [next, 0];
      } else if (s > s0 || (s === s0 && this.endsAt[b]! > t0)) [s0, t0] = [s, this.endsAt[b]!];
    }
    let ends = Infinity;
    for (let s = s0; s <= j.last && s <= ends; s++) {
      const { people, lifters, month, minutes } = c.sessions[s]!;
      if (people < j.people || lifters < j.lifters || this.spent[month]! + j.money > c.purse[month]! + EPS) continue;
      const since = s === s0 ? t0 : 0;
      if (j.piece === 0) {
        if (since + j.minutes > minutes + EPS) continue;
        if (minutes * people - this.used[s]! + EPS < j.minutes * j.people) continue;
        const from = this.soonest(s, since, j.minutes, j, j.floor);
        if (from !== null) return [[{ job, session: s, from, to: from + j.minutes }]];
      } else {
        const parted = this.parted(job, s, since);
        if (parted) ways.push(parted);
        // begun later it covers the floor for less long; nothing is gained once it lies whole where it began
        if (parted) ends = Math.min(ends, parted.at(-1)!.session);
      }
    }
    return ways;
  }

  /** Pieces of a job that begins in a session, as much as goes into each; null: it cannot begin there. */
  private parted(job: number, start: number, since: number): Piece[] | null {
    const { c } = this;
    const j = c.jobs[job]!;
    const pieces: Piece[] = [];
    let left = j.minutes;
    for (let s = start; s <= j.last; s++) {
      const { minutes, people, lifters } = c.sessions[s]!;
      const enough = people >= j.people && lifters >= j.lifters;
      const from = s === start ? since : 0;
      const rest = enough ? this.soonest(s, from, left, j, s === start ? j.floor : 0) : null;
      if (rest !== null && (s === start || this.floorFree(s, 0, rest + left, j.floor))) {
        pieces.push({ job, session: s, from: rest, to: rest + left });
        return pieces;
      }
      // it stays open over the evening: the floor is covered to the end of the session, and after it
      if (this.stayingOver(s) + j.floor > c.sessions[s]!.evening + EPS) return null;
      if (s > start && !this.floorFree(s, 0, minutes, j.floor)) return null;
      const piece = enough ? this.longest(s, from, j, left, s === start) : null;
      if (!piece) {
        if (s === start) return null;
        continue;
      }
      pieces.push({ job, session: s, ...piece });
      left -= piece.to - piece.from;
    }
    return null;
  }

  /** The longest piece that is free in a session and leaves enough for another one. */
  private longest(
    s: number,
    since: number,
    j: Compiled['jobs'][number],
    left: number,
    first: boolean,
  ): { from: number; to: number } | null {
    const end = this.c.sessions[s]!.minutes;
    let best: { from: number; to: number } | null = null;
    const begins = [since, ...this.people[s]!.map((t) => t.to), ...this.floor[s]!.map((t) => t.to)];
    for (const from of begins) {
      if (from < since - EPS || from >= end - EPS) continue;
      if (first && !this.floorFree(s, from, end, j.floor)) continue;
      let to = Math.min(end, from + left);
      // cut where people are wanted elsewhere
      for (let cut = this.clash(s, from, to, j); cut !== null; cut = this.clash(s, from, to, j)) to = cut;
      let long = to - from;
      if (left - long < j.piece - EPS) long = left - j.piece;
      if (long <= EPS || long < j.piece - EPS || (best && long <= best.to - best.from + EPS)) continue;
      best = { from, to: from + long };
    }
    return best;
  }

  /** The first minute after one at which so many people (and so much floor) are free for so long. */
  private soonest(s: number, since: number, minutes: number, crew: Crew, floor: number): number | null {
    const end = this.c.sessions[s]!.minutes;
    let best: number | null = null;
    if (this.fits(s, since, minutes, crew, floor)) return since;
    for (let k = 0; k < 2; k++) {
      const list = k === 0 ? this.people[s]! : this.floor[s]!;
      for (let i = 0; i < list.length; i++) {
        const { to } = list[i]!;
        if (
          to > since &&
          to + minutes <= end + EPS &&
          (best === null || to < best) &&
          this.fits(s, to, minutes, crew, floor)
        )
          best = to;
      }
      if (floor === 0) break;
    }
    return best;
  }

  private fits(s: number, from: number, minutes: number, crew: Crew, floor: number): boolean {
    return (
      from + minutes <= this.c.sessions[s]!.minutes + EPS &&
      this.clash(s, from, from + minutes, crew) === null &&
      this.floorFree(s, from, from + minutes, floor)
    );
  }

  /** Where from one minute to another more people are wanted than there are: the first such minute after the beginning. */
  private clash(s: number, from: number, to: number, { people, lifters }: Crew): number | null {
    const there = this.c.sessions[s]!;
    const first = over(this.people[s]!, from, to, there.people - people);
    if (!this.lifts(s, lifters)) return first;
    const lifting = over(this.lifting[s]!, from, to, there.lifters - lifters);
    return first === null || lifting === null ? (first ?? lifting) : Math.min(first, lifting);
  }

  /** Whether who lifts must be counted by itself: somebody there does not. */
  private lifts(s: number, lifters: number): boolean {
    return lifters > 0 && this.c.sessions[s]!.lifters < this.c.sessions[s]!.people;
  }

  /** Floor that stays covered over the evening after a session. */
  private stayingOver(s: number): number {
    return this.floor[s]!.reduce((sum, t) => sum + (t.stays ? t.much : 0), 0);
  }

  private floorFree(s: number, from: number, to: number, floor: number): boolean {
    if (floor === 0 || this.c.floor === Infinity) return true;
    return over(this.floor[s]!, from, to, this.c.floor - floor) === null;
  }
}

/** The one that ends sooner; of two that end together the one begun later: it covers the floor for less long. */
const sooner = (a: readonly Piece[], b: readonly Piece[]): readonly Piece[] => {
  const [x, y] = [a.at(-1)!, b.at(-1)!];
  return y.session < x.session || (y.session === x.session && y.to <= x.to + EPS) ? b : a;
};

/** The first minute of a stretch at which more is taken than that; null: none. */
function over(list: readonly Taken[], from: number, to: number, free: number): number | null {
  if (to - from <= EPS) return null;
  if (free < -EPS) return from;
  if (takenAt(list, from) > free + EPS) return from;
  let first: number | null = null;
  for (let i = 0; i < list.length; i++) {
    const minute = list[i]!.from;
    if (minute <= from || minute >= to - EPS || (first !== null && minute >= first)) continue;
    if (takenAt(list, minute) > free + EPS) first = minute;
  }
  return first;
}

function takenAt(list: readonly Taken[], minute: number): number {
  let sum = 0;
  for (let i = 0; i < list.length; i++) {
    const t = list[i]!;
    if (t.from <= minute + EPS && t.to > minute + EPS) sum += t.much;
  }
  return sum;
}
