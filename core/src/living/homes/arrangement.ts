import { type Plan } from '../../record/plan/index.ts';
import { type Homes } from '../slotting/index.ts';
import { Layout } from './layout.ts';
import { findingAgainOver } from './again-over.ts';
import { type FindingAgain } from './finding-again.ts';
import { Mixing } from './mixing.ts';
import { type Translation } from './translation.ts';
import { weightOf } from './weights.ts';

export type Option = Translation['lots'][number]['options'][number];
/** A lot to one of its options. */
export type Step = { lot: string; to: Option };

/** What families and charges make of a lot that moves, kept up to date while lots do. */
class Ties {
  private readonly families = new Map<string, { spread: number; places: Map<string, number> }[]>();
  private readonly charges = new Map<string, { cost: number; places: ReadonlySet<string>; count: number }[]>();

  /** by place in a row: the first of it */
  private readonly rows: ReadonlyMap<string, string>;

  constructor({ families, charges, rows }: Translation, at: ReadonlyMap<string, string>) {
    this.rows = new Map(rows.flatMap((row) => row.map((id) => [id, row[0]!])));
    const under = <T>(map: Map<string, T[]>, lots: readonly string[], one: T) => {
      for (const lot of lots) {
        const list = map.get(lot);
        if (list) list.push(one);
        else map.set(lot, [one]);
      }
    };
    for (const { lots, spread } of families) under(this.families, lots, { spread, places: new Map<string, number>() });
    for (const { lots, places, cost } of charges)
      under(this.charges, lots, { cost, places: new Set(places), count: 0 });
    for (const [lot, place] of at) this.move(lot, undefined, place);
  }

  private rowOf<T extends string | undefined>(place: T): string | T {
    return place === undefined ? place : (this.rows.get(place) ?? place);
  }

  move(lot: string, from: string | undefined, to: string | undefined): void {
    const [left, come] = [this.rowOf(from), this.rowOf(to)];
    for (const { places } of this.families.get(lot) ?? []) {
      if (left !== undefined) {
        const n = places.get(left)! - 1;
        if (n > 0) places.set(left, n);
        else places.delete(left);
      }
      if (come !== undefined) places.set(come, (places.get(come) ?? 0) + 1);
    }
    for (const charge of this.charges.get(lot) ?? []) {
      if (from !== undefined && charge.places.has(from)) charge.count--;
      if (to !== undefined && charge.places.has(to)) charge.count++;
    }
  }

  /** What changes when a lot goes from one place (or none) to another. */
  delta(lot: string, from: string | undefined, to: string): number {
    let d = 0;
    const [leaves, comes] = [this.rowOf(from), this.rowOf(to)];
    for (const { spread, places } of leaves === comes ? [] : (this.families.get(lot) ?? [])) {
      let n = places.size;
      if (leaves !== undefined && places.get(leaves) === 1) n--;
      if (!places.has(comes)) n++;
      d += spread * (Math.max(0, n - 1) - Math.max(0, places.size - 1));
    }
    for (const { cost, places, count } of this.charges.get(lot) ?? []) {
      const [was, will] = [from !== undefined && places.has(from), places.has(to)];
      if (was && !will && count === 1) d -= cost;
      if (will && !was && count === 0) d += cost;
    }
    return d;
  }
}

/** Where everything lives while homes are bettered: what a change would save is told exactly, looking included, and laid for real before it is taken. */
export class Arrangement {
  readonly at: Map<string, string>;
  private readonly ties: Ties;
  private readonly mixing: Mixing;
  private readonly layout: Layout;
  private readonly looking: FindingAgain | null;
  private readonly weigh: number;
  private readonly lots: ReadonlyMap<string, Translation['lots'][number]>;
  /** what looking comes to as all is now */
  private looks: number;
  /** how much was looked at: each question about looking goes through all things */
  work = 0;

  /** @param room how much of each place may be used, in its measure */
  constructor(
    plan: Plan,
    translation: Translation,
    found: Homes,
    private readonly room: (placeId: string) => number,
  ) {
    this.at = new Map(found.map((h) => [h.lot, h.place]));
    this.ties = new Ties(translation, this.at);
    this.mixing = new Mixing(translation.sorts, found);
    this.layout = new Layout(plan, translation, found);
    this.weigh = weightOf(plan, 'weighAgain');
    this.looking = this.weigh > 0 ? findingAgainOver(plan, translation, found) : null;
    this.looks = this.looking?.total() ?? 0;
    this.lots = new Map(translation.lots.map((lot) => [lot.id, lot]));
  }

  get homes(): { lot: string; place: string }[] {
    return [...this.at].map(([lot, place]) => ({ lot, place }));
  }

  lotsIn(place: string): string[] {
    return this.layout.lotsIn(place);
  }

  /** What looking for a lot takes a year where it lives, as it counts, s. */
  looksFor = (lot: string): number => (this.looking ? this.weigh * this.looking.costOf(lot) : 0);

  costOf(lot: string): number {
    const { leave, options } = this.lots.get(lot)!;
    const now = this.at.get(lot);
    return now === undefined ? leave : options.find((o) => o.place === now)!.cost;
  }

  allows = (lot: string, place: string): boolean => this.mixing.allows(lot, place);

  /** What a lot costs more in another place than where it is, looking left out, s a year. */
  delta(lot: string, to: Option): number {
    const now = this.at.get(lot);
    return (
      to.cost -
      this.costOf(lot) +
      this.ties.delta(lot, now, to.place) +
      this.mixing.delta(lot, now, to.place) +
      this.layout.sagWith(to.place, lot)
    );
  }

  /**
   * What some steps taken one after the other change in all, looking included, s a year; nothing is taken.
   * @param hoped what looking may save at most: where that is not enough for anything, looking is not asked, and it is Infinity
   */
  deltaOf(steps: readonly Step[], hoped = Infinity): number {
    let sum = 0;
    const was = steps.map(({ lot }) => this.at.get(lot));
    for (const { lot, to } of steps) {
      sum += this.delta(lot, to);
      this.follow(lot, to.place);
    }
    if (this.looking && sum >= hoped) sum = Infinity;
    else if (this.looking) {
      this.work += this.lots.size;
      for (const { lot, to } of steps) this.looking.move(lot, to.place);
      sum += this.weigh * (this.looking.total() - this.looks);
      for (const [i, { lot }] of steps.entries()) this.looking.move(lot, was[i] ?? null);
    }
    for (let i = steps.length - 1; i >= 0; i--) this.follow(steps[i]!.lot, was[i]);
    return sum;
  }

  /** What changes beside costs, families and charges when a lot goes elsewhere: names, looking, boards that sag; s a year. */
  besides(lot: string, to: Option): number {
    const now = this.at.get(lot);
    let sum = this.mixing.delta(lot, now, to.place) + this.layout.sagWith(to.place, lot);
    if (this.looking) {
      this.work += this.lots.size;
      this.looking.move(lot, to.place);
      sum += this.weigh * (this.looking.total() - this.looks);
      this.looking.move(lot, now ?? null);
    }
    return sum;
  }

  /** Whether a lot alone can be laid in one of its options, within room to grow, with nothing it must be apart from. */
  finds(lot: string, { place, use }: Option): boolean {
    if (!this.mixing.allows(lot, place)) return false;
    const used = this.layout.usedWith(place, lot, use);
    return used !== null && used <= this.room(place) * 1.0001;
  }

  private follow(lot: string, to: string | undefined): void {
    const now = this.at.get(lot);
    this.ties.move(lot, now, to);
    this.mixing.move(lot, now, to);
    if (to === undefined) this.at.delete(lot);
    else this.at.set(lot, to);
  }

  /** Takes some steps if all of it can be laid, within room to grow, and nothing that must be apart comes together; else leaves everything as it was. */
  take(steps: readonly Step[]): boolean {
    const was = steps.map(({ lot }) => this.at.get(lot));
    let done = 0;
    const back = () => {
      for (let i = done - 1; i >= 0; i--) {
        const { lot, to } = steps[i]!;
        this.layout.remove(lot, to.place);
        this.follow(lot, was[i]);
      }
      for (const [i, { lot }] of steps.entries()) if (was[i] !== undefined) this.layout.put(lot, was[i]);
      return false;
    };
    for (const [i, { lot }] of steps.entries()) if (was[i] !== undefined) this.layout.remove(lot, was[i]);
    for (const { lot, to } of steps) {
      const used = this.mixing.allows(lot, to.place) ? this.layout.usedWith(to.place, lot, to.use) : null;
      if (used === null || used > this.room(to.place) * 1.0001) return back();
      this.layout.put(lot, to.place);
      this.follow(lot, to.place);
      done++;
    }
    // of fewer things another one may hang over
    for (const place of new Set(was)) if (place !== undefined && this.layout.over(place).length > 0) return back();
    if (this.looking) {
      for (const { lot, to } of steps) this.looking.move(lot, to.place);
      this.looks = this.looking.total();
    }
    return true;
  }
}
