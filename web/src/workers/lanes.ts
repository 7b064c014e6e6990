import { proxy, wrap } from 'comlink';
import { type Lane, type SunGrid, type Worth } from '@heronstone/core/arrange';
import type { ArrangeWorker } from './arrange.worker.ts';
import { orFail } from './or-fail.ts';

/** More threads than this are not asked for: there are not that many pieces of work. */
const MOST = 4;

/** Lanes of an arrangement search beside the one in this thread, as many as the machine has cores for. */
export type Helpers = { lanes: (now: Worth, sun: SunGrid) => Lane[]; cancel: () => void; end: () => void };

/** Starts them; they are threads of this one and end with it at the latest. */
export function startHelpers(since: string): Helpers {
  const cores = Math.min(MOST, navigator.hardwareConcurrency || 1);
  const helpers = Array.from({ length: cores - 1 }, () => {
    const raw = new Worker(new URL('./arrange.worker.ts', import.meta.url), { type: 'module' });
    return { raw, api: wrap<ArrangeWorker>(raw) };
  });
  return {
    lanes: (now, sun) =>
      helpers.map(({ raw, api }): Lane => {
        const opened = orFail(raw, api.open(now, sun, since));
        return {
          begin: (seed) =>
            orFail(
              raw,
              opened.then(() => api.begin(seed)),
            ),
          better: (start, steps, seed, onShare, onFound) =>
            orFail(
              raw,
              opened.then(() => api.better(start, steps, seed, proxy(onShare), proxy(onFound))),
            ),
        };
      }),
    cancel: () => helpers.forEach(({ api }) => void api.cancel()),
    end: () => helpers.forEach(({ raw }) => raw.terminate()),
  };
}
