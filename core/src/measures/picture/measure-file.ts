import { z } from 'zod';
import { type Point } from '../geometry/index.ts';
import { type ImageSize } from './camera.ts';
import { KNOWN, type KnownSize } from './known.ts';
import { lengthBetween, type Measured, planeIn } from './plane.ts';

const px = z.number().min(-100_000).max(100_000);
const point = z.tuple([px, px]);
const side = z.number().gt(0, 'must be more than 0').max(50_000);
const points = z.int().min(8, 'must be at least 8 points').max(100_000);

/**
 * What `heronstone measure` reads: what of known size lies in the plane (`a4`, `letter`, `card`, or its two sides in mm), its four corners in the picture,
 * one after the other with its width first; the picture’s size and, where it says one, its focal length as of 35 mm film; how high over the plane lies
 * what is measured (mm); lines by their two ends; edges that are straight, by points along them. Points in pixels from the upper left.
 */
export const MeasureFile = z.strictObject({
  sheet: z.union([z.enum(['a4', 'letter', 'card']), z.strictObject({ width: side, height: side })]),
  corners: z.array(point).length(4, 'must be four'),
  image: z.strictObject({
    width: points,
    height: points,
    focal35: z.number().min(5, 'must be at least 5 mm').max(2000).optional(),
  }),
  above: z.number().min(0, 'cannot be below the plane').max(20_000).default(0),
  lines: z.array(z.tuple([point, point])).max(2000),
  straight: z.array(z.array(point).min(3, 'needs three points').max(1000)).max(100).default([]),
});
export type MeasureFile = z.infer<typeof MeasureFile>;

export type MeasureAnswer = {
  /** mm; null where a line cannot be measured, with the reason among the troubles */
  lines: (Measured | { length: null; plusMinus: null })[];
  /** over the plane, mm: where the picture says its focal length, or the slant of what is known does */
  cameraHeight?: number;
  /** of the lens (division model, radius in half diagonals of the picture): where straight edges are marked */
  distortion?: number;
  troubles: string[];
};

const at = ([x, y]: readonly [number, number]): Point => ({ x, y });
const tidy = (mm: number) => Math.round(mm * 1000) / 1000;

/** Measures every line of a file. A plane that cannot be measured in gives no lines, and says why. */
export function measureFile(file: MeasureFile): MeasureAnswer {
  const known: KnownSize = typeof file.sheet === 'string' ? KNOWN[file.sheet] : file.sheet;
  const image: ImageSize = file.image;
  const read = planeIn({
    image,
    known,
    corners: file.corners.map(at),
    straight: file.straight.map((line) => line.map(at)),
  });
  if (!read.ok) return { lines: [], troubles: [read.trouble] };
  const { plane } = read;
  const troubles: string[] = [];
  const height = plane.camera?.pose.height;
  if (file.above > 0 && height === undefined)
    troubles.push(
      'What stands above the plane cannot be measured: the picture does not say its focal length, and is taken too straight to tell the camera’s height from. Lay the sheet on top, or say focal35.',
    );
  else if (file.above > 0 && height! <= file.above)
    troubles.push(
      `The camera is ${Math.round(height!)} mm over the plane: what stands ${file.above} mm high would be behind it.`,
    );
  const lines = file.lines.map(([a, b], i) => {
    const measured = lengthBetween(plane, at(a), at(b), file.above);
    if (measured) return { length: tidy(measured.length), plusMinus: tidy(measured.plusMinus) };
    if (troubles.length === 0) troubles.push(`Line ${i + 1} goes beyond the horizon of this plane.`);
    return { length: null, plusMinus: null };
  });
  return {
    lines,
    ...(height === undefined ? {} : { cameraHeight: tidy(height) }),
    ...(file.straight.length === 0 ? {} : { distortion: Math.round(plane.lens * 1e6) / 1e6 }),
    troubles,
  };
}
