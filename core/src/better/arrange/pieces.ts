import { factsOf, leafOf, PULL_SHARE } from '../../record/catalogue/index.ts';
import { direction, type Point, prismFootprint, rotateRight } from '../../measures/geometry/index.ts';
import { CHAIR_ROOM, CHAIR_WIDE, PERSON } from '../findings/index.ts';
import {
  frontsOf,
  type Parking,
  type Place,
  type Plan,
  type Station,
  type Unit,
  unitShape,
  seatsHere,
} from '../../record/plan/index.ts';
import { STAND_OFF } from '../../space/reach/index.ts';
import { blocksFloor, unitPoint, unitPrism, unitSolids } from '../../space/room/index.ts';

/** An upright convex shape: its corners on the floor, its heights, and a circle around it for a quick look. */
export type Shape = {
  corners: Point[];
  x: number;
  y: number;
  radius: number;
  low: number;
  high: number;
  /** burns when it stands too near a heater */
  burns: boolean;
};

/** Where something is on the floor, and the way its front looks. */
export type Pose = { x: number; y: number; facing: number };

/** A unit with all that stands on it or under it and the seats at it: it moves as one. Shapes relative to its unit at the origin, facing 0. */
export type Piece = {
  unit: Unit;
  members: Unit[];
  movable: boolean;
  hangs: boolean;
  solids: Shape[];
  /** around its unit’s middle, all its solids and zones in it */
  radius: number;
  /** must be free of other pieces’ solids: drawers and leaves opening, feeds, chairs, people */
  zones: Shape[];
  /** what of it is walked round */
  blocks: Shape[];
  /** where one stands before its fronts */
  stands: Point[];
  seats: { station: Station; x: number; y: number; turn: number }[];
  parkings: { parking: Parking; x: number; y: number; turn: number }[];
};

/** So deep may be what stands below something hung up, mm before its front: an arm goes over it (own assumption). */
const OVER = 540;
/** A body before an open front, and around a seat, mm (twice half a body; docs/computation.md 4.1). */
const BODY = 460;

export function shapeOf(corners: Point[], low: number, high: number, burns = false): Shape {
  const x = corners.reduce((s, p) => s + p.x, 0) / corners.length;
  const y = corners.reduce((s, p) => s + p.y, 0) / corners.length;
  const radius = Math.max(...corners.map((p) => Math.hypot(p.x - x, p.y - y)));
  return { corners, x, y, radius, low, high, burns };
}

/** A shape of a piece where the piece stands. */
export function placed(shape: Shape, pose: Pose): Shape {
  const rad = (pose.facing * Math.PI) / 180;
  const c = Math.cos(rad);
  const s = Math.sin(rad);
  const at = (p: Point): Point => ({ x: pose.x + p.x * c + p.y * s, y: pose.y - p.x * s + p.y * c });
  const middle = at(shape);
  return { ...shape, corners: shape.corners.map(at), x: middle.x, y: middle.y };
}

/** Turns a point of the room into one of a piece at a pose (the inverse of {@link placed}). */
export function within(p: Point, pose: Pose): Point {
  const rad = (pose.facing * Math.PI) / 180;
  const dx = p.x - pose.x;
  const dy = p.y - pose.y;
  return { x: dx * Math.cos(rad) - dy * Math.sin(rad), y: dx * Math.sin(rad) + dy * Math.cos(rad) };
}

/** The pieces of a plan: what is pinned, hangs on a door or is away does not move; chairs are pushed aside. */
export function piecesOf(plan: Plan): Piece[] {
  const units = Object.values(plan.units).filter(
    (u) => u.mount !== 'away' && u.mount !== 'door' && u.kind !== 'chair' && u.keptInId === null,
  );
  const byHost = new Map<string, Unit[]>();
  for (const u of units) if (u.hostId) byHost.set(u.hostId, [...(byHost.get(u.hostId) ?? []), u]);
  const guests = (u: Unit): Unit[] => (byHost.get(u.id) ?? []).flatMap((g) => [g, ...guests(g)]);
  const ids = new Set(units.map((u) => u.id));
  return units.filter((u) => !u.hostId || !ids.has(u.hostId)).map((u) => piece(plan, u, [u, ...guests(u)]));
}

function piece(plan: Plan, unit: Unit, members: Unit[]): Piece {
  const pose: Pose = unit;
  const local = (p: Point) => within(p, pose);
  const solids = members.flatMap((m) =>
    unitSolids(m).map((s) => {
      const corners = [
        [-1, -1],
        [1, -1],
        [1, 1],
        [-1, 1],
      ].map(([u, v]) =>
        local({
          x: s.x + s.rightX * s.halfWidth * u! + s.frontX * s.halfDepth * v!,
          y: s.y + s.rightY * s.halfWidth * u! + s.frontY * s.halfDepth * v!,
        }),
      );
      return shapeOf(corners, s.bottom, s.top, m.board !== 'metal' && m.kind !== 'kiln');
    }),
  );
  const stations = Object.values(plan.stations).filter((s) => members.some((m) => m.id === s.unitId));
  const seats = stations.map((station) => ({ station, ...local(station), turn: station.heading - unit.facing }));
  const parkings = Object.values(plan.parkings)
    .filter((p) => p.unitId !== unit.id && stations.some((s) => s.parkingId === p.id))
    .map((parking) => ({ parking, ...local(parking), turn: parking.facing - unit.facing }));
  const zones = [
    ...members.flatMap((m) => fronts(plan, m, local)),
    ...seats.flatMap((s) => seatZones(s, solids, plan)),
  ];
  const radius = Math.max(0, ...[...solids, ...zones].map((s) => Math.hypot(s.x, s.y) + s.radius));
  return {
    unit,
    members,
    radius,
    zones,
    // a kiln stays where its circuit and its outlet are
    movable: !members.some((m) => m.pinned || m.kind === 'kiln'),
    hangs: unit.mount === 'wall',
    solids,
    blocks: members.filter(blocksFloor).map((m) => {
      const foot = prismFootprint(unitPrism(m)).map(local);
      return shapeOf(foot, m.bottom, m.bottom + m.height);
    }),
    stands: members.flatMap((m) => standBefore(plan, m, local)),
    seats,
    parkings,
  };
}

function fronts(plan: Plan, unit: Unit, local: (p: Point) => Point): Shape[] {
  const out: Shape[] = [];
  const body = unitPrism(unit);
  /** a strip before a piece of the front, or behind it (`from` below 0), mm from its left */
  const strip = (from: number, length: number, middle: number, width: number, low: number, high: number) => {
    const at = (u: number, v: number) => local(unitPoint(body, middle + u, unit.depth / 2 - v));
    const corners = [
      at(-width / 2, from),
      at(width / 2, from),
      at(width / 2, from + length),
      at(-width / 2, from + length),
    ];
    out.push(shapeOf(corners, low, high));
  };
  const front = unit.depth / 2;
  const middle = unit.width / 2;
  const top = unit.bottom + unit.height;
  const places = frontsOf(plan, unit.id);
  const columns = drawerColumns(places);
  const leaf = places.some((p) => p.covers.includes('door')) ? leafOf(unit.kind, unitShape(unit)) : 0;
  for (const { left, width, pull, low, high } of columns) {
    const at = left + width / 2;
    strip(front, pull, at, width - 8, unit.bottom + low + 2, unit.bottom + high - 2);
    if (unit.mount !== 'on') strip(front, pull + PERSON, at, Math.min(width, CHAIR_WIDE) - 8, 100, 1500);
  }
  const one = Math.min(unit.width, BODY);
  if (leaf > 0) strip(front, leaf, middle, unit.width - 8, unit.bottom, top);
  // what stands open on the floor is stood before
  if (columns.length === 0 && places.length > 0 && unit.mount === 'floor' && !factsOf(unit.kind).worktop)
    strip(front, BODY, middle, one, 100, 1500);
  // what hangs may be reached over a worktop, then somebody stands there
  if (places.length > 0 && unit.mount === 'wall') strip(front + OVER, BODY, middle, one, 100, 1500);
  const { width, bottom, feedFront, feedBack } = unit;
  if (feedFront > 0) strip(front, feedFront, middle, width, bottom + 5, bottom + 60);
  if (feedBack > 0) strip(-front - feedBack, feedBack, middle, width, bottom + 5, bottom + 60);
  return out;
}

/** Drawers one above the other as they open: where in the front, mm from its left, and from which height to which over its foot. */
function drawerColumns(places: readonly Place[]) {
  const columns = new Map<string, { left: number; width: number; pull: number; low: number; high: number }>();
  for (const { covers, throughId, left, width, depth, bottom, height } of places) {
    if (!covers.includes('drawer') || throughId !== null) continue;
    const known = columns.get(`${left} ${width}`);
    const one = { left, width, pull: depth * PULL_SHARE, low: bottom, high: bottom + height };
    if (!known) columns.set(`${left} ${width}`, one);
    else
      Object.assign(known, {
        pull: Math.max(known.pull, one.pull),
        low: Math.min(known.low, one.low),
        high: Math.max(known.high, one.high),
      });
  }
  return [...columns.values()];
}

function standBefore(plan: Plan, unit: Unit, local: (p: Point) => Point): Point[] {
  const places = frontsOf(plan, unit.id);
  if (places.length === 0 || unit.mount === 'on') return [];
  const pull = Math.max(0, ...places.map((p) => (p.covers.includes('drawer') ? p.depth * PULL_SHARE : 0)));
  const ahead = direction(unit.facing);
  const out = unit.depth / 2 + pull + STAND_OFF;
  return [local({ x: unit.x + ahead.x * out, y: unit.y + ahead.y * out })];
}

/** Seats that belong to no piece and stay where they are: what must be free around them. */
export function freeSeatZones(plan: Plan): Shape[] {
  return seatsHere(plan)
    .filter((s) => s.unitId === null || !plan.units[s.unitId])
    .flatMap((station) => seatZones({ station, x: station.x, y: station.y, turn: station.heading }, [], plan));
}

/** The body at a seat, and room to push the chair back: from the edge of the worktop behind the seat. */
function seatZones(seat: Piece['seats'][number], solids: readonly Shape[], plan: Plan): Shape[] {
  const ahead = direction(seat.turn);
  const right = rotateRight(ahead);
  const at = (u: number, v: number): Point => ({
    x: seat.x + right.x * u + ahead.x * v,
    y: seat.y + right.y * u + ahead.y * v,
  });
  // how far ahead of the seat the worktop begins
  let edge = 250;
  for (let d = 0; d < 900; d += 10) {
    const p = at(0, d);
    if (solids.some((s) => d > 0 && s.high > 400 && inShape(p, s))) {
      edge = d;
      break;
    }
  }
  const strip = (half: number, from: number, to: number, low: number, high: number) =>
    shapeOf([at(-half, from), at(half, from), at(half, to), at(-half, to)], low, high);
  const rolls = !seat.station.standing && plan.people[seat.station.personId]?.mobility !== 'wheelchair';
  const body = strip(BODY / 2, Math.min(edge, BODY / 2) - BODY, Math.min(edge - 5, BODY / 2), 50, 1500);
  return rolls ? [body, strip(246, edge - CHAIR_ROOM, edge - 5, 50, 1200)] : [body];
}

function inShape(p: Point, { corners }: Shape): boolean {
  let side = 0;
  for (let i = 0; i < corners.length; i++) {
    const a = corners[i]!;
    const b = corners[(i + 1) % corners.length]!;
    const cross = (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x);
    if (Math.abs(cross) < 1e-9) continue;
    if (side !== 0 && Math.sign(cross) !== side) return false;
    side = Math.sign(cross);
  }
  return true;
}
