import {
  distance,
  footprintDistance,
  heading,
  insidePolygon,
  type Point,
  prismFootprint,
} from '../../measures/geometry/index.ts';
import { ELBOW_ROOM, findingsOf } from '../findings/index.ts';
import { homesIn, type Plan, type Station, type Unit } from '../../record/plan/index.ts';
import {
  fetchSeconds,
  floorIsFree,
  type Handling,
  handlingOf,
  headShort,
  type Maker,
  makerAt,
  makerOf,
  sceneAt,
  type Scene,
  wayPrice,
  waySeconds,
} from '../../space/reach/index.ts';
import { obstaclesOf, unitPrism } from '../../space/room/index.ts';
import { bringingPerYear, walksTo, type YearlyUse, yearlyUses } from '../../living/homes/index.ts';
import { sameTime } from './needs/index.ts';

/** Yearly seconds over a grid of the floor; NaN where one cannot be. Millimetres. */
export type FloorMap = {
  x: number;
  y: number;
  step: number;
  columns: number;
  rows: number;
  seconds: Float64Array;
  /** seconds a year as it stands now; null when it stands where one cannot be */
  now: number | null;
  best: Best[];
};
export type Best = { x: number; y: number; heading: number; seconds: number; words: string };

/** How a long search keeps its surroundings alive. */
export type Pace = {
  onProgress?: (share: number) => void;
  cancelled?: () => boolean;
  breathe?: () => Promise<void>;
};

/** A seat wants so much room around its middle, mm: half a chair (common practice). */
const SEAT_HALF = 200;
/** So near a worktop one works at it, mm from the middle of the seat (own assumption). */
const AT_TOP = 420;
/** A fetch of what one does not get at by oneself: somebody is asked, s (own assumption). */
const ASKED = 120;
/** Best spots this near each other are one, mm. */
const SAME_SPOT = 500;
const BESTS = 3;
/** So many spots at most are looked at with all findings. */
const TRIES = 20;
/** How often the search looks up, in cells. */
const BREATH = 12;

type Errand = { placeId: string; unitId: string; use: YearlyUse; handling: Handling };

/** What a station fetches from where, in a year. */
function errandsOf(plan: Plan, station: Station): Errand[] {
  return Object.values(plan.uses).flatMap((use) => {
    const supply = plan.supplies[use.supplyId];
    const home = plan.homes[`${use.supplyId}.working`];
    if (use.activityId !== station.activityId || !supply || !home) return [];
    const kinds = homesIn(plan, home.placeId).length;
    return yearlyUses(plan, supply, 'working').flatMap((u) =>
      u.station.id === station.id && u.fetches > 0
        ? [
            {
              placeId: home.placeId,
              unitId: plan.places[home.placeId]?.unitId ?? '',
              use: u,
              handling: handlingOf(supply, kinds, u.consumed),
            },
          ]
        : [],
    );
  });
}

/** Seconds a year of what a station fetches, from a seat; what is got together from one unit pays the way to the farthest once, and once to bring it back. */
function yearly(scene: Scene, maker: Maker, errands: readonly Errand[]): number {
  let seconds = 0;
  const visits = new Map<string, { get: number; back: number }>();
  for (const { placeId, unitId, use, handling } of errands) {
    const spot = scene.spots.get(placeId);
    if (!spot) continue;
    const price = wayPrice(scene, maker, spot);
    if (!price) {
      seconds += use.fetches * ASKED;
      continue;
    }
    const { fetches, gathered } = walksTo(use, price.band);
    const way = waySeconds(price);
    seconds += fetches * fetchSeconds(price, handling) - gathered * way * (use.consumed ? 1 : 2);
    if (gathered === 0) continue;
    const visit = visits.get(unitId) ?? { get: 0, back: 0 };
    visits.set(unitId, visit);
    visit.get = Math.max(visit.get, gathered * way);
    if (!use.consumed) visit.back = Math.max(visit.back, gathered * way);
  }
  for (const { get, back } of visits.values()) seconds += get + back;
  return seconds;
}

/** A grid over a floor, nothing said of any spot. @param step mm */
export function floorGrid(outline: readonly Point[], step: number): Omit<FloorMap, 'now' | 'best'> {
  const xs = outline.map((p) => p.x);
  const ys = outline.map((p) => p.y);
  const x = Math.min(...xs) + step / 2;
  const y = Math.min(...ys) + step / 2;
  const columns = Math.max(1, Math.floor((Math.max(...xs) - x) / step) + 1);
  const rows = Math.max(1, Math.floor((Math.max(...ys) - y) / step) + 1);
  return { x, y, step, columns, rows, seconds: new Float64Array(columns * rows).fill(NaN) };
}

/**
 * Where should I sit? The yearly seconds of a station’s fetches if its seat stood at each free spot of the floor, looking at its worktop
 * where it is near enough, else to where most is fetched. Null while the walls do not close; cut short when cancelled.
 * @param step of the grid, mm
 */
export async function seatMap(plan: Plan, station: Station, step: number, pace: Pace = {}): Promise<FloorMap | null> {
  const scene = sceneAt(plan, station);
  const person = plan.people[station.personId];
  if (scene.outline.length === 0 || !person) return null;
  const map = floorGrid(scene.outline, step);
  const errands = errandsOf(plan, station);
  const table = station.unitId ? plan.units[station.unitId] : undefined;
  const top = table ? unitPrism(table) : null;
  const others = sameTime(plan, station);
  const { standing, seatHeight } = station;
  const sitter = makerAt(person, { x: 0, y: 0, heading: 0, standing, seatHeight, worktop: null });
  const list: Best[] = [];
  let looked = 0;
  for (let cell = 0; cell < map.seconds.length; cell++) {
    const at = { x: map.x + (cell % map.columns) * step, y: map.y + Math.floor(cell / map.columns) * step };
    if (!floorIsFree(scene, at, SEAT_HALF) || headShort(plan, sitter, at) > 0) continue;
    if (others.some((s) => distance(s, at) < ELBOW_ROOM)) continue;
    const atTop = top !== null && footprintDistance(top, at.x, at.y) <= AT_TOP && beforeAnEdge(top, at);
    const towards = atTop ? nearestOn(top, at) : middleOf(scene, errands, at);
    const seat = { ...at, heading: Math.round(heading(at, towards)), standing, seatHeight };
    const maker = makerAt(person, { ...seat, worktop: atTop ? table!.bottom + table!.height : null });
    const seconds = yearly(scene, maker, errands);
    map.seconds[cell] = seconds;
    // a seat away from its worktop is no seat for it: shown, not proposed
    if (!table || atTop)
      list.push({ ...at, heading: seat.heading, seconds, words: atTop ? `at ${table!.name}` : 'on free floor' });
    if (++looked % BREATH === 0) {
      pace.onProgress?.(cell / map.seconds.length);
      await pace.breathe?.();
      if (pace.cancelled?.()) break;
    }
  }
  const maker = makerOf(plan, station);
  const best = offered(plan, list, (spot) => {
    const { x, y, heading } = spot;
    return { ...plan, stations: { ...plan.stations, [station.id]: { ...station, x, y, heading } } };
  });
  return { ...map, now: maker ? yearly(scene, maker, errands) : null, best };
}

/**
 * The best spots that make no new finding: what will judge a spot is asked before it is offered. Where none of those tried does, the best are offered
 * with what they would break.
 */
function offered(plan: Plan, list: readonly Best[], moved: (spot: Best) => Plan): Best[] {
  const known = new Set(findingsOf(plan).map((f) => f.key));
  const clean: Best[] = [];
  const breaking: Best[] = [];
  let tried = 0;
  for (const spot of [...list].sort((a, b) => a.seconds - b.seconds)) {
    if (clean.length === BESTS || tried > TRIES) break;
    if ([...clean, ...breaking].some((b) => distance(b, spot) <= SAME_SPOT)) continue;
    tried++;
    const fresh = findingsOf(moved(spot)).filter((f) => !known.has(f.key));
    if (fresh.length === 0) clean.push(spot);
    else if (breaking.length < BESTS) breaking.push({ ...spot, words: `${spot.words}; but ${fresh[0]!.words}` });
  }
  return clean.length > 0 ? clean : breaking;
}

/** Whether a point lies before an edge of a worktop, not off its corner: there one sits straight at it. */
function beforeAnEdge(top: ReturnType<typeof unitPrism>, p: Point): boolean {
  const dx = p.x - top.x;
  const dy = p.y - top.y;
  return (
    Math.abs(dx * top.rightX + dy * top.rightY) <= 0.9 * top.halfWidth ||
    Math.abs(dx * top.frontX + dy * top.frontY) <= 0.9 * top.halfDepth
  );
}

function nearestOn(top: ReturnType<typeof unitPrism>, p: Point): Point {
  const dx = p.x - top.x;
  const dy = p.y - top.y;
  const clamp = (v: number, half: number) => Math.max(-half, Math.min(half, v));
  // straight at the edge, or at a corner a little inside it
  const u = clamp(dx * top.rightX + dy * top.rightY, top.halfWidth * 0.9);
  const v = clamp(dx * top.frontX + dy * top.frontY, top.halfDepth * 0.9);
  return { x: top.x + top.rightX * u + top.frontX * v, y: top.y + top.rightY * u + top.frontY * v };
}

function middleOf(scene: Scene, errands: readonly Errand[], at: Point): Point {
  let x = 0;
  let y = 0;
  let weight = 0;
  for (const { placeId, use } of errands) {
    const { fetches } = use;
    const spot = scene.spots.get(placeId);
    if (!spot || spot.away) continue;
    // what is near decides more: there, looking the right way saves a turn
    const w = fetches / (300 + distance(spot.grip, at));
    x += spot.grip.x * w;
    y += spot.grip.y * w;
    weight += w;
  }
  return weight > 0 ? { x: x / weight, y: y / weight } : { x: at.x, y: at.y + 1 };
}

const FACINGS = [0, 90, 180, 270];

/**
 * Where should this cart park? The yearly seconds of what all stations fetch from it, and of bringing it to the stations it travels to, for
 * every spot of the floor it can stand on, turned the best way. Proposed are spots that make no new finding.
 */
export async function parkingMap(plan: Plan, cart: Unit, step: number, pace: Pace = {}): Promise<FloorMap | null> {
  const at = sceneAt(plan, Object.values(plan.stations)[0] ?? ({} as Station));
  if (at.outline.length === 0) return null;
  const map = floorGrid(at.outline, step);
  const places = new Set(Object.values(plan.places).flatMap((p) => (p.unitId === cart.id ? [p.id] : [])));
  const stations = Object.values(plan.stations)
    .map((station) => ({ station, errands: errandsOf(plan, station).filter((e) => places.has(e.placeId)) }))
    .filter((s) => s.errands.length > 0 || s.station.travellerId === cart.id);
  const others = obstaclesOf(plan).filter((o) => o.id !== cart.id);
  const cost = (moved: Plan) =>
    stations.reduce((sum, { station, errands }) => {
      const maker = makerOf(moved, station);
      if (!maker) return sum;
      return sum + yearly(sceneAt(moved, station), maker, errands) + bringingPerYear(moved, station);
    }, 0);
  const put = (spot: Point, facing: number): Plan => ({
    ...plan,
    units: { ...plan.units, [cart.id]: { ...cart, ...spot, facing, keptInId: null, hostId: null } },
  });
  const list: Best[] = [];
  let looked = 0;
  for (let cell = 0; cell < map.seconds.length; cell++) {
    const spot = { x: map.x + (cell % map.columns) * step, y: map.y + Math.floor(cell / map.columns) * step };
    for (const facing of FACINGS) {
      const foot = prismFootprint(unitPrism({ ...cart, ...spot, facing }));
      const inside = foot.every((c) => insidePolygon(c, at.outline));
      if (!inside || others.some((o) => touches(foot, spot, cart, o.prism))) continue;
      if (Object.values(plan.stations).some((s) => inFoot(unitPrism({ ...cart, ...spot, facing }), s, 250))) continue;
      const moved = put(spot, facing);
      const seconds = cost(moved);
      if (!(map.seconds[cell]! <= seconds)) map.seconds[cell] = seconds;
      list.push({ ...spot, heading: facing, seconds, words: 'on free floor' });
    }
    if (++looked % BREATH === 0) {
      pace.onProgress?.(cell / map.seconds.length);
      await pace.breathe?.();
      if (pace.cancelled?.()) break;
    }
  }
  const best = offered(plan, list, (spot) => put(spot, spot.heading));
  return { ...map, now: cost(plan), best };
}

const inFoot = (body: ReturnType<typeof unitPrism>, p: Point, room: number) => footprintDistance(body, p.x, p.y) < room;

/** Whether a footprint is in a box: a corner of either in the other, or their middles that near. */
function touches(foot: readonly Point[], at: Point, cart: Unit, other: ReturnType<typeof unitPrism>): boolean {
  const reach = Math.hypot(cart.width, cart.depth) / 2;
  if (footprintDistance(other, at.x, at.y) > reach) return false;
  if (footprintDistance(other, at.x, at.y) <= 0) return true;
  return (
    foot.some((c) => footprintDistance(other, c.x, c.y) <= 0) ||
    prismFootprint(other).some((c) => insidePolygon(c, foot))
  );
}
