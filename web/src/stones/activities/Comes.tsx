import { type Station } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { OftenField } from './OftenField.tsx';

/** How often somebody comes to what others do; nothing while she is the only one. */
export function Comes({ station }: { station: Station }) {
  const dispatch = usePlan((s) => s.dispatch);
  const seats = usePlan((s) => s.plan.stations);
  const alone = Object.values(seats).every((s) => s.id === station.id || s.activityId !== station.activityId);
  if (alone && station.comes === null) return null;
  return (
    <OftenField
      className="w-40"
      label="comes, times a month"
      times={station.comes}
      empty="every time"
      onCommit={(comes) => dispatch({ type: 'setStation', id: station.id, set: { comes } })}
    />
  );
}
