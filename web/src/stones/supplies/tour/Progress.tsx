import { placeTitle, type Plan } from '@heronstone/core/plan';
import { type Stop } from '@heronstone/core/stock';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { countWords } from '../../../ui/words.ts';
import { RoomStrip } from '../room/RoomStrip.tsx';

/** How far the tour is, and what has not been looked into. */
export function Progress({
  plan,
  stops,
  here,
  onGo,
}: {
  plan: Plan;
  stops: readonly Stop[];
  here: Stop;
  onGo: (to: Stop) => void;
}) {
  const dispatch = usePlan((s) => s.dispatch);
  const seen = stops.filter((s) => s.place.touredOn !== null).length;
  const open = stops.filter((s) => s.place.touredOn === null && s !== here);
  const anew = () =>
    dispatch({
      type: 'several',
      words: 'begin the tour anew',
      commands: stops
        .filter((s) => s.place.touredOn !== null)
        .map((s) => ({ type: 'setPlace', id: s.place.id, set: { touredOn: null } })),
    });
  return (
    <aside aria-label="How far the tour is" className="min-w-0">
      <p>
        <strong>{seen}</strong> of {countWords(stops.length, 'place', 'places')} looked into
      </p>
      <progress className="h-2 w-full accent-heron" value={seen} max={stops.length} aria-label="Places looked into" />
      {seen === stops.length && seen > 0 ? (
        <p className="mt-2 text-soft">All of them. Room still changes: the tour can begin anew when it has.</p>
      ) : (
        <>
          <h3 className="mt-2 font-semibold">Not yet</h3>
          <ol className="max-h-64 overflow-auto" aria-label="Places not yet looked into">
            {open.slice(0, 60).map((s) => (
              <li key={s.place.id}>
                <button
                  type="button"
                  className="w-full truncate rounded px-1 text-left hover:bg-stone"
                  style={{ paddingLeft: 4 + s.depth * 14 }}
                  onClick={() => onGo(s)}
                >
                  {s.depth === 0 ? placeTitle(plan, s.place) : s.place.name}
                </button>
              </li>
            ))}
            {open.length > 60 && <li className="px-1 text-soft">… and {open.length - 60} more</li>}
          </ol>
        </>
      )}
      <RoomStrip plan={plan} />
      {seen > 0 && (
        <Button className="mt-2" onClick={anew}>
          Begin anew
        </Button>
      )}
    </aside>
  );
}
