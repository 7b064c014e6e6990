/** Numbers as they are said, up to ninety-nine. */
const ONES: Readonly<Record<string, number>> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  thirteen: 13,
  fourteen: 14,
  fifteen: 15,
  sixteen: 16,
  seventeen: 17,
  eighteen: 18,
  nineteen: 19,
};
const TENS: Readonly<Record<string, number>> = {
  twenty: 20,
  thirty: 30,
  forty: 40,
  fifty: 50,
  sixty: 60,
  seventy: 70,
  eighty: 80,
  ninety: 90,
};
const NUMBER = `(?:(?:${Object.keys(TENS).join('|')})(?:[- ](?:${Object.keys(ONES).slice(0, 9).join('|')}))?|${Object.keys(ONES).join('|')})`;
const UNITS =
  'pounds?|lbs?|ounces?|oz|inch(?:es)?|feet|foot|centimet(?:re|er)s?|cm|millimet(?:re|er)s?|mm|grams?|kilos?|kilograms?|kg';
const BEFORE_UNIT = new RegExp(`\\b(${NUMBER})[- ](?=(?:${UNITS})\\b)`, 'gi');
const OF_WEIGHT =
  /\s+(?:of|weighing|that weighs?|at)\s+(?=\d+(?:[.,]\d+)?\s?(?:pounds?|lbs?|ounces?|oz|kilos?|kilograms?|kg)\s*$)/i;

const numberOf = (words: string): number =>
  words
    .toLowerCase()
    .split(/[- ]/)
    .reduce((sum, word) => sum + (TENS[word] ?? ONES[word] ?? 0), 0);

/** Measures said in words, in figures: “a press of thirty pounds” is “a press 30 pounds”, “six inch ruler” a “6 inch ruler”. */
export const inFigures = (text: string): string =>
  text.replace(BEFORE_UNIT, (_, words: string) => `${numberOf(words)} `).replace(OF_WEIGHT, ' ');
