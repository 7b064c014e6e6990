import { homesOf, isSeasonal, monthWords, type Plan, restingMonths, wantedMonths } from '@heronstone/core/plan';
import { type Held } from '../../../views/places/held.ts';

/** In its season and out of it: which of the two homes is in hand, and what there is to say of the other. */
export function Seasons({ plan, held, onTake }: { plan: Plan; held: Held; onTake: (held: Held) => void }) {
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
