import type { Measure } from './format.ts';

export type ParsedLength = { ok: true; mm: number } | { ok: false; reason: string };

const MM_PER: Record<string, number> = { mm: 1, cm: 10, m: 1000, in: 25.4, ft: 304.8 };
/** Fractions that have a sign of their own, written with a stroke. */
const VULGAR: ReadonlyMap<string, string> = new Map([
  ['½', '1/2'],
  ['¼', '1/4'],
  ['¾', '3/4'],
  ['⅛', '1/8'],
  ['⅜', '3/8'],
  ['⅝', '5/8'],
  ['⅞', '7/8'],
  ['⅓', '1/3'],
  ['⅔', '2/3'],
]);

/** A text with signs like ½ written out, parted from the number before them: `2½` becomes `2 1/2`. */
export const plainFractions = (text: string): string =>
  text.replace(
    /(\d)?\s*([½¼¾⅛⅜⅝⅞⅓⅔])/g,
    (_, whole: string | undefined, f: string) => `${whole ? `${whole} ` : ''}${VULGAR.get(f)}`,
  );
const NUMBER = String.raw`(?:\d+(?:\.\d+)?|\.\d+)`;
const AMOUNT = String.raw`(?:(\d+) (\d+)/(\d+)|(\d+)/(\d+)|(${NUMBER}))`;
const WITH_UNIT = new RegExp(`^${AMOUNT} ?(mm|cm|m|in|ft)?$`);
const FEET_INCHES = new RegExp(`^(\\d+) ?ft ?${AMOUNT} ?(?:in)?$`);

function tidy(text: string): string {
  return plainFractions(text)
    .trim()
    .toLowerCase()
    .replace(/[″”“]|''/g, '"')
    .replace(/[′’]/g, "'")
    .replace(/(\d),(\d)/g, '$1.$2')
    .replace(/"/g, ' in')
    .replace(/'/g, ' ft ')
    .replace(/\b(inches|inch)\b/g, 'in')
    .replace(/\b(feet|foot)\b/g, 'ft')
    .replace(/(\d)-(\d+\/)/g, '$1 $2')
    .replace(/\s+/g, ' ')
    .trim();
}

function amount(groups: (string | undefined)[]): number {
  const [whole, num, den, num2, den2, plain] = groups;
  if (plain !== undefined) return Number(plain);
  return Number(whole ?? 0) + Number(num ?? num2) / Number(den ?? den2);
}

/**
 * Reads a length as a maker types it: `120`, `120cm`, `1.2 m`, `47 1/4"`, `4' 6 1/2"`, `13 in`.
 * @param text what was typed
 * @param measure how a bare number is read: centimetres (metric) or inches (imperial)
 * @returns millimetres (zero allowed, never negative), or a reason in plain words
 */
export function parseLength(text: string, measure: Measure): ParsedLength {
  const t = tidy(text);
  if (t === '') return { ok: false, reason: 'Type a length, for example 120 cm or 47 1/4".' };
  if (t.startsWith('-') || t.startsWith('−')) return { ok: false, reason: 'A length cannot be negative.' };
  const feet = FEET_INCHES.exec(t);
  if (feet) return finite(Number(feet[1]) * 304.8 + amount(feet.slice(2, 8)) * 25.4, text);
  const plain = WITH_UNIT.exec(t);
  if (!plain) return { ok: false, reason: `“${text.trim()}” is not a length. Try 120 cm, 1.2 m or 47 1/4".` };
  const unit = plain[7] ?? (measure === 'metric' ? 'cm' : 'in');
  return finite(amount(plain.slice(1, 7)) * (MM_PER[unit] ?? 1), text);
}

function finite(mm: number, text: string): ParsedLength {
  return Number.isFinite(mm) ? { ok: true, mm } : { ok: false, reason: `“${text.trim()}” is not a length.` };
}

/**
 * Several lengths in a row, as one calls them out: “drawers 70, 70, 110, 110 mm”. A unit behind the last one holds for all without their own;
 * parted by commas or semicolons. Nothing typed is no lengths.
 */
export function parseLengths(
  text: string,
  measure: Measure,
): { ok: true; mm: number[] } | { ok: false; reason: string } {
  const bare = text.trim().replace(/^\p{L}+\s+(?=\d)/u, '');
  if (bare === '') return { ok: true, mm: [] };
  let parts = bare.split(/\s*;\s*|\s*,\s+/);
  if (parts.length === 1 && bare.split(',').length > 2) parts = bare.split(',');
  const unit = /\d\s*(mm|cm|m|in|inch|inches|"|ft)$/i.exec(parts.at(-1)!)?.[1] ?? '';
  const mm: number[] = [];
  for (const part of parts) {
    const got = parseLength(/[a-z"'″′”]/i.test(part) ? part : `${part} ${unit}`, measure);
    if (!got.ok) return got;
    if (got.mm <= 0) return { ok: false, reason: 'Every one must be more than zero.' };
    mm.push(got.mm);
  }
  return { ok: true, mm };
}
