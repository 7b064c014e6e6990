import { proxy, wrap } from 'comlink';
import { type Lane, type SunGrid, type Worth } from '@heronstone/core/arrange';
import { type Plan } from '@heronstone/core/plan';
import { type HelpLane } from '@heronstone/core/tryout';
import type { LaneWorker } from './lane.worker.ts';
import { orFail } from './or-fail.ts';

/** More threads than this are not asked for: there are not that many pieces of work. */
const MOST = 4;

/** Lanes of a long search beside the one in this thread, as many as the machine has cores for. */
export type Helpers = {
  lanes: (now: Worth, sun: SunGrid, since: string) => Lane[];
  helpLanes: (plan: Plan, sun: SunGrid, since: string) => HelpLane[];
  /** gets them ready for their first piece of work */
  warmUp: (plan: Plan, since: string) => void;
  cancel: () => void;
  end: () => void;
};

/** Starts them; they are threads of this one and end with it at the latest. */
export function startHelpers(): Helpers {
  const cores = Math.min(MOST, navigator.hardwareConcurrency || 1);
  const helpers = Array.from({ length: cores - 1 }, () => {
    const raw = new Worker(new URL('./lane.worker.ts', import.meta.url), { type: 'module' });
    const helper = { raw, api: wrap<LaneWorker>(raw), broken: false };
    // what breaks down before it is asked for anything is done without
    raw.addEventListener('error', (e) => {
      e.preventDefault();
      helper.broken = true;
    });
    return helper;
  });
  const whole = () => helpers.filter((h) => !h.broken);
  return {
    lanes: (now, sun, since) =>
      whole().map(({ raw, api }): Lane => {
        const opened = orFail(raw, api.open(now, sun, since));
        return {
          begin: (seed) =>
            orFail(
              raw,
              opened.then(() => api.begin(seed)),
            ),
          better: (start, how, onShare, onFound) =>
            orFail(
              raw,
              opened.then(() => api.better(start, how, proxy(onShare), proxy(onFound))),
            ),
        };
      }),
    helpLanes: (plan, sun, since) =>
      whole().map(({ raw, api }): HelpLane => {
        let ready = orFail(raw, api.openHelp(plan, sun, since));
        let last: Worth | null = null;
        return {
          one: (base, change, thoroughly) => {
            // the same plan handed over once more would have to be looked at from the beginning
            if (base !== last) ready = ready.then(() => orFail(raw, api.onto((last = base))));
            return orFail(
              raw,
              ready.then(() => api.one(change, thoroughly)),
            );
          },
        };
      }),
    warmUp: (plan, since) => helpers.forEach(({ api }) => void api.warmUp(plan, since).catch(() => {})),
    cancel: () => helpers.forEach(({ api }) => void api.cancel()),
    end: () => helpers.forEach(({ raw }) => raw.terminate()),
  };
}
