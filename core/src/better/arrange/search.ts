import { DUG_OUT } from '../../living/homes/index.ts';
import { type Plan } from '../../record/plan/index.ts';
import type { Random } from '../../living/slotting/index.ts';
import { PENALTY, type SunGrid, sitePenalties, sunAtPoint, wantsWall } from './cost.ts';
import { demandOf } from './demand.ts';
import { carried, flowsOf } from './flows.ts';
import { Furnishing, type Seat } from './furnishing.ts';
import { type Pose } from './pieces.ts';
import { frontOf, roughFetch } from './rough.ts';

/** Seconds a year set against each millimetre by which a rule is broken while searching (own assumption: far more than it ever gains). */
const BROKEN = 400;
/** A fetch of what finds no place, s: it is looked for and dug out. */
const NO_HOME = DUG_OUT;
/** Homes are looked for quickly for what makes up so much of all fetches: the rest is hardly ever fetched (own assumption). */
const MOST = 0.9;
/** A zone keeps together: beyond this from its nearest seat a piece of it costs so much a year, mm, s for each mm (own assumption). */
const ZONE_NEAR = 2000;
const ZONE_APART = 0.5;

/** A furnished room with what it roughly costs, everything in a quick new home: what a quick search walks over. */
export class Search extends Furnishing {
  /** things that are fetched, most often first: numbers of their seats with fetches a year, places that would hold them and which part that takes */
  private readonly demands: {
    seats: number[];
    times: number[];
    all: number;
    options: Int32Array;
    parts: Float64Array;
  }[];
  /** the piece each place is in (−1: none that is here), and what a fetch from it costs besides */
  private readonly pieceAt: Int32Array;
  private readonly besides: Float64Array;
  private readonly filled: Float64Array;
  private readonly reach: Float64Array;
  private readonly way: Float64Array;
  private readonly zoned: { piece: number; seats: number[] }[];
  private readonly flows: { from: Seat; to: Seat; times: number }[];
  energy: number;

  constructor(
    plan: Plan,
    private readonly sun: SunGrid,
    random: Random,
  ) {
    super(plan, random);
    const n = this.pieces.length;
    const seatOf = (station: Seat['station']) => this.seats.find((s) => s.station.id === station.id)!;
    const numberOf = new Map(this.seats.map((s, k) => [s.station.id, k]));
    this.reach = new Float64Array(this.seats.length * n);
    this.way = new Float64Array(n);
    this.reckon();
    const { offered, demands } = demandOf(plan, (stationId, unitId) => {
      const piece = this.pieceOf(unitId);
      return piece < 0 ? 0 : this.reach[numberOf.get(stationId)! * n + piece]!;
    });
    this.pieceAt = Int32Array.from(offered, (o) => this.pieceOf(o.unitId));
    this.besides = Float64Array.from(offered, (o) => o.besides);
    this.filled = new Float64Array(offered.length);
    const all = demands.map(({ fetches, options, parts }) => ({
      ...{ seats: fetches.map((f) => numberOf.get(f.stationId)!), times: fetches.map((f) => f.times), options, parts },
      all: fetches.reduce((sum, f) => sum + f.times, 0),
    }));
    let left = MOST * all.reduce((sum, d) => sum + d.all, 0);
    this.demands = all.filter((d) => (left -= d.all) > -d.all);
    this.zoned = this.pieces.flatMap(({ unit }, piece) => {
      const seats = this.seats.flatMap((s, k) =>
        unit.zoneId !== null && plan.activities[s.station.activityId]?.zoneId === unit.zoneId ? [k] : [],
      );
      return seats.length > 0 ? [{ piece, seats }] : [];
    });
    this.flows = flowsOf(plan).map(({ from, to, times }) => ({ from: seatOf(from), to: seatOf(to), times }));
    this.energy = this.sum();
  }

  /** Seconds of a fetch from every seat to every piece, by straight distance. */
  private reckon(): void {
    const n = this.pieces.length;
    for (const [k, seat] of this.seats.entries()) {
      const site = this.site(seat);
      for (let i = 0; i < n; i++) {
        const pose = this.poses[i]!;
        const front = frontOf({ ...pose, depth: this.pieces[i]!.unit.depth });
        // what travels with the seat is there already
        const own = i === seat.piece || this.pieces[i]!.unit.id === seat.station.travellerId;
        this.reach[k * n + i] = roughFetch(site, seat.station.standing, front, own);
      }
    }
  }

  /** Seconds a year of fetching with everything in a quick new home: what is fetched most takes the cheapest place with room for it. */
  private rehomed(): number {
    this.reckon();
    const n = this.pieces.length;
    const { filled, besides, pieceAt, reach } = this;
    filled.fill(0);
    const { way } = this;
    let sum = 0;
    for (const { seats, times, all, options, parts } of this.demands) {
      way.fill(0);
      for (let s = 0; s < seats.length; s++)
        for (let i = 0; i < n; i++) way[i]! += times[s]! * reach[seats[s]! * n + i]!;
      let least = all * NO_HOME;
      let pick = -1;
      for (let o = 0; o < options.length; o++) {
        const p = options[o]!;
        if (filled[p]! + parts[o]! > 1) continue;
        const piece = pieceAt[p]!;
        const seconds = all * besides[p]! + (piece < 0 ? 0 : way[piece]!);
        if (seconds < least) {
          least = seconds;
          pick = o;
        }
      }
      sum += least;
      if (pick >= 0) filled[options[pick]!]! += parts[pick]!;
    }
    return sum;
  }

  /** Seconds a year, estimated from straight distances, without what is broken. */
  cost(): number {
    const sites = this.seats.map((seat) => ({ station: seat.station, site: this.site(seat) }));
    const siteOf = new Map(this.seats.map((seat, i) => [seat, sites[i]!.site]));
    let sum = this.rehomed();
    for (const { piece, seats } of this.zoned) {
      const pose = this.poses[piece]!;
      const far = Math.min(...seats.map((k) => Math.hypot(sites[k]!.site.x - pose.x, sites[k]!.site.y - pose.y)));
      sum += ZONE_APART * Math.max(0, far - ZONE_NEAR);
    }
    for (const { from, to, times } of this.flows) {
      const a = siteOf.get(from)!;
      const b = siteOf.get(to)!;
      sum += times * carried(this.plan, from.station, to.station, Math.hypot(a.x - b.x, a.y - b.y)).seconds;
    }
    for (const { station, site } of sites)
      for (const p of sitePenalties(this.plan, station, site, sites)) sum += p.seconds;
    for (const [i, { unit }] of this.pieces.entries())
      if (wantsWall(unit, this.ground.frames, this.poses[i]!)) sum += PENALTY.noWall;
    const tops = new Set(this.seats.map((s) => s.piece));
    for (const i of tops) {
      if (i < 0) continue;
      const hours = sunAtPoint(this.sun, this.poses[i]!);
      if (hours > 1) sum += (hours - 1) * PENALTY.sunHour;
    }
    for (const [i, piece] of this.pieces.entries())
      for (const m of piece.members) {
        if (m.watts <= 0 || m.cord === null) continue;
        const pose = this.poses[i]!;
        const reach = m.cord + Math.min(m.width, m.depth) / 2;
        if (!this.ground.sockets.some((s) => Math.hypot(s.x - pose.x, s.y - pose.y) + Math.abs(s.z - m.bottom) < reach))
          sum += PENALTY.cord;
      }
    return sum;
  }
  private sum(): number {
    return this.cost() + BROKEN * this.broken();
  }

  /** What it would cost and break if one piece stood elsewhere; everything stays as it is. */
  with(i: number, pose: Pose): { energy: number; broken: number } {
    const broken = this.brokenWith([[i, pose]]);
    const was = this.put([[i, pose]]);
    const energy = this.cost() + BROKEN * broken;
    this.putBack(was);
    return { energy, broken };
  }

  override setPoses(poses: readonly Pose[]): void {
    super.setPoses(poses);
    this.energy = this.sum();
  }

  override scatter(): void {
    super.scatter();
    this.energy = this.sum();
  }
}
