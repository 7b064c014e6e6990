import { type Remote, wrap } from 'comlink';
import { type DecimalMark } from '@heronstone/core/formats';
import { orFail } from '../../workers/or-fail.ts';
import { type CsvList, type CsvWorker } from '../../workers/csv.worker.ts';

/**
 * Reads a list of supplies in a worker of its own.
 * @returns the list, or one plain sentence why the file is none
 */
export async function readCsv(file: File, decimal: DecimalMark | null = null): Promise<CsvList | string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const worker = new Worker(new URL('../../workers/csv.worker.ts', import.meta.url), { type: 'module' });
  try {
    return await orFail<CsvList | string>(worker, (wrap<CsvWorker>(worker) as Remote<CsvWorker>).read(bytes, decimal));
  } catch (e) {
    return `It could not be read: ${(e as Error).message}.`;
  } finally {
    worker.terminate();
  }
}
