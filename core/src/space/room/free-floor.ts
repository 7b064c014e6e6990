import {
  distanceToSegment,
  footprintDistance,
  insidePolygon,
  length2,
  type Point,
  type Prism,
  prism,
} from '../../measures/geometry/index.ts';
import { type Plan, type Unit } from '../../record/plan/index.ts';
import { fixturePrism, unitPrism } from './bodies.ts';
import { onWall, frameOf, wallFrames } from './frames.ts';

/** Something one walks round. */
export type Obstacle = { id: string; name: string; prism: Prism };
type Side = { id: string; name: string; a: Point; b: Point };

/** Side of a cell of the floor grid, mm (docs/computation.md 4.1). */
export const CELL = 50;
/** Nobody walks below what hangs lower than this, mm (own assumption). */
const STOOP_UNDER = 250;

/**
 * The free floor as a grid: for every cell the clearance of its middle, the distance (mm) to the nearest wall or thing; negative
 * where nobody can be.
 */
export type FreeFloor = {
  outline: readonly Point[];
  obstacles: Obstacle[];
  sides: Side[];
  x: number;
  y: number;
  columns: number;
  rows: number;
  clearance: Float32Array;
};

/** A chair is pushed aside; all else that stands on the floor is walked round. */
export function blocksFloor(unit: Unit): boolean {
  return (
    unit.mount !== 'away' &&
    unit.mount !== 'door' &&
    unit.bottom < STOOP_UNDER &&
    unit.kind !== 'chair' &&
    unit.keptInId === null
  );
}

/**
 * What on the floor is walked round: furniture low enough, posts, stair openings; a chair is pushed aside.
 * @param leaves also the open leaves of doors that swing in
 */
export function obstaclesOf(plan: Plan, leaves = false): Obstacle[] {
  const out: Obstacle[] = [];
  for (const unit of Object.values(plan.units)) {
    if (blocksFloor(unit)) out.push({ id: unit.id, name: unit.name, prism: unitPrism(unit) });
  }
  for (const fixture of Object.values(plan.fixtures)) {
    if (!['stairs', 'obstacle', 'heater', 'sink'].includes(fixture.kind)) continue;
    const prism = fixturePrism(plan, fixture);
    // a basin above knee height stands in a unit or is walked up to; what hangs higher is walked under
    if (prism && prism.bottom < STOOP_UNDER) out.push({ id: fixture.id, name: fixture.name, prism });
  }
  return leaves ? [...out, ...openLeaves(plan)] : out;
}

/** Thickness of a door leaf, mm (common practice, no source). */
const LEAF = 40;

/** Leaves of doors that swing into the room, standing open at a right angle. */
function openLeaves(plan: Plan): Obstacle[] {
  return Object.values(plan.openings).flatMap((door) => {
    const frame = frameOf(plan, door.wallId);
    if (!frame || door.kind !== 'door' || door.swing !== 'in') return [];
    const hinge = door.hinge === 'left' ? door.left : door.left + door.width;
    const middle = onWall(frame, hinge, door.width / 2);
    return [{ id: door.id, name: 'the open door', prism: prism(middle, frame.facing, LEAF, door.width, 0, door.head) }];
  });
}

/**
 * The free floor of a closed room; null while the walls do not close.
 * @param leaves also walk round the open leaves of doors that swing in
 */
export function freeFloor(plan: Plan, leaves = false): FreeFloor | null {
  const frames = wallFrames(plan);
  if (frames.length === 0) return null;
  const outline = frames.map((f) => f.a);
  const left = Math.min(...outline.map((p) => p.x));
  const low = Math.min(...outline.map((p) => p.y));
  const columns = Math.ceil((Math.max(...outline.map((p) => p.x)) - left) / CELL);
  const rows = Math.ceil((Math.max(...outline.map((p) => p.y)) - low) / CELL);
  const floor: FreeFloor = {
    outline,
    obstacles: obstaclesOf(plan, leaves),
    sides: frames.map((f) => ({ id: f.wall.id, name: f.name, a: f.a, b: f.b })),
    x: left + CELL / 2,
    y: low + CELL / 2,
    columns,
    rows,
    clearance: new Float32Array(columns * rows),
  };
  fillClearance(floor);
  return floor;
}

/** {@link clearanceAt} of every cell, thing by thing, with squares and nothing called: a tenth of the time. */
function fillClearance(floor: FreeFloor): void {
  const { columns, rows, clearance } = floor;
  clearance.fill(Infinity);
  for (const { a, b } of floor.sides) {
    const dx = b.x - a.x;
    const dy = b.y - a.y;
    const square = dx * dx + dy * dy || 1;
    for (let cell = 0, r = 0; r < rows; r++) {
      const py = floor.y + r * CELL - a.y;
      for (let c = 0; c < columns; c++, cell++) {
        const px = floor.x + c * CELL - a.x;
        const along = (px * dx + py * dy) / square;
        const t = along < 0 ? 0 : along > 1 ? 1 : along;
        const ex = px - dx * t;
        const ey = py - dy * t;
        const far = ex * ex + ey * ey;
        if (far < clearance[cell]!) clearance[cell] = far;
      }
    }
  }
  for (const { prism: p } of floor.obstacles)
    for (let cell = 0, r = 0; r < rows; r++) {
      const dy = floor.y + r * CELL - p.y;
      for (let c = 0; c < columns; c++, cell++) {
        const dx = floor.x + c * CELL - p.x;
        const across = dx * p.rightX + dy * p.rightY;
        const ahead = dx * p.frontX + dy * p.frontY;
        const u = (across < 0 ? -across : across) - p.halfWidth;
        const v = (ahead < 0 ? -ahead : ahead) - p.halfDepth;
        const far = (u > 0 ? u * u : 0) + (v > 0 ? v * v : 0);
        if (far < clearance[cell]!) clearance[cell] = far > 0 ? far : -1;
      }
    }
  for (let cell = 0, r = 0; r < rows; r++)
    for (let c = 0; c < columns; c++, cell++) {
      const square = clearance[cell]!;
      const inside = square >= 0 && insidePolygon({ x: floor.x + c * CELL, y: floor.y + r * CELL }, floor.outline);
      clearance[cell] = inside ? Math.sqrt(square) : -1;
    }
}

/** Distance (mm) from a point to the nearest wall or thing; −1 outside the room or inside a thing. */
export function clearanceAt(floor: Pick<FreeFloor, 'outline' | 'obstacles' | 'sides'>, p: Point): number {
  if (!insidePolygon(p, floor.outline)) return -1;
  let least = Infinity;
  for (const o of floor.obstacles) {
    const d = footprintDistance(o.prism, p.x, p.y);
    if (d <= 0) return -1;
    if (d < least) least = d;
  }
  for (const s of floor.sides) {
    const d = distanceToSegment(p, s.a, s.b);
    if (d < least) least = d;
  }
  return least;
}

/** Middle of a cell. */
export const pointAt = (floor: FreeFloor, cell: number): Point => ({
  x: floor.x + (cell % floor.columns) * CELL,
  y: floor.y + Math.floor(cell / floor.columns) * CELL,
});

/** Where one stands having come in by a door: 300 mm inside its middle; null for a window or an open room. */
export function insideDoor(plan: Plan, openingId: string): Point | null {
  const opening = plan.openings[openingId];
  const frame = opening && frameOf(plan, opening.wallId);
  return frame && opening.kind === 'door' ? onWall(frame, opening.left + opening.width / 2, 300) : null;
}

/** The point of some wall or thing that is nearest to a point, and how far it is, mm. */
export type Nearest = { id: string; name: string; point: Point; far: number };

/** The nearest point of every wall and thing to a point (mm), in no order. */
export function nearestOfEach(floor: Pick<FreeFloor, 'obstacles' | 'sides'>, p: Point): Nearest[] {
  const clamp = (v: number, half: number) => Math.max(-half, Math.min(half, v));
  return [
    ...floor.sides.map(({ id, name, a, b }) => {
      const dx = b.x - a.x;
      const dy = b.y - a.y;
      const t = Math.max(0, Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / (dx * dx + dy * dy || 1)));
      const point = { x: a.x + dx * t, y: a.y + dy * t };
      return { id, name, point, far: length2(p.x - point.x, p.y - point.y) };
    }),
    ...floor.obstacles.map(({ id, name, prism: o }) => {
      const dx = p.x - o.x;
      const dy = p.y - o.y;
      const u = clamp(dx * o.rightX + dy * o.rightY, o.halfWidth);
      const v = clamp(dx * o.frontX + dy * o.frontY, o.halfDepth);
      const point = { x: o.x + o.rightX * u + o.frontX * v, y: o.y + o.rightY * u + o.frontY * v };
      return { id, name, point, far: length2(p.x - point.x, p.y - point.y) };
    }),
  ];
}
