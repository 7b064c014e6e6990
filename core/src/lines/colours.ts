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

const hex = (n: number) => `#${n.toString(16).padStart(6, '0')}`;

/** The colour that a word or two name, as #rrggbb; null for none. The last colour word counts: “navy blue” is blue, darkened by its first. */
export function colourIn(text: string, except: readonly string[] = []): string | null {
  const words = wordsOf(text).filter((w) => !except.includes(w));
  for (let i = words.length - 1; i >= 0; i--) {
    const two = i > 0 ? words[i - 1]! + words[i]! : '';
    for (const word of [two, words[i]!]) {
      if (word === '' || THINGS.has(word)) continue;
      if (OURS[word]) return OURS[word];
      const named = (colorsNamed as Record<string, number>)[word];
      if (named !== undefined)
        return i > 0 && (words[i - 1] === 'navy' || words[i - 1] === 'teal')
          ? hex((colorsNamed as Record<string, number>)[words[i - 1]!]!)
          : hex(named);
    }
  }
  return null;
}
