import { Printer, Undo2 } from 'lucide-react';
import { type KeyboardEvent, type RefObject, useEffect, useMemo, useRef, useState } from 'react';
import { formatVolume, formatWeight, type Said } from '@heronstone/core/lengths';
import { type Decision, type Plan, type Supply } from '@heronstone/core/plan';
import { heapsOf, litresOf, type Heap } from '@heronstone/core/stock';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { Button } from '../../../ui/button.tsx';
import { countWords, today } from '../../../ui/words.ts';
import { Leaving } from './Leaving.tsx';
import { Looked } from './Looked.tsx';

type Way = { decision: Exclude<Decision, 'open'>; name: string; key: string; keys: readonly string[]; tint: string };

/** The five ways out, where the arrow keys and a thumb are. */
const WAYS: readonly Way[] = [
  { decision: 'keep', name: 'keep', key: '→', keys: ['ArrowRight', 'k'], tint: 'var(--hand)' },
  { decision: 'away', name: 'away for the season', key: '↑', keys: ['ArrowUp', 'a'], tint: 'var(--turn)' },
  { decision: 'passOn', name: 'pass on', key: '←', keys: ['ArrowLeft', 'p'], tint: 'var(--rise)' },
  { decision: 'throw', name: 'throw', key: '↓', keys: ['ArrowDown', 't'], tint: 'var(--climb)' },
  { decision: 'undecided', name: 'undecided', key: 'U', keys: ['u'], tint: 'var(--walk)' },
];
/** What is undecided is asked again after so many days (own assumption). */
const THINK = 14;

const inDays = (days: number) => {
  const day = new Date();
  day.setDate(day.getDate() + days);
  return day.toLocaleDateString('sv');
};

/** Everything out, one thing at a time: one key or one thumb each, the piles growing in litres. */
export default function SortOut() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const undo = usePlan((s) => s.undo);
  const undoWords = usePlan((s) => s.undoWords);
  const { select } = useSelection();
  const [printing, setPrinting] = useState(false);
  const heaps = useMemo(() => heapsOf(plan), [plan]);
  const queue = useMemo(() => queueOf(plan), [plan]);
  const thing = queue[0];
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => box.current?.focus(), []);
  const decide = (way: Way) => {
    if (!thing) return;
    const decideBy = way.decision === 'undecided' ? inDays(THINK) : null;
    dispatch({ type: 'setSupply', id: thing.id, set: { decision: way.decision, decideBy } });
    box.current?.focus();
  };
  const onKeyDown = (e: KeyboardEvent) => {
    if (e.ctrlKey || e.metaKey || e.altKey || e.target instanceof HTMLInputElement) return;
    const way = WAYS.find((w) => w.keys.includes(e.key) || w.keys.includes(e.key.toLowerCase()));
    if (way) {
      e.preventDefault();
      decide(way);
    } else if (e.key === 'Backspace' && undoWords) {
      e.preventDefault();
      void undo();
    }
  };
  const total = Object.keys(plan.supplies).length;
  if (total === 0)
    return (
      <p className="mt-6 max-w-lg rounded-2xl border-2 border-dashed border-line p-6 text-soft">
        There is nothing to sort yet. Take everything in on the tour, or type it under Lines; then everything is asked
        for, one thing at a time.
      </p>
    );
  const done = total - queue.length;
  return (
    <div className="grid grow grid-cols-1 gap-4 lg:grid-cols-[minmax(0,1fr)_19rem]">
      <div onKeyDown={onKeyDown} className="flex min-w-0 flex-col" aria-label="Sort-out" role="group" data-sort-out>
        <p className="flex flex-wrap items-center gap-3 text-soft">
          <span>
            <strong className="text-ink">{done}</strong> of {total} decided
            <span className="max-sm:hidden">; stop when you like, it goes on where you stopped</span>
          </span>
          <progress className="h-2 w-32 accent-heron" value={done} max={total} aria-label="Decided" />
          <Button disabled={!undoWords} onClick={() => void undo()} title={undoWords ?? ''}>
            <Undo2 size={15} aria-hidden /> Take back <span className="text-soft max-sm:hidden">(Backspace)</span>
          </Button>
          {heaps.passOn.supplies.length + heaps.throw.supplies.length > 0 && (
            <Button onClick={() => setPrinting(true)}>
              <Printer size={15} aria-hidden /> What leaves the house
            </Button>
          )}
        </p>
        {thing ? (
          <div className="mt-2 grid grow grid-cols-2 gap-2 sm:grid-cols-[1fr_1.6fr_1fr] sm:grid-rows-[auto_1fr_auto]">
            <Thing
              ref={box}
              plan={plan}
              thing={thing}
              className="col-span-2 sm:col-span-1 sm:col-start-2 sm:row-start-2"
            />
            {WAYS.map((way) => (
              <WayOut
                said={plan.head}
                key={way.decision}
                way={way}
                heap={heaps[way.decision]}
                most={mostLitres(heaps)}
                onTake={() => decide(way)}
              />
            ))}
          </div>
        ) : (
          <div className="mt-6 max-w-lg rounded-2xl border-2 border-dashed border-line p-6">
            <p className="font-display text-xl">Everything is decided.</p>
            <p className="mt-1 text-soft">
              {countWords(heaps.undecided.supplies.length, 'thing is', 'things are')} undecided and will be asked for
              again on the day to decide.
            </p>
            <Button className="mt-3" look="main" onClick={() => select({ view: 'room' })}>
              What room the rest needs
            </Button>
          </div>
        )}
      </div>
      <Looked plan={plan} />
      {printing && <Leaving plan={plan} onClose={() => setPrinting(false)} />}
    </div>
  );
}

/** What is still to be decided: by family, so that like things come together; then what was put off and is due. */
function queueOf(plan: Plan): Supply[] {
  const now = today();
  const due = (s: Supply) => s.decision === 'undecided' && s.decideBy !== null && s.decideBy <= now;
  return Object.values(plan.supplies)
    .filter((s) => s.decision === 'open' || due(s))
    .sort(
      (a, b) => Number(due(a)) - Number(due(b)) || a.family.localeCompare(b.family) || a.name.localeCompare(b.name),
    );
}

const mostLitres = (heaps: Record<Decision, Heap>) => Math.max(1, ...WAYS.map((w) => heaps[w.decision].litres));

function Thing({
  ref,
  plan,
  thing,
  className,
}: {
  ref: RefObject<HTMLDivElement | null>;
  plan: Plan;
  thing: Supply;
  className: string;
}) {
  const litres = litresOf(thing);
  return (
    <div
      ref={ref}
      tabIndex={0}
      role="group"
      aria-label="The thing in hand"
      className={`flex flex-col items-center justify-center rounded-3xl border-2 border-ink bg-paper p-4 text-center ${className}`}
      aria-live="polite"
    >
      {thing.colour && (
        <span className="mb-1 size-5 rounded-full border border-edge" style={{ background: thing.colour }} />
      )}
      <h2 className="font-display text-2xl font-semibold" data-thing={thing.id}>
        {thing.name}
      </h2>
      <p>
        {thing.working + thing.backstock} {thing.family && <span className="text-soft">· {thing.family}</span>}
      </p>
      <p className="text-soft">
        {litres === null ? 'size not known' : formatVolume(litres, plan.head)}
        {thing.mass > 0 && ` · ${formatWeight(thing.mass * (thing.working + thing.backstock), plan.head.measure)}`}
        {thing.hazards.length > 0 && ` · mind: ${thing.hazards.join(', ')}`}
      </p>
    </div>
  );
}

/** Where each way lies about the thing in hand, on a wide screen. */
const SEAT: Record<Way['decision'], string> = {
  keep: 'sm:col-start-3 sm:row-start-2',
  away: 'sm:col-start-2 sm:row-start-1',
  passOn: 'sm:col-start-1 sm:row-start-2',
  throw: 'sm:col-start-2 sm:row-start-3',
  undecided: 'max-sm:col-span-2 sm:col-start-3 sm:row-start-3',
};

/** One way out, its pile drawn in true litres. */
function WayOut({
  way,
  heap,
  most,
  said,
  onTake,
}: {
  way: Way;
  heap: Heap;
  most: number;
  said: Said;
  onTake: () => void;
}) {
  return (
    <button
      type="button"
      onClick={onTake}
      className={`relative flex min-h-16 flex-col items-center justify-end overflow-hidden rounded-2xl border-2 bg-paper px-2 py-1.5 hover:brightness-95 sm:min-h-24 ${SEAT[way.decision]}`}
      style={{ borderColor: way.tint }}
    >
      <span
        aria-hidden
        className="absolute inset-x-0 bottom-0"
        style={{ background: way.tint, opacity: 0.25, height: `${Math.min(100, (100 * heap.litres) / most)}%` }}
      />
      <span className="relative font-semibold">
        {way.name} <kbd className="font-sans text-soft max-sm:hidden">{way.key}</kbd>
      </span>
      <span className="relative text-[13.5px]">
        {heap.supplies.length} · {heap.guessed && 'about '}
        {formatVolume(heap.litres, said, 1)}
        {heap.unmeasured > 0 && ` + ${heap.unmeasured} of unknown size`}
      </span>
    </button>
  );
}
