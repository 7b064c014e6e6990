import { colorsNamed } from 'culori';
import { wordsOf } from '../../things/kinds/index.ts';

/**
 * The colours of card, yarn and paint that go by these words (own choice of sRGB): on a screen the same words mean its purest ones, which no card has, and
 * others it does not know.
 */
const OURS: Record<string, string> = {
  red: '#b4272f',
  orange: '#e07f2c',
  yellow: '#efc837',
  green: '#3d8a4c',
  blue: '#2f62ad',
  purple: '#6d4b93',
  violet: '#77559f',
  pink: '#e79db3',
  magenta: '#b93b7b',
  fuchsia: '#bf3583',
  brown: '#70492f',
  black: '#27272a',
  white: '#f7f5f0',
  grey: '#8c8e91',
  gray: '#8c8e91',
  silver: '#babdc1',
  gold: '#c19a3f',
  navy: '#23335c',
  teal: '#217a7c',
  turquoise: '#3eb1ad',
  cyan: '#37a3c6',
  lime: '#9dc541',
  olive: '#75753a',
  maroon: '#6c2430',
  indigo: '#3a417f',
  crimson: '#a72238',
  coral: '#ea7865',
  ivory: '#f3ecda',
  beige: '#dac9a8',
  tan: '#c8a67b',
  lavender: '#b9a9d4',
  terracotta: '#b5643f',
  cobalt: '#25539d',
  blush: '#ecc5bf',
  emerald: '#1f8a5f',
  jade: '#4ba383',
  ruby: '#9b1f3c',
  taupe: '#8f8072',
  eggshell: '#f0e9d8',
  forest: '#2d5a3a',
  scarlet: '#c3292c',
  fawn: '#c9ac84',
  champagne: '#eedcbb',
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
/** Of two colour words the first is the one that is meant: “cobalt blue”, “olive green”. */
const NARROWER = new Set(
  (
    'navy teal cobalt turquoise indigo denim aqua emerald jade olive lime mint sage forest ' +
    'ruby crimson scarlet coral rust blush rose charcoal taupe mustard cream'
  ).split(' '),
);

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

/** The colour that a word or two name, as #rrggbb; null for none. The last colour word counts, but “navy blue” and “olive green” are navy and olive. */
export function colourIn(text: string, except: readonly string[] = []): string | null {
  const words = wordsOf(text).filter((w) => !except.includes(w));
  for (let i = words.length - 1; i >= 0; i--) {
    const before = words[i - 1] ?? '';
    if (!NAMED.has(words[i]!) || THINGS.has(words[i]!)) {
      const two = NAMED.get(before + words[i]!);
      if (two) return two;
      continue;
    }
    return NAMED.get(before + words[i]!) ?? (NARROWER.has(before) ? NAMED.get(before)! : NAMED.get(words[i]!)!);
  }
  return null;
}
