import { create } from 'qrcode';

/** A QR code as squares: `dark[row * size + column]`. */
export type QrCode = { size: number; dark: Uint8Array };

/** Round it there is a margin of four squares (ISO/IEC 18004, from memory). */
export const QUIET = 4;

/** The code of a text, level M: an eighth of it may be rubbed off. */
export function qrOf(text: string): QrCode {
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  return { size: modules.size, dark: Uint8Array.from(modules.data) };
}

/** Its dark squares as an SVG path, one unit a square, runs along a row taken together. */
export function qrPath({ size, dark }: QrCode): string {
  let d = '';
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size;) {
      if (!dark[y * size + x]) {
        x++;
        continue;
      }
      const from = x;
      while (x < size && dark[y * size + x]) x++;
      d += `M${from} ${y}h${x - from}v1h${from - x}z`;
    }
  return d;
}
