import { type Remote, wrap } from 'comlink';
import { useCallback, useEffect, useRef } from 'react';
import { orFail } from '../../../workers/or-fail.ts';
import type { PictureWorker } from '../../../workers/picture.worker.ts';

export type AskPicture = <T>(job: (api: Remote<PictureWorker>) => Promise<T>) => Promise<T>;

/** The worker that holds the picture, for as long as the screen is open. */
export function usePictureWorker(): AskPicture {
  const mine = useRef<{ raw: Worker; api: Remote<PictureWorker> } | null>(null);
  useEffect(
    () => () => {
      mine.current?.raw.terminate();
      mine.current = null;
    },
    [],
  );
  return useCallback((job) => {
    if (!mine.current) {
      const raw = new Worker(new URL('../../../workers/picture.worker.ts', import.meta.url), { type: 'module' });
      mine.current = { raw, api: wrap<PictureWorker>(raw) };
    }
    const { raw, api } = mine.current;
    return orFail(raw, job(api));
  }, []);
}
