import { type Place, type Plan, type Share, type Supply } from '../plan/index.ts';
import {
  type BandNumber,
  fetchSeconds,
  graspOf,
  handlingOf,
  makerOf,
  sceneAt,
  sceneOf,
  type Spot,
  tablePrice,
  type WayPrice,
  wayPrice,
} from '../reach/index.ts';
import { barredFrom, mayBeBarred } from './barred.ts';
import { carriedOf, isCarriedTo } from './carrying.ts';
import { isThrownIn } from './filling.ts';
import { penaltiesOf } from './penalties.ts';
import { rummagedAmong, type YearlyUse } from './uses.ts';

/** What is the same of a place whatever is to live there: how many kinds will show, what is moved aside, what the way costs from each seat. */
type Site = {
  spot: Spot;
  kinds: number;
  jumble: boolean;
  aside: number;
  /** by number of the station; null: out of reach */
  ways: (WayPrice | null)[];
  /** band of bringing the container that is carried to the seat; null: it is reached into */
  brought: (BandNumber | null)[];
};

/**
 * Ways of a plan, priced once per seat and place and shared by all supplies: what {@link costInPlace} says of one thing in one place, for many of both.
 */
export class Ground {
  private readonly station = new Map<string, number>();
  private readonly counts: number[] = [];
  private readonly sites: Site[] = [];
  private readonly numbers = new Map<string, number>();
  private readonly known = new Map<string, Float64Array>();

  /** @param usual how many kinds are to be counted with in a place */
  constructor(
    private readonly plan: Plan,
    spots: readonly Spot[],
    usual: (holder: Spot) => number,
  ) {
    const stations = Object.values(plan.stations).filter((s) => makerOf(plan, s) !== null);
    for (const [i, s] of stations.entries()) {
      this.station.set(s.id, i);
      this.counts.push(plan.people[s.personId]?.minuteCounts ?? 1);
    }
    const seats = stations.map((s) => ({ maker: makerOf(plan, s)!, scene: sceneAt(plan, s) }));
    const rest = sceneOf(plan);
    for (const { place } of spots) {
      const own: Place = plan.places[place.id]!;
      const container = carriedOf(plan, own);
      const kinds = usual(rest.spots.get(place.id)!);
      const jumble = isThrownIn(own);
      const brought = stations.map((s) => {
        const fetch = container ? isCarriedTo(plan, s, container) : null;
        return fetch?.ok ? fetch.band : null;
      });
      this.numbers.set(place.id, this.sites.length);
      this.sites.push({
        spot: rest.spots.get(place.id)!,
        kinds,
        jumble,
        aside: rummagedAmong(jumble, kinds),
        brought,
        ways: seats.map(({ maker, scene }, i) =>
          brought[i] !== null ? tablePrice() : wayPrice(scene, maker, scene.spots.get(place.id)!),
        ),
      });
    }
  }

  /** The number of a place, for {@link costs}. */
  siteOf(placeId: string): number {
    return this.numbers.get(placeId)!;
  }

  /** Seconds of one fetch from a station out of each place, for all that is handled alike; Infinity where one does not get there. */
  private fetchesFrom(no: number, supply: Supply, consumed: boolean): Float64Array {
    const key = `${no} ${alike(supply, consumed)}`;
    let known = this.known.get(key);
    if (!known) {
      known = Float64Array.from(this.sites, ({ ways, kinds, jumble, aside }) => {
        const way = ways[no]!;
        if (way === null) return Infinity;
        const handling = handlingOf(supply, kinds, consumed, jumble);
        handling.covered = aside;
        return fetchSeconds(way, handling);
      });
      this.known.set(key, known);
    }
    return known;
  }

  /**
   * What so much of the fetches of some uses costs a year in each place, by its number, as the maker weighs it; Infinity where somebody does not get
   * there or it may not live.
   */
  costs(supply: Supply, share: Share, uses: readonly YearlyUse[], part: number): (site: number) => number {
    const { plan } = this;
    const barred = mayBeBarred(plan, supply);
    const errands = uses.flatMap((use) => {
      const no = this.station.get(use.station.id);
      const times = use.fetches * part;
      return no === undefined || times <= 0
        ? []
        : [{ no, times, weighed: times * this.counts[no]!, each: this.fetchesFrom(no, supply, use.consumed) }];
    });
    const fetches = errands.reduce((sum, e) => sum + e.times, 0);
    const main = errands.reduce<(typeof errands)[number] | null>((a, b) => (a && a.times >= b.times ? a : b), null);
    const against = penaltiesOf(plan, supply, share, fetches);
    return (number) => {
      let sum = 0;
      for (const { weighed, each } of errands) sum += weighed * each[number]!;
      if (sum === Infinity) return Infinity;
      const site = this.sites[number]!;
      if (barred && barredFrom(plan, supply, site.spot) !== null) return Infinity;
      const band = main ? (site.brought[main.no] ?? site.ways[main.no]!.band) : null;
      return sum + against(site.spot, band);
    };
  }
}

/** Pieces up to so many tell whether a thing is picked from a jumble. */
const FEW = 3;

/** What {@link handlingOf} looks at of a supply: supplies of one key are handled alike in every place. */
function alike(supply: Supply, consumed: boolean): string {
  const grasp = handlingOf({ ...supply, form: 'loose' }, 1, consumed);
  return [
    supply.form === 'loose',
    supply.form === 'sheet' || supply.form === 'pocket',
    graspOf(grasp).code,
    supply.storage,
    Math.min(FEW, supply.working),
    consumed,
  ].join(' ');
}
