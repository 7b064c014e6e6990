/** A picture is at most so wide and so high, points: the browser shrinks it to a quarter of that. */
export const MOST_SIDE = 4096;

export type JpegRead = { ok: true; bytes: Buffer } | { ok: false; reason: string };

const DAMAGED: JpegRead = { ok: false, reason: 'This JPEG is damaged.' };
const SOI = 0xd8;
const EOI = 0xd9;
const SOS = 0xda;
const ADOBE = 0xee;
/** Frames, in one go or progressive, in Huffman or arithmetic coding. */
const FRAMES = new Set([0xc0, 0xc1, 0xc2, 0xc9, 0xca]);
/** What the points are made of: frames, quantisation, Huffman and arithmetic tables, restart interval. */
const NEEDED = new Set([...FRAMES, 0xdb, 0xc4, 0xcc, 0xdd]);

/**
 * A JPEG with nothing in it but what its points are made of. What says where, when, with what or by whom it was taken is left behind wherever it
 * stands: application data, colour profiles and comments before and behind the scans, and whatever follows the end (ITU-T T.81, from memory).
 * @returns why not, in plain words, for what is no JPEG, damaged, or larger than {@link MOST_SIDE}
 */
export function pointsOnly(bytes: Uint8Array): JpegRead {
  if (bytes[0] !== 0xff || bytes[1] !== SOI) return { ok: false, reason: 'This is not a JPEG picture.' };
  const kept: Uint8Array[] = [bytes.subarray(0, 2)];
  let frame = false;
  let scan = false;
  for (let at = 2; at + 2 <= bytes.length;) {
    if (bytes[at] !== 0xff) return DAMAGED;
    const marker = bytes[at + 1]!;
    // a marker may have fill bytes before it
    if (marker === 0xff) {
      at++;
      continue;
    }
    if (marker === EOI) {
      if (!frame || !scan) return DAMAGED;
      return { ok: true, bytes: Buffer.concat([...kept, bytes.subarray(at, at + 2)]) };
    }
    const length = ((bytes[at + 2] ?? 0) << 8) | (bytes[at + 3] ?? 0);
    const end = at + 2 + length;
    if (length < 2 || end > bytes.length) return DAMAGED;
    const part = bytes.subarray(at, end);
    if (FRAMES.has(marker)) {
      if (part.length < 10 || frame) return DAMAGED;
      const [height, width] = [(part[5]! << 8) | part[6]!, (part[7]! << 8) | part[8]!];
      if (height === 0 || width === 0) return DAMAGED;
      if (height > MOST_SIDE || width > MOST_SIDE)
        return {
          ok: false,
          reason: `A picture may have ${MOST_SIDE} points a side; this one has ${width} × ${height}.`,
        };
      frame = true;
    }
    if (marker === SOS) {
      if (!frame) return DAMAGED;
      scan = true;
      const next = endOfScan(bytes, end);
      kept.push(bytes.subarray(at, next));
      at = next;
      continue;
    }
    if (NEEDED.has(marker) || isColourMark(marker, part)) kept.push(part);
    else if (!isLeftBehind(marker)) return { ok: false, reason: 'This kind of JPEG is not one browsers make.' };
    at = end;
  }
  return DAMAGED;
}

/** The twelve bytes that say how colours are coded; a longer one says more. */
const isColourMark = (marker: number, part: Uint8Array) =>
  marker === ADOBE && part.length === 14 && Buffer.from(part.subarray(4, 9)).toString('latin1') === 'Adobe';

/** Application data and comments. */
const isLeftBehind = (marker: number) => (marker >= 0xe0 && marker <= 0xef) || marker === 0xfe;

/** Where the coded points end: at a marker that is neither a stuffed byte nor a restart. */
function endOfScan(bytes: Uint8Array, from: number): number {
  for (let at = from; at + 1 < bytes.length; at++) {
    if (bytes[at] !== 0xff) continue;
    const next = bytes[at + 1]!;
    if (next !== 0 && next !== 0xff && (next < 0xd0 || next > 0xd7)) return at;
  }
  return bytes.length;
}
