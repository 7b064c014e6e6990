import { type Place, type Plan, type Share, type Supply } from '../plan/index.ts';
import {
  type BandNumber,
  fetchSeconds,
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
import { penaltySeconds } from './penalties.ts';
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
  private readonly sites = new Map<string, Site>();

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
      this.sites.set(place.id, {
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

  /**
   * What so much of the fetches of some uses costs a year in each place, as the maker weighs it; Infinity where somebody does not get there or it may
   * not live.
   */
  costs(supply: Supply, share: Share, uses: readonly YearlyUse[], part: number): (placeId: string) => number {
    const { plan } = this;
    const barred = mayBeBarred(plan, supply);
    const errands = uses.flatMap((use) => {
      const no = this.station.get(use.station.id);
      return no === undefined
        ? []
        : [{ no, times: use.fetches * part, weight: this.counts[no]!, consumed: use.consumed }];
    });
    const fetches = errands.reduce((sum, e) => sum + e.times, 0);
    return (placeId) => {
      const site = this.sites.get(placeId)!;
      let sum = 0;
      let most = -1;
      let band: BandNumber | null = null;
      for (const { no, times, weight, consumed } of errands) {
        const way = site.ways[no]!;
        if (way === null) {
          if (times > 0) return Infinity;
          continue;
        }
        const handling = handlingOf(supply, site.kinds, consumed, site.jumble);
        handling.covered = site.aside;
        sum += times * weight * fetchSeconds(way, handling);
        if (times > most) {
          most = times;
          band = site.brought[no] ?? way.band;
        }
      }
      if (barred && barredFrom(plan, supply, site.spot) !== null) return Infinity;
      return sum + penaltySeconds(plan, supply, share, site.spot, band, fetches);
    };
  }
}
