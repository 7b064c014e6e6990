import { Trash2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import { yearlyUses } from '@heronstone/core/homes';
import { newId, type Plan, type Station, type Supply } from '@heronstone/core/plan';
import { oneWalk } from '@heronstone/core/stock';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { SelectField, TextField } from '../../../ui/fields/index.ts';
import { secondsWords } from '../../../ui/words.ts';
import { placeWords } from './SwatchChart.tsx';

/** Where most of what is chosen is fetched to most. */
function usualStation(plan: Plan, supplies: readonly Supply[]): Station | undefined {
  const fetches = new Map<Station, number>();
  for (const supply of supplies)
    for (const use of yearlyUses(plan, supply, 'working'))
      fetches.set(use.station, (fetches.get(use.station) ?? 0) + use.fetches);
  return [...fetches].sort((a, b) => b[1] - a[1])[0]?.[0];
}

/** The colours chosen from the chart: whether they are there, where, what fetching them all takes; kept under a name. */
export function Chosen({
  plan,
  chosen,
  onChoose,
}: {
  plan: Plan;
  chosen: readonly string[];
  onChoose: (ids: readonly string[]) => void;
}) {
  const dispatch = usePlan((s) => s.dispatch);
  const [name, setName] = useState('');
  const stations = Object.values(plan.stations).sort((a, b) => (a.name < b.name ? -1 : 1));
  const [seat, setSeat] = useState('');
  const supplies = useMemo(() => chosen.flatMap((id) => plan.supplies[id] ?? []), [chosen, plan.supplies]);
  const usual = useMemo(() => usualStation(plan, supplies), [plan, supplies]);
  const station = stations.find((s) => s.id === seat) ?? usual ?? stations[0];
  const walk = useMemo(
    () => (station && supplies.length > 0 ? oneWalk(plan, station, supplies) : null),
    [plan, station, supplies],
  );
  const palettes = Object.values(plan.palettes).sort((a, b) => (a.name < b.name ? -1 : 1));
  const inOrder = walk ? [...walk.supplies, ...walk.missing] : supplies;
  return (
    <section aria-label="Chosen colours">
      <h2 className="font-display text-lg font-semibold">Chosen together</h2>
      {supplies.length === 0 && <p className="text-soft">Choose from the chart, and see them side by side here.</p>}
      {supplies.length > 0 && (
        <>
          <div className="my-1 flex h-14 overflow-hidden rounded-lg border border-line" aria-hidden>
            {supplies.map((s) => (
              <span key={s.id} className="grow" style={{ background: s.colour ?? 'transparent' }} />
            ))}
          </div>
          <ol className="text-[14px]">
            {inOrder.map((s) => (
              <li key={s.id} className="py-0.5">
                {s.name} <span className="text-soft">{s.working + s.backstock} left</span>
                <span className={`block text-[13px] ${s.working + s.backstock === 0 ? 'text-clash' : 'text-soft'}`}>
                  {s.working + s.backstock === 0 ? 'none left: it is to be bought' : placeWords(plan, s)}
                </span>
              </li>
            ))}
          </ol>
          {station && walk && (
            <p className="mt-1">
              {walk.supplies.length > 0
                ? `On one walk ${secondsWords(walk.together)}, one by one ${secondsWords(walk.each)}.`
                : 'None of them has a home to be fetched from.'}
              {walk.missing.length > 0 && walk.supplies.length > 0 && ` ${walk.missing.length} without a home.`}
            </p>
          )}
          {stations.length > 1 && (
            <SelectField
              label="fetched to"
              value={station!.id}
              options={stations.map((s) => [s.id, s.name] as const)}
              onCommit={setSeat}
            />
          )}
          <form
            className="mt-2 flex items-end gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              const palette = { id: newId('palette'), name: name.trim(), supplyIds: [...chosen] };
              if (name.trim() && dispatch({ type: 'addPalette', palette })) setName('');
            }}
          >
            <TextField label="keep it as" value={name} onCommit={setName} placeholder="a name" />
            <Button type="submit">Keep</Button>
            <Button look="quiet" className="whitespace-nowrap" onClick={() => onChoose([])}>
              Let go
            </Button>
          </form>
        </>
      )}
      {palettes.length > 0 && (
        <ul className="mt-2 space-y-1" aria-label="Kept combinations">
          {palettes.map((p) => (
            <li key={p.id} className="flex items-center gap-2">
              <button
                type="button"
                className="flex min-w-0 grow items-center gap-2 rounded-lg border border-line bg-paper p-1 text-left hover:border-heron"
                onClick={() => onChoose(p.supplyIds.filter((id) => plan.supplies[id]))}
              >
                <span className="flex h-6 w-20 shrink-0 overflow-hidden rounded" aria-hidden>
                  {p.supplyIds.map((id) => (
                    <span
                      key={id}
                      className="grow"
                      style={{ background: plan.supplies[id]?.colour ?? 'transparent' }}
                    />
                  ))}
                </span>
                <span className="truncate">{p.name}</span>
                {p.supplyIds.some((id) => !plan.supplies[id]) && (
                  <span className="text-soft">not all there any more</span>
                )}
              </button>
              <Button
                look="quiet"
                className="!px-1.5"
                aria-label={`Forget ${p.name}`}
                onClick={() => dispatch({ type: 'removePalette', id: p.id })}
              >
                <Trash2 size={14} aria-hidden />
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
