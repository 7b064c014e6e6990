import { useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { placeSaid } from '@heronstone/core/concepts';
import { homesIn, placeWithAllIn, type Place, type Plan, type Supply } from '@heronstone/core/plan';
import { jot } from '../../../state/jot.ts';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { today } from '../../../ui/words.ts';
import { SupplySearch } from '../SupplySearch.tsx';
import { emptied } from '../taps.ts';
import { SupplyTaps } from './SupplyTaps.tsx';

const inside = (plan: Plan, place: Place): Supply[] => {
  const all = placeWithAllIn(plan, place).flatMap((p) => homesIn(plan, p.id));
  return [...new Set(all.map((h) => h.supplyId))].flatMap((id) => plan.supplies[id] ?? []);
};

export function PlaceScanned({ place }: { place: Place }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const [adding, setAdding] = useState(false);
  const supplies = inside(plan, place);
  const put = (supply: Supply) => {
    setAdding(false);
    const before = Object.values(plan.homes).find((h) => h.supplyId === supply.id && h.share === 'working');
    const done = dispatch({
      ...{ type: 'assignHome', supplyId: supply.id, share: 'working', placeId: place.id, since: today() },
      ...(before ? { homeId: before.id } : {}),
    });
    if (!done) return;
    jot({ what: 'moved', supplyId: supply.id, placeId: before?.placeId ?? null });
    toast(`${supply.name} lives in ${placeSaid(plan, place)} now.`);
  };
  return (
    <section aria-label={placeSaid(plan, place)}>
      <h2 className="font-display text-xl font-semibold">{placeSaid(plan, place)}</h2>
      {supplies.length === 0 && <p className="text-soft">Nothing lives here.</p>}
      <ul className="divide-y divide-line">
        {supplies.map((s) => (
          <li key={s.id} className="py-2">
            <SupplyTaps supply={s} placeId={place.id} />
          </li>
        ))}
      </ul>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button onClick={() => setAdding(!adding)}>Put something here</Button>
        {supplies.length > 0 && (
          <Button onClick={() => emptied(place) && toast('Noted: it is empty.')}>This is empty</Button>
        )}
        <Link
          className="inline-flex min-h-8 items-center px-2 underline"
          to={`/p/${plan.id}/keepup?view=labels&place=${place.id}`}
        >
          Its label
        </Link>
      </div>
      {adding && <SupplySearch label="What is put here?" onChoose={put} />}
    </section>
  );
}
