import { type PhotoRead } from './photos.ts';

/** How many pictures there are and what they take, bytes; of these the ones no plan shows. */
export type Pictures = { count: number; bytes: number; unused: number; unusedBytes: number };

/** Pictures of one household, each under the hash of what is in it: all that routes know of how they are kept. */
export interface PhotoStore {
  /**
   * Keeps the points of a picture, durable; what else it carried is left behind.
   * @throws Trouble, Refusal when there is no room for it
   */
  keep(sent: Uint8Array): Promise<PhotoRead>;
  /** a picture; null when there is none of that hash */
  read(hash: string): Promise<Uint8Array | null>;
  hashes(): Promise<Set<string>>;
  /** takes pictures away as if they had never been kept */
  forget(hashes: readonly string[]): Promise<void>;
  count(): Promise<Pictures>;
  /** deletes the pictures no plan shows, for good */
  deleteUnused(): Promise<Pictures>;
}
