import { type Remote, wrap } from 'comlink';
import { type DecimalMark, type Meaning } from '@heronstone/core/formats';
import { type Plan } from '@heronstone/core/plan';
import { orFail } from '../../../workers/or-fail.ts';
import { type CsvWorker, type ListInHand } from '../../../workers/csv.worker.ts';

/** What reading needs of a plan: not its room. */
function needed(plan: Plan): Plan {
  const { id, head, supplies, activities, uses, homes, places, units, ownLists } = plan;
  return { id, head, supplies, activities, uses, homes, places, units, ownLists } as Plan;
}

/**
 * Reads a list of supplies in a worker of its own.
 * @returns the list, or one plain sentence why it is none
 */
export async function readList(
  from: File | string,
  plan: Plan,
  meanings: Meaning[] | null = null,
  decimal: DecimalMark | null = null,
): Promise<ListInHand | string> {
  const bytes = typeof from === 'string' ? from : new Uint8Array(await from.arrayBuffer());
  const worker = new Worker(new URL('../../../workers/csv.worker.ts', import.meta.url), { type: 'module' });
  try {
    return await orFail<ListInHand | string>(
      worker,
      (wrap<CsvWorker>(worker) as Remote<CsvWorker>).read(bytes, needed(plan), meanings, decimal),
    );
  } catch (e) {
    return `It could not be read: ${(e as Error).message}.`;
  } finally {
    worker.terminate();
  }
}
