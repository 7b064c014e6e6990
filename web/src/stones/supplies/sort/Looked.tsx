import { useMemo } from 'react';
import { kindOf, liesOf, ofKind } from '@heronstone/core/kinds';
import { blankSupply, newId, type Plan, type Supply } from '@heronstone/core/plan';
import { tooMuch, usedByNobody, usuallyHad } from '@heronstone/core/stock';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { countWords } from '../../../ui/words.ts';
import { RoomStrip } from '../room/RoomStrip.tsx';

/** What sorting should look at: used by nobody, too much of it, and what makers of these things usually have. */
export function Looked({ plan }: { plan: Plan }) {
  const dispatch = usePlan((s) => s.dispatch);
  const unused = useMemo(() => usedByNobody(plan), [plan]);
  const much = useMemo(() => tooMuch(plan), [plan]);
  const missing = useMemo(() => usuallyHad(plan), [plan]);
  const have = (kindId: string) => {
    const kind = kindOf(kindId)!;
    const name = `${kind.name.charAt(0).toUpperCase()}${kind.name.slice(1)}`;
    const supply: Supply = {
      ...blankSupply(newId('supply'), name),
      ...ofKind(kind),
      name,
      lies: liesOf(kind, kind.form),
      unsure: ['working'],
    };
    dispatch({ type: 'addSupplies', supplies: [supply] });
  };
  return (
    <aside
      aria-label="Worth a look"
      className="min-w-0 space-y-3 text-[14.5px] lg:max-h-[calc(100vh-11rem)] lg:overflow-auto"
    >
      <RoomStrip plan={plan} />
      {unused.length > 0 && (
        <section>
          <h3 className="font-semibold">Used by nobody: {unused.length}</h3>
          <Names supplies={unused} />
        </section>
      )}
      {much.length > 0 && (
        <section>
          <h3 className="font-semibold">More than three years’ use</h3>
          <ul>
            {much.slice(0, 8).map(({ supply, years }) => (
              <li key={supply.id}>
                {supply.name}{' '}
                <span className="text-soft">lasts {years > 99 ? 'a lifetime' : `${years.toFixed(0)} years`}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {missing.map(({ activity, kinds }) => (
        <section key={activity.id}>
          <h3 className="font-semibold">For {activity.name} most makers also have</h3>
          <p className="text-soft">not on this list; press what you have</p>
          <div className="mt-1 flex flex-wrap gap-1">
            {kinds.slice(0, 6).map((k) => (
              <button
                key={k.id}
                type="button"
                className="rounded-full border border-line bg-paper px-2 hover:border-heron"
                onClick={() => have(k.id)}
              >
                {k.name}
              </button>
            ))}
          </div>
        </section>
      ))}
      {unused.length + much.length + missing.length === 0 && (
        <p className="text-soft">Nothing stands out: everything is used, and there is not too much of anything.</p>
      )}
    </aside>
  );
}

function Names({ supplies }: { supplies: readonly Supply[] }) {
  const { select } = useSelection();
  return (
    <p className="text-soft">
      {supplies.slice(0, 12).map((s, i) => (
        <span key={s.id}>
          {i > 0 && ', '}
          <button
            type="button"
            className="text-ink hover:text-heron"
            onClick={() => select({ view: 'list', supply: s.id })}
          >
            {s.name}
          </button>
        </span>
      ))}
      {supplies.length > 12 && ` and ${countWords(supplies.length - 12, 'other', 'others')}`}
    </p>
  );
}
