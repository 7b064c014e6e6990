import { type PlaceKind } from './shapes.ts';

/**
 * Ways to divide the inside of a place: lanes side by side, rows one behind another, upright slots (equal ones), trays on each other.
 * Kept as text: `lanes 70,70,rest`, `slots 12`. Sizes in mm.
 */
export const DIVISION_KINDS = ['lanes', 'rows', 'slots', 'trays'] as const;
export type DivisionKind = (typeof DIVISION_KINDS)[number];
export const DIVISION_PATTERN =
  /^$|^(?:(?:slots|trays) [1-9]\d?|(?:lanes|rows) (?:rest|\d{1,5}(?:\.\d{1,3})?)(?:,(?:rest|\d{1,5}(?:\.\d{1,3})?)){0,39})$/;

/** Free play a container needs in each direction, mm (docs/sources.md, 5). */
export const PLAY = 3;
/** Thickness of a divider, mm (own assumption: thin board). */
export const DIVIDER = 3;
/** Most parts one thing is divided into. */
const MOST_PARTS = 60;

export type Inside = { width: number; depth: number; height: number };
/** One part of a divided inside, counted from its left, front and floor; inside sizes, mm. */
export type Part = Inside & {
  name: string;
  kind: PlaceKind;
  left: number;
  front: number;
  bottom: number;
  /** another part stands on it and is lifted off first */
  under: boolean;
};
export type Divided =
  { ok: true; parts: Part[]; /** mm not given to any part */ over: number } | { ok: false; reason: string };

const tidy = (mm: number) => Math.round(mm * 100) / 100;

/** Sizes along one direction with dividers between; `rest` shares what is left evenly. */
function shared(
  sizes: readonly string[],
  total: number,
  word: string,
  of: string,
): { at: number[]; sizes: number[]; over: number } | string {
  const free = total - DIVIDER * (sizes.length - 1);
  const given = sizes.filter((s) => s !== 'rest').map(Number);
  const sum = given.reduce((a, b) => a + b, 0);
  const rests = sizes.length - given.length;
  if (given.some((mm) => mm < 1)) return `Every ${word} needs a size of at least 1 mm.`;
  if (sum > free + 0.01) return `These ${word}s need ${Math.ceil(sum - free)} mm more ${of} than there is.`;
  const rest = rests > 0 ? (free - sum) / rests : 0;
  if (rests > 0 && rest < 1) return `Nothing is left for the rest: the other ${word}s take all of the ${of}.`;
  const out = sizes.map((s) => (s === 'rest' ? rest : Number(s)));
  let at = 0;
  const starts = out.map((mm) => {
    const start = at;
    at += mm + DIVIDER;
    return tidy(start);
  });
  return { at: starts, sizes: out.map(tidy), over: rests > 0 ? 0 : tidy(free - sum) };
}

/**
 * The parts of an inside divided as the text says, in the order in which they are named.
 * @returns the reason in plain words when they do not go in
 */
export function divideInside(inside: Inside, text: string): Divided {
  const [kind, what = ''] = text.split(' ') as [DivisionKind, string];
  if (kind === 'lanes' || kind === 'rows') {
    const lanes = kind === 'lanes';
    const word = lanes ? 'lane' : 'row';
    const made = shared(what.split(','), lanes ? inside.width : inside.depth, word, lanes ? 'width' : 'depth');
    if (typeof made === 'string') return { ok: false, reason: made };
    const parts = made.sizes.map((mm, i): Part => {
      const at = made.at[i]!;
      const name = `${word} ${i + 1}`;
      const common = { name, kind: 'lane' as const, bottom: 0, height: inside.height, under: false };
      return lanes
        ? { ...common, left: at, front: 0, width: mm, depth: inside.depth }
        : { ...common, left: 0, front: at, width: inside.width, depth: mm };
    });
    return { ok: true, parts, over: made.over };
  }
  const n = Number(what);
  if (!(n >= 1 && n <= MOST_PARTS)) return { ok: false, reason: `Between 1 and ${MOST_PARTS} parts can be made.` };
  const slots = kind === 'slots';
  const each = ((slots ? inside.width : inside.height) - (slots ? DIVIDER : 0) * (n - 1)) / n;
  if (each < 1) return { ok: false, reason: `There is no room for ${n} ${kind}.` };
  const parts = Array.from({ length: n }, (_, i): Part => {
    if (slots)
      return {
        name: `slot ${i + 1}`,
        kind: 'slot',
        left: tidy(i * (each + DIVIDER)),
        front: 0,
        bottom: 0,
        width: tidy(each),
        depth: inside.depth,
        height: inside.height,
        under: false,
      };
    // the top tray is the first
    return {
      name: `tray ${i + 1}`,
      kind: 'tray',
      left: 0,
      front: 0,
      bottom: tidy((n - 1 - i) * each),
      width: inside.width,
      depth: inside.depth,
      height: tidy(each),
      under: i > 0,
    };
  });
  return { ok: true, parts, over: 0 };
}

/**
 * Reads how somebody types a division: “70, 70, rest”, “2 x 70, rest”, “4” (equal ones). `length` reads one size.
 * @returns the text as it is kept, or null when it cannot be understood
 */
export function readDivision(
  kind: DivisionKind,
  typed: string,
  length: (text: string) => number | null,
): string | null {
  const words = typed.trim().toLowerCase();
  if (words === '') return '';
  if (kind === 'slots' || kind === 'trays') return /^[1-9]\d?$/.test(words) ? `${kind} ${words}` : null;
  const sizes: string[] = [];
  if (/^[1-9]\d?$/.test(words)) sizes.push(...new Array<string>(Number(words)).fill('rest'));
  else
    for (const one of words.split(/[,;]+/)) {
      const many = /^\s*(\d{1,2})\s*[x×]\s*(.+?)\s*$/.exec(one);
      const size = (many?.[2] ?? one).trim();
      const mm = size === 'rest' ? 'rest' : length(size);
      if (mm === null || (typeof mm === 'number' && !(mm > 0))) return null;
      sizes.push(...new Array<string>(Number(many?.[1] ?? 1)).fill(mm === 'rest' ? mm : String(tidy(Number(mm)))));
    }
  const text = `${kind} ${sizes.join(',')}`;
  return DIVISION_PATTERN.test(text) ? text : null;
}
