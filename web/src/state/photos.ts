import { sendPhoto } from './api.ts';

/** A picture is shrunk to so many points along its longer side, and to so many bytes. */
const SIDE = 1000;
const BYTES = 300_000;

/**
 * Shrinks a picture and keeps nothing of it but its points: it is drawn anew, so that where, when and with what it was taken stays behind; then it is kept.
 * @returns its hash
 * @throws with the reason when it does not open, or is not kept
 */
export async function keepPhoto(file: Blob): Promise<string> {
  const jpeg = await shrunk(file);
  const bytes = new Uint8Array(await jpeg.arrayBuffer());
  let text = '';
  for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.subarray(i, i + 8192));
  return (await sendPhoto(btoa(text))).hash;
}

async function shrunk(file: Blob): Promise<Blob> {
  const image = await createImageBitmap(file).catch(() => {
    throw new Error('This picture does not open: a JPEG, PNG or WebP is wanted.');
  });
  const scale = Math.min(1, SIDE / Math.max(image.width, image.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(image.width * scale));
  canvas.height = Math.max(1, Math.round(image.height * scale));
  canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
  for (const quality of [0.82, 0.6, 0.4]) {
    const jpeg = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', quality));
    if (jpeg && (jpeg.size <= BYTES || quality === 0.4)) return jpeg;
  }
  throw new Error('This picture could not be made smaller.');
}

export const photoUrl = (hash: string): string => `/api/photos/${hash}`;
