import { placeSaid } from '@heronstone/core/concepts';
import { type HeapBeside } from '@heronstone/core/homes';
import { type Plan } from '@heronstone/core/plan';
import { askHomes } from '../../state/homes-worker.ts';
import { usePlan } from '../../state/plan-store.ts';
import { countWords, today } from '../../ui/words.ts';
import { AskedList } from './AskedList.tsx';
import { isBetter, sameReason, whyEmpty } from './heap-words.ts';

/** Where more kinds lie on each other, or side by side in a drawer, than are told apart, although places beside them are more than half empty: why, and what would be better there; worked out when asked for. */
export function HeapsBeside({ plan }: { plan: Plan }) {
  const dispatch = usePlan((s) => s.dispatch);
  return (
    <AskedList<HeapBeside>
      plan={plan}
      question="Why do places stay empty beside heaps and crowded drawers?"
      working="Looking into heaps and drawers …"
      title="Heaps, crowded drawers and the places beside them"
      asking={() => askHomes(plan, (api) => api.heaps(today()))}
      none="Beside every heap and every crowded drawer all places are at least half full."
    >
      {({ place, kinds, lies, beside }) => (
        <li key={place.id} className="rounded-lg border border-line px-2 py-1">
          <span className="font-semibold">{placeSaid(plan, place)}</span>: {countWords(kinds, 'kind', 'kinds')} lie{' '}
          {lies === 'heaped' ? 'on each other' : 'side by side and slide among each other'}. More than half empty beside
          it:
          <ul>
            {sameReason(beside).map(({ places, of }) => (
              <li key={of.place.id}>
                {places.map((p) => p.name).join(', ')}: {whyEmpty(of)}{' '}
                {isBetter(of) && (
                  <button
                    type="button"
                    className="text-heron hover:underline"
                    onClick={() => of.best && dispatch(of.best.command)}
                  >
                    Put it there
                  </button>
                )}
              </li>
            ))}
          </ul>
        </li>
      )}
    </AskedList>
  );
}
