import { CalendarDays, Footprints } from 'lucide-react';
import { Link, useNavigate } from 'react-router';
import { useState } from 'react';
import { toast } from 'sonner';
import { asIn, backTo } from '@heronstone/core/homes';
import { apply, asOne, type Plan } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { forkPlan } from '../../../state/api.ts';
import { askHomes } from '../../../state/homes-worker.ts';
import { usePair } from '../../../state/found.ts';
import { useSelection } from '../../../state/selection.ts';
import { monthOf, countWords, today } from '../../../ui/words.ts';
import { Button } from '../../../ui/button.tsx';

/** Whether the things lie there already or have yet to be carried. */
export function Onward({ before }: { before: Plan }) {
  const dispatch = usePlan((s) => s.dispatch);
  const { keep } = usePair();
  const { select } = useSelection();
  const [working, setWorking] = useState(false);
  const navigate = useNavigate();
  const unsaved = usePlan((s) => s.unsaved);
  const carry = async () => {
    setWorking(true);
    try {
      // as it is now: homes may have been changed by hand since they were found
      const now = usePlan.getState().plan;
      const since = today();
      const back = backTo(before, now, since);
      const old = apply(now, back);
      if (!old.ok) throw new Error(old.reason);
      const { moves, stuck } = await askHomes(now, (api) => api.crossing(old.plan, monthOf(since)));
      const done = dispatch({
        type: 'several',
        words: 'plan the moves',
        commands: [back, { type: 'planMoves', moves }] as never,
      });
      if (!done) return;
      if (stuck.length > 0)
        toast(
          `The tray is too small for ${countWords(stuck.length, 'thing', 'things')}: ${stuck.slice(0, 3).join(', ')}.`,
        );
      keep(null);
      select({ view: 'crossing' });
    } catch (e) {
      toast.error(`The moves could not be worked out: ${(e as Error).message}`);
    } finally {
      setWorking(false);
    }
  };
  /** What was found is kept as a plan of its own, the old homes come back, and the way between them is laid over the days there are. */
  const dayByDay = async () => {
    setWorking(true);
    try {
      const now = usePlan.getState().plan;
      const { id } = await forkPlan(now.id, `${now.head.name} as found`.slice(0, 120));
      const back = asIn(now, before, today());
      if (back.length > 0 && !dispatch(asOne('the homes as they were', back))) return;
      keep(null);
      await navigate(`/p/${now.id}/keepup?view=doing&against=${id}`);
    } catch (e) {
      toast.error(`The days could not be planned: ${(e as Error).message}`);
    } finally {
      setWorking(false);
    }
  };
  return (
    <span className="flex flex-wrap gap-2">
      <Button
        look="quiet"
        title="Nothing is left to carry: put this away"
        onClick={() => {
          keep(null);
          select({ view: null });
        }}
      >
        They lie there already
      </Button>
      <Link
        className="self-center px-2 text-heron hover:underline"
        to={`/p/${usePlan.getState().plan.id}/keepup?view=look`}
      >
        Look test first
      </Link>
      <Button
        disabled={working || unsaved > 0}
        title="What was found becomes a plan of its own; jobs over the days you have lead to it"
        onClick={() => void dayByDay()}
      >
        <CalendarDays size={16} aria-hidden /> Day by day
      </Button>
      <Button
        look="main"
        disabled={working}
        title="The old homes come back and change one by one: the plan is true after every tick"
        onClick={() => void carry()}
      >
        <Footprints size={16} aria-hidden /> {working ? 'Working out the moves …' : 'Carry them over step by step'}
      </Button>
    </span>
  );
}
