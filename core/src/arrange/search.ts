import { angleBetween, heading, type Point } from '../geometry/index.ts';
import { DUG_OUT } from '../homes/index.ts';
import { type Command, type Plan, type Station } from '../plan/index.ts';
import type { Random } from '../slotting/index.ts';
import { onWall, seatMoves } from '../room/index.ts';
import { PENALTY, type SunGrid, sitePenalties, type Site, sunAtPoint, wantsWall } from './cost.ts';
import { demandOf } from './demand.ts';
import { carrySeconds, flowsOf } from './flows.ts';
import { type Piece, piecesOf, placed, type Pose, type Shape } from './pieces.ts';
import { breaksAlone, breaksBetween, breaksSeat, type Ground, groundOf } from './rules.ts';
import { NEAR, type Target, Ways } from './ways.ts';

/** Seconds a year set against each millimetre by which a rule is broken while searching (own assumption: far more than it ever gains). */
const BROKEN = 400;
/** From a seat to what one gets at without rising, mm (own assumption, near the real reach of an adult). */
const AT_HAND = 750;
const BY_ROLLING = 1250;

/** A fetch of what finds no place, s: it is looked for and dug out. */
const NO_HOME = DUG_OUT;
/** A zone keeps together: beyond this from its nearest seat a piece of it costs so much a year, mm, s for each mm (own assumption). */
const ZONE_NEAR = 2000;
const ZONE_APART = 0.5;

/** So many places are drawn where a piece is put elsewhere. */
const DRAWS = 6;

type Placing = { solids: Shape[]; zones: Shape[]; blocks: Shape[]; stands: Point[] };
/** What the search walks over: poses of all pieces, what each breaks, what it costs. */
export class Search {
  readonly pieces: Piece[];
  readonly movable: number[];
  poses: Pose[];
  private readonly ground: Ground;
  private readonly placings: Placing[];
  private readonly alone: number[];
  private readonly between: Float64Array;
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
  private readonly seats: Seat[] = [];
  private readonly ways: Ways;
  private waysBroken = 0;
  energy: number;

  constructor(
    private readonly plan: Plan,
    private readonly sun: SunGrid,
    private readonly random: Random,
  ) {
    this.ground = groundOf(plan);
    this.pieces = piecesOf(plan);
    this.movable = this.pieces.flatMap((p, i) => (p.movable ? [i] : []));
    this.poses = this.pieces.map(({ unit }) => ({ x: unit.x, y: unit.y, facing: unit.facing }));
    const n = this.pieces.length;
    this.placings = this.pieces.map((p, i) => place(p, this.poses[i]!));
    this.alone = new Array<number>(n).fill(0);
    this.between = new Float64Array(n * n);
    for (const [i, piece] of this.pieces.entries())
      for (const seat of piece.seats) this.seats.push({ station: seat.station, piece: i, ...local(seat) });
    for (const station of Object.values(plan.stations))
      if (!this.seats.some((s) => s.station.id === station.id))
        this.seats.push({ station, piece: -1, x: station.x, y: station.y, turn: station.heading });
    const seatOf = (station: Station) => this.seats.find((s) => s.station.id === station.id)!;
    const pieceOf = (unitId: string) => this.pieces.findIndex((p) => p.members.some((m) => m.id === unitId));
    const numberOf = new Map(this.seats.map((s, k) => [s.station.id, k]));
    this.reach = new Float64Array(this.seats.length * n);
    this.way = new Float64Array(n);
    this.reckon();
    const { offered, demands } = demandOf(plan, (stationId, unitId) => {
      const piece = pieceOf(unitId);
      return piece < 0 ? 0 : this.reach[numberOf.get(stationId)! * n + piece]!;
    });
    this.pieceAt = Int32Array.from(offered, (o) => pieceOf(o.unitId));
    this.besides = Float64Array.from(offered, (o) => o.besides);
    this.filled = new Float64Array(offered.length);
    this.demands = demands.map(({ fetches, options, parts }) => ({
      ...{ seats: fetches.map((f) => numberOf.get(f.stationId)!), times: fetches.map((f) => f.times), options, parts },
      all: fetches.reduce((sum, f) => sum + f.times, 0),
    }));
    this.zoned = this.pieces.flatMap(({ unit }, piece) => {
      const seats = this.seats.flatMap((s, k) =>
        unit.zoneId !== null && plan.activities[s.station.activityId]?.zoneId === unit.zoneId ? [k] : [],
      );
      return seats.length > 0 ? [{ piece, seats }] : [];
    });
    this.flows = flowsOf(plan).map(({ from, to, times }) => ({ from: seatOf(from), to: seatOf(to), times }));
    this.ways = new Ways(plan);
    for (let i = 0; i < n; i++) this.look(i);
    this.energy = this.sum();
  }

  /** Millimetres by which rules are broken. */
  broken(): number {
    return this.brokenThings() + this.waysBroken;
  }

  private brokenThings(): number {
    let sum = 0;
    const n = this.pieces.length;
    for (let i = 0; i < n; i++) {
      sum += this.alone[i]!;
      for (let j = i + 1; j < n; j++) sum += this.between[i * n + j]!;
    }
    return sum;
  }

  private look(i: number): void {
    const n = this.pieces.length;
    const placing = (this.placings[i] = place(this.pieces[i]!, this.poses[i]!));
    // what cannot be moved breaks nothing that could be helped
    const fixed = !this.pieces[i]!.movable;
    this.alone[i] = fixed ? 0 : breaksAlone(this.ground, placing.solids, placing.zones);
    if (!fixed)
      for (const seat of this.seats)
        if (seat.piece === i) this.alone[i] += breaksSeat(this.ground, seat.station, this.site(seat));
    for (let j = 0; j < n; j++) {
      if (j === i) continue;
      const both = fixed && !this.pieces[j]!.movable ? 0 : breaksBetween(placing, this.placings[j]!);
      this.between[i * n + j] = this.between[j * n + i] = both;
    }
  }

  private site(seat: Seat): Site {
    if (seat.piece < 0) return { x: seat.x, y: seat.y, heading: seat.turn };
    const pose = this.poses[seat.piece]!;
    const rad = (pose.facing * Math.PI) / 180;
    const c = Math.cos(rad);
    const s = Math.sin(rad);
    return {
      x: pose.x + seat.x * c + seat.y * s,
      y: pose.y - seat.x * s + seat.y * c,
      heading: pose.facing + seat.turn,
    };
  }

  /** Seconds of a fetch from every seat to every piece, by straight distance. */
  private reckon(): void {
    const n = this.pieces.length;
    for (const [k, seat] of this.seats.entries()) {
      const site = this.site(seat);
      for (let i = 0; i < n; i++) {
        const pose = this.poses[i]!;
        const rad = (pose.facing * Math.PI) / 180;
        const back = this.pieces[i]!.unit.depth / 2;
        const front = { x: pose.x + Math.sin(rad) * back, y: pose.y + Math.cos(rad) * back };
        // what travels with the seat is there already
        const own = i === seat.piece || this.pieces[i]!.unit.id === seat.station.travellerId;
        this.reach[k * n + i] = estimate(site, seat.station.standing, front, own);
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
      sum += times * carrySeconds(Math.hypot(a.x - b.x, a.y - b.y), !from.station.standing, !to.station.standing);
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
    this.waysBroken = this.lookAtWays();
    return this.cost() + BROKEN * this.broken();
  }

  private lookAtWays(): number {
    const targets: Target[] = this.seats.map((seat) => ({ ...this.site(seat), near: NEAR.seat }));
    for (const { stands } of this.placings) for (const p of stands) targets.push({ ...p, near: NEAR.unit });
    return this.ways.broken(
      this.placings.flatMap((p) => p.blocks),
      targets,
    );
  }

  /** Puts pieces somewhere and keeps them there when that is good enough at a temperature; tells whether they stayed. */
  tryPoses(changes: readonly [piece: number, pose: Pose][], temperature: number): boolean {
    const before = changes.map(([i]) => this.poses[i]!);
    // the limit is drawn first: what is over it without the ways need not be looked at for them
    const limit = this.energy - temperature * Math.log(this.random.next() + 1e-12);
    const was = changes.map(([i]) => ({ placing: this.placings[i]!, alone: this.alone[i]!, row: this.rowOf(i) }));
    for (const [i, pose] of changes) this.poses[i] = pose;
    for (const [i] of changes) this.look(i);
    const broken = BROKEN * this.brokenThings();
    const things = broken > limit ? broken : broken + this.cost();
    if (things <= limit) {
      const ways = this.lookAtWays();
      if (things + BROKEN * ways <= limit) {
        this.waysBroken = ways;
        this.energy = things + BROKEN * ways;
        return true;
      }
    }
    for (let k = changes.length - 1; k >= 0; k--) {
      const i = changes[k]![0];
      this.poses[i] = before[k]!;
      this.placings[i] = was[k]!.placing;
      this.alone[i] = was[k]!.alone;
      const n = this.pieces.length;
      for (let j = 0; j < n; j++) this.between[i * n + j] = this.between[j * n + i] = was[k]!.row[j]!;
    }
    return false;
  }

  /** What it would cost and break if one piece stood elsewhere; everything stays as it is. */
  with(i: number, pose: Pose): { energy: number; broken: number } {
    const [before, placing, alone, row] = [this.poses[i]!, this.placings[i]!, this.alone[i]!, this.rowOf(i)];
    this.poses[i] = pose;
    this.look(i);
    const broken = this.brokenThings() + this.lookAtWays();
    const energy = this.cost() + BROKEN * broken;
    this.poses[i] = before;
    this.placings[i] = placing;
    this.alone[i] = alone;
    const n = this.pieces.length;
    for (let j = 0; j < n; j++) this.between[i * n + j] = this.between[j * n + i] = row[j]!;
    return { energy, broken };
  }

  private rowOf(i: number): Float64Array {
    const n = this.pieces.length;
    return this.between.slice(i * n, (i + 1) * n);
  }

  setPoses(poses: readonly Pose[]): void {
    this.poses = [...poses];
    for (let i = 0; i < this.pieces.length; i++) this.placings[i] = place(this.pieces[i]!, this.poses[i]!);
    for (let i = 0; i < this.pieces.length; i++) this.look(i);
    this.energy = this.sum();
  }

  /** A place with its back to a wall, perhaps right beside what stands there or in the corner. */
  againstWall(i: number): Pose {
    const { unit } = this.pieces[i]!;
    const { frames } = this.ground;
    for (let tries = 0; tries < 8; tries++) {
      const frame = frames[this.random.below(frames.length)]!;
      if (frame.length < unit.width) continue;
      const half = unit.width / 2;
      const room = frame.length - unit.width;
      const draw = this.random.next();
      let left = half + room * this.random.next();
      if (draw < 0.2) left = half;
      else if (draw < 0.4) left = frame.length - half;
      else if (draw < 0.75) left = this.beside(i, frame, half) ?? left;
      const p = onWall(frame, Math.max(half, Math.min(frame.length - half, left)), unit.depth / 2);
      return { ...p, facing: frame.facing };
    }
    return this.poses[i]!;
  }

  private beside(i: number, frame: Ground['frames'][number], half: number): number | null {
    const near = this.pieces.flatMap((p, j) => {
      if (j === i) return [];
      const pose = this.poses[j]!;
      const dx = pose.x - frame.a.x;
      const dy = pose.y - frame.a.y;
      const out = dx * frame.inward.x + dy * frame.inward.y;
      return out < Math.max(p.unit.depth, p.unit.width) / 2 + 60
        ? [{ at: dx * frame.along.x + dy * frame.along.y, half: p.unit.width / 2 }]
        : [];
    });
    if (near.length === 0) return null;
    const one = near[this.random.below(near.length)]!;
    return one.at + (this.random.next() < 0.5 ? -1 : 1) * (one.half + half + 1);
  }

  /** Of a few draws the one that breaks least by itself. */
  private leastBroken(i: number, one: () => Pose, draws = DRAWS): Pose {
    let best = one();
    let least = this.breaksAt(i, best);
    for (let k = 1; k < draws && least > 0; k++) {
      const pose = one();
      const broken = this.breaksAt(i, pose);
      if (broken < least) [best, least] = [pose, broken];
    }
    return best;
  }

  private breaksAt(i: number, pose: Pose): number {
    const there = place(this.pieces[i]!, pose);
    let sum = breaksAlone(this.ground, there.solids, there.zones);
    for (const [j, other] of this.placings.entries()) if (j !== i) sum += breaksBetween(there, other);
    return sum;
  }

  /** Pieces that break something now and can be moved. */
  private wrong(): number[] {
    const n = this.pieces.length;
    return this.movable.filter((i) => {
      if (this.alone[i]! > 0) return true;
      for (let j = 0; j < n; j++) if (this.between[i * n + j]! > 0) return true;
      return false;
    });
  }

  /** One change drawn at random, large while it is hot. */
  draw(heat: number): [number, Pose][] {
    const wrong = this.random.next() < 0.5 ? this.wrong() : [];
    const from = wrong.length > 0 ? wrong : this.movable;
    const i = from[this.random.below(from.length)]!;
    const pose = this.poses[i]!;
    const piece = this.pieces[i]!;
    const draw = this.random.next();
    if (piece.hangs || draw < 0.35)
      return [[i, this.leastBroken(i, () => this.againstWall(i), wrong.length > 0 ? 3 * DRAWS : DRAWS)]];
    if (draw < 0.5 && this.movable.length > 1) {
      const j = this.movable[this.random.below(this.movable.length)]!;
      if (j !== i && !this.pieces[j]!.hangs) {
        const other = this.poses[j]!;
        const out = (k: number) => this.pieces[k]!.unit.depth / 2;
        return [
          [i, moved(other, out(i) - out(j))],
          [j, moved(pose, out(j) - out(i))],
        ];
      }
    }
    if (draw < 0.6)
      return [[i, { ...pose, facing: ((pose.facing + 90 * (1 + this.random.below(3)) + 180) % 360) - 180 }]];
    const far = 30 + 900 * heat;
    const jitter = () => Math.round((this.random.next() - 0.5) * 2 * far);
    // along its own back, or anywhere
    if (draw < 0.85) {
      const rad = (pose.facing * Math.PI) / 180;
      const by = jitter();
      return [[i, { ...pose, x: pose.x + Math.cos(rad) * by, y: pose.y - Math.sin(rad) * by }]];
    }
    return [[i, { ...pose, x: pose.x + jitter(), y: pose.y + jitter() }]];
  }

  /** Everything somewhere at random, backs to walls. */
  scatter(): void {
    for (const i of this.movable) {
      this.poses[i] = this.againstWall(i);
      this.look(i);
    }
    this.energy = this.sum();
  }

  /** The command that makes the plan stand as the pieces do. */
  command(poses: readonly Pose[]): Command | null {
    const commands: Command[] = [];
    for (const [i, piece] of this.pieces.entries()) {
      const { unit } = piece;
      const pose = tidy(poses[i]!);
      const stays =
        Math.hypot(pose.x - unit.x, pose.y - unit.y) < 1 && Math.abs(angleBetween(pose.facing, unit.facing)) < 0.01;
      if (!piece.movable || stays) continue;
      commands.push({ type: 'setUnit', id: unit.id, set: pose });
      for (const seat of piece.seats) {
        const at = placedPoint(seat, pose);
        const heading = round360(pose.facing + seat.turn);
        commands.push(...seatMoves(this.plan, seat.station, { x: Math.round(at.x), y: Math.round(at.y), heading }));
      }
      for (const spot of piece.parkings)
        commands.push({
          type: 'setParking',
          id: spot.parking.id,
          set: { ...placedPoint(spot, pose), facing: round180(pose.facing + spot.turn) },
        });
    }
    return commands.length > 0 ? ({ type: 'several', words: 'arrange the room', commands } as Command) : null;
  }
}

type Seat = { station: Station; piece: number; x: number; y: number; turn: number };
const local = ({ x, y, turn }: { x: number; y: number; turn: number }) => ({ x, y, turn });

function place(piece: Piece, pose: Pose): Placing {
  const there = (shapes: readonly Shape[]) => shapes.map((s) => placed(s, pose));
  return {
    solids: there(piece.solids),
    zones: there(piece.zones),
    blocks: there(piece.blocks),
    stands: piece.stands.map((p) => placedPoint(p, pose)),
  };
}

const moved = (pose: Pose, by: number): Pose => {
  const rad = (pose.facing * Math.PI) / 180;
  return { ...pose, x: pose.x + Math.sin(rad) * by, y: pose.y + Math.cos(rad) * by };
};

const round180 = (d: number) => ((((Math.round(d * 100) / 100) % 360) + 540) % 360) - 180;
const round360 = (d: number) => (((Math.round(d * 100) / 100) % 360) + 360) % 360;
const tidy = (pose: Pose): Pose => ({
  x: Math.round(pose.x * 10) / 10,
  y: Math.round(pose.y * 10) / 10,
  facing: round180(pose.facing),
});

function placedPoint(p: Point, pose: Pose): Point {
  const rad = (pose.facing * Math.PI) / 180;
  const tenth = (mm: number) => Math.round(mm * 10) / 10;
  return {
    x: tenth(pose.x + p.x * Math.cos(rad) + p.y * Math.sin(rad)),
    y: tenth(pose.y - p.x * Math.sin(rad) + p.y * Math.cos(rad)),
  };
}

/** Seconds of one fetch by straight distance: rough, for the search alone; what is offered is worked out exactly. */
function estimate(site: Site, standing: boolean, front: Point, own: boolean): number {
  if (own) return 4;
  const far = Math.hypot(front.x - site.x, front.y - site.y);
  const side = Math.abs(angleBetween(site.heading, heading(site, front)));
  if (far < AT_HAND && side <= 90) return 3 + far / 1000;
  if (far < BY_ROLLING) return 5.5 + far / 1000;
  // there and back twice, a little longer than straight
  const paces = ((far - 350) * 1.15) / 864;
  return (standing ? 5 : 9.5) + paces * 2.3;
}
