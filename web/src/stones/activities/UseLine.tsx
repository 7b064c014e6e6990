import { type PointerEvent, useMemo, useRef, useState } from 'react';
import { fetchesPerYear } from '@heronstone/core/homes';
import { type Activity, newId } from '@heronstone/core/plan';
import { fetchesOfSession } from '@heronstone/core/sessions';
import { usePlan } from '../../state/plan-store.ts';
import { findSupplies } from '../../state/search.ts';
import { useDrawnBox } from '../../ui/drawn-scale.ts';
import { NumberField } from '../../ui/fields/index.ts';
import { countWords, longWords } from '../../ui/words.ts';
import { flushSync } from 'react-dom';
import { Trash2 } from 'lucide-react';
import { Button } from '../../ui/button.tsx';
import { type Chip, chipLeft, layChips } from './chips.ts';
import { fromShare, MOST, nextUse, toShare } from './use-steps.ts';

const FEWEST_LANES = 4;
const LANE = 27;
const TICKS: [number, string][] = [
  [24, 'all the time'],
  [8, '8 a session'],
  [3, '3 a session'],
  [1, 'once a session'],
  [0.4, 'now and then'],
  [0.2, 'hardly ever'],
];

/** What the activity reaches for, as chips on a line from “all the time” to “hardly ever”; dragged, or by numbers below. */
export function UseLine({ activity }: { activity: Activity }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const [chosen, setChosen] = useState<string | null>(null);
  const [text, setText] = useState('');
  const uses = useMemo(
    () => Object.values(plan.uses).filter((u) => u.activityId === activity.id),
    [plan.uses, activity.id],
  );
  const line = useRef<HTMLDivElement>(null);
  const { width } = useDrawnBox(line);
  const chips = useMemo(
    () => layChips(uses, (u) => plan.supplies[u.supplyId]?.name ?? '', width),
    [uses, plan.supplies, width],
  );
  const number = useRef<HTMLDivElement>(null);
  const sum = useMemo(
    () => fetchesOfSession({ uses: plan.uses, activities: plan.activities }, activity.id),
    [plan.uses, plan.activities, activity.id],
  );
  const use = uses.find((u) => u.id === chosen);
  const found = useMemo(() => findSupplies(plan.supplies, text, 8), [plan.supplies, text]);
  const onLine = (supplyId: string) => uses.find((u) => u.supplyId === supplyId);
  const add = (supplyId: string) => {
    const there = onLine(supplyId);
    const id = there?.id ?? newId('use');
    if (there || dispatch({ type: 'addUse', use: { id, activityId: activity.id, supplyId, fetches: 1, usedUp: 0 } })) {
      setChosen(id);
      setText('');
    }
  };
  return (
    <section aria-label="Use line">
      <h2 className="sr-only">What it reaches for</h2>
      <div className="mb-1.5 flex flex-wrap items-end gap-3">
        <div className="relative w-64">
          <label htmlFor="use-add" className="block text-[13px] text-soft">
            Add to the line
          </label>
          <input
            id="use-add"
            className="w-full rounded-full border border-edge bg-paper px-3 py-1"
            autoComplete="off"
            placeholder={Object.keys(plan.supplies).length ? 'name of a supply' : 'bring in supplies first'}
            value={text}
            onChange={(e) => setText(e.target.value)}
            onKeyDown={(e) => e.key === 'Enter' && found[0] && add(found[0].id)}
          />
          {found.length > 0 && (
            <ul className="absolute top-full left-0 z-20 mt-1 w-full overflow-hidden rounded-xl border border-edge bg-paper shadow-lg">
              {found.map((s) => (
                <li key={s.id}>
                  <button type="button" className="w-full px-3 py-1 text-left hover:bg-stone" onClick={() => add(s.id)}>
                    {s.name}
                    {onLine(s.id) && <span className="text-soft"> · lies there</span>}
                  </button>
                </li>
              ))}
            </ul>
          )}
        </div>
        {use && (
          <>
            <p className="pb-1.5 font-semibold">{plan.supplies[use.supplyId]?.name}</p>
            <div ref={number}>
              <NumberField
                className="w-32"
                label="reached for a session"
                max={10_000}
                value={use.fetches}
                onCommit={(fetches) => dispatch({ type: 'setUse', id: use.id, set: { fetches } })}
              />
            </div>
            <NumberField
              className="w-32"
              label="used up a session"
              max={10_000}
              value={use.usedUp}
              onCommit={(usedUp) => dispatch({ type: 'setUse', id: use.id, set: { usedUp } })}
            />
            <p className="pb-1.5 text-soft">
              reached for {Math.round(fetchesPerYear(plan, activity.id, use.fetches))} times a year
            </p>
            <Button
              look="quiet"
              aria-label="Take it off the line"
              onClick={() => dispatch({ type: 'removeUse', id: use.id })}
            >
              <Trash2 size={15} aria-hidden />
            </Button>
          </>
        )}
      </div>
      <div
        ref={line}
        className="relative mt-1 rounded-2xl bg-paper"
        style={{ height: Math.max(FEWEST_LANES, ...chips.map((c) => c.lane + 1)) * LANE + 38 }}
      >
        {TICKS.map(([f, words], i) => (
          <div
            key={f}
            className="absolute inset-y-0 border-l border-dashed border-line"
            style={{ left: chipLeft(f, width) }}
          >
            <span
              className={`absolute left-1 top-1 whitespace-nowrap text-[12.5px] text-soft ${i % 2 ? 'max-sm:hidden' : ''}`}
            >
              {words}
            </span>
          </div>
        ))}
        {uses.length === 0 && (
          <p className="absolute left-4 top-10 text-soft">
            Nothing yet. Type above what is reached for while doing this.
          </p>
        )}
        {width > 0 &&
          chips.map((chip) => (
            <UseChip
              key={chip.use.id}
              chip={chip}
              line={width}
              name={plan.supplies[chip.use.supplyId]?.name ?? '?'}
              chosen={chip.use.id === chosen}
              onChoose={() => setChosen(chip.use.id)}
              onNumber={() => {
                flushSync(() => setChosen(chip.use.id));
                number.current?.querySelector('input')?.select();
              }}
              onFetches={(fetches) => dispatch({ type: 'setUse', id: chip.use.id, set: { fetches } })}
            />
          ))}
      </div>
      {sum.things > 0 && (
        <p className={`mt-1 text-[14px] ${sum.many ? 'text-clash' : 'text-soft'}`}>
          {sum.many
            ? `You would get out ${countWords(sum.things, 'thing', 'things')} in ${longWords(sum.minutes * 60)}: is that so? Of a family of colours say how many a session.`
            : `A session of ${longWords(sum.minutes * 60)}: ${countWords(sum.things, 'thing', 'things')} got out, the hand goes to them ${countWords(sum.fetches, 'time', 'times')}.`}
        </p>
      )}
    </section>
  );
}

function UseChip({
  chip: { use, lane, width },
  line,
  name,
  chosen,
  onChoose,
  onNumber,
  onFetches,
}: {
  chip: Chip;
  /** how wide the line is, px */
  line: number;
  name: string;
  chosen: boolean;
  onChoose: () => void;
  /** how often is to be typed */
  onNumber: () => void;
  onFetches: (fetches: number) => void;
}) {
  const drag = useRef<{ x: number; width: number; moved: boolean } | null>(null);
  const [live, setLive] = useState<number | null>(null);
  const fetches = live ?? use.fetches;
  const onMove = (e: PointerEvent) => {
    const d = drag.current;
    if (!d || (!d.moved && Math.abs(e.clientX - d.x) < 4)) return;
    d.moved = true;
    setLive(fromShare(toShare(use.fetches) + (e.clientX - d.x) / d.width));
  };
  const onUp = () => {
    if (drag.current?.moved && live !== null) onFetches(live);
    drag.current = null;
    setLive(null);
  };
  return (
    <button
      type="button"
      aria-pressed={chosen}
      aria-label={`${name}: reached for ${use.fetches} times a session. Arrow keys change it, Enter types it.`}
      className={`absolute touch-none truncate rounded-full border px-2.5 py-0.5 text-[13.5px] ${chosen ? 'z-10 border-heron bg-heron text-on-heron' : 'border-edge bg-ground hover:z-10 hover:border-heron'}`}
      style={{ top: 28 + lane * LANE, left: chipLeft(fetches, line), width: live === null ? width : 'auto' }}
      title={`${name}: ${fetches} a session`}
      onPointerDown={(e) => {
        onChoose();
        drag.current = { x: e.clientX, width: chipLeft(0, line) - chipLeft(MOST, line), moved: false };
        e.currentTarget.setPointerCapture(e.pointerId);
      }}
      onPointerMove={onMove}
      onPointerUp={onUp}
      onClick={onChoose}
      onKeyDown={(e) => {
        if (e.key === 'Enter') {
          e.preventDefault();
          onNumber();
        }
        if (e.key !== 'ArrowLeft' && e.key !== 'ArrowRight') return;
        e.preventDefault();
        onFetches(nextUse(use.fetches, e.key === 'ArrowLeft'));
      }}
    >
      {name}
      {live !== null && ` · ${live}`}
    </button>
  );
}
