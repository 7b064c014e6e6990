import { useEffect, useState } from 'react';
import { frameOf, laidFlat, onPlane, planeIn, shownOf } from '@heronstone/core/picture';
import { type Picture, type Plan } from '@heronstone/core/plan';
import { photoUrl } from '../../state/photos.ts';

/** Points along the longer side of a ground. */
const LONGEST = 700;

/** Grounds that were laid flat, by picture: an address each, or none where the picture is not to be had. */
const laid = new Map<string, Promise<string | null>>();

/** Points of a kept picture: x and y by turns. */
export const pairs = (list: readonly number[]) =>
  Array.from({ length: list.length / 2 }, (_, i) => ({ x: list[2 * i]!, y: list[2 * i + 1]! }));

/** What of a kept picture lies flat over its place: the plane it shows, and the corners of the place in it. */
export function flatOf(picture: Picture) {
  const { width, height, focal35, corners, knownWidth, knownDepth, frame } = picture;
  const read = planeIn({
    image: { width, height, ...(focal35 === null ? {} : { focal35 }) },
    corners: pairs(corners),
    known: { width: knownWidth, height: knownDepth },
    lens: picture.lens,
  });
  if (!read.ok) return null;
  const { plane } = read;
  const on = (frame.length === 8 ? pairs(frame) : pairs(corners)).map((p) => onPlane(plane, p));
  return { plane, frame: on.includes(null) ? shownOf(plane) : frameOf(on as { x: number; y: number }[]) };
}

async function lay(picture: Picture): Promise<string | null> {
  const flat = flatOf(picture);
  const answer = flat && (await fetch(photoUrl(picture.photo)).catch(() => null));
  if (!flat || !answer?.ok) return null;
  const image = await createImageBitmap(await answer.blob());
  const canvas = document.createElement('canvas');
  canvas.width = image.width;
  canvas.height = image.height;
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.drawImage(image, 0, 0);
  const { data, width, height } = context.getImageData(0, 0, image.width, image.height);
  const { plane, frame } = flat;
  const out = laidFlat({ data, width, height }, plane, frame, LONGEST / Math.max(frame.width, frame.height));
  canvas.width = out.width;
  canvas.height = out.height;
  context.putImageData(new ImageData(new Uint8ClampedArray(out.data), out.width, out.height), 0, 0);
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', 0.8));
  return blob && URL.createObjectURL(blob);
}

/** The newest picture of a place from above, laid flat to lie under what is drawn of it; null while there is none. */
export function useGround(plan: Plan, placeId: string): string | null {
  const newest = Object.values(plan.pictures)
    .filter((p) => p.placeId === placeId)
    .sort((a, b) => (a.takenOn < b.takenOn ? 1 : a.takenOn > b.takenOn ? -1 : a.id < b.id ? 1 : -1))[0];
  const [ground, setGround] = useState<{ id: string; url: string | null } | null>(null);
  useEffect(() => {
    if (!newest) return;
    let gone = false;
    let url = laid.get(newest.id);
    if (!url) laid.set(newest.id, (url = lay(newest).catch(() => null)));
    void url.then((u) => {
      // one that did not come is asked for again the next time
      if (u === null) laid.delete(newest.id);
      if (!gone) setGround({ id: newest.id, url: u });
    });
    return () => {
      gone = true;
    };
  }, [newest]);
  return newest && ground?.id === newest.id ? ground.url : null;
}
