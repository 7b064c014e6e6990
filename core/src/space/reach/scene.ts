import equal from 'fast-deep-equal';
import { solidsOf } from '../../record/catalogue/index.ts';
import { type Prism } from '../../measures/geometry/index.ts';
import { alikePlaces, type Plan, roomOf, unitShape } from '../../record/plan/index.ts';
import { type FreeFloor, freeFloor, obstaclesOf, unitBox, unitPrism } from '../room/index.ts';
import { type Scene, type Spot } from './spot.ts';
import { spotOf, deepSpot, nestedSpot, boxedSpot, mostAlike } from './spot-of.ts';

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
