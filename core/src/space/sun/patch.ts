import { clipByConvex, type Point, prismFootprint } from '../../measures/geometry/index.ts';
import { factsOf } from '../../record/catalogue/index.ts';
import { type Plan } from '../../record/plan/index.ts';
import { unitPrism, wallFrames } from '../room/index.ts';
import { type Aperture, apertures } from './hours.ts';
import { type SunAt } from './position.ts';

/** A patch of direct sun on a level plane, `z` mm above the floor: on the floor, or on a worktop (`unitId`). */
export type SunPatch = { unitId: string | null; z: number; outline: Point[] };

/** The window's shape thrown by the sun on a level plane; null when the sun is not before it or the plane is above its head. */
function thrown(a: Aperture, to: SunAt['to'], z: number): Point[] | null {
  const out = -(to.x * a.inward.x + to.y * a.inward.y);
  if (out <= 1e-6 || to.z <= 1e-3 || a.head <= z) return null;
  const low = Math.max(a.sill, z);
  const at = (u: number, height: number): Point => {
    const t = (height - z) / to.z;
    return {
      x: a.origin.x + a.along.x * u - to.x * t,
      y: a.origin.y + a.along.y * u - to.y * t,
    };
  };
  return [at(0, low), at(a.width, low), at(a.width, a.head), at(0, a.head)];
}

/**
 * Patches of direct sun on the floor and on every worktop, for drawing: shadows that furniture throws on furniture are left out
 * (the hours in findings count them).
 */
export function sunPatches(plan: Plan, sun: SunAt): SunPatch[] {
  const out: SunPatch[] = [];
  const outline = wallFrames(plan).map((f) => f.a);
  if (outline.length === 0 || sun.altitude <= 0) return out;
  for (const window of apertures(plan)) {
    const floor = thrown(window, sun.to, 0);
    if (floor) {
      const inside = clipByConvex(outline, floor);
      if (inside.length > 2) out.push({ unitId: null, z: 0, outline: inside });
    }
    for (const unit of Object.values(plan.units)) {
      if (!factsOf(unit.kind).worktop || unit.mount === 'away') continue;
      const z = unit.bottom + unit.height;
      const patch = thrown(window, sun.to, z);
      const on = patch ? clipByConvex(prismFootprint(unitPrism(unit)), patch) : [];
      if (on.length > 2) out.push({ unitId: unit.id, z, outline: on });
    }
  }
  return out;
}
