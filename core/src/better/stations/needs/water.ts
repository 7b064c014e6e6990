import { footprintDistance } from '../../../measures/geometry/index.ts';
import { fixturePrism } from '../../../space/room/index.ts';
import { type At, type Need, row } from './need.ts';

/** Two paces: farther than this one drips on the way to the water, mm (own assumption). */
const WATER_NEAR = 1728;

export function water({ plan, look, activity, work }: At): Need[] {
  if (!activity.traits.includes('wet')) return [];
  const sinks = Object.values(plan.fixtures).flatMap((f) => (f.kind === 'sink' ? (fixturePrism(plan, f) ?? []) : []));
  const units = Object.values(plan.units).flatMap((u) => (u.kind === 'sinkUnit' ? look.body.get(u.id)! : []));
  const all = [...sinks, ...units];
  const far = all.length > 0 ? Math.min(...all.map((p) => footprintDistance(p, work.x, work.y))) : null;
  return row('water', `within ${look.len(WATER_NEAR)}`, far === null ? 'no sink noted' : `${look.len(far)} away`, {
    want: [0, WATER_NEAR],
    have: far,
    lacks:
      far === null
        ? 'It is wet work and no sink is noted.'
        : far > WATER_NEAR
          ? `It is wet work and the sink is ${look.len(far)} away.`
          : null,
  });
}
