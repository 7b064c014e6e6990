import { converter, differenceCiede2000, formatHex, parse } from 'culori';

/** Families of colours as they are put in order: neutrals apart, then round the wheel from red (common practice; the bounds are an own choice). */
export const HUE_FAMILIES = [
  'white',
  'grey',
  'black',
  'brown',
  'red',
  'orange',
  'yellow',
  'green',
  'turquoise',
  'blue',
  'purple',
  'pink',
] as const;
export type HueFamily = (typeof HUE_FAMILIES)[number];

const toOklch = converter('oklch');
const difference = differenceCiede2000();

/** Less colour than this is none: chroma in OKLCH (own choice). */
const NEUTRAL = 0.03;
/** In OKLCH a neutral is white above, black below (own choice). */
const WHITE = 0.92;
const BLACK = 0.3;
/** From this hue on, degrees in OKLCH, a colour is called so (own choice, checked against the colours the web names). */
const WHEEL: readonly [number, HueFamily][] = [
  [8, 'red'],
  [36, 'orange'],
  [78, 'yellow'],
  [118, 'green'],
  [170, 'turquoise'],
  [218, 'blue'],
  [285, 'purple'],
  [330, 'pink'],
];

export type Tone = { family: HueFamily; lightness: number; chroma: number; hue: number };

const known = new Map<string, Tone>();

/**
 * What a colour is: its family, lightness 0 to 1, chroma and hue (degrees from red round to pink).
 * @param colour `#aabbcc`
 * @throws for what is no colour
 */
export function toneOf(colour: string): Tone {
  let tone = known.get(colour);
  if (!tone) known.set(colour, (tone = worked(colour)));
  return tone;
}

function worked(colour: string): Tone {
  const lch = toOklch(parse(colour));
  if (!lch) throw new Error(`“${colour}” is no colour`);
  const { l, c } = lch;
  const h = lch.h ?? 0;
  // pink ends where red begins
  const hue = (h - WHEEL[0]![0] + 360) % 360;
  const neutral = l >= WHITE ? c < NEUTRAL + 0.02 : c < NEUTRAL;
  if (neutral) return { family: l >= WHITE ? 'white' : l <= BLACK ? 'black' : 'grey', lightness: l, chroma: c, hue: 0 };
  if (l < 0.17) return { family: 'black', lightness: l, chroma: c, hue: 0 };
  let family: HueFamily = 'pink';
  for (const [from, name] of WHEEL) if (h >= from) family = name;
  // dark or dull orange and yellow are browns, dark yellow that leans to green is green; light red is pink
  const warm = (family === 'orange' || family === 'yellow') && h < 100;
  if (warm && (l < 0.66 || (l < 0.83 && c < 0.13 && h < 80))) family = 'brown';
  if (family === 'yellow' && h >= 100 && l < 0.7) family = 'green';
  if (family === 'red' && (l > 0.72 || c < 0.06)) family = l > 0.6 ? 'pink' : 'brown';
  return { family, lightness: l, chroma: c, hue };
}

/** How far two colours look apart: CIEDE2000 (ISO/CIE 11664-6). */
export const colourDifference = (a: string, b: string): number => difference(a, b);

/** Warm colours are those from pink round to yellow; browns too. Neutrals are neither. */
export const isWarm = (colour: string): boolean =>
  ['red', 'orange', 'yellow', 'pink', 'brown'].includes(toneOf(colour).family);

/** The colour somebody wrote as the web knows it (`teal`, `#8a4`, `rgb(…)`), as `#aabbcc`; null: none. */
export const webColour = (text: string): string | null => formatHex(parse(text.trim().toLowerCase())) ?? null;

/** A colour of red, green and blue from 0 to 1, as `#aabbcc`. */
export const colourOf = (r: number, g: number, b: number): string => formatHex({ mode: 'rgb', r, g, b });
