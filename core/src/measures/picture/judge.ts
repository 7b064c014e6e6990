import { type Greys } from './pixels.ts';

/** A file larger than this is not looked at: no camera at hand makes one, bytes (own limit). */
export const MOST_FILE = 30_000_000;
/** With fewer points along its shorter side nothing can be measured to better than a finger’s breadth (own limit). */
const LEAST_POINTS = 400;

/**
 * Why a file is no picture to measure in, by its first bytes: not what its name says, moving, too large.
 * @param head the first thousand bytes or so; @param size bytes in all
 * @returns null: it may well be one
 */
export function fileTrouble(head: Uint8Array, size: number): string | null {
  if (size === 0) return 'This file is empty.';
  if (size > MOST_FILE)
    return `This file has ${Math.round(size / 1e6)} MB; a picture of up to ${MOST_FILE / 1e6} MB is wanted. A smaller one measures as well.`;
  const text = (from: number, to: number) => String.fromCharCode(...head.subarray(from, to));
  const within = (words: string) => text(0, head.length).includes(words);
  if (head[0] === 0xff && head[1] === 0xd8) return null;
  if (text(1, 4) === 'PNG') return within('acTL') ? MOVING : null;
  if (text(0, 4) === 'RIFF' && text(8, 12) === 'WEBP') return within('ANIM') ? MOVING : null;
  if (text(0, 3) === 'GIF') return MOVING;
  if (text(4, 8) === 'ftyp')
    return 'This is a picture or film of a kind that browsers do not open everywhere: have the camera save JPEG, or take a picture of the screen.';
  return 'This is no picture, whatever its name says: a JPEG, PNG or WebP is wanted.';
}
const MOVING = 'This picture moves: one that stands still is wanted.';

/** Why a picture that opened cannot be measured in; null: it can. */
export const sizeTrouble = (width: number, height: number): string | null =>
  Math.min(width, height) < LEAST_POINTS
    ? `This picture has only ${width} × ${height} points: take the large one from the camera.`
    : null;

/** Below this an edge is smeared over ten points and more (own measurement on drawn scenes: a blur of 3.5 points). */
const SMEARED = 0.28;

/**
 * How sharp the strongest edges are: the steepest step between neighbours over the step across eight points, for the strongest of them; 1 would be an edge
 * from one point to the next.
 */
export function sharpness(greys: Greys): number {
  const shares: number[] = [];
  const every = Math.max(1, Math.floor(greys.height / 160));
  for (let y = 4; y < greys.height - 4; y += every)
    for (let x = 8; x < greys.width - 9; x += 3) {
      const at = (dx: number) => greys.data[y * greys.width + x + dx]!;
      const across = Math.abs(at(4) - at(-4));
      if (across < 60) continue;
      let steepest = 0;
      for (let dx = -4; dx < 4; dx++) steepest = Math.max(steepest, Math.abs(at(dx + 1) - at(dx)));
      shares.push(steepest / across);
    }
  if (shares.length < 50) return 1;
  shares.sort((a, b) => a - b);
  return shares[Math.floor(0.9 * shares.length)]!;
}

/** Whether a picture is blurred so that edges cannot be pressed to a point or two. */
export const isBlurred = (greys: Greys): boolean => sharpness(greys) < SMEARED;
