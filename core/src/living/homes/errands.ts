import { type Place, type Plan, readsSame, type Station, type Supply } from '../../record/plan/index.ts';
import {
  type BandNumber,
  fetchSeconds,
  type Handling,
  handlingOf,
  type Maker,
  makerOf,
  type Scene,
  sceneAt,
  tablePrice,
  wayPrice,
  waySeconds,
} from '../../space/reach/index.ts';
import { carriedOf, isCarriedTo } from './carrying.ts';
import { isThrownIn } from './filling.ts';
import { rummagedAmong, type YearlyUse } from './uses.ts';

/** One station’s fetches of a supply from a place: seconds of one, and the container that is brought to the table first. */
export type Errand = {
  use: YearlyUse;
  /** seconds of one fetch; null: out of reach */
  seconds: number | null;
  band: BandNumber | null;
  /** of one fetch the body’s way there and back, s: paid again to put it back, and once for all that is gathered there */
  way: number;
  carried: Place | null;
  handling: Handling;
};

/** Seen from where somebody works: her, and the room as it is then. */
type Seat = { maker: Maker; scene: Scene };
const seats = new WeakMap<Station, { plan: Plan; seat: Seat | null }>();
const SEAT_READS = ['head', 'people', 'units', 'parkings', 'walls', 'places', 'openings', 'fixtures'] as const;
export function seatOf(plan: Plan, station: Station): Seat | null {
  const known = seats.get(station);
  if (known && readsSame(SEAT_READS, known.plan, plan)) return known.seat;
  const maker = makerOf(plan, station);
  const seat = maker && { maker, scene: sceneAt(plan, station) };
  seats.set(station, { plan, seat });
  return seat;
}

/** What each of some uses of a supply asks for in a place, looked for among `kinds` kinds and behind `covered` others. */
export function errandsTo(
  plan: Plan,
  supply: Supply,
  uses: readonly YearlyUse[],
  place: Place,
  kinds: number,
  covered: number,
): Errand[] {
  const container = carriedOf(plan, place);
  const jumble = isThrownIn(place);
  const rummaged = rummagedAmong(jumble, kinds);
  const errands: Errand[] = [];
  for (const use of uses) {
    const seat = seatOf(plan, use.station);
    if (!seat) continue;
    const handling = { ...handlingOf(supply, kinds, use.consumed, jumble), covered: covered + rummaged };
    if (container && isCarriedTo(plan, use.station, container)) {
      errands.push({
        use,
        seconds: fetchSeconds(tablePrice(), handling),
        band: 1,
        way: 0,
        carried: container,
        handling,
      });
      continue;
    }
    const price = wayPrice(seat.scene, seat.maker, seat.scene.spots.get(place.id)!);
    errands.push({
      use,
      seconds: price && fetchSeconds(price, handling),
      band: price?.band ?? null,
      way: price ? waySeconds(price) : 0,
      carried: null,
      handling,
    });
  }
  return errands;
}

/** How many of each use’s yearly fetches go to each home: [home][errand]. */
export function sharedFetches(
  uses: readonly YearlyUse[],
  errands: readonly Errand[][],
  counts: readonly number[],
): number[][] {
  if (errands.length === 1) return [errands[0]!.map((e) => e.use.fetches)];
  const out = errands.map((list) => list.map(() => 0));
  const total = counts.reduce((a, b) => a + b, 0);
  for (const use of uses) {
    const order = errands
      .map((list, home) => {
        const at = list.findIndex((e) => e.use === use);
        return { home, at, seconds: list[at]?.seconds ?? Infinity };
      })
      .filter((o) => o.at >= 0)
      .sort((a, b) => a.seconds - b.seconds || a.home - b.home);
    // nobody fetches from where she does not get to while there is another home
    const reached = order.filter((o) => o.seconds < Infinity);
    if (reached.length > 0) order.splice(0, order.length, ...reached);
    // of what is used up pieces are shared, whatever is brought at once
    const pieces = use.consumed ? Math.max(use.fetches, use.reaches) : use.fetches;
    const each = pieces > 0 ? use.fetches / pieces : 0;
    let left = pieces;
    for (const [i, { home, at }] of order.entries()) {
      const last = i === order.length - 1;
      // a tool goes back where it came from; what is used up empties the nearest home first, and all of them when a year takes them all
      const share = !use.consumed
        ? left
        : pieces >= total && total > 0
          ? (pieces * counts[home]!) / order.reduce((sum, o) => sum + counts[o.home]!, 0)
          : Math.min(left, counts[home]!);
      out[home]![at] = (last ? left : share) * each;
      left -= last ? left : share;
    }
  }
  return out;
}
