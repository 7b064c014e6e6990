import { clipByConvex, prismFootprint } from '../geometry/index.ts';
import { type Plan } from '../plan/index.ts';
import { LEANING_HALF, lineIsFree, type Scene, sceneOf, type Spot, standingSpot } from '../reach/index.ts';
import {
  freeFloor,
  insideDoor,
  type Neck,
  neckOnTheWay,
  onWall,
  frameOf,
  fromWall,
  widestWays,
} from '../room/index.ts';
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

type Target = { id: string; name: string; at: { x: number; y: number }; seat: boolean };

/** Passages from the doors to every seat and every unit; places nobody can stand before; ways out. */
export function ways(look: Look): Found[] {
  const { plan, len } = look;
  const out: Found[] = [];
  const { targets, nobody } = targetsOf(look);
  out.push(...nobody);
  const floor = freeFloor(plan);
  const doors = Object.values(plan.openings).filter((o) => o.kind === 'door');
  if (!floor || doors.length === 0) return out;
  const starts = doors.map((d) => insideDoor(plan, d.id)!);
  const reached = widestWays(floor, starts);
  const wanted = passageWanted(plan);
  const narrow = new Map<string, { neck: Neck; names: string[]; seat: boolean }>();
  for (const target of targets) {
    const neck = neckOnTheWay(reached, target.at, target.seat ? NEAR - 300 : NEAR);
    const width = neck?.width ?? 0;
    if (width >= wanted) continue;
    if (!neck || width < BODY) {
      const words = neck
        ? `The way from the door to ${target.name} is only ${len(width)} wide, between ${neck.between.join(' and ')}; a body needs ${len(BODY)}.`
        : `Nobody gets from the door to ${target.name}.`;
      const check = target.seat ? 'exit' : 'stand';
      out.push(
        found(check, [target.id, 'way'], words, { unitIds: target.seat ? [] : [target.id], area: spotArea(neck) }),
      );
      continue;
    }
    const key = [...neck.between].sort().join(' / ');
    const known = narrow.get(key);
    if (known) known.names.push(target.name);
    else narrow.set(key, { neck, names: [target.name], seat: target.seat });
  }
  for (const [key, { neck, names }] of narrow) {
    const ids = look.units.filter((u) => neck.between.includes(u.name)).map((u) => u.id);
    const others = names.length > 1 ? ` and ${names.length - 1} more` : '';
    out.push(
      found(
        'passage',
        [key],
        `Between ${neck.between.join(' and ')} there are ${len(neck.width)} on the way to ${names[0]}${others}; a passage wants ${len(wanted)}.`,
        { unitIds: ids, area: spotArea(neck) },
      ),
    );
  }
  return [...out, ...doorways(look)];
}

function spotArea(neck: Neck | null) {
  if (!neck) return null;
  const r = Math.max(60, neck.width / 2);
  return strip({ x: neck.at.x, y: neck.at.y - r }, { x: 0, y: 1 }, 2 * r, 2 * r);
}

/** Where one stands before a place; null when there is no floor, or something as high as the arm is between. */
function floorBefore(scene: Scene, spot: Spot): { x: number; y: number } | null {
  const stand = standingSpot(scene, spot, LEANING_HALF);
  if (!stand || (stand.forced && !lineIsFree(scene, { ...stand.at, z: ARM_HIGH }, spot.mouth))) return null;
  return stand.at;
}

function targetsOf(look: Look): { targets: Target[]; nobody: Found[] } {
  const { plan } = look;
  const scene = sceneOf(plan);
  const targets: Target[] = Object.values(plan.stations).map((s) => ({ id: s.id, name: s.name, at: s, seat: true }));
  const nobody: Found[] = [];
  if (look.outline.length === 0) return { targets, nobody };
  for (const unit of look.units) {
    const spots = [...scene.spots.values()].filter((s) => s.unit.id === unit.id);
    if (spots.length === 0) continue;
    const without: string[] = [];
    let first: { x: number; y: number } | null = null;
    const tried = new Map<string, { x: number; y: number } | null>();
    for (const spot of spots) {
      // places of one column have one floor before them
      const column = `${spot.place.column}.${spot.place.left}.${spot.pull}`;
      if (!tried.has(column)) tried.set(column, floorBefore(scene, spot));
      const at = tried.get(column)!;
      if (at) first ??= at;
      else without.push(spot.place.id);
    }
    if (first) targets.push({ id: unit.id, name: unit.name, at: first, seat: false });
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
