import { formatNumberOnly, type Measure } from './format.ts';
import { formatWeight } from './weight.ts';

const MM: Record<string, number> = { mm: 1, cm: 10, m: 1000 };
const LENGTHS = /((?:\d+(?:\.\d+)?\s?[×–-]\s?)*\d+(?:\.\d+)?)\s?(mm|cm|m)\b(?![²³/])/g;
const WEIGHTS = /(\d+(?:\.\d+)?)\s?(kg|g)\b(?![/²])/g;
/** Shorter than this a length is said in hundredths of an inch, not in sixteenths, mm. */
const FINE = 12.7;

const inches = (mm: number): string =>
  mm > 0 && mm < FINE ? String(Number((mm / 25.4).toFixed(2))) : formatNumberOnly(mm, 'imperial');

/**
 * A sentence of ours, written in millimetres and kilograms, as it is said to a maker who measures in inches and pounds. Sentences in centimetres are
 * left alone for one who does not.
 */
export function inMeasure(words: string, measure: Measure): string {
  if (measure === 'metric') return words;
  return words
    .replace(LENGTHS, (_, numbers: string, unit: string) => {
      const said = numbers.replace(/\d+(?:\.\d+)?/g, (n) => inches(Number(n) * MM[unit]!));
      return `${said}"`;
    })
    .replace(WEIGHTS, (_, n: string, unit: string) => formatWeight(Number(n) * (unit === 'kg' ? 1000 : 1), 'imperial'));
}
