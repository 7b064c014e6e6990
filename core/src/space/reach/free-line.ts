import {
  type Point3,
  type Prism,
  distance,
  footprintDistance,
  segmentHitsPrism,
} from '../../measures/geometry/index.ts';
import { type Scene, type Spot } from './spot.ts';

/** Whether a straight line between two points passes through no unit. */
export function lineIsFree(scene: Scene, a: Point3, b: Point3): boolean {
  for (const s of scene.solids) if (segmentHitsPrism(a, b, s.prism)) return false;
  return true;
}

/** An arm, also of a leaning body, comes from no farther than this, mm. */
const ARM_FROM = 1800;

export const around = new WeakMap<Spot, { ground: object; prisms: Prism[] }>();

/** Whether a straight line from a shoulder (or an eye) to the opening of a place passes through no unit. */
export function seesMouth(scene: Scene, spot: Spot, from: Point3): boolean {
  const { mouth } = spot;
  if (distance(from, mouth) > ARM_FROM) return lineIsFree(scene, from, mouth);
  let near = around.get(spot);
  if (near?.ground !== scene.ground) {
    const prisms = scene.solids.map((s) => s.prism).filter((p) => footprintDistance(p, mouth.x, mouth.y) < ARM_FROM);
    around.set(spot, (near = { ground: scene.ground, prisms }));
  }
  const { prisms } = near;
  for (let i = 0; i < prisms.length; i++)
    if (segmentHitsPrism(from, mouth, prisms[i]!)) {
      // what is in the way once is so again, mostly
      if (i > 0) [prisms[0], prisms[i]] = [prisms[i]!, prisms[0]!];
      return false;
    }
  return true;
}
