import { factsOf, TOP } from '../../record/catalogue/index.ts';
import { angleBetween, convexOverlap, type Point, prismFootprint } from '../../measures/geometry/index.ts';
import { type Plan, type Unit } from '../../record/plan/index.ts';
import { unitPrism } from './bodies.ts';
import { frameOf, fromWall, onWall, wallFrames } from './frames.ts';

/** Nearer than this an edge goes to the wall or to its neighbour, mm (own assumption). */
export const SNAP = 70;

export type Snapped = { x: number; y: number; facing: number; bottom: number; hostId: string | null; to: string[] };

const square = (a: number, b: number) => {
  const off = Math.abs(angleBetween(a, b)) % 90;
  return Math.min(off, 90 - off) < 1;
};

/**
 * Where a unit comes to rest when it is let go near `at`: edges go flush to walls and neighbours within {@link SNAP}; what hangs on
 * a wall slides along the nearest one; what stands on another unit takes that one’s top.
 */
export function snapUnit(plan: Plan, unit: Unit, at: Point): Snapped {
  if (unit.mount === 'wall' && !unit.hostId) {
    const hung = onNearestWall(plan, unit, at);
    if (hung) return hung;
  }
  const hung = unit.mount === 'door' ? onDoor(plan, unit) : null;
  if (hung) return hung;
  const moved = { ...unit, ...at };
  const above = hangsUnder(unit) ? topOver(plan, moved) : null;
  const host = unit.mount === 'on' ? hostBelow(plan, moved) : above;
  // what is to stand on something stands on the floor where there is nothing under it
  const bottom = above
    ? hangingAt(above, unit)
    : unit.mount !== 'on'
      ? unit.bottom
      : host
        ? host.bottom + host.height
        : 0;
  const { x, y, to } = flush(plan, { ...moved, bottom });
  return {
    x,
    y,
    facing: unit.facing,
    bottom,
    hostId: unit.mount === 'on' || hangsUnder(unit) ? (host?.id ?? null) : unit.hostId,
    to: host ? [...to, host.name] : to,
  };
}

/** A unit on a door leaf is where the shut door is, on the side of the room. */
function onDoor(plan: Plan, unit: Unit): Snapped | null {
  const door = unit.doorId ? plan.openings[unit.doorId] : undefined;
  const frame = door && frameOf(plan, door.wallId);
  if (!frame) return null;
  const p = onWall(frame, door.left + door.width / 2, unit.depth / 2);
  return { ...p, facing: frame.facing, bottom: unit.bottom, hostId: null, to: [frame.name] };
}

function onNearestWall(plan: Plan, unit: Unit, at: Point): Snapped | null {
  let best: Snapped | null = null;
  let least = Infinity;
  for (const frame of wallFrames(plan)) {
    const { left, out } = fromWall(frame, at);
    if (frame.length < unit.width - 1 || out < -400) continue;
    const half = unit.width / 2;
    const along = Math.max(half, Math.min(frame.length - half, left));
    const off = Math.hypot(along - left, out);
    if (off >= least) continue;
    least = off;
    const p = {
      x: frame.a.x + frame.along.x * along + (frame.inward.x * unit.depth) / 2,
      y: frame.a.y + frame.along.y * along + (frame.inward.y * unit.depth) / 2,
    };
    const beside = flush(plan, { ...unit, ...p, facing: frame.facing }, frame.along);
    best = { ...beside, facing: frame.facing, bottom: unit.bottom, hostId: null, to: [frame.name, ...beside.to] };
  }
  return best;
}

/** Nothing stands on what is elsewhere, hangs on a door or is pushed under something. */
const NO_GROUND: readonly Unit['mount'][] = ['away', 'door', 'under'];

/** The highest unit under the middle of this one that has a top to stand on. */
function hostBelow(plan: Plan, unit: Unit): Unit | null {
  const foot = prismFootprint(unitPrism(unit));
  let best: Unit | null = null;
  for (const other of Object.values(plan.units)) {
    if (other.id === unit.id || other.hostId === unit.id || NO_GROUND.includes(other.mount)) continue;
    if (other.mount === 'on' && other.hostId === unit.hostId) continue;
    const into = convexOverlap(foot, prismFootprint(unitPrism(other)));
    const half = Math.min(unit.width, unit.depth) / 2;
    if (into >= half && (!best || other.bottom + other.height > best.bottom + best.height)) best = other;
  }
  return best;
}

/** Whether it hangs from a top instead of standing on the floor below it. */
export const hangsUnder = (unit: Unit): boolean => unit.mount === 'under' && unit.bottom > 0;

/** Underside of what carries a hanging unit, less its own height: how far above the floor it begins, mm. */
export const hangingAt = (host: Unit, unit: Unit): number => Math.max(0, host.bottom + host.height - TOP - unit.height);

/** The lowest worktop over the middle of what hangs that leaves room for it. */
function topOver(plan: Plan, unit: Unit): Unit | null {
  const foot = prismFootprint(unitPrism(unit));
  let best: Unit | null = null;
  for (const other of Object.values(plan.units)) {
    if (other.id === unit.id || other.mount === 'away' || !factsOf(other.kind).worktop) continue;
    if (other.height - TOP < unit.height) continue;
    const into = convexOverlap(foot, prismFootprint(unitPrism(other)));
    if (into < Math.min(unit.width, unit.depth) / 2) continue;
    if (!best || other.bottom + other.height < best.bottom + best.height) best = other;
  }
  return best;
}

/** Moves a unit by less than SNAP along its own two directions, so that edges meet; `only` restricts it to one direction. */
function flush(plan: Plan, unit: Unit, only?: Point): { x: number; y: number; to: string[] } {
  const body = unitPrism(unit);
  const axes = [
    { d: { x: body.rightX, y: body.rightY }, half: body.halfWidth },
    { d: { x: body.frontX, y: body.frontY }, half: body.halfDepth },
  ];
  let { x, y } = unit;
  const to: string[] = [];
  for (const { d, half } of axes) {
    if (only && Math.abs(d.x * only.x + d.y * only.y) < 0.9) continue;
    let best = SNAP;
    let by = 0;
    let name = '';
    const offer = (shift: number, what: string) => {
      if (Math.abs(shift) < best) [best, by, name] = [Math.abs(shift), shift, what];
    };
    for (const frame of wallFrames(plan)) {
      const into = d.x * frame.inward.x + d.y * frame.inward.y;
      if (Math.abs(into) < 0.9998) continue;
      const { out, left } = fromWall(frame, { x, y });
      if (left < -half || left > frame.length + half) continue;
      offer((half - out) * Math.sign(into), frame.name);
    }
    for (const other of Object.values(plan.units)) {
      if (other.id === unit.id || other.mount === 'away' || !square(other.facing, unit.facing)) continue;
      if (other.bottom >= unit.bottom + unit.height || unit.bottom >= other.bottom + other.height) continue;
      const o = unitPrism(other);
      const across = Math.abs(d.x * o.rightX + d.y * o.rightY) > 0.5;
      const otherHalf = across ? o.halfWidth : o.halfDepth;
      const otherSide = across ? o.halfDepth : o.halfWidth;
      const gap = (o.x - x) * d.x + (o.y - y) * d.y;
      const aside = Math.abs((o.x - x) * -d.y + (o.y - y) * d.x);
      const mySide = d === axes[0]!.d ? body.halfDepth : body.halfWidth;
      if (aside > otherSide + mySide + 150) continue;
      for (const shift of [
        gap - otherHalf - half,
        gap + otherHalf + half,
        gap + otherHalf - half,
        gap - otherHalf + half,
      ])
        offer(shift, other.name);
    }
    if (name) {
      x += d.x * by;
      y += d.y * by;
      to.push(name);
    }
  }
  const tidy = (mm: number) => Math.round(mm * 10) / 10;
  return { x: tidy(x), y: tidy(y), to };
}
