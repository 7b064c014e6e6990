import { type Level, nameFor, type PlaceName, type Shelved } from '../concepts/index.ts';
import { SetKey } from '../../measures/chance/index.ts';
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

/** A place’s name as it tells each thing how likely it is looked for there: a match a thing; and the same in fours. */
type Named = { row: Uint8Array; fours: Int32Array };
/** So many names are remembered, in bytes of their matches, before all are forgotten. */
const MOST_KEPT = 16_000_000;
/** So many sets of things are known by what they are called before all are forgotten. */
const MOST_KNOWN = 200_000;
/** After so many questions the sum is made anew. */
const ADDED_UP = 1000;

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
  /** by thing and match: how many places, and what looks into them take */
  private readonly count: Int32Array;
  private readonly took: Float64Array;
  /** by seat and place: what a look takes; NaN: one does not look there */
  private readonly look: Float64Array[] = [];
  private readonly seatOf: Int32Array;
  /** by thing: what looking for it takes a year, s, as last worked out; their sum; and those for which something has changed since */
  private readonly cost: Float64Array;
  private sum = 0;
  private readonly stale: Uint8Array;
  private readonly changed: Int32Array;
  private changes = 0;
  private sums = 0;
  /** by place: what it is called; null: nothing */
  private readonly named: (Named | null)[];
  /** how many lots of supply s are in place p at [p * supplies + s]; and what tells those of a place from others */
  private readonly inside: Int16Array;
  private readonly key: SetKey[];
  /** places that have not been named since something came or went */
  private readonly unnamed: Uint8Array;
  private readonly toName: Int32Array;
  private toNames = 0;
  private readonly home: Int32Array;
  private readonly supplyOf: Int32Array;
  private readonly shelves: Shelved[] = [];
  /** by what is in a place, and by what it is called */
  private readonly known = new Map<number, Named | null>();
  private readonly rows = new Map<string, Named>();
  private readonly said: ReadonlySet<string>;
  /** things in fours */
  private readonly words: number;

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
    this.words = Math.ceil(n / 4);
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
    this.stale = new Uint8Array(n);
    this.changed = new Int32Array(n);
    for (let t = 0; t < n; t++) this.outdate(t);
    this.count = new Int32Array(n * MATCHES.length);
    this.took = new Float64Array(n * MATCHES.length);
    this.named = places.map(() => null);
    // a place tells itself from others where what it is called is more than what lies there
    this.key = places.map(({ labelWords }, p) => {
      const key = new SetKey();
      if (labelWords !== '' || said.size > 0 || nameOf !== null) key.toggle(supplies.size + p);
      return key;
    });
    this.inside = new Int16Array(m * supplies.size);
    this.unnamed = new Uint8Array(m);
    this.toName = new Int32Array(m);
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

  /** The number of a thing in the order they were given in; none: it is not among them. */
  numberOf = (id: string): number | undefined => this.number.get(id);
  /** The number of a place; −1: nowhere, or not among them. */
  placeOf = (id: string | null): number => (id === null ? -1 : (this.placeNo.get(id) ?? -1));

  /** Says where a thing lives; null: nowhere. */
  move(id: string, placeId: string | null): void {
    const t = this.numberOf(id);
    if (t !== undefined) this.moveTo(t, this.placeOf(placeId));
  }

  /** The same by numbers; −1: nowhere. */
  moveTo(t: number, to: number): void {
    const from = this.home[t]!;
    if (from === to) return;
    this.home[t] = to;
    this.outdate(t);
    const supply = this.supplyOf[t]!;
    if (from >= 0) this.put(from, supply, -1);
    if (to >= 0) this.put(to, supply, 1);
  }

  /** One of a supply more or less in a place, which may be called something else then. */
  private put(p: number, supply: number, by: 1 | -1): void {
    const now = (this.inside[p * this.shelves.length + supply]! += by);
    if (now !== (by === 1 ? 1 : 0)) return;
    this.key[p]!.toggle(supply);
    if (this.unnamed[p]) return;
    this.unnamed[p] = 1;
    this.toName[this.toNames++] = p;
  }

  /** Names places anew in which something has changed: once, however much has come and gone. */
  private nameAll(): void {
    for (let k = 0; k < this.toNames; k++) {
      const p = this.toName[k]!;
      this.unnamed[p] = 0;
      this.rename(p);
    }
    this.toNames = 0;
  }

  private suppliesIn(p: number): number[] {
    const n = this.shelves.length;
    const list: number[] = [];
    for (let s = 0; s < n; s++) if (this.inside[p * n + s]! > 0) list.push(s);
    return list;
  }

  private outdate(t: number): void {
    if (this.stale[t]) return;
    this.stale[t] = 1;
    this.changed[this.changes++] = t;
  }

  /** Several at once. */
  fill(homes: readonly { lot: string; place: string }[]): void {
    for (const { lot, place } of homes) this.move(lot, place);
  }

  private nameOfPlace(p: number): PlaceName | null {
    if (this.nameOf) return this.nameOf(this.places[p]!.id);
    return nameFor(
      this.places[p]!,
      this.suppliesIn(p).map((s) => this.shelves[s]!),
    );
  }

  private naming(p: number): Named | null {
    const key = this.key[p]!.number;
    let known = this.known.get(key);
    if (known === undefined) {
      if (this.rows.size * this.things.length > MOST_KEPT) this.rows.clear();
      if (this.known.size >= MOST_KNOWN || this.rows.size === 0) this.known.clear();
      this.known.set(key, (known = this.matching(p)));
    }
    return known;
  }

  /** How well what a place is called matches each thing. */
  private matching(p: number): Named | null {
    const name = this.nameOfPlace(p);
    if (name === null) return null;
    const { id } = this.places[p]!;
    // what its maker has written covers what lies there
    const own = name.typed && name.names.length === 1 ? new Set(this.suppliesIn(p)) : null;
    const odds = name.uncovered.length > 0;
    const key = `${name.names.map((c) => `${c.level} ${c.id}`).join('|')}|${odds}|${own ? [...own].join() : ''}|${this.said.size > 0 ? id : ''}`;
    const known = this.rows.get(key);
    if (known) return known;
    const fours = new Int32Array(this.words);
    const row = new Uint8Array(fours.buffer).fill(odds ? ODDS : NOTHING);
    const better = (t: number, match: number) => {
      if (match < row[t]!) row[t] = match;
    };
    for (const c of name.names) for (const t of this.goingBy[this.conceptOf(c.level, c.id)]!) better(t, MATCH[c.level]);
    if (own) for (let t = 0; t < this.things.length; t++) if (own.has(this.supplyOf[t]!)) better(t, MATCH.family);
    if (this.said.size > 0)
      for (const [t, { shelved }] of this.things.entries())
        if (this.said.has(`${shelved.thing.id} ${id}`)) better(t, SAID);
    this.rows.set(key, { row, fours });
    return this.rows.get(key)!;
  }

  private rename(p: number): void {
    const now = this.naming(p);
    const was = this.named[p]!;
    if (now === was) return;
    this.named[p] = now;
    const { count, took, look: from, seatOf } = this;
    const words = this.words;
    for (let w = 0; w < words; w++) {
      if (now?.fours[w] === was?.fours[w]) continue;
      const end = Math.min(seatOf.length, 4 * w + 4);
      for (let t = 4 * w; t < end; t++) {
        const match = now === null ? UNSEEN : now.row[t]!;
        const old = was === null ? UNSEEN : was.row[t]!;
        if (old === match) continue;
        const look = from[seatOf[t]!]![p]!;
        if (Number.isNaN(look)) continue;
        this.outdate(t);
        const base = t * MATCHES.length;
        if (old !== UNSEEN) {
          count[base + old]!--;
          took[base + old]! -= look;
        }
        if (match !== UNSEEN) {
          count[base + match]!++;
          took[base + match]! += look;
        }
      }
    }
  }

  /** How well the name of a place matches a thing; {@link UNSEEN}: one does not look there for it. */
  private matchOf(p: number, t: number): number {
    const named = this.named[p]!;
    return named === null || Number.isNaN(this.look[this.seatOf[t]!]![p]!) ? UNSEEN : named.row[t]!;
  }

  /** What looking for a thing comes to, where it is not remembered; at the first look where it is in view, or lives nowhere. */
  of(id: string): Looked {
    const t = this.number.get(id);
    return t === undefined ? FOUND : this.lookedFor(t);
  }

  private lookedFor(t: number): Looked {
    this.nameAll();
    const p = this.home[t]!;
    if (p < 0) return FOUND;
    const match = this.matchOf(p, t);
    if (match === UNSEEN) return FOUND;
    const base = t * MATCHES.length;
    let better = 0;
    for (let k = 0; k < match; k++) better += this.count[base + k]!;
    const equals = this.count[base + match]! - 1;
    return { looks: 1 + better + equals / 2, seconds: this.secondsFor(t), match };
  }

  /** What the wrong looks for a thing take on average, s. */
  private secondsFor(t: number): number {
    const p = this.home[t]!;
    if (p < 0) return 0;
    const match = this.matchOf(p, t);
    if (match === UNSEEN) return 0;
    const { count, took } = this;
    const base = t * MATCHES.length;
    // those that match better are looked in first, as many as she has patience for
    let better = 0;
    let seconds = 0;
    for (let k = 0; k < match; k++) {
      const n = count[base + k]!;
      if (n === 0) continue;
      const looked = Math.min(n, MOST_LOOKS - better);
      if (looked > 0) seconds += looked * (LOST_THREAD + took[base + k]! / n);
      better += n;
    }
    if (better > MOST_LOOKS) return seconds + DIGGING_OUT;
    const equals = count[base + match]! - 1;
    if (equals <= 0) return seconds;
    // its own place comes after 0, 1 … all of its equals, each as likely: so many are looked in while patience lasts, and as likely it lasts for too few
    const left = MOST_LOOKS - better;
    const own = this.look[this.seatOf[t]!]![p]!;
    const each = LOST_THREAD + (took[base + match]! - own) / equals;
    if (equals <= left) return seconds + (equals / 2) * each;
    const mean = ((left * (left + 1)) / 2 + (equals - left) * left) / (equals + 1);
    return seconds + mean * each + ((equals - left) / (equals + 1)) * DIGGING_OUT;
  }

  /** Seconds a year of one. */
  costOf(id: string): number {
    const t = this.number.get(id);
    return t === undefined ? 0 : this.costAt(t);
  }

  /** The same by number. */
  costAt(t: number): number {
    this.nameAll();
    return this.things[t]!.weight * this.secondsFor(t);
  }

  /** Seconds a year over all things. */
  total(): number {
    this.nameAll();
    const { cost, stale, changed } = this;
    for (let k = 0; k < this.changes; k++) {
      const t = changed[k]!;
      const { weight } = this.things[t]!;
      const now = weight > 0 && this.home[t]! >= 0 ? weight * this.secondsFor(t) : 0;
      this.sum += now - cost[t]!;
      cost[t] = now;
      stale[t] = 0;
    }
    this.changes = 0;
    // from time to time free of the rounding of what came and went
    if (++this.sums % ADDED_UP === 0) this.sum = cost.reduce((a, b) => a + b, 0);
    return this.sum;
  }

  /** Places that are looked in before the one a thing lives in, the likeliest first; of those that match as well all. */
  before(id: string): { placeId: string; match: number }[] {
    const t = this.number.get(id);
    const p = t === undefined ? -1 : this.home[t]!;
    if (t === undefined || p < 0) return [];
    this.nameAll();
    const own = this.matchOf(p, t);
    return this.places
      .flatMap(({ id }, q) => {
        const match = this.matchOf(q, t);
        return q !== p && match !== UNSEEN && match <= own ? [{ placeId: id, match }] : [];
      })
      .sort((a, b) => a.match - b.match);
  }
}

const ORDER: readonly Level[] = ['thing', 'kind', 'family', 'own', 'aisle'];
