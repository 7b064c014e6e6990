/** Keys of the families in their order: figures first, then letters. */
const KEYS = '123456789abcdefghijklmnopqrstuvwxyz';

/** The key of a family by its number from 0; empty: there are no more. */
export const keyOf = (i: number): string => KEYS[i] ?? '';

/** The family a key is of, among so many; null: it is of none. */
export function keyPressed(key: string, families: number): number | null {
  const i = key.length === 1 ? KEYS.indexOf(key.toLowerCase()) : -1;
  return i >= 0 && i < families ? i : null;
}
