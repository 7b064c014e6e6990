import { expose } from 'comlink';
import { type CsvReport, type DecimalMark, type Decoded, decodeText, readSupplies } from '@heronstone/core/formats';
import { newId } from '@heronstone/core/plan';

/** What a file holds, and what its letters were read as. */
export type CsvList = CsvReport & { encoding: Extract<Decoded, { ok: true }>['encoding'] };

/** Reading a long list of supplies does not freeze the page. */
const api = {
  /** the list, or one plain sentence why the file is none */
  read: (bytes: Uint8Array, decimal: DecimalMark | null): CsvList | string => {
    const decoded = decodeText(bytes);
    if (!decoded.ok) return decoded.reason;
    return { ...readSupplies(decoded.text, () => newId('supply'), decimal), encoding: decoded.encoding };
  },
};
export type CsvWorker = typeof api;
expose(api);
