import { useDraggable } from '@dnd-kit/core';
import { Pin, PinOff, X } from 'lucide-react';
import { useState } from 'react';
import { fitOf, holderOf } from '@heronstone/core/fit';
import { placeFilling } from '@heronstone/core/homes';
import { placeSaid } from '@heronstone/core/concepts';
import {
  amountOf,
  countIn,
  homesIn,
  homesOf,
  isSeasonal,
  monthWords,
  placesIn,
  type Plan,
  restingMonths,
  type Share,
  type Supply,
  wantedMonths,
} from '@heronstone/core/plan';
import { type Maker } from '@heronstone/core/reach';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { Which } from '../../ui/which.tsx';
import { NumberField } from '../../ui/fields.tsx';
import { today } from '../../ui/words.ts';
import { Ledger } from '../../views/ledger/Ledger.tsx';
import { BestPlaces } from '../../views/places/BestPlaces.tsx';
import { roomWords } from '../../views/places/offers.ts';

type Held = { supply: Supply; share: Share };
type Props = {
  inHand: Held | null;
  placeId: string | null;
  maker: Maker;
  onGive: (held: Held, placeId: string) => boolean;
  onChoosePlace: (placeId: string) => void;
  onTake: (held: Held) => void;
  onLetGo: () => void;
};

/** The supply in hand with its best places, the ledger of the pair, or what lives in the chosen place. */
export function InHand({ inHand, placeId, maker, onGive, onChoosePlace, onTake, onLetGo }: Props) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const homes = inHand ? homesOf(plan, inHand.supply.id, inHand.share) : [];
  const home = homes.find((h) => h.placeId === placeId) ?? homes[0];
  const place = placeId ? plan.places[placeId] : undefined;
  if (!inHand && !place)
    return (
      <p className="pt-1 text-soft">
        Take a supply in hand from the tray, or choose a place of Round: its ledger says here, motion by motion, why it
        costs what it costs. Hot things far away and idle room at hand are what to look for.
      </p>
    );
  const isHome = place && home?.placeId === place.id;
  return (
    <div className="min-h-0 overflow-auto pr-1" tabIndex={0} role="group" aria-label="What is chosen">
      {inHand && (
        <div className="mb-1 flex flex-wrap items-center gap-1.5">
          {place && !isHome && (
            <Button look="main" onClick={() => onGive(inHand, place.id)}>
              Give it this home
            </Button>
          )}
          {place && !isHome && amountOf(inHand.supply, inHand.share) > 1 && (
            <Part
              key={`${inHand.supply.id}.${inHand.share} ${place.id}`}
              plan={plan}
              held={inHand}
              placeId={place.id}
            />
          )}
          {home && (
            <>
              <Button
                aria-pressed={home.pinned}
                onClick={() =>
                  dispatch({ type: 'pinHome', supplyId: inHand.supply.id, share: inHand.share, pinned: !home.pinned })
                }
                title="A pinned home stays when homes are found ( P )"
              >
                {home.pinned ? <PinOff size={15} aria-hidden /> : <Pin size={15} aria-hidden />}{' '}
                {home.pinned ? 'Unpin' : 'Pin it here'}
              </Button>
              <Button
                look="quiet"
                onClick={() => dispatch({ type: 'leaveHome', supplyId: inHand.supply.id, share: inHand.share })}
              >
                Take it out
              </Button>
            </>
          )}
          <Button
            look="quiet"
            className="ml-auto !px-1.5"
            aria-label={`Put ${inHand.supply.name} out of hand`}
            onClick={onLetGo}
          >
            <X size={16} aria-hidden />
          </Button>
        </div>
      )}
      {place ? (
        <>
          <Ledger
            plan={plan}
            maker={maker}
            placeId={place.id}
            supply={inHand?.supply ?? null}
            share={inHand?.share ?? 'working'}
          />
          {inHand && (
            <p className={roomWords(plan, place, inHand.supply, inHand.share).ok ? 'text-soft' : 'text-clash'}>
              {roomWords(plan, place, inHand.supply, inHand.share).words}
            </p>
          )}
          {inHand && homes.length > 1 && (
            <p className="text-soft">
              It lives in {homes.length} places:{' '}
              {homes
                .map((h) => `${countIn(plan, h, inHand.supply)} in ${placeSaid(plan, plan.places[h.placeId]!)}`)
                .join(', ')}
              .
            </p>
          )}
          {!inHand && <Contents plan={plan} placeId={place.id} onTake={onTake} onChoosePlace={onChoosePlace} />}
        </>
      ) : (
        inHand && <h2 className="font-display text-lg font-semibold">{inHand.supply.name}</h2>
      )}
      {inHand && <Seasons plan={plan} held={inHand} onTake={onTake} />}
      {inHand && <BestPlaces plan={plan} held={inHand} placeId={placeId} onChoose={onChoosePlace} />}
    </div>
  );
}

/** In its season and out of it: which of the two homes is in hand, and what there is to say of the other. */
function Seasons({ plan, held, onTake }: { plan: Plan; held: Held; onTake: (held: Held) => void }) {
  const { supply, share } = held;
  if (share === 'backstock' || !isSeasonal(plan, supply)) return null;
  const rests = homesOf(plan, supply.id, 'resting').length > 0;
  const each = [
    ['working', wantedMonths(plan, supply)],
    ['resting', restingMonths(plan, supply)],
  ] as const;
  return (
    <div className="mt-1">
      <div role="group" aria-label="Which part of the year" className="flex flex-wrap gap-1">
        {each.map(([which, months]) => (
          <button
            key={which}
            type="button"
            aria-pressed={share === which}
            onClick={() => onTake({ supply, share: which })}
            className={`rounded-md border px-2 py-0.5 text-[14px] ${share === which ? 'border-ink bg-ink text-ground' : 'border-line bg-paper hover:border-heron'}`}
          >
            {which === 'working' ? 'in its season' : 'out of it'}: {monthWords(months)}
          </button>
        ))}
      </div>
      {!rests && (
        <p className="text-[14px] text-soft">
          It stays where it is all the year
          {share === 'resting' ? ': give it a home for these months, and it is there only then.' : '.'}
        </p>
      )}
    </div>
  );
}

/** Only some of a share: so many go there, the others stay where they are. */
function Part({ plan, held, placeId }: { plan: Plan; held: Held; placeId: string }) {
  const dispatch = usePlan((s) => s.dispatch);
  const total = amountOf(held.supply, held.share);
  const place = plan.places[placeId]!;
  const fit = fitOf(holderOf(place), held.supply, total);
  const [count, setCount] = useState(Math.min(total - 1, fit.ok ? Math.ceil(total / 2) : Math.max(1, fit.fits)));
  return (
    <span className="flex items-end gap-1">
      <NumberField
        className="w-16"
        label="only"
        hideLabel
        whole
        min={1}
        max={total - 1}
        value={count}
        onCommit={setCount}
      />
      <Button
        look="quiet"
        onClick={() =>
          dispatch({
            type: 'assignHome',
            supplyId: held.supply.id,
            share: held.share,
            placeId,
            since: today(),
            count,
          })
        }
      >
        only {count} of {total} here
      </Button>
    </span>
  );
}

function Contents({
  plan,
  placeId,
  onTake,
  onChoosePlace,
}: {
  plan: Plan;
  placeId: string;
  onTake: (held: Held) => void;
  onChoosePlace: (id: string) => void;
}) {
  const place = plan.places[placeId]!;
  const inner = placesIn(plan, placeId);
  const homes = homesIn(plan, placeId);
  const filling = placeFilling(plan, place);
  return (
    <section aria-label="What lives here" className="mt-2 border-t border-line pt-1">
      <h3 className="font-semibold">
        Lives here{' '}
        <span className="font-normal text-soft">{Math.round((filling.used / filling.capacity) * 100)} % full</span>
      </h3>
      {filling.faults.map((f) => (
        <p key={f} className="text-clash">
          {f}
        </p>
      ))}
      {inner.length > 0 && (
        <ul className="mt-1 flex flex-wrap gap-1" aria-label="Stands in it">
          {inner.map((p) => (
            <li key={p.id}>
              <button
                type="button"
                onClick={() => onChoosePlace(p.id)}
                className="rounded-md border border-edge bg-stone px-2 py-0.5 text-[14px] hover:border-heron"
              >
                {p.name}
                <span className="text-soft"> {homesIn(plan, p.id).length || 'empty'}</span>
              </button>
            </li>
          ))}
        </ul>
      )}
      {homes.length === 0 && inner.length === 0 && <p className="text-soft">Nothing. Idle room.</p>}
      <ul className="mt-1 flex flex-wrap gap-1">
        {homes.map((h) => (
          <Chip
            key={h.id}
            held={{ supply: plan.supplies[h.supplyId]!, share: h.share }}
            count={h.count === null ? null : countIn(plan, h, plan.supplies[h.supplyId]!)}
            pinned={h.pinned}
            onTake={onTake}
          />
        ))}
      </ul>
    </section>
  );
}

function Chip({
  held,
  count,
  pinned,
  onTake,
}: {
  held: Held;
  /** so many of it; null: all that have no other home */
  count: number | null;
  pinned: boolean;
  onTake: (held: Held) => void;
}) {
  const { setNodeRef, listeners } = useDraggable({ id: `lives:${held.supply.id}.${held.share}`, data: held });
  return (
    <li>
      <button
        ref={setNodeRef}
        {...listeners}
        type="button"
        onClick={() => onTake(held)}
        className="inline-flex cursor-grab items-center gap-1 rounded-full border border-edge bg-paper px-2.5 py-0.5 hover:border-heron"
      >
        {pinned && <Pin size={13} aria-label="pinned" />}
        {count !== null && <span className="text-soft">{count} of</span>}
        {held.supply.name}
        <Which share={held.share} />
      </button>
    </li>
  );
}
