import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { newId, type Tie } from '@heronstone/core/plan';
import { DOT_PATHS, DOTS, dotWords } from '@heronstone/core/labels';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { CheckField, TextField } from '../../../ui/fields/index.ts';
import { SupplySearch } from '../SupplySearch.tsx';

/** Dots that tie what belongs together and lies apart: a pattern and its magazine carry the same. */
export function Dots({ picked, onPrint }: { picked: ReadonlySet<string>; onPrint: (supplyId: string) => void }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const ties = Object.values(plan.ties);
  const [chosen, setChosen] = useState<string | null>(null);
  const add = () => {
    const used = new Set(ties.map((t) => t.dots.join()));
    // the first dots that nothing else carries
    const all = [...DOTS.keys()]
      .flatMap((a) => [[a], ...[...DOTS.keys()].map((b) => [a, b])])
      .sort((a, b) => a.length - b.length);
    const dots = all.find((d) => !used.has(d.join())) ?? [0];
    const tie: Tie = { id: newId('tie'), name: '', dots, supplyIds: [] };
    setChosen(tie.id);
    setDraft(tie);
  };
  const [draft, setDraft] = useState<Tie | null>(null);
  const list = draft && !plan.ties[draft.id] ? [...ties, draft] : ties;
  const save = (tie: Tie) => {
    if (plan.ties[tie.id])
      dispatch({ type: 'setTie', id: tie.id, set: { name: tie.name, dots: tie.dots, supplyIds: tie.supplyIds } });
    else if (tie.supplyIds.length > 0 && dispatch({ type: 'addTie', tie })) setDraft(null);
    else setDraft(tie);
  };
  return (
    <section aria-label="Dots" className="mt-3">
      <div className="flex items-center gap-3">
        <h2 className="font-display text-lg font-semibold">Dots</h2>
        <Button look="quiet" onClick={add}>
          <Plus size={15} aria-hidden /> Tie things together
        </Button>
      </div>
      {list.length === 0 && (
        <p className="text-[14px] text-soft">A pattern and the magazine it is in lie apart: give both the same dots.</p>
      )}
      <ul>
        {list.map((tie) => (
          <li key={tie.id} className="border-t border-line py-1.5">
            <div className="flex flex-wrap items-center gap-3">
              <button
                type="button"
                className="flex items-center gap-1"
                aria-expanded={chosen === tie.id}
                onClick={() => setChosen(chosen === tie.id ? null : tie.id)}
              >
                <DotRow dots={tie.dots} />
                <span>
                  {tie.name || tie.supplyIds.map((id) => plan.supplies[id]?.name).join(' and ') || 'nothing yet'}
                </span>
              </button>
              <Button
                look="quiet"
                aria-label={`Untie ${tie.name || dotWords(tie.dots)}`}
                onClick={() => (plan.ties[tie.id] ? dispatch({ type: 'removeTie', id: tie.id }) : setDraft(null))}
              >
                <Trash2 size={14} aria-hidden />
              </Button>
            </div>
            {chosen === tie.id && (
              <div className="mt-1 space-y-1 pl-2">
                <div className="flex flex-wrap items-end gap-3">
                  <TextField
                    className="w-48"
                    label="what ties them"
                    value={tie.name}
                    onCommit={(name) => save({ ...tie, name: name.slice(0, 120) })}
                  />
                  <div className="flex gap-1" role="group" aria-label="Dots of it">
                    {DOTS.map((d, i) => (
                      <button
                        key={d.name}
                        type="button"
                        aria-label={`${tie.dots.includes(i) ? 'Without' : 'With'} ${d.name}`}
                        aria-pressed={tie.dots.includes(i)}
                        className={`rounded-md border p-1 ${tie.dots.includes(i) ? 'border-heron' : 'border-transparent opacity-60'}`}
                        onClick={() => {
                          const dots = tie.dots.includes(i)
                            ? tie.dots.filter((x) => x !== i)
                            : [...tie.dots, i].slice(0, 4);
                          if (dots.length > 0) save({ ...tie, dots });
                        }}
                      >
                        <DotRow dots={[i]} />
                      </button>
                    ))}
                  </div>
                </div>
                <div className="flex flex-wrap gap-x-4">
                  {tie.supplyIds.map((id) => (
                    <span key={id} className="flex items-center gap-1">
                      <CheckField
                        label={`print for ${plan.supplies[id]?.name ?? 'what is gone'}`}
                        checked={picked.has(id)}
                        onCommit={() => onPrint(id)}
                      />
                      <Button
                        look="quiet"
                        aria-label={`Untie ${plan.supplies[id]?.name ?? 'it'}`}
                        disabled={tie.supplyIds.length === 1}
                        onClick={() => save({ ...tie, supplyIds: tie.supplyIds.filter((x) => x !== id) })}
                      >
                        <Trash2 size={13} aria-hidden />
                      </Button>
                    </span>
                  ))}
                </div>
                <SupplySearch
                  label="What belongs to it?"
                  onChoose={(s) =>
                    !tie.supplyIds.includes(s.id) && save({ ...tie, supplyIds: [...tie.supplyIds, s.id].slice(0, 24) })
                  }
                />
              </div>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

export function DotRow({ dots }: { dots: readonly number[] }) {
  return (
    <svg
      viewBox={`0 0 ${dots.length * 1.15} 1`}
      className="h-4 rounded-sm bg-white"
      role="img"
      aria-label={dotWords(dots)}
    >
      {dots.map((d, i) => (
        <path
          key={i}
          d={DOT_PATHS[DOTS[d]!.shape]}
          transform={`translate(${i * 1.15} 0)`}
          fill={DOTS[d]!.colour}
          fillRule="evenodd"
        />
      ))}
    </svg>
  );
}
