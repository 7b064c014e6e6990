import { toast } from 'sonner';
import { type OneMore } from '@heronstone/core/homes';
import { type Plan, placeTitle } from '@heronstone/core/plan';
import { askHomes } from '../../state/homes-worker.ts';
import { usePlan } from '../../state/plan-store.ts';
import { useAsked } from '../../state/asked.ts';
import { useFocusAfter } from '../../ui/focus-after.ts';
import { Button } from '../../ui/button.tsx';
import { today, yearWords } from '../../ui/words.ts';
import { type Held } from './held.ts';

/** What one more box, drawer or shelf would do for it; worked out beside the screen when asked. */
export function OneMoreOf({
  plan,
  held: { supply, share },
  asKin = false,
}: {
  plan: Plan;
  held: Held;
  asKin?: boolean;
}) {
  const dispatch = usePlan((s) => s.dispatch);
  const { answer: found, ask: asking } = useAsked<OneMore[]>([plan, supply.id, share]);
  const answer = useFocusAfter<HTMLHeadingElement>(found === 'working');
  const ask = () =>
    asking(() => askHomes(plan, (api) => api.oneMore(supply.id, share, today(), asKin))).catch((e: Error) =>
      toast.error(`It could not be worked out: ${e.message}`),
    );
  if (found === null || found === 'working')
    return (
      <Button className="mt-1" disabled={found === 'working'} onClick={() => void ask()}>
        {found === 'working' ? 'Trying each kind …' : 'Would one more box or drawer do?'}
      </Button>
    );
  return (
    <>
      <h4 ref={answer} tabIndex={-1} className="mt-1 font-semibold outline-none">
        One more would do
      </h4>
      {found.length === 0 && <p className="text-soft">No: nothing of a kind this room has takes it.</p>}
      <ul className="space-y-1">
        {found.map((one) => (
          <li
            key={one.what === 'container' ? one.organiser.id : one.like.id}
            className="rounded-lg border border-line px-2 py-1 text-[14px]"
          >
            {one.what === 'container'
              ? `One more ${one.organiser.name}${one.buy ? ' (to buy)' : ''} in ${placeTitle(plan, one.in)}`
              : `One more like ${placeTitle(plan, one.like)}`}
            : {yearWords(one.cost.seconds)} there, {yearWords(one.saves)} less than without a home.{' '}
            {one.what === 'container' && (
              <button type="button" className="text-heron hover:underline" onClick={() => dispatch(one.command)}>
                Set it in
              </button>
            )}
          </li>
        ))}
      </ul>
    </>
  );
}
