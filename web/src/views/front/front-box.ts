import { compartmentsOf, type Plan, type Unit } from '@heronstone/core/plan';

/** Height of the strip in which a top is drawn, as a share of the larger side of the unit. */
const TOP_STRIP = 0.07;
/** What is left free round a front, as a share of the larger side. */
const PAD = 0.02;

/** The box in which a unit's front is drawn, mm from the upper left corner of its body: what is left free round it, the strip of its top, all of it. */
export function frontBox(plan: Plan, unit: Unit) {
  const larger = Math.max(unit.width, unit.height);
  // what is seen of a top from the front is a strip
  const strip = compartmentsOf(plan, unit.id).some((p) => p.kind === 'top') ? larger * TOP_STRIP : 0;
  const pad = larger * PAD;
  return { pad, strip, x: -pad, y: -pad - strip, w: unit.width + 2 * pad, h: unit.height + strip + 2 * pad };
}
