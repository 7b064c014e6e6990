import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  parseLengths,
  formatLength,
  parseLength,
  formatArea,
  formatDistance,
  formatThin,
  formatVolume,
} from './index.ts';

const mm = (text: string, measure: 'metric' | 'imperial' = 'metric') => {
  const r = parseLength(text, measure);
  if (!r.ok) throw new Error(r.reason);
  return r.mm;
};

describe('typed lengths', () => {
  // the inch is 25.4 mm exactly (international yard and pound agreement, 1959)
  test.each([
    ['120', 'metric', 1200],
    ['120', 'imperial', 3048],
    ['120cm', 'imperial', 1200],
    ['1.2 m', 'metric', 1200],
    ['1,2 m', 'metric', 1200],
    ['47 1/4"', 'metric', 1200.15],
    ['47¼″', 'metric', 1200.15],
    ['47-1/4 in', 'metric', 1200.15],
    ['4\' 6 1/2"', 'metric', 1384.3],
    ['4′ 6½″', 'metric', 1384.3],
    ["6'", 'metric', 1828.8],
    ['13 in', 'metric', 330.2],
    ['3/4 in', 'metric', 19.05],
    ['380 mm', 'imperial', 380],
    ['0', 'metric', 0],
  ] as const)('%s in a %s plan', (text, measure, want) => {
    expect(mm(text, measure)).toBeCloseTo(want, 6);
  });

  test.each(['', 'abc', '-5', '12 kg', '1.2.3', '4 ft ft', '1/0 in', '12 12', 'NaN', '1e5'])(
    'refuses %j with a reason',
    (text) => {
      const r = parseLength(text, 'metric');
      expect(r.ok).toBe(false);
      expect(!r.ok && r.reason.length).toBeGreaterThan(10);
    },
  );

  test('what is shown can be typed back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 200_000 }),
        fc.constantFrom('metric' as const, 'imperial' as const),
        (n, measure) => {
          const shown = formatLength(n, measure);
          expect(Math.abs(mm(shown, measure) - n)).toBeLessThanOrEqual(
            measure === 'metric' ? 0.5001 : 25.4 / 32 + 1e-9,
          );
        },
      ),
    );
  });

  test('inches are shown in reduced sixteenths', () => {
    expect(formatLength(330.2, 'imperial')).toBe('13"');
    expect(formatLength(19.05, 'imperial')).toBe('3/4"');
    expect(formatLength(1200.15, 'imperial')).toBe('47 1/4"');
    expect(formatLength(412.7, 'metric')).toBe('41.3 cm');
  });
});

describe('several lengths in a row', () => {
  test.each([
    ['drawers 70, 70, 110, 110 mm', 'metric', [70, 70, 110, 110]],
    ['70,70,110,110 mm', 'metric', [70, 70, 110, 110]],
    ['7,5; 11 cm', 'metric', [75, 110]],
    ['7, 11', 'metric', [70, 110]],
    ['2 3/4, 4 1/2', 'imperial', [69.85, 114.3]],
    ['10 cm, 4 in', 'metric', [100, 101.6]],
    ['', 'metric', []],
  ] as const)('%s', (text, measure, mm) => {
    const got = parseLengths(text, measure);
    expect(got.ok && got.mm.map((n) => Math.round(n * 1000) / 1000)).toEqual(mm);
  });
  test.each(['70, seventy', '70, 0', '70, -3'])('%s is refused with a reason', (text) => {
    expect(parseLengths(text, 'metric')).toMatchObject({ ok: false, reason: expect.stringMatching(/./) });
  });

  test('areas, volumes, ways and thin things in either measure (a square foot 0.09290304 m², a US liquid quart 0.946352946 l, an imperial one 1.1365225 l, all by definition)', () => {
    expect([formatArea(1.4e6, 'metric'), formatArea(8500, 'metric')]).toEqual(['1.40 m²', '85 cm²']);
    expect([formatArea(92_903.04, 'imperial'), formatArea(6451.6, 'imperial')]).toEqual(['1.0 sq ft', '10 sq in']);
    expect([3.4, 0.36, 0].map((l) => formatVolume(l, { measure: 'metric', region: 'uk' }))).toEqual([
      '3.4 l',
      '0.36 l',
      '0.0 l',
    ]);
    const us = { measure: 'imperial', region: 'us' } as const;
    expect([formatVolume(0.946352946, us), formatVolume(3.785411784, us, 0)]).toEqual(['1.0 qt', '4 qt']);
    for (const region of ['uk', 'au'] as const)
      expect(formatVolume(1.1365225, { measure: 'imperial', region }, 3)).toBe('1.000 qt');
    expect([formatDistance(5800, 'metric'), formatDistance(3048, 'imperial')]).toEqual(['5.8 m', '10 ft']);
    expect([formatThin(0.27, 'metric'), formatThin(0.254, 'imperial')]).toEqual(['0.27 mm', '0.010"']);
  });
});
