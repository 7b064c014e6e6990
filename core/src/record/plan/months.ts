export const MONTH_NAMES = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
] as const;

/** “November to March, May”: runs of months around the year. */
export function monthWords(months: readonly number[]): string {
  const has = new Set(months);
  if (has.size === 12) return 'all year';
  const runs: [number, number][] = [];
  for (const m of [...has].sort((a, b) => a - b)) {
    if (has.has(((m + 10) % 12) + 1)) continue;
    let end = m;
    while (has.has((end % 12) + 1)) end = (end % 12) + 1;
    runs.push([m, end]);
  }
  return runs
    .map(([a, b]) => (a === b ? MONTH_NAMES[a - 1]! : `${MONTH_NAMES[a - 1]!} to ${MONTH_NAMES[b - 1]!}`))
    .join(', ');
}
