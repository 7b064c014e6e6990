import { expose, transfer } from 'comlink';
import exifr from 'exifr';
import jsQR from 'jsqr';
import { colourBeside } from '@heronstone/core/colour';
import {
  fileTrouble,
  findSheet,
  type FoundSheet,
  type Frame,
  frameOf,
  gapNear,
  type Greys,
  greysOf,
  inFrame,
  inPicture,
  isBlurred,
  ofFrame,
  laidFlat,
  type Marked,
  onPlane,
  type Pixels,
  type Plane,
  planeIn,
  shownOf,
  sizeTrouble,
  snapped,
} from '@heronstone/core/picture';

type Point = { x: number; y: number };

/** A picture with more points is taken smaller: what is pressed is not pressed more exactly for them. */
const MOST_POINTS = 16e6;

let pixels: Pixels | null = null;
let greys: Greys | null = null;
let flat: { pixels: Pixels; greys: Greys; frame: Frame; scale: number } | null = null;

export type Opened =
  { ok: true; width: number; height: number; focal35: number | null } | { ok: false; reason: string };
export type LaidFlat = { ok: true; plane: Plane; frame: Frame; image: ImageData } | { ok: false; trouble: string };

/** The picture’s own word for its focal length; null where it says none. */
async function focalOf(blob: Blob): Promise<number | null> {
  try {
    const said = (await exifr.parse(await blob.arrayBuffer(), ['FocalLengthIn35mmFormat'])) as
      { FocalLengthIn35mmFormat?: number } | undefined;
    const focal = said?.FocalLengthIn35mmFormat;
    return typeof focal === 'number' && focal >= 5 && focal <= 2000 ? focal : null;
  } catch {
    return null;
  }
}

const at = (data: Pixels, x: number, y: number, reach: number): [number, number, number] => {
  let [r, g, b, n] = [0, 0, 0, 0];
  for (let j = Math.max(0, Math.floor(y - reach)); j <= Math.min(data.height - 1, y + reach); j++)
    for (let i = Math.max(0, Math.floor(x - reach)); i <= Math.min(data.width - 1, x + reach); i++) {
      const k = (j * data.width + i) * 4;
      r += data.data[k]!;
      g += data.data[k + 1]!;
      b += data.data[k + 2]!;
      n++;
    }
  return n === 0 ? [0, 0, 0] : [r / n, g / n, b / n];
};

const times = (p: Point, by: number): Point => ({ x: p.x * by, y: p.y * by });

/** A picture, its points and what is done with them, off the screen’s thread. */
const api = {
  async open(blob: Blob): Promise<Opened> {
    const head = new Uint8Array(await blob.slice(0, 4096).arrayBuffer());
    const wrong = fileTrouble(head, blob.size);
    if (wrong) return { ok: false, reason: wrong };
    let image: ImageBitmap;
    try {
      image = await createImageBitmap(blob);
    } catch {
      return {
        ok: false,
        reason: 'This picture does not open: it is damaged, or of a kind this browser does not know.',
      };
    }
    const small = sizeTrouble(image.width, image.height);
    if (small) return { ok: false, reason: small };
    const by = Math.min(1, Math.sqrt(MOST_POINTS / (image.width * image.height)));
    const [width, height] = [Math.round(image.width * by), Math.round(image.height * by)];
    const canvas = new OffscreenCanvas(width, height);
    const context = canvas.getContext('2d', { willReadFrequently: true })!;
    context.drawImage(image, 0, 0, width, height);
    image.close();
    const { data } = context.getImageData(0, 0, width, height);
    pixels = { data, width, height };
    greys = greysOf(pixels);
    flat = null;
    return { ok: true, width, height, focal35: await focalOf(blob) };
  },

  /** Whether edges in it cannot be pressed to the point. */
  blurred(): boolean {
    if (!greys) return false;
    return isBlurred(thinned(greys, Math.max(1, Math.floor(Math.max(greys.width, greys.height) / 1000))));
  },

  find(): FoundSheet | null {
    if (!greys) return null;
    return findSheet(greys, (data, width, height) =>
      jsQR(data as Uint8ClampedArray<ArrayBuffer>, width, height, { inversionAttempts: 'dontInvert' }),
    );
  },

  /** Corners moved to the edges near their sides, px of the picture. */
  snap(corners: Point[], reach: number) {
    return greys ? snapped(greys, corners, reach) : { corners, sides: 0 };
  },

  /**
   * The plane laid flat: what four corners enclose, or all that is shown of it.
   * @param longest points along the longer side
   */
  flat(marked: Marked, corners: Point[] | null, longest: number): LaidFlat {
    if (!pixels) return { ok: false, trouble: 'There is no picture.' };
    const read = planeIn(marked);
    if (!read.ok) return read;
    const { plane } = read;
    const on = corners?.map((p) => onPlane(plane, p));
    if (on?.includes(null)) return { ok: false, trouble: 'These corners reach beyond the horizon of the plane.' };
    const frame = on ? frameOf(on as Point[]) : shownOf(plane);
    const scale = longest / Math.max(frame.width, frame.height);
    const laid = laidFlat(pixels, plane, frame, scale);
    flat = { pixels: laid, greys: greysOf(laid), frame, scale };
    const image = new ImageData(new Uint8ClampedArray(laid.data), laid.width, laid.height);
    return transfer({ ok: true, plane, frame, image }, [image.data.buffer]);
  },

  /**
   * Corners drawn over the flat picture, moved to the edges near their sides.
   * @param corners,reach mm of the plane, so that it does not matter how it is laid flat by now
   */
  snapFlat(corners: Point[], reach: number) {
    if (!flat) return { corners, sides: 0 };
    const { frame, scale, greys: seen } = flat;
    const drawn = corners.map((p) => times(ofFrame(frame, p), scale));
    const found = snapped(seen, drawn, reach * scale);
    return { corners: found.corners.map((p) => inFrame(frame, times(p, 1 / scale))), sides: found.sides };
  },

  /** The gap between two fronts near where it was pressed, mm from the left or the top of what is shown. */
  gap(between: 'columns' | 'rows', where: number, reach: number): number {
    if (!flat) return where;
    const { pixels: shown, greys: seen, scale } = flat;
    const span = between === 'columns' ? shown.height : shown.width;
    return gapNear(seen, between, where * scale, [span * 0.03, span * 0.97], reach * scale) / scale;
  },

  /**
   * The colour of a thing in the flat picture, beside the white of the sheet where there is one.
   * @param middle,reach mm of the plane; @param white points of it that are white paper, mm
   */
  colour(middle: Point, reach: number, plane: Plane, white: Point[]): string | null {
    if (!flat || !pixels) return null;
    const paper = white.flatMap((p) => {
      const q = inPicture(plane, p);
      return q && q.x > 3 && q.y > 3 && q.x < pixels!.width - 3 && q.y < pixels!.height - 3
        ? [at(pixels!, q.x, q.y, 3)]
        : [];
    });
    if (paper.length === 0) return null;
    const mean = [0, 1, 2].map((c) => paper.reduce((sum, p) => sum + p[c]!, 0) / paper.length);
    const where = times(ofFrame(flat.frame, middle), flat.scale);
    return colourBeside(
      at(flat.pixels, where.x, where.y, Math.max(2, reach * flat.scale)),
      mean as [number, number, number],
    );
  },
};

/** Every so many points of a picture of greys. */
function thinned(of: Greys, by: number): Greys {
  if (by === 1) return of;
  const [width, height] = [Math.floor(of.width / by), Math.floor(of.height / by)];
  const data = new Uint8Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      let sum = 0;
      for (let j = 0; j < by; j++) for (let i = 0; i < by; i++) sum += of.data[(y * by + j) * of.width + x * by + i]!;
      data[y * width + x] = sum / (by * by);
    }
  return { data, width, height };
}

export type PictureWorker = typeof api;
expose(api);
