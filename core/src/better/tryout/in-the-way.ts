import { type Point } from '../../measures/geometry/index.ts';
import { type Plan, type Station, type Supply, seatsHere } from '../../record/plan/index.ts';
import { halfOf, LEANING_HALF, makerOf, sceneAt, standingSpot, walkOf } from '../../space/reach/index.ts';
import { walksIn } from './handled.ts';
import { type Run } from './run.ts';

/** Somebody who works at the same time, passed or stood beside on the way to fetch things. */
export type InTheWay = {
  of: Station;
  /** so often a session, and how near one comes at the least, mm */
  times: number;
  near: number;
  supplies: Supply[];
};

/** So near the middle of a seat one is in the way of who sits there, mm (own assumption: half a chair and half a body). */
const PASSES = 600;

/** Who is in whose way while two work at once: stations said to be worked at the same time, passed on the way to what is fetched. */
export function inTheWay(plan: Plan, run: Run): InTheWay[] {
  const out = new Map<string, InTheWay>();
  for (const leg of run.legs) {
    const { station } = leg.setting;
    const others = seatsHere(plan).filter(
      (s) => s.id !== station.id && station.together !== '' && s.together === station.together,
    );
    const maker = makerOf(plan, station);
    if (others.length === 0 || !maker) continue;
    const scene = sceneAt(plan, station);
    for (const { handled, source, times } of walksIn(plan, leg)) {
      const { need } = handled;
      const { place, band, out: carried } = source;
      const spot = place && band >= 5 && !carried ? scene.spots.get(place.id) : undefined;
      if (!spot || spot.away) continue;
      const wheels = maker.person.mobility === 'wheelchair';
      const stand = standingSpot(scene, spot, wheels ? halfOf(maker) : LEANING_HALF);
      const walk = stand && walkOf(scene, maker, stand.at);
      if (!walk) continue;
      for (const other of others) {
        const near = distanceTo(walk.points, other);
        if (near > PASSES || times === 0) continue;
        const known = out.get(other.id) ?? { of: other, times: 0, near: Infinity, supplies: [] };
        known.times += times;
        known.near = Math.min(known.near, near);
        if (!known.supplies.includes(need.supply)) known.supplies.push(need.supply);
        out.set(other.id, known);
      }
    }
  }
  return [...out.values()].sort((a, b) => b.times - a.times || (a.of.id < b.of.id ? -1 : 1));
}

/** How near a way comes to a point, mm. */
function distanceTo(points: readonly Point[], p: Point): number {
  let near = Infinity;
  for (let i = 0; i + 1 < points.length; i++) {
    const [a, b] = [points[i]!, points[i + 1]!];
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const long = dx * dx + dy * dy;
    const t = long === 0 ? 0 : Math.max(0, Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / long));
    near = Math.min(near, Math.hypot(a.x + dx * t - p.x, a.y + dy * t - p.y));
  }
  return near;
}
