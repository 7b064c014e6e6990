/** It goes as deep as there are sheets: more of them are not searched. */
const MOST_SHEETS = 1500;
/** The search gives up after so many steps (own choice). */
const MOST_STEPS = 30_000;

/**
 * Patterns out of a pool that give all that is asked for on at most so many sheets: of the piece that is hardest to come by one pattern after the other
 * is tried, and what has failed once with as many sheets is not tried again.
 * @param worth of the pieces, at which no pattern is worth more than 1: what is left and is worth more than the sheets left can't be cut
 * @returns how often each pattern is cut; null: there is no such set of them, undefined: given up
 */
export function covering(
  pool: readonly { counts: readonly number[] }[],
  ask: readonly number[],
  sheets: number,
  worth: readonly number[],
): number[] | null | undefined {
  if (sheets > MOST_SHEETS) return undefined;
  const useful = unsurpassedIn(pool, ask);
  /** the piece that fewest of each sheet give, against what is asked: first to be cut */
  const most = ask.map((_, k) => Math.max(0, ...useful.map((i) => pool[i]!.counts[k]!)));
  const order = ask.map((_, k) => k).sort((a, b) => most[a]! - most[b]! || worth[b]! - worth[a]! || a - b);
  const times = pool.map(() => 0);
  const failed = new Map<string, number>();
  const left = [...ask];
  let steps = 0;
  const go = (sheetsLeft: number): boolean | undefined => {
    const next = order.find((k) => left[k]! > 0);
    if (next === undefined) return true;
    if (left.some((n, k) => n > most[k]! * sheetsLeft)) return false;
    if (left.reduce((sum, n, k) => sum + Math.max(0, n) * worth[k]!, 0) > sheetsLeft + 1e-6) return false;
    const key = left.map((n) => Math.max(0, n)).join();
    if ((failed.get(key) ?? -1) >= sheetsLeft) return false;
    if (++steps > MOST_STEPS) return undefined;
    const gain = (i: number) =>
      pool[i]!.counts.reduce((sum, n, k) => sum + Math.min(n, Math.max(0, left[k]!)) * worth[k]!, 0);
    const tries = useful
      .filter((i) => pool[i]!.counts[next]! > 0)
      .map((i) => ({ i, gain: gain(i) }))
      .sort((a, b) => b.gain - a.gain || a.i - b.i);
    for (const { i } of tries) {
      const { counts } = pool[i]!;
      for (const [k, n] of counts.entries()) left[k]! -= n;
      times[i]!++;
      const found = go(sheetsLeft - 1);
      if (found !== false) return found;
      times[i]!--;
      for (const [k, n] of counts.entries()) left[k]! += n;
    }
    failed.set(key, sheetsLeft);
    return false;
  };
  const found = go(sheets);
  return found === true ? times : found === false ? null : undefined;
}

/** Patterns, by their number, of which no other gives as much of everything that is asked for. */
function unsurpassedIn(pool: readonly { counts: readonly number[] }[], ask: readonly number[]): number[] {
  const given = pool.map((p) => p.counts.map((n, k) => Math.min(n, ask[k]!)));
  const kept: number[] = [];
  for (const [i, counts] of given.entries()) {
    if (counts.every((n) => n === 0)) continue;
    const surpassed = given.some(
      (q, j) => j !== i && q.every((n, k) => n >= counts[k]!) && (j < i || q.some((n, k) => n > counts[k]!)),
    );
    if (!surpassed) kept.push(i);
  }
  return kept;
}
