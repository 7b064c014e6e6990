import { angleBetween, type Point } from '../../measures/geometry/index.ts';
import { type Command, type Plan, type Station } from '../../record/plan/index.ts';
import { onWall, seatMoves } from '../../space/room/index.ts';
import type { Random } from '../../living/slotting/index.ts';
import { type Visit, visitBroken } from './carts.ts';
import { type Site } from './cost.ts';
import { type Piece, piecesOf, placed, type Pose, type Shape } from './pieces.ts';
import { breaksAlone, breaksBetween, breaksSeat, type Ground, groundOf, type Taking } from './rules.ts';
import { NEAR, type Target, Ways } from './ways.ts';

/** So many places are drawn where a piece is put elsewhere. */
const DRAWS = 6;
/** How often what breaks a rule is only nudged, and by how much at most, mm. */
const NUDGED = 0.3;
const NUDGE = 150;

/** A piece where it is put: what it takes of the room, what of it is walked round, and where one stands before it. */
export type Placing = Taking & { blocks: Shape[]; stands: Point[] };

/** A seat, as seen from the piece it is at; of no piece (−1): where it is. */
export type Seat = { station: Station; piece: number; x: number; y: number; turn: number };

/** What was there before a change, to be put back. */
export type Was = {
  ways: number;
  pieces: { i: number; pose: Pose; placing: Placing; alone: number; row: Float64Array }[];
};

/** The furniture of a room as it is moved about: poses of all pieces, which rules they break and by how much, and changes drawn at random. */
export class Furnishing {
  readonly pieces: Piece[];
  readonly movable: number[];
  poses: Pose[];
  readonly ground: Ground;
  readonly seats: Seat[] = [];
  /** carts that travel to seats */
  readonly visits: Visit[];
  private readonly placings: Placing[];
  private readonly alone: number[];
  private readonly between: Float64Array;
  private waysBroken: number;

  /** @param ways the bare floor of the room, where it is known already */
  constructor(
    protected readonly plan: Plan,
    protected readonly random: Random,
    readonly ways: Ways = new Ways(plan),
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
    this.visits = this.seats.flatMap(({ station }, seat) => {
      const piece = this.pieces.findIndex((p) => p.unit.id === station.travellerId);
      if (piece < 0 || station.housing !== 'cart' || station.parkingId !== null) return [];
      const { unit, solids } = this.pieces[piece]!;
      return [{ seat, cart: unit, piece, solids }];
    });
    for (let i = 0; i < n; i++) this.look(i);
    this.waysBroken = this.lookAtWays();
  }

  /** The piece a unit is of; −1: none. */
  pieceOf(unitId: string): number {
    return this.pieces.findIndex((p) => p.members.some((m) => m.id === unitId));
  }

  /** Millimetres by which rules are broken. */
  broken(): number {
    return this.brokenThings() + this.waysBroken;
  }

  /** The same without the ways between things. */
  brokenThings(): number {
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
    this.alone[i] = fixed ? 0 : this.aloneAt(i, this.poses[i]!, placing);
    for (let j = 0; j < n; j++) {
      if (j === i) continue;
      const both = fixed && !this.pieces[j]!.movable ? 0 : breaksBetween(placing, this.placings[j]!);
      this.between[i * n + j] = this.between[j * n + i] = both;
    }
  }

  /** A piece put somewhere. */
  placing(i: number, pose: Pose): Placing {
    return place(this.pieces[i]!, pose);
  }

  /** How much a piece breaks the rules of the room by itself somewhere, its seats too, mm. */
  aloneAt(i: number, pose: Pose, { solids, zones }: Placing): number {
    let sum = breaksAlone(this.ground, solids, zones);
    for (const seat of this.seats)
      if (seat.piece === i) sum += breaksSeat(this.ground, seat.station, siteAt(seat, pose));
    return sum;
  }

  site(seat: Seat): Site {
    if (seat.piece < 0) return { x: seat.x, y: seat.y, heading: seat.turn };
    return siteAt(seat, this.poses[seat.piece]!);
  }

  /** Puts pieces elsewhere; the ways are not looked at yet. */
  put(changes: readonly [piece: number, pose: Pose][]): Was {
    const pieces = changes.map(([i]) => ({
      ...{ i, pose: this.poses[i]!, placing: this.placings[i]!, alone: this.alone[i]!, row: this.rowOf(i) },
    }));
    for (const [i, pose] of changes) this.poses[i] = pose;
    for (const [i] of changes) this.look(i);
    return { ways: this.waysBroken, pieces };
  }

  /** Puts back what was put elsewhere last. */
  putBack({ ways, pieces }: Was): void {
    this.waysBroken = ways;
    const n = this.pieces.length;
    for (const { i, pose, placing, alone, row } of [...pieces].reverse()) {
      this.poses[i] = pose;
      this.placings[i] = placing;
      this.alone[i] = alone;
      for (let j = 0; j < n; j++) this.between[i * n + j] = this.between[j * n + i] = row[j]!;
    }
  }

  /** Looks at the ways between things as they stand, carts’ too; how much they are broken, mm. */
  lookAtWays(): number {
    const targets: Target[] = this.seats.map((seat) => ({ ...this.site(seat), near: NEAR.seat }));
    for (const { stands } of this.placings) for (const p of stands) targets.push({ ...p, near: NEAR.unit });
    this.waysBroken = this.ways.broken(
      this.placings.flatMap((p) => p.blocks),
      targets,
    );
    for (const visit of this.visits)
      this.waysBroken += visitBroken(this.ground, visit, this.site(this.seats[visit.seat]!), this.placings);
    return this.waysBroken;
  }

  /** How much would be broken with some pieces elsewhere, mm; everything stays as it is. `most`: beyond that nothing more is looked at. */
  brokenWith(changes: readonly [piece: number, pose: Pose][], most = Infinity): number {
    const was = this.put(changes);
    const things = this.brokenThings();
    const broken = things > most ? things : things + this.lookAtWays();
    this.putBack(was);
    return broken;
  }

  private rowOf(i: number): Float64Array {
    const n = this.pieces.length;
    return this.between.slice(i * n, (i + 1) * n);
  }

  setPoses(poses: readonly Pose[]): void {
    this.poses = [...poses];
    for (let i = 0; i < this.pieces.length; i++) this.placings[i] = place(this.pieces[i]!, this.poses[i]!);
    for (let i = 0; i < this.pieces.length; i++) this.look(i);
    this.lookAtWays();
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
      const broken = this.breaksAt(i, pose, least);
      if (broken < least) [best, least] = [pose, broken];
    }
    return best;
  }

  /** What a piece would break somewhere, mm; from `most` on it is not looked at further. */
  private breaksAt(i: number, pose: Pose, most = Infinity): number {
    const there = place(this.pieces[i]!, pose);
    let sum = breaksAlone(this.ground, there.solids, there.zones);
    for (let j = 0; j < this.placings.length && sum < most; j++)
      if (j !== i) sum += breaksBetween(there, this.placings[j]!);
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

  /** One change drawn at random, large while it is hot. `blamed`: pieces that are known to break something, one of which it is to be */
  draw(heat: number, blamed: readonly number[] = []): [number, Pose][] {
    const wrong = blamed.length > 0 ? blamed : this.random.next() < 0.5 ? this.wrong() : [];
    const from = wrong.length > 0 ? wrong : this.movable;
    const i = from[this.random.below(from.length)]!;
    const pose = this.poses[i]!;
    const piece = this.pieces[i]!;
    const far = 30 + 900 * heat;
    const jitter = (most = far) => Math.round((this.random.next() - 0.5) * 2 * most);
    const along = (by: number): Pose => {
      const rad = (pose.facing * Math.PI) / 180;
      return { ...pose, x: pose.x + Math.cos(rad) * by, y: pose.y - Math.sin(rad) * by };
    };
    // what is a little wrong is often put right by a little
    if (wrong.length > 0 && !piece.hangs && this.random.next() < NUDGED) {
      const most = 20 + NUDGE * this.random.next();
      return [
        [i, this.leastBroken(i, () => ({ ...pose, x: pose.x + jitter(most), y: pose.y + jitter(most) }), 2 * DRAWS)],
      ];
    }
    const draw = this.random.next();
    if (piece.hangs && draw > 0.5) return [[i, along(jitter())]];
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
    // along its own back, or anywhere
    if (draw < 0.85) return [[i, along(jitter())]];
    return [[i, { ...pose, x: pose.x + jitter(), y: pose.y + jitter() }]];
  }

  /** Everything somewhere at random, backs to walls. */
  scatter(): void {
    for (const i of this.movable) {
      this.poses[i] = this.againstWall(i);
      this.look(i);
    }
    this.lookAtWays();
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

/** A seat where its piece is put somewhere. */
export function siteAt(seat: Seat, pose: Pose): Site {
  const rad = (pose.facing * Math.PI) / 180;
  const c = Math.cos(rad);
  const s = Math.sin(rad);
  return {
    x: pose.x + seat.x * c + seat.y * s,
    y: pose.y - seat.x * s + seat.y * c,
    heading: pose.facing + seat.turn,
  };
}

const local = ({ x, y, turn }: { x: number; y: number; turn: number }) => ({ x, y, turn });

function place(piece: Piece, pose: Pose): Placing {
  const there = (shapes: readonly Shape[]) => shapes.map((s) => placed(s, pose));
  return {
    ...{ x: pose.x, y: pose.y, radius: piece.radius },
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
