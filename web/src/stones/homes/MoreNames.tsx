import { toast } from 'sonner';
import { type LanesOffer } from '@heronstone/core/homes';
import { placeTitle, type Plan } from '@heronstone/core/plan';
import { useAsked } from '../../state/asked.ts';
import { askHomes } from '../../state/homes-worker.ts';
import { usePlan } from '../../state/plan-store.ts';
import { useFocusAfter } from '../../ui/focus-after.ts';
import { Button } from '../../ui/button.tsx';
import { today } from '../../ui/words.ts';
import { lanesGive, lanesSaid } from './lanes-words.ts';

/** What would give places a name that have none: drawers and boxes parted into lanes, each with what that saves; worked out when asked for. */
export function MoreNames({ plan }: { plan: Plan }) {
  const dispatch = usePlan((s) => s.dispatch);
  const { answer, ask } = useAsked<Omit<LanesOffer, 'plan'>[]>([plan]);
  const list = useFocusAfter<HTMLUListElement>(answer === 'working');
  const asking = () =>
    ask(() => askHomes(plan, (api) => api.lanes(today()))).catch((e: Error) =>
      toast.error(`It could not be worked out: ${e.message}`),
    );
  if (answer === null || answer === 'working')
    return (
      <Button look="quiet" disabled={answer === 'working'} onClick={() => void asking()}>
        {answer === 'working' ? 'Trying lanes …' : 'What would give more names?'}
      </Button>
    );
  return (
    <ul
      ref={list}
      tabIndex={-1}
      aria-label="Lanes that would help"
      role="status"
      className="mt-1 space-y-1 text-[14px] outline-none"
    >
      {answer.length === 0 && (
        <li className="text-soft">
          No drawer or box with several names can be parted so that each gets one and all finds room, or it would save
          less than ten minutes a year. What to buy is asked under Try-out, as what would help most.
        </li>
      )}
      {answer.map((offer) => (
        <li key={offer.place.id} className="rounded-lg border border-line px-2 py-1">
          <span className="font-semibold">{placeTitle(plan, offer.place)}</span> ({offer.said}): {lanesSaid(offer)}.{' '}
          {lanesGive(offer)}{' '}
          <button type="button" className="text-heron hover:underline" onClick={() => dispatch(offer.command)}>
            Part it so
          </button>
        </li>
      ))}
    </ul>
  );
}
