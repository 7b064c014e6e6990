import { type PlaceName, shelvedAs } from '../concepts/index.ts';
import { type Plan, type Station, type Supply } from '../../record/plan/index.ts';
import { wayPrice } from '../../space/reach/index.ts';
import { isInView, type Looked, Looking, lookSeconds, type Sought } from '../recall/index.ts';
import { type Homes } from '../slotting/index.ts';
import { seatOf } from './errands.ts';
import { Heaps } from './heaps.ts';
import { type Need } from './need.ts';

/** Others of its name may be found more easily when a thing moves, by about so much a year, s. */
export const OTHERS = 400;

/** Something that is looked for: a lot, or a home. */
export type Wanted = { id: string; supply: Supply; need: Need };

/**
 * What finding again comes to over some things, kept up to date while they move: looking by the names of places, and heaps and drawers of many kinds. Names
 * count as written on: until they are, looking among places that look the same comes on top ({@link Again}). What a move changes is read off {@link total} before and after.
 */
export class FindingAgain {
  private readonly looking: Looking;
  private readonly heaps: Heaps;
  private readonly at: Int32Array;

  constructor(
    plan: Plan,
    wanted: readonly Wanted[],
    places: readonly string[],
    nameOf: ((placeId: string) => PlaceName | null) | null = null,
  ) {
    const stations: (Station | null)[] = [];
    const seatNo = (station: Station | null): number => {
      const known = stations.indexOf(station);
      return known >= 0 ? known : stations.push(station) - 1;
    };
    const sought = wanted.map(({ id, supply, need }): Sought => ({
      id,
      shelved: shelvedAs(plan, supply.id)!,
      weight: need.weight,
      seat: seatNo(need.station),
    }));
    const looks = stations.map((station) => looksFrom(plan, station, places));
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
    if (from >= 0) this.heaps.go(t, from);
    if (to >= 0) this.heaps.come(t, to);
  }

  /** Seconds a year over all. */
  total(): number {
    return this.looking.total() + this.heaps.total;
  }

  /** Seconds a year of one where it lives, with what a heap has too much by it. */
  costOf(id: string): number {
    const t = this.looking.numberOf(id);
    return t === undefined ? 0 : this.costAt(t);
  }

  /** The same by number. */
  costAt(t: number): number {
    const p = this.at[t]!;
    return this.looking.costAt(t) + (p < 0 ? 0 : this.heaps.savedWithout(t, p));
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
