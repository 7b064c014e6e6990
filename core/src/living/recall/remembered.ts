/** A year in it is as well known as it gets, days (own assumption). */
export const KNOWN_AFTER = 365;
/** How much two makers, and one maker on two days, differ (noise of activation; own assumption). */
const NOISE = 0.6;

/**
 * How likely somebody still knows where a thing lives that she fetches so often a year, so many days after it was given its home: base-level learning
 * with decay ½, B = ln(2 u √L) with u fetches a day over L days (Anderson & Schooler 1991, from memory), remembered with 1 / (1 + e^(−B / 0.6)).
 * Weekly 0.94, monthly 0.60, yearly 0.02 after a year.
 */
export function rememberedWith(fetchesAYear: number, days: number = KNOWN_AFTER): number {
  const lived = Math.min(KNOWN_AFTER, days);
  if (fetchesAYear <= 0 || lived <= 0) return 0;
  const activation = Math.log(2 * (fetchesAYear / 365) * Math.sqrt(lived));
  return 1 / (1 + Math.exp(-activation / NOISE));
}
