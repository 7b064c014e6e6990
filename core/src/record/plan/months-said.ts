import { MONTH_NAMES } from './months.ts';

/** The months of the meteorological seasons on the northern half (three whole months each, as weather services count them). */
const SEASONS: Record<string, readonly number[]> = {
  ...{ spring: [3, 4, 5], summer: [6, 7, 8], autumn: [9, 10, 11], fall: [9, 10, 11], winter: [12, 1, 2] },
};
const TO = /\s*(?:\bto\b|\btill\b|\buntil\b|\bthrough\b|[-–—])\s*/;
const AND = /\s*(?:,|;|&|\+|\/|\band\b|\bor\b)\s*/;
const BUT = /^(?:not|except|but not|never|all (?:the )?year (?:except|but))\s+/;

/** The month that is called so: whole, or its first letters, three at least. */
function monthOfName(word: string): number | null {
  const at = MONTH_NAMES.findIndex((name) => word.length >= 3 && name.toLowerCase().startsWith(word));
  return at < 0 ? null : at + 1;
}

/** One month, or the months of a season, in their order; null: neither. */
function spanOf(said: string, south: boolean): readonly number[] | null {
  const word = said
    .replace(/^(?:(?:in|from|during|for|the|early|late|mid|of)[\s-]+)+/, '')
    .replace(/\.$/, '')
    .trim();
  const month = monthOfName(word);
  if (month !== null) return [month];
  const season = SEASONS[word.replace(/(?:time|s)$/, '')] ?? SEASONS[word];
  return season ? (south ? season.map((m) => ((m + 5) % 12) + 1) : season) : null;
}

/**
 * Months as people say them: “Oct to Dec”, “only in spring and summer”, “June, July”, “not in August”, “all year”.
 * @param south whether seasons are those of the southern half of the earth
 * @returns months 1 to 12 in order, none for all of the year; null: it says something else
 */
export function monthsIn(text: string, south = false): number[] | null {
  const said = text
    .trim()
    .toLowerCase()
    .replace(/\s+/g, ' ')
    .replace(/^only\s+/, '')
    .replace(/\b(early|late|mid)-/g, '$1 ');
  if (/^(?:all (?:the )?year(?: round)?|always|any month|every month)$/.test(said)) return [];
  const but = BUT.exec(said);
  const has = new Set<number>();
  for (const part of said.slice(but ? but[0].length : 0).split(AND)) {
    const ends = part.split(TO).map((end) => spanOf(end, south));
    const [first, last] = [ends[0], ends[ends.length - 1]];
    if (!first || !last || ends.length > 2) return null;
    if (ends.length === 1) for (const month of first) has.add(month);
    else {
      const end = last[last.length - 1]!;
      for (let m = first[0]!; m !== end; m = (m % 12) + 1) has.add(m);
      has.add(end);
    }
  }
  const months = MONTH_NAMES.map((_, i) => i + 1).filter((m) => has.has(m) !== (but !== null));
  return months.length === 12 ? [] : months.length === 0 ? null : months;
}
