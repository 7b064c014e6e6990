import { proxy } from 'comlink';
import { House, Square } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { type FindProgress } from '@heronstone/core/homes';
import { placeSaid } from '@heronstone/core/concepts';
import { type Plan } from '@heronstone/core/plan';
import { usePair, usePairOf } from '../../state/found.ts';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { useFocusAfter } from '../../ui/focus-after.ts';
import { FiguresTable } from '../../ui/Figures.tsx';
import { countWords, today, yearWords } from '../../ui/words.ts';
import { askHomes, enoughOfHomes } from '../../state/homes-worker.ts';
import type { FoundHomes } from '../../workers/homes.worker.ts';
import { singleKey } from '../../ui/single-keys.ts';

const SECONDS = 3;

/** Find homes: in a worker, with the running total and how far it can be from the best; one undo for the whole result. */
export function FindHomes() {
  const dispatch = usePlan((s) => s.dispatch);
  const { keep } = usePair();
  const pair = usePairOf(usePlan((s) => s.plan.id));
  const { select } = useSelection();
  const [progress, setProgress] = useState<FindProgress | null>(null);
  const [running, setRunning] = useState(false);
  const [ending, setEnding] = useState(false);
  const looking = useRef(false);
  const after = useFocusAfter<HTMLButtonElement>(running);
  // who goes elsewhere wants no homes any more
  useEffect(
    () => () => {
      if (looking.current) enoughOfHomes();
      looking.current = false;
    },
    [],
  );

  const find = async () => {
    if (running) return;
    const { plan } = usePlan.getState();
    if (Object.keys(plan.supplies).length === 0) return void toast('There are no supplies yet to find homes for.');
    setRunning(true);
    setEnding(false);
    setProgress(null);
    looking.current = true;
    try {
      const found = await askHomes(plan, (api) => api.find(SECONDS, today(), proxy(setProgress)));
      if (!looking.current) return;
      if (!found) toast('Stopped before there were any homes to show. Nothing was changed.');
      else if (found.worse)
        toast('Nothing better was found. All homes stay as they are.', {
          description: <Compared found={found} second="best found" />,
          duration: 20_000,
          style: { width: 'min(27rem, 92vw)' },
        });
      else if (found.moves === 0)
        toast('No better homes were found than those of today.', { description: gapWords(found.answer.gap) });
      else if (
        dispatch(
          found.keeping.length === 0
            ? found.command
            : { type: 'several', words: 'find homes', commands: [found.command, ...found.keeping] as never },
        )
      ) {
        keep({
          planId: plan.id,
          sides: [
            { name: 'before', plan, sum: found.before },
            { name: 'now', plan: usePlan.getState().plan, sum: found.after },
          ],
          choose: null,
          told: found.told,
          proven: `${gapWords(found.answer.gap)} ${growthWords(usePlan.getState().plan, found.growthGaveWay)}`.trim(),
        });
        toast.success(`${countWords(found.moves, 'home', 'homes')} changed`, {
          description: 'Ctrl Z takes it all back.',
        });
        // the answer is the thing to show
        select({ view: 'found', place: null, supply: null, share: null });
      }
    } catch (e) {
      toast.error(`Homes could not be found: ${(e as Error).message}`);
    } finally {
      looking.current = false;
      setRunning(false);
    }
  };
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (singleKey(e) === 'f') void find();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });

  if (running)
    return (
      <div className="flex items-center gap-2" role="group" aria-label="Finding homes">
        {/* the figures change many times a second: heard are only the steps */}
        <span className="sr-only" role="status">
          {STEP_WORDS[progress?.phase ?? 'measuring']}
        </span>
        <progress
          className="h-2 w-24 accent-heron"
          value={progress?.done ?? 0}
          max={1}
          aria-label="How far the search is"
        />
        <span className="text-[14px]" aria-hidden>
          {ending && progress?.phase !== 'counting' ? 'ending …' : progressWords(progress)}
        </span>
        <Button
          disabled={ending || progress?.phase === 'counting'}
          onClick={() => {
            setEnding(true);
            enoughOfHomes();
          }}
        >
          <Square size={13} aria-hidden /> {!progress || progress.phase === 'measuring' ? 'Stop' : 'Enough'}
        </Button>
      </div>
    );
  return (
    <>
      {pair && (
        <Button
          ref={after}
          onClick={() => select({ view: pair.choose ? 'both' : 'found', place: null, supply: null, share: null })}
        >
          {pair.choose ? 'Two ways' : 'Before and after'}
        </Button>
      )}
      <Button
        {...(pair ? {} : { ref: after })}
        look="main"
        data-next="find"
        onClick={() => void find()}
        title="Find homes ( F )"
      >
        <House size={16} aria-hidden /> Find homes
      </Button>
    </>
  );
}

const STEP_WORDS: Record<FindProgress['phase'], string> = {
  measuring: 'Finding homes: measuring reach',
  searching: 'Searching for better homes',
  counting: 'Counting what was found',
};

function progressWords(progress: FindProgress | null): string {
  if (!progress || progress.phase === 'measuring') return 'measuring reach …';
  if (progress.phase === 'counting') return 'counting …';
  const total = progress.total === null ? '' : `about ${yearWords(progress.total)}`;
  return total;
}

/** Today’s homes and the found ones, counted alike. */
function Compared({ found, second }: { found: FoundHomes; second: string }) {
  return (
    <>
      <FiguresTable
        parts={false}
        columns={[
          { name: 'before', tally: found.before },
          { name: second, tally: found.after },
        ]}
      />
      <p>{gapWords(found.answer.gap)}</p>
    </>
  );
}

const percent = (share: number) => `${(share * 100).toFixed(1)} %`;
/** A bound so far below says nothing. */
const SAYS_SOMETHING = 0.3;

/** How good the homes are proven to be; what names and looking cost is left out of it. */
const gapWords = (gap: number | null) =>
  gap === null || gap > SAYS_SOMETHING
    ? 'How far that is from the best possible is not proven.'
    : `But for names and looking it is at most ${percent(gap)} above the best possible.`;

function growthWords(plan: Plan, places: readonly string[]): string {
  const names = places.flatMap((id) => (plan.places[id] ? [placeSaid(plan, plan.places[id])] : []));
  if (names.length === 0) return '';
  const shown = names.slice(0, 2).join(' and ');
  return `Room to grow gave way in ${names.length > 2 ? `${names.length} places, ${shown} among them` : shown}.`;
}
