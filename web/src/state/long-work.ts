import { proxy, type Remote, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { orFail } from '../workers/or-fail.ts';
import type { StationsWorker } from '../workers/stations.worker.ts';

/** What every worker of long work can be told besides its work. */
type Cancelled = { cancel: () => void };
type Job<Api, T> = (api: Remote<Api>, tell: (share: number) => void) => Promise<T>;
/** Work done beside the screen: how far it is, how to end it. */
export type LongWork<Api = StationsWorker> = {
  /** share done; null while nothing runs */
  share: number | null;
  run: <T>(job: Job<Api, T>) => Promise<T | null>;
  cancel: () => void;
};

type Mine<Api> = { raw: Worker; api: Remote<Api>; unused: boolean };

function start<Api>(make: () => Worker): Mine<Api> {
  const raw = make();
  const mine = { raw, api: wrap<Api>(raw), unused: true };
  // one that broke down while nobody waited for it is not used: another is started, which says why
  raw.addEventListener('error', (e) => {
    e.preventDefault();
    mine.unused = false;
  });
  return mine;
}

const stations = () => new Worker(new URL('../workers/stations.worker.ts', import.meta.url), { type: 'module' });

/** Maps of seats, ways of working compared, rooms arranged. */
export const useLongWork = (warmUp?: (api: Remote<StationsWorker>) => Promise<void>): LongWork =>
  useWorkIn<StationsWorker>(stations, warmUp);
/**
 * A worker of its own for as long as it is needed; a new piece of work ends the one before.
 * @param make starts one; the same function every time
 * @param warmUp gets one ready beforehand, where what is asked for is to be quick
 */
export function useWorkIn<Api extends Cancelled>(
  make: () => Worker,
  warmUp?: (api: Remote<Api>) => Promise<void>,
): LongWork<Api> {
  const [share, setShare] = useState<number | null>(null);
  const worker = useRef<Mine<Api> | null>(null);
  const first = useRef(warmUp);
  useEffect(() => {
    if (first.current) {
      worker.current = start<Api>(make);
      first.current(worker.current.api).catch(() => {});
    }
    return () => {
      worker.current?.raw.terminate();
      worker.current = null;
    };
  }, [make]);
  const run = useCallback(
    async <T>(job: Job<Api, T>): Promise<T | null> => {
      if (!worker.current?.unused) {
        worker.current?.raw.terminate();
        worker.current = start<Api>(make);
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
    },
    [make],
  );
  const cancel = useCallback(() => void (worker.current?.api as Remote<Cancelled> | undefined)?.cancel(), []);
  return { share, run, cancel };
}
