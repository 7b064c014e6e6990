import { type Held } from '../../../views/places/held.ts';
import { Pin, PinOff, X } from 'lucide-react';
import { placeSaid } from '@heronstone/core/concepts';
import { amountOf, countIn, homesOf } from '@heronstone/core/plan';
import { type Maker } from '@heronstone/core/reach';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { Ledger } from '../../../views/ledger/Ledger.tsx';
import { BestPlaces } from '../../../views/places/BestPlaces.tsx';
import { roomWords } from '../../../views/places/offers.ts';
import { Part } from './Part.tsx';
import { Contents } from './Contents.tsx';
import { Seasons } from './Seasons.tsx';

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
