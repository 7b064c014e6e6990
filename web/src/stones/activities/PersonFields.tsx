import { Trash2 } from 'lucide-react';
import { type Hazard, HAZARDS, keepFromAt, type Person, sitsOn, statureAt } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { CheckField, LengthField, NumberField, SelectField, TextField } from '../../ui/fields/index.ts';

export function PersonFields({ person }: { person: Person }) {
  const dispatch = usePlan((s) => s.dispatch);
  const set = (part: Partial<Person>) =>
    dispatch({
      type: 'setPerson',
      id: person.id,
      set: part,
    });
  const measured = (key: 'eyeHeight' | 'shoulderHeight' | 'elbowHeight' | 'gripReach', label: string) => (
    <LengthField label={label} optional mm={person[key]} onCommit={(mm) => set({ [key]: mm })} />
  );
  return (
    <div className="mt-1 space-y-2">
      <div className="grid grid-cols-2 gap-2">
        <TextField label="Name" value={person.name} onCommit={(name) => set({ name })} />
        <LengthField
          label="Height without shoes"
          positive
          mm={person.stature}
          onCommit={(mm) => mm !== null && set({ stature: mm })}
        />
        <SelectField
          label="Hand"
          value={person.hand}
          options={[
            ['right', 'right-handed'],
            ['left', 'left-handed'],
          ]}
          onCommit={(hand) => set({ hand })}
        />
        <SelectField
          label="Sits on"
          value={person.mobility}
          options={[
            ['swivel', 'a chair that turns and rolls'],
            ['stool', 'a chair that stays put'],
            ['standing', 'nothing: on her or his feet'],
            ['wheelchair', 'a wheelchair'],
          ]}
          onCommit={(mobility) => set(sitsOn(mobility, person.mobility))}
        />
      </div>
      <div className="grid grid-cols-2">
        {person.mobility === 'wheelchair' ? (
          <p className="col-span-2 text-[13px] text-soft">
            From a wheelchair: no climbing, no stooping, no kneeling; what is reached is reached from its seat.
          </p>
        ) : (
          <>
            <CheckField label="may climb a step" checked={person.mayClimb} onCommit={(mayClimb) => set({ mayClimb })} />
            <CheckField label="may stoop" checked={person.mayStoop} onCommit={(mayStoop) => set({ mayStoop })} />
            <CheckField label="may kneel" checked={person.mayKneel} onCommit={(mayKneel) => set({ mayKneel })} />
          </>
        )}
        <CheckField
          label="is a child"
          checked={person.child}
          onCommit={(child) =>
            set({ child, keepFrom: child ? keepFromAt(person.age) : [], ...(child ? {} : { age: null }) })
          }
        />
      </div>
      {person.child && <ChildFields person={person} set={set} />}
      <details>
        <summary className="cursor-pointer text-[13px] text-soft">
          Measured rather than worked out, standing in shoes
        </summary>
        <div className="grid grid-cols-2 gap-2">
          {measured('eyeHeight', 'eye')}
          {measured('shoulderHeight', 'shoulder')}
          {measured('elbowHeight', 'elbow')}
          {measured('gripReach', 'shoulder to grip')}
        </div>
      </details>
      <Button look="quiet" onClick={() => dispatch({ type: 'removePerson', id: person.id })}>
        <Trash2 size={14} aria-hidden /> Take out
      </Button>
    </div>
  );
}

function ChildFields({ person, set }: { person: Person; set: (part: Partial<Person>) => boolean }) {
  return (
    <div>
      <div className="flex items-end gap-2">
        <NumberField
          className="w-24"
          label="years old"
          whole
          max={17}
          value={person.age ?? 0}
          onCommit={(age) => set({ age, keepFrom: keepFromAt(age) })}
        />
        {person.age !== null && Math.abs(statureAt(person.age) - person.stature) > 1 && (
          <Button look="quiet" onClick={() => set({ stature: statureAt(person.age!) })}>
            usual height at {person.age}
          </Button>
        )}
      </div>
      <fieldset>
        <legend className="text-[13px] text-soft">must be kept from (you know better than a table)</legend>
        <div className="grid grid-cols-4 text-[14px]">
          {HAZARDS.map((h: Hazard) => (
            <CheckField
              key={h}
              label={h}
              checked={person.keepFrom.includes(h)}
              onCommit={(on) =>
                set({ keepFrom: on ? [...person.keepFrom, h] : person.keepFrom.filter((x) => x !== h) })
              }
            />
          ))}
        </div>
      </fieldset>
    </div>
  );
}
