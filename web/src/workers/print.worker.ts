import { expose } from 'comlink';
import {
  type BookOptions,
  type Bound,
  type MapOptions,
  type MapsOf,
  planBook,
  planMaps,
  type PrintOptions,
} from '@heronstone/core/book';
import { type Plan } from '@heronstone/core/plan';

/** What a print is made with, but for how far it is. */
export type Print = Omit<PrintOptions, 'onProgress'>;
type Asked<O extends PrintOptions> = Omit<O, 'onProgress'>;

let stop = false;
class Stopped extends Error {}

/** Books and maps, written off the screen’s thread; cancelled at the next stretch. */
async function written(
  onProgress: (share: number) => void,
  write: (tell: (share: number) => Promise<void>) => Promise<Bound>,
): Promise<Bound | null> {
  stop = false;
  try {
    return await write(async (share) => {
      onProgress(share);
      // what was told meanwhile is heard
      await new Promise<void>((resolve) => setTimeout(resolve, 0));
      if (stop) throw new Stopped();
    });
  } catch (error) {
    if (error instanceof Stopped) return null;
    throw error;
  }
}

const api = {
  book: (plan: Plan, print: Asked<BookOptions>, onProgress: (share: number) => void) =>
    written(onProgress, (tell) => planBook(plan, { ...print, onProgress: tell })),
  maps: (plan: Plan, of: MapsOf, print: Asked<MapOptions>, onProgress: (share: number) => void) =>
    written(onProgress, (tell) => planMaps(plan, of, { ...print, onProgress: tell })),
  cancel: () => {
    stop = true;
  },
};
export type PrintWorker = typeof api;
expose(api);
