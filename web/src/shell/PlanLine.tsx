import { DoorOpen, Pencil, Trash2, Undo2 } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { type PlanSummary } from '../state/api.ts';
import { Button } from '../ui/button.tsx';
import { countWords, dayWords } from '../ui/words.ts';
import { Rename } from './Rename.tsx';

/** A plan in the list of plans: opened by its name; renamed, taken to another room or thrown away by who keeps it. */
export function PlanLine({
  plan,
  from,
  keeps,
  onRenamed,
  onAnother,
  onThrow,
}: {
  plan: PlanSummary;
  /** the plan it was made from, by name; null: from none */
  from: string | null;
  keeps: boolean;
  onRenamed: () => void;
  onAnother: () => void;
  onThrow: () => void;
}) {
  const [renaming, setRenaming] = useState(false);
  return (
    <li className="flex items-center gap-3">
      {renaming ? (
        <Rename
          plan={plan}
          onDone={(again) => {
            setRenaming(false);
            if (again) onRenamed();
          }}
        />
      ) : (
        <>
          <Link
            to={`/p/${plan.id}/${plan.supplies > 0 ? 'homes' : 'room'}`}
            className="flex min-w-0 grow flex-wrap items-baseline justify-between gap-x-4 py-3 hover:text-heron"
          >
            <span>
              <span className="text-lg font-semibold">{plan.name}</span>
              {from !== null && <span className="text-soft"> from {from}</span>}
            </span>
            <span className="text-soft">
              {countWords(plan.units, 'unit', 'units')} · {countWords(plan.places, 'place', 'places')} ·{' '}
              {countWords(plan.supplies, 'supply', 'supplies')}
            </span>
          </Link>
          {keeps && (
            <>
              <Button look="quiet" aria-label={`Rename ${plan.name}`} title="Rename" onClick={() => setRenaming(true)}>
                <Pencil size={15} aria-hidden />
              </Button>
              <Button
                look="quiet"
                aria-label={`The things of ${plan.name} in another room`}
                title="The same things in another room"
                onClick={onAnother}
              >
                <DoorOpen size={15} aria-hidden />
              </Button>
              <Button
                look="quiet"
                aria-label={`Throw ${plan.name} away`}
                title="Throw away; it can be brought back"
                onClick={onThrow}
              >
                <Trash2 size={15} aria-hidden />
              </Button>
            </>
          )}
        </>
      )}
    </li>
  );
}

/** Plans that were thrown away and can be brought back for a while. */
export function ThrownAway({
  plans,
  keeps,
  onBack,
}: {
  plans: readonly PlanSummary[];
  keeps: boolean;
  onBack: (plan: PlanSummary) => void;
}) {
  if (plans.length === 0) return null;
  return (
    <section aria-label="Thrown away">
      <h2 className="mt-8 font-display text-lg">Thrown away</h2>
      <ul className="mt-1 divide-y divide-line text-soft">
        {plans.map((p) => (
          <li key={p.id} className="flex items-center justify-between gap-3 py-1">
            <span>
              {p.name}, kept until {dayWords(p.keptUntil!)}
            </span>
            {keeps && (
              <Button aria-label={`Bring ${p.name} back`} onClick={() => onBack(p)}>
                <Undo2 size={15} aria-hidden /> Bring back
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
