import { type FormEvent, useId, useState } from 'react';
import { Button } from '../../../ui/button.tsx';
import { DECISIONS, type Plan, type Supply } from '@heronstone/core/plan';
import { type AtHand, duplicatesOf, setMany, splitCommand } from '@heronstone/core/stock';
import { usePlan } from '../../../state/plan-store.ts';
import { countWords } from '../../../ui/words.ts';
import { DECISION_WORDS } from './columns.ts';
import { StorageSheet } from '../editor/StorageSheet.tsx';

/** One rule for many: so much at hand, the rest in reserve; the sum stays. */
const SPLITS: readonly { words: string; rule: AtHand }[] = [
  { words: 'one pack at hand, the rest in reserve', rule: { packs: 1 } },
  { words: 'two packs at hand, the rest in reserve', rule: { packs: 2 } },
  { words: 'one piece at hand, the rest in reserve', rule: { pieces: 1 } },
  { words: 'ten pieces at hand, the rest in reserve', rule: { pieces: 10 } },
  { words: 'everything at hand', rule: 'all' },
];

/** What is done to many at once; each is one change that undo takes back. */
export function ManyBar({ plan, ids, onDone }: { plan: Plan; ids: readonly string[]; onDone: () => void }) {
  const dispatch = usePlan((s) => s.dispatch);
  const [storing, setStoring] = useState(false);
  const supplies = ids.flatMap((id) => plan.supplies[id] ?? []);
  const n = supplies.length;
  const set = (part: Partial<Supply>, words: string) => {
    const command = setMany(ids, part, words);
    if (command) dispatch(command);
  };
  const families = [...new Set(Object.values(plan.supplies).map((s) => s.family))].filter(Boolean).sort();
  const zones = Object.values(plan.zones);
  const merge = () => {
    const [first, ...others] =
      duplicatesOf({ supplies: Object.fromEntries(supplies.map((s) => [s.id, s])) })[0] ?? supplies;
    if (dispatch({ type: 'mergeSupplies', id: first!.id, others: others.map((s) => s.id) })) onDone();
  };
  const split = (rule: AtHand) => {
    const command = splitCommand(supplies, rule);
    if (command) dispatch(command);
  };
  return (
    <div
      role="group"
      aria-label={`What becomes of these ${n}`}
      className="mb-1 flex flex-wrap items-center gap-x-3 gap-y-1.5 rounded-xl bg-stone px-3 py-1.5"
    >
      <strong>{countWords(n, 'marked', 'marked')}</strong>
      <Typed
        label={`family of these ${n}`}
        list={families}
        onTake={(family) => set({ family }, `family of ${n} supplies`)}
      />
      <Typed
        label="buy below"
        narrow
        onTake={(text) => /^\d+$/.test(text) && set({ reorderAt: Number(text) }, `level of ${n} supplies`)}
      />
      <select
        aria-label={`Decide for these ${n}`}
        className="rounded-full border border-edge bg-paper px-2 py-1"
        value=""
        onChange={(e) =>
          set({ decision: e.target.value as Supply['decision'], decideBy: null }, `decide for ${n} supplies`)
        }
      >
        <option value="" disabled>
          decide …
        </option>
        {DECISIONS.map((d) => (
          <option key={d} value={d}>
            {DECISION_WORDS[d]}
          </option>
        ))}
      </select>
      {zones.length > 0 && (
        <select
          aria-label={`Zone of these ${n}`}
          className="rounded-full border border-edge bg-paper px-2 py-1"
          value=""
          onChange={(e) => set({ zoneId: e.target.value === '-' ? null : e.target.value }, `zone of ${n} supplies`)}
        >
          <option value="" disabled>
            zone …
          </option>
          <option value="-">of what uses it</option>
          {zones.map((z) => (
            <option key={z.id} value={z.id}>
              {z.name}
            </option>
          ))}
        </select>
      )}
      <select
        aria-label={`At hand of these ${n}`}
        className="rounded-full border border-edge bg-paper px-2 py-1"
        value=""
        onChange={(e) => split(SPLITS.find((s) => s.words === e.target.value)!.rule)}
      >
        <option value="" disabled>
          at hand …
        </option>
        {SPLITS.map((s) => (
          <option key={s.words} value={s.words}>
            {s.words}
          </option>
        ))}
      </select>
      <Button onClick={() => setStoring(true)}>How to keep them …</Button>
      {n > 1 && n <= 100 && (
        <Button onClick={merge} title="Counts, homes and uses come together in one entry">
          They are one thing
        </Button>
      )}
      <Button
        onClick={() => {
          const commands = ids.map((id) => ({ type: 'removeSupply' as const, id }));
          if (dispatch({ type: 'several', words: `take out ${n} supplies`, commands })) onDone();
        }}
      >
        Take out
      </Button>
      <Button look="quiet" onClick={onDone}>
        Unmark
      </Button>
      {storing && <StorageSheet plan={plan} supplies={supplies} onClose={() => setStoring(false)} />}
    </div>
  );
}

function Typed({
  label,
  list = [],
  narrow,
  onTake,
}: {
  label: string;
  list?: readonly string[];
  narrow?: boolean;
  onTake: (text: string) => void;
}) {
  const [text, setText] = useState('');
  const id = useId();
  const take = (e: FormEvent) => {
    e.preventDefault();
    if (text.trim() === '') return;
    onTake(text.trim());
    setText('');
  };
  return (
    <form onSubmit={take} className="flex items-center">
      <input
        aria-label={label}
        placeholder={label}
        list={list.length > 0 ? id : undefined}
        value={text}
        onChange={(e) => setText(e.target.value)}
        className={`rounded-full border border-edge bg-paper px-3 py-1 ${narrow ? 'w-24' : 'w-44'}`}
      />
      {list.length > 0 && (
        <datalist id={id}>
          {list.map((f) => (
            <option key={f} value={f} />
          ))}
        </datalist>
      )}
    </form>
  );
}
