import { type Point3 } from '../../measures/geometry/index.ts';

/** A lamp as it hangs: where, luminous flux (lm) and full beam angle (degrees), shining straight down. */
export type Lamp = { at: Point3; lumens: number; beam: number };

/** Maintained illuminance wanted on the task, lux (EN 12464-1, memory). */
export const LUX_GENERAL = 500;

/**
 * Illuminance in lux that one lamp gives on a level surface at a point: I cos θ / d², all the flux spread evenly over the beam's cone
 * (inverse square and cosine law; I = Φ / 2π(1 − cos(beam/2))). Zero outside the beam and for what is level with the lamp or above.
 */
export function luxAt(lamp: Lamp, p: Point3): number {
  const drop = (lamp.at.z - p.z) / 1000;
  if (drop <= 0) return 0;
  const d2 = ((lamp.at.x - p.x) / 1000) ** 2 + ((lamp.at.y - p.y) / 1000) ** 2 + drop ** 2;
  const cos = drop / Math.sqrt(d2);
  const half = (Math.min(360, lamp.beam) / 2) * (Math.PI / 180);
  if (Math.acos(Math.min(1, cos)) > half + 1e-9) return 0;
  const intensity = lamp.lumens / (2 * Math.PI * (1 - Math.cos(half)));
  return (intensity * cos) / d2;
}
