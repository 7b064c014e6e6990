import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { moneyIn, moneyShown } from './money.ts';

describe('money as people write it', () => {
  test.each([
    ['60', 60],
    ['60,50', 60.5],
    ['60.5', 60.5],
    ['0', 0],
    ['€ 60', 60],
    ['60 €', 60],
    ['$1,250.50', 1250.5],
    ['1.250,50', 1250.5],
    ['1,200', 1200],
    ['1.200', 1200],
    ['60.505', 60505],
    ['12 CHF', 12],
    ['eur 12', 12],
    ['EUR 12', 12],
    ["1'200", 1200],
    ['1 200', 1200],
    ['0.99', 0.99],
    ['  ', null],
  ])('%s', (text, amount) => expect(moneyIn(text)).toEqual({ ok: true, amount }));

  test.each([
    'sixty',
    '-5',
    '€ -5',
    '60 or so',
    '1.2.3',
    '60,',
    ',50',
    '2000000',
    'e5',
    '1e5',
    'NaN',
    'Infinity',
    '60 old',
    'abc 60',
    'EUR',
  ])('“%s” is told off', (text) => expect(moneyIn(text).ok).toBe(false));

  test('what is shown is read back', () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 100_000_000 }), (cents) => {
        expect(moneyIn(moneyShown(cents / 100))).toEqual({ ok: true, amount: cents / 100 });
      }),
    ));
});
