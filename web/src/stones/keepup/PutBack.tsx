import { Check, Plus } from 'lucide-react';
import { formatDistance } from '@heronstone/core/lengths';
import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { placeSaid } from '@heronstone/core/concepts';
import { asOne, newId, type Out, type Plan, type Supply } from '@heronstone/core/plan';
import { PACE } from '@heronstone/core/reach';
import { putBackRound, toPutBack } from '@heronstone/core/upkeep';
import { jot } from '../../state/jot.ts';
import { usePlan } from '../../state/plan-store.ts';
import { useSeat } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { SelectField } from '../../ui/fields/index.ts';
import { useWidth } from '../../ui/width.ts';
import { countWords, monthOf, today } from '../../ui/words.ts';
import { Floor } from '../../views/floor/Floor.tsx';
import { SupplySearch } from './SupplySearch.tsx';

/** What lies on the put-back cart or table, walked in the shortest round, ticked off. */
export default function PutBack() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { stations, station } = useSeat();
  const wide = useWidth() !== 'phone';
  const [fromId, setFrom] = useState<string | null>(null);
  const [adding, setAdding] = useState(false);
  const outs = useMemo(() => toPutBack(plan), [plan]);
  const from = plan.stations[fromId ?? ''] ?? station;
  const at = from ?? { x: 0, y: 0 };
  const round = useMemo(
    () => putBackRound(plan, { x: at.x, y: at.y }, outs, monthOf(today())),
    [plan, outs, at.x, at.y],
  );
  const done = (list: readonly Out[], placeId: string) => {
    const gone = dispatch(
      asOne(
        'put things back',
        list.map((o) => ({ type: 'removeOut', id: o.id })),
      ),
    );
    if (gone) jot(...list.map((o) => ({ what: 'putBack' as const, supplyId: o.supplyId, placeId, count: o.count })));
  };
  const lay = (supply: Supply) => {
    setAdding(false);
    if (outs.some((o) => o.supplyId === supply.id)) return void toast(`${supply.name} is on the pile already.`);
    dispatch({ type: 'addOut', out: newOut(supply.id, null) });
  };
  const first = round.stops[0];
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-3 lg:grid-cols-[minmax(0,1fr)_24rem]">
      <section aria-label="Put-back round">
        <div className="flex flex-wrap items-end gap-3 py-1">
          {stations.length > 1 && (
            <SelectField
              className="w-44"
              label="the pile is at"
              value={from?.id ?? ''}
              options={stations.map((s) => [s.id, s.name] as const)}
              onCommit={setFrom}
            />
          )}
          <Button onClick={() => setAdding(!adding)}>
            <Plus size={15} aria-hidden /> Lay something on the pile
          </Button>
        </div>
        {adding && <SupplySearch label="What lies about?" onChoose={lay} />}
        {outs.length === 0 ? (
          <p className="py-4">Nothing lies about. What is taken for a project comes here when the project ends.</p>
        ) : (
          <>
            <p className="py-1 text-soft">
              {countWords(outs.length, 'thing', 'things')} in {countWords(round.stops.length, 'place', 'places')}: one
              round of {formatDistance(round.length, plan.head.measure)}
              {round.each > 0 &&
                `, ${Math.round(round.length / PACE)} paces in the stead of ${Math.round(round.each / PACE)}`}
              , about {Math.max(1, Math.round(round.seconds / 60 + 0.25 * outs.length))} min with putting away.
            </p>
            <ol className="divide-y divide-line">
              {round.stops.map((stop, i) => (
                <li key={stop.place.id} className="flex items-center gap-3 py-2">
                  <span className="grid size-7 shrink-0 place-items-center rounded-full bg-stone font-semibold">
                    {i + 1}
                  </span>
                  <div className="min-w-0 grow">
                    <p className="font-semibold">{placeSaid(plan, stop.place)}</p>
                    <p className="text-[14px] text-soft">
                      {stop.outs.map((o) => nameOf(plan, o)).join(', ')}
                      {stop.outside && ' (outside the room)'}
                    </p>
                  </div>
                  <Button
                    look={i === 0 ? 'main' : 'plain'}
                    aria-label={`Back in ${placeSaid(plan, stop.place)}`}
                    onClick={() => done(stop.outs, stop.place.id)}
                  >
                    <Check size={16} aria-hidden /> Back
                  </Button>
                </li>
              ))}
            </ol>
            {round.homeless.length > 0 && (
              <p className="py-2 text-clash">
                Without a home to go back to: {round.homeless.map((o) => nameOf(plan, o)).join(', ')}. Give them one at
                Homes.
              </p>
            )}
          </>
        )}
      </section>
      {wide && (
        <div className="h-80">
          <Floor
            plan={plan}
            goal={first?.place.id ?? null}
            chosenStation={from?.id ?? null}
            chosenUnit={first?.place.unitId ?? null}
          />
        </div>
      )}
    </div>
  );
}

const nameOf = (plan: Plan, out: Out) =>
  `${out.count > 1 ? `${out.count} × ` : ''}${plan.supplies[out.supplyId]?.name ?? 'something'}`;

/** One piece of a supply, out now. */
export const newOut = (supplyId: string, projectId: string | null, more: Partial<Out> = {}): Out => ({
  ...{ id: newId('out'), supplyId, projectId, count: 1, state: 'out', double: false, placeId: null, since: today() },
  ...more,
});
