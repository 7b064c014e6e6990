import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** What Round tells of the places: what is in them, how far they are, how much is got from them and in them. */
export const READINGS = ['what', 'far', 'much'] as const;
export type Reading = (typeof READINGS)[number];
export const READING_WORDS: Record<Reading, string> = { what: 'what', far: 'how far', much: 'how much' };
/** The key of each. */
export const READING_KEYS: Record<Reading, string> = { what: 'w', far: 'd', much: 'm' };

/** How Round is read; kept in this browser. */
export const useReading = create<{ reading: Reading }>()(
  persist((): { reading: Reading } => ({ reading: 'what' }), { name: 'heronstone-reading' }),
);

/** The reading a key stands for; null: none. */
export const readingOf = (key: string | null): Reading | null =>
  READINGS.find((reading) => READING_KEYS[reading] === key) ?? null;
