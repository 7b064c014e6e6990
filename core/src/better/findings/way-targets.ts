import { distance, type Point } from '../../measures/geometry/index.ts';
import { frontsOf, type Plan } from '../../record/plan/index.ts';
import {
  BODY_HALF,
  LEANING_HALF,
  lineIsFree,
  type Scene,
  sceneOf,
  type Spot,
  type Stand,
  standingSpots,
  WHEELCHAIR_HALF,
} from '../../space/reach/index.ts';
import { getsTo, insideDoor, type Neck } from '../../space/room/index.ts';
import { type Found, found, type Look, strip } from './finding.ts';

/** Height from which an arm goes over what is in between, mm (own assumption: a shoulder, bent a little). */
const ARM_HIGH = 1250;

/** Where one stands having come in by each door. */
export const startsOf = (plan: Plan): Point[] =>
  Object.values(plan.openings).flatMap((o) => insideDoor(plan, o.id) ?? []);

/** Whether one gets to a point from a door, by the ways that reach goes by; yes for all while there is no door to come from. */
function comesTo(plan: Plan, scene: Scene): (at: Point) => boolean {
  const floor = scene.walkable();
  const starts = startsOf(plan);
  if (!floor || starts.length === 0) return () => true;
  const onWheels = Object.values(plan.people).every((p) => p.mobility === 'wheelchair');
  return getsTo(floor, starts, onWheels ? WHEELCHAIR_HALF : BODY_HALF);
}

type Target = { id: string; name: string; at: { x: number; y: number }; seat: boolean; cutOff: boolean };

export const namesOf = (neck: Neck) => neck.between.map((side) => side.name).join(' and ');

/** Least width of what is drawn across a gap, mm. */
const DRAWN = 120;

/** The gap itself, as wide as it is. */
export function spotArea(neck: Neck | null) {
  if (!neck) return null;
  const [a, b] = neck.ends;
  const far = Math.max(1, distance(a, b));
  return strip(a, { x: (b.x - a.x) / far, y: (b.y - a.y) / far }, DRAWN, far);
}

/** Where one stands before a place; null when there is no floor, or something as high as the arm is between. */
function floorBefore(scene: Scene, spot: Spot): { x: number; y: number } | null {
  const serves = ({ at, forced }: Stand) => !forced || lineIsFree(scene, { ...at, z: ARM_HIGH }, spot.mouth);
  return standingSpots(scene, spot, LEANING_HALF).find(serves)?.at ?? null;
}

export function targetsOf(look: Look): { targets: Target[]; nobody: Found[] } {
  const { plan } = look;
  const scene = sceneOf(plan);
  const targets: Target[] = Object.values(plan.stations).map((s) => ({
    id: s.id,
    name: s.name,
    at: s,
    seat: true,
    cutOff: false,
  }));
  const nobody: Found[] = [];
  const comes = comesTo(plan, scene);
  if (look.outline.length === 0) return { targets, nobody };
  for (const unit of look.units) {
    const spots = frontsOf(plan, unit.id).flatMap((p) => scene.spots.get(p.id) ?? []);
    if (spots.length === 0) continue;
    const without: string[] = [];
    const cutOff: string[] = [];
    let first: Point | null = null;
    let blocked: Point | null = null;
    const tried = new Map<string, { at: Point | null; comes: boolean }>();
    for (const spot of spots) {
      // places of one column have one floor before them
      const column = `${spot.place.column}.${spot.place.left}.${spot.pull}`;
      let before = tried.get(column);
      if (!before) {
        const at = floorBefore(scene, spot);
        tried.set(column, (before = { at, comes: at !== null && comes(at) }));
      }
      if (!before.at) without.push(spot.place.id);
      else if (before.comes) first ??= before.at;
      else {
        cutOff.push(spot.place.id);
        blocked ??= before.at;
      }
    }
    if (cutOff.length > 0 && first)
      nobody.push(
        found(
          'stand',
          [unit.id, 'way'],
          `Nobody gets from the door to ${cutOff.length} of the ${spots.length} places of ${unit.name}.`,
          { unitIds: [unit.id], placeIds: cutOff },
        ),
      );
    const at = first ?? blocked;
    if (at) targets.push({ id: unit.id, name: unit.name, at, seat: false, cutOff: !first });
    if (without.length > 0)
      nobody.push(
        found(
          'stand',
          [unit.id],
          without.length === spots.length
            ? `Nobody can stand before ${unit.name}.`
            : `Nobody can stand before ${without.length} of the ${spots.length} places of ${unit.name}.`,
          { unitIds: [unit.id], placeIds: without },
        ),
      );
  }
  return { targets, nobody };
}
