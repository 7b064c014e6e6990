import { placeSaid } from '@heronstone/core/concepts';
import { useEffect, useMemo, useState } from 'react';
import { toast } from 'sonner';
import { pieceOf, STORAGE, storageFormsOf } from '@heronstone/core/fit';
import { asItsKin, bestPlacesFor, isOnShow, type OneMore } from '@heronstone/core/homes';
import { homesOf, type Plan, placeTitle, type Share, type Supply } from '@heronstone/core/plan';
import { askHomes } from '../../state/homes-worker.ts';
import { usePlan } from '../../state/plan-store.ts';
import { useAsked } from '../../state/asked.ts';
import { useFocusAfter } from '../../ui/focus-after.ts';
import { Button } from '../../ui/button.tsx';
import { Which } from '../../ui/which.tsx';
import { secondsWords, today, yearWords } from '../../ui/words.ts';
import { type MakingRoom as Making } from '../../workers/homes.worker.ts';
import { BandChip } from '../ledger/Ledger.tsx';
import { bestPlaces, type Offer } from './offers.ts';

type Held = { supply: Supply; share: Share };

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

/** Nothing takes it: what is the least that would change that. */
function NoPlace({ plan, held: { supply, share } }: { plan: Plan; held: Held }) {
  const dispatch = usePlan((s) => s.dispatch);
  const ways = useMemo(
    () =>
      storageFormsOf(supply)
        .filter((form) => form !== supply.storage)
        .flatMap((storage) => {
          const [best] = bestPlacesFor(plan, { ...supply, storage }, share, today(), 1);
          return best ? [{ storage, best }] : [];
        }),
    [plan, supply, share],
  );
  return (
    <div className="text-[14px]">
      <p className="text-soft">It goes into no place that everybody who uses it can reach.</p>
      {ways.map(({ storage, best }) => (
        <p key={storage}>
          Kept {STORAGE[storage].name} it would fit into {placeSaid(plan, best.place)}.{' '}
          <button
            type="button"
            className="text-heron hover:underline"
            onClick={() =>
              dispatch({
                type: 'several',
                words: `keep ${supply.name} otherwise`,
                commands: [{ type: 'setSupply', id: supply.id, set: { storage } }, best.command] as never,
              })
            }
          >
            Do that
          </button>
        </p>
      ))}
    </div>
  );
}

/** The same if one or two things make room for it, where that saves something in all. */
function MakingRoom({ plan, held, asKin = false }: { plan: Plan; held: Held; asKin?: boolean }) {
  const dispatch = usePlan((s) => s.dispatch);
  const [found, setFound] = useState<{ plan: Plan; held: Held; making: Making } | null>(null);
  useEffect(() => {
    let wanted = true;
    // the screen first: a moment later, and not at every step where several come at once
    const later = setTimeout(() => {
      askHomes(plan, (api) => api.makingRoom(held.supply.id, held.share, today(), asKin))
        .then((making) => wanted && setFound({ plan, held, making }))
        // it can do without: what it would have said is one more idea
        .catch(() => undefined);
    }, 60);
    return () => {
      wanted = false;
      clearTimeout(later);
    };
  }, [plan, held, asKin]);
  // what was found is of the plan as it was then, and of what was in hand
  const { refits, free } = found?.plan === plan && found.held === held ? found.making : { refits: [], free: null };
  if (refits.length === 0) return null;
  const against = free ?? 0;
  return (
    <>
      <h4 className="mt-1 font-semibold">If others make room</h4>
      <ul className="space-y-1">
        {refits.map((r) => (
          <li key={r.place.id} className="rounded-lg border border-line px-2 py-1 text-[14px]">
            {placeSaid(plan, r.place)}, {yearWords(against - r.change)} less in all
            {free && ' than the best that is free'}:{' '}
            {r.displaced.map((d) => `${d.supply.name} goes to ${placeSaid(plan, plan.places[d.to]!)}`).join(', ')}.{' '}
            <button type="button" className="text-heron hover:underline" onClick={() => dispatch(r.command)}>
              Do that
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}

/** What one more box, drawer or shelf would do for it; worked out beside the screen when asked. */
function OneMoreOf({ plan, held: { supply, share }, asKin = false }: { plan: Plan; held: Held; asKin?: boolean }) {
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

const KIN_WORDS = {
  own: null,
  kind: 'No activity names it yet: counted as others of its kind are fetched.',
  family: 'No activity names it yet: counted as its family is fetched.',
  none: 'No activity names it yet, nor anything like it: by what suits it alone.',
} as const;

/** What it costs that a thing is on show: its place against the best one if nobody had to see it. */
function OnShow({ plan, held, now }: { plan: Plan; held: Held; now: Offer }) {
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
