import { machineFeeds } from '../../findings/index.ts';
import { type At, type Need, row } from './need.ts';
import { machinesOf } from './power.ts';

export function feed({ plan, look, activity }: At): Need[] {
  return machinesOf(plan, activity.id).flatMap((unit) =>
    machineFeeds(look, unit).flatMap(({ side, wanted, free, by }) =>
      row(`feed ${side}`, look.len(wanted), look.len(free), {
        want: [wanted, Infinity],
        have: free,
        lacks:
          free < wanted - 5
            ? `${unit.name} has ${look.len(free)} free ${side} it: ${by ?? 'something'} is in the way.`
            : null,
      }),
    ),
  );
}
