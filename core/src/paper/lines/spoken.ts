import { ONES, TENS } from './number-words.ts';

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
