import { apply, asOne, type Place, type Plan, placesDownTo } from '../../record/plan/index.ts';
import { fetchSeconds, type Handling, type WayPrice, waySeconds } from '../../space/reach/index.ts';
import { sessionsAt } from '../sessions/index.ts';
import { type Homes, solveSlotting } from '../slotting/index.ts';
import { bringingPerYear } from './bringing.ts';
import { visitCharges } from './charges.ts';
import { carryingPerYear } from './brought.ts';
import { joins } from './ground.ts';
import { Layout } from './layout.ts';
import { roomBefore, tableOf, totalOf, Used } from './problem.ts';
import { keepingCommands, settleCommand } from './settle.ts';
import { translated } from './translating.ts';
import { type Translation } from './translation.ts';
import { DIGGING_OUT as DUG_OUT } from '../recall/index.ts';
import { walksTo } from './uses.ts';

/** What was moved: units with all on and in them, and seats; between which seat and place it may have come to stand, or stood. */
export type Moved = {
  units: ReadonlySet<string>;
  stations: ReadonlySet<string>;
  between: (stationId: string, placeId: string) => boolean;
};

/** All that a set of lots fetches from one station out of one place. */
type Way = {
  stationId: string;
  placeId: string;
  site: number;
  fetches: { handling: Handling; times: number }[];
  /** walks a year that are made together with others from the same unit: of what is brought back, and of what is used up */
  tools: number;
  usedUp: number;
  visit: Visit | null;
  times: number;
  seconds: number;
  /** of the way what a visit pays, s */
  level: number;
};

/** The ways from one station into one unit that gather things there, with the year’s sessions as they are weighed. */
type Visit = { sessions: number; ways: Way[]; seconds: number };

/** What was asked for: what ways, charges and bringing would cost a year. */
type Asked = {
  total: number;
  ways: [Way, number, number][];
  visits: [Visit, number][];
  charges: [number, number][];
  bringing: [string, number][];
};

/** After so many changes homes are found anew, with so many proposals of the engine. */
const EVERY = 4;
const WORK = 8_000;
/** What does not lie as it was counted is homed again so often. */
const ROUNDS = 3;

/**
 * The homes of a plan while its furniture is moved about: what they cost a year by the engine’s measure, asked for one change at a time, and found anew by the
 * engine, and laid, once a change is kept. Only the ways that a change touches are priced anew; what else speaks for or against a place that was moved (sun,
 * heat, damp) is as it was: counting the plan that {@link homed} gives says that.
 */
export class Rehoming {
  /** seconds a year of the homes there are now, by the engine’s measure */
  total: number;
  private readonly translation: Translation;
  private homes: Homes;
  private ways = new Map<string, Way>();
  private readonly goesWith = new Map<string, ReadonlySet<string>>();
  private readonly bringing = new Map<string, number>();
  private readonly layout: Layout;
  private asked: Asked | null = null;
  /** changes kept since ways were priced anew */
  private pending: Moved[] = [];

  constructor(plan: Plan) {
    this.translation = translated(plan);
    this.homes = this.translation.today;
    this.layout = new Layout(plan, this.translation, this.homes);
    for (const place of Object.values(plan.places)) this.goesWith.set(place.id, unitsUnder(plan, place));
    for (const s of Object.values(plan.stations)) this.bringing.set(s.id, bringingPerYear(plan, s));
    this.total = this.count();
    this.gather(plan);
  }

  /** Seconds a year of the homes there are, with something moved. `past`: also on the ways that only lead past it. */
  ask(plan: Plan, moved: Moved, past = false): number {
    const { ground, charges, brought } = this.translation;
    const asked: Asked = { total: this.total, ways: [], visits: [], charges: [], bringing: [] };
    const visited = new Map<Visit, Map<Way, number>>();
    for (const way of this.ways.values()) {
      const { stationId, placeId, site } = way;
      if (!this.isMoved(moved, stationId, placeId) && !(past && moved.between(stationId, placeId))) continue;
      const price = ground.wayIn(plan, site, stationId);
      const level = price ? waySeconds(price) : 0;
      const seconds = this.price(way, price, level);
      asked.ways.push([way, seconds, level]);
      asked.total += seconds - way.seconds;
      if (way.visit) visited.set(way.visit, (visited.get(way.visit) ?? new Map<Way, number>()).set(way, level));
    }
    for (const [visit, levels] of visited) {
      const seconds = visitOf(visit, (way) => levels.get(way) ?? way.level);
      asked.visits.push([visit, seconds]);
      asked.total += seconds - visit.seconds;
    }
    const used = this.used();
    for (const [k, { station, container }] of brought.entries()) {
      if (!this.isMoved(moved, station.id, container.id)) continue;
      const charge = charges[k]!;
      const cost = carryingPerYear(plan, plan.stations[station.id]!, container);
      asked.charges.push([k, cost]);
      if (charge.lots.some((id) => charge.places.includes(used.get(id) ?? ''))) asked.total += cost - charge.cost;
    }
    for (const [id, before] of this.bringing) {
      if (!this.travels(plan, id, moved)) continue;
      const seconds = bringingPerYear(plan, plan.stations[id]!);
      asked.bringing.push([id, seconds]);
      asked.total += seconds - before;
    }
    this.asked = asked;
    return asked.total;
  }

  /** Who fetches how often a year out of which places, of what moves with something. */
  *trafficOf(moved: Moved): Generator<{ stationId: string; placeId: string; times: number }> {
    for (const { stationId, placeId, times } of this.ways.values())
      if (this.isMoved(moved, stationId, placeId)) yield { stationId, placeId, times };
  }

  /** Keeps the change that was asked for last. After some of them homes that pay now are found. Says what they cost a year. */
  async keep(plan: Plan, moved: Moved, seed: number): Promise<number> {
    const { ways, visits, charges, bringing, total } = this.asked!;
    for (const [way, seconds, level] of ways) {
      way.seconds = seconds;
      way.level = level;
    }
    for (const [visit, seconds] of visits) visit.seconds = seconds;
    for (const [k, cost] of charges) this.translation.charges[k]!.cost = cost;
    for (const [id, seconds] of bringing) this.bringing.set(id, seconds);
    this.total = total;
    this.pending.push(moved);
    if (this.pending.length >= EVERY) await this.settle(plan, seed);
    return this.total;
  }

  /** Prices all ways that were touched anew and finds the homes that pay now. `work`: proposals of the engine */
  async settle(plan: Plan, seed: number, work = WORK): Promise<void> {
    this.reprice(plan);
    await this.rehome(seed, work);
    this.total = this.count();
    this.gather(plan);
  }

  private reprice(plan: Plan): void {
    const { ground, lots, ledger } = this.translation;
    const touched = new Map<string, Set<number>>();
    ground.reprice(plan, (stationId, placeId) => {
      const inUse = this.ways.has(`${stationId} ${placeId}`);
      const is = this.pending.some(
        (m) => this.isMoved(m, stationId, placeId) || (inUse && m.between(stationId, placeId)),
      );
      if (!is) return false;
      const sites = touched.get(stationId);
      if (sites) sites.add(ground.siteOf(placeId));
      else touched.set(stationId, new Set([ground.siteOf(placeId)]));
      return true;
    });
    this.pending = [];
    for (const [l, { options }] of lots.entries()) {
      const { costs, options: of, uses } = ledger[l]!;
      const sites = uses.flatMap(({ station }) => touched.get(station.id) ?? []);
      if (sites.length === 0) continue;
      for (const [k, option] of options.entries()) {
        const { site, form, moving } = of[k]!;
        if (sites.some((s) => s.has(site))) option.cost = Math.min(NEVER, costs[form]!(site) + moving);
      }
    }
    const { charges, brought } = this.translation;
    charges.splice(brought.length, Infinity, ...visitCharges(plan, this.translation));
  }

  /** Finds homes that pay now and can be laid; those there were where that does not come about in a few rounds. */
  private async rehome(seed: number, work: number): Promise<void> {
    const before = this.homes;
    // so much a place holds of what did not lie in it as it was counted
    const lowered = new Map<string, number>();
    const room = roomBefore(this.translation);
    let start = before;
    for (let round = 0; round < ROUNDS; round++) {
      const table = tableOf(this.translation, (id) => Math.min(room(id), lowered.get(id) ?? Infinity));
      const found = await solveSlotting(table, { work, polish: true, now: () => 0, start, seed });
      const homes = found.homes.filter((h) => this.translation.lotOf.has(h.lot));
      const hanging = new Set(this.lay(homes).flatMap((place) => this.layout.over(place)));
      if (hanging.size === 0) return;
      start = homes.filter((h) => !hanging.has(h.lot));
      const used = new Used(this.translation, start);
      for (const { lot, place } of homes) if (hanging.has(lot)) lowered.set(place, used.most(place));
    }
    this.lay(before);
  }

  /** Puts everything where it is to live; says in which places something else lies now. */
  private lay(homes: Homes): string[] {
    const was = this.used();
    const changed = new Set<string>();
    const now = new Map(homes.map((h) => [h.lot, h.place]));
    for (const [lot, place] of was)
      if (now.get(lot) !== place) {
        this.layout.remove(lot, place);
        changed.add(place);
      }
    for (const [lot, place] of now)
      if (was.get(lot) !== place) {
        this.layout.put(lot, place);
        changed.add(place);
      }
    this.homes = homes;
    return [...changed];
  }

  /** A plan with the homes there are now. */
  homed(plan: Plan, since: string): Plan {
    const { lots } = this.translation;
    const used = this.used();
    const unplaced = lots.flatMap((lot) => (used.has(lot.id) ? [] : [lot.id]));
    const answer = { homes: this.homes, unplaced };
    const settle = settleCommand(plan, this.translation, answer, since);
    const done = apply(plan, asOne('find homes', [settle, ...keepingCommands(this.translation, answer)]));
    if (!done.ok) throw new Error(done.reason);
    return done.plan;
  }

  private count(): number {
    let total = totalOf(this.translation, this.homes);
    for (const seconds of this.bringing.values()) total += seconds;
    return total;
  }

  private used(): Map<string, string> {
    return new Map(this.homes.map((h) => [h.lot, h.place]));
  }

  /** Gathers the ways of all homes, with what they cost as last priced. */
  private gather(plan: Plan): void {
    const { ground, lots, ledger } = this.translation;
    const used = this.used();
    const visits = new Map<string, Visit>();
    this.ways = new Map();
    for (const [l, lot] of lots.entries()) {
      const placeId = used.get(lot.id);
      const k = placeId === undefined ? -1 : lot.options.findIndex((o) => o.place === placeId);
      if (placeId === undefined || k < 0) continue;
      const { forms, uses, part, options } = ledger[l]!;
      const { site, form } = options[k]!;
      for (const use of uses) {
        const { station, consumed } = use;
        const { fetches } = walksTo(use, ground.wayNow(site, station.id)?.band ?? null);
        const key = `${station.id} ${placeId}`;
        let way = this.ways.get(key);
        if (!way)
          this.ways.set(
            key,
            (way = {
              ...{ stationId: station.id, placeId, site, fetches: [], times: 0, seconds: 0 },
              ...{ tools: 0, usedUp: 0, visit: null, level: ground.levelOf(site, station.id) },
            }),
          );
        const counts = plan.people[station.personId]?.minuteCounts ?? 1;
        const times = fetches * part * counts;
        way.fetches.push({ handling: ground.handling(site, forms[form]!, consumed), times });
        way.times += times;
        if (!joins(plan, use, part)) continue;
        if (consumed) way.usedUp += use.gathered * counts;
        else way.tools += use.gathered * counts;
        if (way.visit) continue;
        const unit = `${station.id} ${plan.places[placeId]!.unitId}`;
        let visit = visits.get(unit);
        if (!visit) visits.set(unit, (visit = { sessions: sessionsAt(plan, station) * counts, ways: [], seconds: 0 }));
        visit.ways.push(way);
        way.visit = visit;
      }
    }
    for (const way of this.ways.values())
      way.seconds = this.price(way, ground.wayNow(way.site, way.stationId), way.level);
    for (const visit of visits.values()) visit.seconds = visitOf(visit, (way) => way.level);
  }

  private price({ fetches, tools, usedUp }: Way, way: WayPrice | null, level: number): number {
    let sum = -(2 * tools + usedUp) * level;
    for (const { handling, times } of fetches) sum += times * (way ? fetchSeconds(way, handling) : DUG_OUT);
    return sum;
  }

  private isMoved({ units, stations }: Moved, stationId: string, placeId: string): boolean {
    if (stations.has(stationId)) return true;
    for (const id of this.goesWith.get(placeId)!) if (units.has(id)) return true;
    return false;
  }

  private travels(plan: Plan, stationId: string, { units, stations }: Moved): boolean {
    const { travellerId } = plan.stations[stationId]!;
    return travellerId !== null && (stations.has(stationId) || units.has(travellerId));
  }
}

/** What visiting a unit takes a year, s: to the farthest of what is got there, and of what is brought back. */
function visitOf({ sessions, ways }: Visit, level: (way: Way) => number): number {
  let get = 0;
  let back = 0;
  for (const way of ways) {
    get = Math.max(get, level(way));
    if (way.tools > 0) back = Math.max(back, level(way));
  }
  return sessions * (get + back);
}

/** More than anything costs, s a year. */
const NEVER = 1e9;

/** The units that a place moves with: its own, and what that stands on or in. */
function unitsUnder(plan: Plan, place: Place): ReadonlySet<string> {
  const out = new Set<string>();
  const add = (unitId: string | null) => {
    for (let unit = plan.units[unitId ?? '']; unit && !out.has(unit.id); unit = plan.units[unit.hostId ?? ''])
      out.add(unit.id);
  };
  for (const one of placesDownTo(plan, place)) add(one.unitId);
  return out;
}
