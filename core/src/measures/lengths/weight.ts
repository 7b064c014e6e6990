import { type Measure } from './format.ts';

const GRAMS: Record<string, number> = { g: 1, kg: 1000, oz: 28.349523125, lb: 453.59237 };
const CALLED: Record<string, string> = {
  gram: 'g',
  grams: 'g',
  gramme: 'g',
  grammes: 'g',
  kilo: 'kg',
  kilos: 'kg',
  kgs: 'kg',
  kilogram: 'kg',
  kilograms: 'kg',
  ounce: 'oz',
  ounces: 'oz',
  lbs: 'lb',
  pound: 'lb',
  pounds: 'lb',
  '#': 'lb',
};

export type ParsedWeight = { ok: true; g: number } | { ok: false; reason: string };

/**
 * Reads a weight as people write it: `1.2 kg`, `10 oz`, `7 lb`, `2 lb 3 oz`, `1 1/2 lb`. A unit that is not understood is refused, never dropped.
 * @param bare unit of a number without one
 * @returns grams (avoirdupois pound of 1959: 0.45359237 kg exactly)
 */
export function parseWeight(text: string, bare: 'g' | 'kg' | 'oz' | 'lb'): ParsedWeight {
  const said = text
    .trim()
    .toLowerCase()
    .replace('−', '-')
    .replace(/(\d),(\d)/g, '$1.$2');
  const no = (reason: string): ParsedWeight => ({ ok: false, reason });
  if (said === '') return no('A weight is wanted, such as 1.2 kg or 10 oz.');
  const part = /^\s*(?:(\d+)\s+)?(\d+(?:\.\d+)?|\.\d+)(?:\/(\d+))?\s*([a-z#µ²/]*)\.?/;
  let rest = said;
  let grams = 0;
  for (let n = 0; rest.trim() !== ''; n++) {
    const found = part.exec(rest);
    if (!found) return no(`“${text.trim()}” is not a weight.`);
    const [all, whole, number, under, word] = found;
    if (under === '0') return no(`“${text.trim()}” is not a weight.`);
    if (whole !== undefined && under === undefined) return no(`“${text.trim()}” is not a weight.`);
    const unit = word === '' ? (n === 0 && all.length === rest.length ? bare : null) : (CALLED[word!] ?? word!);
    if (unit === null || !(unit in GRAMS))
      return no(word ? `“${word}” is no weight we know: g, kg, oz and lb are.` : `“${text.trim()}” is not a weight.`);
    grams += (Number(whole ?? 0) + Number(number) / Number(under ?? 1)) * GRAMS[unit]!;
    rest = rest.slice(all.length);
  }
  return Number.isFinite(grams) ? { ok: true, g: grams } : no(`“${text.trim()}” is not a weight.`);
}

/** Shows a weight with its unit: `350 g`, `1.2 kg`, or `10 oz`, `7 lb`. */
export function formatWeight(g: number, measure: Measure): string {
  const short = (n: number, digits: number) => String(Number(n.toFixed(digits)));
  if (measure === 'metric') return Math.abs(g) < 1000 ? `${short(g, 1)} g` : `${short(g / 1000, 2)} kg`;
  return Math.abs(g) < GRAMS.lb! ? `${short(g / GRAMS.oz!, 1)} oz` : `${short(g / GRAMS.lb!, 1)} lb`;
}
