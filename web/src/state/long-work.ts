import { proxy, type Remote, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { orFail } from '../workers/or-fail.ts';
import type { StationsWorker } from '../workers/stations.worker.ts';

/** Work done beside the screen: how far it is, how to end it. */
export type LongWork = {
  /** share done; null while nothing runs */
  share: number | null;
  run: <T>(job: (api: Remote<StationsWorker>, tell: (share: number) => void) => Promise<T>) => Promise<T | null>;
  cancel: () => void;
};

type Mine = { raw: Worker; api: Remote<StationsWorker>; unused: boolean };

function start(): Mine {
  const raw = new Worker(new URL('../workers/stations.worker.ts', import.meta.url), { type: 'module' });
  const mine = { raw, api: wrap<StationsWorker>(raw), unused: true };
  // one that broke down while nobody waited for it is not used: another is started, which says why
  raw.addEventListener('error', (e) => {
    e.preventDefault();
    mine.unused = false;
  });
  return mine;
}

/**
 * A worker of its own for as long as it is needed; a new piece of work ends the one before.
 * @param warmUp gets one ready beforehand, where what is asked for is to be quick
 */
export function useLongWork(warmUp?: (api: Remote<StationsWorker>) => Promise<void>): LongWork {
  const [share, setShare] = useState<number | null>(null);
  const worker = useRef<Mine | null>(null);
  const first = useRef(warmUp);
  useEffect(() => {
    if (first.current) {
      worker.current = start();
      first.current(worker.current.api).catch(() => {});
    }
    return () => {
      worker.current?.raw.terminate();
      worker.current = null;
    };
  }, []);
  const run: LongWork['run'] = useCallback(async (job) => {
    if (!worker.current?.unused) {
      worker.current?.raw.terminate();
      worker.current = start();
    }
    const mine = worker.current;
    const { raw } = mine;
    mine.unused = false;
    setShare(0);
    try {
      const tell = proxy((s: number) => worker.current === mine && setShare(s));
      return await orFail(raw, job(mine.api, tell));
    } catch (e) {
      toast.error(`It could not be worked out: ${(e as Error).message}`);
      return null;
    } finally {
      raw.terminate();
      if (worker.current === mine) {
        worker.current = null;
        setShare(null);
      }
    }
  }, []);
  const cancel = useCallback(() => void worker.current?.api.cancel(), []);
  return { share, run, cancel };
}
