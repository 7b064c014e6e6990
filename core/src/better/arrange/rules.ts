import {
  convexDistance,
  convexOverlap,
  distanceToSegment,
  insidePolygon,
  type Point,
  prismFootprint,
} from '../../measures/geometry/index.ts';
import { FUSE_SPACE, KILN_SPACE, WINDOW_REACH, WINDOW_STAND } from '../findings/index.ts';
import { type Plan, type Station } from '../../record/plan/index.ts';
import { headShort, makerOf } from '../../space/reach/index.ts';
import {
  AIR,
  BURNS_OFF,
  MOST_OFF,
  ceilingAt,
  doorSweep,
  fixturePrism,
  floorUsePrism,
  frameOf,
  onWall,
  unitPrism,
  wallFrames,
  type WallFrame,
} from '../../space/room/index.ts';
import { freeSeatZones, type Shape, shapeOf } from './pieces.ts';

/** What of the room itself must be kept free, and by which of a piece’s shapes. */
export type Ground = {
  plan: Plan;
  frames: WallFrame[];
  outline: Point[];
  /** nothing may stand here */
  keep: Shape[];
  /** posts, pipes and stairs: nothing may stand here, and no drawer opens into them */
  fixed: Shape[];
  /** what is hot, and how far what burns keeps off it, mm */
  hot: { shape: Shape; space: number }[];
  sockets: (Point & { z: number })[];
  /** windows that are opened: the strip before each in which one stands or reaches over what is lower than its sill */
  windows: { strip: Shape; middle: Point; inward: Point }[];
  /** nothing lower than this meets the ceiling, mm */
  lowest: number;
};

const SLACK = 1;
/** Into the room from a doorway, mm: a way out (as the findings have it). */
const DOORWAY = 600;
/** One opens a window from so wide a strip before it, and reaches over what is higher than this, mm (as the findings have it). */
const AT_WINDOW = 200;
const OVER_FLOOR = 400;
/** Room of a plug, mm. */
const PLUG = 45;

export function groundOf(plan: Plan): Ground {
  const frames = wallFrames(plan);
  const keep: Shape[] = [];
  const fixed: Shape[] = [];
  const hot: Ground['hot'] = [];
  const sockets: (Point & { z: number })[] = [];
  const windows: Ground['windows'] = [];
  const strip = (frame: WallFrame, left: number, width: number, deep: number) => [
    onWall(frame, left),
    onWall(frame, left + width),
    onWall(frame, left + width, deep),
    onWall(frame, left, deep),
  ];
  for (const o of Object.values(plan.openings)) {
    const frame = frameOf(plan, o.wallId);
    if (!frame) continue;
    if (o.kind === 'window') {
      keep.push(shapeOf(strip(frame, o.left + 5, o.width - 10, 120), o.sill + 5, o.head));
      const middle = o.left + o.width / 2;
      const before = shapeOf(strip(frame, middle - AT_WINDOW / 2, AT_WINDOW, WINDOW_REACH), OVER_FLOOR, o.sill);
      windows.push({ strip: before, middle: onWall(frame, middle), inward: frame.inward });
    } else {
      keep.push(shapeOf(strip(frame, o.left + 10, o.width - 20, DOORWAY), 30, o.head));
      const sweep = doorSweep(plan, o);
      if (sweep && o.swing === 'in') keep.push(shapeOf(sweep, 0, o.head));
    }
  }
  for (const f of Object.values(plan.fixtures)) {
    const prism = fixturePrism(plan, f);
    const frame = frameOf(plan, f.wallId);
    if (!prism) continue;
    const foot = prismFootprint(prism);
    if (f.kind === 'fuseBoard' && frame) {
      const width = Math.max(FUSE_SPACE.width, f.width);
      keep.push(shapeOf(strip(frame, f.left + f.width / 2 - width / 2, width, FUSE_SPACE.depth), 0, FUSE_SPACE.height));
    } else if (f.kind === 'heater') {
      if (BURNS_OFF[f.heat] > 0) hot.push({ shape: shapeOf(foot, prism.bottom, prism.top), space: BURNS_OFF[f.heat] });
      // hot water wants its air free of everything
      else if (frame) keep.push(shapeOf(strip(frame, f.left, f.width, f.depth + AIR), prism.bottom, prism.top + AIR));
    } else if (f.kind === 'socket' && frame)
      sockets.push({ ...onWall(frame, f.left + f.width / 2, PLUG), z: f.bottom + f.height / 2 });
    else if (f.kind === 'stairs') fixed.push(shapeOf(foot, 0, 2000));
    else if (f.kind === 'obstacle' || f.kind === 'pipe') fixed.push(shapeOf(foot, prism.bottom, prism.top));
    else if (f.kind === 'sink') keep.push(shapeOf(foot, prism.bottom, prism.top + 500));
  }
  for (const use of Object.values(plan.floorUses)) {
    const prism = floorUsePrism(use);
    keep.push(shapeOf(prismFootprint(prism), prism.bottom, prism.top));
  }
  keep.push(...freeSeatZones(plan));
  for (const unit of Object.values(plan.units)) {
    if (unit.kind !== 'kiln' || unit.mount === 'away') continue;
    const prism = unitPrism(unit);
    hot.push({ shape: shapeOf(prismFootprint(prism), prism.bottom, prism.top), space: KILN_SPACE });
  }
  const lowest = Math.min(plan.head.ceiling, ...Object.values(plan.slopes).map((slope) => slope.knee));
  return { plan, frames, outline: frames.map((f) => f.a), keep, fixed, hot, sockets, windows, lowest };
}

/** How deep two shapes are in each other, mm; 0 when apart in plan or height. */
export function deep(a: Shape, b: Shape): number {
  if (Math.min(a.high, b.high) - Math.max(a.low, b.low) <= 2) return 0;
  const dx = a.x - b.x;
  const dy = a.y - b.y;
  const r = a.radius + b.radius;
  if (dx * dx + dy * dy >= r * r) return 0;
  const by = convexOverlap(a.corners, b.corners);
  return by > SLACK ? by : 0;
}

/** How much a piece breaks the rules of the room by itself, in mm over all its shapes; 0: not at all. */
export function breaksAlone(ground: Ground, solids: readonly Shape[], zones: readonly Shape[]): number {
  let sum = 0;
  for (const s of solids) {
    for (const k of ground.keep) sum += deep(s, k);
    for (const f of ground.fixed) sum += deep(s, f);
    for (const corner of s.corners) {
      sum += outside(ground, corner);
      if (s.high > ground.lowest) sum += Math.max(0, s.high - ceilingAt(ground.plan, corner) - SLACK);
    }
    for (const f of ground.frames) {
      // a corner of the room that juts into it
      const { a } = f;
      if ((a.x - s.x) ** 2 + (a.y - s.y) ** 2 < s.radius ** 2)
        sum +=
          convexOverlap(s.corners, [
            { x: a.x - 1, y: a.y - 1 },
            { x: a.x + 1, y: a.y - 1 },
            { x: a.x + 1, y: a.y + 1 },
            { x: a.x - 1, y: a.y + 1 },
          ]) > 2.5
            ? 50
            : 0;
    }
    for (const window of ground.windows) sum += reachedOver(window, s);
    if (s.burns) for (const h of ground.hot) sum += Math.max(0, h.space - apart(s, h.shape) - SLACK);
    for (const socket of ground.sockets)
      if (s.low < socket.z && s.high > socket.z && insidePolygon(socket, s.corners)) sum += 100;
  }
  for (const z of zones) {
    for (const f of ground.fixed) sum += deep(z, f);
    for (const corner of z.corners) sum += Math.max(0, outside(ground, corner) - 5);
  }
  return sum;
}

/** By how much too far one reaches over something to open a window, mm. */
function reachedOver({ strip, middle, inward }: Ground['windows'][number], s: Shape): number {
  if (deep(s, strip) === 0) return 0;
  const off = s.corners.map((p) => (p.x - middle.x) * inward.x + (p.y - middle.y) * inward.y);
  return Math.min(...off) >= WINDOW_STAND ? 0 : Math.max(0, Math.max(...off) - WINDOW_REACH - SLACK);
}

export function outside({ frames, outline }: Ground, p: Point): number {
  if (insidePolygon(p, outline)) return 0;
  let least = Infinity;
  for (const f of frames) least = Math.min(least, distanceToSegment(p, f.a, f.b));
  return least > SLACK ? least : 0;
}

/** What a piece takes where it stands: its solids, what it wants free, and a circle around all of it for a quick look. */
export type Taking = Point & { radius: number; solids: readonly Shape[]; zones: readonly Shape[] };

/** How much two pieces break rules between them, mm. `most`: beyond that nothing more is looked at. */
export function breaksBetween(a: Taking, b: Taking, most = Infinity): number {
  if ((a.x - b.x) ** 2 + (a.y - b.y) ** 2 >= (a.radius + b.radius) ** 2) return 0;
  let sum = 0;
  for (const s of a.solids) {
    for (const t of b.solids) if ((sum += deep(s, t)) > most) return sum;
    for (const z of b.zones) if ((sum += deep(s, z)) > most) return sum;
  }
  for (const z of a.zones) for (const t of b.solids) if ((sum += deep(z, t)) > most) return sum;
  return sum;
}

/** Straight distance between two upright shapes, mm. */
function apart(a: Shape, b: Shape): number {
  const up = Math.max(0, Math.max(a.low, b.low) - Math.min(a.high, b.high));
  if (Math.hypot(a.x - b.x, a.y - b.y) - a.radius - b.radius > MOST_OFF) return Infinity;
  return Math.hypot(convexDistance(a.corners, b.corners), up);
}

/** How much a seat breaks the rules where it is, in mm: head height, and floor that another use takes in its months. */
export function breaksSeat({ plan }: Ground, station: Station, at: Point): number {
  const maker = makerOf(plan, station);
  if (!maker) return 0;
  let sum = headShort(plan, maker, at);
  const months = plan.activities[station.activityId]?.months ?? [];
  for (const use of Object.values(plan.floorUses)) {
    if (!use.months.some((m) => months.includes(m))) continue;
    const p = floorUsePrism(use);
    const dx = at.x - p.x;
    const dy = at.y - p.y;
    const u = p.halfWidth + 200 - Math.abs(dx * p.rightX + dy * p.rightY);
    const v = p.halfDepth + 200 - Math.abs(dx * p.frontX + dy * p.frontY);
    if (u > 0 && v > 0) sum += Math.min(u, v);
  }
  return sum;
}
