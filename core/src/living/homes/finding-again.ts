import { type PlaceName, shelvedAs } from '../concepts/index.ts';
import { type Plan, type Station, type Supply } from '../../record/plan/index.ts';
import { sceneOf, wayPrice } from '../../space/reach/index.ts';
import {
  isInView,
  LOST_THREAD,
  type Looked,
  Looking,
  lookSeconds,
  rememberedWith,
  type Sought,
} from '../recall/index.ts';
import { type Homes } from '../slotting/index.ts';
import { seatOf } from './errands.ts';
import { Heaps } from './heaps.ts';
import { type Need } from './need.ts';

/** Others of its name may be found more easily when a thing moves, by about so much a year, s. */
export const OTHERS = 400;

/** Something that is looked for: a lot, or a home. */
export type Wanted = { id: string; supply: Supply; need: Need };

/**
 * Looks among so many shut places that say nothing and look the same: in half of the others one looks first, as long as one does not know it by what is fetched there.
 * @param visits fetches a year out of the place
 */
export const blindLooks = (alike: number, visits: number): number =>
  alike <= 1 ? 0 : ((alike - 1) / 2) * (1 - rememberedWith(visits));

/**
 * What finding again comes to over some things, kept up to date while they move: looking by the names of places, looks among shut places that say nothing and look
 * the same, and digging in heaps of many kinds. What a move changes is read off {@link total} before and after.
 */
export class FindingAgain {
  private readonly looking: Looking;
  private readonly heaps: Heaps;
  private readonly at: Int32Array;
  /** by thing: its row in what a look takes; by that and by place: s, the thread that is lost in it; 0: in view, or out of reach */
  private readonly from: Int32Array;
  private readonly lookInto: Float64Array[];
  /** by place: how many look like it and say as little; how often a year its things are fetched, and what one look too many takes over all that are not known, s a year */
  private readonly alike: Float64Array;
  private readonly fetches: Float64Array;
  private readonly look: Float64Array;
  private readonly hidden: Float64Array;
  private blind = 0;

  constructor(
    plan: Plan,
    private readonly wanted: readonly Wanted[],
    places: readonly string[],
    nameOf: ((placeId: string) => PlaceName | null) | null = null,
  ) {
    const rest = sceneOf(plan);
    const stations: (Station | null)[] = [];
    const seatNo = (station: Station | null): number => {
      const known = stations.indexOf(station);
      return known >= 0 ? known : stations.push(station) - 1;
    };
    this.from = Int32Array.from(wanted, ({ need }) => seatNo(need.station));
    const sought = wanted.map(({ id, supply, need }, t): Sought => ({
      id,
      shelved: shelvedAs(plan, supply.id)!,
      weight: need.weight,
      seat: this.from[t]!,
    }));
    const looks = stations.map((station) => looksFrom(plan, station, places));
    this.lookInto = looks.map((list) => Float64Array.from(list, (look) => (look === null ? 0 : look + LOST_THREAD)));
    this.looking = new Looking(
      sought,
      places.map((id) => ({ id, labelWords: plan.places[id]!.labelWords })),
      (seat, p) => looks[seat]![p]!,
      new Set(
        Object.values(plan.looks).flatMap((look) =>
          look.placeId === null ? [] : [`${look.supplyId} ${look.placeId}`],
        ),
      ),
      nameOf,
    );
    this.heaps = new Heaps(
      wanted.map((w) => w.supply),
      places.map((id) => plan.places[id] ?? null),
    );
    this.at = new Int32Array(wanted.length).fill(-1);
    this.alike = Float64Array.from(places, (id) => rest.spots.get(id)?.alike ?? 0);
    this.fetches = new Float64Array(places.length);
    this.look = new Float64Array(places.length);
    this.hidden = new Float64Array(places.length);
  }

  /** Several at once. */
  fill(homes: Homes): this {
    for (const { lot, place } of homes) this.move(lot, place);
    return this;
  }

  /** Says where a thing lives; null: nowhere. */
  move(id: string, placeId: string | null): void {
    const t = this.looking.numberOf(id);
    if (t !== undefined) this.moveTo(t, this.looking.placeOf(placeId));
  }

  /** The same by numbers, in the order they were given in; −1: nowhere. */
  moveTo(t: number, to: number): void {
    const from = this.at[t]!;
    if (from === to) return;
    this.looking.moveTo(t, to);
    this.at[t] = to;
    if (from >= 0) {
      this.hide(t, from, -1);
      this.heaps.go(t, from);
    }
    if (to >= 0) {
      this.hide(t, to, 1);
      this.heaps.come(t, to);
    }
  }

  private hide(t: number, p: number, by: 1 | -1): void {
    if (this.alike[p]! <= 1) return;
    const { need } = this.wanted[t]!;
    this.fetches[p]! += by * need.fetches;
    this.look[p]! += by * need.weight * this.lookInto[this.from[t]!]![p]!;
    // what came and went leaves the rounding of its sums
    const look = this.look[p]! < 1e-6 ? 0 : this.look[p]!;
    const now = look === 0 ? 0 : blindLooks(this.alike[p]!, Math.max(0, this.fetches[p]!)) * look;
    this.blind += now - this.hidden[p]!;
    this.hidden[p] = now;
  }

  /** Seconds a year over all. */
  total(): number {
    return this.looking.total() + this.blind + this.heaps.total;
  }

  /** Seconds a year of one where it lives, with what a heap has too much by it. */
  costOf(id: string): number {
    const t = this.looking.numberOf(id);
    return t === undefined ? 0 : this.costAt(t);
  }

  /** The same by number. */
  costAt(t: number): number {
    const p = this.at[t]!;
    const { need } = this.wanted[t]!;
    const blind =
      p < 0 || this.hidden[p]! === 0
        ? 0
        : blindLooks(this.alike[p]!, this.fetches[p]!) * need.weight * this.lookInto[this.from[t]!]![p]!;
    return this.looking.costAt(t) + blind + (p < 0 ? 0 : this.heaps.savedWithout(t, p));
  }

  /** What looking for one comes to by the names of places, where it is not remembered. */
  of = (id: string): Looked => this.looking.of(id);

  /** Places that are looked in before the one a thing lives in, the likeliest first. */
  before = (id: string): { placeId: string; match: number }[] => this.looking.before(id);
}

/** What a look into some places takes from a seat, s; null: it is in view from there, or out of reach. */
function looksFrom(plan: Plan, station: Station | null, places: readonly string[]): (number | null)[] {
  const at = station && seatOf(plan, station);
  return places.map((id) => {
    const spot = at?.scene.spots.get(id);
    const price = at && spot ? wayPrice(at.scene, at.maker, spot) : null;
    return price === null || isInView(spot!.place, price) ? null : lookSeconds(price);
  });
}
