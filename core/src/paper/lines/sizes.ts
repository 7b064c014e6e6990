import { type Measure, plainFractions } from '../../measures/lengths/index.ts';

/** A size as somebody wrote it, mm. `given` in the order written; `round`: the first one is a diameter. */
export type SaidSize = {
  given: number[];
  round: boolean;
  /** what one length alone is of; null: not said, or there are several */
  of: 'long' | 'wide' | 'high' | 'thick' | null;
};

const MM: Record<string, number> = { mm: 1, cm: 10, m: 1000, in: 25.4, ft: 304.8, yd: 914.4 };

/** Sizes with a name, mm: ISO 216 and ISO 269 (envelopes), ANSI Y14.1 letter and tabloid, legal (from memory). */
const NAMED: Record<string, readonly [number, number]> = {
  a2: [420, 594],
  a3: [297, 420],
  a4: [210, 297],
  a5: [148, 210],
  a6: [105, 148],
  a7: [74, 105],
  b4: [250, 353],
  b5: [176, 250],
  c4: [229, 324],
  c5: [162, 229],
  c6: [114, 162],
  dl: [110, 220],
  letter: [215.9, 279.4],
  legal: [215.9, 355.6],
  tabloid: [279.4, 431.8],
};

/** Sheets that are sold in inches wherever one lives (common practice). */
const IN_INCHES = new Set(['12x12', '8x8', '6x6', '8.5x11', '11x17', '4.25x5.5', '5.5x8.5', '6x8', '5x7', '4x6']);
/** A bare number from here on is millimetres to somebody who measures in centimetres: no piece is so long (own assumption). */
const BARE_MM = 60;

/** One spelling for fractions, quotes, signs and dashes. */
export function tidied(text: string): string {
  return plainFractions(text)
    .replace(/[″”“„]|''/g, '"')
    .replace(/[′’]/g, "'")
    .replace(/[×✕]/g, 'x')
    .replace(/[–—−]/g, '-')
    .replace(/\s+/g, ' ')
    .trim();
}

const N = String.raw`(?:\d+ \d+/\d+|\d+-\d+/\d+|\d+/\d+|\d+(?:[.,]\d+)?|[.,]\d+)`;
const U = String.raw`(?:mm|cm|millimet(?:er|re)s?|centimet(?:er|re)s?|inch(?:es)?|in|")(?![a-z])`;
const DIA = String.raw`(?:diameter|diam|dia|ø|across|round)\.?`;
const ONE = String.raw`(?:ø\s?)?${N}\s?(?:${U})?(?:\s?${DIA})?(?:\s?(?:wide|deep|high|tall|long|thick|[wdhl])\b)?`;
const SEVERAL = new RegExp(String.raw`(?<![\w./])${ONE}(?:\s?(?:x|\*|by)\s?${ONE}){1,2}(?![\w/])`, 'i');
const SINGLE = new RegExp(
  String.raw`(?<![\w./-])(ø\s?)?(${N})\s?(${U})(?:\s?(${DIA}|wide|high|tall|long|thick)(?!\w))?(?!\s?/)`,
  'i',
);
const NAME = /(?<![\w-])(a[2-7]|b[45]|c[456]|dl|letter|legal|tabloid)(?:[ -]?sized?)?(?![\w-])/i;

function amount(text: string): number {
  const t = text.replace(',', '.').replace(/(\d)-(\d+\/)/, '$1 $2');
  const m = /^(?:(\d+) )?(\d+)\/(\d+)$/.exec(t);
  return m ? Number(m[1] ?? 0) + Number(m[2]) / Number(m[3]) : Number(t);
}

function unitOf(text: string): string | null {
  const u = text.toLowerCase();
  if (u === '"' || u.startsWith('in')) return 'in';
  if (u.startsWith('mm') || u.startsWith('mill')) return 'mm';
  if (u.startsWith('cm') || u.startsWith('cent')) return 'cm';
  return null;
}

export type SizeFound = { size: SaidSize; rest: string; at: number };

/**
 * Finds a size in a line: `12x12`, `2 x 2 x 3/4`, `3 in dia x 3`, `8.5 x 11`, `A4`, `6 1/2 in`.
 * @param text tidied
 * @param measure how a bare number is read: inches, or centimetres (from 60 on millimetres); a fraction alone is always of inches
 * @returns the size in mm and the line without it; null when there is none
 */
export function sizeIn(text: string, measure: Measure): SizeFound | null {
  const several = SEVERAL.exec(text);
  if (several) {
    const size = sizeOf(several[0], measure);
    if (size) return { size, rest: without(text, several.index, several[0].length), at: several.index };
  }
  const named = NAME.exec(text);
  if (named) {
    const [width, depth] = NAMED[named[1]!.toLowerCase()]!;
    return {
      size: { given: [width, depth], round: false, of: null },
      rest: without(text, named.index, named[0].length),
      at: named.index,
    };
  }
  const single = SINGLE.exec(text);
  if (!single) return null;
  const mm = amount(single[2]!) * MM[unitOf(single[3]!)!]!;
  const word = (single[4] ?? '').toLowerCase();
  const round = Boolean(single[1]) || /^(dia|ø|across|round)/.test(word);
  const of =
    word === 'long'
      ? 'long'
      : word === 'wide'
        ? 'wide'
        : word === 'thick'
          ? 'thick'
          : word === 'high' || word === 'tall'
            ? 'high'
            : null;
  if (!(mm > 0)) return null;
  return { size: { given: [mm], round, of }, rest: without(text, single.index, single[0].length), at: single.index };
}

const without = (text: string, at: number, length: number) =>
  `${text.slice(0, at)} ${text.slice(at + length)}`.replace(/\s+/g, ' ').trim();

/**
 * A cell or part of a line that is nothing but a size, as {@link sizeIn} reads it; a single number counts as one here.
 * @returns null when it is no size
 */
export function sizeOf(text: string, measure: Measure): SaidSize | null {
  const t = tidied(text);
  const named = NAME.exec(t);
  if (named && named[0] === t) return { given: [...NAMED[named[1]!.toLowerCase()]!], round: false, of: null };
  const parts = t.split(/\s?(?:x|\*|\bby\b)\s?/i);
  if (parts.length > 3) return null;
  const read = parts.map((part) =>
    new RegExp(`^(ø\\s?)?(${N})\\s?(${U})?\\s?(${DIA})?\\s?(wide|deep|high|tall|long|thick|[wdhl])?$`, 'i').exec(part),
  );
  if (read.some((r) => r === null)) return null;
  const units = read.map((r) => (r![3] ? unitOf(r![3]) : null));
  const numbers = read.map((r) => amount(r![2]!));
  // a unit holds for those before it without their own, and the first one for all
  let unit: string | null = null;
  const each = units.map(() => null as string | null);
  for (let i = units.length - 1; i >= 0; i--) each[i] = unit = units[i] ?? unit;
  const given = each.map(
    (u, i) => u ?? each.slice(0, i).reverse().find(Boolean) ?? units.find(Boolean) ?? bareUnit(numbers, read, measure),
  );
  const mm = numbers.map((n, i) => n * MM[given[i]!]!);
  if (mm.some((n) => !(n > 0) || !Number.isFinite(n))) return null;
  const order = read.map((r) => (r![5] ?? '').toLowerCase()[0] ?? '');
  const round = read.some((r) => r![1] !== undefined || r![4] !== undefined);
  return { given: round ? mm : inOrder(mm, order), round, of: null };
}

/** Sizes with their letters (w, d, h) in that order. */
function inOrder(mm: number[], letters: readonly string[]): number[] {
  const rank = (letter: string) => ({ w: 0, l: 1, d: 1, h: 2, t: 2 })[letter];
  if (letters.some((l) => rank(l) === undefined)) return mm;
  return mm
    .map((n, i) => ({ n, r: rank(letters[i]!)! }))
    .sort((a, b) => a.r - b.r)
    .map((x) => x.n);
}

function bareUnit(numbers: readonly number[], read: readonly (RegExpExecArray | null)[], measure: Measure): string {
  if (measure === 'imperial') return 'in';
  const written = read.map((r) => r![2]!);
  if (written.some((w) => w.includes('/'))) return 'in';
  if (IN_INCHES.has(written.map((w) => w.replace(',', '.')).join('x'))) return 'in';
  return Math.max(...numbers) >= BARE_MM ? 'mm' : 'cm';
}
