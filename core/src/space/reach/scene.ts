import equal from 'fast-deep-equal';
import { PULL_SHARE, solidsOf } from '../../record/catalogue/index.ts';
import {
  type Point,
  type Point3,
  type Prism,
  distance,
  distanceToSegment,
  footprintDistance,
  insidePolygon,
  segmentHitsPrism,
} from '../../measures/geometry/index.ts';
import {
  alikePlaces,
  natureOf,
  type Place,
  placesDownTo,
  type Plan,
  roomOf,
  type Unit,
  unitShape,
} from '../../record/plan/index.ts';
import {
  arrivalAt,
  type FreeFloor,
  freeFloor,
  type Obstacle,
  obstaclesOf,
  unitBox,
  unitPoint as local,
  unitPrism,
} from '../room/index.ts';

/** Half a body walking past furniture, mm (docs/computation.md 4.1). */
export const BODY_HALF = 230;
export const WHEELCHAIR_HALF = 380;
/** Half the depth of a body that leans against an edge while it reaches, mm (own assumption). */
export const LEANING_HALF = 120;
/** The grip is at most so far inside a front opening, mm (docs/computation.md 2.2). */
const INSET = 150;

/** Where a place is in the room and how a hand gets into it. Millimetres. */
export type Spot = {
  place: Place;
  unit: Unit;
  /** what it lies in outside the room: the unit whose minutes are paid to get there; null inside */
  away: Unit | null;
  /** where the hand closes */
  grip: Point3;
  /** middle of the opening in the front plane (top opening: of the rim): an arm or a look must get here */
  mouth: Point3;
  /** out of the front */
  normal: Point;
  /** shut, unlabelled places that look the same and among which it is looked for; 1: labelled, learnt, or open */
  alike: number;
  /** the drawer's pull, else 0 */
  pull: number;
  /** bottom left and top right of the opening, as one stands before it */
  left: Point;
  right: Point;
  low: number;
  high: number;
  /** of what lies in a drawer: where the drawer’s front is in the unit, and how deep it is, mm */
  drawerFront?: number;
  drawerDepth?: number;
};

/** A plan's room as reach sees it. */
export type Scene = {
  /** one and the same for scenes in which everything stands alike, whatever the places in it: what ways are kept by */
  ground: object;
  outline: Point[];
  solids: { unitId: string; prism: Prism }[];
  /** what stands on the floor: furniture, posts, stair openings, open doors */
  floor: Obstacle[];
  spots: Map<string, Spot>;
  /** the free floor to walk on, worked out when somebody first walks; null while the walls do not close */
  walkable: () => FreeFloor | null;
};

/** A hand takes what stands on a top so high above it, mm (own assumption). */
const OVER_TOP = 30;

const STANDS_BY = ['walls', 'openings', 'fixtures'] as const;
const SEEN_BY = [...STANDS_BY, 'places'] as const;
const scenes = new WeakMap<object, { of: Pick<Plan, (typeof SEEN_BY)[number] | 'head'>; scene: Scene }>();

/** The scene of a plan, computed once per set of walls, openings, fixtures, units and places. */
export function sceneOf(plan: Plan): Scene {
  const known = scenes.get(plan.units);
  const same = known && SEEN_BY.every((t) => known.of[t] === plan[t]) && known.of.head.labels === plan.head.labels;
  if (same) return known.scene;
  const stands = known && STANDS_BY.every((t) => known.of[t] === plan[t]) ? known.scene : null;
  const scene = buildScene(plan, stands);
  scenes.set(plan.units, { of: plan, scene });
  return scene;
}

/** @param before a scene in which everything stands alike: what is the same in both is the same object, so that ways to it are known */
function buildScene(plan: Plan, before: Scene | null): Scene {
  const scene: Scene = { ...(before ?? groundScene(plan)), spots: new Map() };
  const alike = alikePlaces(plan);
  const prisms = new Map<string, Prism>();
  for (const unit of Object.values(plan.units)) prisms.set(unit.id, unitPrism(unit));
  for (const place of Object.values(plan.places)) {
    const unit = plan.units[place.unitId];
    if (unit && place.inId === null) scene.spots.set(place.id, spotOf(place, unit, prisms.get(unit.id)!));
  }
  for (const [id, spot] of scene.spots) {
    const through = spot.place.throughId ? scene.spots.get(spot.place.throughId) : undefined;
    if (through) scene.spots.set(id, deepSpot(spot, through, prisms.get(spot.unit.id)!));
  }
  // what stands in a place is got at where it stands, whatever the order of the rows
  const within = (id: string): Spot | undefined => {
    const known = scene.spots.get(id);
    const place = plan.places[id];
    if (known || !place || place.inId === null) return known;
    const holder = within(place.inId);
    if (!holder) return undefined;
    const spot = nestedSpot(place, holder, prisms.get(holder.unit.id)!);
    scene.spots.set(id, spot);
    return spot;
  };
  for (const id of Object.keys(plan.places)) within(id);
  // a box in a box is got at through all that hold it, whatever the order of the rows
  const boxed = new Set<string>();
  const putAway = (id: string): Spot => {
    const spot = scene.spots.get(id)!;
    const { keptInId } = spot.unit;
    if (keptInId === null || boxed.has(id) || !scene.spots.has(keptInId)) return spot;
    boxed.add(id);
    const inside = boxedSpot(spot, putAway(keptInId));
    scene.spots.set(id, inside);
    return inside;
  };
  for (const id of [...scene.spots.keys()]) putAway(id);
  for (const [id, spot] of scene.spots) {
    const among = mostAlike(plan, id, alike);
    if (among > 1) scene.spots.set(id, { ...spot, alike: among });
  }
  if (before)
    for (const [id, spot] of scene.spots) {
      const was = before.spots.get(id);
      if (was && equal(was, spot)) scene.spots.set(id, was);
    }
  return scene;
}

/** What stands where, without places. */
function groundScene(plan: Plan): Scene {
  const survey = roomOf(plan);
  let walkable: FreeFloor | null | undefined;
  const solids: Scene['solids'] = [];
  for (const unit of Object.values(plan.units)) {
    if (unit.mount === 'away' || unit.keptInId) continue;
    const body = unitPrism(unit);
    for (const box of solidsOf(unit.kind, unitShape(unit)))
      solids.push({ unitId: unit.id, prism: unitBox(unit, body, box) });
  }
  return {
    ground: {},
    outline: survey.closes ? survey.outline : [],
    solids,
    floor: obstaclesOf(plan, true),
    spots: new Map(),
    walkable: () => (walkable === undefined ? (walkable = freeFloor(plan, true)) : walkable),
  };
}

/** Among how many it is looked for where that takes longest: itself or what it stands in. */
function mostAlike(plan: Plan, id: string, alike: ReadonlyMap<string, number>): number {
  const place = plan.places[id];
  return place ? Math.max(...placesDownTo(plan, place).map((p) => alike.get(p.id) ?? 1)) : 1;
}

/** What is in a box that is put away: got at through the place the box is kept in, its covers first. */
function boxedSpot(spot: Spot, holder: Spot): Spot {
  const place = { ...spot.place, covers: [...holder.place.covers, ...spot.place.covers] };
  return { ...holder, place, unit: spot.unit, away: holder.away };
}

/** Over the rim of a container a hand needs so much room; with less it is pulled out like a drawer, mm (own assumption). */
const HAND_ROOM = 100;

/**
 * A place within a place: where it stands there, behind all the covers of what it stands in. Its own place is given as it lies in the unit, with
 * those covers before its own.
 */
function nestedSpot(place: Place, holder: Spot, body: Prism): Spot {
  const around = holder.place;
  const container = place.organiserId !== null;
  const headroom = around.height - place.bottom - place.height;
  const looksIn = ['area', 'bulk'].includes(natureOf(place));
  const pulled = around.opens === 'front' && holder.pull === 0 && container && looksIn && headroom < HAND_ROOM;
  const inUnit: Place = {
    ...place,
    left: around.left + place.left,
    front: around.front + place.front,
    bottom: around.bottom + place.bottom,
    opens: around.opens,
    covers: [...around.covers, ...(pulled ? (['drawer'] as const) : []), ...place.covers],
    seen: around.seen && place.seen,
    lockable: around.lockable || place.lockable,
  };
  if (around.throughId !== null) return { ...holder, place: { ...inUnit, throughId: around.throughId } };
  const spot = spotOf(inUnit, holder.unit, body);
  if (holder.pull === 0) return spot;
  // in a drawer: where it comes to be when the drawer is pulled out, at the drawer’s rim
  const middle = inUnit.left + place.width / 2;
  const drawerFront = holder.drawerFront ?? around.front;
  const depth = holder.drawerDepth ?? around.depth;
  const far = Math.min(1, Math.max(0, (inUnit.front - drawerFront + place.depth / 2) / depth));
  const grip = { ...local(body, middle, drawerFront - holder.pull * (1 - far)), z: holder.high };
  return {
    ...spot,
    grip,
    mouth: grip,
    pull: holder.pull,
    high: holder.high,
    left: local(body, inUnit.left, drawerFront),
    right: local(body, inUnit.left + place.width, drawerFront),
    drawerFront,
    drawerDepth: depth,
  };
}

function spotOf(place: Place, unit: Unit, body: Prism): Spot {
  const middle = place.left + place.width / 2;
  const low = unit.bottom + place.bottom;
  const high = low + place.height;
  const isDrawer = place.covers.includes('drawer');
  const pull = isDrawer ? place.depth * PULL_SHARE : 0;
  const top = place.opens === 'top';
  const centre = (low + high) / 2;
  const mouth = top
    ? // over the rim of the unit: its own board is no obstacle to a hand that comes from above
      {
        ...local(body, middle, place.front + place.depth / 2),
        z: place.kind === 'top' ? low + OVER_TOP : Math.max(high, body.top),
      }
    : { ...local(body, middle, place.front - 2), z: centre };
  const grip = top
    ? mouth
    : isDrawer
      ? { ...local(body, middle, place.front - pull / 2), z: high }
      : { ...local(body, middle, place.front + Math.min(INSET, place.depth / 2)), z: centre };
  return {
    place,
    unit,
    away: unit.mount === 'away' ? unit : null,
    grip,
    mouth: isDrawer ? grip : mouth,
    normal: { x: body.frontX, y: body.frontY },
    alike: 1,
    pull,
    left: local(body, place.left, place.front),
    right: local(body, place.left + place.width, place.front),
    low,
    high,
  };
}

/** The deep end of a corner: the arm goes in through the door beside it and closes its hand just past the edge. */
function deepSpot(spot: Spot, through: Spot, body: Prism): Spot {
  const { place } = spot;
  const edge = place.left < through.place.left ? place.left + place.width - INSET : place.left + INSET;
  const grip = { ...local(body, edge, place.front + place.depth / 2), z: (spot.low + spot.high) / 2 };
  return { ...spot, grip, mouth: through.mouth };
}

/** Whether a straight line between two points passes through no unit. */
export function lineIsFree(scene: Scene, a: Point3, b: Point3): boolean {
  for (const s of scene.solids) if (segmentHitsPrism(a, b, s.prism)) return false;
  return true;
}

/** An arm, also of a leaning body, comes from no farther than this, mm. */
const ARM_FROM = 1800;
const around = new WeakMap<Spot, { ground: object; prisms: Prism[] }>();

/** Whether a straight line from a shoulder (or an eye) to the opening of a place passes through no unit. */
export function seesMouth(scene: Scene, spot: Spot, from: Point3): boolean {
  const { mouth } = spot;
  if (distance(from, mouth) > ARM_FROM) return lineIsFree(scene, from, mouth);
  let near = around.get(spot);
  if (near?.ground !== scene.ground) {
    const prisms = scene.solids.map((s) => s.prism).filter((p) => footprintDistance(p, mouth.x, mouth.y) < ARM_FROM);
    around.set(spot, (near = { ground: scene.ground, prisms }));
  }
  const { prisms } = near;
  for (let i = 0; i < prisms.length; i++)
    if (segmentHitsPrism(from, mouth, prisms[i]!)) {
      // what is in the way once is so again, mostly
      if (i > 0) [prisms[0], prisms[i]] = [prisms[i]!, prisms[0]!];
      return false;
    }
  return true;
}

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
