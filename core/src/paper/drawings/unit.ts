import { nameOfPlace, shorterNames } from '../../living/concepts/index.ts';
import { inReading } from '../../living/homes/index.ts';
import {
  compartmentsOf,
  homesIn,
  natureOf,
  outerOf,
  type Place,
  placesIn,
  placeWithAllIn,
  type Plan,
  type Unit,
} from '../../record/plan/index.ts';
import { piecesIn, stowageOf } from '../../things/fit/index.ts';
import { box, filled, type Mark, named, type Sheet } from './sheet.ts';

/** Things of no known colour (own choice: undyed paper). */
const UNDYED = '#e7dfcd';
/** Containers as they are drawn (own choice). */
const CONTAINER = '#dfe3e0';
/** A top is a strip from the front, as a share of the larger side of its unit (as the screen draws it). */
const TOP_STRIP = 0.07;

type Box = { left: number; bottom: number; width: number; height: number };

/** Where a place is drawn on the front of its unit, mm from the unit’s lower left corner; a top as a strip on it. */
export function frontBox(unit: Unit, place: Place): Box {
  const { left, bottom, width } = place;
  const height = place.kind === 'top' ? Math.max(unit.width, unit.height) * TOP_STRIP : place.height;
  return { left, bottom, width, height };
}

/** The compartments of a unit in the order in which one reads its front: from the top, from the left. */
export const inReadingOrder = (plan: Plan, unit: Unit): Place[] =>
  [...compartmentsOf(plan, unit.id)].sort((a, b) => inReading(plan, a, b));

/** Ways to say what a place is called, the longest first; none where nothing lives in it. */
export function waysToSay(plan: Plan, placeId: string): string[] {
  const name = nameOfPlace(plan, placeId);
  return name ? shorterNames(name) : [];
}

/** The containers that stand in a place, where they are seen from the front; what is too large is drawn to its edge. */
export function containersIn(plan: Plan, place: Place, at: Box): { holder: Place; at: Box }[] {
  return placesIn(plan, place.id).flatMap((holder) => {
    if (holder.organiserId === null) return [];
    const outer = outerOf(plan, holder);
    const [width, height] = [Math.min(outer.width, at.width), Math.min(outer.height, at.height)];
    const left = at.left + Math.min(holder.left, at.width - width);
    return [{ holder, at: { left, bottom: at.bottom + Math.min(holder.bottom, at.height - height), width, height } }];
  });
}

/** What is seen of a place from the front, and the name of what lives there. */
export function drawPlace(plan: Plan, place: Place, at: Box, letter: number): Mark[] {
  const marks: Mark[] = [box('places', at.left, at.bottom, at.width, at.height)];
  for (const p of piecesIn(plan, place))
    marks.push(
      filled(
        'things',
        at.left + p.left * at.width,
        at.bottom + p.low * at.height,
        p.width * at.width,
        p.height * at.height,
        p.colour ?? UNDYED,
      ),
    );
  for (const { holder, at: where } of containersIn(plan, place, at)) {
    marks.push(filled('containers', where.left, where.bottom, where.width, where.height, CONTAINER));
    marks.push(...named(where, waysToSay(plan, holder.id), letter * 0.8));
  }
  // what only holds containers is called by what is in them
  if (homesIn(plan, place.id).length > 0 || placesIn(plan, place.id).every((p) => p.organiserId === null))
    marks.push(...named(at, waysToSay(plan, place.id), letter));
  return marks;
}

/** A unit straight from the front, to scale: what stands and lies in its places in its colours, and what each place is called. */
export function drawUnit(plan: Plan, unit: Unit): Sheet {
  const letter = Math.max(unit.width, unit.height) / 30;
  return {
    title: unit.name,
    marks: [
      box('units', 0, 0, unit.width, unit.height),
      ...inReadingOrder(plan, unit).flatMap((p) => drawPlace(plan, p, frontBox(unit, p), letter)),
    ],
  };
}

/** A place as one looks into it, to scale: a drawer from above with its front below, a board straight from the front; every thing where it lies, with its name. */
export function drawInside(plan: Plan, place: Place): Sheet {
  const board = place.kind === 'board';
  const [width, depth] = [place.width, board ? place.height : place.depth];
  const letter = Math.max(width, depth) / 26;
  const marks: Mark[] = [box('places', 0, 0, width, depth)];
  const laid = stowageOf(plan, place);
  const supply = new Map(laid.things.map((t) => [t.id, t.supply]));
  const upright = place.kind === 'slot' && natureOf(place) === 'pile';
  for (const s of upright ? [] : laid.stacks) {
    const thing = supply.get(s.id);
    const at: Box = { left: s.x, bottom: s.y, width: s.width, height: s.depth };
    marks.push(filled('things', at.left, at.bottom, at.width, at.height, thing?.colour ?? UNDYED));
    const name = thing?.name ?? plan.units[s.id]?.name;
    if (name) marks.push(...named(at, s.pieces > 1 ? [`${name} × ${s.pieces}`, name] : [name], letter));
  }
  const inner = placesIn(plan, place.id);
  for (const p of inner) {
    const outer = outerOf(plan, p);
    const at: Box = {
      ...{ left: p.left, bottom: board ? p.bottom : p.front },
      ...{ width: outer.width, height: board ? outer.height : outer.depth },
    };
    marks.push(
      p.organiserId === null
        ? box('containers', at.left, at.bottom, at.width, at.height)
        : filled('containers', at.left, at.bottom, at.width, at.height, CONTAINER),
      ...named(at, waysToSay(plan, p.id), letter),
    );
  }
  // what is thrown in lies nowhere: its names stand in the middle
  if (laid.stacks.length === 0 && inner.length === 0)
    marks.push(...named({ left: 0, bottom: 0, width, height: depth }, waysToSay(plan, place.id), letter));
  return { title: place.name, marks };
}

/** Whether a look into a place says more than its front: several things lie in it, or stand in it with things in them. */
export function worthLookingInto(plan: Plan, place: Place): boolean {
  const used = placesIn(plan, place.id).filter((p) =>
    placeWithAllIn(plan, p).some((q) => homesIn(plan, q.id).length > 0),
  );
  return new Set(homesIn(plan, place.id).map((h) => h.supplyId)).size + used.length > 1;
}
