import { factsOf } from '../../record/catalogue/index.ts';
import {
  angleBetween,
  direction,
  distance,
  footprintDistance,
  heading,
  type Point,
} from '../../measures/geometry/index.ts';
import { type CheckName, type Finding, findingsOf } from '../findings/index.ts';
import { type Plan, type Station, type Unit, seatsHere } from '../../record/plan/index.ts';
import { PACE, SECONDS_PER_TMU, TMU } from '../../space/reach/index.ts';
import { fixturePrism, frameOf, fromWall, onWall, type WallFrame, wallFrames } from '../../space/room/index.ts';
import { disturbs } from '../stations/index.ts';
import { flowsOf, handOnSeconds, sessionsPerYear } from './flows.ts';
import { apertures, sunHours } from '../../space/sun/index.ts';

/** What is said of a room as it stands, whatever lies where: seconds a year, and what is wrong. */
export type Standing = {
  handingOn: number;
  penalties: { words: string; seconds: number }[];
  /** findings that no arrangement offered may have */
  broken: Finding[];
  findings: Finding[];
};

/** Checks that are hard rules: an arrangement that breaks one is not offered (docs/computation.md 7.1). */
export const HARD: ReadonlySet<CheckName> = new Set<CheckName>([
  'overlap',
  'mount',
  'stand',
  'exit',
  'door',
  'drawer',
  'before',
  'wheelchairDoor',
  'chair',
  'passage',
  'fuseBoard',
  'heater',
  'wallHeater',
  'fire',
  'kiln',
  'window',
  'socket',
  'feed',
  'headroom',
  'floorUse',
  'travels',
  'turning',
]);

/** Seconds a year set against what is not right about a place to work; own assumptions, about as much as ten minutes a week each. */
export const PENALTY = {
  sunHour: 3600,
  cord: 7200,
  doorBehind: 1800,
  glare: 1800,
  handLight: 900,
  noise: 3600,
  splashes: 3600,
  noWall: 900,
} as const;

export type Site = Pick<Station, 'x' | 'y' | 'heading'>;

/**
 * What speaks against a seat where it is, seconds a year. Light, doors and neighbours are looked at from the seat alone, so that the search
 * can ask for any seat anywhere.
 */
export function sitePenalties(
  plan: Plan,
  station: Station,
  site: Site,
  others: readonly { station: Station; site: Site }[],
): { words: string; seconds: number }[] {
  const out: { words: string; seconds: number }[] = [];
  const activity = plan.activities[station.activityId];
  const person = plan.people[station.personId];
  if (!activity || !person) return out;
  const say = (words: string, seconds: number) => out.push({ words: `${station.name}: ${words}`, seconds });
  for (const o of Object.values(plan.openings)) {
    const frame = frameOf(plan, o.wallId);
    if (!frame) continue;
    const middle = onWall(frame, o.left + o.width / 2);
    const side = angleBetween(site.heading, heading(site, middle));
    const near = distance(site, middle) < 3500;
    if (o.kind === 'door' && Math.abs(side) > 135) say('the door is behind the back', PENALTY.doorBehind);
    if (o.kind === 'window' && near && Math.abs(side) < 35) say('glare from the window ahead', PENALTY.glare);
    const onHand = person.hand === 'right' ? side > 45 && side < 135 : side < -45 && side > -135;
    if (o.kind === 'window' && near && onHand)
      say(`daylight from the side of the ${person.hand} hand`, PENALTY.handLight);
  }
  if (activity.traits.includes('wet')) {
    const sinks = Object.values(plan.fixtures).flatMap((f) => (f.kind === 'sink' ? (fixturePrism(plan, f) ?? []) : []));
    if (sinks.length > 0) {
      const far = Math.min(...sinks.map((p) => footprintDistance(p, site.x, site.y)));
      // twice there and back each session, dripping
      const walks = 4 * Math.max(0, Math.ceil(far / PACE) - 1) * TMU.paceLaden * SECONDS_PER_TMU;
      if (walks > 0) say('wet work away from the sink', walks * sessionsPerYear(activity));
    }
  }
  for (const { station: s, site: at } of others) {
    const other = plan.activities[s.activityId];
    if (!other || s.id === station.id) continue;
    if (disturbs('noise', other, at, activity, site)) say(`noise from ${s.name}`, PENALTY.noise);
    if (disturbs('splashes', other, at, activity, site)) say(`dust or splashes from ${s.name}`, PENALTY.splashes);
  }
  return out;
}

/** How far off a wall a back may be and still lean on it, mm (own assumption: a skirting board and a plug). */
const AT_WALL = 60;

/** Whether what wants a wall behind it has none: chests, shelves and cupboards, not tables and carts. */
export function wantsWall(
  unit: Unit,
  frames: readonly WallFrame[],
  pose: { x: number; y: number; facing: number } = unit,
): boolean {
  const { worktop, mobile, places } = factsOf(unit.kind);
  if (worktop || mobile || places === null || unit.mount !== 'floor') return false;
  const ahead = direction(pose.facing);
  const back = { x: pose.x - (ahead.x * unit.depth) / 2, y: pose.y - (ahead.y * unit.depth) / 2 };
  return !frames.some((f) => {
    const { left, out } = fromWall(f, back);
    return out < AT_WALL && left > 0 && left < f.length;
  });
}

/** Hours of direct sun a day, mean over the year, at worktop height on a grid of the floor, furniture not counted. */
export type SunGrid = { x: number; y: number; step: number; columns: number; rows: number; hours: Float32Array };
const TOP_HEIGHT = 780;

export function sunGrid(plan: Plan, outline: readonly Point[], step = 300): SunGrid {
  const x = Math.min(...outline.map((p) => p.x));
  const y = Math.min(...outline.map((p) => p.y));
  const columns = Math.ceil((Math.max(...outline.map((p) => p.x)) - x) / step) + 1;
  const rows = Math.ceil((Math.max(...outline.map((p) => p.y)) - y) / step) + 1;
  const hours = new Float32Array(columns * rows);
  const bare = { ...plan, units: {} };
  if (apertures(plan).length > 0)
    for (let i = 0; i < hours.length; i++) {
      const p = { x: x + (i % columns) * step, y: y + Math.floor(i / columns) * step, z: TOP_HEIGHT };
      hours[i] = sunHours(bare, [p]).byMonth.reduce((a, b) => a + b, 0) / 12;
    }
  return { x, y, step, columns, rows, hours };
}

/** Hours of sun a day at a point of the grid. */
export function sunAtPoint(grid: SunGrid, p: Point): number {
  const c = Math.max(0, Math.min(grid.columns - 1, Math.round((p.x - grid.x) / grid.step)));
  const r = Math.max(0, Math.min(grid.rows - 1, Math.round((p.y - grid.y) / grid.step)));
  return grid.hours[r * grid.columns + c]!;
}

/** Work handed on along free ways, and what speaks against where things stand but for what is a finding. `sun` of the empty room does not change and is handed in, the carrying where it is known. */
export function besidesHomes(
  plan: Plan,
  sun: SunGrid,
  handingOn = handingOnOf(plan),
): Pick<Standing, 'handingOn' | 'penalties'> {
  const penalties: Standing['penalties'] = [];
  const stations = seatsHere(plan);
  const sites = stations.map((station) => ({ station, site: station }));
  for (const station of stations) penalties.push(...sitePenalties(plan, station, station, sites));
  const tops = new Set(stations.map((s) => s.unitId).filter((id) => id !== null));
  for (const id of tops) {
    const table = plan.units[id];
    const hours = table ? sunAtPoint(sun, table) : 0;
    if (table && hours > 1)
      penalties.push({ words: `${table.name}: sun on the worktop`, seconds: (hours - 1) * PENALTY.sunHour });
  }
  const frames = wallFrames(plan);
  for (const unit of Object.values(plan.units))
    if (wantsWall(unit, frames)) penalties.push({ words: `${unit.name}: no wall behind it`, seconds: PENALTY.noWall });
  return { handingOn, penalties };
}

/** Seconds a year of carrying work from seat to seat. */
const handingOnOf = (plan: Plan): number =>
  flowsOf(plan).reduce((sum, { from, to, times }) => sum + times * handOnSeconds(plan, from, to), 0);

/** A cord that does not get to its socket is a finding, and costs. */
export const cordSeconds = (findings: readonly Finding[]): number =>
  PENALTY.cord * findings.filter((f) => f.check === 'cord').length;

/** {@link besidesHomes} with all findings. */
export function standingOf(plan: Plan, sun: SunGrid): Standing {
  const { handingOn, penalties } = besidesHomes(plan, sun);
  const findings = findingsOf(plan);
  for (const f of findings) if (f.check === 'cord') penalties.push({ words: f.words, seconds: PENALTY.cord });
  return { handingOn, penalties, broken: findings.filter((f) => breaks(plan, f)), findings };
}

/** Seconds a year of a room as it stands beside its homes. */
export const secondsOf = ({ handingOn, penalties }: Pick<Standing, 'handingOn' | 'penalties'>): number =>
  handingOn + penalties.reduce((sum, p) => sum + p.seconds, 0);

/** Findings of one that the other has not, in words. */
export function findingsOnlyIn(has: Standing, hasNot: Standing): string[] {
  const keys = new Set(hasNot.findings.map((f) => f.key));
  return has.findings.filter((f) => !keys.has(f.key)).map((f) => f.words);
}

/** A finding that breaks a hard rule by something that can be moved; what only pinned things do cannot be helped. */
export function breaks(plan: Plan, finding: Finding): boolean {
  if (!HARD.has(finding.check)) return false;
  const units = finding.unitIds.flatMap((id) => plan.units[id] ?? []);
  return units.length === 0 || units.some((u) => !u.pinned && u.mount !== 'door' && u.kind !== 'kiln');
}
