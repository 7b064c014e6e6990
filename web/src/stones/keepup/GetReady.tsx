import { Check } from 'lucide-react';
import { type ReactNode, useMemo, useState } from 'react';
import { placeSaid } from '@heronstone/core/concepts';
import { inMonth, type Place, type Plan, type Supply } from '@heronstone/core/plan';
import { readyFor } from '@heronstone/core/tryout';
import { useKept } from '../../state/kept.ts';
import { usePlan } from '../../state/plan-store.ts';
import { useSeat } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { SelectField } from '../../ui/fields/index.ts';
import { countWords, longWords, monthOf, today } from '../../ui/words.ts';
import { Floor } from '../../views/floor/Floor.tsx';
import { useWidth } from '../../ui/width.ts';
import { readyWords } from './ready-words.ts';

/** What a session surely wants, got together before it begins: unit by unit, ticked. */
export default function GetReady() {
  const plan = usePlan((s) => s.plan);
  const { stations, station } = useSeat();
  const [fromId, setFrom] = useState<string | null>(null);
  const wide = useWidth() !== 'phone';
  const at = plan.stations[fromId ?? ''] ?? station;
  const month = monthOf(today());
  const ready = useMemo(() => (at ? readyFor(inMonth(plan, month), at, month) : null), [plan, at, month]);
  const [ticked, setTicked] = useKept<string[]>(`ready ${at?.id ?? ''} ${today()}`, []);
  if (!at || !ready)
    return <p className="p-6 text-soft">Give an activity a seat at Activities, then its things are listed here.</p>;
  const tick = (id: string) => setTicked(ticked.includes(id) ? ticked.filter((t) => t !== id) : [...ticked, id]);
  const all = [...ready.stops.flatMap((s) => s.things), ...ready.alone];
  const ids = [...ready.brought.map((b) => `bring ${b.id}`), ...all.map((t) => t.supply.id)];
  const left = ids.filter((id) => !ticked.includes(id)).length;
  const activity = plan.activities[at.activityId];
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-3 lg:grid-cols-[minmax(0,1fr)_24rem]">
      <section aria-label="Get ready">
        <div className="flex flex-wrap items-end gap-3 py-1">
          {stations.length > 1 && (
            <SelectField
              className="w-48"
              label="for a session at"
              value={at.id}
              options={stations.map((s) => [s.id, s.name] as const)}
              onCommit={setFrom}
            />
          )}
          {ticked.length > 0 && (
            <Button look="quiet" onClick={() => setTicked([])}>
              Begin again
            </Button>
          )}
        </div>
        <h1 className="font-display text-xl font-semibold">{readyWords(activity?.name ?? at.name, ready)}</h1>
        <p className="text-soft" role="status">
          {ids.length === 0
            ? 'Nothing is got together here: what is used goes back at once, or is not wanted every time.'
            : left === 0
              ? `All is there. At the end ${countWords(ready.back.things, 'thing goes', 'things go')} back, in ${longWords(ready.back.seconds)}.`
              : `${left} of ${ids.length} still to get.`}
        </p>
        <ol className="mt-2 space-y-2">
          {ready.brought.length > 0 && (
            <li className="rounded-2xl bg-paper px-3 py-2">
              <h2 className="font-display text-lg font-semibold">Brought to the seat, with all that is in it</h2>
              <ul>
                {ready.brought.map((b) => (
                  <Ticked key={b.id} id={`bring ${b.id}`} on={ticked.includes(`bring ${b.id}`)} onTick={tick}>
                    {b.name}{' '}
                    <span className="text-[14px] text-soft">
                      {b.place && `${placeSaid(plan, b.place)}, `}
                      {longWords(b.seconds)} with taking it away
                    </span>
                  </Ticked>
                ))}
              </ul>
            </li>
          )}
          {ready.stops.map((stop) => (
            <li key={stop.unit.id} className="rounded-2xl bg-paper px-3 py-2">
              <h2 className="flex justify-between font-display text-lg font-semibold">
                {stop.unit.name}
                <span className="font-sans text-[14px] font-normal text-soft">{longWords(stop.seconds)}</span>
              </h2>
              <ul>
                {stop.things.map((t) => (
                  <Tick key={t.supply.id} plan={plan} {...t} on={ticked.includes(t.supply.id)} onTick={tick} />
                ))}
              </ul>
            </li>
          ))}
          {ready.alone.length > 0 && (
            <li className="rounded-2xl bg-paper px-3 py-2">
              <h2 className="font-display text-lg font-semibold">By themselves, a load each</h2>
              <ul>
                {ready.alone.map((t) => (
                  <Tick key={t.supply.id} plan={plan} {...t} on={ticked.includes(t.supply.id)} onTick={tick} />
                ))}
              </ul>
            </li>
          )}
        </ol>
        {ready.homeless.length > 0 && (
          <p className="mt-2 text-clash">
            Without a home that works: {ready.homeless.map((s) => s.name).join(', ')}. Look for them first.
          </p>
        )}
      </section>
      {wide && (
        <div className="h-96">
          <Floor
            plan={plan}
            chosenUnit={ready.stops.find((s) => s.things.some((t) => !ticked.includes(t.supply.id)))?.unit.id ?? null}
          />
        </div>
      )}
    </div>
  );
}

/** One thing to get, ticked when it is there. */
function Tick({
  plan,
  supply,
  place,
  pieces,
  on,
  onTick,
}: {
  plan: Plan;
  supply: Supply;
  place: Place;
  pieces: number;
  on: boolean;
  onTick: (id: string) => void;
}) {
  return (
    <Ticked id={supply.id} on={on} onTick={onTick}>
      {pieces > 1 && `${Math.ceil(pieces)} × `}
      {supply.name} <span className="text-[14px] text-soft">{placeSaid(plan, place)}</span>
    </Ticked>
  );
}

function Ticked({
  id,
  on,
  onTick,
  children,
}: {
  id: string;
  on: boolean;
  onTick: (id: string) => void;
  children: ReactNode;
}) {
  return (
    <li>
      <button
        type="button"
        aria-pressed={on}
        className={`flex min-h-11 w-full items-center gap-3 rounded-lg px-1 text-left hover:bg-stone ${on ? 'text-soft' : ''}`}
        onClick={() => onTick(id)}
      >
        <span className="inline-flex size-6 shrink-0 items-center justify-center rounded-md border border-edge">
          {on && <Check size={16} aria-hidden />}
        </span>
        <span className={`min-w-0 ${on ? 'line-through' : ''}`}>{children}</span>
      </button>
    </li>
  );
}
