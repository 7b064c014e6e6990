import { type Held } from './held.ts';
import { placeSaid } from '@heronstone/core/concepts';
import { useMemo } from 'react';
import { pieceOf } from '@heronstone/core/fit';
import { homesOf, type Plan } from '@heronstone/core/plan';
import { secondsWords, yearWords } from '../../ui/words.ts';
import { BandChip } from '../ledger/Ledger.tsx';
import { bestPlaces } from './offers.ts';
import { NoPlace } from './NoPlace.tsx';
import { OnShow } from './WhereItGoes.tsx';
import { MakingRoom } from './MakingRoom.tsx';
import { OneMoreOf } from './OneMoreOf.tsx';

/** “+ 4 min a year”, “− 30 s a year”. */
const againstNow = (seconds: number) => `${seconds < 0 ? '−' : '+'} ${yearWords(Math.abs(seconds))}`;

/** Where else it could live: the best places as everything lies, and with one or two things making room; each worked out, none guessed. */
export function BestPlaces({
  plan,
  held,
  placeId,
  onChoose,
}: {
  plan: Plan;
  held: Held;
  placeId: string | null;
  onChoose: (id: string) => void;
}) {
  const offers = useMemo(() => bestPlaces(plan, held.supply, held.share, 4), [plan, held.supply, held.share]);
  const homes = homesOf(plan, held.supply.id, held.share);
  const free = offers.find((o) => o.room.ok && !homes.some((h) => h.placeId === o.place.id));
  const now = homes.length > 0 ? offers.find((o) => homes.some((h) => h.placeId === o.place.id)) : undefined;
  return (
    <section aria-label="Best places" className="mt-2 border-t border-line pt-1">
      <h3 className="font-semibold">{homes.length > 0 ? 'Why here, and what comes next' : 'Best places for it'}</h3>
      {offers.length === 0 && <NoPlace plan={plan} held={held} />}
      {now && free && homes.some((h) => h.pinned) && now.seconds - free.seconds >= 60 && (
        <p className="text-[14px]">
          Pinned here it costs {yearWords(now.seconds - free.seconds)} more than in {placeSaid(plan, free.place)}.
        </p>
      )}
      {now && <OnShow plan={plan} held={held} now={now} />}
      <ul>
        {offers.map((o) => (
          <li key={o.place.id}>
            <button
              type="button"
              onClick={() => onChoose(o.place.id)}
              className={`grid w-full grid-cols-[1fr_auto] gap-x-2 rounded-md px-1.5 py-0.5 text-left hover:bg-stone ${o.place.id === placeId ? 'bg-stone' : ''}`}
            >
              <span className="truncate">
                {placeSaid(plan, o.place)}
                {homes.some((h) => h.placeId === o.place.id) && <span className="text-soft"> (now)</span>}
              </span>
              <span className="text-right">
                {now && o !== now ? againstNow(o.seconds - now.seconds) : yearWords(o.seconds)}
              </span>
              <span className="text-[13px] text-soft">
                <BandChip band={o.band} /> {secondsWords(o.each)}
                {o.care && <span className="block text-clash">{o.care}</span>}
              </span>
              <span className={`text-right text-[13px] ${o.room.ok ? 'text-soft' : 'text-clash'}`}>{o.room.words}</span>
            </button>
          </li>
        ))}
      </ul>
      <MakingRoom plan={plan} held={held} />
      {homes.length === 0 && pieceOf(held.supply) && !offers.some((o) => o.room.ok) && (
        <OneMoreOf plan={plan} held={held} />
      )}
    </section>
  );
}
