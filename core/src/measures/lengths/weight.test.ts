import { describe, expect, test } from '@jest/globals';
import { formatWeight, inMeasure, parseWeight } from './index.ts';

describe('weights as people write them (international avoirdupois pound of 1959: 453.59237 g)', () => {
  test.each([
    ['10 oz', 283.49523125],
    ['7 lb', 3175.14659],
    ['1.2 kg', 1200],
    ['350g', 350],
    ['2 lb 3 oz', 992.2333],
    ['1 1/2 lb', 680.388555],
    ['1/2 lb', 226.796185],
    ['3 pounds', 1360.77711],
    ['0,5 kg', 500],
    ['4', 4000],
  ])('%s', (text, g) => {
    const got = parseWeight(text, 'kg');
    expect(got.ok && got.g).toBeCloseTo(g, 3);
  });

  test.each(['', 'heavy', '12 stone', '5 mm', '-3 kg', '1/0 lb', '3 lb 2', '2 2 kg'])(
    '“%s” is refused with a reason',
    (text) => {
      const got = parseWeight(text, 'kg');
      expect(!got.ok && got.reason.length).toBeGreaterThan(10);
    },
  );

  test('shown in grams and kilograms, or ounces and pounds', () => {
    expect([formatWeight(350, 'metric'), formatWeight(1250, 'metric')]).toEqual(['350 g', '1.25 kg']);
    expect([formatWeight(283.495, 'imperial'), formatWeight(3175.15, 'imperial')]).toEqual(['10 oz', '7 lb']);
  });
});

test('a sentence of ours in inches and pounds: nothing metric is left in it', () => {
  const said = (words: string) => inMeasure(words, 'imperial');
  expect(said('over-full by 51 mm')).toBe('over-full by 2"');
  expect(said('working space 762 × 914 × 1981 mm: NEC 110.26')).toBe(
    'working space 30 × 36 × 78" : NEC 110.26'.replace(' :', ':'),
  );
  expect(said('holds 20.2 kg; it carries 20 kg')).toBe('holds 44.5 lb; it carries 44.1 lb');
  expect(said('sag 1.4 mm at once')).toBe('sag 0.06" at once');
  expect(said('needs 130 cm of height')).toBe('needs 51 3/16" of height');
  // paper is sold by what a square metre weighs everywhere
  expect(said('216 g/m² and 1.4 m² of drawer')).toBe('216 g/m² and 1.4 m² of drawer');
  expect(inMeasure('over-full by 51 mm', 'metric')).toBe('over-full by 51 mm');
});
