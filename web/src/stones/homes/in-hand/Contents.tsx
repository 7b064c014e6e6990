import { placeFilling } from '@heronstone/core/homes';
import { countIn, homesIn, placesIn, type Plan } from '@heronstone/core/plan';
import { type Held } from '../../../views/places/held.ts';
import { Chip } from './Chip.tsx';

export function Contents({
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
