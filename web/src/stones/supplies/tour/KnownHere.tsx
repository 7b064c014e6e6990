import { X } from 'lucide-react';
import { stowageOf } from '@heronstone/core/fit';
import { countIn, homesIn, type Place, placesIn, type Plan } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { Which } from '../../../ui/which.tsx';
import { countWords } from '../../../ui/words.ts';

/** What is known to lie and stand in a place. */
export function KnownHere({ plan, place }: { plan: Plan; place: Place }) {
  const dispatch = usePlan((s) => s.dispatch);
  const homes = homesIn(plan, place.id);
  const inner = placesIn(plan, place.id);
  const faults = stowageOf(plan, place).faults;
  return (
    <div>
      <h3 className="font-semibold">
        {homes.length === 0 && inner.length === 0 ? 'Nothing is known to lie here.' : 'Known to be here'}
      </h3>
      <ul aria-label="Known to be here" className="mt-1 divide-y divide-line">
        {inner.map((p) => (
          <li key={p.id} className="py-1 text-soft">
            {p.name}, {countWords(homesIn(plan, p.id).length, 'kind', 'kinds')} in it
          </li>
        ))}
        {[...homes].reverse().map((home) => {
          const supply = plan.supplies[home.supplyId]!;
          return (
            <li key={home.id} className="flex items-center gap-2 py-1">
              <span className="w-12 shrink-0 text-right">{countIn(plan, home, supply)} ×</span>
              <span className="min-w-0 grow truncate">
                {supply.name}
                <Which share={home.share} />
              </span>
              <Button
                look="quiet"
                className="!px-1"
                aria-label={`${supply.name} is not here`}
                title="It is not here: it keeps its entry and has no home"
                onClick={() => dispatch({ type: 'leaveHome', supplyId: supply.id, share: home.share, homeId: home.id })}
              >
                <X size={15} aria-hidden />
              </Button>
            </li>
          );
        })}
      </ul>
      {faults.map((f) => (
        <p key={f} className="mt-1 text-clash">
          {f}
        </p>
      ))}
    </div>
  );
}
