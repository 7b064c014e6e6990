import { type Remote, wrap } from 'comlink';
import { type CsvReport } from '@heronstone/core/formats';
import { type CsvWorker } from '../../workers/csv.worker.ts';

/** Reads CSV text in a worker of its own. */
export async function readCsv(text: string): Promise<CsvReport> {
  const worker = new Worker(new URL('../../workers/csv.worker.ts', import.meta.url), { type: 'module' });
  try {
    return await (wrap<CsvWorker>(worker) as Remote<CsvWorker>).read(text);
  } finally {
    worker.terminate();
  }
}
