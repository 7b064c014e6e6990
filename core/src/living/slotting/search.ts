import { type Compiled } from './compile.ts';
import { type Laying } from './laying.ts';
import { type Random } from './random.ts';
import { type State } from './state.ts';

/** An ejected lot looks at so many of its best options for a new home. */
const LOOKED_AT = 4;
/** … among so many of them. */
const SCANNED = 24;
/** … and where so many of its family live. */
const MATES = 8;
/** So many members at most are ejected to make room for one lot. */
const EJECTED = 3;
/** A chain sends out so many in all before it gives up. */
const MOST_OUT = 4;
/** Lots in one chain at most. */
const CHAIN = 64;
/** Of proposals, where there are families: a lot pulled to a mate; all of a family moved from one place to another. */
const PULL = 0.2;
const MOVE_FAMILY = 0.08;
/** Of proposals, where names cost: a lot pulled to where one of its concept lives; all of a concept in one place moved to another. */
const PULL_LIKE = 0.2;
const MOVE_LIKE = 0.12;
/** Of proposals, where names cost: all that lies in two places exchanged. */
const EXCHANGE = 0.06;
/** … where they hold no more than so many lots together: each takes two steps of a chain. */
const EXCHANGED = 24;
/** Of proposals, where there are charges: a carried container filled or emptied. */
const MOVE_CHARGE = 0.02;
/** Of the rest, where lots have no home: for one of them. */
const ASK_LEFT = 0.1;
/** Where a chain leaves a lot without a home, so many others without one are asked whether they go in instead. */
const ASKED = 6;
/** What is counted besides the table: told where lots go, by number; the place beyond the last is none. */
export type Besides = {
  move: (lot: number, place: number) => void;
  /** of everything as it is now */
  total: () => number;
  /** by about how much it may become less when a lot goes elsewhere */
  mayGain: (lot: number) => number;
};

/** Drawn logarithms of so many even numbers: what a random draw lets pass, times the temperature. */
const DRAWS = 8192;
const LOSSES = Float64Array.from({ length: DRAWS }, (_, i) => -Math.log((i + 0.5) / DRAWS));

/** Whether a lot that goes nowhere but into one place takes no room there and is tied to nothing: what it costs more without a home is more than a name. */
function staysAnyway(c: Compiled, l: number): boolean {
  const first = c.optStart[l]!;
  if (c.optStart[l + 1]! - first !== 2 || c.lotFamStart[l + 1]! > c.lotFamStart[l]!) return false;
  const o = c.noHome[l] === first ? first + 1 : first;
  if (c.optChargeStart[o + 1]! > c.optChargeStart[o]!) return false;
  for (let r = 0; r < c.resources; r++) if (c.optUse[o * c.resources + r]! > 0) return false;
  return c.apartOf[l] === 0 && c.optCost[c.noHome[l]!]! - c.optCost[o]! >= c.mixCost[c.optPlace[o]!]!;
}

/**
 * Simulated annealing over shifts, swaps, ejections and moves of whole families, with rollback. Nothing is allocated while it runs and nothing is kept
 * but what a proposal touches. The state stays feasible.
 */
export class Search {
  readonly best: Int32Array;
  bestTotal: number;
  /** proposals made */
  proposals = 0;
  private readonly c: Compiled;
  private readonly scale: number;
  private temperature = 0;
  /** lots that are best where they can be alone, whatever the rest does: nothing sends them out */
  private readonly stays: Uint8Array;
  /** lots with a family, lots with more than their *no home* */
  private readonly kin: Int32Array;
  private readonly movable: Int32Array;
  private readonly largeFamilies: Int32Array;
  private readonly chainLot = new Int32Array(CHAIN);
  private readonly chainWas = new Int32Array(CHAIN);
  private chain = 0;
  private readonly waiting = new Int32Array(CHAIN);
  private waitingCount = 0;
  /** lots between two places that are exchanged */
  private readonly carried = new Int32Array(EXCHANGED);
  /** lots that the proposal under way wants where they are: stamped with its number */
  private readonly stamp: Int32Array;
  private stampNow = 0;
  /** the place that nothing is to come back to, while it is emptied */
  private closed = -1;
  /** whom every change is asked of before it is taken, from {@link ask} on */
  private laying: Laying | null = null;
  private besides: Besides | null = null;
  /** what is counted besides as all is now; and by how much it may become less by the proposal under way */
  private extra = 0;
  private hope = 0;

  constructor(
    private readonly state: State,
    private readonly random: Random,
  ) {
    const c = (this.c = state.c);
    this.best = state.at.slice();
    this.bestTotal = state.total;
    const lots = Array.from({ length: c.lots }, (_, l) => l);
    this.stays = Uint8Array.from(lots, (l) => (staysAnyway(c, l) ? 1 : 0));
    this.movable = Int32Array.from(lots.filter((l) => c.optStart[l + 1]! - c.optStart[l]! > 1 && !this.stays[l]));
    this.kin = this.movable.filter((l) => c.lotFamStart[l + 1]! > c.lotFamStart[l]!);
    this.largeFamilies = Int32Array.from(
      Array.from({ length: c.families }, (_, f) => f).filter((f) => c.famStart[f + 1]! - c.famStart[f]! > 1),
    );
    this.stamp = new Int32Array(c.lots);
    this.scale = this.typicalStep();
  }

  /** Mean loss from a lot's best option to one a few places further: what a move is worth. */
  private typicalStep(): number {
    const { c } = this;
    let sum = 0;
    for (const l of this.movable) {
      const first = c.optStart[l]!;
      const other = Math.min(c.optStart[l + 1]! - 1, first + 3);
      sum += Math.abs(c.optCost[other]! - c.optCost[first]!);
    }
    return sum > 0 ? sum / this.movable.length : 1;
  }

  /** Makes so many proposals at temperatures falling from `hot` to `cold` (shares of a typical step), the part from `t0` to `t1` of the whole. */
  run(proposals: number, hot: number, cold: number, t0: number, t1: number): void {
    this.proposals += proposals;
    if (this.movable.length === 0) return;
    const { state, random, c } = this;
    const cool = Math.log(cold / hot);
    const families = this.largeFamilies.length > 0 && this.kin.length > 0;
    const pull = families ? PULL : 0;
    const move = pull + (families ? MOVE_FAMILY : 0);
    const charge = move + (c.charges > 0 ? MOVE_CHARGE : 0);
    const named = c.mixes && c.lotConcept.length > 0;
    const moveLike = charge + (named ? MOVE_LIKE : 0);
    const exchange = moveLike + (named ? EXCHANGE : 0);
    const like = exchange + (named ? PULL_LIKE : 0);
    for (let i = 0; i < proposals; i++) {
      if ((i & 255) === 0) this.temperature = this.scale * hot * Math.exp(cool * (t0 + ((t1 - t0) * i) / proposals));
      const kind = like > 0 ? random.next() : 1;
      if (kind < pull) this.pullToMate();
      else if (kind < move) this.moveFamily();
      else if (kind < charge) this.moveCharge();
      else if (kind < moveLike) this.moveLike();
      else if (kind < exchange) this.exchange();
      else if (kind < like) this.pullToLike();
      else this.propose();
      if (state.total + this.extra < this.bestTotal - 1e-7) this.keep();
    }
  }

  /**
   * From here on only what lies is taken: of the best so far what does not is sent out, and the search goes on from there.
   */
  ask(laying: Laying): void {
    for (const pieces = this.state.taking(this.best); !pieces.next().done;);
    laying.clear();
    this.laying = laying;
    this.countBesides();
    this.keep();
  }

  /** From here on something is counted besides. */
  count(besides: Besides): void {
    this.besides = besides;
    this.countBesides();
    this.keep();
  }

  private countBesides(): void {
    const { besides, state, c } = this;
    if (!besides) return;
    for (let l = 0; l < c.lots; l++) besides.move(l, c.optPlace[state.at[l]!]!);
    this.extra = besides.total();
  }

  /** A lot to an option with room for it. */
  private shift(l: number, o: number, change: number, allowed: number): void {
    if (this.laying === null && this.besides === null) {
      this.state.move(l, o, change);
      return;
    }
    const before = this.state.total;
    this.begin();
    this.step(l, o, change);
    if (!this.isTaken(before, allowed)) this.rollback(before);
  }

  /** Whether a chain of changes is worth taking, all that counts counted, and lies. */
  private isTaken(before: number, allowed: number): boolean {
    const { state, besides, laying } = this;
    const { optPlace } = this.c;
    const change = state.total - before;
    let extra = this.extra;
    if (besides) {
      if (change > allowed + this.hope) return false;
      for (let k = 0; k < this.chain; k++) besides.move(this.chainLot[k]!, optPlace[state.at[this.chainLot[k]!]!]!);
      extra = besides.total();
    }
    if (change + extra - this.extra > allowed) return false;
    if (laying)
      for (let k = 0; k < this.chain; k++)
        if (!laying.lies(optPlace[this.chainWas[k]!]!) || !laying.lies(optPlace[state.at[this.chainLot[k]!]!]!))
          return false;
    this.extra = extra;
    return true;
  }

  private keep(): void {
    this.best.set(this.state.at);
    this.bestTotal = this.state.total + this.extra;
  }

  /** A loss that a random draw lets pass now (Metropolis rule, drawn before the proposal is looked at). */
  private allowance(): number {
    return LOSSES[this.random.below(DRAWS)]! * this.temperature;
  }

  private propose(): void {
    const { c, state, random } = this;
    const left = state.count[c.places]!;
    const l =
      left > 0 && random.next() < ASK_LEFT
        ? state.member[state.memberStart[c.places]! + random.below(left)]!
        : this.movable[random.below(this.movable.length)]!;
    const first = c.optStart[l]!;
    const r = random.next();
    const o = first + Math.floor(r * r * r * (c.optStart[l + 1]! - first));
    const now = state.at[l]!;
    if (o === now) return;
    const allowed = this.allowance();
    const delta = state.delta(l, o);
    // of every exchange that gains one part gains by itself: it is enough to begin with that one
    this.hope = this.besides?.mayGain(l) ?? 0;
    if (delta > allowed + this.hope) return;
    if (state.fits(o)) this.shift(l, o, delta, allowed);
    else if (random.next() < 0.5) this.swap(l, o, delta, allowed);
    else this.insert(l, o, allowed);
  }

  /** Puts a lot where a random member of the wanted place is, and that one where the lot was. */
  private swap(l: number, o: number, delta: number, allowed: number): void {
    const { c, state, random } = this;
    const q = c.optPlace[o]!;
    const other = state.member[state.memberStart[q]! + random.below(state.count[q]!)]!;
    if (this.stays[other]) return;
    const from = state.at[l]!;
    const to = c.optionAt[other * (c.places + 1) + c.optPlace[from]!]!;
    if (to < 0) return;
    const otherNow = state.at[other]!;
    if (!state.fitsWithout(o, otherNow) || !state.fitsWithout(to, from)) return;
    // without ties the two costs add up; with them each alone is only a guess, so that it is tried
    const untied = c.families === 0 && c.charges === 0 && !c.sags && !c.mixes;
    if (untied && delta + state.delta(other, to) > allowed + this.hope) return;
    const before = state.total;
    this.begin();
    this.step(l, o);
    this.step(other, to);
    if (!this.isTaken(before, allowed)) this.rollback(before);
  }

  private begin(): void {
    this.chain = this.waitingCount = 0;
    this.stampNow++;
  }

  private step(l: number, o: number, change?: number): boolean {
    if (this.chain >= CHAIN) return false;
    this.chainLot[this.chain] = l;
    this.chainWas[this.chain++] = this.state.at[l]!;
    this.state.move(l, o, change);
    return true;
  }

  private rollback(before: number): void {
    const { state, besides } = this;
    for (let k = this.chain - 1; k >= 0; k--) state.move(this.chainLot[k]!, this.chainWas[k]!, 0);
    if (besides)
      for (let k = 0; k < this.chain; k++)
        besides.move(this.chainLot[k]!, this.c.optPlace[state.at[this.chainLot[k]!]!]!);
    this.chain = 0;
    state.total = before;
  }

  /** Puts a lot into a place, sending out members that the proposal does not want there until it fits; false when that takes too many. */
  private force(l: number, o: number): boolean {
    const { c, state, random } = this;
    const q = c.optPlace[o]!;
    this.stamp[l] = this.stampNow;
    for (let out = 0; !state.fits(o); out++) {
      const n = state.count[q]!;
      if (out >= EJECTED || n === 0) return false;
      const start = state.memberStart[q]!;
      let m = -1;
      const first = random.below(n);
      for (let k = 0; k < n; k++) {
        const x = state.member[start + ((first + k) % n)]!;
        if (this.stamp[x] !== this.stampNow && !this.stays[x]) {
          m = x;
          break;
        }
      }
      if (m < 0 || !this.step(m, c.noHome[m]!)) return false;
      this.stamp[m] = this.stampNow;
      this.waiting[this.waitingCount++] = m;
    }
    return this.step(l, o);
  }

  /** Homes what was sent out, each in the best of its first options that fit; where none does, others may have to go in turn. */
  private rehome(limit: number): boolean {
    const { c, state, random } = this;
    let left = false;
    for (let i = 0; i < this.waitingCount; i++) {
      const m = this.waiting[i]!;
      const first = c.optStart[m]!;
      const end = c.optStart[m + 1]!;
      const none = c.optCost[c.noHome[m]!]!;
      let best = -1;
      let least = 0;
      let looked = 0;
      for (let o = first; o < end && o < first + SCANNED; o++) {
        if (!state.fits(o) || c.optPlace[o] === this.closed) continue;
        const d = state.delta(m, o);
        if (d < least) {
          least = d;
          best = o;
        }
        if (++looked >= LOOKED_AT) break;
      }
      // and where its family lives
      for (let i = c.lotFamStart[m]!; i < c.lotFamStart[m + 1]!; i++) {
        const f = c.lotFam[i]!;
        const end = Math.min(c.famStart[f + 1]!, c.famStart[f]! + MATES);
        for (let k = c.famStart[f]!; k < end; k++) {
          const q = c.optPlace[state.at[c.famLot[k]!]!]!;
          if (q === c.places || q === this.closed) continue;
          const o = c.optionAt[m * (c.places + 1) + q]!;
          if (o < 0 || !state.fits(o)) continue;
          const d = state.delta(m, o);
          if (d < least) {
            least = d;
            best = o;
          }
        }
      }
      // too dear where it fits: somebody else makes room
      if (i === this.waitingCount - 1 && this.state.total + least > limit) {
        if (this.waitingCount >= MOST_OUT || random.next() < 0.5) return false;
        const r = random.next();
        const o = first + Math.floor(r * r * r * (end - first));
        if (o !== c.noHome[m] && c.optCost[o]! < none && c.optPlace[o] !== this.closed && this.force(m, o)) continue;
        return false;
      }
      if (best >= 0 && !this.step(m, best, least)) return false;
      if (best < 0) left = true;
    }
    return left ? this.fill() : true;
  }

  /** Room that came free given to lots without a home. */
  private fill(): boolean {
    const { c, state, random } = this;
    for (let k = 0; k < ASKED; k++) {
      const n = state.count[c.places]!;
      if (n === 0) return true;
      const l = state.member[state.memberStart[c.places]! + random.below(n)]!;
      const first = c.optStart[l]!;
      const end = Math.min(c.optStart[l + 1]!, first + SCANNED);
      let best = -1;
      let least = 0;
      for (let o = first; o < end; o++) {
        if (c.optPlace[o] === c.places || !state.fits(o)) continue;
        const d = state.delta(l, o);
        if (d < least) {
          least = d;
          best = o;
        }
      }
      if (best >= 0 && !this.step(l, best, least)) return false;
    }
    return true;
  }

  private settle(before: number, allowed: number, ok: boolean): void {
    if (!ok || !this.rehome(before + allowed + this.hope) || !this.isTaken(before, allowed)) this.rollback(before);
  }

  private insert(l: number, o: number, allowed: number): void {
    const before = this.state.total;
    this.begin();
    this.settle(before, allowed, this.force(l, o));
  }

  /** A lot to where one of its family lives. */
  private pullToMate(): void {
    const { c, random } = this;
    const l = this.kin[random.below(this.kin.length)]!;
    const at = c.lotFamStart[l]!;
    const f = c.lotFam[at + random.below(c.lotFamStart[l + 1]! - at)]!;
    const start = c.famStart[f]!;
    const mate = c.famLot[start + random.below(c.famStart[f + 1]! - start)]!;
    this.pull(l, mate);
  }

  /** One of the concepts of a lot; −1: it has none. */
  private conceptOf(l: number): number {
    const { c, random } = this;
    const at = c.lotConceptStart[l]!;
    const n = c.lotConceptStart[l + 1]! - at;
    return n === 0 ? -1 : c.lotConcept[at + random.below(n)]!;
  }

  /** A lot to where one lives that goes by a name of its own. */
  private pullToLike(): void {
    const { c, random } = this;
    const l = this.movable[random.below(this.movable.length)]!;
    const k = this.conceptOf(l);
    if (k < 0) return;
    const start = c.conceptStart[k]!;
    const mate = c.conceptLot[start + random.below(c.conceptStart[k + 1]! - start)]!;
    this.pull(l, mate);
  }

  /** A lot to where another lives. */
  private pull(l: number, mate: number): void {
    const { c, state } = this;
    const q = c.optPlace[state.at[mate]!]!;
    if (mate === l || q === c.places || q === c.optPlace[state.at[l]!]) return;
    const o = c.optionAt[l * (c.places + 1) + q]!;
    if (o < 0) return;
    const allowed = this.allowance();
    const delta = state.delta(l, o);
    this.hope = this.besides?.mayGain(l) ?? 0;
    if (delta > allowed + this.hope) return;
    if (state.fits(o)) this.shift(l, o, delta, allowed);
    else this.insert(l, o, allowed);
  }

  /** All that lies in the place of a lot to where that one would like to live, and what lies there the other way: two drawers change their names. */
  private exchange(): void {
    const { c, state, random } = this;
    const l = this.movable[random.below(this.movable.length)]!;
    const first = c.optStart[l]!;
    const r = random.next();
    const p = c.optPlace[state.at[l]!]!;
    const q = c.optPlace[first + Math.floor(r * r * r * (c.optStart[l + 1]! - first))]!;
    if (p === q || p === c.places || q === c.places || state.count[p]! + state.count[q]! > EXCHANGED) return;
    const before = state.total;
    const allowed = this.allowance();
    this.hope = this.besides ? (state.count[p]! + state.count[q]!) * this.besides.mayGain(l) : 0;
    this.begin();
    const there = this.emptied(q, 0);
    const all = this.emptied(p, there);
    let ok = true;
    for (let k = 0; k < all && ok; k++) {
      const m = this.carried[k]!;
      const o = c.optionAt[m * (c.places + 1) + (k < there ? p : q)]!;
      if (o >= 0 && state.fits(o)) ok = this.step(m, o);
      else this.waiting[this.waitingCount++] = m;
    }
    this.settle(before, allowed, ok);
  }

  /** Takes out of a place what has another to go to, into {@link carried} behind what is there; gives how many it carries then. */
  private emptied(q: number, carried: number): number {
    const { c, state } = this;
    for (let i = state.count[q]! - 1; i >= 0; i--) {
      const m = state.member[state.memberStart[q]! + i]!;
      if (this.stays[m] || c.optStart[m + 1]! - c.optStart[m]! <= 2) continue;
      this.step(m, c.noHome[m]!);
      this.carried[carried++] = m;
    }
    return carried;
  }

  /** All of a family in one place to another of its places; now and then to a place that one of them would like. */
  private moveFamily(): void {
    const { c, random } = this;
    const f = this.largeFamilies[random.below(this.largeFamilies.length)]!;
    const start = c.famStart[f]!;
    const n = c.famStart[f + 1]! - start;
    this.moveTogether(c.famLot, start, n, c.famLot[start + random.below(n)]!);
  }

  /** All that goes by one name in one place to another place of that name; now and then to a place that one of them would like. */
  private moveLike(): void {
    const { c, random } = this;
    const l = this.movable[random.below(this.movable.length)]!;
    const k = this.conceptOf(l);
    if (k < 0) return;
    const start = c.conceptStart[k]!;
    this.moveTogether(c.conceptLot, start, c.conceptStart[k + 1]! - start, l);
  }

  /** All of a group, `n` of a list, that live where one of them does, to where another lives, or would like to. */
  private moveTogether(list: Int32Array, start: number, n: number, a: number): void {
    const { c, state, random } = this;
    const b = list[start + random.below(n)]!;
    const p = c.optPlace[state.at[a]!]!;
    let q = c.optPlace[state.at[b]!]!;
    if (p === q || random.next() < 0.25) {
      const r = random.next();
      const first = c.optStart[b]!;
      q = c.optPlace[first + Math.floor(r * r * r * (c.optStart[b + 1]! - first))]!;
    }
    if (p === q || q === c.places) return;
    const before = state.total;
    const allowed = this.allowance();
    this.hope = this.besides ? n * this.besides.mayGain(a) : 0;
    this.begin();
    let ok = true;
    for (let i = 0; i < n && ok; i++) {
      const l = list[start + i]!;
      if (c.optPlace[state.at[l]!] !== p || this.stays[l]) continue;
      const o = c.optionAt[l * (c.places + 1) + q]!;
      if (o >= 0) ok = this.force(l, o);
    }
    this.settle(before, allowed, ok && this.chain > 0);
  }

  /** Several lots at once into a place that is carried or walked to, or all of them out of it. */
  private moveCharge(): void {
    const { c, state, random } = this;
    const k = random.below(c.charges);
    const from = c.chargePlaceStart[k]!;
    const q = c.chargePlace[from + random.below(c.chargePlaceStart[k + 1]! - from)]!;
    const before = state.total;
    const allowed = this.allowance();
    this.hope = 0;
    this.begin();
    let ok = true;
    if (state.chargeCount[k]! > 0 && random.next() < 0.5) {
      for (let i = state.count[q]! - 1; i >= 0 && ok; i--) {
        const m = state.member[state.memberStart[q]! + i]!;
        if (this.stays[m]) continue;
        ok = this.step(m, c.noHome[m]!) && this.waitingCount < CHAIN;
        // what comes home again may not come back: the container is to be empty
        if (ok) this.waiting[this.waitingCount++] = m;
      }
      this.closed = q;
      this.settle(before, allowed, ok);
      this.closed = -1;
      return;
    }
    const start = c.chargeStart[k]!;
    const n = c.chargeStart[k + 1]! - start;
    for (let tries = 2 + random.below(8); tries > 0 && ok; tries--) {
      const l = c.chargeLot[start + random.below(n)]!;
      const o = c.optionAt[l * (c.places + 1) + q]!;
      if (o < 0 || state.at[l] === o) continue;
      if (state.fits(o)) ok = this.step(l, o);
      else if (tries === 1) ok = this.force(l, o);
      this.stamp[l] = this.stampNow;
    }
    this.settle(before, allowed, ok && this.chain > 0);
  }
}
