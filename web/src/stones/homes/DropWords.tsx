import { useEffect, useState } from 'react';
import { usePlan } from '../../state/plan-store.ts';
import { today } from '../../ui/words.ts';
import { dropWords, refitWords, roomWords } from '../../views/places/offers.ts';
import { askHomes } from '../../state/homes-worker.ts';
import { type Held } from '../../views/places/held.ts';

/** What letting go there would cost; what would have to make room is worked out beside the screen and follows. */
export function DropWords({ held: { supply, share }, placeId }: { held: Held; placeId: string }) {
  const plan = usePlan((s) => s.plan);
  const words = dropWords(plan, supply, share, placeId);
  const [refit, setRefit] = useState<{ of: string; words: string } | null>(null);
  const full = !roomWords(plan, plan.places[placeId]!, supply, share).ok;
  useEffect(() => {
    if (!full) return;
    let wanted = true;
    askHomes(plan, (api) => api.refit(supply.id, share, placeId, today()))
      .then((r) => wanted && setRefit({ of: placeId, words: refitWords(plan, r) }))
      .catch(() => undefined);
    return () => {
      wanted = false;
    };
  }, [plan, supply.id, share, placeId, full]);
  return (
    <>
      {words}
      {full && refit?.of === placeId && refit.words}
    </>
  );
}
