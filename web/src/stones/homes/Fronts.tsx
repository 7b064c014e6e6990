import { useMemo } from 'react';
import { Link } from 'react-router';
import { comeAndGone } from '@heronstone/core/homes';
import { type Plan } from '@heronstone/core/plan';
import { Front } from '../../views/front/Front.tsx';
import { cardsOf, cameWords } from './front-cards.ts';

/** The wall of fronts: every unit as a card, with what its places are called and what lies in them, and what came and went marked; those in which most changed first. */
export function Fronts({
  before,
  after,
  shown,
  chosen,
  onChoose,
}: {
  before: Plan;
  after: Plan;
  /** the state that is drawn */
  shown: Plan;
  chosen: string | null;
  onChoose: (placeId: string) => void;
}) {
  const changes = useMemo(() => comeAndGone(before, after), [before, after]);
  const cards = useMemo(() => cardsOf(shown, changes), [shown, changes]);
  return (
    <section aria-label="Unit by unit" className="pb-6 pt-2">
      <ul className="grid grid-cols-1 gap-4 sm:grid-cols-2 xl:grid-cols-3">
        {cards.map(({ unit, came, went, marks }) => (
          <li key={unit.id} className="min-w-0 rounded-xl border border-line bg-paper p-3">
            <h2 className="font-semibold">
              <Link
                className="hover:text-heron hover:underline"
                to={`?view=closer&unit=${encodeURIComponent(unit.id)}`}
              >
                {unit.name}
              </Link>
            </h2>
            <p className="truncate text-[13px] text-soft" title={cameWords(came, went, Infinity)}>
              {cameWords(came, went)}
            </p>
            <Front
              plan={shown}
              unit={unit}
              marks={marks}
              chosen={chosen}
              onChoose={onChoose}
              className="mt-2 h-56 w-full"
            />
          </li>
        ))}
      </ul>
    </section>
  );
}
