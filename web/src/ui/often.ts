const COUNTS: Record<string, number> = {
  ...{ once: 1, twice: 2, thrice: 3 },
  ...{ one: 1, two: 2, three: 3, four: 4, five: 5, six: 6, seven: 7, eight: 8, nine: 9, ten: 10 },
  ...{ other: 2, second: 2, '2nd': 2, third: 3, '3rd': 3, fourth: 4, '4th': 4 },
};
const WEEK = 52 / 12;
/** How often it comes in a month. */
const SPANS: Record<string, number> = {
  ...{ day: 365 / 12, evening: 365 / 12, morning: 365 / 12, night: 365 / 12 },
  ...{ week: WEEK, weekend: WEEK, fortnight: WEEK / 2, month: 1, quarter: 1 / 3, year: 1 / 12 },
  ...{ monday: WEEK, tuesday: WEEK, wednesday: WEEK, thursday: WEEK, friday: WEEK, saturday: WEEK, sunday: WEEK },
};
const ADVERBS: Record<string, string> = {
  ...{ daily: 'day', weekly: 'week', fortnightly: 'fortnight', monthly: 'month', quarterly: 'quarter' },
  ...{ yearly: 'year', annually: 'year' },
};

const count = (word: string): number | null =>
  COUNTS[word] ?? (/^\d+(?:[.,]\d+)?$/.test(word) ? Number(word.replace(',', '.')) : null);
const rounded = (n: number): number => Math.round(n * 100) / 100;

/**
 * How often in a month, as people say it: “4”, “once a month”, “twice a week”, “every other Saturday”, “Tuesdays and Fridays”, “the first Sunday of the
 * month”; null: something else. To the hundredth.
 */
export function timesAMonthIn(text: string): number | null {
  const said = text
    .trim()
    .toLowerCase()
    .replace(/\s+/g, ' ')
    .replace(/^(about|on|at|only|the) /, '');
  const bare = count(said);
  if (bare !== null && !(said in COUNTS)) return rounded(bare);
  const adverb = SPANS[ADVERBS[said] ?? ''];
  if (adverb !== undefined) return rounded(adverb);
  const times = /^(\S+?)\s?(?:times|x|×)? ?(?:a|an|per|each|every|\/) ?([a-z]+)$/.exec(said);
  if (times && times[1] !== 'every' && count(times[1]!) !== null && SPANS[times[2]!] !== undefined)
    return rounded(count(times[1]!)! * SPANS[times[2]!]!);
  if (/^(first|second|third|fourth|last) [a-z]+day (of|in) (the|each|every) month$/.test(said)) return 1;
  const every = /^every (?:(\S+) )?([a-z]+?)s?$/.exec(said);
  const nth = every?.[1] === undefined ? 1 : count(every[1]);
  if (every && nth !== null && nth > 0 && SPANS[every[2]!] !== undefined) return rounded(SPANS[every[2]!]! / nth);
  const days = said.split(/, | and | & /).map((d) => d.replace(/^every /, '').replace(/s$/, ''));
  return days.every((d) => d.endsWith('day') && d !== 'day' && SPANS[d] !== undefined)
    ? rounded(days.length * WEEK)
    : null;
}
