import { proxy, type Remote, wrap } from 'comlink';
import { House, Square } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { type Assessment, assessHomes, settleCommand } from '@heronstone/core/homes';
import { type SlottingProgress } from '@heronstone/core/slotting';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { countWords, today, yearWords } from '../../ui/words.ts';
import { type HomesWorker } from '../../workers/homes.worker.ts';

const SECONDS = 2;

/** Find homes: in a worker, with the running total and how far it can be from the best; one undo for the whole result. */
export function FindHomes({ assessment }: { assessment: Assessment }) {
  const dispatch = usePlan((s) => s.dispatch);
  const [progress, setProgress] = useState<SlottingProgress | null>(null);
  const [running, setRunning] = useState(false);
  const worker = useRef<{ raw: Worker; api: Remote<HomesWorker> } | null>(null);
  useEffect(() => () => worker.current?.raw.terminate(), []);

  const find = async () => {
    if (running) return;
    const { plan } = usePlan.getState();
    if (assessment.states.length === 0) return void toast('There are no supplies yet to find homes for.');
    setRunning(true);
    setProgress(null);
    const raw = new Worker(new URL('../../workers/homes.worker.ts', import.meta.url), { type: 'module' });
    worker.current = { raw, api: wrap<HomesWorker>(raw) };
    try {
      const answer = await worker.current.api.find(plan, SECONDS, proxy(setProgress));
      const now = usePlan.getState().plan;
      const command = settleCommand(now, answer, today());
      const before = assessHomes(now);
      if (command.type === 'settle' && command.homes.length === 0) toast('Every home is already where it is best.');
      else if (dispatch(command)) {
        const after = assessHomes(usePlan.getState().plan);
        const moves = command.type === 'settle' ? command.homes.length : 0;
        const without = after.homeless.length;
        toast.success(`${countWords(moves, 'home', 'homes')} changed`, {
          description: `${yearWords(before.seconds)} of fetching with ${before.homeless.length} without a home → ${yearWords(after.seconds)} with ${without}. At most ${gapWords(answer.gap)} above the best possible. Ctrl Z takes it all back.`,
          duration: 12_000,
        });
      }
    } catch (e) {
      toast.error(`Homes could not be found: ${(e as Error).message}`);
    } finally {
      raw.terminate();
      worker.current = null;
      setRunning(false);
    }
  };
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const typing = e.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName);
      if (!typing && !e.ctrlKey && !e.metaKey && !e.altKey && e.key.toLowerCase() === 'f') void find();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });

  if (running)
    return (
      <div className="flex items-center gap-2" role="status" aria-label="Finding homes">
        <progress
          className="h-2 w-24 accent-heron"
          value={progress?.done ?? 0}
          max={1}
          aria-label="How far the search is"
        />
        <span className="text-[14px]">
          {progress ? `${yearWords(progress.total)} · gap ${gapWords(progress.gap)}` : 'measuring reach …'}
        </span>
        <Button onClick={() => void worker.current?.api.cancel()}>
          <Square size={13} aria-hidden /> Enough
        </Button>
      </div>
    );
  return (
    <Button look="main" onClick={() => void find()} title="Find homes ( F )">
      <House size={16} aria-hidden /> Find homes
    </Button>
  );
}

const gapWords = (gap: number | null) => (gap === null ? 'unknown' : `${(gap * 100).toFixed(1)} %`);
