import { Plus } from 'lucide-react';
import { formatLength } from '@heronstone/core/lengths';
import { type Activity, blankPerson, newId } from '@heronstone/core/plan';
import { useKept } from '../../state/kept.ts';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { PersonFields } from './PersonFields.tsx';
import { Heights } from './Heights.tsx';

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
