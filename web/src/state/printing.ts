import { type Remote } from 'comlink';
import { type Bound } from '@heronstone/core/book';
import { type Paper } from '@heronstone/core/drawings';
import { type Plan } from '@heronstone/core/plan';
import { type Faces } from '@heronstone/core/type';
import { toast } from 'sonner';
import { shippedFaces } from '../parts/faces.ts';
import { doing } from '../parts/fetched.ts';
import { savePrint } from '../ui/save-print.ts';
import { today } from '../ui/words.ts';
import type { Print, PrintWorker } from '../workers/print.worker.ts';
import { type LongWork, useWorkIn } from './long-work.ts';
import { fetchPhotos, PHOTOS_AWAY } from './photos.ts';

const start = () => new Worker(new URL('../workers/print.worker.ts', import.meta.url), { type: 'module' });

type Job = (api: Remote<PrintWorker>, print: Print, tell: (share: number) => void) => Promise<Bound | null>;

/** The pictures of places and things of a plan: those that maps show. */
const picturesOf = (plan: Plan): string[] =>
  [...Object.values(plan.places), ...Object.values(plan.supplies)].flatMap((row) => row.photo ?? []);

/**
 * Books and maps: written beside the screen in the shipped faces, and saved under a name; with the pictures of a plan where one is given. What goes
 * wrong is said.
 */
export function usePrinting(): {
  work: LongWork<PrintWorker>;
  print: (name: string, paper: Paper, job: Job, pictured?: Plan | null) => void;
} {
  const work = useWorkIn<PrintWorker>(start);
  const print = (name: string, paper: Paper, job: Job, pictured: Plan | null = null) =>
    doing(async () => {
      const faces: Faces = await shippedFaces();
      const { photos, away } = await fetchPhotos(pictured ? picturesOf(pictured) : []);
      if (away) toast(PHOTOS_AWAY);
      const bound = await work.run((api, tell) => job(api, { paper, faces, photos, day: today() }, tell));
      if (bound) savePrint(name, bound);
    });
  return { work, print };
}
