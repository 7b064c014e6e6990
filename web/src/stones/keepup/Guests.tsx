import { Printer } from 'lucide-react';
import { useMemo } from 'react';
import { placeSaid } from '@heronstone/core/concepts';
import { type Hazard } from '@heronstone/core/plan';
import { thingsFor } from '@heronstone/core/upkeep';
import { useAccess } from '../../state/access.ts';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { SelectField } from '../../ui/fields/index.ts';
import { printPart } from '../../ui/print.ts';
import { monthOf, today } from '../../ui/words.ts';
import { Front } from '../../views/front/Front.tsx';

const WHY: Record<Hazard, string> = {
  ...{ blade: 'it cuts', hot: 'it is hot', flammable: 'it burns', fumes: 'it gives off fumes', small: 'small parts' },
  ...{ magnet: 'strong magnets', toxic: 'poisonous', heavy: 'it is heavy' },
};

/** A page for a child or a guest, to print or to open on a phone: where their things are, what they may take, what they ask for. */
export default function Guests() {
  const plan = usePlan((s) => s.plan);
  const guild = useAccess((s) => s.told?.guild === true);
  const { get, select } = useSelection();
  const people = Object.values(plan.people).sort(
    (a, b) => Number(b.child) - Number(a.child) || (a.name < b.name ? -1 : 1),
  );
  const person = plan.people[get('person') ?? ''] ?? people[0];
  const guest = useMemo(() => (person ? thingsFor(plan, person, monthOf(today())) : null), [plan, person]);
  if (!person || !guest) return <p className="py-4">Nobody is in this plan yet: say who works here at Activities.</p>;
  return (
    <div>
      <div className="flex flex-wrap items-end gap-3 py-1 print:hidden">
        <SelectField
          className="w-44"
          label="a page for"
          value={person.id}
          options={people.map((p) => [p.id, p.name] as const)}
          onCommit={(id) => select({ person: id })}
        />
        <Button onClick={() => printPart('guest')}>
          <Printer size={15} aria-hidden /> Print it
        </Button>
        {!guild && (
          <p className="max-w-md text-[14px] text-soft">
            On a phone in the house the address of this page shows the same; the page of plans has it as a code.
          </p>
        )}
      </div>
      <article data-print-part="guest" className="max-w-3xl" aria-label={`For ${person.name}`}>
        <h2 className="font-display text-2xl font-semibold">For {person.name}</h2>
        {guest.take.length + guest.ask.length === 0 && (
          <p>Nothing is used at a seat of {person.name} yet. Say at Activities what is made there, and with what.</p>
        )}
        {guest.take.length > 0 && (
          <>
            <h3 className="mt-2 text-lg font-semibold">Take it and put it back there</h3>
            <ul className="mt-1 grid gap-x-6 gap-y-3 sm:grid-cols-2">
              {guest.take.map(({ place, supplies }) => {
                const unit = place ? plan.units[place.unitId] : undefined;
                return (
                  <li key={place?.id ?? ''} className="flex items-center gap-4">
                    {unit && place ? (
                      <Front plan={plan} unit={unit} chosen={place.id} named={false} className="h-16 w-20 shrink-0" />
                    ) : (
                      <div className="w-20" />
                    )}
                    <div>
                      <p className="text-lg font-semibold">{supplies.map((s) => s.name).join(', ')}</p>
                      <p>{place ? placeSaid(plan, place) : 'has no home yet: ask where it is'}</p>
                    </div>
                  </li>
                );
              })}
            </ul>
          </>
        )}
        {guest.ask.length > 0 && (
          <>
            <h3 className="mt-4 text-lg font-semibold text-clash">Ask first</h3>
            <ul className="mt-1">
              {guest.ask.map(({ supply, hazards }) => (
                <li key={supply.id}>
                  <strong className="font-semibold">{supply.name}</strong>: {hazards.map((h) => WHY[h]).join(', ')}
                </li>
              ))}
            </ul>
            <p className="mt-1 text-[13px] text-soft">
              What a child is kept from is said at Activities, with the person. It is a help, no guard: a grown person
              stays near. Makers’ warnings and local rules come first.
            </p>
          </>
        )}
      </article>
    </div>
  );
}
