/** Only what is used of the WHATWG TextDecoder, which every browser and Node have. */
type Decoder = new (label: string, options: { fatal: boolean }) => { decode: (bytes: Uint8Array) => string };
const { TextDecoder: Decoder } = globalThis as unknown as { TextDecoder: Decoder };

export type Decoded =
  { ok: true; text: string; encoding: 'UTF-8' | 'UTF-16' | 'Windows-1252' } | { ok: false; reason: string };

const NOT_TEXT = 'This file is not text. Save the list as “CSV (UTF-8)” and bring that.';

/**
 * The text of a file as spreadsheets write it: UTF-8, UTF-16 (with or without its mark at the start), else Western European
 * (Windows-1252, which holds Latin-1).
 * @returns the text and what it was read as, or one plain sentence why it is none
 */
export function decodeText(bytes: Uint8Array): Decoded {
  const utf16 = utf16Order(bytes);
  if (utf16) {
    const text = decoded(bytes, utf16);
    return text === null || text.includes('\0')
      ? { ok: false, reason: NOT_TEXT }
      : { ok: true, text, encoding: 'UTF-16' };
  }
  if (bytes.includes(0)) return { ok: false, reason: NOT_TEXT };
  const utf8 = decoded(bytes, 'utf-8');
  if (utf8 !== null) return { ok: true, text: utf8, encoding: 'UTF-8' };
  // windows-1252 gives every byte a character; control characters that no list has show that it is something else
  const western = decoded(bytes, 'windows-1252')!;
  const strange = [...western].filter((c) => c < ' ' && !'\t\r\n'.includes(c)).length;
  return strange > 0 ? { ok: false, reason: NOT_TEXT } : { ok: true, text: western, encoding: 'Windows-1252' };
}

function decoded(bytes: Uint8Array, label: string): string | null {
  try {
    return new Decoder(label, { fatal: true }).decode(bytes);
  } catch {
    return null;
  }
}

/** By the mark at the start, else by where the zero bytes of plain letters lie. */
function utf16Order(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | null {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be';
  const zeros = [0, 0];
  const length = Math.min(bytes.length, 4096);
  for (let i = 0; i < length; i++) if (bytes[i] === 0) zeros[i % 2]!++;
  if (zeros[1]! > length / 4 && zeros[0] === 0) return 'utf-16le';
  return zeros[0]! > length / 4 && zeros[1] === 0 ? 'utf-16be' : null;
}
