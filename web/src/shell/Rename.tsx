import { type FormEvent, useState } from 'react';
import { newId } from '@heronstone/core/plan';
import { type PlanSummary, sendCommand } from '../state/api.ts';
import { Button } from '../ui/button.tsx';

/** Another name for a plan, on its list; undone in the plan like any change. */
export function Rename({ plan, onDone }: { plan: PlanSummary; onDone: (changed: boolean) => void }) {
  const [name, setName] = useState(plan.name);
  const [trouble, setTrouble] = useState<string | null>(null);
  const rename = async (e: FormEvent) => {
    e.preventDefault();
    const wanted = name.trim();
    if (wanted === '') return setTrouble('A plan needs a name.');
    if (wanted === plan.name) return onDone(false);
    try {
      await sendCommand(plan.id, newId('command'), { type: 'setPlan', set: { name: wanted } });
      onDone(true);
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  return (
    <form className="flex grow flex-wrap items-center gap-2 py-2" onSubmit={(e) => void rename(e)}>
      <input
        autoFocus
        aria-label={`New name of ${plan.name}`}
        maxLength={120}
        aria-invalid={trouble !== null}
        className="min-w-56 rounded-full border border-edge bg-paper px-4 py-1.5"
        value={name}
        onChange={(e) => setName(e.target.value)}
        onKeyDown={(e) => e.key === 'Escape' && onDone(false)}
      />
      <Button type="submit" look="main">
        Rename
      </Button>
      <Button look="quiet" onClick={() => onDone(false)}>
        Leave it
      </Button>
      {trouble && (
        <span role="alert" className="text-clash">
          {trouble}
        </span>
      )}
    </form>
  );
}
