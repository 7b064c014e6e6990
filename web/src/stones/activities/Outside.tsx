import { seatAtDoor, spotAtDoor } from '@heronstone/core/room';
import { type Activity, DONE_AT_WORDS, newId, type Station } from '@heronstone/core/plan';
import { Plus, Trash2 } from 'lucide-react';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { SelectField, TextField } from '../../ui/fields/index.ts';
import { Comes } from './Comes.tsx';

/** Of an activity that is done out of the room: who takes its things along, and that they go out and come back at the door. */
export function Outside({ activity, stations }: { activity: Activity; stations: readonly Station[] }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const add = () => {
    const station = seatAtDoor(plan, activity, newId('station'));
    if (station) dispatch({ type: 'addStation', station });
  };
  return (
    <div className="space-y-3">
      <p className="rounded-2xl bg-paper p-3">
        It is done {DONE_AT_WORDS[activity.doneAt]}: what it surely needs is got together at the door, taken along and
        put back at the end; what it wants now and then is come back for. Near and far are measured from the door, and
        no table, light or socket of this room is asked for.
      </p>
      {stations.map((s) => (
        <fieldset key={s.id} className="flex flex-wrap items-end gap-2 rounded-2xl bg-paper p-3">
          <legend className="sr-only">{s.name}</legend>
          <TextField
            className="w-48"
            label="Where it goes out"
            value={s.name}
            onCommit={(name) => dispatch({ type: 'setStation', id: s.id, set: { name } })}
          />
          <SelectField
            className="w-32"
            label="who"
            value={s.personId}
            options={Object.values(plan.people).map((p) => [p.id, p.name] as const)}
            onCommit={(personId) => dispatch({ type: 'setStation', id: s.id, set: { personId } })}
          />
          <Comes station={s} />
          <Button onClick={() => dispatch({ type: 'setStation', id: s.id, set: spotAtDoor(plan) })}>To the door</Button>
          <Button
            look="quiet"
            aria-label={`Take out ${s.name}`}
            onClick={() => dispatch({ type: 'removeStation', id: s.id })}
          >
            <Trash2 size={15} aria-hidden />
          </Button>
        </fieldset>
      ))}
      <Button look={stations.length === 0 ? 'main' : 'plain'} onClick={add}>
        <Plus size={15} aria-hidden /> {stations.length === 0 ? 'Somebody takes them out' : 'Somebody else, too'}
      </Button>
    </div>
  );
}
