import { type LanesOffer } from '@heronstone/core/homes';
import { placeTitle, type Plan } from '@heronstone/core/plan';
import { askHomes } from '../../state/homes-worker.ts';
import { usePlan } from '../../state/plan-store.ts';
import { today } from '../../ui/words.ts';
import { AskedList } from './AskedList.tsx';
import { lanesGive, lanesSaid } from './lanes-words.ts';

/** What would give places a name that have none: drawers and boxes parted into lanes, each with what that saves; worked out when asked for. */
export function MoreNames({ plan }: { plan: Plan }) {
  const dispatch = usePlan((s) => s.dispatch);
  return (
    <AskedList<Omit<LanesOffer, 'plan'>>
      plan={plan}
      question="What would give more names?"
      working="Trying lanes …"
      title="Lanes that would help"
      asking={() => askHomes(plan, (api) => api.lanes(today()))}
      none="No drawer or box with several names can be parted so that each gets one and all finds room, or it would save less than ten minutes a year. What to buy is asked under Try-out, as what would help most."
    >
      {(offer) => (
        <li key={offer.place.id} className="rounded-lg border border-line px-2 py-1">
          <span className="font-semibold">{placeTitle(plan, offer.place)}</span> ({offer.said}): {lanesSaid(offer)}.{' '}
          {lanesGive(offer)}{' '}
          <button type="button" className="text-heron hover:underline" onClick={() => dispatch(offer.command)}>
            Part it so
          </button>
        </li>
      )}
    </AskedList>
  );
}
