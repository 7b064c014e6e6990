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
  return (await keep(file, SIDE, BYTES)).hash;
}

/** A picture that was measured in is kept larger: more can be measured in it later. */
const MEASURED_SIDE = 1600;
const MEASURED_BYTES = 600_000;

/**
 * Keeps a picture that was measured in.
 * @returns its hash and how many points it has now
 * @throws with the reason when it is not kept
 */
export const keepMeasured = (file: Blob): Promise<Kept> => keep(file, MEASURED_SIDE, MEASURED_BYTES);

export type Kept = { hash: string; width: number; height: number };

async function keep(file: Blob, side: number, most: number): Promise<Kept> {
  const { jpeg, width, height } = await shrunk(file, side, most);
  const bytes = new Uint8Array(await jpeg.arrayBuffer());
  let text = '';
  for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.subarray(i, i + 8192));
  return { hash: (await sendPhoto(btoa(text))).hash, width, height };
}

async function shrunk(file: Blob, side: number, most: number): Promise<{ jpeg: Blob; width: number; height: number }> {
  const image = await createImageBitmap(file).catch(() => {
    throw new Error('This picture does not open: a JPEG, PNG or WebP is wanted.');
  });
  const scale = Math.min(1, side / Math.max(image.width, image.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(image.width * scale));
  canvas.height = Math.max(1, Math.round(image.height * scale));
  canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
  for (const quality of [0.82, 0.6, 0.4]) {
    const jpeg = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', quality));
    if (jpeg && (jpeg.size <= most || quality === 0.4)) return { jpeg, width: canvas.width, height: canvas.height };
  }
  throw new Error('This picture could not be made smaller.');
}

/**
 * Pictures by their hashes, JPEG, as far as they are to be had.
 * @returns `away` where the server does not answer: those that are not here are missing then
 */
export async function fetchPhotos(
  hashes: Iterable<string>,
): Promise<{ photos: Map<string, Uint8Array>; away: boolean }> {
  const photos = new Map<string, Uint8Array>();
  let away = false;
  for (const hash of new Set(hashes)) {
    const got = await fetch(photoUrl(hash)).catch(() => null);
    if (!got) away = true;
    else if (got.ok) photos.set(hash, new Uint8Array(await got.arrayBuffer()));
  }
  return { photos, away };
}

/** Said where pictures are left out of a print. */
export const PHOTOS_AWAY = 'The server does not answer: pictures that are not here are left out.';

export const photoUrl = (hash: string): string => `/api/photos/${hash}`;
