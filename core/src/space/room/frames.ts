import { type Point, heading } from '../../measures/geometry/index.ts';
import { type Opening, type Plan, roomOf, type Wall, wallsInOrder } from '../../record/plan/index.ts';

/** A wall where it stands: from `a` (its left end as one stands before it) to `b`; `inward` points into the room. */
export type WallFrame = {
  wall: Wall;
  index: number;
  name: string;
  a: Point;
  b: Point;
  length: number;
  along: Point;
  inward: Point;
  /** the way something with its back to the wall looks, degrees clockwise from +y */
  facing: number;
};

const known = new WeakMap<object, WallFrame[]>();

/** The walls of a closed room in order; none while the walls do not close. */
export function wallFrames(plan: Pick<Plan, 'walls'>): WallFrame[] {
  let frames = known.get(plan.walls);
  if (!frames) known.set(plan.walls, (frames = build(plan)));
  return frames;
}

function build(plan: Pick<Plan, 'walls'>): WallFrame[] {
  const { outline, closes } = roomOf(plan);
  if (!closes) return [];
  return wallsInOrder(plan).map((wall, index) => {
    const a = outline[index]!;
    const b = outline[(index + 1) % outline.length]!;
    const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
    const along = { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
    // the room lies to the right of each wall as it is walked
    const inward = { x: along.y, y: -along.x };
    const facing = heading({ x: 0, y: 0 }, inward);
    return { wall, index, name: wall.name || `wall ${index + 1}`, a, b, length, along, inward, facing };
  });
}

/** The wall of an id, in a closed room. */
export function frameOf(plan: Pick<Plan, 'walls'>, wallId: string | null): WallFrame | undefined {
  return wallId === null ? undefined : wallFrames(plan).find((f) => f.wall.id === wallId);
}

/** A point on the floor `left` mm along a wall from its left end and `out` mm into the room. */
export function onWall(frame: WallFrame, left: number, out = 0): Point {
  return {
    x: frame.a.x + frame.along.x * left + frame.inward.x * out,
    y: frame.a.y + frame.along.y * left + frame.inward.y * out,
  };
}

/** How far along a wall and how far from it a point is, mm. */
export function fromWall(frame: WallFrame, p: Point): { left: number; out: number } {
  const dx = p.x - frame.a.x;
  const dy = p.y - frame.a.y;
  return { left: dx * frame.along.x + dy * frame.along.y, out: dx * frame.inward.x + dy * frame.inward.y };
}

/** The quarter that a door's leaf sweeps, hinge first; null for a window or while the walls do not close. */
export function doorSweep(plan: Pick<Plan, 'walls'>, opening: Opening): Point[] | null {
  const frame = frameOf(plan, opening.wallId);
  if (!frame || opening.kind !== 'door') return null;
  const [hinge, latch] =
    opening.hinge === 'left'
      ? [opening.left, opening.left + opening.width]
      : [opening.left + opening.width, opening.left];
  const at = onWall(frame, hinge);
  const shut = { x: frame.along.x * (latch - hinge), y: frame.along.y * (latch - hinge) };
  const way = opening.swing === 'in' ? opening.width : -opening.width;
  const sweep = [at];
  for (let i = 0; i <= 8; i++) {
    const t = (i / 8) * (Math.PI / 2);
    sweep.push({
      x: at.x + shut.x * Math.cos(t) + frame.inward.x * way * Math.sin(t),
      y: at.y + shut.y * Math.cos(t) + frame.inward.y * way * Math.sin(t),
    });
  }
  return sweep;
}
