/** Getting the cutter out, setting its stop and clearing it away, s (own assumption). */
export const SET_UP = 60;
/** One cut, s (own assumption). */
export const STROKE = 4;

/**
 * What cutting ahead saves a year, s: the paper is fetched and the cutter set up once for a batch in the stead of once for each.
 * @param used pieces a year
 * @param batch cut at a time
 * @param fetch seconds of fetching the paper
 */
export const aheadSaves = (used: number, batch: number, fetch: number): number =>
  batch <= 1 ? 0 : Math.max(0, used - used / batch) * (SET_UP + fetch);
