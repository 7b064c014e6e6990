/** The line goes from so many fetches a session to so few. */
export const MOST = 24;
export const LEAST = 0.2;
const FEWEST = 0.1;
const MANY = 10_000;
/** Share of the line that one press of an arrow key goes. */
const STEP = 0.04;

/** Fetches a session to a share of the line: left is all the time, right is hardly ever; each step right is a like share fewer. */
export const toShare = (fetches: number): number =>
  Math.min(1, Math.max(0, Math.log(MOST / Math.max(LEAST, fetches)) / Math.log(MOST / LEAST)));

const tidy = (f: number) => (f >= 2 ? Math.round(f) : Math.round(f * 10) / 10);

/** Fetches a session at a share of the line: whole ones from two on, below in tenths. */
export const fromShare = (share: number): number =>
  tidy(MOST * Math.pow(LEAST / MOST, Math.min(1, Math.max(0, share))));

/** The next value by an arrow key, one step more or less often: always another one, until there are no more or no fewer. */
export function nextUse(fetches: number, more: boolean): number {
  const factor = Math.pow(MOST / LEAST, STEP);
  const wanted = tidy(more ? fetches * factor : fetches / factor);
  const least = fetches >= 2 ? 1 : 0.1;
  if (more) return Math.min(MANY, Math.max(wanted, tidy(fetches + least)));
  const fewer = fetches > 2 ? 1 : 0.1;
  return Math.max(FEWEST, Math.min(wanted, tidy(fetches - fewer)));
}
