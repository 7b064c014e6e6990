import { X } from 'lucide-react';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';

export function Gone({ id, name, onChanged }: { id: string; name: string; onChanged: () => void }) {
  const dispatch = usePlan((s) => s.dispatch);
  return (
    <Button
      look="quiet"
      className="!px-1.5"
      aria-label={`No time of its own: ${name}`}
      onClick={() => dispatch({ type: 'removeFreeTime', id }) && onChanged()}
    >
      <X size={15} aria-hidden />
    </Button>
  );
}
