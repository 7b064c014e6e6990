import { fetched } from '../../../parts/fetched.ts';

/** A picture is looked through for a code at most so large, points along its longer side. */
const SIDE = 1200;

/** What the code in a picture says; null: none is found. */
export async function decoded(source: CanvasImageSource, width: number, height: number): Promise<string | null> {
  const { default: jsQR } = await fetched(() => import('jsqr'));
  const scale = Math.min(1, SIDE / Math.max(width, height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(width * scale));
  canvas.height = Math.max(1, Math.round(height * scale));
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.drawImage(source, 0, 0, canvas.width, canvas.height);
  const pixels = context.getImageData(0, 0, canvas.width, canvas.height);
  return jsQR(pixels.data, pixels.width, pixels.height)?.data ?? null;
}
