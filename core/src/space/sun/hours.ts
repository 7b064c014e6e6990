import { type Point3, type Prism, segmentHitsPrism } from '../../measures/geometry/index.ts';
import { type Plan } from '../../record/plan/index.ts';
import { unitSolids, wallFrames } from '../room/index.ts';
import { HOUR_STEP, type SunAt, sunYear } from './position.ts';

/** A window's hole in its wall, in the plan's axes; millimetres. */
export type Aperture = {
  id: string;
  origin: { x: number; y: number };
  along: { x: number; y: number };
  inward: { x: number; y: number };
  width: number;
  sill: number;
  head: number;
};

/** The windows of a closed room. */
export function apertures(plan: Pick<Plan, 'walls' | 'openings'>): Aperture[] {
  return wallFrames(plan).flatMap((frame) =>
    Object.values(plan.openings)
      .filter((o) => o.wallId === frame.wall.id && o.kind === 'window' && o.head > o.sill)
      .map((o) => ({
        id: o.id,
        origin: { x: frame.a.x + frame.along.x * o.left, y: frame.a.y + frame.along.y * o.left },
        along: frame.along,
        inward: frame.inward,
        width: o.width,
        sill: o.sill,
        head: o.head,
      })),
  );
}

/** Where the ray from a point to the sun leaves the room through an aperture; null when it does not. */
function exitThrough(a: Aperture, p: Point3, to: SunAt['to']): Point3 | null {
  const out = -(to.x * a.inward.x + to.y * a.inward.y);
  if (out <= 1e-6) return null;
  const far = (p.x - a.origin.x) * a.inward.x + (p.y - a.origin.y) * a.inward.y;
  if (far < 0) return null;
  const t = far / out;
  const z = p.z + to.z * t;
  if (z < a.sill || z > a.head) return null;
  const x = p.x + to.x * t;
  const y = p.y + to.y * t;
  const u = (x - a.origin.x) * a.along.x + (y - a.origin.y) * a.along.y;
  return u >= 0 && u <= a.width ? { x, y, z } : null;
}

/** Whether direct sun falls on a point: the ray leaves through a window and nothing in the room is in its way. */
export function inSun(windows: readonly Aperture[], solids: readonly Prism[], p: Point3, to: SunAt['to']): boolean {
  for (const w of windows) {
    const exit = exitThrough(w, p, to);
    if (exit && !solids.some((s) => segmentHitsPrism(p, exit, s))) return true;
  }
  return false;
}

/** Hours of direct sun on the 21st of each month (index 1–12), and from when to when in the longest of them. */
export type SunHours = { byMonth: number[]; worst: { month: number; from: number; to: number } | null };

/**
 * Hours of direct sun on any of some points, by month. The room's own furniture throws its shadow; what is outside does not (no trees, no
 * houses across the street are known).
 * @param without units that do not shade these points: their own
 */
export function sunHours(plan: Plan, points: readonly Point3[], without: readonly string[] = []): SunHours {
  const byMonth = new Array<number>(13).fill(0);
  const span = new Map<number, { from: number; to: number }>();
  const windows = apertures(plan);
  if (windows.length === 0 || points.length === 0) return { byMonth, worst: null };
  const solids = Object.values(plan.units)
    .filter((u) => !without.includes(u.id))
    .flatMap(unitSolids);
  for (const sun of sunYear(plan.head)) {
    if (!points.some((p) => inSun(windows, solids, p, sun.to))) continue;
    byMonth[sun.month]! += HOUR_STEP;
    const seen = span.get(sun.month);
    if (seen) seen.to = sun.hour + HOUR_STEP / 2;
    else span.set(sun.month, { from: sun.hour - HOUR_STEP / 2, to: sun.hour + HOUR_STEP / 2 });
  }
  let worst: SunHours['worst'] = null;
  for (const [month, { from, to }] of span)
    if (!worst || byMonth[month]! > byMonth[worst.month]!) worst = { month, from, to };
  return { byMonth, worst };
}
