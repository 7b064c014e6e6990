import { expect, test } from '@jest/globals';
import { converter, differenceCiede2000 } from 'culori';
import { colourBeside } from './index.ts';

const rgbOf = converter('rgb');
const linearOf = converter('lrgb');
/** Colours of paints and papers, from memory: a red, a green, a blue, a yellow, a skin, a violet, two greys. */
const SWATCHES = ['#b4302e', '#3c8a4e', '#2f4f9a', '#e0b93a', '#c79a84', '#6d4a86', '#808080', '#333333'];
/**
 * Lights as they tint what is seen, red, green, blue of linear light (own values, near daylight, a warm lamp of some 3500 K and a cool tube), and how
 * bright the picture came out.
 */
const LIGHTS = [
  [0.95, 0.95, 0.95],
  [0.98, 0.8, 0.56],
  [0.6, 0.72, 0.8],
] as const;

test('a colour beside white paper is known within ΔE2000 5 under three lights', () => {
  const between = differenceCiede2000();
  for (const light of LIGHTS)
    for (const swatch of SWATCHES) {
      const seen = (hex: string): [number, number, number] => {
        const { r, g, b } = linearOf(hex)!;
        const lit = rgbOf({ mode: 'lrgb', r: r * light[0], g: g * light[1], b: b * light[2] });
        return [lit.r * 255, lit.g * 255, lit.b * 255];
      };
      // the sheet’s paper, 88 % of a perfect white
      const paper = rgbOf({ mode: 'lrgb', r: 0.88, g: 0.88, b: 0.88 });
      const hex = `#${[paper.r, paper.g, paper.b]
        .map((v) =>
          Math.round(v * 255)
            .toString(16)
            .padStart(2, '0'),
        )
        .join('')}`;
      expect(between(swatch, colourBeside(seen(swatch), seen(hex))!)).toBeLessThan(5);
    }
  expect(colourBeside([10, 10, 10], [20, 20, 20])).toBeNull();
  expect(colourBeside([200, 10, 10], [255, 255, 255])).toBeNull();
});
