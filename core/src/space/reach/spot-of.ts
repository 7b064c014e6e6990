import { PULL_SHARE } from '../../record/catalogue/index.ts';
import { type Prism } from '../../measures/geometry/index.ts';
import { natureOf, type Place, placesDownTo, type Plan, type Unit } from '../../record/plan/index.ts';
import { unitPoint as local } from '../room/index.ts';
import { type Spot } from './spot.ts';

/** The grip is at most so far inside a front opening, mm (docs/computation.md 2.2). */
const INSET = 150;

/** A hand takes what stands on a top so high above it, mm (own assumption). */
const OVER_TOP = 30;

/** Among how many it is looked for where that takes longest: itself or what it stands in. */
export function mostAlike(plan: Plan, id: string, alike: ReadonlyMap<string, number>): number {
  const place = plan.places[id];
  return place ? Math.max(...placesDownTo(plan, place).map((p) => alike.get(p.id) ?? 1)) : 1;
}

/** What is in a box that is put away: got at through the place the box is kept in, its covers first. */
export function boxedSpot(spot: Spot, holder: Spot): Spot {
  const place = { ...spot.place, covers: [...holder.place.covers, ...spot.place.covers] };
  return { ...holder, place, unit: spot.unit, away: holder.away };
}

/** Over the rim of a container a hand needs so much room; with less it is pulled out like a drawer, mm (own assumption). */
const HAND_ROOM = 100;

/**
 * A place within a place: where it stands there, behind all the covers of what it stands in. Its own place is given as it lies in the unit, with
 * those covers before its own.
 */
export function nestedSpot(place: Place, holder: Spot, body: Prism): Spot {
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

export function spotOf(place: Place, unit: Unit, body: Prism): Spot {
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
export function deepSpot(spot: Spot, through: Spot, body: Prism): Spot {
  const { place } = spot;
  const edge = place.left < through.place.left ? place.left + place.width - INSET : place.left + INSET;
  const grip = { ...local(body, edge, place.front + place.depth / 2), z: (spot.low + spot.high) / 2 };
  return { ...spot, grip, mouth: through.mouth };
}
