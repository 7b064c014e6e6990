import { exportPlan, importPlan, photosOf, withPhotosAs } from '@heronstone/core/formats';
import { type Plan } from '@heronstone/core/plan';
import { hashOf, keepable } from '../store/photos.ts';
import { type PhotoStore } from '../store/photo-store.ts';
import { type Store } from '../store/store.ts';

const notThatOne = { ok: false, reason: 'A picture in it is not the one it is said to be.' } as const;

/** A plan as its file. @param withPhotos whether the pictures it shows are inside */
export async function planFile(photos: PhotoStore, plan: Plan, withPhotos: boolean): Promise<string> {
  const pictures: Record<string, string> = {};
  for (const hash of withPhotos ? photosOf(plan) : []) {
    const bytes = await photos.read(hash);
    if (bytes) pictures[hash] = Buffer.from(bytes).toString('base64');
  }
  return exportPlan(plan, pictures);
}

/**
 * Adds a plan from its file, with the pictures inside: all of it or nothing.
 * @param id of the new plan; left out: a new one
 * @returns its id, or why the file is none
 */
export async function addFromFile(
  { store, photos }: { store: Store; photos: PhotoStore },
  file: string,
  id?: string,
): Promise<{ ok: true; id: string } | { ok: false; reason: string }> {
  const read = importPlan(file, 'new');
  if (!read.ok) return read;
  const pictures = Object.entries(read.photos ?? {}).map(([hash, jpeg]) => ({
    hash,
    bytes: Buffer.from(jpeg, 'base64'),
  }));
  for (const { hash, bytes } of pictures) {
    const wrong = hashOf(bytes) === hash ? keepable(bytes) : notThatOne;
    if (!wrong.ok) return wrong;
  }
  // none is kept before all of the file is found to be good, and none stays behind when the plan cannot be kept
  const here = await photos.hashes();
  const names = new Map<string, string>();
  try {
    for (const { hash, bytes } of pictures) {
      const kept = await photos.keep(bytes);
      if (!kept.ok) throw new Error(kept.reason);
      names.set(hash, kept.hash);
    }
    return { ok: true, id: await store.add({ plan: withPhotosAs(read.plan, names) }, id) };
  } catch (error) {
    await photos.forget([...names.values()].filter((hash) => !here.has(hash)));
    throw error;
  }
}
