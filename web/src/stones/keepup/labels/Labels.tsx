import { X } from 'lucide-react';
import { useMemo, useState } from 'react';
import { placeSaid } from '@heronstone/core/concepts';
import { labelRun, placeLabel, rowLabel, supplyLabel, type LabelText } from '@heronstone/core/labels';
import { knownByHeart } from '@heronstone/core/upkeep';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { Button } from '../../../ui/button.tsx';
import { SelectField } from '../../../ui/fields/index.ts';
import { countWords, yearWords } from '../../../ui/words.ts';
import { Dots } from './Dots.tsx';
import { labelled } from './labelled.ts';
import { STATE } from './label-words.ts';
import { Rows } from './Rows.tsx';
import { OneLabel } from './OneLabel.tsx';
import { Printing } from './Printing.tsx';

/** Labels: the run past all shut places that say nothing, what labelling saves, how each looks, sheets to print and the label printer. */
export default function Labels() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { get, select } = useSelection();
  const run = useMemo(() => labelRun(plan), [plan]);
  const among = new Map(run.stops.map((s) => [s.place.id, s]));
  const places = useMemo(() => labelled(plan), [plan]);
  const known = useMemo(() => new Set(knownByHeart(plan).map((k) => k.place.id)), [plan]);
  const chosen = plan.places[get('place') ?? ''] ?? run.stops[0]?.place ?? places[0];
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const [rows, setRows] = useState<ReadonlySet<string>>(new Set());
  const toggle = (set: ReadonlySet<string>, id: string) => {
    const next = new Set(set);
    if (!next.delete(id)) next.add(id);
    return next;
  };
  const labels: LabelText[] = [
    ...places.filter((p) => picked.has(p.id)).map((p) => placeLabel(plan, p)),
    ...[...rows].flatMap((id) => rowLabel(plan, id) ?? []),
    ...[...rows].flatMap((id) => (plan.supplies[id] ? supplyLabel(plan, plan.supplies[id]) : [])),
  ];
  if (places.length === 0)
    return <p className="py-4">There is nothing to label yet: it takes places, and containers in them.</p>;
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_27rem]">
      <section aria-label="Label run">
        <div className="flex flex-wrap items-end gap-3 py-1">
          <SelectField
            className="w-52"
            label="who looks for things here goes by"
            value={plan.head.labels}
            options={[
              ['outside', 'labels outside'],
              ['inside', 'labels inside the doors'],
              ['memory', 'memory: none'],
            ]}
            onCommit={(labels) => dispatch({ type: 'setPlan', set: { labels } })}
          />
          <p className="max-w-md text-[14px]">
            {plan.head.labels === 'memory' ? (
              <span className="text-soft">By memory nothing is looked for; labels are only to be printed.</span>
            ) : run.stops.length === 0 ? (
              'Every shut place with something in it says what it is, or is known by heart.'
            ) : (
              <>
                {countWords(run.stops.length, 'shut place says', 'shut places say')} nothing. Labelling{' '}
                {run.stops.length === 1 ? 'it' : 'them'} saves{' '}
                <strong className="text-heron">{yearWords(run.saves)}</strong> of looking in wrong ones.
              </>
            )}
          </p>
        </div>
        <div className="flex flex-wrap gap-1.5 py-1">
          {run.stops.length > 0 && (
            <Button onClick={() => setPicked(new Set(run.stops.map((s) => s.place.id)))}>
              Pick these {run.stops.length}
            </Button>
          )}
          {picked.size > 0 && (
            <Button look="quiet" onClick={() => setPicked(new Set())}>
              <X size={15} aria-hidden /> Pick none
            </Button>
          )}
        </div>
        <ul className="max-h-[52vh] overflow-auto border-y border-line" tabIndex={0} aria-label="Places to label">
          {[...run.stops.map((s) => s.place), ...places.filter((p) => !among.has(p.id))].map((p) => (
            <li
              key={p.id}
              className={`flex items-center gap-2 border-b border-line px-1 ${p.id === chosen?.id ? 'bg-stone' : ''}`}
            >
              <label className="grid min-w-6 shrink-0 place-items-center">
                <input
                  type="checkbox"
                  className="size-4 shrink-0 accent-heron"
                  aria-label={`Print for ${placeSaid(plan, p)}`}
                  checked={picked.has(p.id)}
                  onChange={() => setPicked(toggle(picked, p.id))}
                />
              </label>
              <button
                type="button"
                className="flex min-h-8 grow items-baseline gap-2 text-left"
                onClick={() => select({ place: p.id })}
              >
                <span className="grow">{placeSaid(plan, p)}</span>
                {(among.get(p.id)?.saves ?? 0) >= 1 && (
                  <span className="text-[13px] text-heron">saves {yearWords(among.get(p.id)!.saves)}</span>
                )}
                <span className="shrink-0 text-[13px] text-soft">
                  {STATE[p.label]}
                  {known.has(p.id) && ', known without it'}
                </span>
              </button>
            </li>
          ))}
        </ul>
        <Rows plan={plan} picked={rows} onPick={(id) => setRows(toggle(rows, id))} />
        <Dots onPrint={(id) => setRows(toggle(rows, id))} picked={rows} />
      </section>
      <div className="space-y-4">
        {chosen && <OneLabel key={chosen.id} place={chosen} />}
        <Printing labels={labels} places={places.filter((p) => picked.has(p.id))} />
      </div>
    </div>
  );
}
