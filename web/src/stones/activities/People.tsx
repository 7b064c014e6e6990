import { Plus, Trash2 } from 'lucide-react';
import { formatLength } from '@heronstone/core/lengths';
import { heightOff, worktopWanted, type WorktopWanted } from '@heronstone/core/body';
import { CATALOGUE, TOP } from '@heronstone/core/catalogue';
import {
  type Activity,
  blankPerson,
  type Hazard,
  HAZARDS,
  keepFromAt,
  newId,
  type Person,
  sitsOn,
  statureAt,
  WORK_CLASSES,
} from '@heronstone/core/plan';
import { useKept } from '../../state/kept.ts';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { CheckField, LengthField, NumberField, SelectField, TextField } from '../../ui/fields.tsx';

/** Who works or is about here: how tall, which hand, and what their body would rather not do. */
export function People({ activity }: { activity: Activity | null }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const [open, setOpen] = useKept('people.open', '');
  const people = Object.values(plan.people).sort((a, b) => a.name.localeCompare(b.name));
  const add = () => {
    const person = blankPerson(newId('person'), `Maker ${people.length + 1}`, 1680);
    if (dispatch({ type: 'addPerson', person })) setOpen(person.id);
  };
  return (
    <section aria-label="People">
      <div className="flex items-center gap-2">
        <h2 className="font-display text-lg font-semibold">People</h2>
        <Button look={people.length ? 'quiet' : 'main'} onClick={add}>
          <Plus size={15} aria-hidden /> Someone
        </Button>
      </div>
      {people.length === 0 && (
        <p className="text-[14px] text-soft">Reach is worked out from how tall someone is. Add yourself first.</p>
      )}
      <ul>
        {people.map((p) => (
          <li key={p.id} className={`rounded-xl ${open === p.id ? 'bg-paper p-2' : ''}`}>
            <button
              type="button"
              aria-expanded={open === p.id}
              className="flex w-full justify-between rounded px-1 py-0.5 text-left hover:bg-stone"
              onClick={() => setOpen(open === p.id ? '' : p.id)}
            >
              <span className="font-medium">{p.name}</span>
              <span className="text-soft">
                {formatLength(p.stature, plan.head.measure)}
                {p.child ? `, child${p.age === null ? '' : ` of ${p.age}`}` : `, ${p.hand}-handed`}
              </span>
            </button>
            {open === p.id && (
              <>
                <PersonFields person={p} />
                {!p.child && <Heights person={p} activity={activity} />}
              </>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function PersonFields({ person }: { person: Person }) {
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

const WORK_WORDS = { fine: 'fine work', light: 'light work', heavy: 'pressing' } as const;

/** Worktop heights wanted for each kind of work, and how far each table of the room is off. */
function Heights({ person, activity }: { person: Person; activity: Activity | null }) {
  const plan = usePlan((s) => s.plan);
  const len = (mm: number) => formatLength(Math.round(mm), plan.head.measure);
  const tables = Object.values(plan.units).filter((u) => CATALOGUE[u.kind].worktop);
  const chair = 0.26 * person.stature + 25;
  const rows = WORK_CLASSES.flatMap((work) =>
    ([null, chair] as const)
      .filter((seat) =>
        person.mobility === 'standing' ? seat === null : person.mobility === 'wheelchair' ? seat !== null : true,
      )
      .map((seat) => ({ work, seat, want: worktopWanted(person, work, seat, TOP) })),
  );
  const off = (top: number, want: WorktopWanted) => {
    const by = heightOff(top, want);
    return Math.abs(by) < 1 ? 'right' : `${len(Math.abs(by))} too ${by < 0 ? 'low' : 'high'}`;
  };
  return (
    <details open>
      <summary className="cursor-pointer text-[13px] text-soft">Worktops for {person.name}</summary>
      <table className="w-full text-[13px]">
        <tbody>
          {rows.map(({ work, seat, want }) => (
            <tr
              key={`${work}${seat}`}
              className={`border-t border-line align-top ${activity?.work === work ? '' : 'text-soft'}`}
            >
              <th className="py-0.5 pr-1 text-left font-medium">
                {WORK_WORDS[work]}, {seat === null ? 'standing' : 'sitting'}
                <span className="block font-normal">
                  {want.lap
                    ? `as low as it goes, ${len(want.low)}; better standing or on a lower seat`
                    : `${len(want.low)} to ${len(want.high)}`}
                </span>
              </th>
              <td className="py-0.5">
                {tables.map((t) => (
                  <span key={t.id} className="block">
                    {t.name}: {off(t.bottom + t.height, want)}
                  </span>
                ))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
