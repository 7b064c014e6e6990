import { type PlaceKind } from '../../record/catalogue/index.ts';
import { type Place, type Plan, type Station } from '../../record/plan/index.ts';
import { makerOf, sceneAt, wayPrice } from '../../space/reach/index.ts';
import { leftToWorkOn } from './worktop.ts';

/** What the work itself lies on where its activity says nothing, mm (own assumption). */
export const WORK = { width: 600, depth: 400 };
/** Of what is left so much can be laid on: hands and gaps take the rest (own assumption). */
const LAID_ON = 0.7;

/** Room on the worktop of a station, mm²: all that is free of it, what the work lies on, and what things can lie out on. */
export type TableRoom = { free: number; work: number; room: number };

/** How much may lie out at a station while somebody works there: on its worktop, and on the cart that is rolled up. Without either nothing may. */
export function tableRoom(plan: Plan, station: Station): TableRoom {
  const table = station.unitId === null ? undefined : plan.units[station.unitId];
  const activity = plan.activities[station.activityId];
  const cart = station.housing === 'cart' && station.travellerId ? plan.units[station.travellerId] : undefined;
  const beside = cart ? cart.width * cart.depth * LAID_ON : 0;
  if (!table) return { free: 0, work: 0, room: beside };
  const left = leftToWorkOn(plan, table);
  const free = left.width * left.depth;
  const wide = activity && activity.surfaceWidth > 0 ? activity.surfaceWidth : WORK.width;
  const deep = activity && activity.surfaceDepth > 0 ? activity.surfaceDepth : WORK.depth;
  const work = Math.min(free, wide * deep);
  return { free, work, room: (free - work) * LAID_ON + beside };
}

/** Places that hold a thing ready to be taken: nothing to open, each thing by itself. */
const HOLDS: readonly PlaceKind[] = ['board', 'hook', 'hanger', 'dowel', 'tier', 'tray', 'container'];

/** Whether something holds what should not lie about: a board, hooks, a stand, an open tray no farther than an arm, or what is carried to the seat and has no lid. */
export function hasHolder(plan: Plan, station: Station): boolean {
  const maker = makerOf(plan, station);
  if (!maker) return false;
  const scene = sceneAt(plan, station);
  const isHolder = (place: Place) => {
    const spot = HOLDS.includes(place.kind) && place.keptOut === '' ? scene.spots.get(place.id) : undefined;
    if (!spot || spot.place.covers.includes('lid')) return false;
    const carried = place.organiserId !== null && plan.organisers[place.organiserId]?.carried === true;
    if (!carried && spot.place.covers.length > 0) return false;
    const price = wayPrice(scene, maker, spot);
    return price !== null && price.band <= (carried ? 6 : 2);
  };
  return Object.values(plan.places).some(isHolder);
}
