import {
  convexOverlap,
  direction,
  insidePolygon,
  type Point,
  prism,
  prismFootprint,
  rotateRight,
} from '../../measures/geometry/index.ts';
import { type Parking, type Plan, roomOf, type Station, type Unit } from '../../record/plan/index.ts';
import { blocksFloor, unitPrism } from '../room/index.ts';
import { bodyOf } from '../body/index.ts';
import { type Scene } from './spot.ts';
import { sceneOf } from './scene.ts';

/** From the middle of the seat to the nearest edge of a cart rolled up beside it, mm (own assumption: half a body and an elbow). */
const BESIDE = 330;
/** From the work point sideways to the nearest edge of a box put down beside it, mm (own assumption). */
const ASIDE = 180;

export type Spotted = Pick<Unit, 'x' | 'y' | 'facing' | 'bottom' | 'hostId' | 'keptInId'>;

const known = new WeakMap<Station, { units: object; parkings: object; people: object; walls: object; plan: Plan }>();

/** The plan as it is while a station is worked at: its cart rolled up, its box on the worktop. The plan itself when nothing travels. */
export function planAsWorked(plan: Plan, station: Station): Plan {
  const spot = workingSpot(plan, station);
  if (!spot) return plan;
  const was = known.get(station);
  const { units, parkings, people, walls } = plan;
  if (was && was.units === units && was.parkings === parkings && was.people === people && was.walls === walls)
    return { ...plan, units: was.plan.units };
  const id = station.travellerId!;
  const worked = { ...plan, units: { ...units, [id]: { ...units[id]!, ...spot } } };
  known.set(station, { units, parkings, people, walls, plan: worked });
  return worked;
}

/** The room as reach sees it from a station. */
export const sceneAt = (plan: Plan, station: Station): Scene => sceneOf(planAsWorked(plan, station));

/** Where the box or cart of a station is while it is worked at; null when nothing travels to it. */
export function workingSpot(plan: Plan, station: Station): Spotted | null {
  const unit = station.travellerId ? plan.units[station.travellerId] : undefined;
  const person = plan.people[station.personId];
  if (!unit || !person || station.housing === 'station') return null;
  const side = person.hand === 'right' ? 1 : -1;
  return station.housing === 'kit' ? onTheTop(plan, station, unit, side) : besideTheSeat(plan, station, unit, side);
}

function besideTheSeat(plan: Plan, station: Station, cart: Unit, side: number): Spotted {
  const still = { bottom: cart.bottom, hostId: null, keptInId: null };
  const parking: Parking | undefined = station.parkingId ? plan.parkings[station.parkingId] : undefined;
  if (parking) return { x: parking.x, y: parking.y, facing: parking.facing, ...still };
  const at = (s: number): Spotted => ({ ...cartBeside(station, cart, s), ...still });
  const { outline } = roomOf(plan);
  const stands = Object.values(plan.units).filter((u) => u.id !== cart.id && blocksFloor(u));
  const free = (spot: Spotted) => {
    const corners = prismFootprint(unitPrism({ ...cart, ...spot }));
    return (
      corners.every((c) => outline.length < 3 || insidePolygon(c, outline)) &&
      stands.every((u) => convexOverlap(corners, prismFootprint(unitPrism(u))) <= 2)
    );
  };
  const preferred = at(side);
  const other = at(-side);
  return !free(preferred) && free(other) ? other : preferred;
}

/** A cart rolled up beside a seat, its front to it. `side`: 1 to its right, −1 to its left */
export function cartBeside(
  seat: Pick<Station, 'x' | 'y' | 'heading'>,
  cart: Pick<Unit, 'depth'>,
  side: number,
): Pick<Unit, 'x' | 'y' | 'facing'> {
  const right = rotateRight(direction(seat.heading));
  const off = side * (BESIDE + cart.depth / 2);
  return {
    x: Math.round(seat.x + right.x * off),
    y: Math.round(seat.y + right.y * off),
    facing: tidyAngle(seat.heading - side * 90),
  };
}

function onTheTop(plan: Plan, station: Station, box: Unit, side: number): Spotted {
  const ahead = direction(station.heading);
  const right = rotateRight(ahead);
  const out = bodyOf(plan.people[station.personId]!, null).handReach;
  const facing = tidyAngle(station.heading + 180);
  const table = station.unitId ? plan.units[station.unitId] : undefined;
  const beside = (s: number): Point => {
    const off = s * (ASIDE + box.width / 2);
    return { x: station.x + ahead.x * out + right.x * off, y: station.y + ahead.y * out + right.y * off };
  };
  if (!table) return { ...beside(side), facing, bottom: 0, hostId: null, keptInId: null };
  // wholly on the worktop, as near to the wanted spot as that allows; on the other side where that is much nearer
  const preferred = onto(table, box, facing, beside(side));
  const other = onto(table, box, facing, beside(-side));
  const at = preferred.off > other.off + PUSHED ? other : preferred;
  return {
    x: Math.round(at.x),
    y: Math.round(at.y),
    facing,
    bottom: table.bottom + table.height,
    hostId: table.id,
    keptInId: null,
  };
}

/** So much nearer to the work a box must come to lie, to lie on the wrong side, mm (own assumption). */
const PUSHED = 100;

/** The point of a worktop nearest to a wanted one at which a box lies wholly on it, and how far off it is, mm. */
function onto(table: Unit, box: Unit, facing: number, wanted: Point): Point & { off: number } {
  const top = unitPrism(table);
  const own = prism({ x: 0, y: 0 }, facing, box.width, box.depth, 0, 1);
  const span = (x: number, y: number) =>
    Math.abs(own.rightX * x + own.rightY * y) * own.halfWidth +
    Math.abs(own.frontX * x + own.frontY * y) * own.halfDepth;
  const clamp = (v: number, most: number) => Math.max(-Math.max(0, most), Math.min(Math.max(0, most), v));
  const dx = wanted.x - top.x;
  const dy = wanted.y - top.y;
  const u = clamp(dx * top.rightX + dy * top.rightY, top.halfWidth - span(top.rightX, top.rightY));
  const v = clamp(dx * top.frontX + dy * top.frontY, top.halfDepth - span(top.frontX, top.frontY));
  const at = { x: top.x + top.rightX * u + top.frontX * v, y: top.y + top.rightY * u + top.frontY * v };
  return { ...at, off: Math.hypot(at.x - wanted.x, at.y - wanted.y) };
}

const tidyAngle = (degrees: number) => (((degrees % 360) + 540) % 360) - 180;
