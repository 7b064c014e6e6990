import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { STORAGE_FORMS } from '../../record/plan/index.ts';
import { block } from '../../testing/index.ts';
import { fitOf, heldAs, type Holder, stow, storageFormsOf } from './index.ts';

const shelf: Holder = { kind: 'shelf', nature: 'row', width: 800, depth: 320, height: 330, pockets: 0 };
const bin: Holder = { kind: 'container', nature: 'bulk', width: 300, depth: 300, height: 250, pockets: 0 };
const binder: Holder = { kind: 'container', nature: 'pockets', width: 320, depth: 60, height: 310, pockets: 60 };
const die = (over = {}) =>
  block({
    id: 'die',
    form: 'pocket',
    kind: 'thin-die',
    width: 100,
    depth: 150,
    height: 6,
    lies: ['edge', 'upright'],
    working: 60,
    ...over,
  });
const use = (holder: Holder, supply = die()) => {
  const fit = fitOf(holder, supply, 60);
  if (!fit.ok) throw new Error(fit.reason);
  return fit.use;
};

describe('ways of keeping things', () => {
  // common practice: sixty thin dies of 150 × 100 mm in packets of 6 mm fill 360 mm of a row; on magnet sheets of 1.5 mm, four to a sheet, 23 mm
  test('sixty thin dies fill 360 mm in their packets and 23 mm on magnet sheets, and the 2 mm at either end', () => {
    // one high, one deep
    expect(use({ ...shelf, depth: 160, height: 170 })).toBeCloseTo(360 + 4, 6);
    const magnet = die({ storage: 'magnet' });
    expect(heldAs(magnet).per).toBe(4);
    expect(use(shelf, magnet)).toBeCloseTo(22.5 + 4, 6);
  });
  test('in pockets six thin ones share a pocket where their packets need one each; loose they fill litres', () => {
    expect(use(binder)).toBe(60);
    expect(use(binder, die({ storage: 'pockets' }))).toBe(10);
    const fit = fitOf(bin, die({ storage: 'loose' }), 60);
    // 60 × 0.1 × 1.5 × 0.01 dm of metal, filled to 0.60
    expect(fit.ok && fit.use).toBeCloseTo((60 * 1.0 * 1.5 * 0.01) / 0.6, 6);
  });
  test('buttons in jars, on a row', () => {
    const buttons = block({
      id: 'b',
      form: 'loose',
      kind: 'button',
      width: 18,
      depth: 18,
      height: 4,
      working: 500,
      storage: 'jar',
    });
    const { per } = heldAs(buttons);
    // a jar of 70 × 100 mm is 0.385 l; 0.85 of it filled to 0.60 holds 151 buttons of 1.3 ml
    expect(per).toBe(Math.floor((Math.PI * 35 ** 2 * 100 * 0.85 * 0.6) / (18 * 18 * 4)));
    const laid = stow(shelf, { things: [{ id: 'b', supply: buttons, count: 500 }], standing: [], boxes: [] });
    expect(laid.stacks.reduce((sum, s) => sum + s.pieces, 0)).toBe(Math.ceil(500 / per));
    // counted in buttons again
    expect(laid.things[0]).toMatchObject({ count: 500, over: 0, supply: { form: 'loose' } });
  });
  test('what a place lacks is said in pieces, and as bought changes nothing', () => {
    const short: Holder = { ...shelf, width: 20 };
    const laid = stow(short, {
      things: [{ id: 'die', supply: die({ storage: 'magnet' }), count: 60 }],
      standing: [],
      boxes: [],
    });
    expect(laid.things[0]!.alone).toMatchObject({ ok: false });
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 300 }), fc.constantFrom(...STORAGE_FORMS), (count, storage) => {
        const supply = die({ storage });
        const held = heldAs(supply);
        const fit = fitOf(shelf, supply, count);
        const all = fitOf(
          shelf,
          held.supply.storage === 'asBought' ? supply : { ...held.supply, storage: 'asBought' },
          Math.ceil(count / held.per),
        );
        // a thing kept some way is as many things that are as they are
        expect(fit.ok).toBe(all.ok);
        if (fit.ok && all.ok) expect(fit.use).toBeCloseTo(all.use, 6);
      }),
    );
    expect(heldAs(die()).supply).toEqual(die());
  });
  test('a kind says how it may be kept; of a thing without one its form does', () => {
    expect(storageFormsOf(die())).toEqual(['asBought', 'loose', 'edge', 'magnet', 'pockets']);
    expect(storageFormsOf(die({ kind: '', form: 'machine' }))).toEqual(['asBought']);
    expect(storageFormsOf(die({ kind: 'no longer known' }))).toContain('magnet');
  });
});
