import { type Level, nameFor, type PlaceName, type Shelved } from '../concepts/index.ts';
import { DIGGING_OUT, LOST_THREAD, MOST_LOOKS } from './motions.ts';

/** A thing that lives somewhere, and what it is worth to find it. */
export type Sought = {
  id: string;
  shelved: Shelved;
  /** how often a year somebody looks for it without knowing, each look for getting it and for putting it back by itself */
  weight: number;
  /** number of the seat it is looked for from */
  seat: number;
};

/** Where something can be looked for. */
export type LookedIn = { id: string; labelWords: string };

/** What a look into a place takes from a seat, s; null: one does not look there, it is in view or out of reach. */
export type LookFrom = (seat: number, place: number) => number | null;

/**
 * How well the name of a place matches a thing, the best first (computation 18, own assumptions): the thing or its kind is named, somebody has said in a look
 * test that she would look there, its family, its activity, its aisle, odds and ends, nothing.
 */
export const MATCHES = [1, 0.9, 0.8, 0.6, 0.5, 0.1, 0] as const;
const SAID = 1;
const [ODDS, NOTHING] = [5, 6];
const MATCH: Record<Level, number> = { thing: 0, kind: 0, family: 2, own: 3, aisle: 4 };
const UNSEEN = 255;

/** What looking for one thing comes to. */
export type Looked = {
  /** places looked in until it is found, on average; 1: at the first look */
  looks: number;
  /** what the wrong ones take on average, s */
  seconds: number;
  /** the match of its own place, an index of {@link MATCHES} */
  match: number;
};
const FOUND: Looked = { looks: 1, seconds: 0, match: 0 };

/**
 * Where somebody who does not remember looks for things: places in order of how well their names match, nearest or not in any order among equals. Kept up to date
 * while things move; what a move comes to is read off {@link total} before and after.
 */
export class Looking {
  private readonly number = new Map<string, number>();
  private readonly placeNo = new Map<string, number>();
  private readonly conceptNo = new Map<string, number>();
  /** by concept: the things that go by it */
  private readonly goingBy: number[][] = [];
  /** by place and thing: the match, or {@link UNSEEN} */
  private readonly match: Uint8Array;
  /** the matches of one place while it is named anew */
  private readonly fresh: Uint8Array;
  /** by thing and match: how many places, and what looks into them take */
  private readonly count: Int32Array;
  private readonly took: Float64Array;
  /** by seat and place: what a look takes; NaN: one does not look there */
  private readonly look: Float64Array[] = [];
  private readonly seatOf: Int32Array;
  /** by thing: what looking for it takes a year, s, where nothing has changed for it since */
  private readonly cost: Float64Array;
  private readonly stale: Uint8Array;
  /** by place: its name as numbers of concepts */
  private readonly named: {
    names: readonly number[];
    levels: readonly number[];
    odds: boolean;
    own: ReadonlySet<number> | null;
    key: string;
  }[];
  /** by place: which supplies, each with how many of its lots */
  private readonly inside: Map<number, number>[];
  private readonly home: Int32Array;
  private readonly supplyOf: Int32Array;
  private readonly shelves: Shelved[] = [];
  private readonly namings = new Map<string, PlaceName | null>();
  private readonly said: ReadonlySet<string>;

  /**
   * @param said which thing somebody would look for in which place: `supply place`
   * @param nameOf what places are called, where that is known: then the things may be some of those there are, and may not move
   */
  constructor(
    private readonly things: readonly Sought[],
    private readonly places: readonly LookedIn[],
    lookFrom: LookFrom,
    said: ReadonlySet<string> = new Set(),
    private readonly nameOf: ((placeId: string) => PlaceName | null) | null = null,
  ) {
    this.said = said;
    const [n, m] = [things.length, places.length];
    for (const [p, { id }] of places.entries()) this.placeNo.set(id, p);
    this.supplyOf = new Int32Array(n);
    const supplies = new Map<string, number>();
    for (const [t, { id, shelved }] of things.entries()) {
      this.number.set(id, t);
      let no = supplies.get(shelved.thing.id);
      if (no === undefined) {
        supplies.set(shelved.thing.id, (no = this.shelves.length));
        this.shelves.push(shelved);
      }
      this.supplyOf[t] = no;
      for (const level of ORDER) {
        const concept = shelved[level];
        if (concept) this.goingBy[this.conceptOf(level, concept.id)]!.push(t);
      }
    }
    const seats = 1 + things.reduce((most, t) => Math.max(most, t.seat), -1);
    for (let s = 0; s < seats; s++) this.look.push(Float64Array.from(places, (_, p) => lookFrom(s, p) ?? NaN));
    this.seatOf = Int32Array.from(things, (t) => t.seat);
    this.cost = new Float64Array(n);
    this.stale = new Uint8Array(n).fill(1);
    this.match = new Uint8Array(n * m).fill(UNSEEN);
    this.fresh = new Uint8Array(n);
    this.count = new Int32Array(n * MATCHES.length);
    this.took = new Float64Array(n * MATCHES.length);
    this.named = places.map(() => ({ names: [], levels: [], odds: false, own: null, key: '' }));
    this.inside = places.map(() => new Map<number, number>());
    this.home = new Int32Array(n).fill(-1);
    for (let p = 0; p < m; p++) this.rename(p);
  }

  private conceptOf(level: string, id: string): number {
    const key = `${level} ${id}`;
    let no = this.conceptNo.get(key);
    if (no === undefined) {
      this.conceptNo.set(key, (no = this.conceptNo.size));
      this.goingBy.push([]);
    }
    return no;
  }

  /** Says where a thing lives; null: nowhere. */
  move(id: string, placeId: string | null): void {
    const t = this.number.get(id);
    if (t === undefined) return;
    const from = this.home[t]!;
    const to = placeId === null ? -1 : (this.placeNo.get(placeId) ?? -1);
    if (from === to) return;
    this.home[t] = to;
    this.stale[t] = 1;
    const supply = this.supplyOf[t]!;
    if (from >= 0) {
      const left = this.inside[from]!.get(supply)! - 1;
      if (left > 0) this.inside[from]!.set(supply, left);
      else {
        this.inside[from]!.delete(supply);
        this.rename(from);
      }
    }
    if (to >= 0) {
      const now = this.inside[to]!.get(supply) ?? 0;
      this.inside[to]!.set(supply, now + 1);
      if (now === 0) this.rename(to);
    }
  }

  /** Several at once, each place named once: for the beginning. */
  fill(homes: readonly { lot: string; place: string }[]): void {
    const touched = new Set<number>();
    for (const { lot, place } of homes) {
      const [t, p] = [this.number.get(lot), this.placeNo.get(place)];
      if (t === undefined || p === undefined) continue;
      this.home[t] = p;
      this.stale[t] = 1;
      const supply = this.supplyOf[t]!;
      this.inside[p]!.set(supply, (this.inside[p]!.get(supply) ?? 0) + 1);
      touched.add(p);
    }
    for (const p of touched) this.rename(p);
  }

  private naming(p: number): PlaceName | null {
    if (this.nameOf) return this.nameOf(this.places[p]!.id);
    const supplies = [...this.inside[p]!.keys()].sort((a, b) => a - b);
    const { id, labelWords } = this.places[p]!;
    const key = labelWords === '' ? supplies.join() : `${id} ${supplies.join()}`;
    let known = this.namings.get(key);
    if (known === undefined) {
      if (this.namings.size > 20_000) this.namings.clear();
      known = nameFor(
        { id, labelWords },
        supplies.map((s) => this.shelves[s]!),
      );
      this.namings.set(key, known);
    }
    return known;
  }

  private rename(p: number): void {
    const name = this.naming(p);
    const was = this.named[p]!;
    const names = name?.names ?? [];
    const key =
      name === null
        ? ''
        : `${names.map((c) => `${c.level} ${c.id}`).join('|')}|${name.uncovered.length > 0}${name.typed ? [...this.inside[p]!.keys()].join() : ''}`;
    if (key === was.key) return;
    this.named[p] = {
      key,
      names: names.map((c) => this.conceptOf(c.level, c.id)),
      levels: names.map((c) => MATCH[c.level]),
      odds: (name?.uncovered.length ?? 0) > 0,
      // what its maker has written covers what lies there
      own: name?.typed && name.names.length === 1 ? new Set(this.inside[p]!.keys()) : null,
    };
    const { fresh, match, count, took, stale, seatOf } = this;
    if (name === null) fresh.fill(UNSEEN);
    else this.matchesOf(p);
    const looks = this.look.map((of) => of[p]!);
    const row = p * fresh.length;
    for (let t = 0; t < fresh.length; t++) {
      const now = fresh[t]!;
      const old = match[row + t]!;
      if (old === now) continue;
      const look = looks[seatOf[t]!]!;
      if (Number.isNaN(look)) continue;
      match[row + t] = now;
      stale[t] = 1;
      const base = t * MATCHES.length;
      if (old !== UNSEEN) {
        count[base + old]!--;
        took[base + old]! -= look;
      }
      if (now !== UNSEEN) {
        count[base + now]!++;
        took[base + now]! += look;
      }
    }
  }

  /** How well the name of a place matches each thing. */
  private matchesOf(p: number): void {
    const { names, levels, odds, own } = this.named[p]!;
    const { fresh } = this;
    fresh.fill(odds ? ODDS : NOTHING);
    const better = (t: number, match: number) => {
      if (match < fresh[t]!) fresh[t] = match;
    };
    for (const [i, c] of names.entries()) for (const t of this.goingBy[c]!) better(t, levels[i]!);
    if (own) for (let t = 0; t < fresh.length; t++) if (own.has(this.supplyOf[t]!)) better(t, MATCH.family);
    if (this.said.size === 0) return;
    for (const [t, { shelved }] of this.things.entries())
      if (this.said.has(`${shelved.thing.id} ${this.places[p]!.id}`)) better(t, SAID);
  }

  /** What looking for a thing comes to, where it is not remembered; at the first look where it is in view, or lives nowhere. */
  of(id: string): Looked {
    const t = this.number.get(id);
    return t === undefined ? FOUND : this.lookedFor(t);
  }

  private lookedFor(t: number): Looked {
    const p = this.home[t]!;
    if (p < 0) return FOUND;
    const match = this.match[p * this.things.length + t]!;
    if (match === UNSEEN) return FOUND;
    const base = t * MATCHES.length;
    const own = this.look[this.things[t]!.seat]![p]!;
    // those that match better are looked in first, as many as she has patience for
    let better = 0;
    let seconds = 0;
    for (let k = 0; k < match; k++) {
      const count = this.count[base + k]!;
      if (count === 0) continue;
      const looked = Math.min(count, MOST_LOOKS - better);
      if (looked > 0) seconds += looked * (LOST_THREAD + this.took[base + k]! / count);
      better += count;
    }
    const equals = this.count[base + match]! - 1;
    const left = Math.max(0, MOST_LOOKS - better);
    // its own place comes first, second … last among its equals, each as likely
    const { mean, beyond } = among(equals, left);
    if (equals > 0) seconds += mean * (LOST_THREAD + (this.took[base + match]! - own) / equals);
    seconds += (better > MOST_LOOKS ? 1 : beyond) * DIGGING_OUT;
    return { looks: 1 + better + equals / 2, seconds, match };
  }

  /** Seconds a year of one. */
  costOf(id: string): number {
    const t = this.number.get(id);
    return t === undefined ? 0 : this.things[t]!.weight * this.lookedFor(t).seconds;
  }

  /** Seconds a year over all things. */
  total(): number {
    const { cost, stale } = this;
    let sum = 0;
    for (let t = 0; t < cost.length; t++) {
      if (stale[t]) {
        const { weight } = this.things[t]!;
        cost[t] = weight > 0 && this.home[t]! >= 0 ? weight * this.lookedFor(t).seconds : 0;
        stale[t] = 0;
      }
      sum += cost[t]!;
    }
    return sum;
  }

  /** Places that are looked in before the one a thing lives in, the likeliest first; of those that match as well all. */
  before(id: string): { placeId: string; match: number }[] {
    const t = this.number.get(id);
    const p = t === undefined ? -1 : this.home[t]!;
    if (t === undefined || p < 0) return [];
    const n = this.things.length;
    const own = this.match[p * n + t]!;
    return this.places
      .flatMap(({ id }, q) => {
        const match = this.match[q * n + t]!;
        return q !== p && match !== UNSEEN && match <= own ? [{ placeId: id, match }] : [];
      })
      .sort((a, b) => a.match - b.match);
  }
}

const ORDER: readonly Level[] = ['thing', 'kind', 'family', 'own', 'aisle'];

/**
 * A place comes after 0 … n others, each as likely: how many of these are looked in on average when patience lasts for `left`, and how likely it
 * lasts for too few.
 */
function among(n: number, left: number): { mean: number; beyond: number } {
  if (n <= left) return { mean: n / 2, beyond: 0 };
  // k others before it: k of them are looked in up to `left`, beyond that she has had enough
  const within = (left * (left + 1)) / 2;
  return { mean: (within + (n - left) * left) / (n + 1), beyond: (n - left) / (n + 1) };
}
