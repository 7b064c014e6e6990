import { clipByConvex, distance, type Point, prismFootprint } from '../../measures/geometry/index.ts';
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
import {
  freeFloor,
  getsTo,
  insideDoor,
  type Neck,
  neckOnTheWay,
  onWall,
  frameOf,
  fromWall,
  widestWays,
} from '../../space/room/index.ts';
import { type Found, found, type Look, strip } from './finding.ts';

/** Passage wanted, mm: common practice; 915 for a wheelchair (2010 ADA Standards 403.5.1, memory). */
export const PASSAGE = 760;
export const PASSAGE_WHEELCHAIR = 915;
/** A body squeezes through no less, mm (twice half a body, docs/computation.md 4.1). */
const BODY = 460;
/** Near the place one goes to, one stands close to things on purpose, mm. */
const NEAR = 750;

export const passageWanted = (plan: Plan): number =>
  Object.values(plan.people).some((p) => p.mobility === 'wheelchair') ? PASSAGE_WHEELCHAIR : PASSAGE;

/** Height from which an arm goes over what is in between, mm (own assumption: a shoulder, bent a little). */
const ARM_HIGH = 1250;

/** Where one stands having come in by each door. */
const startsOf = (plan: Plan): Point[] => Object.values(plan.openings).flatMap((o) => insideDoor(plan, o.id) ?? []);

/** Whether one gets to a point from a door, by the ways that reach goes by; yes for all while there is no door to come from. */
function comesTo(plan: Plan, scene: Scene): (at: Point) => boolean {
  const floor = scene.walkable();
  const starts = startsOf(plan);
  if (!floor || starts.length === 0) return () => true;
  const onWheels = Object.values(plan.people).every((p) => p.mobility === 'wheelchair');
  return getsTo(floor, starts, onWheels ? WHEELCHAIR_HALF : BODY_HALF);
}

type Target = { id: string; name: string; at: { x: number; y: number }; seat: boolean; cutOff: boolean };

/** Passages from the doors to every seat and every unit; places nobody can stand before; ways out. */
export function ways(look: Look): Found[] {
  const { plan, len } = look;
  const out: Found[] = [];
  const { targets, nobody } = targetsOf(look);
  out.push(...nobody);
  const floor = freeFloor(plan);
  if (!floor) return out;
  const starts = startsOf(plan);
  if (starts.length === 0) return out;
  const reached = widestWays(floor, starts);
  const wanted = passageWanted(plan);
  const narrow = new Map<string, { neck: Neck; names: string[] }>();
  for (const target of targets) {
    const neck = neckOnTheWay(reached, target.at, target.seat ? NEAR - 300 : NEAR);
    if (neck !== 'here' && (!neck || neck.width < BODY)) {
      const words = neck
        ? `The way from the door to ${target.name} is only ${len(neck.width)} wide, between ${namesOf(neck)}; a body needs ${len(BODY)}.`
        : `Nobody gets from the door to ${target.name}.`;
      const check = target.seat ? 'exit' : 'stand';
      out.push(
        found(check, [target.id, 'way'], words, { unitIds: target.seat ? [] : [target.id], area: spotArea(neck) }),
      );
    } else if (target.cutOff) {
      // near the place one goes to the widest way says nothing; walking there does
      const words = `Nobody gets from the door to ${target.name}: what stands before it leaves no way.`;
      out.push(found('stand', [target.id, 'way'], words, { unitIds: [target.id] }));
    } else if (neck !== 'here' && neck.width < wanted) {
      const key = neck.between
        .map((side) => side.id)
        .sort()
        .join(' / ');
      const known = narrow.get(key);
      if (known) known.names.push(target.name);
      else narrow.set(key, { neck, names: [target.name] });
    }
  }
  for (const [key, { neck, names }] of narrow) {
    const ids = neck.between.map((side) => side.id).filter((id) => plan.units[id]);
    const others = names.length > 1 ? ` and ${names.length - 1} more` : '';
    out.push(
      found(
        'passage',
        [key],
        `Between ${namesOf(neck)} there are ${len(neck.width)} on the way to ${names[0]}${others}; a passage wants ${len(wanted)}.`,
        { unitIds: ids, area: spotArea(neck) },
      ),
    );
  }
  return [...out, ...doorways(look)];
}

const namesOf = (neck: Neck) => neck.between.map((side) => side.name).join(' and ');

/** Least width of what is drawn across a gap, mm. */
const DRAWN = 120;

/** The gap itself, as wide as it is. */
function spotArea(neck: Neck | null) {
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

function targetsOf(look: Look): { targets: Target[]; nobody: Found[] } {
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

/** Something stands in a doorway. */
function doorways({ plan, units, solids, len }: Look): Found[] {
  const out: Found[] = [];
  for (const door of Object.values(plan.openings)) {
    const frame = frameOf(plan, door.wallId);
    if (!frame || door.kind !== 'door') continue;
    const middle = onWall(frame, door.left + door.width / 2);
    const area = strip(middle, frame.inward, door.width - 20, 600);
    for (const unit of units) {
      if (unit.doorId === door.id) continue;
      const covered = coveredWidth(area, frame, door, solids.get(unit.id)!);
      if (covered > 10)
        out.push(
          found('exit', [door.id, unit.id], `${unit.name} stands ${len(covered)} into the way out of the door.`, {
            unitIds: [unit.id],
            area,
          }),
        );
    }
  }
  return out;
}

function coveredWidth(
  area: { x: number; y: number }[],
  frame: NonNullable<ReturnType<typeof frameOf>>,
  door: { left: number; width: number; head: number },
  solids: readonly Parameters<typeof prismFootprint>[0][],
): number {
  let most = 0;
  for (const s of solids) {
    if (s.bottom >= door.head || s.top < 30) continue;
    const inside = clipByConvex(prismFootprint(s), area);
    if (inside.length < 3) continue;
    const along = inside.map((p) => fromWall(frame, p).left);
    most = Math.max(most, Math.max(...along) - Math.min(...along));
  }
  return most;
}
