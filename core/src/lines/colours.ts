import { colorsNamed } from 'culori';
import { wordsOf } from '../kinds/index.ts';

/** Colours that makers name and the web does not (own choice of sRGB). */
const OURS: Record<string, string> = {
  cream: '#f5ecd0',
  mustard: '#d2a32a',
  burgundy: '#6e1f33',
  mint: '#a8dcc0',
  peach: '#f7c6a3',
  rose: '#d9798f',
  sage: '#9caf88',
  copper: '#b4693a',
  charcoal: '#3b4045',
  kraft: '#b3905f',
  rust: '#a64b24',
  lilac: '#b79ccf',
  aqua: '#5cc3c4',
  ochre: '#c58a2f',
  apricot: '#f2b27a',
  denim: '#3f5f83',
  natural: '#e4d8bd',
};
/** Colours that are things as well: not taken for a colour (common sense). */
const THINGS = new Set([
  'linen',
  'snow',
  'peru',
  'chocolate',
  'wheat',
  'seashell',
  'tomato',
  'salmon',
  'orchid',
  'honeydew',
]);

const NAMED: ReadonlyMap<string, string> = new Map([
  ...Object.entries(colorsNamed as Record<string, number>).map(
    ([name, n]) => [name, `#${n.toString(16).padStart(6, '0')}`] as const,
  ),
  ...Object.entries(OURS),
]);

/** The colour that a word or two name, as #rrggbb; null for none. The last colour word counts, but “navy blue” and “teal green” are navy and teal. */
export function colourIn(text: string, except: readonly string[] = []): string | null {
  const words = wordsOf(text).filter((w) => !except.includes(w));
  for (let i = words.length - 1; i >= 0; i--) {
    const before = words[i - 1] ?? '';
    if (!NAMED.has(words[i]!) || THINGS.has(words[i]!)) {
      const two = NAMED.get(before + words[i]!);
      if (two) return two;
      continue;
    }
    return NAMED.get(before + words[i]!) ?? (/^(navy|teal)$/.test(before) ? NAMED.get(before)! : NAMED.get(words[i]!)!);
  }
  return null;
}
