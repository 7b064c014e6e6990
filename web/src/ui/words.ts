import { type BandNumber, BANDS } from '@heronstone/core/reach';

/** Seconds of one fetch: `12.4 s`. */
export const secondsWords = (s: number): string => (Number.isFinite(s) ? `${s.toFixed(1)} s` : 'not reachable');

/** Seconds of one fetch: `2.3 s a fetch`. */
export const fetchWords = (s: number): string => (Number.isFinite(s) ? `${s.toFixed(1)} s a fetch` : 'not reachable');

/** Seconds a year in the unit that suits them: `41 min a year`, `6.2 h a year`. */
export const yearWords = (s: number): string => (Number.isFinite(s) ? `${longWords(s)} a year` : 'not reachable');

/** The same where it was said that it is a year’s: `41 min`, `6.2 h`. */
export function longWords(s: number): string {
  if (s < 90) return `${Math.round(s)} s`;
  if (s < 5400) return `${Math.round(s / 60)} min`;
  return `${(s / 3600).toFixed(1)} h`;
}

export const bandName = (band: BandNumber | null): string => (band ? BANDS[band] : 'out of reach');
export const bandColour = (band: BandNumber | null): string => (band ? `var(--${BANDS[band]})` : 'transparent');

/** “3 supplies”, “1 supply”. */
export function countWords(n: number, one: string, many: string): string {
  return `${n} ${n === 1 ? one : many}`;
}

/** The maker’s own day, as 2026-11-24. */
export const today = (): string => new Date().toLocaleDateString('sv');

/** The month of a day, 1 to 12. */
export const monthOf = (day: string): number => Number(day.slice(5, 7));

const MOMENT = new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeStyle: 'short' });
/** A moment (ISO) on the maker’s own clock: “25 November 2026 at 04:52”. */
export const momentWords = (at: string): string => MOMENT.format(new Date(at));

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long' });
/** The day of a moment (ISO) on the maker’s own calendar: “25 November”. */
export const dayWords = (at: string): string => DAY.format(new Date(at));
