import { toast } from 'sonner';
import { throwAway } from '../state/api.ts';
import { usePlan } from '../state/plan-store.ts';
import { Button } from '../ui/button.tsx';
import { dayWords } from '../ui/words.ts';

/** Word that the plan was thrown away, here or in another window, and the way to bring it back. */
export function ThrownAway() {
  const keptUntil = usePlan((s) => s.keptUntil);
  const planId = usePlan((s) => s.planId);
  if (keptUntil === null || planId === null) return null;
  const back = () => throwAway(planId, false).catch((e: unknown) => void toast.error((e as Error).message));
  return (
    <div role="alert" className="flex flex-wrap items-center gap-x-3 bg-stone px-4 py-1">
      <p>
        This plan was thrown away. It is kept until {dayWords(keptUntil)}, with all that is changed in it, and then it
        goes.
      </p>
      <Button onClick={() => void back()}>Bring it back</Button>
    </div>
  );
}
