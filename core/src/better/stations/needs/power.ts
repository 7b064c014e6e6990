import { circuitLoads, cordTrouble, freeOutlets } from '../../findings/index.ts';
import { MAINS } from '../../../space/loads/index.ts';
import { type Plan, type Unit } from '../../../record/plan/index.ts';
import { type At, type Need, row } from './need.ts';
import { sameTime } from './surface.ts';

/** Units that an activity runs. */
export function machinesOf(plan: Plan, activityId: string): Unit[] {
  return Object.values(plan.machineUses)
    .filter((m) => m.activityId === activityId)
    .flatMap((m) => plan.units[m.unitId] ?? []);
}

export function power({ plan, look, activity, station }: At): Need[] {
  const machines = machinesOf(plan, activity.id).filter((u) => u.watts > 0);
  if (machines.length === 0) return [];
  const care = 'Overloaded circuits and leads heat up. Local codes and a licensed electrician come first.';
  const free = freeOutlets(look);
  const { loads, most } = circuitLoads(look, [station, ...sameTime(plan, station)], free);
  const watts = machines.reduce((sum, u) => sum + u.watts, 0);
  const trouble = machines.flatMap((unit) => cordTrouble(look, unit, free) ?? []);
  for (const load of loads)
    if (load.watts > most)
      trouble.push(
        `${load.circuit ? `Circuit ${load.circuit}` : 'One circuit'} would carry ${Math.round(load.watts)} W and gives ${Math.round(most)} W.`,
      );
  return row(
    'power',
    `${Math.round(watts)} W`,
    free.length > 0 ? `${Math.round(most)} W a circuit` : 'no free socket',
    {
      want: [watts, Infinity],
      have: free.length > 0 ? most : 0,
      lacks: trouble.length > 0 ? trouble.join(' ') : null,
      care: trouble.length > 0 ? `${care} ${MAINS[plan.head.region].words} (from memory).` : null,
    },
  );
}
