import { useDeferredValue, useMemo, useState } from 'react';
import { lineContextOf, linesOf, readLine, sameAs, takeInAll, type LineRead } from '@heronstone/core/lines';
import { newId } from '@heronstone/core/plan';
import { useKept } from '../../../state/kept.ts';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { Button } from '../../../ui/button.tsx';
import { countWords } from '../../../ui/words.ts';
import { Asked, Took } from './Took.tsx';
import { JustIn } from './JustIn.tsx';

/** More than so many lines are shown in part; all are taken in. */
const SHOWN = 300;

/** As one writes on paper, in inches and pounds or in centimetres and grams. */
const EXAMPLES = {
  imperial: `24 small ink pads
3 packs card 12x12 80 lb
6 rolls twine 3 in dia x 3
shoe box of ribbon ends
about 40 buttons
2 packs of 50 white card blanks`,
  metric: `24 small ink pads
3 packs card 30 x 30 216 g
6 rolls twine 7 cm dia x 8
shoe box of ribbon ends
about 40 buttons
2 packs of 50 white A6 card blanks`,
} as const;

const NONE: Readonly<Record<string, string>> = {};

/** Paste or type many lines; each is shown with what it was taken for, and only the doubtful ones ask. */
export default function Lines() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { select } = useSelection();
  const [text, setText] = useKept('lines.text', '');
  /** kinds chosen, by the line they were chosen for */
  const [chosen, setChosen] = useKept<Readonly<Record<string, string>>>('lines.kinds', NONE);
  const shown = useDeferredValue(text);
  /** what came in last, ids */
  const [came, setCame] = useState<readonly string[]>([]);
  const { measure } = plan.head;
  const reads = useMemo(() => {
    const context = lineContextOf(plan, null);
    return linesOf(shown).map((line): { line: string; read: LineRead } => ({
      line,
      read: readLine(line, { ...context, chosen: chosen[line] ?? null }),
    }));
    // what is in the plan is named by lines; it changes when they are taken in
  }, [shown, chosen, plan]);
  const good = reads.filter((r) => r.read.what === 'supply');
  const asking = good.filter((r) => r.read.what === 'supply' && r.read.doubts.length > 0).length;
  const guessed = good.filter((r) => r.read.what === 'supply' && r.read.guessed.length > 0).length;
  const take = () => {
    const command = takeInAll(
      plan,
      reads.map((r) => r.read),
      () => newId('supply'),
    );
    const had = plan.supplies;
    if (command && dispatch(command)) {
      setCame(Object.keys(usePlan.getState().plan.supplies).filter((id) => !had[id]));
      // what could not be understood stays to be mended
      setText(
        reads
          .filter((r) => r.read.what !== 'supply')
          .map((r) => r.line)
          .join('\n'),
      );
      setChosen({});
    }
  };
  return (
    <div className="grid grow grid-cols-1 gap-6 md:grid-cols-[minmax(0,2fr)_minmax(0,3fr)]">
      <section aria-label="Lines" className="flex flex-col">
        <label htmlFor="lines" className="font-semibold">
          One thing a line, as you would write it on paper
        </label>
        <textarea
          id="lines"
          autoFocus
          value={text}
          spellCheck={false}
          onChange={(e) => setText(e.target.value)}
          onKeyDown={(e) => {
            if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) take();
          }}
          placeholder={EXAMPLES[measure]}
          className="mt-1 min-h-72 w-full grow resize-none rounded-xl border-2 border-heron bg-paper p-3 text-lg leading-7 md:h-[calc(100vh-15rem)]"
        />
        <div className="mt-2 flex flex-wrap items-center gap-2">
          <Button look="main" disabled={good.length === 0} onClick={take} title="Ctrl Enter">
            Take in {good.length}
          </Button>
          <Button onClick={() => select({ view: 'table' })}>A table of your own …</Button>
        </div>
      </section>
      <section aria-label="What they were taken for" className="min-w-0">
        {reads.length === 0 && came.length > 0 && <JustIn ids={came} />}
        <p aria-live="polite" className="font-semibold">
          {reads.length === 0
            ? 'What each line was taken for stands here as you type.'
            : `${countWords(good.length, 'thing', 'things')}${asking > 0 ? `, ${asking} in doubt` : ''}${guessed > 0 ? `, ${guessed} with usual sizes or guesses` : ''}`}
        </p>
        {reads.length === 0 && (
          <p className="mt-1 max-w-prose text-soft">
            Take everything out and count it. A count, a name, and whatever else you know: “packs of 25”, a size in
            either system, a paper weight, a colour, what box it fills. What you do not say is taken from what such
            things usually are, and marked as a guess until you measure it.
          </p>
        )}
        <ol className="mt-1 divide-y divide-line overflow-auto md:max-h-[calc(100vh-13rem)]">
          {reads.slice(0, SHOWN).map(({ line, read }, i) => (
            <li key={`${i} ${line}`} className="py-1.5" data-line>
              <p className="text-[13px] text-soft">{line}</p>
              {read.what === 'containers' ? (
                <p className="text-clash">Say on the tour where containers stand.</p>
              ) : (
                <>
                  <Took read={read} />
                  {read.what === 'supply' && sameAs(plan, read.supply) && (
                    <p className="text-[13px] text-heron">on the list already: added to it</p>
                  )}
                  <Asked read={read} onChoose={(kind) => setChosen({ ...chosen, [line]: kind })} />
                </>
              )}
            </li>
          ))}
          {reads.length > SHOWN && <li className="py-1 text-soft">… and {reads.length - SHOWN} more</li>}
        </ol>
      </section>
    </div>
  );
}
