import { leftToWorkOn } from '../../../living/sessions/index.ts';
import { type Plan, type Station, seatsHere } from '../../../record/plan/index.ts';
import { type At, type Need, row } from './need.ts';

/** Width and depth of the worktop that are this station’s own: what is left beside what stands on it, and what is shared at the same time is halved. */
export function surfaceOf(
  plan: Plan,
  station: Station,
): { width: number; depth: number; sharedWith: Station[] } | null {
  const table = station.unitId ? plan.units[station.unitId] : undefined;
  if (!table) return null;
  const turn = Math.abs(((station.heading - table.facing) % 180) + 180) % 180;
  const sideways = turn > 45 && turn < 135;
  const left = leftToWorkOn(plan, table);
  const width = sideways ? left.depth : left.width;
  const depth = sideways ? left.width : left.depth;
  const sharedWith = sameTime(plan, station).filter((s) => s.unitId === table.id);
  const across = sharedWith.filter((s) => Math.cos(((s.heading - station.heading) * Math.PI) / 180) < -0.7).length;
  const beside = sharedWith.length - across;
  return { width: width / (1 + beside), depth: depth / (across > 0 ? 2 : 1), sharedWith };
}

/** Other stations that are worked at at the same time. */
export function sameTime(plan: Plan, station: Station): Station[] {
  if (station.together === '') return [];
  return seatsHere(plan).filter((s) => s.id !== station.id && s.together === station.together);
}

export function surface({ plan, look, station, activity }: At): Need[] {
  const own = surfaceOf(plan, station);
  const { len } = look;
  const shared =
    own && own.sharedWith.length > 0 ? `, shared with ${own.sharedWith.map((s) => s.name).join(', ')}` : '';
  const one = (what: string, need: number, have: number | null): Need[] =>
    need <= 0
      ? []
      : row(what, len(need), have === null ? 'no worktop' : `${len(have)}${shared}`, {
          want: [need, Infinity],
          have,
          lacks:
            have === null
              ? `It has no worktop; ${len(need)} is asked for.`
              : have < need - 1
                ? `The worktop is ${len(need - have)} too ${what === 'width' ? 'narrow' : 'shallow'}${shared}.`
                : null,
        });
  return [
    ...one('width', activity.surfaceWidth, own ? own.width : null),
    ...one('depth', activity.surfaceDepth, own ? own.depth : null),
  ];
}
