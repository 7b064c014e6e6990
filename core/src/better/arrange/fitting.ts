import { onWall } from '../../space/room/index.ts';
import { type Random } from '../../living/slotting/index.ts';
import { visitBroken } from './carts.ts';
import { type Furnishing, type Placing, siteAt } from './furnishing.ts';
import { type Pose } from './pieces.ts';
import { breaksBetween } from './rules.ts';
import { NEAR, type Target } from './ways.ts';

/** Of every piece so many poses are looked at: along the walls at steps, mm, and anywhere. */
const STEP = 100;
const ANYWHERE = 200;
/** Of all pieces together no more than so many are fitted. */
const MOST = 4000;
/** A millimetre of rounding breaks no rule. */
const CLEAN = 0.5;
/** So often one of the poses with its back to a wall is taken where there is any (own assumption: rooms are furnished along their walls). */
const TO_WALL = 0.9;
/** In one draw so many poses are tried before it is given up, and so many of one piece beside the same others. */
const TRIES = 120;
const EACH = 8;

type Candidate = { pose: Pose; placing: Placing; atWall: boolean };

/**
 * Fits the furniture of a room together, piece by piece, so that no rule is broken between things: of every piece poses are drawn that break none by themselves; the
 * piece with fewest left takes one of its, the others lose those that do not go with it, and where one has none left or a way is shut another is tried.
 */
export class Fitting {
  private readonly deals: Candidate[][];
  private tries = 0;

  constructor(
    private readonly furnishing: Furnishing,
    private readonly random: Random,
  ) {
    const most = Math.ceil(MOST / furnishing.pieces.length);
    this.deals = furnishing.pieces.map((piece, i) => {
      const here = furnishing.poses[i]!;
      if (!piece.movable) return [{ pose: here, placing: furnishing.placing(i, here), atWall: true }];
      const walls = [here, ...this.atWalls(i)];
      const free = piece.hangs ? [] : Array.from({ length: ANYWHERE }, () => this.anywhere());
      const all = [...walls, ...free].flatMap((pose, k) => {
        const placing = furnishing.placing(i, pose);
        return furnishing.aloneAt(i, pose, placing) <= CLEAN ? [{ pose, placing, atWall: k < walls.length }] : [];
      });
      return all.length <= most ? all : all.filter(() => random.next() < most / all.length);
    });
  }

  /** Poses of all pieces that break no rule; null when this draw came to none. */
  draw(): Pose[] | null {
    this.tries = TRIES;
    const taken: (Candidate | null)[] = this.deals.map(() => null);
    return this.fit(taken, this.deals) ? taken.map((c) => c!.pose) : null;
  }

  private fit(taken: (Candidate | null)[], left: readonly (readonly Candidate[])[]): boolean {
    let i = -1;
    for (let k = 0; k < taken.length; k++) if (taken[k] === null && (i < 0 || left[k]!.length < left[i]!.length)) i = k;
    if (i < 0) return true;
    const tries = [...left[i]!];
    for (let k = 0; k < EACH && tries.length > 0 && this.tries > 0; k++) {
      this.tries--;
      const one = this.pick(tries);
      taken[i] = one;
      const then = left.map((candidates, j) =>
        taken[j] === null ? candidates.filter((c) => this.goWith(i, one, j, c)) : candidates,
      );
      const all = then.every((candidates, j) => taken[j] !== null || candidates.length > 0);
      if (all && this.isOpen(taken) && this.fit(taken, then)) return true;
      taken[i] = null;
    }
    return false;
  }

  private pick(from: Candidate[]): Candidate {
    const toWall = this.random.next() < TO_WALL;
    let k = this.random.below(from.length);
    if (toWall && !from[k]!.atWall) {
      const walls = from.flatMap((c, n) => (c.atWall ? [n] : []));
      if (walls.length > 0) k = walls[this.random.below(walls.length)]!;
    }
    return from.splice(k, 1)[0]!;
  }

  private goWith(i: number, one: Candidate, j: number, other: Candidate): boolean {
    const { pieces } = this.furnishing;
    return (!pieces[i]!.movable && !pieces[j]!.movable) || breaksBetween(one.placing, other.placing, CLEAN) <= CLEAN;
  }

  /** Whether one still gets to what stands there: more furniture only narrows the ways. */
  private isOpen(taken: readonly (Candidate | null)[]): boolean {
    const { furnishing } = this;
    const blocks = taken.flatMap((c) => c?.placing.blocks ?? []);
    const sites = furnishing.seats.map((seat) => {
      if (seat.piece < 0) return furnishing.site(seat);
      const piece = taken[seat.piece];
      return piece ? siteAt(seat, piece.pose) : null;
    });
    const targets: Target[] = sites.flatMap((at) => (at ? [{ ...at, near: NEAR.seat }] : []));
    for (const c of taken) for (const p of c?.placing.stands ?? []) targets.push({ ...p, near: NEAR.unit });
    const pieces = taken.map((c) => c?.placing);
    for (const visit of furnishing.visits) {
      const at = sites[visit.seat];
      if (at && visitBroken(furnishing.ground, visit, at, pieces) > CLEAN) return false;
    }
    return furnishing.ways.broken(blocks, targets) <= CLEAN;
  }

  /** With its back to every wall, step by step, and right in every corner. */
  private *atWalls(i: number): Generator<Pose> {
    const { unit } = this.furnishing.pieces[i]!;
    for (const frame of this.furnishing.ground.frames) {
      const room = frame.length - unit.width;
      if (room < 0) continue;
      const lefts = [0, room];
      for (let left = STEP * this.random.next(); left < room; left += STEP) lefts.push(left);
      for (const left of lefts) yield { ...onWall(frame, left + unit.width / 2, unit.depth / 2), facing: frame.facing };
    }
  }

  private anywhere(): Pose {
    const { frames, outline } = this.furnishing.ground;
    const within = (values: number[]) => {
      const least = Math.min(...values);
      return Math.round(least + (Math.max(...values) - least) * this.random.next());
    };
    return {
      x: within(outline.map((p) => p.x)),
      y: within(outline.map((p) => p.y)),
      facing: frames[this.random.below(frames.length)]!.facing,
    };
  }
}
