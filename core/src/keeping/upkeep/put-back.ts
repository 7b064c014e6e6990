import { distance, type Point } from '../../measures/geometry/index.ts';
import { ROUNDABOUT, shortestRound } from '../../living/moves/index.ts';
import { homeNow, type Out, type Place, type Plan } from '../../record/plan/index.ts';
import { PACE, sceneOf, SECONDS_PER_TMU, type Spot, TMU } from '../../space/reach/index.ts';
import { arrivalAt, walkingFrom, walkLength } from '../../space/room/index.ts';

/** One place of the round with what goes back there. */
export type Stop = { place: Place; outs: Out[]; outside: boolean };
export type PutBackRound = {
  /** in the order in which they are walked; what is outside the room comes last, one errand each */
  stops: Stop[];
  /** length of the way inside the room, mm, and what one walk for each thing would be */
  length: number;
  each: number;
  seconds: number;
  /** things that have no home to go back to */
  homeless: Out[];
};

/** One stands so far before what one puts away, mm (own assumption), and takes so much room, mm either side of the middle. */
const BEFORE = 450;
const HALF = 250;

/** What lies about and is for nothing any more. */
export const toPutBack = (plan: Pick<Plan, 'outs'>): Out[] =>
  Object.values(plan.outs)
    .filter((o) => o.projectId === null && o.state === 'out')
    .sort((a, b) => (a.id < b.id ? -1 : 1));

/**
 * The shortest round that puts things back where they live and comes back to where it began: exact up to twelve places, along free ways over the floor.
 * @param from where the cart or pile is, and the maker with it
 */
export function putBackRound(plan: Plan, from: Point, outs: readonly Out[], month: number): PutBackRound {
  const scene = sceneOf(plan);
  const homeless: Out[] = [];
  const byPlace = new Map<string, { stop: Stop; spot: Spot | undefined }>();
  for (const out of outs) {
    const supply = plan.supplies[out.supplyId];
    const home = supply && homeNow(plan, supply, month);
    const place = home && plan.places[home.placeId];
    if (!place) {
      homeless.push(out);
      continue;
    }
    const spot = scene.spots.get(place.id);
    const known = byPlace.get(place.id) ?? { stop: { place, outs: [], outside: Boolean(spot?.away) || !spot }, spot };
    known.stop.outs.push(out);
    byPlace.set(place.id, known);
  }
  const inside = [...byPlace.values()].filter((s) => !s.stop.outside);
  const points = [
    from,
    ...inside.map(({ spot }) => ({
      x: spot!.mouth.x + BEFORE * spot!.normal.x,
      y: spot!.mouth.y + BEFORE * spot!.normal.y,
    })),
  ];
  const floor = scene.walkable();
  const arrivals = floor ? points.map((p) => arrivalAt(floor, p, HALF)) : [];
  const way = points.map((a) => {
    const walking = floor ? walkingFrom(floor, a, HALF) : null;
    return points.map((b, j) => {
      const length = walking && a !== b ? walkLength(walking, arrivals[j]!) : 0;
      // where nobody gets through, or the walls do not close, a roundabout way
      return a === b ? 0 : walking && Number.isFinite(length) ? length : distance(a, b) * ROUNDABOUT;
    });
  });
  const { order, length } = shortestRound(way);
  const outside = [...byPlace.values()].flatMap(({ stop }) => (stop.outside ? [stop] : []));
  const minutes = outside.reduce((sum, s) => sum + (plan.units[s.place.unitId]?.awayMinutes ?? 0), 0);
  return {
    stops: [...order.map((i) => inside[i]!.stop), ...outside],
    length,
    each: inside.reduce((sum, s, i) => sum + s.stop.outs.length * (way[0]![i + 1]! + way[i + 1]![0]!), 0),
    seconds: (length / PACE) * TMU.paceLaden * SECONDS_PER_TMU + 60 * minutes,
    homeless,
  };
}
