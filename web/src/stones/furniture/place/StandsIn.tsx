import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { seatsFor, setInCommand } from '@heronstone/core/fit';
import { homesIn, type Place, placesIn, type Plan } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { NumberField, SelectField } from '../../../ui/fields/index.ts';
import { OrganiserChip } from './OrganiserChip.tsx';

/** Containers that stand in it, and setting more in. */
export function StandsIn({ plan, place, onOpen }: { plan: Plan; place: Place; onOpen: (id: string) => void }) {
  const dispatch = usePlan((s) => s.dispatch);
  const organisers = Object.values(plan.organisers).sort((a, b) => (a.name < b.name ? -1 : 1));
  const [chosen, setChosen] = useState(organisers[0]?.id ?? '');
  const [count, setCount] = useState(1);
  const organiser = plan.organisers[chosen] ?? organisers[0];
  const boxes = placesIn(plan, place.id).filter((p) => p.organiserId !== null);
  const room = organiser ? seatsFor(plan, place, organiser, 99).length : 0;
  return (
    <section className="border-t border-line pt-1" aria-label="Containers in it">
      {boxes.length > 0 && (
        <ul className="mb-1 space-y-0.5">
          {boxes.map((box) => (
            <li key={box.id} className="flex items-center gap-1">
              <button
                type="button"
                className="grow truncate text-left text-heron hover:underline"
                onClick={() => onOpen(box.id)}
              >
                {box.name}
              </button>
              <span className="text-soft">{homesIn(plan, box.id).length || 'empty'}</span>
              <Button
                look="quiet"
                className="!px-1"
                aria-label={`Take ${box.name} out`}
                onClick={() => dispatch({ type: 'takeOut', id: box.id })}
              >
                <Trash2 size={13} aria-hidden />
              </Button>
            </li>
          ))}
        </ul>
      )}
      {organiser ? (
        <>
          <p className="text-[13px] text-soft">Drag one in, or say how many:</p>
          <p className="mb-1 flex flex-wrap gap-1">
            {organisers.slice(0, 12).map((o) => (
              <OrganiserChip key={o.id} organiser={o} />
            ))}
          </p>
          <div className="grid grid-cols-[1fr_4.5rem_auto] items-end gap-2">
            <SelectField
              label="set in"
              value={organiser.id}
              options={organisers.map((o) => [o.id, o.name] as const)}
              onCommit={setChosen}
            />
            <NumberField label="how many" whole min={1} max={99} value={count} onCommit={setCount} />
            <Button
              onClick={() => {
                const command = setInCommand(plan, place, organiser, count);
                if (command) dispatch(command);
              }}
            >
              Set in
            </Button>
            <p className={`col-span-3 text-[13px] ${room < count ? 'text-clash' : 'text-soft'}`}>
              {room === 0 ? 'There is no room for one.' : `There is room for ${room === 99 ? 'many' : room}.`}
            </p>
          </div>
        </>
      ) : (
        <p className="text-soft">
          Containers of your own are measured once at “Containers”; then they are set in here.
        </p>
      )}
    </section>
  );
}
