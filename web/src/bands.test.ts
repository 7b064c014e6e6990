import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import {
  converter,
  differenceCiede2000,
  filterDeficiencyDeuter,
  filterDeficiencyProt,
  filterDeficiencyTrit,
  parse,
  wcagContrast,
  type Rgb,
} from 'culori';
import { BANDS } from '@heronstone/core/reach';

const css = readFileSync(new URL('./styles.css', import.meta.url), 'utf8');
const colours = BANDS.slice(1).map((band) => {
  const hex = new RegExp(`--${band}: (#[0-9a-f]{6});`).exec(css)?.[1];
  return { band, colour: parse(hex ?? '')! };
});
const toRgb = converter('rgb');
const rgb = (c: NonNullable<ReturnType<typeof parse>>) => toRgb(c)!;
const seen: Record<string, (c: Rgb) => Rgb> = {
  'usual colour vision': (c) => c,
  deuteranopia: filterDeficiencyDeuter(1),
  protanopia: filterDeficiencyProt(1),
  tritanopia: filterDeficiencyTrit(1),
};

describe('band colours', () => {
  test.each(Object.entries(seen))(
    'neighbouring bands differ by ΔE2000 ≥ 10 under %s (simulated by culori)',
    (_, filter) => {
      const difference = differenceCiede2000();
      expect(colours).toHaveLength(7);
      for (let i = 1; i < colours.length; i++) {
        const apart = difference(filter(rgb(colours[i - 1]!.colour)), filter(rgb(colours[i]!.colour)));
        if (apart < 10)
          throw new Error(`${colours[i - 1]!.band} and ${colours[i]!.band} differ by ${apart.toFixed(1)} only`);
      }
    },
  );
});

/** The colours of one scheme by their names. */
const scheme = (block: string) =>
  Object.fromEntries([...block.matchAll(/--([a-z-]+): (#[0-9a-f]{6});/g)].map(([, name, hex]) => [name!, hex!]));
const [light, dark] = css.split('@media (prefers-color-scheme: dark)').map(scheme) as [
  Record<string, string>,
  Record<string, string>,
];

describe('what is drawn can be told from what is behind it', () => {
  // WCAG 2.2, 1.4.11: at least 3 : 1; contrast worked out by the culori library
  test.each([
    ['light', light],
    ['dark', { ...light, ...dark }],
  ])('edges of fields and buttons, outlines of furniture and places, the highlight of menus: %s', (_, colours) => {
    const contrast = (a: string, b: string) => wcagContrast(colours[a]!, colours[b]!);
    const low = (
      [
        ['edge', 'ground'],
        ['edge', 'paper'],
        ['wood-line', 'paper'],
        ['wood-line', 'wood'],
        ['heron', 'paper'],
        ['heron', 'wood'],
        ['clash', 'paper'],
      ] as const
    ).filter(([a, b]) => contrast(a, b) < 3);
    expect(low.map(([a, b]) => `${a} on ${b}: ${contrast(a, b).toFixed(2)}`)).toEqual([]);
    expect(contrast('on-heron', 'heron')).toBeGreaterThanOrEqual(4.5);
    // WCAG 2.2, 1.4.3 and 1.4.6: names stand on paper, or on things of any colour with an edge of paper round each letter (e2e/src/round.test.ts)
    expect(contrast('ink', 'paper')).toBeGreaterThanOrEqual(7);
  });
});
