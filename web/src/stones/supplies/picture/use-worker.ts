import { type Remote, wrap } from 'comlink';
import { useCallback, useEffect, useRef } from 'react';
import { orFail } from '../../../workers/or-fail.ts';
import type { PictureWorker } from '../../../workers/picture.worker.ts';

export type AskPicture = <T>(job: (api: Remote<PictureWorker>) => Promise<T>) => Promise<T>;

/** The worker that holds the picture, for as long as the screen is open. */
export function usePictureWorker(): AskPicture {
  const mine = useRef<{ raw: Worker; api: Remote<PictureWorker> } | null>(null);
  const start = useCallback(() => {
    if (mine.current) return mine.current;
    const raw = new Worker(new URL('../../../workers/picture.worker.ts', import.meta.url), { type: 'module' });
    return (mine.current = { raw, api: wrap<PictureWorker>(raw) });
  }, []);
  // there before the first picture is
  useEffect(() => {
    start();
    return () => {
      mine.current?.raw.terminate();
      mine.current = null;
    };
  }, [start]);
  return useCallback(
    (job) => {
      const { raw, api } = start();
      return orFail(raw, job(api));
    },
    [start],
  );
}
