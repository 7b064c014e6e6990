import { type Point } from '../geometry/index.ts';

/** Points of a picture as a canvas gives them: red, green, blue, opacity, row by row. */
export type Pixels = { data: Uint8ClampedArray; width: number; height: number };
/** How light each point is, 0 to 255. */
export type Greys = { data: Uint8Array; width: number; height: number };

/** Lightness by the weights of ITU-R BT.601 (from memory), in whole numbers. */
export function greysOf({ data, width, height }: Pixels): Greys {
  const out = new Uint8Array(width * height);
  for (let i = 0, k = 0; i < out.length; i++, k += 4)
    out[i] = (77 * data[k]! + 150 * data[k + 1]! + 29 * data[k + 2]!) >> 8;
  return { data: out, width, height };
}

/** How light it is between points, linear; beyond the edge as at the edge. */
export function greyAt({ data, width, height }: Greys, x: number, y: number): number {
  // a point’s middle lies at a half
  const u = Math.min(width - 1.001, Math.max(0, x - 0.5));
  const v = Math.min(height - 1.001, Math.max(0, y - 0.5));
  const [i, j] = [Math.floor(u), Math.floor(v)];
  const [a, b] = [u - i, v - j];
  const k = j * width + i;
  const below = height > 1 ? width : 0;
  const beside = width > 1 ? 1 : 0;
  return (
    (data[k]! * (1 - a) + data[k + beside]! * a) * (1 - b) +
    (data[k + below]! * (1 - a) + data[k + below + beside]! * a) * b
  );
}

/** A smaller picture, its longer side from `longest` to twice that, each point the mean of those it stands for; `by`: how many of the large one’s go to one. */
export function shrunkTo(greys: Greys, longest: number): { greys: Greys; by: number } {
  const { data, width, height } = greys;
  const by = Math.floor(Math.max(width, height) / longest);
  if (by <= 1) return { greys, by: 1 };
  const [w, h] = [Math.floor(width / by), Math.floor(height / by)];
  const out = new Uint8Array(w * h);
  const sums = new Uint32Array(w);
  const share = 1 / (by * by);
  for (let y = 0; y < h; y++) {
    sums.fill(0);
    for (let dy = 0; dy < by; dy++) {
      let k = (y * by + dy) * width;
      for (let x = 0; x < w; x++) {
        let sum = 0;
        for (let dx = 0; dx < by; dx++) sum += data[k++]!;
        sums[x]! += sum;
      }
    }
    for (let x = 0; x < w; x++) out[y * w + x] = sums[x]! * share + 0.5;
  }
  return { greys: { data: out, width: w, height: h }, by };
}

/** A part of a picture of greys as a decoder takes it, whole points. */
export function partOf({ data, width }: Greys, left: number, top: number, w: number, h: number): Pixels {
  const out = new Uint8ClampedArray(w * h * 4);
  // four bytes at once: on every machine this runs on the lowest comes first
  const points = new Uint32Array(out.buffer);
  for (let y = 0; y < h; y++)
    for (let x = 0, k = (top + y) * width + left; x < w; x++, k++)
      points[y * w + x] = 0xff000000 | (data[k]! * 0x010101);
  return { data: out, width: w, height: h };
}

/** Paints a part of a picture white. */
export function whiten({ data, width, height }: Pixels, corners: readonly Point[]): void {
  const clamp = (v: number, most: number) => Math.min(most, Math.max(0, Math.round(v)));
  const [left, right] = [Math.min(...corners.map((p) => p.x)), Math.max(...corners.map((p) => p.x))];
  const [top, low] = [Math.min(...corners.map((p) => p.y)), Math.max(...corners.map((p) => p.y))];
  for (let y = clamp(top, height); y < clamp(low, height); y++)
    data.fill(255, (y * width + clamp(left, width)) * 4, (y * width + clamp(right, width)) * 4);
}
