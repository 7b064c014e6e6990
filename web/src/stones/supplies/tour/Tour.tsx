import { useMemo } from 'react';
import { tourOf } from '@heronstone/core/stock';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { StopInHand } from './StopInHand.tsx';
import { nextAfter } from './next-stop.ts';
import { Progress } from './Progress.tsx';

/** The room place after place, in the order one walks it: type what lies there, line after line. */
export default function Tour() {
  const plan = usePlan((s) => s.plan);
  const { get, select } = useSelection();
  const stops = useMemo(() => tourOf(plan), [plan]);
  const next = stops.find((s) => s.place.touredOn === null);
  const at = stops.findIndex((s) => s.place.id === get('place'));
  const stop = stops[at] ?? next ?? stops[0];
  if (!stop)
    return (
      <p className="mt-6 max-w-lg rounded-2xl border-2 border-dashed border-line p-6 text-soft">
        The tour goes from place to place, and there are none yet: bring in furniture first, or type what you have under
        Lines.
      </p>
    );
  const here = stops.indexOf(stop);
  return (
    <div className="grid grow grid-cols-1 gap-x-8 gap-y-3 md:grid-cols-[1fr_19rem]">
      <StopInHand
        key={stop.place.id}
        plan={plan}
        stop={stop}
        onGo={(to) => select({ place: to?.place.id ?? null })}
        before={stops[here - 1]}
        after={nextAfter(stops, here)}
      />
      <Progress plan={plan} stops={stops} here={stop} onGo={(to) => select({ place: to.place.id })} />
    </div>
  );
}
