import { type Place, type Plan, type Share, type Station, type Supply } from '../../record/plan/index.ts';
import {
  type BandNumber,
  fetchSeconds,
  graspOf,
  type Handling,
  handlingOf,
  makerOf,
  sceneAt,
  sceneOf,
  type Spot,
  tablePrice,
  type WayPrice,
  wayPrice,
  waySeconds,
} from '../../space/reach/index.ts';
import { sessionsAt } from '../sessions/index.ts';
import { barredFrom, mayBeBarred } from './barred.ts';
import { carriedOf, isCarriedTo } from './carrying.ts';
import { isThrownIn, onPile } from './filling.ts';
import { penaltiesOf } from './penalties.ts';
import { rummagedAmong, walksTo, type YearlyUse } from './uses.ts';

/** What is the same of a place whatever is to live there: how many kinds will show, what is moved aside, what the way costs from each seat. */
type Site = {
  spot: Spot;
  /** the container it is or stands in, where that is carried */
  container: Place | null;
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
  /** sites by unit */
  private readonly unitsOf = new Map<string, number[]>();
  private levels: (Float64Array | undefined)[] = [];
  private readonly known = new Map<string, { no: number; supply: Supply; consumed: boolean; seconds: Float64Array }>();

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
    const rest = sceneOf(plan);
    for (const { place } of spots) {
      const own: Place = plan.places[place.id]!;
      const spot = rest.spots.get(place.id)!;
      const kinds = usual(spot);
      const jumble = isThrownIn(own);
      const site: Site = {
        ...{
          spot,
          container: carriedOf(plan, own),
          kinds,
          jumble,
          aside: rummagedAmong(jumble, kinds) + onPile(own, kinds - 1),
        },
        ...{ brought: [], ways: [] },
      };
      this.numbers.set(place.id, this.sites.length);
      const unit = this.unitsOf.get(own.unitId);
      if (unit) unit.push(this.sites.length);
      else this.unitsOf.set(own.unitId, [this.sites.length]);
      this.sites.push(site);
      for (const s of stations) {
        const { way, brought } = wayInto(plan, site, s);
        site.ways.push(way);
        site.brought.push(brought);
      }
    }
  }

  /**
   * Prices ways anew in a room where something stands elsewhere than it did, all else being as it was.
   * @param moved whether the way from a station to a place may have changed
   */
  reprice(plan: Plan, moved: (stationId: string, placeId: string) => boolean): void {
    const rest = sceneOf(plan);
    this.levels = [];
    for (const [i, site] of this.sites.entries())
      for (const [stationId, no] of this.station) {
        if (!moved(stationId, site.spot.place.id)) continue;
        site.spot = rest.spots.get(site.spot.place.id)!;
        const { way, brought } = wayInto(plan, site, plan.stations[stationId]!);
        site.ways[no] = way;
        site.brought[no] = brought;
        for (const known of this.known.values())
          if (known.no === no) known.seconds[i] = fetchFromSite(site, no, known.supply, known.consumed);
      }
  }

  /** What a way from a station to a place costs in a room where something may stand elsewhere; null: no way. */
  wayIn(plan: Plan, site: number, stationId: string): WayPrice | null {
    return wayInto(plan, this.sites[site]!, plan.stations[stationId]!).way;
  }

  /** The same as it was priced last. */
  wayNow(site: number, stationId: string): WayPrice | null {
    return this.sites[site]!.ways[this.station.get(stationId)!] ?? null;
  }

  /**
   * The body’s way from a station to each place, s, in a few steps for each unit: what of it a visit pays once for all that is gathered there. 0 where
   * one does not get there, or where it is brought.
   */
  private levelsFrom(no: number): Float64Array {
    let levels = this.levels[no];
    if (levels) return levels;
    this.levels[no] = levels = new Float64Array(this.sites.length);
    for (const sites of this.unitsOf.values()) {
      const ways = sites
        .map((i) => ({ i, seconds: this.sites[i]!.ways[no] ? waySeconds(this.sites[i]!.ways[no]!) : 0 }))
        .sort((a, b) => a.seconds - b.seconds);
      let level = 0;
      for (const { i, seconds } of ways) {
        if (seconds - level >= STEP) level = seconds;
        levels[i] = level;
      }
    }
    return levels;
  }

  /** Of each unit the stretches of the way to its places: how much longer each is, s, and the places that lie beyond it. */
  stretchesFrom(stationId: string): { seconds: number; places: string[] }[][] {
    const no = this.station.get(stationId);
    if (no === undefined) return [];
    const levels = this.levelsFrom(no);
    return [...this.unitsOf.values()].map((sites) => {
      const steps = [...new Set(sites.map((i) => levels[i]!))].sort((a, b) => a - b);
      return steps.flatMap((level, k) => {
        const seconds = level - (steps[k - 1] ?? 0);
        const places = sites.filter((i) => levels[i]! >= level).map((i) => this.sites[i]!.spot.place.id);
        return seconds > 0 ? [{ seconds, places }] : [];
      });
    });
  }

  /** What a visit from a station to a place pays once, s. */
  levelOf(site: number, stationId: string): number {
    return this.levelsFrom(this.station.get(stationId)!)[site]!;
  }

  /** How a supply is handled in a place. */
  handling(site: number, supply: Supply, consumed: boolean): Handling {
    return handledAt(this.sites[site]!, supply, consumed);
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
      const seconds = Float64Array.from(this.sites, (site) => fetchFromSite(site, no, supply, consumed));
      this.known.set(key, (known = { no, supply, consumed, seconds }));
    }
    return known.seconds;
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
      const counts = this.counts[no ?? 0]!;
      return no === undefined || times <= 0
        ? []
        : [
            {
              ...{ no, times, weighed: times * counts, each: this.fetchesFrom(no, supply, use.consumed) },
              away: walksTo(use, 7).fetches * part * counts,
              shared: joins(plan, use, part) ? use.gathered * counts * (use.consumed ? 1 : 2) : 0,
            },
          ];
    });
    const fetches = errands.reduce((sum, e) => sum + e.times, 0);
    const main = errands.reduce<(typeof errands)[number] | null>((a, b) => (a && a.times >= b.times ? a : b), null);
    const against = penaltiesOf(plan, supply, share, fetches);
    return (number) => {
      let sum = 0;
      const { ways } = this.sites[number]!;
      for (const { no, weighed, away, each } of errands) sum += (ways[no]?.band === 7 ? away : weighed) * each[number]!;
      if (sum === Infinity) return Infinity;
      for (const { no, shared } of errands) if (shared > 0) sum -= shared * this.levelsFrom(no)[number]!;
      const site = this.sites[number]!;
      if (barred && barredFrom(plan, supply, site.spot) !== null) return Infinity;
      const band = main ? (site.brought[main.no] ?? site.ways[main.no]!.band) : null;
      return sum + against(site.spot, band);
    };
  }
}

/** Ways to places of one unit that differ by less than this are one, s (own choice). */
const STEP = 0.3;
/** What is wanted in fewer of the sessions than this is walked to by itself, as far as the engine is concerned (own choice). */
const OFTEN = 0.75;

/** Whether a lot is one of those that a visit gets together: all of a share, or all that one station fetches of it, in most of its sessions. */
export const joins = (plan: Plan, use: YearlyUse, part: number): boolean =>
  part === 1 && use.gathered > 0 && use.gathered >= OFTEN * sessionsAt(plan, use.station);

/** The way from a station to a place, and the band of bringing what is carried from there. */
function wayInto(
  plan: Plan,
  { container, spot }: Site,
  station: Station,
): { way: WayPrice | null; brought: BandNumber | null } {
  const fetch = container ? isCarriedTo(plan, station, container) : null;
  if (fetch?.ok) return { way: tablePrice(), brought: fetch.band };
  const scene = sceneAt(plan, station);
  return { way: wayPrice(scene, makerOf(plan, station)!, scene.spots.get(spot.place.id)!), brought: null };
}

function handledAt({ kinds, jumble, aside }: Site, supply: Supply, consumed: boolean): Handling {
  return { ...handlingOf(supply, kinds, consumed, jumble), covered: aside };
}

function fetchFromSite(site: Site, no: number, supply: Supply, consumed: boolean): number {
  const way = site.ways[no]!;
  return way === null ? Infinity : fetchSeconds(way, handledAt(site, supply, consumed));
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
