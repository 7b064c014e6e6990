import {
  type Point,
  distance,
  distanceToSegment,
  footprintDistance,
  insidePolygon,
} from '../../measures/geometry/index.ts';
import { arrivalAt } from '../room/index.ts';
import { type Scene, type Spot } from './spot.ts';

/** Half a body walking past furniture, mm (docs/computation.md 4.1). */
export const BODY_HALF = 230;

export const WHEELCHAIR_HALF = 380;

/** Half the depth of a body that leans against an edge while it reaches, mm (own assumption). */
export const LEANING_HALF = 120;

/** Whether a body of some half width (mm) can stand at a point: inside the room, clear of what stands on the floor. */
export function floorIsFree(scene: Scene, p: Point, half: number): boolean {
  for (const f of scene.floor) if (footprintDistance(f.prism, p.x, p.y) < half) return false;
  const { outline } = scene;
  if (outline.length === 0) return true;
  if (!insidePolygon(p, outline)) return false;
  for (let i = 0; i < outline.length; i++)
    if (distanceToSegment(p, outline[i]!, outline[(i + 1) % outline.length]!) < LEANING_HALF) return false;
  return true;
}

/** The standing spot's distance before the front, mm; and the nearest a body comes (docs/computation.md 2.7 and 2.8). */
export const STAND_OFF = 350;

export const NEAREST = 250;

const TRIES: { out: number; side: number; off: number }[] = [];

for (let out = -100; out <= 1400; out += 25)
  for (let side = 0; side <= 300; side += 100) TRIES.push({ out, side, off: Math.hypot(out, side * 1.01) });

TRIES.sort((a, b) => a.off - b.off);

export type Stand = {
  at: Point;
  /** where it is when it comes as near to the front as the furniture lets it */
  close: Point;
  /** horizontal distance from there to the front, or to the rim of the pulled-out drawer, mm; at least 250 */
  nearest: number;
  /** the furniture keeps the body farther off than it would stand by itself */
  forced: boolean;
};

const standing = new WeakMap<object, Map<string, readonly Stand[]>>();

/**
 * Where a body stands to use a place: on the normal of its front, 350 mm before it (or before the pulled-out drawer),
 * or as near to that as free floor allows; where something stands before it, also beside it, as near to the grip as the floor is free. Where nobody
 * gets to over the floor comes last. Empty when there is no free floor within reach of it.
 */
export function standingSpots(scene: Scene, spot: Spot, half: number): readonly Stand[] {
  let known = standing.get(scene.ground);
  if (!known) standing.set(scene.ground, (known = new Map()));
  // places of one column have one floor before them
  const key = `${half} ${spot.pull} ${spot.left.x} ${spot.left.y} ${spot.right.x} ${spot.right.y}`;
  let stands = known.get(key);
  if (stands === undefined) {
    const { before, cutOff } = standBefore(scene, spot, half);
    const beside = before === null || before.forced ? standBeside(scene, spot, half) : null;
    known.set(key, (stands = [before, beside, cutOff].filter((s) => s !== null)));
  }
  return stands;
}

/** The first of {@link standingSpots}; null when there is none. */
export const standingSpot = (scene: Scene, spot: Spot, half: number): Stand | null =>
  standingSpots(scene, spot, half)[0] ?? null;

function meanOf(points: readonly Point[]): Point {
  const n = Math.max(1, points.length);
  return { x: points.reduce((s, p) => s + p.x, 0) / n, y: points.reduce((s, p) => s + p.y, 0) / n };
}

function standBefore(scene: Scene, spot: Spot, half: number): { before: Stand | null; cutOff: Stand | null } {
  const front = { x: (spot.left.x + spot.right.x) / 2, y: (spot.left.y + spot.right.y) / 2 };
  const along = { x: spot.normal.y, y: -spot.normal.x };
  const middle = meanOf(scene.outline);
  const at = (out: number, aside: number): Point => ({
    x: front.x + spot.normal.x * out + along.x * aside,
    y: front.y + spot.normal.y * out + along.y * aside,
  });
  const base = spot.pull + STAND_OFF;
  // there is floor, and nobody gets to it
  let cutOff: Stand | null = null;
  for (const t of TRIES) {
    let p = at(base + t.out, t.side);
    const other = at(base + t.out, -t.side);
    const [free, alsoFree] = [floorIsFree(scene, p, half), t.side !== 0 && floorIsFree(scene, other, half)];
    if (!free && !alsoFree) continue;
    // of two spots as good, the one nearer to the middle of the room: so that a room and its mirror image agree
    if (!free || (alsoFree && distance(other, middle) < distance(p, middle) - 1e-6)) p = other;
    const side = p === other ? -t.side : t.side;
    const forced = t.out > 50;
    let nearest = Math.min(NEAREST, STAND_OFF + t.out);
    if (forced) {
      nearest = STAND_OFF + t.out;
      while (nearest - 25 >= NEAREST && floorIsFree(scene, at(spot.pull + nearest - 25, side), half)) nearest -= 25;
    }
    const stand: Stand = { at: p, close: at(spot.pull + nearest, side), nearest, forced };
    if (walksTo(scene, p, half)) return { before: stand, cutOff };
    cutOff ??= stand;
  }
  return { before: null, cutOff };
}

/** So far from the grip, beside a place, one stands at most, mm; and the mesh that is looked at. */
const BESIDE = { most: 1000, mesh: 25 };

function standBeside(scene: Scene, spot: Spot, half: number): Stand | null {
  const front = { x: (spot.left.x + spot.right.x) / 2, y: (spot.left.y + spot.right.y) / 2 };
  const along = { x: spot.normal.y, y: -spot.normal.x };
  const middle = meanOf(scene.outline);
  const halfWidth = distance(spot.left, spot.right) / 2;
  const { most, mesh } = BESIDE;
  const looked: { p: Point; nearest: number; far: number }[] = [];
  for (let out = mesh; out <= spot.pull + most; out += mesh)
    for (let side = -most; side <= most; side += mesh) {
      // not in the pulled-out drawer
      const nearest = Math.hypot(Math.max(0, out - spot.pull), Math.max(0, Math.abs(side) - halfWidth));
      if (nearest < half) continue;
      const p = {
        x: front.x + spot.normal.x * out + along.x * side,
        y: front.y + spot.normal.y * out + along.y * side,
      };
      const far = distance(p, spot.grip);
      if (far <= most) looked.push({ p, nearest, far });
    }
  // of two as near, the one nearer to the middle of the room: so that a room and its mirror image agree
  looked.sort((a, b) => a.far - b.far || distance(a.p, middle) - distance(b.p, middle));
  const found = looked.find(({ p }) => floorIsFree(scene, p, half) && walksTo(scene, p, half));
  return found ? { at: found.p, close: found.p, nearest: Math.max(NEAREST, found.nearest), forced: true } : null;
}

/** Whether one gets from the floor one walks on to where a body of some half width stands. */
function walksTo(scene: Scene, p: Point, half: number): boolean {
  const floor = scene.walkable();
  return floor === null || arrivalAt(floor, p, Math.max(half, BODY_HALF)).cells.length > 0;
}
