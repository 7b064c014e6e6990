import { z } from 'zod';

/** Half of a surrogate pair (with the `u` flag whole pairs are one character and do not match). */
const HALF = /\p{Cs}/u;

/** Whether a text can be kept and handed on: neither U+0000 nor half a surrogate pair, which PostgreSQL and UTF-8 cannot hold. */
export const isStorable = (text: string): boolean => !text.includes('\0') && !HALF.test(text);

const UNSTORABLE = 'has a character that cannot be kept (a zero character, or half of one)';

/** A text of at most `max` UTF-16 units, in Unicode’s composed form (NFC). */
export const text = (max: number) =>
  z.string().normalize('NFC').max(max, `at most ${max} characters`).refine(isStorable, UNSTORABLE);

/** Shortens a text to at most `max` UTF-16 units without cutting a character, as a reader counts them, in two. */
export function cutText(whole: string, max: number): string {
  if (whole.length <= max) return whole;
  let end = 0;
  for (const { index, segment } of new Intl.Segmenter().segment(whole.slice(0, max + 64))) {
    if (index + segment.length > max) break;
    end = index + segment.length;
  }
  return whole.slice(0, end);
}

/**
 * A text with its long runs of blanks made short: nobody means anything by nine of them, and whoever looks for the end of each run from every one
 * of its blanks takes for ever.
 */
export const shortBlanks = (whole: string): string =>
  whole.replace(/\s{9,}/g, (run) => (/[\r\n]/.test(run) ? '\n' : ' '));

/** Deeper than anything we write: what stands deeper in a value is not looked for, it is refused. */
const DEEPEST = 64;

/** Where in a value (an object read from JSON) there is a text that cannot be kept, or null. */
export function unstorableAt(value: unknown, path = '', depth = 0): string | null {
  if (depth > DEEPEST) return `${path.slice(0, 60)} … is nested too deep`;
  if (typeof value === 'string') return isStorable(value) ? null : `${path || 'it'} ${UNSTORABLE}`;
  if (typeof value !== 'object' || value === null) return null;
  for (const [key, inner] of Object.entries(value)) {
    if (!isStorable(key)) return `a name in ${path || 'it'} ${UNSTORABLE}`;
    const found = unstorableAt(inner, path ? `${path}.${key}` : key, depth + 1);
    if (found) return found;
  }
  return null;
}
