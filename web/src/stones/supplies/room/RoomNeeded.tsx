import { Ruler } from 'lucide-react';
import { useMemo, useState } from 'react';
import { inMeasure, type Said } from '@heronstone/core/lengths';
import { placeTitle, type Plan } from '@heronstone/core/plan';
import {
  budgetOf,
  mayBeMissing,
  roomWordsOf,
  sumOfTapes,
  triesFor,
  type Budget,
  type Tape,
  type Try,
} from '@heronstone/core/stock';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { Button } from '../../../ui/button.tsx';
import { SelectField } from '../../../ui/fields/index.ts';
import { countWords } from '../../../ui/words.ts';
import { TapeDrawing } from './TapeDrawing.tsx';

/** Whether everything fits, before anything is bought: each kind of room a tape as long as the units offer, the supplies lying along it. */
export default function RoomNeeded() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { select } = useSelection();
  const [tried, setTried] = useState<Try | null>(null);
  const [byZone, setByZone] = useState(false);
  const now = useMemo(() => budgetOf(plan), [plan]);
  const then = useMemo(() => (tried ? tried.budget(plan) : null), [plan, tried]);
  const shown = then ?? now;
  const tapes = useMemo(() => (byZone ? shown.tapes : sumOfTapes(shown.tapes)), [shown, byZone]);
  const before = useMemo(() => (then ? (byZone ? now.tapes : sumOfTapes(now.tapes)) : null), [then, now, byZone]);
  const tries = useMemo(() => triesFor(plan, now), [plan, now]);
  const supplies = Object.keys(plan.supplies).length;
  if (supplies === 0)
    return (
      <p className="mt-6 max-w-lg rounded-2xl border-2 border-dashed border-line p-6 text-soft">
        What room is needed shows here as soon as there are supplies; it grows while the tour and the sort-out go on.
      </p>
    );
  const zones = Object.keys(plan.zones).length > 0;
  const take = () => {
    const command = tried?.command(plan);
    if (command && dispatch(command)) setTried(null);
  };
  return (
    <div className="grid grow grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <section aria-label="Room needed" className="min-w-0">
        <p className="max-w-4xl">
          {verdict(shown, plan.head)}{' '}
          <span className="text-soft">With room to grow of {Math.round(plan.head.growth * 100)} %. </span>
          {shown.guessed > 0.005 && (
            <span className="text-soft">
              {Math.round(shown.guessed * 100)} % of it leans on usual sizes or guesses: a guessed size may be 25 % more
              or less, a guessed count 10 %. Usual sizes of one kind are wrong together, others by themselves, so the
              sum is surer than its parts.
            </span>
          )}
        </p>
        {zones && (
          <label className="mt-1 flex items-center gap-1.5">
            <input
              type="checkbox"
              className="accent-heron"
              checked={byZone}
              onChange={(e) => setByZone(e.target.checked)}
            />{' '}
            zone by zone
          </label>
        )}
        <div className="mt-2 space-y-4">
          {grouped(tapes).map(([zoneId, list]) => (
            <div key={zoneId ?? 'none'}>
              {byZone && (
                <h2 className="font-display text-lg font-semibold">
                  {zoneId === null ? 'No zone' : plan.zones[zoneId]?.name}
                </h2>
              )}
              <ul className="space-y-3">
                {list.map((tape) => (
                  <li key={tape.tape}>
                    <TapeDrawing
                      plan={plan}
                      tape={tape}
                      before={before?.find((b) => b.zoneId === tape.zoneId && b.tape === tape.tape) ?? null}
                      onSupply={(id) => select({ view: 'list', supply: id })}
                    />
                    {tape.more.length > 0 && <More plan={plan} more={tape.more} />}
                  </li>
                ))}
              </ul>
            </div>
          ))}
        </div>
        <Lists plan={plan} budget={shown} onSupply={(id) => select({ view: 'list', supply: id })} />
      </section>
      <aside aria-label="What if" className="min-w-0">
        <h2 className="font-display text-lg font-semibold">What if …</h2>
        <p className="text-[14px] text-soft">Press one and see; nothing changes until you take it.</p>
        <ul className="mt-1 space-y-1.5">
          {tries.map((t) => {
            const on = tried?.id === t.id;
            return (
              <li key={t.id}>
                <button
                  type="button"
                  aria-pressed={on}
                  onClick={() => setTried(on ? null : t)}
                  className={`w-full rounded-xl border px-3 py-1.5 text-left ${on ? 'border-heron bg-paper' : 'border-line hover:border-heron'}`}
                >
                  {inMeasure(t.words, plan.head.measure)}
                </button>
              </li>
            );
          })}
        </ul>
        {tries.length === 0 && <p className="mt-2 text-soft">Nothing comes to mind: everything has room as it is.</p>}
        {tried && (
          <div className="mt-3 flex gap-2">
            {tried.command(plan) && (
              <Button look="main" onClick={take}>
                Take it
              </Button>
            )}
            <Button onClick={() => setTried(null)}>As it is</Button>
          </div>
        )}
      </aside>
    </div>
  );
}

const title = (plan: Plan, placeId: string) => {
  const place = plan.places[placeId];
  return place ? placeTitle(plan, place) : 'that';
};

/** How many more places would hold what is short: like those there are most of, or like another one. */
function More({ plan, more }: { plan: Plan; more: Tape['more'] }) {
  const [like, setLike] = useState(more[0]!.place);
  const one = more.find((m) => m.place === like) ?? more[0]!;
  const words = `${countWords(one.count, 'more place', 'more places')} like`;
  return (
    <div className="flex flex-wrap items-center gap-x-1.5 text-[14px] text-clash">
      {words}{' '}
      {more.length === 1 ? (
        title(plan, one.place)
      ) : (
        <SelectField
          hideLabel
          label="like which place"
          className="w-56"
          value={one.place}
          options={more.map((m) => [m.place, title(plan, m.place)] as const)}
          onCommit={setLike}
        />
      )}{' '}
      would hold it.
    </div>
  );
}

function grouped(tapes: readonly Tape[]): [string | null, Tape[]][] {
  const by = new Map<string | null, Tape[]>();
  for (const t of tapes) if (t.demand.likely > 0 || t.offer > 0) by.set(t.zoneId, [...(by.get(t.zoneId) ?? []), t]);
  return [...by];
}

function verdict({ tapes, nowhere }: Budget, said: Said): string {
  const all = sumOfTapes(tapes);
  const short = all.filter((t) => t.demand.likely > t.offer + 1e-6);
  const maybe = all.filter((t) => t.demand.likely <= t.offer && mayBeMissing(t) > 0);
  const none =
    nowhere.length > 0 ? ` ${countWords(nowhere.length, 'thing goes', 'things go')} into no place there is.` : '';
  if (short.length > 0)
    return `Short of ${short.map((t) => roomWordsOf(t.tape, t.demand.likely - t.offer, said)).join(', ')}.${none}`;
  if (maybe.length > 0)
    return `It fits if the guesses are right; ${maybe.map((t) => roomWordsOf(t.tape, mayBeMissing(t), said)).join(', ')} may be missing.${none}`;
  return `Everything that is measured has room.${none}`;
}

function Lists({ plan, budget, onSupply }: { plan: Plan; budget: Budget; onSupply: (id: string) => void }) {
  const list = (ids: readonly string[], words: string) =>
    ids.length > 0 && (
      <p className="mt-2">
        <Ruler size={15} className="mr-1 inline text-soft" aria-hidden />
        {words}{' '}
        {ids.slice(0, 15).map((id, i) => (
          <span key={id}>
            {i > 0 && ', '}
            <button type="button" className="underline decoration-line hover:text-heron" onClick={() => onSupply(id)}>
              {plan.supplies[id]?.name}
            </button>
          </span>
        ))}
        {ids.length > 15 && ` and ${ids.length - 15} more`}
      </p>
    );
  return (
    <div className="mt-4 text-[14.5px]">
      {list(budget.nowhere, `${countWords(budget.nowhere.length, 'thing goes', 'things go')} into no place there is:`)}
      {list(
        budget.unmeasured,
        `${countWords(budget.unmeasured.length, 'thing has', 'things have')} no size and ${budget.unmeasured.length === 1 ? 'is' : 'are'} not counted:`,
      )}
    </div>
  );
}
