import { expose } from 'comlink';
import { type CsvReport, readSupplies } from '@heronstone/core/formats';
import { newId } from '@heronstone/core/plan';

/** Reading a long list of supplies does not freeze the page. */
const api = { read: (text: string): CsvReport => readSupplies(text, () => newId('supply')) };
export type CsvWorker = typeof api;
expose(api);
