import { capacityOf, type Contents, contentsOf, holderOf, stow, type Thing } from '../../things/fit/index.ts';
import { type Plan } from '../../record/plan/index.ts';
import { type Homes } from '../slotting/index.ts';
import { SAG, type Translation } from './translation.ts';

type Laid = { used: number; over: readonly string[] };
/** What was laid already for a translation, by place and lots: the search, bettering and the last count ask for the same over and over. */
const LAID = new WeakMap<Translation, Map<string, Laid>>();
/** So much is remembered before all is forgotten. */
const MOST_LAID = 50_000;

/** What is really in each place with some homes: what stays there anyway, and the lots. */
export class Layout {
  /** containers, boxes and what stays of each place */
  private readonly fixed = new Map<string, Contents>();
  private readonly lots = new Map<string, Set<string>>();
  /** load left in each period, by what the place is rated for */
  private readonly load = new Map<string, Float64Array>();
  /** what is used of a place as it lies, and whether anything in it bears something; worked out when asked, forgotten when that changes */
  private readonly full = new Map<string, { used: number; bears: boolean }>();

  private readonly known: Map<string, Laid>;

  constructor(
    private readonly plan: Plan,
    private readonly translation: Translation,
    homes: Homes,
  ) {
    this.known = LAID.get(translation) ?? new Map<string, Laid>();
    LAID.set(translation, this.known);
    for (const [id, { load }] of translation.places) {
      this.load.set(id, new Float64Array(translation.periods).fill(load));
      const now = contentsOf(plan, id);
      this.fixed.set(id, { ...now, things: now.things.filter((t) => translation.stays.has(t.id)) });
    }
    for (const { lot, place } of homes) this.put(lot, place);
  }

  private thing(lot: string, placeId: string): Thing {
    const { supply, count } = this.translation.lotOf.get(lot)!;
    return { id: lot, supply: this.translation.keptAs.get(lot)?.get(placeId) ?? supply, count };
  }

  put(lot: string, place: string): void {
    this.full.delete(place);
    const here = this.lots.get(place);
    if (here) here.add(lot);
    else this.lots.set(place, new Set([lot]));
    this.carry(place, lot, -1);
  }

  private carry(place: string, lot: string, by: number): void {
    const { supply, count, periods } = this.translation.lotOf.get(lot)!;
    const load = this.load.get(place)!;
    for (let t = 0; t < load.length; t++) if ((periods >> t) & 1) load[t]! += by * supply.mass * count;
  }

  remove(lot: string, place: string): void {
    this.full.delete(place);
    this.lots.get(place)!.delete(lot);
    this.carry(place, lot, 1);
  }

  lotsIn(placeId: string): string[] {
    return [...(this.lots.get(placeId) ?? [])];
  }

  private laid(placeId: string, more: string | null): Laid {
    return this.remembered(placeId, [...(this.lots.get(placeId) ?? [])].sort(), more);
  }

  private remembered(placeId: string, lots: readonly string[], more: string | null): Laid {
    const key = `${placeId}\n${lots.join()}\n${more ?? ''}`;
    let known = this.known.get(key);
    if (!known) {
      if (this.known.size >= MOST_LAID) this.known.clear();
      this.known.set(key, (known = this.lay(placeId, lots, more)));
    }
    return known;
  }

  private lay(placeId: string, lots: readonly string[], more: string | null): Laid {
    const place = this.plan.places[placeId]!;
    const fixed = this.fixed.get(placeId)!;
    const all = [...lots, ...(more === null ? [] : [more])];
    let used = 0;
    const over = new Set<string>();
    for (const lots of this.atOnce(all, more)) {
      const things = [...fixed.things, ...lots.map((lot) => this.thing(lot, placeId))];
      const now = stow(holderOf(place), { ...fixed, things });
      used = Math.max(used, now.used);
      for (const t of now.things) if (lots.includes(t.id) && (t.over > 0 || !t.alone.ok)) over.add(t.id);
    }
    return { used, over: [...over] };
  }

  /** Lots that are there at the same time, in the periods in which one of them is. */
  private atOnce(lots: readonly string[], one: string | null): string[][] {
    const { lotOf, periods } = this.translation;
    const there = (lot: string) => lotOf.get(lot)!.periods;
    if (periods === 1 || lots.every((lot) => there(lot) === there(lots[0]!))) return [[...lots]];
    const seen = new Map<string, string[]>();
    for (let t = 0; t < periods; t++) {
      if (one !== null && ((there(one) >> t) & 1) === 0) continue;
      const now = lots.filter((lot) => (there(lot) >> t) & 1);
      seen.set(now.join('\n'), now);
    }
    return [...seen.values()];
  }

  /** Lots of some that find no room in a place when it is laid with all of them and with what stays there. */
  overOf(placeId: string, lots: readonly string[]): readonly string[] {
    return this.remembered(placeId, [...lots].sort(), null).over;
  }

  /** Lots of a place that find no room when it is laid with all that is to be there. */
  over(placeId: string): readonly string[] {
    return this.laid(placeId, null).over;
  }

  /** Whether what is in a place is another at other times of the year. */
  private changes(placeId: string): boolean {
    return this.translation.periods > 1 && this.atOnce(this.lotsIn(placeId), null).length > 1;
  }

  /** Whether there is no room left for so much more, without laying anything: what lies on other things takes none of its own. */
  private isFull(placeId: string, use: number): boolean {
    let now = this.full.get(placeId);
    if (!now) {
      const { things } = this.fixed.get(placeId)!;
      const all = [...things, ...this.lotsIn(placeId).map((lot) => this.thing(lot, placeId))];
      const { used } = this.laid(placeId, null);
      this.full.set(placeId, (now = { used, bears: all.some((t) => t.supply.bears) || this.changes(placeId) }));
    }
    const holder = holderOf(this.plan.places[placeId]!);
    return !now.bears && holder.nature !== 'pile' && now.used + use > capacityOf(holder) * 1.001;
  }

  /** Load left with one lot more, in the period that has least; by what the place is rated for, g. */
  private leftWith(placeId: string, lot: string): number {
    const { supply, count, periods } = this.translation.lotOf.get(lot)!;
    let least = Infinity;
    for (const [t, left] of this.load.get(placeId)!.entries())
      if ((periods >> t) & 1) least = Math.min(least, left - supply.mass * count);
    return least;
  }

  /** What a lot costs more where the board is seen to sag with it and not without, s a year. */
  sagWith(placeId: string, lot: string): number {
    const { load, sagFrom } = this.translation.places.get(placeId)!;
    const { supply, count } = this.translation.lotOf.get(lot)!;
    const [left, seen] = [this.leftWith(placeId, lot), load - sagFrom - 1e-6];
    return left < seen && left + supply.mass * count >= seen ? SAG : 0;
  }

  /** What is used of a place with a lot that uses so much by itself laid beside all that is there; null: it finds no room, or is too heavy. */
  usedWith(placeId: string, lot: string, use: number): number | null {
    if (this.leftWith(placeId, lot) < -1e-6) return null;
    if (this.isFull(placeId, use)) return null;
    const { used, over } = this.laid(placeId, lot);
    return over.length === 0 ? used : null;
  }

  get inUse(): string[] {
    return [...this.lots.keys()];
  }
}
