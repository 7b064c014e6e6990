import { Plus } from 'lucide-react';
import { CATALOGUE } from '@heronstone/core/catalogue';
import { type Activity, blankStation, middleOfRoom, newId } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { SelectField } from '../../ui/fields/index.ts';
import { type Mapped } from './mapped.ts';
import { Outside } from './Outside.tsx';
import { seatAt, Seat } from './Seat.tsx';

/** Where an activity lives: its seats, and whether it has a place of its own, travels in a box or rolls up on a cart. */
export function Housing({
  activity,
  mapped,
  onMap,
}: {
  activity: Activity;
  mapped: Mapped | null;
  onMap: (map: Mapped | null) => void;
}) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const stations = Object.values(plan.stations).filter((s) => s.activityId === activity.id);
  const people = Object.values(plan.people);
  const tables = Object.values(plan.units).filter((u) => CATALOGUE[u.kind].worktop);
  const add = () => {
    const table = tables[0];
    const who = people.find((p) => !p.child) ?? people[0]!;
    const at = table ? seatAt(plan, table, 'front') : { ...middleOfRoom(plan), heading: 0 };
    const name = stations.length === 0 ? `${activity.name} seat` : `${activity.name} seat ${stations.length + 1}`;
    dispatch({
      type: 'addStation',
      station: {
        ...blankStation(newId('station'), name, activity.id, who.id),
        unitId: table?.id ?? null,
        standing: activity.posture === 'standing',
        ...at,
      },
    });
  };
  if (people.length === 0)
    return (
      <p className="rounded-2xl border-2 border-dashed border-line p-4 text-soft">
        First say who works here (on the right), then give this activity a seat.
      </p>
    );
  const zones = Object.values(plan.zones);
  const elsewhere = activity.doneAt !== 'here';
  return (
    <div className="space-y-3">
      {zones.length > 0 && (
        <SelectField
          className="w-52"
          label="the zone it is done in"
          value={activity.zoneId ?? ''}
          options={[['', 'none'], ...zones.map((z) => [z.id, z.name] as const)]}
          onCommit={(id) => dispatch({ type: 'setActivity', id: activity.id, set: { zoneId: id || null } })}
        />
      )}
      {elsewhere && <Outside activity={activity} stations={stations} />}
      {!elsewhere && stations.length === 0 && (
        <p className="rounded-2xl border-2 border-dashed border-line p-4 text-soft">
          No seat yet: near and far are measured from one.
        </p>
      )}
      {!elsewhere &&
        stations.map((s) => <Seat key={s.id} station={s} plan={plan} tables={tables} mapped={mapped} onMap={onMap} />)}
      {!elsewhere && (
        <Button look={stations.length === 0 ? 'main' : 'plain'} onClick={add}>
          <Plus size={15} aria-hidden /> {stations.length === 0 ? 'Give it a seat' : 'Another seat'}
        </Button>
      )}
    </div>
  );
}
