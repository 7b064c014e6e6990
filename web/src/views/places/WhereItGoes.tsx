import { placeSaid } from '@heronstone/core/concepts';
import { useMemo } from 'react';
import { pieceOf } from '@heronstone/core/fit';
import { asItsKin, isOnShow } from '@heronstone/core/homes';
import { type Plan } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { Which } from '../../ui/which.tsx';
import { secondsWords, today, yearWords } from '../../ui/words.ts';
import { BandChip } from '../ledger/Ledger.tsx';
import { bestPlaces, type Offer } from './offers.ts';
import { type Held } from './held.ts';
import { MakingRoom } from './MakingRoom.tsx';
import { OneMoreOf } from './OneMoreOf.tsx';

const KIN_WORDS = {
  own: null,
  kind: 'No activity names it yet: counted as others of its kind are fetched.',
  family: 'No activity names it yet: counted as its family is fetched.',
  none: 'No activity names it yet, nor anything like it: by what suits it alone.',
} as const;

/** What it costs that a thing is on show: its place against the best one if nobody had to see it. */
export function OnShow({ plan, held, now }: { plan: Plan; held: Held; now: Offer }) {
  const { supply, share } = held;
  const shown = share === 'working' && isOnShow(plan, supply) && now.place.seen && now.place.covers.length === 0;
  const best = useMemo(
    () => (shown ? bestPlaces(plan, { ...supply, onShow: false }, share, 1).find((o) => o.room.ok) : undefined),
    [plan, supply, share, shown],
  );
  if (!shown) return null;
  const more = best ? now.seconds - best.seconds : 0;
  return (
    <p className="text-[14px]">
      It is to be on show.{' '}
      {best && more >= 60
        ? `That costs ${yearWords(more)} more than in ${placeSaid(plan, best.place)}, where it need not be seen.`
        : 'That costs nothing worth saying here.'}
    </p>
  );
}

/** Where a thing without a home could go, at once: three best places as everything lies, and with two things making room. */
export function WhereItGoes({ supply, share }: Held) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { plan: likely, kin } = useMemo(() => asItsKin(plan, supply), [plan, supply]);
  const offers = useMemo(() => bestPlaces(likely, supply, share, 3).filter((o) => o.room.ok), [likely, supply, share]);
  const held = useMemo(() => ({ supply, share }), [supply, share]);
  if (!pieceOf(supply))
    return (
      <p className="text-soft">Where it could go is known once it has a size: nobody can say yet what it goes into.</p>
    );
  return (
    <section aria-label={`Where ${supply.name} could go`} className="rounded-lg border border-line px-2 py-1">
      <h3 className="font-semibold">
        Where it could go <Which share={share} />
      </h3>
      {KIN_WORDS[kin] && <p className="text-[13px] text-soft">{KIN_WORDS[kin]}</p>}
      {offers.length === 0 && <p className="text-soft">No place has room for it as everything lies.</p>}
      <ul>
        {offers.map((o) => (
          <li key={o.place.id} className="flex flex-wrap items-center gap-x-2 py-0.5">
            <span className="min-w-0 grow">
              {placeSaid(plan, o.place)}
              <span className="block text-[13px] text-soft">
                <BandChip band={o.band} /> {secondsWords(o.each)} · {yearWords(o.seconds)} · {o.room.words}
                {o.care && <span className="text-clash"> · {o.care}</span>}
              </span>
            </span>
            <Button
              aria-label={`Put it there: ${placeSaid(plan, o.place)}`}
              onClick={() =>
                dispatch({ type: 'assignHome', supplyId: supply.id, share, placeId: o.place.id, since: today() })
              }
            >
              Put it there
            </Button>
          </li>
        ))}
      </ul>
      <MakingRoom plan={plan} held={held} asKin />
      {offers.length === 0 && <OneMoreOf plan={plan} held={held} asKin />}
    </section>
  );
}
