import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import {
  converter,
  differenceCiede2000,
  filterDeficiencyDeuter,
  filterDeficiencyProt,
  filterDeficiencyTrit,
  parse,
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
