import { lampsOf } from '../../findings/index.ts';
import { luxAt } from '../../../space/sun/index.ts';
import { type At, type Need, row } from './need.ts';

export function light({ plan, activity, work }: At): Need[] {
  const lamps = lampsOf(plan);
  if (activity.lux <= 0) return [];
  const have = lamps.length > 0 ? Math.round(lamps.reduce((sum, lamp) => sum + luxAt(lamp, work), 0)) : null;
  return row('light', `${activity.lux} lx`, have === null ? 'no lamp noted' : `${have} lx`, {
    want: [activity.lux, Infinity],
    have,
    lacks:
      have === null
        ? 'No lamp is noted in this room; light is not known.'
        : have < activity.lux
          ? `The lamps give ${have} lx on the work; ${activity.lux} lx is asked for.`
          : null,
  });
}
