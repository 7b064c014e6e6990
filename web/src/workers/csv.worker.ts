import { expose } from 'comlink';
import {
  type DecimalMark,
  type Decoded,
  decodeText,
  type ListRead,
  type Meaning,
  readList,
} from '@heronstone/core/formats';
import { type Plan } from '@heronstone/core/plan';

/** A list that was read, its text, and what its letters were read as. */
export type ListInHand = { list: ListRead; text: string; encoding: Extract<Decoded, { ok: true }>['encoding'] };

/** Reading a long list of supplies does not freeze the page. */
const api = {
  /** the list, or one plain sentence why the file is none */
  read: (
    from: Uint8Array | string,
    plan: Plan,
    meanings: Meaning[] | null,
    decimal: DecimalMark | null,
  ): ListInHand | string => {
    const decoded: Decoded = typeof from === 'string' ? { ok: true, text: from, encoding: 'UTF-8' } : decodeText(from);
    if (!decoded.ok) return decoded.reason;
    const { text, encoding } = decoded;
    if (text.trim() === '') return 'There is nothing in it.';
    return { list: readList(text, plan, { measure: plan.head.measure, meanings, decimal }), text, encoding };
  },
};
export type CsvWorker = typeof api;
expose(api);
