import { type Remote } from 'comlink';
import { type Bound } from '@heronstone/core/book';
import { type Paper } from '@heronstone/core/drawings';
import { type Faces } from '@heronstone/core/type';
import { shippedFaces } from '../parts/faces.ts';
import { doing } from '../parts/fetched.ts';
import { savePrint } from '../ui/save-print.ts';
import { today } from '../ui/words.ts';
import type { Print, PrintWorker } from '../workers/print.worker.ts';
import { type LongWork, useWorkIn } from './long-work.ts';

const start = () => new Worker(new URL('../workers/print.worker.ts', import.meta.url), { type: 'module' });

type Job = (api: Remote<PrintWorker>, print: Print, tell: (share: number) => void) => Promise<Bound | null>;

/** Books and maps: written beside the screen in the shipped faces, and saved under a name. What goes wrong is said. */
export function usePrinting(): {
  work: LongWork<PrintWorker>;
  print: (name: string, paper: Paper, job: Job) => void;
} {
  const work = useWorkIn<PrintWorker>(start);
  const print = (name: string, paper: Paper, job: Job) =>
    doing(async () => {
      const faces: Faces = await shippedFaces();
      const bound = await work.run((api, tell) => job(api, { paper, faces, day: today() }, tell));
      if (bound) savePrint(name, bound);
    });
  return { work, print };
}
